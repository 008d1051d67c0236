<script lang="ts">
	import { proseSigns } from '$core/chord';
	import type { Log, LogFilter, LogTake, Sort } from '$lib/api/log-page';
	import { INPUT_NAMES } from '$lib/state/input-words';
	import NoteField from '../NoteField.svelte';
	import { ago } from '$lib/words/when';

	/** The takes, sorted by any column; a take is chosen with the arrows, its note written in place. */
	type Props = {
		log: Log;
		filter: LogFilter;
		now: number;
		chosen: readonly string[];
		/** The address with another filter. */
		href: (change: Partial<LogFilter>) => string;
		onchoose: (take: LogTake) => void;
		onnote: (take: LogTake, note: string) => Promise<void>;
		onremove: (take: LogTake) => void;
	};
	let { log, filter, now, chosen, href, onchoose, onnote, onremove }: Props = $props();
	const COLUMNS: readonly (readonly [Sort, string])[] = [
		['when', 'When'],
		['tune', 'Tune'],
		['place', 'Place'],
		['key', 'Key'],
		['tempo', 'Tempo'],
		['landed', 'Landed']
	];
	const landed = (take: LogTake): string => {
		if (take.grade !== null) {
			return { clean: 'clean, by ear', nearly: 'nearly, by ear', not: 'not yet, by ear' }[
				take.grade
			];
		}
		const share = take.asked === 0 ? 0 : Math.round((100 * take.landed) / take.asked);
		return `${take.landed} of ${take.asked}, ${share} %`;
	};
</script>

<div class="relative overflow-x-auto">
	<table class="w-full border-collapse text-line">
		<thead>
			<tr>
				{#each COLUMNS as [sort, name] (sort)}
					<th
						class="h-6.75 border-b border-hair pr-3.5 text-left text-reason font-normal whitespace-nowrap text-second data-number:text-right max-tablet:data-wide:hidden"
						data-number={sort === 'tempo' || undefined}
						data-wide={sort === 'key' || undefined}
						aria-sort={filter.sort === sort ? (filter.down ? 'descending' : 'ascending') : 'none'}
					>
						<a
							class="hover:underline hover:underline-offset-4"
							href={href({ sort, down: filter.sort === sort ? !filter.down : true, skip: 0 })}
							data-sveltekit-noscroll
							>{name}{filter.sort === sort ? (filter.down ? ' ↓' : ' ↑') : ''}</a
						>
					</th>
				{/each}
				<th
					class="h-6.75 border-b border-hair pr-3.5 text-left text-reason font-normal whitespace-nowrap text-second max-tablet:hidden"
					>Note</th
				>
				<th
					class="h-6.75 border-b border-hair pr-3.5 text-left text-reason font-normal whitespace-nowrap text-second"
					><span class="sr-only">Compare, delete</span></th
				>
			</tr>
		</thead>
		<tbody>
			{#each log.takes as take (take.id)}
				<tr data-chosen={chosen.includes(take.id) || undefined} title={proseSigns(take.rule)}>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-left whitespace-nowrap in-data-chosen:bg-lit"
						>{ago(new Date(take.playedAt).getTime(), now)}</td
					>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-left font-semibold whitespace-nowrap in-data-chosen:bg-lit"
						><a
							class="hover:underline hover:underline-offset-4"
							href="/tunes/{take.tuneId}/drill?position={take.position}">{take.title}</a
						></td
					>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-left whitespace-nowrap in-data-chosen:bg-lit"
						>{take.position}</td
					>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-left whitespace-nowrap in-data-chosen:bg-lit max-tablet:hidden"
						>{proseSigns(take.key)}</td
					>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-right whitespace-nowrap in-data-chosen:bg-lit"
						>{Math.round(take.tempo)}</td
					>
					<td
						class="h-6.75 border-b border-hair pr-3.5 text-left whitespace-nowrap in-data-chosen:bg-lit"
						>{landed(take)}{take.looped ? ' (part)' : ''}</td
					>
					<td
						class="h-6.75 max-w-55 border-b border-hair pr-3.5 text-left whitespace-nowrap in-data-chosen:bg-lit max-tablet:hidden"
					>
						<NoteField stays note={take.note} onwrite={(note) => void onnote(take, note)} />
					</td>
					<td
						class="h-6.75 border-b border-hair text-right whitespace-nowrap in-data-chosen:bg-lit"
					>
						<button
							class="h-6.5 min-w-6.5 text-second hover:text-ink"
							type="button"
							disabled={take.grade !== null}
							aria-pressed={chosen.includes(take.id)}
							aria-label="Compare this take, {INPUT_NAMES[take.input]}"
							onclick={() => onchoose(take)}>{chosen.includes(take.id) ? '◆' : '◇'}</button
						>
						<button
							class="h-6.5 min-w-6.5 text-second hover:text-ink"
							type="button"
							aria-label="Delete this take"
							onclick={() => onremove(take)}>✕</button
						>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
</div>

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

<div class="scroll">
	<table>
		<thead>
			<tr>
				{#each COLUMNS as [sort, name] (sort)}
					<th
						aria-sort={filter.sort === sort ? (filter.down ? 'descending' : 'ascending') : 'none'}
						class:number={sort === 'tempo'}
						class:wide={sort === 'key'}
					>
						<a
							href={href({ sort, down: filter.sort === sort ? !filter.down : true, skip: 0 })}
							data-sveltekit-noscroll
							>{name}{filter.sort === sort ? (filter.down ? ' ↓' : ' ↑') : ''}</a
						>
					</th>
				{/each}
				<th class="wide">Note</th>
				<th><span class="sr">Compare, delete</span></th>
			</tr>
		</thead>
		<tbody>
			{#each log.takes as take (take.id)}
				<tr class:chosen={chosen.includes(take.id)} title={proseSigns(take.rule)}>
					<td>{ago(new Date(take.playedAt).getTime(), now)}</td>
					<td class="tune"
						><a href="/tunes/{take.tuneId}/drill?position={take.position}">{take.title}</a></td
					>
					<td>{take.position}</td>
					<td class="wide">{proseSigns(take.key)}</td>
					<td class="number">{Math.round(take.tempo)}</td>
					<td>{landed(take)}{take.looped ? ' (part)' : ''}</td>
					<td class="wide note">
						<NoteField stays note={take.note} onwrite={(note) => void onnote(take, note)} />
					</td>
					<td class="acts">
						<button
							type="button"
							disabled={take.grade !== null}
							aria-pressed={chosen.includes(take.id)}
							aria-label="Compare this take, {INPUT_NAMES[take.input]}"
							onclick={() => onchoose(take)}>{chosen.includes(take.id) ? '◆' : '◇'}</button
						>
						<button type="button" aria-label="Delete this take" onclick={() => onremove(take)}
							>✕</button
						>
					</td>
				</tr>
			{/each}
		</tbody>
	</table>
</div>

<style>
	.scroll {
		position: relative;
		overflow-x: auto;
	}
	table {
		width: 100%;
		border-collapse: collapse;
		font-size: 15px;
	}
	th,
	td {
		text-align: left;
		padding: 0 14px 0 0;
		height: 27px;
		white-space: nowrap;
		border-bottom: 1px solid var(--hair);
	}
	th {
		font-size: 13px;
		font-weight: 400;
		color: var(--second);
	}
	th a:hover,
	.tune a:hover {
		text-decoration: underline;
		text-underline-offset: 3px;
	}
	.number {
		text-align: right;
	}
	.tune {
		font-weight: 600;
	}
	.chosen td {
		background: var(--lit);
	}
	.note {
		max-width: 220px;
	}
	.acts {
		padding: 0;
		text-align: right;
	}
	.acts button {
		min-width: 26px;
		height: 26px;
		color: var(--second);
	}
	.acts button:hover {
		color: var(--ink);
	}
	@media (max-width: 760px) {
		.wide {
			display: none;
		}
	}
</style>

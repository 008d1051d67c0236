<script lang="ts">
	import { proseSigns } from '$core/chord';
	import type { Log, LogFilter } from '$lib/api/log-page';

	/** Which takes are shown: of a tune, in a place, in a key. */
	type Props = {
		choices: Log['choices'];
		filter: LogFilter;
		onset: (change: Partial<LogFilter>) => void;
	};
	let { choices, filter, onset }: Props = $props();
	let first: HTMLSelectElement | undefined = $state();
	export function focus(): void {
		first?.focus();
	}
	const pick = 'h-7 max-w-37.5 border-[1.5px] border-strong bg-paper px-1.5 text-reason text-ink';
</script>

<span class="ml-auto flex gap-2 max-tablet:ml-0 max-tablet:flex-wrap">
	<select
		bind:this={first}
		class={pick}
		aria-label="Tune"
		value={filter.tune ?? ''}
		onchange={(event) => onset({ tune: event.currentTarget.value || null })}
	>
		<option value="">All tunes</option>
		{#each choices.tunes as one (one.id)}<option value={one.id}>{one.title}</option>{/each}
	</select>
	<select
		class={pick}
		aria-label="Place"
		value={String(filter.place ?? '')}
		onchange={(event) => onset({ place: Number(event.currentTarget.value) || null })}
	>
		<option value="">All places</option>
		{#each choices.places as one (one)}<option value={String(one)}>Position {one}</option>{/each}
	</select>
	<select
		class={pick}
		aria-label="Key"
		value={filter.key ?? ''}
		onchange={(event) => onset({ key: event.currentTarget.value || null })}
	>
		<option value="">All keys</option>
		{#each choices.keys as one (one)}<option value={one}>{proseSigns(one)}</option>{/each}
	</select>
</span>

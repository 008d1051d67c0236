<script lang="ts">
	import type { ChordFunction } from '$core/harmony';
	import type { Span, WrittenBar } from '$core/chart';
	import { onMount } from 'svelte';
	import BarCell from './BarCell.svelte';

	/**
	 * A row of bars. Out of sight it stays as it was drawn until `due`; the browser leaves out what is not in sight.
	 */
	type Props = {
		bars: readonly WrittenBar[];
		/** What the chord at a place of the text does in the key. */
		roleAt: (span: Span) => ChordFunction | null;
		/** It is drawn now, in sight or not. */
		due: boolean;
		/** Rows that stand in sight when the screen opens. */
		first: boolean;
		/** The places of the text where the chord now and the next one stand. */
		now: number | null;
		next: number | null;
		/** The written bar that sounds while music plays: its index. */
		sounding: number | null;
		onchoose: (span: Span, focusText: boolean) => void;
	};
	let { bars, roleAt, due, first, now, next, sounding, onchoose }: Props = $props();

	let row: HTMLElement;
	// svelte-ignore state_referenced_locally
	let near = $state(first);
	onMount(() => {
		const watch = new IntersectionObserver(([entry]) => (near = entry.isIntersecting), {
			rootMargin: '240px 0px'
		});
		watch.observe(row);
		return () => watch.disconnect();
	});

	/** Chords that share a bar need its width: three of them half a row, more of them all of it. */
	const most = $derived(
		Math.max(1, ...bars.map(({ cells }) => cells.filter((cell) => cell.kind !== 'hold').length))
	);
	const columns = $derived(most > 3 ? 1 : most > 2 ? 2 : 4);
	const narrow = $derived(columns === 4 ? 2 : 1);

	type Drawn = Pick<Props, 'bars' | 'roleAt'>;
	let kept: Drawn | null = null;
	const drawn: Drawn | null = $derived.by(() => {
		if (near || due) kept = { bars, roleAt };
		return kept;
	});
</script>

<div
	data-part="row"
	data-stacked={columns === 1 || undefined}
	class="mb-2 grid min-h-[calc(var(--rows)*88px)] grid-cols-[repeat(var(--columns),minmax(0,1fr))] border-t-2 border-ink [contain-intrinsic-height:auto_calc(var(--rows)*88px)] [content-visibility:auto] max-tablet:min-h-[calc(var(--narrow-rows)*87px)] max-tablet:grid-cols-[repeat(var(--narrow),minmax(0,1fr))] max-tablet:[contain-intrinsic-height:auto_calc(var(--narrow-rows)*87px)] data-stacked:[&>*+*]:border-t data-stacked:[&>*+*]:border-t-hair"
	style="--columns:{columns};--rows:{Math.ceil(
		Math.min(4, bars.length) / columns
	)};--narrow:{narrow};--narrow-rows:{Math.ceil(bars.length / narrow)}"
	bind:this={row}
>
	{#if drawn}
		{#each drawn.bars as bar, i (i)}
			<BarCell
				{bar}
				roleAt={drawn.roleAt}
				{now}
				{next}
				room={448 / columns}
				sounding={bar.number - 1 === sounding}
				{onchoose}
			/>
		{/each}
	{/if}
</div>

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

	type Drawn = Pick<Props, 'bars' | 'roleAt'>;
	let kept: Drawn | null = null;
	const drawn: Drawn | null = $derived.by(() => {
		if (near || due) kept = { bars, roleAt };
		return kept;
	});
</script>

<div class="row" bind:this={row}>
	{#if drawn}
		{#each drawn.bars as bar, i (i)}
			<BarCell
				{bar}
				roleAt={drawn.roleAt}
				{now}
				{next}
				sounding={bar.number - 1 === sounding}
				{onchoose}
			/>
		{/each}
	{/if}
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: repeat(4, minmax(0, 1fr));
		border-top: 2px solid var(--ink);
		margin-bottom: 8px;
		min-height: 88px;
		content-visibility: auto;
		contain-intrinsic-height: auto 88px;
	}
	@media (max-width: 640px) {
		.row {
			grid-template-columns: repeat(2, minmax(0, 1fr));
			min-height: 174px;
			contain-intrinsic-height: auto 174px;
		}
	}
</style>

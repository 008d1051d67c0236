<script lang="ts">
	import ScreenHead from '$lib/ui/parts/ScreenHead.svelte';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import type { OpenTune } from '$lib/state/open-tune.svelte';
	import { plural } from '$lib/words/words';
	import type { DrillView } from './drill-view.svelte';

	interface Props {
		desk: DrillDesk;
		view: DrillView;
		open: OpenTune;
	}
	/** What is said first: of the pass that plays, of the last one, or what comes. */
	let { desk, view, open }: Props = $props();
	const landed = $derived(
		desk.live?.changes.filter((one) => one.result === 'landed' || one.result === 'held').length ?? 0
	);
	function goToBar(bar: number): void {
		const change = open.chart.changes.find((one) => one.bar === bar);
		if (change) open.cursor = change.index;
	}
</script>

<ScreenHead class="gap-x-3">
	{#if view.playing}
		<h1 class="text-verdict">{desk.looped ? 'Loop' : 'Pass'} at {Math.round(desk.nextTempo)}.</h1>
		<p>{plural(landed, 'change')} landed so far</p>
	{:else if view.verdict}
		<h1 class="text-verdict">{view.verdict.head}</h1>
		<p>
			{desk.done?.stopped ? 'Stopped on the way; what was played is kept. ' : ''}{view.verdict.rest}
			{#each view.verdict.bars as bar (bar)}
				<button
					type="button"
					class="ml-2 border-b-2 border-ink font-bold text-ink"
					onclick={() => goToBar(bar)}>bar {bar}</button
				>
			{/each}
		</p>
	{:else}
		<h1 class="text-verdict">Land every change at {Math.round(desk.place.tempo)}.</h1>
		<p>One bar is counted in; play along. What you miss shows afterwards.</p>
	{/if}
</ScreenHead>

<script lang="ts">
	import { chartTicks, type Change } from '$core/chart';
	import { signs } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import { tick } from 'svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from './ChordSymbol.svelte';

	const open = useTune();
	/** A row holds at most this many bars; longer charts turn the page with the chord that sounds. */
	let width = $state(1168);
	const page = $derived(width < 560 ? 6 : 12);
	const chart = $derived(open.chart);
	const nowIndex = $derived(open.before?.index ?? open.cursor);
	const firstBar = $derived.by(() => {
		const bar = (chart.changes[nowIndex]?.bar ?? 1) - 1;
		return chart.played.length <= page ? 0 : Math.floor(bar / page) * page;
	});
	const start = $derived(chart.played[firstBar]?.startTick ?? 0);
	const end = $derived(chart.played[firstBar + page]?.startTick ?? chartTicks(chart));
	const cells = $derived(
		chart.changes.flatMap((change, i) => {
			const until = chart.changes[i + 1]?.tick ?? chartTicks(chart);
			const [from, to] = [Math.max(start, change.tick), Math.min(end, until)];
			return to > from ? [{ change, from, to }] : [];
		})
	);
	const percent = (tick: number) => (100 * (tick - start)) / (end - start);
	const numeral = (change: Change) => {
		const found = open.functions[change.to.index];
		return found ? signs(found.numeral) : '';
	};
	/** Inside the ribbon the arrows step through the changes, and the focus goes with them. */
	function walk(event: KeyboardEvent): void {
		const by: Record<string, number> = { ArrowLeft: -1, ArrowRight: 1 };
		if (!by[event.key]) return;
		event.preventDefault();
		open.step(by[event.key]);
		void tick().then(() => ribbon.querySelector<HTMLElement>('[tabindex="0"]')?.focus());
	}
	let ribbon: HTMLElement;
	const bars = $derived(chart.played.slice(firstBar, firstBar + page));
	/** The largest size at which a chord fits its share of the row. */
	const SIZES = [28, 24, 20, 18, 16, 14, 12, 11];
	/** Half a bar and less keeps its chords small, so that those of one bar look alike. */
	const isShort = (from: number, to: number) => to - from < 1400;
	const sizeOf = (change: Change, from: number, to: number) => {
		const room = (width * (to - from)) / (end - start);
		return fittingSize(
			change.to.chord,
			// Where it is narrow the number of the bar stands beside the symbol, not over it.
			room - (room < 92 ? 28 : 12),
			isShort(from, to) ? SIZES.slice(3) : SIZES
		);
	};
</script>

<div
	bind:this={ribbon}
	bind:clientWidth={width}
	class="relative h-14.5 border-t-2 border-r-[1.5px] border-t-ink border-r-ink"
	role="group"
	aria-label="Chords, bars {firstBar + 1} to {firstBar + bars.length}"
>
	{#each cells as { change, from, to } (change.index)}
		{@const short = isShort(from, to)}
		<button
			type="button"
			class="absolute inset-x-auto -top-0.5 bottom-0 z-1 overflow-hidden border-t-6 border-l-[1.5px] border-t-transparent border-l-ink bg-transparent pt-1 pb-4.5 pl-2 text-left text-(length:--size) leading-none hover:bg-lit data-short:pt-3 max-tablet:pl-1 now:border-t-now now:bg-now-tint/70 now:text-now-ink next:border-t-next next:bg-next-tint/60 next:text-next-ink"
			data-tense={change.index === nowIndex && open.now
				? 'now'
				: change.index === open.cursor && open.next
					? 'next'
					: undefined}
			data-short={short || undefined}
			style="left:{percent(from)}%;width:{percent(to) - percent(from)}%;--size:{sizeOf(
				change,
				from,
				to
			)}px"
			tabindex={change.index === nowIndex ? 0 : -1}
			data-arrows
			onkeydown={walk}
			aria-current={change.index === nowIndex ? 'step' : undefined}
			aria-label="{change.to.symbol}, bar {change.bar}, beat {change.beat}"
			onclick={() => open.look(change.index)}
		>
			<ChordSymbol chord={change.to.chord} />
			{#if numeral(change)}<span
					class="absolute bottom-0.5 left-2 text-reason leading-tight whitespace-nowrap text-second max-tablet:hidden"
					aria-hidden="true">{numeral(change)}</span
				>{/if}
		</button>
	{/each}
	{#each bars as bar (bar.index)}
		<span
			class="pointer-events-none absolute top-1 z-2 pr-1.5 text-right font-mono text-count text-third max-tablet:pr-0.5"
			aria-hidden="true"
			style="left:{percent(bar.startTick)}%;width:{percent(bar.startTick + bar.lengthTicks) -
				percent(bar.startTick)}%">{bar.index + 1}</span
		>
	{/each}
</div>

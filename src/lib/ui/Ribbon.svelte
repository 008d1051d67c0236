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
		const bar = (chart.changes[open.cursor]?.bar ?? 1) - 1;
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
	const sizeOf = (change: Change, from: number, to: number) =>
		fittingSize(
			change.to.chord,
			(width * (to - from)) / (end - start) - 12,
			isShort(from, to) ? SIZES.slice(3) : SIZES
		);
</script>

<div
	bind:this={ribbon}
	bind:clientWidth={width}
	class="ribbon"
	role="group"
	aria-label="Chords, bars {firstBar + 1} to {firstBar + bars.length}"
>
	{#each cells as { change, from, to } (change.index)}
		{@const short = isShort(from, to)}
		<button
			type="button"
			class="cell"
			class:short
			class:now={change.index === nowIndex && open.now}
			class:next={change.index === open.cursor && open.next}
			style="left:{percent(from)}%;width:{percent(to) - percent(from)}%;--size:{sizeOf(
				change,
				from,
				to
			)}px"
			tabindex={change.index === open.cursor ? 0 : -1}
			onkeydown={walk}
			aria-current={change.index === open.cursor ? 'step' : undefined}
			aria-label="{change.to.symbol}, bar {change.bar}, beat {change.beat}"
			onclick={() => (open.cursor = change.index)}
		>
			<ChordSymbol chord={change.to.chord} />
			{#if numeral(change)}<span class="numeral" aria-hidden="true">{numeral(change)}</span>{/if}
		</button>
	{/each}
	{#each bars as bar, i (bar.index)}
		<span
			class="number"
			aria-hidden="true"
			style="left:{percent(bar.startTick)}%;width:{percent(bar.startTick + bar.lengthTicks) -
				percent(bar.startTick)}%"
			class:first={i === 0}>{bar.index + 1}</span
		>
	{/each}
</div>

<style>
	.ribbon {
		position: relative;
		height: 58px;
		border-top: 2px solid var(--ink);
		border-right: 1.5px solid var(--ink);
	}
	.cell {
		position: absolute;
		inset: -2px auto 0;
		text-align: left;
		padding: 4px 0 18px 8px;
		line-height: 1;
		border-left: 1.5px solid var(--ink);
		overflow: hidden;
		font-size: var(--size);
		border-top: 6px solid transparent;
		background: none;
		z-index: 1;
	}
	.short {
		padding-top: 12px;
	}
	.numeral {
		position: absolute;
		left: 8px;
		bottom: 2px;
		font-size: 13px;
		line-height: 1.1;
		color: var(--second);
		white-space: nowrap;
	}
	.cell:hover {
		background: var(--lit);
	}
	.now {
		background: color-mix(in srgb, var(--now-tint) 70%, transparent);
		border-top-color: var(--now);
		color: var(--now-ink);
	}
	.next {
		background: color-mix(in srgb, var(--next-tint) 60%, transparent);
		border-top-color: var(--next);
		color: var(--next-ink);
	}
	.number {
		position: absolute;
		top: 4px;
		padding-right: 6px;
		text-align: right;
		font-family: var(--font-mono);
		font-size: 12px;
		color: var(--third);
		pointer-events: none;
		z-index: 2;
	}
	@media (max-width: 640px) {
		.cell {
			padding-left: 3px;
		}
		.number {
			padding-right: 2px;
		}
		.numeral {
			display: none;
		}
	}
</style>

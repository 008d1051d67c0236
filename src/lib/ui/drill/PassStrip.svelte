<script lang="ts">
	import type { BarRange, Swing } from '$core/band';
	import type { Chart } from '$core/chart';
	import { proseSigns, type Chord } from '$core/chord';
	import type { JudgedChange } from '$core/practice';
	import type { TargetAnswer } from '$lib/api/plan-schema';
	import { prefs } from '$lib/state/prefs.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import { arcPath, bulge, pitchAxis } from '$lib/draw/strip-geometry';
	import { laneWord } from './drill-words';
	import { stripRows } from './pass-strip';
	import ResultMark from './ResultMark.svelte';

	type Props = {
		chart: Chart;
		range: BarRange | null;
		swing: Swing;
		targets: readonly TargetAnswer[];
		/** How changes came out, by change; those that are not known yet are left out. */
		results: ReadonlyMap<number, JudgedChange>;
		/** Bars that the next step goes to. */
		marked: BarRange | null;
		/** The change that sounds, and the one that comes; null while it is still. */
		now: number | null;
		next: number | null;
		toleranceMs: number;
		width: number;
		onbar?: (bar: number) => void;
	};
	let {
		chart,
		range,
		swing,
		targets,
		results,
		marked,
		now,
		next,
		toleranceMs,
		width,
		onbar
	}: Props = $props();

	const HEIGHT = 168;
	const LANE = 144;
	const rows = $derived(stripRows(chart, range, swing, targets, width));
	const y = $derived(pitchAxis(targets, 58, 112));
	/** An error on the lane: the box is the tolerance, further off is drawn further away, up to 28 px. */
	const lane = (ms: number) => {
		const inside = (Math.min(Math.abs(ms), toleranceMs) / toleranceMs) * 11;
		const outside = Math.min(17, Math.max(0, Math.abs(ms) - toleranceMs) / 22);
		return Math.sign(ms) * (inside + (outside > 0 ? 3 + outside : 0));
	};
	const good = (index: number) => {
		const result = results.get(index)?.result;
		return result === 'landed' || result === 'held';
	};
	const label = (target: TargetAnswer) =>
		prefs.label({ role: target.role, name: target.name, pc: target.midi % 12 });
	/** What was played where it was a tone of the chord; it need not be what was planned. */
	function played({ chord }: { chord: Chord }, judged: JudgedChange | undefined): string | null {
		const tone = chord.tones.find((one) => one.role === judged?.role);
		return tone ? prefs.label(tone) : null;
	}
	const inMark = (bar: number) => marked !== null && bar >= marked.from && bar < marked.to;
	const said = $derived(
		rows
			.flatMap((row) => row.changes)
			.flatMap(({ index, symbol, bar }) => {
				const judged = results.get(index);
				return judged ? [`bar ${bar}, ${proseSigns(symbol)}: ${judged.result}`] : [];
			})
			.join('; ')
	);
</script>

<div class="strip">
	<p class="sr">{said || 'Nothing played yet.'}</p>
	{#each rows as row (row.from)}
		<svg viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true">
			{#each row.bars as bar (bar.index)}
				{#if inMark(bar.index)}
					<rect class="marked" x={bar.x} y="2" width={bar.width} height={HEIGHT - 4} />
					<rect class="markline" x={bar.x} y="0" width={bar.width} height="5" />
				{/if}
				<line class="barline" x1={bar.x} x2={bar.x} y1="0" y2="128" />
				<text class="number" x={bar.x + bar.width - 6} y="17">{bar.index + 1}</text>
				{#if onbar}
					<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
					<rect
						class="hit"
						x={bar.x}
						y="0"
						width={bar.width}
						height={HEIGHT}
						onclick={() => onbar(bar.index)}
					/>
				{/if}
			{/each}
			<line class="top" x1="0" x2={width} y1="1" y2="1" />
			<line class="base" x1="0" x2={width} y1={LANE} y2={LANE} />
			{#each row.changes as change, i (change.index)}
				{@const after = row.changes[i + 1]}
				{#if change.target && after?.target}
					{@const rise = Math.min(30, bulge(after.target.midi - change.target.midi) * 0.55)}
					<path
						class="arc"
						class:dotted={!good(change.index) || !good(after.index)}
						d={arcPath(change.x, y(change.target.midi), after.x, y(after.target.midi), rise)}
					/>
				{/if}
			{/each}
			{#each row.changes as change (change.index)}
				{@const judged = results.get(change.index)}
				<line
					class="moment"
					class:strong={judged !== undefined}
					x1={change.x}
					x2={change.x}
					y1="40"
					y2="128"
				/>
				<g class="symbol" class:now={change.index === now} class:next={change.index === next}>
					<ChordText
						chord={change.chord}
						x={change.x + 7}
						y={34}
						size={fittingSize(
							change.chord,
							Math.max(24, change.room - 26),
							[27, 24, 21, 18, 16, 14]
						)}
					/>
				</g>
				{#if change.target}
					<g transform="translate({change.x},{y(change.target.midi)})">
						<ResultMark
							role={judged?.role ?? change.target.role}
							label={played(change, judged) ?? label(change.target)}
							result={judged?.result === 'passed' ? null : (judged?.result ?? null)}
							shift={judged?.errorMs ? Math.sign(judged.errorMs) * 20 : 0}
						/>
					</g>
				{/if}
				{#if judged && judged.result !== 'passed'}
					<g transform="translate({change.x},{LANE})">
						{#if judged.result === 'held'}
							<rect class="box" x="-11" y="-6" width="22" height="12" />
							<line class="heldline" x1="-16" x2="16" y1="0" y2="0" />
						{:else}
							<rect class="box" x="-11" y="-6" width="22" height="12" />
							<line class="box" x1="0" x2="0" y1="-6" y2="6" />
							{#if judged.result === 'missed'}
								<path class="cross" d="M-5,-5L5,5M5,-5L-5,5" />
							{:else if judged.errorMs !== null}
								{@const at = lane(judged.errorMs)}
								{#if judged.result === 'landed'}
									<circle cx={at} r="3.6" />
								{:else}
									<path class="off" d={at > 0 ? `M${at},-5l7,5l-7,5z` : `M${at},-5l-7,5l7,5z`} />
								{/if}
							{/if}
						{/if}
						<text
							class="lane"
							class:bold={judged.result !== 'landed' && judged.result !== 'held'}
							y="21">{laneWord(judged)}</text
						>
					</g>
				{/if}
			{/each}
		</svg>
	{/each}
</div>

<style>
	svg {
		display: block;
	}
	.strip {
		overflow: hidden;
	}
	.top {
		stroke: var(--ink);
		stroke-width: 2;
	}
	.base {
		stroke: var(--hair);
	}
	.barline {
		stroke: var(--hair);
	}
	.moment {
		stroke: var(--strong);
		stroke-dasharray: 2 3;
	}
	.moment.strong {
		stroke: var(--ink);
		stroke-dasharray: none;
	}
	.number {
		font-family: var(--font-mono);
		font-size: 12px;
		fill: var(--second);
		text-anchor: end;
	}
	.hit {
		fill: transparent;
		cursor: pointer;
	}
	.marked {
		fill: var(--next-tint);
	}
	.markline {
		fill: var(--next);
	}
	.arc {
		fill: none;
		stroke: var(--second);
		stroke-width: 2.25;
	}
	.arc.dotted {
		stroke-dasharray: 2 4;
	}
	.symbol :global(text) {
		fill: var(--second);
	}
	.symbol.now :global(text) {
		fill: var(--now-ink);
	}
	.symbol.next :global(text) {
		fill: var(--next-ink);
	}
	.box {
		fill: var(--paper);
		stroke: var(--strong);
	}
	.heldline {
		stroke: var(--ink);
		stroke-width: 4;
	}
	circle,
	.off {
		fill: var(--ink);
	}
	.cross {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.2;
	}
	.lane {
		font-size: 12px;
		fill: var(--second);
		text-anchor: middle;
	}
	.lane.bold {
		font-weight: 700;
		fill: var(--ink);
	}
</style>

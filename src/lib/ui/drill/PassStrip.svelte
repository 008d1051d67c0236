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

<div class="overflow-hidden">
	<p class="sr-only">{said || 'Nothing played yet.'}</p>
	{#each rows as row (row.from)}
		<svg class="block" viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true">
			{#each row.bars as bar (bar.index)}
				{#if inMark(bar.index)}
					<rect class="fill-next-tint" x={bar.x} y="2" width={bar.width} height={HEIGHT - 4} />
					<rect class="fill-next" x={bar.x} y="0" width={bar.width} height="5" />
				{/if}
				<line class="stroke-hair" x1={bar.x} x2={bar.x} y1="0" y2="128" />
				<text class="fill-second font-mono text-count anchor-end" x={bar.x + bar.width - 6} y="17"
					>{bar.index + 1}</text
				>
				{#if onbar}
					<!-- svelte-ignore a11y_click_events_have_key_events, a11y_no_static_element_interactions -->
					<rect
						class="cursor-pointer fill-transparent"
						x={bar.x}
						y="0"
						width={bar.width}
						height={HEIGHT}
						onclick={() => onbar(bar.index)}
					/>
				{/if}
			{/each}
			<line class="stroke-ink stroke-2" x1="0" x2={width} y1="1" y2="1" />
			<line class="stroke-hair" x1="0" x2={width} y1={LANE} y2={LANE} />
			{#each row.changes as change, i (change.index)}
				{@const after = row.changes[i + 1]}
				{#if change.target && after?.target}
					{@const rise = Math.min(30, bulge(after.target.midi - change.target.midi) * 0.55)}
					<path
						class="fill-none stroke-second stroke-[2.25] data-dotted:dash-[2_4]"
						data-dotted={!good(change.index) || !good(after.index) || undefined}
						d={arcPath(change.x, y(change.target.midi), after.x, y(after.target.midi), rise)}
					/>
				{/if}
			{/each}
			{#each row.changes as change (change.index)}
				{@const judged = results.get(change.index)}
				<line
					class="stroke-strong dash-[2_3] data-strong:stroke-ink data-strong:dash-none"
					data-strong={judged !== undefined || undefined}
					x1={change.x}
					x2={change.x}
					y1="40"
					y2="128"
				/>
				{@const tense = change.index === now ? 'now' : change.index === next ? 'next' : undefined}
				<g class="fill-second now:fill-now-ink next:fill-next-ink" data-tense={tense}>
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
							<rect class="fill-paper stroke-strong" x="-11" y="-6" width="22" height="12" />
							<line class="stroke-ink stroke-4" x1="-16" x2="16" y1="0" y2="0" />
						{:else}
							<rect class="fill-paper stroke-strong" x="-11" y="-6" width="22" height="12" />
							<line class="fill-paper stroke-strong" x1="0" x2="0" y1="-6" y2="6" />
							{#if judged.result === 'missed'}
								<path class="fill-none stroke-ink stroke-[2.2]" d="M-5,-5L5,5M5,-5L-5,5" />
							{:else if judged.errorMs !== null}
								{@const at = lane(judged.errorMs)}
								{#if judged.result === 'landed'}
									<circle class="fill-ink" cx={at} r="3.6" />
								{:else}
									<path
										class="fill-ink"
										d={at > 0 ? `M${at},-5l7,5l-7,5z` : `M${at},-5l-7,5l7,5z`}
									/>
								{/if}
							{/if}
						{/if}
						<text
							class="fill-second text-count anchor-middle data-bold:fill-ink data-bold:font-bold"
							data-bold={(judged.result !== 'landed' && judged.result !== 'held') || undefined}
							y="21">{laneWord(judged)}</text
						>
					</g>
				{/if}
			{/each}
		</svg>
	{/each}
</div>

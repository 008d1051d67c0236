<script lang="ts">
	import { performed, swingOf } from '$core/band';
	import { chartTicks, parseChart } from '$core/chart';
	import { instrumentOf } from '$core/neck';
	import { compareTakes, viewTake } from '$core/practice';
	import type { TakeAnswer } from '$lib/api/practice-schema';
	import { firstTimeThrough } from '$lib/api/take';
	import { prefs } from '$lib/state/prefs.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import ResultMark from '../drill/ResultMark.svelte';
	import { arcPath } from '$lib/draw/strip-geometry';
	import { ago } from '$lib/words/when';

	/** Two takes of a tune on one axis of time and one scale of pitch: what lands, and the notes between. */
	let { pair, now }: { pair: readonly TakeAnswer[]; now: number } = $props();
	let width = $state(760);
	/** On a narrow screen the facts stand over their take, not beside it. */
	const narrow = $derived(width < 560);
	const LEFT = $derived(narrow ? 0 : 178);
	const ROW = $derived(narrow ? 150 : 100);
	const TOP = $derived(narrow ? 66 : 22);
	const HEAD = 40;

	const chart = $derived(parseChart(pair[0].chart));
	const views = $derived(
		pair.map((take) => {
			const own = parseChart(take.chart);
			const { instrument } = instrumentOf(own);
			return viewTake(firstTimeThrough(take, own, instrument));
		})
	);
	const verdict = $derived(compareTakes(views[0], views[1]));
	const end = $derived(Math.max(1, chartTicks(chart)));
	const x = $derived((tick: number) => LEFT + 14 + (tick / end) * (width - LEFT - 30));
	const swing = $derived(swingOf(chart.headers.feel));
	const pitches = $derived(views.flatMap(({ lowest, highest }) => [lowest ?? 60, highest ?? 60]));
	const low = $derived(Math.min(...pitches));
	const high = $derived(Math.max(...pitches, low + 1));
	const y = $derived((midi: number) => ROW - 16 - ((midi - low) / (high - low)) * (ROW - 16 - TOP));
	const rows = $derived(
		views.map((view, i) => ({
			take: pair[i],
			view,
			marks: view.judgement.changes.flatMap((change) => {
				const at = chart.changes[change.index];
				if (!at || change.result === 'passed') return [];
				const tone = at.to.chord.tones.find(({ role }) => role === change.role);
				return [
					{
						...change,
						x: x(performed(chart, at.tick, swing)),
						midi: change.midi ?? Math.round((low + high) / 2),
						label: tone ? prefs.label(tone) : '',
						good: change.result === 'landed' || change.result === 'held'
					}
				];
			})
		}))
	);
	const timing = ({ summary: { biasMs, spreadMs } }: (typeof views)[number]) =>
		biasMs === null || spreadMs === null
			? 'too few landings'
			: `${Math.abs(Math.round(biasMs))} ms ${biasMs < 0 ? 'early' : 'late'}, spread ${Math.round(spreadMs)} ms`;
	const range = (view: (typeof views)[number]) =>
		view.lowest === null || view.highest === null ? '–' : `${view.highest - view.lowest} semitones`;
</script>

<div class="relative min-w-0 overflow-hidden" bind:clientWidth={width}>
	<svg
		class="block"
		viewBox="0 0 {width} {HEAD + 2 * ROW}"
		width="100%"
		height={HEAD + 2 * ROW}
		aria-hidden="true"
	>
		{#each chart.changes as change, i (change.index)}
			{@const at = x(performed(chart, change.tick, swing))}
			{@const next = chart.changes[i + 1]}
			<line class="stroke-strong" x1={at} x2={at} y1="0" y2={HEAD + 2 * ROW} />
			<ChordText
				class="fill-ink"
				chord={change.to.chord}
				x={at + 8}
				y={28}
				size={fittingSize(change.to.chord, x(next?.tick ?? end) - at - 12, [25, 21, 18, 15, 12])}
			/>
		{/each}
		{#each rows as row, i (row.take.id)}
			<g transform="translate(0,{HEAD + i * ROW})">
				<line class="stroke-hair" x1="0" x2={width} y1="0" y2="0" />
				{#each row.view.notes.filter(({ loop }) => loop === 0) as note, k (k)}
					<line
						class="stroke-third stroke-4"
						x1={x(note.tick)}
						x2={Math.max(x(note.tick) + 3, x(note.tick + note.durationTicks) - 2)}
						y1={y(note.midi)}
						y2={y(note.midi)}
					/>
				{/each}
				{#each row.marks as mark, k (mark.index)}
					{@const next = row.marks[k + 1]}
					{#if next}
						<path
							class="fill-none stroke-ink stroke-2 data-dotted:dash-[2_4]"
							data-dotted={!mark.good || !next.good || undefined}
							d={arcPath(mark.x, y(mark.midi), next.x, y(next.midi), 12)}
						/>
					{/if}
				{/each}
				{#each row.marks as mark (mark.index)}
					<g transform="translate({mark.x},{y(mark.midi)})">
						<ResultMark
							role={mark.role}
							label={mark.label}
							result={mark.result}
							r={10}
							shift={mark.result === 'early' ? -14 : 14}
						/>
					</g>
				{/each}
			</g>
		{/each}
	</svg>
	{#each rows as { take, view }, i (take.id)}
		<div
			class="drawn absolute left-0 flex w-43 flex-col text-reason leading-snug text-second data-narrow:w-full data-narrow:items-baseline data-narrow:gap-x-3 data-narrow:gap-y-0 data-narrow:[flex-flow:row_wrap]"
			data-narrow={narrow || undefined}
			style:top="{HEAD + i * ROW + 6}px"
		>
			<b class="text-line text-ink">{take.note || take.rule.split(' · ').slice(1, 3).join(', ')}</b>
			<span>{ago(new Date(take.playedAt).getTime(), now)}, at {Math.round(take.tempo)}</span>
			<span
				><strong class="font-display text-verdict font-extrabold text-ink"
					>{view.summary.landed} of {view.summary.asked}</strong
				> land</span
			>
			<span>{Math.round(100 * view.chordToneShare)} % chord tones on beats</span>
		</div>
	{/each}
</div>
<div class="sr-only">
	<table>
		<caption>Two takes of the same bars</caption>
		<thead>
			<tr>
				<th>Take</th><th>Landed</th><th>Chord tones on strong beats</th><th>Timing</th><th>Range</th
				>
			</tr>
		</thead>
		<tbody>
			{#each rows as { take, view } (take.id)}
				<tr>
					<td>{take.note || take.rule}</td>
					<td>{view.summary.landed} of {view.summary.asked}</td>
					<td>{Math.round(100 * view.chordToneShare)} %</td>
					<td>{timing(view)}</td>
					<td>{range(view)}</td>
				</tr>
			{/each}
		</tbody>
	</table>
</div>
<p class="pt-1 text-reason text-second">
	{#if verdict.better === null}
		Both follow the changes alike.
	{:else}
		<b class="text-ink"
			>The {verdict.better === 0 ? 'upper' : 'lower'} one follows the changes better.</b
		>
		{verdict.reasons.join(' ')}
	{/if}
	Timing: {timing(views[0])} above, {timing(views[1])} below. Range: {range(views[0])} above, {range(
		views[1]
	)} below.
</p>

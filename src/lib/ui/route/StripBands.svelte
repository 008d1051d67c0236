<script lang="ts">
	import { carriesNumber } from '$lib/draw/chord-width';
	import { chartTicks } from '$core/chart';
	import { guideTones } from '$core/chord';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { TimeAxis } from '$lib/draw/strip-geometry';

	/** Behind the arcs: a band per chord, its tones as rungs, bar lines and bar numbers. */
	type Props = {
		axis: TimeAxis;
		width: number;
		height: number;
		y: (midi: number) => number;
		planned: boolean;
	};
	let { axis, width, height, y, planned }: Props = $props();
	const open = useTune();

	/** Rungs stay between the chord names and the labels. */
	const RUNG_TOP = 62;
	const RUNG_BOTTOM = 62;

	const bands = $derived(
		open.chart.changes.flatMap((change, i) => {
			const until = open.chart.changes[i + 1]?.to.startTick ?? chartTicks(open.chart);
			const [a, b] = [axis.x(change.to.startTick), axis.x(until)];
			if (b < 0 || a > width) return [];
			const [x1, x2] = [Math.max(0, a), Math.min(width, b)];
			const guides = guideTones(change.to.chord);
			const rungs: { midi: number; y: number; heavy: boolean }[] = [];
			for (let midi = 24; planned && midi < 100; midi++) {
				const tone = change.to.chord.tones.find((other) => other.pc === midi % 12);
				const at = y(midi);
				if (!tone?.essential || at < RUNG_TOP || at > height - RUNG_BOTTOM) continue;
				rungs.push({ midi, y: at, heavy: guides.includes(tone) });
			}
			const tense =
				i === open.cursor && open.next ? 'next' : i === open.before?.index ? 'now' : 'idle';
			return [{ change, a, x1, x2, rungs, tense }];
		})
	);
	/** Room that a bar's number needs where no chord begins. */
	const ROOM = 64;

	/** Where a bar's number stands: at the end of its last stretch with room, else at the foot. */
	function barLabel(number: number, x: number, right: number) {
		const inside = bands.filter((band) => band.a > x + 1 && band.a < right - 1);
		const edges = [x, ...inside.map((band) => band.a), right];
		const stretches = edges.slice(1).map((end, i) => {
			const band = bands.findLast((entry) => entry.a <= edges[i] + 1);
			const begins = band !== undefined && Math.abs(band.a - edges[i]) <= 1;
			return { end, band, begins, width: end - Math.max(0, edges[i]) };
		});
		const found = stretches.findLast(({ width, begins, band }) =>
			begins && band ? carriesNumber(width, band.change.to.chord) : width > ROOM
		);
		const tense = found?.band?.tense ?? 'idle';
		const word = found?.begins && tense !== 'idle' ? ` · ${tense}` : '';
		return { number, x, at: found ? found.end - 12 : null, tense, word };
	}
	const bars = $derived(
		open.chart.played.slice(axis.from, axis.to + 1).map((bar) => {
			const x = axis.x(bar.startTick);
			const right = Math.min(width, axis.x(bar.startTick + bar.lengthTicks));
			const onEdge = bands.some((entry) => Math.abs(entry.a - x) < 1);
			return { ...barLabel(bar.index + 1, x, right), room: right - x, onEdge };
		})
	);
</script>

{#each bands as band (band.change.index)}
	<g data-tense={band.tense}>
		<rect
			class="fill-transparent in-now:fill-now-tint/70 in-next:fill-next-tint/60"
			x={band.x1}
			y="0"
			width={Math.max(0, band.x2 - band.x1)}
			{height}
		/>
		{#each band.rungs as rung (rung.midi)}
			<line
				class="stroke-strong stroke-1 opacity-50 in-now:stroke-now-line in-next:stroke-next-line data-heavy:stroke-2"
				data-heavy={rung.heavy || undefined}
				x1={band.x1}
				x2={band.x2}
				y1={rung.y}
				y2={rung.y}
			/>
		{/each}
		<rect
			class="fill-ink in-now:fill-now in-next:fill-next"
			x={band.x1}
			y="0"
			width={Math.max(0, band.x2 - band.x1)}
			height={band.tense === 'idle' ? 2 : 6}
		/>
		{#if band.a >= -2}
			<line class="stroke-ink stroke-[1.6]" x1={band.a} x2={band.a} y1="0" y2={height} />
		{/if}
		{#if band.tense === 'next' && band.a > 0}
			<path
				class="fill-ink"
				d="M{band.a - 7},{height}L{band.a},{height - 9}L{band.a + 7},{height}Z"
			/>
		{/if}
	</g>
{/each}
{#each bars as bar (bar.number)}
	{#if !bar.onEdge}
		<line class="stroke-strong stroke-[1.2] dash-[2_4]" x1={bar.x} x2={bar.x} y1="54" y2={height} />
	{/if}
	{#if bar.at !== null}
		<text
			class="fill-second text-reason anchor-end now:fill-now-ink now:font-bold next:fill-next-ink next:font-bold"
			data-tense={bar.tense}
			x={bar.at}
			y="24">bar {bar.number}{bar.word}</text
		>
	{:else if bar.room > 44}
		<text class="fill-second text-count anchor-start" x={bar.x + 11} y={height - 14}
			>bar {bar.number}</text
		>
	{/if}
{/each}

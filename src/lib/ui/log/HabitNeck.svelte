<script lang="ts">
	import type { TuneHabits } from '$lib/api/log-page';
	import { plural } from '$lib/words/words';
	import { roleSentence, stepSentence, stringSentence } from './habit-words';

	/** Which places of a position are always played and which never. Size and ink: how often. */
	let { habits, strings }: { habits: TuneHabits; strings: number } = $props();
	const WIDTH = 376;
	const TOP = 10;
	const GAP = 25;
	const LEFT = 26;
	const frets = $derived(
		Array.from({ length: 6 }, (_, i) => habits.position - 1 + i).filter((fret) => fret >= 0)
	);
	const wide = $derived((WIDTH - LEFT - 8) / frets.length);
	const x = (fret: number) => LEFT + (fret - frets[0] + 0.5) * wide;
	const y = (string: number) => TOP + (string - 0.5) * GAP;
	const height = $derived(TOP + strings * GAP + 26);
	const most = $derived(Math.max(1, ...habits.places.map(({ count }) => count)));
	const all = $derived(
		Math.max(
			1,
			habits.places.reduce((sum, { count }) => sum + count, 0)
		)
	);
	const step = (count: number) => Math.min(4, 1 + Math.floor((4 * count) / (most + 1)));
	const waiting = $derived(habits.unused.length);
</script>

<svg
	viewBox="0 0 {WIDTH} {height}"
	role="img"
	aria-label="Places of position {habits.position} and how often each was played"
>
	<rect
		class="window"
		x={x(habits.position) - wide / 2}
		y={TOP}
		width={wide * 4}
		height={strings * GAP}
	/>
	{#each frets as fret (fret)}
		<line
			class="fret"
			x1={x(fret) + wide / 2}
			x2={x(fret) + wide / 2}
			y1={TOP}
			y2={TOP + strings * GAP}
		/>
		<text class="number" x={x(fret)} y={height - 8}>{fret}</text>
	{/each}
	{#each { length: strings } as _, i (i)}
		<line
			class="string"
			x1={LEFT - 6}
			x2={WIDTH - 8}
			y1={y(i + 1)}
			y2={y(i + 1)}
			stroke-width={1 + i * 0.35}
		/>
		<text class="number" x="8" y={y(i + 1) + 4}>{i + 1}</text>
	{/each}
	{#each habits.unused as place (`${place.string}-${place.fret}`)}
		<circle class="never" cx={x(place.fret)} cy={y(place.string)} r="7" />
	{/each}
	{#each habits.places as place (`${place.string}-${place.fret}`)}
		<circle
			class="d{step(place.count)}"
			cx={x(place.fret)}
			cy={y(place.string)}
			r={6 + 6 * (place.count / most)}
		/>
		{#if place.count / most > 0.3}
			<text class="count on{step(place.count)}" x={x(place.fret)} y={y(place.string) + 4}
				>{Math.round((100 * place.count) / all)}</text
			>
		{/if}
	{/each}
</svg>
<p>
	<b>{stringSentence(habits)}</b>
	{waiting} of {plural(habits.tonePlaces, 'chord-tone place')} wait. In the discs: how many of a hundred
	notes. {roleSentence(habits)}
	{stepSentence(habits)}
</p>

<style>
	svg {
		display: block;
		width: 100%;
	}
	.window {
		fill: var(--lit);
	}
	.fret {
		stroke: var(--hair);
	}
	.string {
		stroke: var(--third);
	}
	.number {
		font-size: 12px;
		text-anchor: middle;
		fill: var(--second);
	}
	.never {
		fill: var(--paper);
		stroke: var(--strong);
		stroke-width: 1.6;
		stroke-dasharray: 2 2.6;
	}
	.d1 {
		fill: var(--density-1);
		stroke: var(--strong);
	}
	.d2 {
		fill: var(--density-2);
	}
	.d3 {
		fill: var(--density-3);
	}
	.d4 {
		fill: var(--density-4);
	}
	.count {
		font-size: 12px;
		font-weight: 700;
		text-anchor: middle;
		fill: var(--ink);
	}
	.on3 {
		fill: var(--on-density-3);
	}
	.on4 {
		fill: var(--on-density-4);
	}
	p {
		font-size: 13px;
		color: var(--second);
	}
	b {
		color: var(--ink);
	}
</style>

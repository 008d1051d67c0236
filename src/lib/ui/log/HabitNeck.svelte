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
	class="block w-full"
	viewBox="0 0 {WIDTH} {height}"
	role="img"
	aria-label="Places of position {habits.position} and how often each was played"
>
	<rect
		class="fill-lit"
		x={x(habits.position) - wide / 2}
		y={TOP}
		width={wide * 4}
		height={strings * GAP}
	/>
	{#each frets as fret (fret)}
		<line
			class="stroke-hair"
			x1={x(fret) + wide / 2}
			x2={x(fret) + wide / 2}
			y1={TOP}
			y2={TOP + strings * GAP}
		/>
		<text class="fill-second text-count anchor-middle" x={x(fret)} y={height - 8}>{fret}</text>
	{/each}
	{#each { length: strings } as _, i (i)}
		<line
			class="stroke-third"
			x1={LEFT - 6}
			x2={WIDTH - 8}
			y1={y(i + 1)}
			y2={y(i + 1)}
			stroke-width={1 + i * 0.35}
		/>
		<text class="fill-second text-count anchor-middle" x="8" y={y(i + 1) + 4}>{i + 1}</text>
	{/each}
	{#each habits.unused as place (`${place.string}-${place.fret}`)}
		<circle
			class="fill-paper stroke-strong stroke-[1.6] [stroke-dasharray:2_2.6]"
			cx={x(place.fret)}
			cy={y(place.string)}
			r="7"
		/>
	{/each}
	{#each habits.places as place (`${place.string}-${place.fret}`)}
		<circle
			class="data-[step=1]:fill-density-1 data-[step=1]:stroke-strong data-[step=2]:fill-density-2 data-[step=3]:fill-density-3 data-[step=4]:fill-density-4"
			data-step={step(place.count)}
			cx={x(place.fret)}
			cy={y(place.string)}
			r={6 + 6 * (place.count / most)}
		/>
		{#if place.count / most > 0.3}
			<text
				class="fill-ink text-count font-bold anchor-middle data-[step=3]:fill-on-density-3 data-[step=4]:fill-on-density-4"
				data-step={step(place.count)}
				x={x(place.fret)}
				y={y(place.string) + 4}>{Math.round((100 * place.count) / all)}</text
			>
		{/if}
	{/each}
</svg>
<p class="text-reason text-second">
	<b class="text-ink">{stringSentence(habits)}</b>
	{waiting} of {plural(habits.tonePlaces, 'chord-tone place')} wait. In the discs: how many of a hundred
	notes. {roleSentence(habits)}
	{stepSentence(habits)}
</p>

<script lang="ts">
	import { rungs, type Ladder, type LadderPlace } from '$core/practice';
	import type { TriedPass } from '$lib/state/drill/drill-choice.svelte';
	import { inWords } from '$lib/words/words';

	/** The rungs from the foot to the ceiling; dots are clean passes, crosses broken ones. */
	type Props = {
		ladder: Ladder;
		place: LadderPlace;
		tried: readonly TriedPass[];
		/** The tempo that the last pass was played at. */
		played: number | null;
	};
	let { ladder, place, tried, played }: Props = $props();
	const WIDTH = 304;
	const HEIGHT = 226;
	const MOST = 10;
	/** Where there are more rungs than there is room, those round the player are shown. */
	const shown = $derived.by(() => {
		const all = rungs(ladder);
		if (all.length <= MOST) return all;
		const at = all.findIndex((tempo) => tempo >= place.tempo);
		const from = Math.max(0, Math.min(all.length - MOST, at - MOST / 2));
		return all.slice(from, from + MOST);
	});
	const stepX = $derived((WIDTH - 34) / Math.max(1, shown.length - 1));
	const stepY = $derived((HEIGHT - 70) / Math.max(1, shown.length - 1));
	const x = (i: number) => 4 + i * stepX;
	const y = (i: number) => HEIGHT - 22 - i * stepY;
	const wide = $derived(Math.min(30, stepX - 3));
	const at = (tempo: number) => shown.indexOf(tempo);
	const moved = $derived(played !== null && played !== place.tempo && at(played) >= 0);
	const passes = (tempo: number) => tried.filter((pass) => pass.tempo === tempo).slice(-8);
</script>

<p class="pt-1.5 text-reason text-second">
	{inWords(ladder.up)} clean {ladder.up === 1 ? 'pass' : 'passes'}: up<br />one broken pass: down
</p>
<svg
	class="-mt-7.5 block w-full"
	viewBox="0 0 {WIDTH} {HEIGHT}"
	role="img"
	aria-label="Tempo ladder from {ladder.start} to {ladder.ceiling}: now at {place.tempo}, {place.clean} clean in a row"
>
	{#each shown as tempo, i (tempo)}
		{@const here = tempo === place.tempo}
		<rect
			class="fill-none stroke-strong stroke-[1.5] data-done:fill-density-4 data-done:stroke-density-4 data-from:fill-now data-from:stroke-now data-here:fill-next data-here:stroke-next"
			data-done={tempo < place.tempo || undefined}
			data-here={here || undefined}
			data-from={(moved && tempo === played) || undefined}
			x={x(i)}
			y={y(i)}
			width={wide}
			height="9"
		/>
		<text
			class="fill-second text-count anchor-middle data-big:fill-next-ink data-big:text-line data-big:font-bold"
			data-big={here || undefined}
			x={x(i) + wide / 2}
			y={y(i) + 22}>{tempo}</text
		>
		{#each passes(tempo) as pass, k (k)}
			{@const px = x(i) + wide / 2 - 5 + (k % 2) * 10}
			{@const py = y(i) - 8 - Math.floor(k / 2) * 10}
			{#if pass.clean}
				<circle class="fill-ink" cx={px} cy={py} r="3.6" />
			{:else}
				<path
					class="fill-none stroke-ink stroke-2"
					d="M{px - 3.4},{py - 3.4}l6.8,6.8m0,-6.8l-6.8,6.8"
				/>
			{/if}
		{/each}
	{/each}
	{#if moved && played !== null}
		{@const [a, b] = [at(played), at(place.tempo)]}
		{#if a >= 0 && b >= 0}
			{@const [x1, x2] = [x(a) + wide / 2, x(b) + wide / 2]}
			{@const [y1, y2] = [y(a) - 34, y(b) - 26]}
			<path
				class="fill-none stroke-next-line stroke-[2.4]"
				d="M{x1},{y1}Q{(x1 + x2) / 2},{Math.min(y1, y2) - 26} {x2},{y2}"
			/>
			<path
				class="fill-none stroke-next-line stroke-[2.4]"
				d="M{x2 - 5},{y2 - 6}L{x2},{y2}L{x2 + 5},{y2 - 6}"
			/>
		{/if}
	{/if}
</svg>

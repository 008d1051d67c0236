<script lang="ts">
	/** The places of a tune on the neck: how much lands where it was played, where a route is planned. */
	type Props = {
		/** Share of the changes that land, by position; null where nothing was judged. */
		practised: ReadonlyMap<number, number | null>;
		planned: ReadonlySet<number>;
	};
	let { practised, planned }: Props = $props();
	const PLACES = 12;
	const places = Array.from({ length: PLACES }, (_, i) => i + 1);
	const percent = (landed: number) => Math.round(100 * landed);
	/** Darker lands better: under 40, 55, 70, 82 in a hundred, and over. */
	const step = (landed: number | null) =>
		landed === null ? 0 : [0.4, 0.55, 0.7, 0.82].filter((least) => landed >= least).length;
	const said = $derived(
		[
			...[...practised].map(
				([place, landed]) =>
					`position ${place}${landed === null ? '' : `: ${percent(landed)} % land`}`
			),
			...[...planned]
				.filter((place) => !practised.has(place))
				.map((place) => `position ${place}: planned`)
		].join(', ') || 'no place yet'
	);
</script>

<div
	class="flex items-end gap-0.5 *:h-5 *:w-3 *:border-b-[1.5px] *:border-strong *:text-center *:text-count *:leading-5 *:font-bold *:data-planned:min-w-4.25 *:data-planned:border-[1.5px] *:data-planned:border-strong *:data-planned:leading-4.5 *:data-planned:font-normal *:data-played:min-w-4.25 *:data-[step=0]:bg-density-0 *:data-[step=0]:outline-[1.5px] *:data-[step=0]:-outline-offset-[1.5px] *:data-[step=0]:outline-strong *:data-[step=1]:bg-density-1 *:data-[step=2]:bg-density-2 *:data-[step=3]:bg-density-3 *:data-[step=3]:text-on-density-3 *:data-[step=4]:bg-density-4 *:data-[step=4]:text-on-density-4"
	role="img"
	aria-label={said}
>
	{#each places as place (place)}
		{@const played = practised.has(place)}
		<span
			data-step={played ? step(practised.get(place) ?? null) : undefined}
			data-played={played || undefined}
			data-planned={(!played && planned.has(place)) || undefined}
			>{played || planned.has(place) ? place : ''}</span
		>
	{/each}
</div>

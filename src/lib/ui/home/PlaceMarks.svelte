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

<div class="places" role="img" aria-label={said}>
	{#each places as place (place)}
		{@const played = practised.has(place)}
		<span
			class={played ? `d${step(practised.get(place) ?? null)}` : ''}
			class:played
			class:planned={!played && planned.has(place)}
			>{played || planned.has(place) ? place : ''}</span
		>
	{/each}
</div>

<style>
	.places {
		display: flex;
		gap: 2px;
		align-items: flex-end;
	}
	.places span {
		width: 12px;
		height: 20px;
		border-bottom: 1.5px solid var(--strong);
		font-size: 12px;
		font-weight: 700;
		line-height: 20px;
		text-align: center;
	}
	.places .played,
	.places .planned {
		min-width: 17px;
	}
	.places .planned {
		border: 1.5px solid var(--strong);
		line-height: 18px;
		font-weight: 400;
	}
	.d0 {
		background: var(--density-0);
		outline: 1.5px solid var(--strong);
		outline-offset: -1.5px;
	}
	.d1 {
		background: var(--density-1);
	}
	.d2 {
		background: var(--density-2);
	}
	.d3 {
		background: var(--density-3);
		color: var(--on-density-3);
	}
	.d4 {
		background: var(--density-4);
		color: var(--on-density-4);
	}
</style>

<script lang="ts">
	import { signs } from '$core/chord';
	import { useTransport } from '$lib/state/transport.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import ChordSymbol from '../ChordSymbol.svelte';

	/** What stands in the bar of a tune while it plays: the count, then where it is and what comes. */
	const transport = useTransport();
	const { open } = transport;
	const target = $derived(transport.route?.targets.find((entry) => entry.change === open.cursor));
	const beats = $derived(transport.heard.kind === 'playing' ? transport.heard.toGo : 0);
</script>

<div class="playing" class:announcing={transport.announcing}>
	{#if transport.heard.kind === 'counting'}
		<p class="count">
			<span class="sr">Counting in,</span>{transport.heard.count}
			<small>of {transport.heard.of}</small>
		</p>
	{:else if transport.heard.kind === 'playing'}
		<p class="fact">
			<small>Bar</small><b
				>{transport.heard.bar + 1}&nbsp;<i>of {transport.chart.played.length}</i></b
			>
		</p>
		{#if open.next && !transport.draft}
			<p class="fact next">
				<small>in {beats} {beats === 1 ? 'beat' : 'beats'}</small>
				<b><ChordSymbol chord={open.next} /></b>
			</p>
			{#if target}
				<p class="fact next land">
					<small>land on string {target.string}, fret {target.fret}</small>
					<b>{prefs.name(target.name)}&nbsp;<i>{signs(target.role)}</i></b>
				</p>
			{/if}
		{/if}
	{:else}
		<p class="fact"><small>Getting ready</small><b>…</b></p>
	{/if}
</div>

<style>
	.playing {
		display: flex;
		align-items: center;
		min-width: 0;
		height: 100%;
	}
	.fact {
		border-left: 1px solid var(--hair);
		padding: 0 20px 0 16px;
		white-space: nowrap;
		min-width: 92px;
	}
	small {
		display: block;
		font-size: 12px;
		line-height: 1.25;
		color: var(--second);
	}
	b {
		font-weight: 700;
		line-height: 1.2;
		font-size: 18px;
	}
	i {
		font-style: normal;
		font-weight: 400;
		font-size: 15px;
		color: var(--second);
	}
	.next b {
		color: var(--next-ink);
	}
	.announcing .next {
		background: var(--next-tint);
		height: 100%;
		display: flex;
		flex-direction: column;
		justify-content: center;
	}
	.count {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 34px;
		line-height: 1;
		padding-left: 16px;
		border-left: 1px solid var(--hair);
	}
	.count small {
		display: inline;
		font-family: var(--font-sans);
		font-size: 13px;
		font-weight: 400;
	}
	@media (max-width: 860px) {
		.land {
			display: none;
		}
	}
	@media (max-width: 640px) {
		.fact {
			padding: 0 10px;
			min-width: 0;
		}
	}
</style>

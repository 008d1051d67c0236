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

<div
	data-part="playing"
	class="flex h-14 min-w-0 items-center max-tablet:h-11"
	data-announcing={transport.announcing || undefined}
>
	{#if transport.heard.kind === 'counting'}
		<p
			data-part="count"
			class="border-l border-hair pl-4 font-display text-ribbon leading-none font-extrabold"
		>
			<span class="sr-only">Counting in,</span>{transport.heard.count}
			<small class="font-sans text-reason leading-snug font-normal text-second"
				>of {transport.heard.of}</small
			>
		</p>
	{:else if transport.heard.kind === 'playing'}
		<p
			data-part="fact"
			class="min-w-23 border-l border-hair pr-5 pl-4 whitespace-nowrap max-tablet:min-w-0 max-tablet:px-2.5 max-tablet:py-0"
		>
			<small class="block text-count leading-snug text-second">Bar</small><b
				class="text-head leading-tight font-bold"
				>{transport.heard.bar + 1}&nbsp;<i class="text-line font-normal text-second not-italic"
					>of {transport.chart.played.length}</i
				></b
			>
		</p>
		{#if open.next && !transport.draft}
			<p
				data-part="fact"
				class="min-w-23 border-l border-hair pr-5 pl-4 whitespace-nowrap in-data-announcing:flex in-data-announcing:h-full in-data-announcing:flex-col in-data-announcing:justify-center in-data-announcing:bg-next-tint max-tablet:min-w-0 max-tablet:px-2.5 max-tablet:py-0"
			>
				<small class="block text-count leading-snug text-second"
					>in {beats} {beats === 1 ? 'beat' : 'beats'}</small
				>
				<b class="text-head leading-tight font-bold text-next-ink"
					><ChordSymbol chord={open.next} /></b
				>
			</p>
			{#if target}
				<p
					data-part="fact"
					class="min-w-23 border-l border-hair pr-5 pl-4 whitespace-nowrap in-data-announcing:flex in-data-announcing:h-full in-data-announcing:flex-col in-data-announcing:justify-center in-data-announcing:bg-next-tint max-tablet:min-w-0 max-tablet:px-2.5 max-tablet:py-0 @max-[24rem]:hidden!"
				>
					<small class="block text-count leading-snug text-second"
						>land on string {target.string}, fret {target.fret}</small
					>
					<b class="text-head leading-tight font-bold text-next-ink"
						>{prefs.name(target.name)}&nbsp;<i class="text-line font-normal text-second not-italic"
							>{signs(target.role)}</i
						></b
					>
				</p>
			{/if}
		{/if}
	{:else}
		<p
			data-part="fact"
			class="min-w-23 border-l border-hair pr-5 pl-4 whitespace-nowrap max-tablet:min-w-0 max-tablet:px-2.5 max-tablet:py-0"
		>
			<small class="block text-count leading-snug text-second">Getting ready</small><b
				class="text-head leading-tight font-bold">…</b
			>
		</p>
	{/if}
</div>

<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';
	import type { StandLayout } from './stand-layout';
	import StandTab from './StandTab.svelte';

	/** The tab of this bar and the next, or why there is none. */
	let { at, bar }: { at: StandLayout; bar: number } = $props();
	const transport = useTransport();
	const { open } = transport;
	const { played } = $derived(open.chart);
	const heard = $derived(transport.heard);
	const following = $derived.by(() => {
		const { loop } = transport;
		const last = loop ? loop.to : played.length;
		return played[bar + 1 < last ? bar + 1 : (loop?.from ?? 0)];
	});
	const headY = $derived(at.tab.y - at.land.size * 1.22);
</script>

{#if transport.line.length === 0}
	<text class="fill-second" x={at.tab.x} y={at.tab.y + at.tab.h / 2} font-size={at.land.size * 0.7}
		>{transport.route?.silent
			? 'The way between is yours.'
			: 'Plan a route and its tab stands here.'}</text
	>
{:else if played[bar]}
	<text class="fill-now-ink font-bold" x={at.tab.x} y={headY} font-size={at.land.size * 0.78}
		>This bar</text
	>
	<text
		class="fill-next-ink font-bold"
		x={at.tab.x + at.tab.w * 0.66 + 4}
		y={headY}
		font-size={at.land.size * 0.78}>Next bar</text
	>
	<StandTab
		bar={played[bar]}
		{following}
		notes={transport.line}
		beat={heard.kind === 'playing' ? heard.beat : 0}
		noteTick={transport.noteTick}
		strings={open.held.open.length}
		landings={{ now: open.before?.tick ?? null, next: open.change?.tick ?? null }}
		box={at.tab}
	/>
{/if}

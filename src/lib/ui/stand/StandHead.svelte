<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';
	import type { StandLayout } from './stand-layout';

	/** What is played and how, and the bar that sounds. */
	let { at, bar }: { at: StandLayout; bar: number } = $props();
	const transport = useTransport();
	const { open } = transport;
	const rule = $derived.by(() => {
		const { route, loop, played } = transport;
		const land = route
			? `Land on ${route.rule[0].toLowerCase()}${route.rule.slice(1)}`
			: 'No route yet: follow the chords';
		return `${land}${loop ? ` · loop ${loop.from + 1}–${loop.to}` : ''} · ♩${Math.round(played)}`;
	});
</script>

<text
	class="fill-ink font-display font-extrabold"
	x={at.title.x}
	y={at.title.y}
	font-size={at.title.size}>{open.saved.title}</text
>
<text
	class="fill-second"
	x={at.title.x}
	y={at.title.y + at.title.size * 1.1}
	font-size={at.title.size * 0.72}>{rule}</text
>
<text class="fill-ink anchor-end" x={at.bar.x} y={at.bar.y}>
	<tspan class="fill-second" font-size={at.bar.size * 0.4}>bar</tspan><tspan
		data-part="barnumber"
		class="font-display font-extrabold"
		dx={at.bar.size * 0.12}
		font-size={at.bar.size}>{bar + 1}</tspan
	><tspan class="fill-second" dx={at.bar.size * 0.12} font-size={at.bar.size * 0.4}
		>of {open.chart.played.length}</tspan
	>
</text>

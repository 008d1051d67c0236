<script lang="ts">
	import { useTransport } from '$lib/state/transport.svelte';
	import type { StandLayout } from './stand-layout';

	/** What is played and how, and the bar that sounds. */
	let { at, bar }: { at: StandLayout; bar: number } = $props();
	const transport = useTransport();
	const { open } = transport;
	/** The title is as large as it fits beside the bar; what is longer ends in points. */
	const room = $derived(at.bar.x - at.title.x - 2.6 * at.bar.size);
	const size = $derived(
		Math.max(13, Math.min(at.title.size, room / (0.6 * open.saved.title.length)))
	);
	const title = $derived.by(() => {
		const most = Math.floor(room / (0.6 * size));
		const whole = open.saved.title;
		return whole.length > most + 1 ? `${whole.slice(0, most).trimEnd()}…` : whole;
	});
	const rule = $derived.by(() => {
		const { route, loop, played } = transport;
		const land = route
			? `Land on ${route.rule[0].toLowerCase()}${route.rule.slice(1)}`
			: 'No route yet: follow the chords';
		return `${land}${loop ? ` · loop ${loop.from + 1}–${loop.to}` : ''} · ♩${Math.round(played)}`;
	});
</script>

<text class="fill-ink font-display font-extrabold" x={at.title.x} y={at.title.y} font-size={size}
	>{title}</text
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

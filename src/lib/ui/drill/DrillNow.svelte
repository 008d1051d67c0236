<script lang="ts">
	import { signs } from '$core/chord';
	import type { TargetAnswer } from '$lib/api/plan-schema';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import StandTarget from '../stand/StandTarget.svelte';

	/** Read while playing: the chord that sounds, the one that comes, the beats until then, the landing. */
	let { target, width }: { target: TargetAnswer | null; width: number } = $props();
	const transport = useTransport();
	const { open } = transport;
	const HEIGHT = 112;
	const heard = $derived(transport.heard);
	const number = $derived(
		heard.kind === 'counting' ? heard.count : heard.kind === 'playing' ? heard.toGo : null
	);
	const half = $derived(width / 2);
	const sizes = [78, 70, 60, 50, 42, 34, 28];
</script>

<svg class="block" viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true">
	<text class="fill-now-ink text-line font-bold" x="0" y="14">now</text>
	{#if open.now}
		<ChordText
			class="fill-now-ink"
			chord={open.now}
			x={0}
			y={88}
			size={fittingSize(open.now, half - 110, sizes)}
		/>
	{:else}
		<text class="fill-second font-display text-chord font-semibold" x="0" y="84">N.C.</text>
	{/if}
	<text class="fill-next-ink text-line font-bold" x={half - 40} y="14">next</text>
	{#if open.next}
		<ChordText
			class="fill-next-ink"
			chord={open.next}
			x={half - 40}
			y={88}
			size={fittingSize(open.next, half - 130, sizes)}
		/>
		{#if target}
			<StandTarget {target} x={width - 116} y={40} r={23} />
			<text class="fill-ink text-line font-bold anchor-middle" x={width - 116} y="90"
				>{prefs.name(target.name)} · string {target.string}</text
			>
			<text class="fill-ink text-line font-bold anchor-middle" x={width - 116} y="107"
				>{target.fret === 0 ? 'open' : `fret ${target.fret}`}</text
			>
		{/if}
	{/if}
	{#if number !== null}
		<text
			class="fill-ink font-display text-stand font-extrabold anchor-end data-counting:fill-third"
			data-counting={heard.kind === 'counting' || undefined}
			x={width - 14}
			y="72">{number}</text
		>
		<text class="fill-second text-line anchor-end" x={width - 14} y="90"
			>{heard.kind === 'counting' ? `of ${heard.of}` : number === 1 ? 'beat' : 'beats'}</text
		>
	{/if}
</svg>
<p class="sr-only" role="status">
	{open.now ? signs(open.now.symbol) : 'Silence'} now{open.next
		? `, ${signs(open.next.symbol)} next`
		: ''}
</p>

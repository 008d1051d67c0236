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

<svg viewBox="0 0 {width} {HEIGHT}" {width} height={HEIGHT} aria-hidden="true">
	<text class="small now" x="0" y="14">now</text>
	{#if open.now}
		<g class="now">
			<ChordText chord={open.now} x={0} y={88} size={fittingSize(open.now, half - 110, sizes)} />
		</g>
	{:else}
		<text class="nothing" x="0" y="84">N.C.</text>
	{/if}
	<text class="small next" x={half - 40} y="14">next</text>
	{#if open.next}
		<g class="next">
			<ChordText
				chord={open.next}
				x={half - 40}
				y={88}
				size={fittingSize(open.next, half - 130, sizes)}
			/>
		</g>
		{#if target}
			<StandTarget {target} x={width - 116} y={40} r={23} />
			<text class="place" x={width - 116} y="90"
				>{prefs.name(target.name)} · string {target.string}</text
			>
			<text class="place" x={width - 116} y="107"
				>{target.fret === 0 ? 'open' : `fret ${target.fret}`}</text
			>
		{/if}
	{/if}
	{#if number !== null}
		<text class="count" class:counting={heard.kind === 'counting'} x={width - 14} y="72"
			>{number}</text
		>
		<text class="unit" x={width - 14} y="90"
			>{heard.kind === 'counting' ? `of ${heard.of}` : number === 1 ? 'beat' : 'beats'}</text
		>
	{/if}
</svg>
<p class="sr" role="status">
	{open.now ? signs(open.now.symbol) : 'Silence'} now{open.next
		? `, ${signs(open.next.symbol)} next`
		: ''}
</p>

<style>
	svg {
		display: block;
	}
	.now :global(text) {
		fill: var(--now-ink);
	}
	.next :global(text) {
		fill: var(--next-ink);
	}
	.small {
		font-size: 15px;
		font-weight: 700;
	}
	.small.now {
		fill: var(--now-ink);
	}
	.small.next {
		fill: var(--next-ink);
	}
	.place {
		font-size: 15px;
		font-weight: 700;
		text-anchor: middle;
		fill: var(--ink);
	}
	.count {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 76px;
		text-anchor: end;
		fill: var(--ink);
	}
	.count.counting {
		fill: var(--third);
	}
	.unit {
		font-size: 14px;
		text-anchor: end;
		fill: var(--second);
	}
	.nothing {
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 48px;
		fill: var(--second);
	}
</style>

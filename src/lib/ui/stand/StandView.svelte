<script lang="ts">
	import { beatTicks, chartTicks } from '$core/chart';
	import { guideTones, signs } from '$core/chord';
	import { useKeys } from '$lib/state/keys';
	import { STAND } from '$lib/words/keys/everywhere';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { Dialog } from 'bits-ui';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import { plural } from '$lib/words/words';
	import StandAlong from './StandAlong.svelte';
	import StandArc from './StandArc.svelte';
	import StandBars from './StandBars.svelte';
	import StandControls from './StandControls.svelte';
	import StandHead from './StandHead.svelte';
	import StandNeck from './StandNeck.svelte';
	import StandTarget from './StandTarget.svelte';
	import { standLayout } from './stand-layout';

	/** What a player reads from a music stand: this chord, the next one, where to land, and when. */
	let { onclose }: { onclose: () => void } = $props();
	const transport = useTransport();
	const { open } = transport;

	let sheet: HTMLElement | null = $state(null);
	let width = $state(1280);
	let height = $state(800);
	const at = $derived(standLayout(width, height));
	const scale = $derived(at.now.size / 304);
	const SIZES = [1, 0.86, 0.74, 0.62, 0.52, 0.44, 0.36, 0.3];
	const sizes = (most: number) => SIZES.map((share) => share * most);

	const { chart } = $derived(open);
	const heard = $derived(transport.heard);
	const bar = $derived(
		heard.kind === 'playing'
			? heard.bar
			: Math.max(0, (open.before?.bar ?? open.change?.bar ?? 1) - 1)
	);
	const target = $derived(transport.route?.targets.find((entry) => entry.change === open.cursor));
	const before = $derived(
		transport.route?.targets.find((entry) => entry.change === open.before?.index)
	);
	const hand = $derived(transport.route?.handAt(open.cursor) ?? open.position);
	/** Beats from the chord that sounds to the next one. */
	const beats = $derived.by(() => {
		const { before: now, change } = open;
		if (!now || !change) return 4;
		const beat = beatTicks(chart.played[now.bar - 1].signature);
		const total = chartTicks(chart);
		const ticks = change.tick > now.tick ? change.tick - now.tick : total - now.tick + change.tick;
		return Math.max(1, Math.round(ticks / beat));
	});
	const left = $derived(heard.kind === 'playing' ? heard.toGo : beats);
	const number = $derived(heard.kind === 'counting' ? heard.count : left);
	const aims = $derived(
		open.next
			? guideTones(open.next)
					.map((tone) => `${prefs.name(tone.name)}, the ${signs(tone.role)}`)
					.join(' or ')
			: ''
	);
	const words = $derived(
		`${open.now ? signs(open.now.symbol) : 'Silence'} now${open.next ? `, ${signs(open.next.symbol)} next` : ''}`
	);
	function along(by: number): void {
		if (!transport.playing) return open.step(by);
		const count = chart.changes.length;
		const here = open.before?.index ?? 0;
		const goal = chart.changes[(here + by + count) % count];
		if (goal) transport.jump(goal.bar - 1);
	}
	function again(): void {
		transport.stop();
		transport.toggle();
	}
	/** Who leaves has stopped playing; with F the band goes on under the screen. */
	function leave(): void {
		transport.stop();
		onclose();
	}
	useKeys(
		STAND,
		{
			play: () => transport.toggle(),
			along,
			again,
			place: (by) => open.moveTo(open.position + by),
			loop: () => transport.toggleLoop(),
			speed: (by) => transport.setSpeed(transport.speed + 5 * by),
			tap: () => transport.tap(),
			labels: () => prefs.set('labels', prefs.current.labels === 'names' ? 'roles' : 'names'),
			close: () => onclose(),
			leave
		},
		{ level: 'view', alone: true }
	);
	const markAt = $derived({ x: at.next.x + 44 * scale * 1.6, y: at.arc.y + 34 * scale });
</script>

<Dialog.Root open onOpenChange={(shown) => !shown && onclose()}>
	<Dialog.Portal>
		<Dialog.Content
			data-part="stand"
			class="fixed inset-0 z-45 bg-paper outline-none"
			bind:ref={sheet}
			tabindex={-1}
			escapeKeydownBehavior="ignore"
			onOpenAutoFocus={(event) => {
				// No control stands out; every key works from here.
				event.preventDefault();
				sheet?.focus();
			}}
			aria-describedby={undefined}
		>
			<Dialog.Title class="sr-only">Stand view: {open.saved.title}. {words}</Dialog.Title>
			<div
				class="absolute inset-0 overflow-hidden"
				bind:clientWidth={width}
				bind:clientHeight={height}
			>
				<svg
					class="block"
					viewBox="0 0 {at.width} {at.height}"
					width="100%"
					height="100%"
					role="img"
					aria-label={words}
				>
					<StandHead {at} {bar} />
					{#if open.now}
						{@const size = fittingSize(open.now, at.now.room, sizes(at.now.size))}
						<ChordText
							class="fill-now-ink dark:fill-now"
							chord={open.now}
							x={at.now.x}
							y={at.now.y}
							{size}
						/>
					{:else}
						<text
							class="fill-second font-display font-semibold"
							x={at.now.x}
							y={at.now.y}
							font-size={at.now.size * 0.4}>N.C.</text
						>
					{/if}
					{#if open.next}
						<StandArc
							from={at.now.x + at.now.room * 0.5}
							to={markAt.x}
							y={at.arc.y}
							rise={at.arc.rise}
							{beats}
							{left}
							{scale}
						/>
						{#if target}<StandTarget
								{target}
								x={markAt.x}
								y={markAt.y}
								r={31 * Math.max(0.55, scale)}
							/>{/if}
						<ChordText
							class="fill-next-ink dark:fill-next"
							chord={open.next}
							x={at.next.x}
							y={at.next.y}
							size={fittingSize(open.next, at.next.room, sizes(at.next.size))}
						/>
					{/if}
					{#if open.next || heard.kind === 'counting'}
						<text
							class="fill-ink font-display font-extrabold anchor-middle"
							x={at.count.x}
							y={at.count.y}
							font-size={at.count.size}>{number}</text
						>
						<text
							class="fill-second"
							x={at.count.x + at.count.size * 0.4}
							y={at.count.y}
							font-size={at.count.size * 0.13}
							>{heard.kind === 'counting'
								? `of ${heard.of}`
								: number === 1
									? 'beat'
									: 'beats'}</text
						>
					{/if}
					<text class="fill-ink" x={at.land.x} y={at.land.y}>
						{#if target}
							<tspan class="fill-next-ink font-display font-extrabold" font-size={at.land.size}
								>Land on {prefs.name(target.name)},</tspan
							><tspan class="fill-second" dx={at.land.size * 0.25} font-size={at.land.size * 0.78}
								>string {target.string}, {target.fret === 0 ? 'open' : `fret ${target.fret}`}</tspan
							>
						{:else if open.next}
							<tspan class="fill-second" font-size={at.land.size * 0.78}
								>{transport.route ? 'Let it pass, or aim at' : 'Aim at'} {aims}</tspan
							>
						{/if}
					</text>
					<StandNeck
						instrument={open.held}
						{hand}
						next={open.next}
						{target}
						{before}
						sounding={transport.sounding}
						box={at.neck}
					/>
					<StandBars {at} {bar} />
					<StandAlong {...at.line} />
				</svg>
			</div>
			<StandControls {onclose} />
			<p class="sr-only" role="status">
				{heard.kind === 'still' ? `${plural(beats, 'beat')} to the next chord` : ''}
			</p>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

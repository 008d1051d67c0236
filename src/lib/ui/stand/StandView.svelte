<script lang="ts">
	import { beatTicks, chartTicks } from '$core/chart';
	import { guideTones, signs } from '$core/chord';
	import { onlyKeys } from '$lib/state/keys';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTransport } from '$lib/state/transport.svelte';
	import { Dialog } from 'bits-ui';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordText from '../ChordText.svelte';
	import { plural } from '$lib/words/words';
	import StandArc from './StandArc.svelte';
	import StandNeck from './StandNeck.svelte';
	import StandTab from './StandTab.svelte';
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
	const following = $derived.by(() => {
		const { loop } = transport;
		const last = loop ? loop.to : chart.played.length;
		return chart.played[bar + 1 < last ? bar + 1 : (loop?.from ?? 0)];
	});
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
	/** The changes along the bottom, as shares of the tune or of the loop. */
	const stops = $derived.by(() => {
		const { from, to } = transport.range;
		return chart.changes
			.filter((change) => change.tick >= from && change.tick < to)
			.map((change) => ({
				index: change.index,
				share: (change.tick - from) / (to - from)
			}));
	});
	const spots = $derived.by(() => {
		const now = stops.find((stop) => stop.index === open.before?.index)?.share ?? 0;
		const next = stops.find((stop) => stop.index === open.cursor)?.share ?? 1;
		const after = stops.find((stop) => stop.share > next)?.share ?? 1;
		return { now, next: next > now ? next : 1, after: next > now ? after : 1 };
	});

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
	const keys = onlyKeys({
		' ': () => transport.toggle(),
		Enter: again,
		f: () => onclose(),
		Escape: () => onclose(),
		ArrowLeft: () => along(-1),
		ArrowRight: () => along(1),
		PageUp: () => along(-1),
		PageDown: () => along(1),
		',': () => along(-1),
		'.': () => along(1),
		'[': () => open.moveTo(open.position - 1),
		']': () => open.moveTo(open.position + 1),
		q: () => transport.toggleLoop(),
		y: () => transport.tap(),
		'-': () => transport.setSpeed(transport.speed - 5),
		'=': () => transport.setSpeed(transport.speed + 5),
		'+': () => transport.setSpeed(transport.speed + 5),
		n: () => prefs.set('labels', prefs.current.labels === 'names' ? 'roles' : 'names')
	});
	const markAt = $derived({ x: at.next.x + 44 * scale * 1.6, y: at.arc.y + 34 * scale });
</script>

<Dialog.Root open onOpenChange={(shown) => !shown && onclose()}>
	<Dialog.Portal>
		<Dialog.Content
			class="stand"
			bind:ref={sheet}
			tabindex={-1}
			escapeKeydownBehavior="ignore"
			onOpenAutoFocus={(event) => {
				// No control stands out; every key works from here.
				event.preventDefault();
				sheet?.focus();
			}}
			onkeydown={keys}
			aria-describedby={undefined}
		>
			<Dialog.Title class="sr">Stand view: {open.saved.title}. {words}</Dialog.Title>
			<div class="whole" bind:clientWidth={width} bind:clientHeight={height}>
				<svg
					viewBox="0 0 {at.width} {at.height}"
					width="100%"
					height="100%"
					role="img"
					aria-label={words}
				>
					<text class="title" x={at.title.x} y={at.title.y} font-size={at.title.size}
						>{open.saved.title}</text
					>
					<text
						class="rule"
						x={at.title.x}
						y={at.title.y + at.title.size * 1.1}
						font-size={at.title.size * 0.72}
						>{transport.route
							? `Land on ${transport.route.rule[0].toLowerCase()}${transport.route.rule.slice(1)}`
							: 'No route yet: follow the chords'}{transport.loop
							? ` · loop ${transport.loop.from + 1}–${transport.loop.to}`
							: ''} · ♩{Math.round(transport.played)}</text
					>
					<text class="barword" x={at.bar.x} y={at.bar.y}>
						<tspan class="quietword" font-size={at.bar.size * 0.4}>bar</tspan><tspan
							class="barnumber"
							dx={at.bar.size * 0.12}
							font-size={at.bar.size}>{bar + 1}</tspan
						><tspan class="quietword" dx={at.bar.size * 0.12} font-size={at.bar.size * 0.4}
							>of {chart.played.length}</tspan
						>
					</text>
					{#if open.now}
						{@const size = fittingSize(open.now, at.now.room, sizes(at.now.size))}
						<g class="now"><ChordText chord={open.now} x={at.now.x} y={at.now.y} {size} /></g>
					{:else}
						<text class="silent" x={at.now.x} y={at.now.y} font-size={at.now.size * 0.4}>N.C.</text>
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
						<g class="next">
							<ChordText
								chord={open.next}
								x={at.next.x}
								y={at.next.y}
								size={fittingSize(open.next, at.next.room, sizes(at.next.size))}
							/>
						</g>
					{/if}
					{#if open.next || heard.kind === 'counting'}
						<text class="number" x={at.count.x} y={at.count.y} font-size={at.count.size}
							>{number}</text
						>
						<text
							class="unit"
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
					<text x={at.land.x} y={at.land.y}>
						{#if target}
							<tspan class="land" font-size={at.land.size}>Land on {prefs.name(target.name)},</tspan
							><tspan class="place" dx={at.land.size * 0.25} font-size={at.land.size * 0.78}
								>string {target.string}, {target.fret === 0 ? 'open' : `fret ${target.fret}`}</tspan
							>
						{:else if open.next}
							<tspan class="place" font-size={at.land.size * 0.78}
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
					{#if transport.line.length === 0}
						<text
							class="place"
							x={at.tab.x}
							y={at.tab.y + at.tab.h / 2}
							font-size={at.land.size * 0.7}
							>{transport.route?.silent
								? 'The way between is yours.'
								: 'Plan a route and its tab stands here.'}</text
						>
					{:else if chart.played[bar]}
						<text
							class="thisbar"
							x={at.tab.x}
							y={at.tab.y - at.land.size * 1.22}
							font-size={at.land.size * 0.78}>This bar</text
						>
						<text
							class="nextbar"
							x={at.tab.x + at.tab.w * 0.66 + 4}
							y={at.tab.y - at.land.size * 1.22}
							font-size={at.land.size * 0.78}>Next bar</text
						>
						<StandTab
							bar={chart.played[bar]}
							{following}
							notes={transport.line}
							beat={heard.kind === 'playing' ? heard.beat : 0}
							noteTick={transport.noteTick}
							strings={open.held.open.length}
							landings={{ now: open.before?.tick ?? null, next: open.change?.tick ?? null }}
							box={at.tab}
						/>
					{/if}
					<g transform="translate({at.line.x},{at.line.y})" class="along">
						<line x1="0" x2={at.line.w} y1="0" y2="0" />
						<line class="gone" x1="0" x2={spots.now * at.line.w} y1="0" y2="0" />
						<line
							class="nowline"
							x1={spots.now * at.line.w}
							x2={spots.next * at.line.w}
							y1="0"
							y2="0"
						/>
						<line
							class="nextline"
							x1={spots.next * at.line.w}
							x2={spots.after * at.line.w}
							y1="0"
							y2="0"
						/>
						{#if stops.length <= 48}
							{#each stops as stop (stop.index)}
								<circle
									class:gone={stop.share <= spots.now}
									cx={stop.share * at.line.w}
									r={Math.min(7, at.line.w / 90)}
								/>
							{/each}
						{/if}
					</g>
				</svg>
			</div>
			<div class="controls">
				<button
					type="button"
					aria-label={transport.playing ? 'Stop' : 'Play'}
					onclick={() => transport.toggle()}
				>
					<svg viewBox="0 0 20 20" width="22" height="22" aria-hidden="true">
						{#if transport.playing}<rect x="4" y="4" width="12" height="12" />{:else}<path
								d="M5 2.5L17 10L5 17.5Z"
							/>{/if}
					</svg>
				</button>
				<button type="button" class="close" aria-label="Leave the stand view" onclick={onclose}>
					<svg viewBox="0 0 20 20" width="22" height="22" aria-hidden="true">
						<path d="M4 4L16 16M16 4L4 16" />
					</svg>
				</button>
			</div>
			<p class="sr" role="status">
				{heard.kind === 'still' ? `${plural(beats, 'beat')} to the next chord` : ''}
			</p>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

<style>
	:global(.stand) {
		position: fixed;
		inset: 0;
		z-index: 45;
		background: var(--paper);
		outline: none;
	}
	.whole {
		position: absolute;
		inset: 0;
		overflow: hidden;
	}
	.whole svg {
		display: block;
	}
	.controls {
		position: absolute;
		top: 14px;
		right: 16px;
		display: flex;
		gap: 10px;
	}
	.controls button {
		display: grid;
		place-items: center;
		width: 48px;
		height: 48px;
		border-radius: 50%;
		background: var(--ink);
	}
	.controls svg {
		fill: var(--paper);
	}
	.controls .close {
		background: none;
		border: 2px solid var(--strong);
	}
	.close path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2.4;
	}
	text {
		fill: var(--ink);
	}
	.title,
	.barnumber,
	.number,
	.land {
		font-family: var(--font-display);
		font-weight: 800;
	}
	.rule,
	.quietword,
	.unit,
	.place {
		fill: var(--second);
	}
	.barword,
	.number {
		text-anchor: end;
	}
	.number {
		text-anchor: middle;
	}
	.silent {
		font-family: var(--font-display);
		font-weight: 600;
		fill: var(--second);
	}
	.now :global(text) {
		fill: var(--now);
	}
	.next :global(text) {
		fill: var(--next);
	}
	:global(html:not(.dark)) .now :global(text) {
		fill: var(--now-ink);
	}
	:global(html:not(.dark)) .next :global(text) {
		fill: var(--next-ink);
	}
	.land,
	.nextbar {
		fill: var(--next-ink);
	}
	.thisbar {
		fill: var(--now-ink);
	}
	.thisbar,
	.nextbar {
		font-weight: 700;
	}
	.along line {
		stroke: var(--strong);
		stroke-width: 2;
	}
	.along .gone {
		stroke: var(--ink);
	}
	.along line.gone,
	.along .nowline,
	.along .nextline {
		stroke-width: 7;
	}
	.along .nowline {
		stroke: var(--now);
	}
	.along .nextline {
		stroke: var(--next);
	}
	.along circle {
		fill: var(--paper);
		stroke: var(--third);
		stroke-width: 2;
	}
	.along circle.gone {
		fill: var(--ink);
	}
</style>

<script lang="ts">
	import {
		highestFret,
		pitchAt,
		windowFrets,
		type Instrument,
		type Place,
		samePlace
	} from '$core/neck';
	import { toneAt, type Chord } from '$core/chord';
	import type { TargetAnswer } from '$lib/api/plan-schema';
	import { prefs } from '$lib/state/prefs.svelte';
	import { neckGeometry } from '$lib/draw/neck-geometry';
	import RoleMark from '../RoleMark.svelte';
	import type { Box } from './stand-layout';

	/** A short piece of neck round the hand: where the next landing is, large. */
	type Props = {
		instrument: Instrument;
		hand: number;
		next: Chord | null;
		target: TargetAnswer | undefined;
		before: TargetAnswer | undefined;
		/** The place of the line that sounds. */
		sounding: Place | null;
		box: Box;
	};
	let { instrument, hand, next, target, before, sounding, box }: Props = $props();

	const uid = $props.id();
	const leftHanded = $derived(prefs.current.leftHanded || instrument.leftHanded === true);
	const count = $derived(instrument.open.length);
	/** The window, and round a slide a little more, so that the place is known by its neighbours. */
	const reach = $derived(windowFrets(instrument, hand));
	const span = $derived(
		instrument.slide
			? { low: Math.max(0, reach.low - 2), high: Math.min(highestFret(instrument), reach.high + 2) }
			: reach
	);
	const frets = $derived.by(() => {
		const all = [target, before, sounding].flatMap((place) => (place ? [place.fret] : []));
		const near = all.filter((fret) => fret >= span.low - 3 && fret <= span.high + 3);
		return {
			from: Math.max(0, Math.min(span.low, ...near)),
			to: Math.min(highestFret(instrument), Math.max(span.high, ...near))
		};
	});
	const FOOT = $derived(box.w < 400 ? 20 : 30);
	const r = $derived(Math.min(31, (box.h - FOOT) / 6.6));
	const geometry = $derived(
		neckGeometry({
			width: box.w,
			height: box.h,
			left: frets.from <= 0 ? r * 2 : 0,
			right: 0,
			top: r * 0.55,
			bottom: box.h - FOOT - r * 0.4,
			strings: count,
			from: frets.from,
			to: frets.to,
			thinOnTop: prefs.current.thinStringOnTop,
			leftHanded
		})
	);
	const x = (fret: number) => geometry.place(fret);
	const y = (place: Place) => geometry.string(place.string, x(place.fret));
	/** The wires between which the hand, or the slide, is. */
	const held = $derived({
		low: geometry.wire(instrument.slide ? reach.low - 1 : hand - 1),
		high: geometry.wire(instrument.slide ? reach.high : Math.min(frets.to, hand + 3))
	});
	const first = $derived(Math.max(frets.from - 1, 0));
	const wires = $derived(Array.from({ length: frets.to - first + 1 }, (_, i) => first + i));
	/** The tones of the coming chord under the hand. */
	const dots = $derived.by(() => {
		if (!next) return [];
		const places: { place: Place; root: boolean }[] = [];
		for (let string = 1; string <= count; string++) {
			for (let fret = frets.from; fret <= frets.to; fret++) {
				const tone = toneAt(next, pitchAt(instrument, { string, fret }));
				if (tone) places.push({ place: { string, fret }, root: tone.role === 'R' });
			}
		}
		return places;
	});
	const WIDTHS = [1.4, 1.8, 2.2, 2.8, 3.4, 4];
	const label = (at: TargetAnswer) =>
		prefs.label({ role: at.role, name: at.name, pc: at.midi % 12 });
</script>

<g transform="translate({box.x},{box.y})">
	<rect
		class="fill-lit"
		x={Math.min(held.low, held.high)}
		y="0"
		width={Math.abs(held.high - held.low)}
		height={box.h - FOOT}
	/>
	{#each wires as wire (wire)}
		<line
			class="stroke-strong stroke-[1.4] data-nut:stroke-ink data-nut:stroke-7"
			data-nut={wire === 0 || undefined}
			x1={geometry.wire(wire)}
			x2={geometry.wire(wire)}
			y1="0"
			y2={box.h - FOOT}
		/>
		{#if wire > first}
			<text
				class="fill-ink font-mono font-bold anchor-middle"
				x={x(wire)}
				y={box.h - 4}
				font-size={FOOT * 0.68}>{wire}</text
			>
		{/if}
	{/each}
	{#each Array.from({ length: count }, (_, i) => i + 1) as string (string)}
		<line
			class="stroke-third"
			x1="0"
			x2={box.w}
			y1={geometry.string(string, 0)}
			y2={geometry.string(string, box.w)}
			stroke-width={WIDTHS[Math.min(5, string - 1)]}
		/>
	{/each}
	{#each dots as { place, root } (`${place.string}-${place.fret}`)}
		{#if !samePlace(target, place)}
			<g class="fill-next-line" transform="translate({x(place.fret)},{y(place)})">
				{#if root}<path d="M0,{-r / 2}L{r / 2},0L0,{r / 2}L{-r / 2},0Z" />{:else}<circle
						r={r * 0.18 + 1}
					/>{/if}
			</g>
		{/if}
	{/each}
	{#if before && target && !samePlace(before, target)}
		{@const [x1, y1, x2, y2] = [x(before.fret), y(before), x(target.fret), y(target)]}
		<linearGradient id="{uid}-arc" gradientUnits="userSpaceOnUse" {x1} {y1} {x2} y2={y2 + 0.01}>
			<stop offset="0" class="[stop-color:var(--now-line)]" /><stop
				offset="1"
				class="[stop-color:var(--next-line)]"
			/>
		</linearGradient>
		<path
			class="fill-none stroke-5"
			d="M{x1},{y1}Q{(x1 + x2) / 2},{Math.min(y1, y2) - r} {x2},{y2}"
			stroke="url(#{uid}-arc)"
		/>
	{/if}
	{#if before && !samePlace(before, target ?? { string: 0, fret: 0 })}
		<g transform="translate({x(before.fret)},{y(before)})">
			<RoleMark now={before.role} label={label(before)} r={r * 0.66} />
		</g>
	{/if}
	{#if target}
		<g transform="translate({x(target.fret)},{y(target)})">
			<RoleMark
				now={before && samePlace(before, target) ? before.role : undefined}
				next={target.role}
				label={label(target)}
				{r}
				target
			/>
		</g>
	{/if}
	{#if sounding}
		<circle
			data-part="sounding"
			class="fill-none stroke-ink stroke-4"
			cx={x(sounding.fret)}
			cy={y(sounding)}
			r={r * 1.15}
		/>
	{/if}
</g>

<script lang="ts">
	import { lastPosition, windowFrets, type Instrument } from '$core/neck';
	import type { NeckGeometry } from '$lib/draw/neck-geometry';
	import { stringLabel } from '$lib/words/words';

	type Props = {
		instrument: Instrument;
		position: number;
		geometry: NeckGeometry;
		from: number;
		to: number;
		width: number;
		height: number;
		onposition: (position: number) => void;
	};
	let { instrument, position, geometry, from, to, width, height, onposition }: Props = $props();

	const count = $derived(instrument.open.length);
	const firstWire = $derived(Math.max(0, from - 1));
	const frets = $derived(Array.from({ length: to - firstWire + 1 }, (_, i) => firstWire + i));
	const strings = $derived(Array.from({ length: count }, (_, i) => i + 1));
	const GAUGES = [1, 1.2, 1.5, 2, 2.5, 3.1];
	const gauge = (string: number) => GAUGES[Math.round(((string - 1) / (count - 1)) * 5)];
	const window = $derived(windowFrets(instrument, position));
	/** Under a slide: the frets that it lies on. */
	const bar = $derived(instrument.slide?.[position] ?? null);
	/** Stretches of frets under the hand, from wire to wire. */
	const held = $derived(
		bar
			? bar.filter((fret) => fret > 0).map((fret) => [fret - 1, fret])
			: [[position - 1, position + 3]]
	);

	/** The outline of a stretch of frets, following the fan of the neck. */
	function area(lowWire: number, highWire: number): string {
		const [a, b] = [
			geometry.wire(Math.max(firstWire, lowWire)),
			geometry.wire(Math.min(to, highWire))
		];
		const { edge } = geometry;
		return `${a},${edge('top', a)} ${b},${edge('top', b)} ${b},${edge('bottom', b)} ${a},${edge('bottom', a)}`;
	}
	/** One long side of a stretch, with short brackets at its ends where wanted. */
	function side(
		which: 'top' | 'bottom',
		lowWire: number,
		highWire: number,
		bracket: boolean
	): string {
		const [a, b] = [
			geometry.wire(Math.max(firstWire, lowWire)),
			geometry.wire(Math.min(to, highWire))
		];
		const { edge } = geometry;
		const tick = bracket ? (which === 'top' ? 9 : -9) : 0;
		return `${a},${edge(which, a) + tick} ${a},${edge(which, a)} ${b},${edge(which, b)} ${b},${edge(which, b) + tick}`;
	}
	const INLAYS = [3, 5, 7, 9, 12, 15, 17, 19, 21, 24];
	const inlays = $derived(
		INLAYS.filter((fret) => fret >= from && fret <= to && fret > 0).flatMap((fret) => {
			const x = geometry.place(fret);
			const middle = (geometry.edge('top', x) + geometry.edge('bottom', x)) / 2;
			const gap = (geometry.string(2, x) - geometry.string(1, x)) * 1;
			return fret % 12 === 0
				? [middle - gap, middle + gap].map((y) => ({ fret, x, y }))
				: [{ fret, x, y: middle }];
		})
	);
	const top = $derived(
		Math.min(
			geometry.edge('top', geometry.wire(to)),
			geometry.edge('top', geometry.wire(firstWire))
		)
	);
	const labelY = $derived(height - 14);
	const shown = (fret: number) => fret >= from && fret <= to;

	function slide(event: KeyboardEvent): void {
		const by: Record<string, number> = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 };
		const jump =
			event.key === 'Home'
				? 1 - position
				: event.key === 'End'
					? lastPosition(instrument) - position
					: by[event.key];
		if (jump === undefined) return;
		event.preventDefault();
		onposition(position + jump);
	}
</script>

<polygon class="fill-sunk" points={area(firstWire, to)} />
{#if !bar}<polygon class="fill-reach" points={area(window.low - 1, window.high)} />{/if}
{#each held as [low, high] (low)}
	<polygon class="fill-lit" points={area(low, high)} />
{/each}
{#each inlays as dot (`${dot.fret}-${dot.y}`)}
	<circle class="fill-dot" cx={dot.x} cy={dot.y} r="4" />
{/each}
{#each frets as fret (fret)}
	{@const x = geometry.wire(fret)}
	<line
		class="stroke-strong stroke-[1.2] data-nut:stroke-ink data-nut:stroke-5"
		data-nut={fret === 0 || undefined}
		x1={x}
		x2={x}
		y1={geometry.edge('top', x)}
		y2={geometry.edge('bottom', x)}
	/>
{/each}
{#each strings as string (string)}
	{@const [a, b] = [geometry.wire(firstWire), geometry.wire(to)]}
	<line
		class="stroke-third"
		x1={a}
		x2={b}
		y1={geometry.string(string, a)}
		y2={geometry.string(string, b)}
		stroke-width={gauge(string)}
	/>
	<text
		class="pointer-events-none fill-second text-reason anchor-middle"
		x={geometry.mirror(from <= 0 ? 12 : 9)}
		y={geometry.string(string, a)}
		dy="0.35em"
	>
		{from <= 0 ? stringLabel(instrument.labels[string - 1]) : string}
	</text>
{/each}
{#each ['top', 'bottom'] as const as which (which)}
	{#if window.low >= 1 && !bar}
		<polyline
			class="fill-none stroke-ink stroke-[1.6] dash-[3_3]"
			points={side(which, window.low - 1, position - 1, false)}
		/>
	{/if}
	{#each held as [low, high] (low)}
		<polyline class="fill-none stroke-ink stroke-[2.5]" points={side(which, low, high, true)} />
	{/each}
	{#if window.high > position + 3 && !bar}
		<polyline
			class="fill-none stroke-ink stroke-[1.6] dash-[3_3]"
			points={side(which, position + 3, position + 4, false)}
		/>
	{/if}
{/each}
{#each bar ?? [0, 1, 2, 3] as finger (finger)}
	{@const fret = bar ? finger : position + finger}
	<text
		data-part="finger"
		class="pointer-events-none fill-ink text-line font-bold anchor-middle"
		x={geometry.place(fret)}
		y={top - 9}>{bar ? (fret === 0 ? 'open' : 'slide') : finger + 1}</text
	>
{/each}
{#if !bar && position > 1 && shown(position - 1)}
	<text
		class="pointer-events-none fill-second text-count anchor-middle"
		x={geometry.place(position - 1)}
		y={top - 9}>1 back</text
	>
{/if}
{#if !bar && window.high > position + 3 && shown(position + 4)}
	<text
		class="pointer-events-none fill-second text-count anchor-middle"
		x={geometry.place(position + 4)}
		y={top - 9}>4 on</text
	>
{/if}
{#each frets.slice(1) as fret (fret)}
	{@const near = fret >= window.low && fret <= window.high}
	{#if geometry.wire(fret) - geometry.wire(fret - 1) > 18 || near || fret % 2 === 1 || width > 700}
		<text
			class="pointer-events-none fill-third font-mono text-reason font-medium anchor-middle data-near:fill-ink data-near:font-bold"
			data-near={near || undefined}
			x={geometry.place(fret)}
			y={labelY}>{fret}</text
		>
	{/if}
{/each}
<!-- The drawing takes the drag; this is its keyboard twin. -->
<polygon
	class="peer/grip cursor-grab fill-transparent outline-none"
	points={area(firstWire, to)}
	role="slider"
	tabindex="0"
	aria-label="Place of the hand"
	aria-valuemin={1}
	aria-valuemax={lastPosition(instrument)}
	aria-valuenow={position}
	aria-valuetext={bar
		? `position ${position}, slide on fret ${bar.join(' and ')}`
		: `position ${position}, frets ${position} to ${position + 3}`}
	onkeydown={slide}
/>
<polygon
	class="pointer-events-none fill-none stroke-none peer-focus-visible/grip:stroke-ink peer-focus-visible/grip:stroke-4"
	points={area(held[0]?.[0] ?? 0, held.at(-1)?.[1] ?? 1)}
/>

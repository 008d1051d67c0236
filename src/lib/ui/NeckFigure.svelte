<script lang="ts">
	import type { Place } from '$core/neck';
	import type { Figure } from '$lib/draw/figure';
	import RoleMark from './RoleMark.svelte';

	/** What is picked out on the neck: its path, its notes with fingers, or a bend with its lift. */
	type Props = {
		figure: Figure;
		radius: number;
		/** Where a fret and a place are drawn, in px. */
		x: (fret: number) => number;
		y: (place: Place) => number;
	};
	let { figure, radius, x, y }: Props = $props();
	const figurePath = $derived(
		figure.kind === 'path' || figure.kind === 'pair'
			? `M${figure.notes.map((note) => `${x(note.fret)},${y(note)}`).join('L')}`
			: ''
	);
</script>

<g class="figure" role="img" aria-label={figure.words}>
	{#if figurePath}<path class="path" class:tie={figure.kind === 'pair'} d={figurePath} />{/if}
	{#if figure.kind === 'bend'}
		{@const note = figure.notes[0]}
		{@const [bx, by] = [x(note.fret) + radius, y(note)]}
		<path class="path bend" d="M{bx},{by}q16,-2 18,-22m-5,6l5,-7l5,6" />
		<text class="lift" x={bx + 26} y={by - 14}>{figure.lift}</text>
	{/if}
	{#each figure.notes as note (`${note.string}-${note.fret}`)}
		<g transform="translate({x(note.fret)},{y(note)})">
			{#if note.now || note.next || note.ink}
				<RoleMark
					now={note.now}
					next={note.next}
					ink={note.ink}
					label={note.label}
					r={note.reach ? radius * 0.86 : radius}
				/>
			{:else}
				<path class="dash" d="M-8,0H8" />
			{/if}
			{#if note.finger}
				<text class="finger" x={-radius - 2} y={-radius * 0.55}>{note.finger}</text>
			{/if}
		</g>
	{/each}
</g>

<style>
	.figure {
		pointer-events: none;
	}
	.path {
		fill: none;
		stroke: var(--ink);
		stroke-width: 2;
		stroke-linejoin: round;
	}
	.tie {
		stroke-width: 5;
	}
	.bend {
		stroke-width: 2.5;
	}
	.lift {
		font-size: 14px;
		font-weight: 700;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--lit);
		stroke-width: 3px;
	}
	.dash {
		fill: none;
		stroke: var(--second);
		stroke-width: 4;
	}
	.finger {
		font-size: 12px;
		font-weight: 700;
		text-anchor: end;
		fill: var(--ink);
		paint-order: stroke;
		stroke: var(--lit);
		stroke-width: 3px;
		pointer-events: none;
	}
</style>

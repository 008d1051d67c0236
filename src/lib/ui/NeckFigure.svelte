<script lang="ts">
	import type { Place } from '$core/neck';
	import type { Figure } from '$lib/draw/figure';
	import { prefs } from '$lib/state/prefs.svelte';
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

<g data-part="figure" class="pointer-events-none" role="img" aria-label={figure.words}>
	{#if figurePath}<path
			class="fill-none stroke-ink stroke-2 join-round data-tie:stroke-5"
			data-tie={figure.kind === 'pair' || undefined}
			d={figurePath}
		/>{/if}
	{#if figure.kind === 'bend'}
		{@const note = figure.notes[0]}
		{@const [bx, by] = [x(note.fret) + radius, y(note)]}
		<path
			class="fill-none stroke-ink stroke-[2.5] join-round"
			d="M{bx},{by}q16,-2 18,-22m-5,6l5,-7l5,6"
		/>
		<text
			class="fill-ink stroke-lit stroke-[3px] text-line font-bold [paint-order:stroke]"
			x={bx + 26}
			y={by - 14}>{figure.lift}</text
		>
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
				<path class="fill-none stroke-second stroke-4" d="M-8,0H8" />
				{#if prefs.current.labels === 'names'}
					<text
						data-part="dash"
						class="pointer-events-none fill-second stroke-lit stroke-[3px] text-count font-semibold [paint-order:stroke]"
						x="10"
						y="-3">{note.label}</text
					>
				{/if}
			{/if}
			{#if note.finger}
				<text
					data-part="finger"
					class="pointer-events-none fill-ink stroke-lit stroke-[3px] text-count font-bold [paint-order:stroke] anchor-end"
					x={-radius - 2}
					y={-radius * 0.55}>{note.finger}</text
				>
			{/if}
		</g>
	{/each}
</g>

<script lang="ts">
	import { engrave, type Chord } from '$core/chord';

	/** A chord symbol inside SVG; `size` in px, `x`,`y` the base line's start. */
	type Props = { chord: Chord | null; fallback?: string; x: number; y: number; size: number };
	let { chord, fallback = '', x, y, size }: Props = $props();
	const parts = $derived(chord && engrave(chord));
</script>

<text {x} {y} font-size={size} class="chord">
	{#if parts}{parts.letter}{#if parts.accidental}<tspan font-size={size * 0.84} dy={-size * 0.2}>{parts.accidental}</tspan><tspan dy={size * 0.2}>&#8203;</tspan>{/if}{#if parts.minor}<tspan font-size={size * 0.74}>m</tspan>{/if}{#if parts.raised}<tspan font-size={size * 0.54} dy={-size * 0.36}>{parts.raised}</tspan><tspan dy={size * 0.36}>&#8203;</tspan>{/if}{#if parts.bass}<tspan font-size={size * 0.62}>/{parts.bass}</tspan>{/if}{:else}{fallback}{/if}
</text>

<style>
	.chord {
		font-family: var(--font-display);
		font-weight: 800;
	}
</style>

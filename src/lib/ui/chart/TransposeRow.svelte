<script lang="ts">
	import { circleOf, type Chart } from '$core/chart';
	import { keyOf } from '$core/harmony';
	import { signs } from '$core/chord';
	import { intervalBetween, noteName, parseNote, pitchClass, type Interval } from '$core/pitch';

	/** Twelve tonics round the circle of fifths; one press moves the whole chart there. */
	let { chart, onmove }: { chart: Chart; onmove: (interval: Interval) => void } = $props();
	const key = $derived(keyOf(chart));
	const tonics = $derived(key ? circleOf(key.mode) : []);
	const isHere = (name: string) => {
		const note = parseNote(name);
		return key !== null && note !== null && pitchClass(note) === pitchClass(key.tonic);
	};
	function move(name: string): void {
		const note = parseNote(name);
		if (key && note && noteName(note) !== noteName(key.tonic))
			onmove(intervalBetween(key.tonic, note));
	}
</script>

<div class="row" role="group" aria-label="Transpose the chart to">
	{#each tonics as name (name)}
		<button
			type="button"
			class:here={isHere(name)}
			aria-pressed={isHere(name)}
			onclick={() => move(name)}>{signs(name)}</button
		>
	{/each}
</div>

<style>
	.row {
		display: grid;
		grid-template-columns: repeat(12, 1fr);
	}
	button {
		height: 38px;
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 19px;
		border-bottom: 1px solid var(--hair);
	}
	button:hover {
		background: var(--lit);
	}
	@media (max-width: 640px) {
		.row {
			grid-template-columns: repeat(6, 1fr);
		}
	}
	.here {
		background: var(--ink) !important;
		color: var(--paper);
		font-weight: 800;
	}
</style>

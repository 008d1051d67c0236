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

<div
	class="grid grid-cols-[repeat(12,1fr)] max-tablet:grid-cols-[repeat(6,1fr)]"
	role="group"
	aria-label="Transpose the chart to"
>
	{#each tonics as name (name)}
		<button
			class="h-9.5 border-b border-hair font-display text-head font-semibold hover:bg-lit aria-pressed:bg-ink! aria-pressed:font-extrabold aria-pressed:text-paper"
			type="button"
			aria-pressed={isHere(name)}
			onclick={() => move(name)}>{signs(name)}</button
		>
	{/each}
</div>

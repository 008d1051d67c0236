<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import { field } from '$lib/ui/parts/field';
	import { GRIDS } from '$core/route';
	import type { Instrument } from '$core/neck';
	import type { DrillDraft } from './drill-draft.svelte';

	/** The rules of a drill, one by one. */
	let { draft, instrument }: { draft: DrillDraft; instrument: Instrument } = $props();
	const stringNumbers = $derived(instrument.open.map((_, i) => String(i + 1)));

	const look = field();
	const LANDINGS = [
		{ value: 'any', name: 'any chord tone' },
		{ value: 'roots', name: 'roots' },
		{ value: 'guide-tones', name: 'guide tones' }
	] as const;
	const COLOURS = [
		{ value: 'miss', name: 'a miss' },
		{ value: 'lean', name: 'leaning: told apart' },
		{ value: 'land', name: 'a landing' }
	] as const;
	const ALLOWED = [
		{ value: 'any', name: 'all' },
		{ value: 'scale', name: 'chord and scale' },
		{ value: 'arpeggio', name: 'chord tones' },
		{ value: 'targets', name: 'landings alone' }
	] as const;
	const RHYTHMS = [
		{ value: 'any', name: 'free' },
		...GRIDS.map((one) => ({
			value: one,
			name: one === 'targets' ? 'on changes only' : `${one}s only`
		}))
	] as const;
</script>

<details class="col-span-full">
	<summary class="cursor-pointer py-1 font-bold">Rules one by one</summary>
	<div class="grid items-start gap-x-6 gap-y-3 pt-2 @min-[38rem]:grid-cols-3">
		<Select label="Land on" options={LANDINGS} bind:value={draft.landOn} />
		<Select
			label="A colour at the change: 6, 9, 11, 13"
			options={COLOURS}
			bind:value={draft.colours}
		/>
		<Select label="Notes allowed" options={ALLOWED} bind:value={draft.notes} />
		<Select label="Rhythm" options={RHYTHMS} bind:value={draft.grid} />
		<label class={look.label()}
			>One fret only, as with a slide
			<input
				class={look.control()}
				type="number"
				min="0"
				max={instrument.frets - instrument.capo}
				placeholder="any"
				bind:value={
					() => draft.fret ?? undefined,
					(next) => (draft.fret = typeof next === 'number' ? next : null)
				}
			/></label
		>
		<fieldset class="flex flex-wrap gap-x-3.5 gap-y-1.5">
			<legend class="pb-1 text-reason text-second">Strings, none for all</legend>
			{#each stringNumbers as string (string)}
				<label class={look.check()}
					><input type="checkbox" class={look.box()} value={string} bind:group={draft.strings} />
					{string}</label
				>
			{/each}
		</fieldset>
		<Check bind:checked={draft.air}>Call and answer: every second pair of bars is air</Check>
	</div>
</details>

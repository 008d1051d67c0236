<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { parseTuning, presetTuning, TUNING_IDS, USUAL_SCALE_MM } from '$core/neck';
	import { proseSigns } from '$core/chord';
	import { FRETS, SCALE_MM, type InstrumentRecord } from '$lib/api/own-schema';
	import { instrumentForm } from '$lib/api/form-schema';
	import { typedForm } from '$lib/state/typed-form';
	import Check from '$lib/ui/parts/Check.svelte';
	import Field from '$lib/ui/parts/Field.svelte';
	import { tuningTitle } from '$lib/words/words';

	/** One instrument of the player's own: what it is, how long, how it is strung. */
	type Props = {
		start: InstrumentRecord | null;
		onsave: (record: InstrumentRecord) => Promise<boolean>;
		oncancel: () => void;
	};
	let { start, onsave, oncancel }: Props = $props();

	const words = (text: string) => (text.trim() === '' ? null : text.trim().split(/[\s,]+/));
	// The form starts from what it is given and is the player's from then on.
	// svelte-ignore state_referenced_locally
	const first = start;
	const { form, errors, enhance, submitting } = typedForm(
		instrumentForm,
		{
			name: first?.name ?? '',
			tuning: first?.tuning ?? presetTuning('standard'),
			frets: first?.frets ?? 22,
			scaleLengthMm: first?.scaleLengthMm ?? USUAL_SCALE_MM,
			leftHanded: first?.leftHanded ?? false,
			labels: first?.labels?.join(' ') ?? ''
		},
		async (typed) => {
			const tuning = words(typed.tuning)?.join(' ') ?? '';
			const kept = await onsave({ ...typed, tuning, labels: words(typed.labels) });
			if (!kept) return { field: 'name', message: 'It was not kept; try it once more.' };
		}
	);
	const read = $derived(parseTuning($form.tuning));

	let started = $state('');
</script>

<form
	class="grid grid-cols-[1fr_1fr] gap-x-4 gap-y-3 border-b border-hair py-3.5 @max-[34rem]:grid-cols-[1fr]"
	method="POST"
	use:enhance
	novalidate
>
	<Field
		label="Name"
		placeholder="Blue seven-string"
		name="name"
		bind:value={$form.name}
		wrong={$errors.name}
	/>
	<Select
		label="Start from"
		finds
		placeholder="a tuning"
		options={TUNING_IDS.map((id) => ({ value: id as string, name: tuningTitle(id) }))}
		bind:value={() => started, (id) => ((started = id), ($form.tuning = presetTuning(id)))}
	/>
	<div class="col-span-full">
		<Field
			label="Tuning, thickest string first"
			name="tuning"
			bind:value={$form.tuning}
			wrong={$errors.tuning}
		/>
	</div>
	<Field
		label="Frets"
		type="number"
		name="frets"
		min={FRETS.fewest}
		max={FRETS.most}
		bind:value={$form.frets}
		wrong={$errors.frets}
	/>
	<Field
		label="Nut to bridge, mm"
		type="number"
		name="scaleLengthMm"
		min={SCALE_MM.shortest}
		max={SCALE_MM.longest}
		bind:value={$form.scaleLengthMm}
		wrong={$errors.scaleLengthMm}
	/>
	<div class="col-span-full">
		<Field
			label="Labels of the strings, thickest first; empty: {read
				? proseSigns([...read.labels].reverse().join(' '))
				: 'the note names'}"
			name="labels"
			bind:value={$form.labels}
			wrong={$errors.labels}
		/>
	</div>
	<Check bind:checked={$form.leftHanded}>Left-handed</Check>
	<div class="flex justify-end gap-3">
		<Button onclick={oncancel}>Cancel</Button>
		<Button type="submit" look="main" disabled={$submitting}>Keep it</Button>
	</div>
</form>

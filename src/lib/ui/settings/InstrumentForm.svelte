<script lang="ts">
	import Select from '$lib/ui/parts/Select.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { parseTuning, presetTuning, TUNING_IDS, USUAL_SCALE_MM } from '$core/neck';
	import { proseSigns } from '$core/chord';
	import type { InstrumentRecord } from '$lib/api/notebook-schema';
	import { Checkbox } from 'bits-ui';
	import Field from '$lib/ui/parts/Field.svelte';
	import { tuningTitle } from '$lib/words/words';

	/** One instrument of the player's own: what it is, how long, how it is strung. */
	type Props = {
		start: InstrumentRecord | null;
		onsave: (record: InstrumentRecord) => Promise<boolean>;
		oncancel: () => void;
	};
	let { start, onsave, oncancel }: Props = $props();

	const [FEWEST, MOST] = [12, 24];
	const [SHORT, LONG] = [300, 1000];
	// The form starts from what it is given and is the player's from then on.
	// svelte-ignore state_referenced_locally
	const first = start;
	let name = $state(first?.name ?? '');
	let tuning = $state(first?.tuning ?? presetTuning('standard'));
	let frets: number | null = $state(first?.frets ?? 22);
	let mm: number | null = $state(first?.scaleLengthMm ?? USUAL_SCALE_MM);
	let leftHanded = $state(first?.leftHanded ?? false);
	let labels = $state(first?.labels?.join(' ') ?? '');
	let tried = $state(false);
	let busy = $state(false);

	const read = $derived(parseTuning(tuning));
	const labelList = $derived(labels.trim() === '' ? null : labels.trim().split(/[\s,]+/));
	const within = (value: number | null, low: number, high: number) =>
		value !== null && Number.isInteger(value) && value >= low && value <= high;
	const wrong = $derived({
		name:
			name.trim() === '' ? 'Give it a name.' : name.trim().length > 80 ? 'At most 80 letters.' : '',
		tuning: read ? '' : 'Write 4 to 8 pitches from the thickest string, as in E2 A2 D3 G3 B3 E4.',
		frets: within(frets, FEWEST, MOST) ? '' : `From ${FEWEST} to ${MOST} frets.`,
		mm: within(mm, SHORT, LONG) ? '' : `From ${SHORT} to ${LONG} mm, nut to bridge.`,
		labels:
			labelList && read && labelList.length !== read.open.length
				? `This tuning has ${read.open.length} strings; give as many labels, or none.`
				: labelList?.some((label) => label.length > 4)
					? 'At most 4 letters a label.'
					: ''
	});
	const sound = $derived(Object.values(wrong).every((text) => text === ''));

	/** Nothing is called wrong before the first try. */
	const said = (text: string) => (tried ? text : '');

	async function save(event: SubmitEvent): Promise<void> {
		event.preventDefault();
		tried = true;
		if (!sound || frets === null || mm === null) return;
		busy = true;
		const record = {
			name: name.trim(),
			tuning: tuning
				.trim()
				.split(/[\s,]+/)
				.join(' '),
			...{ frets, scaleLengthMm: mm, leftHanded, labels: labelList }
		};
		await onsave(record);
		busy = false;
	}

	let started = $state('');
</script>

<form
	class="grid grid-cols-[1fr_1fr] gap-x-4 gap-y-3 border-b border-hair py-3.5 max-tablet:grid-cols-[1fr]"
	onsubmit={save}
	novalidate
>
	<Field label="Name" placeholder="Blue seven-string" bind:value={name} wrong={said(wrong.name)} />
	<Select
		label="Start from"
		placeholder="a tuning"
		options={TUNING_IDS.map((id) => ({ value: id as string, name: tuningTitle(id) }))}
		bind:value={() => started, (id) => ((started = id), (tuning = presetTuning(id)))}
	/>
	<div class="col-span-full">
		<Field label="Tuning, thickest string first" bind:value={tuning} wrong={said(wrong.tuning)} />
	</div>
	<Field
		label="Frets"
		type="number"
		min={FEWEST}
		max={MOST}
		bind:value={frets}
		wrong={said(wrong.frets)}
	/>
	<Field
		label="Nut to bridge, mm"
		type="number"
		min={SHORT}
		max={LONG}
		bind:value={mm}
		wrong={said(wrong.mm)}
	/>
	<div class="col-span-full">
		<Field
			label="Labels of the strings, thickest first; empty: {read
				? proseSigns([...read.labels].reverse().join(' '))
				: 'the note names'}"
			bind:value={labels}
			wrong={said(wrong.labels)}
		/>
	</div>
	<Checkbox.Root
		bind:checked={leftHanded}
		class="inline-flex min-h-9 items-center gap-2.5"
		aria-label="Left-handed"
	>
		{#snippet children({ checked })}<span
				class="size-4.5 border-[1.5px] border-ink data-checked:bg-ink data-checked:shadow-[inset_0_0_0_3px_var(--paper)]"
				data-checked={checked || undefined}
			></span> Left-handed{/snippet}
	</Checkbox.Root>
	<div class="flex justify-end gap-3">
		<Button onclick={oncancel}>Cancel</Button>
		<Button type="submit" look="main" disabled={busy}>Keep it</Button>
	</div>
</form>

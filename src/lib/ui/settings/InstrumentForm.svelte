<script lang="ts">
	import { parseTuning, presetTuning, TUNING_IDS, USUAL_SCALE_MM } from '$core/neck';
	import { proseSigns } from '$core/chord';
	import type { InstrumentRecord } from '$lib/api/notebook-schema';
	import { Checkbox } from 'bits-ui';
	import Field from '../Field.svelte';
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
</script>

<form onsubmit={save} novalidate>
	<Field label="Name" placeholder="Blue seven-string" bind:value={name} wrong={said(wrong.name)} />
	<label
		>Start from <select onchange={(event) => (tuning = presetTuning(event.currentTarget.value))}>
			<option value="" disabled selected>a tuning</option>
			{#each TUNING_IDS as id (id)}<option value={id}>{tuningTitle(id)}</option>{/each}
		</select></label
	>
	<div class="wide">
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
	<div class="wide">
		<Field
			label="Labels of the strings, thickest first; empty: {read
				? proseSigns([...read.labels].reverse().join(' '))
				: 'the note names'}"
			bind:value={labels}
			wrong={said(wrong.labels)}
		/>
	</div>
	<Checkbox.Root bind:checked={leftHanded} class="check" aria-label="Left-handed">
		{#snippet children({ checked })}<span class="box" class:checked></span> Left-handed{/snippet}
	</Checkbox.Root>
	<div class="ends">
		<button type="button" class="act" onclick={oncancel}>Cancel</button>
		<button type="submit" class="act act-main" disabled={busy}>Keep it</button>
	</div>
</form>

<style>
	form {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px 16px;
		padding: 14px 0;
		border-bottom: 1px solid var(--hair);
	}
	.wide {
		grid-column: 1 / -1;
	}
	form :global(.check) {
		display: inline-flex;
		align-items: center;
		gap: 10px;
		min-height: 36px;
	}
	.box {
		width: 18px;
		height: 18px;
		border: 1.5px solid var(--ink);
	}
	.box.checked {
		background: var(--ink);
		box-shadow: inset 0 0 0 3px var(--paper);
	}
	.ends {
		display: flex;
		justify-content: flex-end;
		gap: 12px;
	}
	@media (max-width: 640px) {
		form {
			grid-template-columns: 1fr;
		}
	}
</style>

<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import Field from '$lib/ui/parts/Field.svelte';
	import Dialog from '$lib/ui/parts/Dialog.svelte';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import { lastPosition } from '$core/neck';
	import { drillLine, LADDER, PRESETS, PRESET_WORDS, type Drill } from '$core/practice';
	import { drillInput } from '$lib/api/drill-schema';
	import { typedForm } from '$lib/state/typed-form';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { untrack } from 'svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import { plural } from '$lib/words/words';
	import { DrillDraft } from './drill-draft.svelte';
	import DrillRules from './DrillRules.svelte';

	/** A drill in three choices: what, where, how fast. What a preset leaves open can be set below. */
	let { desk, onclose }: { desk: DrillDesk; onclose: () => void } = $props();
	const { open } = untrack(() => desk);
	const draft = new DrillDraft(untrack(() => desk));
	/** Bars that are being typed are not told yet. */
	const sound = $derived(Number.isInteger(draft.from) && Number.isInteger(draft.to));
	const line = $derived.by(() => {
		const drill = sound ? draft.drill : { ...draft.drill, range: null };
		return proseSigns(drillLine(open.saved.title, drill, desk.keys[0] ?? null));
	});

	const { errors, enhance, submitting } = typedForm<Drill>(
		drillInput,
		draft.drill,
		async () => {
			const message = await desk.setDrill($state.snapshot(draft.drill));
			if (message !== null) return { message };
			onclose();
		},
		{ made: () => $state.snapshot(draft.drill) }
	);
	const presets = PRESETS.map((value) => ({ value, ...PRESET_WORDS[value] }));
</script>

<Dialog open {onclose} title="What to drill" lead={line} width="wide">
	<form
		data-part="three"
		class="grid grid-cols-[1.25fr_1fr_1fr] gap-x-6 gap-y-5 @max-[38rem]:grid-cols-[minmax(0,1fr)]"
		method="POST"
		use:enhance
		novalidate
	>
		<section>
			<h3 class="mb-2 border-b-2 border-ink pb-1 text-head">1 · What</h3>
			<Choice
				label="From roots to free playing"
				options={presets}
				value={draft.preset ?? 'free'}
				onchange={(next) => draft.choosePreset(next)}
				list
			/>
		</section>
		<section class="flex flex-col gap-2.5">
			<h3 class="mb-2 border-b-2 border-ink pb-1 text-head">2 · Where</h3>
			<Field
				label="Position"
				type="number"
				min="1"
				max={lastPosition(open.instrument)}
				bind:value={draft.position}
				wrong={$errors.position}
			/>
			{#if desk.keys.length > 0}
				<Select
					label="Key, round the circle"
					options={desk.keys.map((tonic, i) => ({
						value: tonic,
						name: `${proseSigns(tonic)}${i === 0 ? ', as written' : ''}`
					}))}
					bind:value={
						() => draft.key ?? desk.keys[0],
						(next) => (draft.key = next === desk.keys[0] ? null : next)
					}
				/>
			{/if}
			<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
				<Field
					label="From bar"
					type="number"
					min="1"
					max={draft.to}
					bind:value={draft.from}
					wrong={$errors.range?.from}
				/>
				<Field
					label="to bar"
					type="number"
					min={draft.from}
					max={draft.bars}
					bind:value={draft.to}
					wrong={$errors.range?.to ?? $errors.range?._errors}
				/>
			</div>
			{#if desk.routes.length > 0}
				<Select
					label="Over a saved route"
					options={[
						{ value: '', name: 'none: planned by the rules' },
						...desk.routes.map((route) => ({ value: route.id, name: route.name }))
					]}
					bind:value={() => draft.routeId ?? '', (next) => void draft.chooseRoute(next || null)}
					disabled={draft.key !== null}
				/>
			{/if}
			<Check bind:checked={draft.locked}>The hand stays in its position</Check>
		</section>
		<section class="flex flex-col gap-2.5">
			<h3 class="mb-2 border-b-2 border-ink pb-1 text-head">3 · How fast</h3>
			<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
				<Field
					label="From tempo"
					type="number"
					min={LADDER.tempo.least}
					max={draft.ladder.ceiling}
					bind:value={draft.ladder.start}
					wrong={$errors.ladder?.start ?? $errors.ladder?._errors}
				/>
				<Field
					label="to tempo"
					type="number"
					min={draft.ladder.start}
					max={LADDER.tempo.most}
					bind:value={draft.ladder.ceiling}
					wrong={$errors.ladder?.ceiling}
				/>
			</div>
			<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
				<Field
					label="Step"
					type="number"
					min={LADDER.step.least}
					max={LADDER.step.most}
					bind:value={draft.ladder.step}
					wrong={$errors.ladder?.step}
				/>
				<Field
					label="Clean passes to go up"
					type="number"
					min={LADDER.up.least}
					max={LADDER.up.most}
					bind:value={draft.ladder.up}
					wrong={$errors.ladder?.up}
				/>
			</div>
			<Field
				label="Times through make a pass"
				type="number"
				min="1"
				max="16"
				bind:value={draft.loops}
				wrong={$errors.loops}
			/>
			<p class="text-reason text-second">
				<b>Care.</b> Raise the tempo in small steps; stop when anything hurts.
			</p>
		</section>
		<DrillRules {draft} instrument={open.instrument} />
		<p class="col-span-full text-reason font-bold empty:hidden" role="alert">
			{$errors._errors?.[0] ?? ''}
		</p>
		<p class="col-span-full flex flex-wrap items-center gap-4">
			<Button type="submit" look="main" disabled={$submitting}>Drill this</Button>
			<Button look="quiet" onclick={onclose}>Leave it as it was</Button>
			<small class="text-second"
				>{sound ? `${plural(draft.loops * (draft.to - draft.from + 1), 'bar')} a pass` : ''}</small
			>
		</p>
	</form>
</Dialog>

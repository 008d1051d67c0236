<script lang="ts">
	import Check from '$lib/ui/parts/Check.svelte';
	import Select from '$lib/ui/parts/Select.svelte';
	import { field } from '$lib/ui/parts/field';
	import { dialog } from '$lib/ui/parts/dialog';
	import Button from '$lib/ui/parts/Button.svelte';
	import { proseSigns } from '$core/chord';
	import { lastPosition } from '$core/neck';
	import { drillLine, LADDER, PRESETS, PRESET_WORDS } from '$core/practice';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { Dialog } from 'bits-ui';
	import { untrack } from 'svelte';
	import Choice from '$lib/ui/parts/Choice.svelte';
	import { plural } from '$lib/words/words';
	import { DrillDraft } from './drill-draft.svelte';
	import DrillRules from './DrillRules.svelte';

	/** A drill in three choices: what, where, how fast. What a preset leaves open can be set below. */
	let { desk, onclose }: { desk: DrillDesk; onclose: () => void } = $props();
	const { open } = untrack(() => desk);
	const draft = new DrillDraft(untrack(() => desk));
	let trouble: string | null = $state(null);

	const line = $derived(proseSigns(drillLine(open.saved.title, draft.drill, desk.keys[0] ?? null)));

	async function keep(): Promise<void> {
		trouble = await desk.setDrill($state.snapshot(draft.drill));
		if (trouble === null) onclose();
	}
	const presets = PRESETS.map((value) => ({ value, ...PRESET_WORDS[value] }));

	const look = dialog({ width: 'wide' });

	const fields = field();
</script>

<Dialog.Root open onOpenChange={(shown) => !shown && onclose()}>
	<Dialog.Portal>
		<Dialog.Overlay class={look.veil()} />
		<Dialog.Content class={look.sheet()}>
			<Dialog.Title class={look.title()}>What to drill</Dialog.Title>
			<Dialog.Description class={look.lead()}>{line}</Dialog.Description>
			<form
				data-part="three"
				class="grid grid-cols-[1.25fr_1fr_1fr] gap-x-6 gap-y-5 max-tablet:grid-cols-[minmax(0,1fr)]"
				onsubmit={(event) => {
					event.preventDefault();
					void keep();
				}}
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
					<label class={fields.label()}
						>Position
						<input
							class={fields.control()}
							type="number"
							min="1"
							max={lastPosition(open.instrument)}
							bind:value={draft.position}
							required
						/></label
					>
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
						<label class={fields.label()}
							>From bar <input
								class={fields.control()}
								type="number"
								min="1"
								max={draft.to}
								bind:value={draft.from}
								required
							/></label
						>
						<label class={fields.label()}
							>to bar <input
								class={fields.control()}
								type="number"
								min={draft.from}
								max={draft.bars}
								bind:value={draft.to}
								required
							/></label
						>
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
						<label class={fields.label()}
							>From tempo
							<input
								class={fields.control()}
								type="number"
								min={LADDER.tempo.least}
								max={draft.ladder.ceiling}
								bind:value={draft.ladder.start}
								required
							/></label
						>
						<label class={fields.label()}
							>to tempo
							<input
								class={fields.control()}
								type="number"
								min={draft.ladder.start}
								max={LADDER.tempo.most}
								bind:value={draft.ladder.ceiling}
								required
							/></label
						>
					</div>
					<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
						<label class={fields.label()}
							>Step
							<input
								class={fields.control()}
								type="number"
								min={LADDER.step.least}
								max={LADDER.step.most}
								bind:value={draft.ladder.step}
								required
							/></label
						>
						<label class={fields.label()}
							>Clean passes to go up
							<input
								class={fields.control()}
								type="number"
								min={LADDER.up.least}
								max={LADDER.up.most}
								bind:value={draft.ladder.up}
								required
							/></label
						>
					</div>
					<label class={fields.label()}
						>Times through make a pass
						<input
							class={fields.control()}
							type="number"
							min="1"
							max="16"
							bind:value={draft.loops}
							required
						/></label
					>
					<p class="text-reason text-second">
						<b>Care.</b> Raise the tempo in small steps; stop when anything hurts.
					</p>
				</section>
				<DrillRules {draft} instrument={open.instrument} />
				{#if trouble}<p class="col-span-full text-reason font-bold empty:hidden" role="alert">
						{trouble}
					</p>{/if}
				<p class="col-span-full flex flex-wrap items-center gap-4">
					<Button type="submit" look="main">Drill this</Button>
					<Button look="quiet" onclick={onclose}>Leave it as it was</Button>
					<small class="text-second"
						>{plural(draft.loops * (draft.to - draft.from + 1), 'bar')} a pass</small
					>
				</p>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

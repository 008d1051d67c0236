<script lang="ts">
	import { proseSigns } from '$core/chord';
	import { lastPosition } from '$core/neck';
	import { drillLine, LADDER, PRESETS, PRESET_WORDS } from '$core/practice';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { Dialog } from 'bits-ui';
	import { untrack } from 'svelte';
	import Choice from '../Choice.svelte';
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
</script>

<Dialog.Root open onOpenChange={(shown) => !shown && onclose()}>
	<Dialog.Portal>
		<Dialog.Overlay class="veil" />
		<Dialog.Content class="sheet sheet-wide">
			<Dialog.Title class="sheet-title">What to drill</Dialog.Title>
			<Dialog.Description class="sheet-lead">{line}</Dialog.Description>
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
					<label
						>Position
						<input
							type="number"
							min="1"
							max={lastPosition(open.instrument)}
							bind:value={draft.position}
							required
						/></label
					>
					{#if desk.keys.length > 0}
						<label
							>Key, round the circle
							<select
								bind:value={
									() => draft.key ?? desk.keys[0],
									(next) => (draft.key = next === desk.keys[0] ? null : next)
								}
							>
								{#each desk.keys as tonic, i (tonic)}
									<option value={tonic}>{proseSigns(tonic)}{i === 0 ? ', as written' : ''}</option>
								{/each}
							</select></label
						>
					{/if}
					<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
						<label
							>From bar <input
								type="number"
								min="1"
								max={draft.to}
								bind:value={draft.from}
								required
							/></label
						>
						<label
							>to bar <input
								type="number"
								min={draft.from}
								max={draft.bars}
								bind:value={draft.to}
								required
							/></label
						>
					</div>
					{#if desk.routes.length > 0}
						<label
							>Over a saved route
							<select
								bind:value={
									() => draft.routeId ?? '', (next) => void draft.chooseRoute(next || null)
								}
								disabled={draft.key !== null}
							>
								<option value="">none: planned by the rules</option>
								{#each desk.routes as route (route.id)}
									<option value={route.id}>{route.name}</option>
								{/each}
							</select></label
						>
					{/if}
					<label class="inline-flex items-center gap-2 text-line text-ink">
						<input
							class="m-0 inline-block size-5 accent-ink"
							type="checkbox"
							bind:checked={draft.locked}
						/> The hand stays in its position
					</label>
				</section>
				<section class="flex flex-col gap-2.5">
					<h3 class="mb-2 border-b-2 border-ink pb-1 text-head">3 · How fast</h3>
					<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
						<label
							>From tempo
							<input
								type="number"
								min={LADDER.tempo.least}
								max={draft.ladder.ceiling}
								bind:value={draft.ladder.start}
								required
							/></label
						>
						<label
							>to tempo
							<input
								type="number"
								min={draft.ladder.start}
								max={LADDER.tempo.most}
								bind:value={draft.ladder.ceiling}
								required
							/></label
						>
					</div>
					<div class="grid grid-cols-[1fr_1fr] items-end gap-3">
						<label
							>Step
							<input
								type="number"
								min={LADDER.step.least}
								max={LADDER.step.most}
								bind:value={draft.ladder.step}
								required
							/></label
						>
						<label
							>Clean passes to go up
							<input
								type="number"
								min={LADDER.up.least}
								max={LADDER.up.most}
								bind:value={draft.ladder.up}
								required
							/></label
						>
					</div>
					<label
						>Times through make a pass
						<input type="number" min="1" max="16" bind:value={draft.loops} required /></label
					>
					<p class="text-reason text-second">
						<b>Care.</b> Raise the tempo in small steps; stop when anything hurts.
					</p>
				</section>
				<DrillRules {draft} instrument={open.instrument} />
				{#if trouble}<p class="wrong col-span-full" role="alert">{trouble}</p>{/if}
				<p class="col-span-full flex flex-wrap items-center gap-4">
					<button type="submit" class="act act-main">Drill this</button>
					<button type="button" class="quiet" onclick={onclose}>Leave it as it was</button>
					<small class="text-second"
						>{plural(draft.loops * (draft.to - draft.from + 1), 'bar')} a pass</small
					>
				</p>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

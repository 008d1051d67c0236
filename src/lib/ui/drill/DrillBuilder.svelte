<script lang="ts">
	import { proseSigns } from '$core/chord';
	import { barFret, lastPosition } from '$core/neck';
	import {
		drillLine,
		drillOf,
		LADDER,
		PRESETS,
		PRESET_WORDS,
		type Drill,
		type Ladder,
		type Preset
	} from '$core/practice';
	import { GRIDS, type Grid } from '$core/route';
	import type { DrillDesk } from '$lib/state/drill/drill-desk.svelte';
	import { Dialog } from 'bits-ui';
	import { untrack } from 'svelte';
	import Choice from '../Choice.svelte';
	import { plural } from '$lib/words/words';

	/** A drill in three choices: what, where, how fast. What a preset leaves open can be set below. */
	let { desk, onclose }: { desk: DrillDesk; onclose: () => void } = $props();
	const { open } = untrack(() => desk);
	const bars = $derived(open.chart.played.length);
	const start = untrack(() => desk.drill);

	let preset: Preset | null = $state(start.preset);
	let position = $state(start.position);
	let key: string | null = $state(start.key);
	let from = $state((start.range?.from ?? 0) + 1);
	let to = $state(start.range?.to ?? untrack(() => bars));
	let ladder: Ladder = $state({ ...start.ladder });
	let loops = $state(start.loops);
	let grid: Grid | 'any' = $state(start.rules.grid ?? 'any');
	let notes = $state(start.rules.notes ?? 'any');
	let landOn = $state(start.rules.landOn ?? 'any');
	let locked = $state(start.rules.position !== undefined);
	let strings: string[] = $state((start.rules.strings ?? []).map(String));
	let fret: number | null = $state(start.rules.fret ?? null);
	let air = $state((start.rules.restBars?.length ?? 0) > 0);
	let routeId: string | null = $state(start.routeId);
	let trouble: string | null = $state(null);

	const range = $derived(from === 1 && to === bars ? null : { from: from - 1, to });

	function choosePreset(next: Preset): void {
		preset = next;
		const { rules } = drillOf(next, open.chart, { position, key, range });
		grid = rules.grid ?? 'any';
		notes = rules.notes ?? 'any';
		landOn = rules.landOn ?? 'any';
		locked = rules.position !== undefined;
		air = rules.restBars !== undefined;
		strings = [];
		fret = null;
	}
	/** A saved route brings its place; one that moves, or is played with a slide, brings its own rules. */
	async function chooseRoute(id: string | null): Promise<void> {
		routeId = id;
		const route = desk.routes.find((one) => one.id === id);
		if (!id || !route) return;
		({ position } = route);
		const about = await desk.plan.about(id);
		if (!about || routeId !== id) return;
		if (about.roams || about.slide > 0) locked = false;
		fret = about.slide === 1 && !about.roams ? barFret(position) : null;
	}
	const drill = $derived.by((): Drill => {
		const made = drillOf('answer', open.chart, { position, key, range });
		return {
			preset,
			range,
			routeId,
			position,
			key,
			loops,
			ladder: $state.snapshot(ladder),
			rules: {
				...(notes === 'any' ? {} : { notes }),
				...(grid === 'any' ? {} : { grid }),
				...(landOn === 'any' ? {} : { landOn }),
				...(locked ? { position } : {}),
				...(strings.length > 0 ? { strings: strings.map(Number).sort((a, b) => a - b) } : {}),
				...(fret === null ? {} : { fret }),
				...(air ? { restBars: made.rules.restBars } : {}),
				...(start.rules.letPass ? { letPass: start.rules.letPass } : {})
			}
		};
	});
	const line = $derived(proseSigns(drillLine(open.saved.title, drill, desk.keys[0] ?? null)));

	async function keep(): Promise<void> {
		trouble = await desk.setDrill($state.snapshot(drill));
		if (trouble === null) onclose();
	}
	const presets = PRESETS.map((value) => ({ value, ...PRESET_WORDS[value] }));
	const stringNumbers = $derived(open.instrument.open.map((_, i) => String(i + 1)));
</script>

<Dialog.Root open onOpenChange={(shown) => !shown && onclose()}>
	<Dialog.Portal>
		<Dialog.Overlay class="veil" />
		<Dialog.Content class="sheet sheet-wide">
			<Dialog.Title class="sheet-title">What to drill</Dialog.Title>
			<Dialog.Description class="sheet-lead">{line}</Dialog.Description>
			<form
				class="three"
				onsubmit={(event) => {
					event.preventDefault();
					void keep();
				}}
			>
				<section>
					<h3>1 · What</h3>
					<Choice
						label="From roots to free playing"
						options={presets}
						value={preset ?? 'free'}
						onchange={choosePreset}
						list
					/>
				</section>
				<section class="stack">
					<h3>2 · Where</h3>
					<label
						>Position
						<input
							type="number"
							min="1"
							max={lastPosition(open.instrument)}
							bind:value={position}
							required
						/></label
					>
					{#if desk.keys.length > 0}
						<label
							>Key, round the circle
							<select
								bind:value={
									() => key ?? desk.keys[0], (next) => (key = next === desk.keys[0] ? null : next)
								}
							>
								{#each desk.keys as tonic, i (tonic)}
									<option value={tonic}>{proseSigns(tonic)}{i === 0 ? ', as written' : ''}</option>
								{/each}
							</select></label
						>
					{/if}
					<div class="pair">
						<label
							>From bar <input type="number" min="1" max={to} bind:value={from} required /></label
						>
						<label
							>to bar <input type="number" min={from} max={bars} bind:value={to} required /></label
						>
					</div>
					{#if desk.routes.length > 0}
						<label
							>Over a saved route
							<select
								bind:value={() => routeId ?? '', (next) => void chooseRoute(next || null)}
								disabled={key !== null}
							>
								<option value="">none: planned by the rules</option>
								{#each desk.routes as route (route.id)}
									<option value={route.id}>{route.name}</option>
								{/each}
							</select></label
						>
					{/if}
					<label class="check">
						<input type="checkbox" bind:checked={locked} /> The hand stays in its position
					</label>
				</section>
				<section class="stack">
					<h3>3 · How fast</h3>
					<div class="pair">
						<label
							>From tempo
							<input
								type="number"
								min={LADDER.tempo.least}
								max={ladder.ceiling}
								bind:value={ladder.start}
								required
							/></label
						>
						<label
							>to tempo
							<input
								type="number"
								min={ladder.start}
								max={LADDER.tempo.most}
								bind:value={ladder.ceiling}
								required
							/></label
						>
					</div>
					<div class="pair">
						<label
							>Step
							<input
								type="number"
								min={LADDER.step.least}
								max={LADDER.step.most}
								bind:value={ladder.step}
								required
							/></label
						>
						<label
							>Clean passes to go up
							<input
								type="number"
								min={LADDER.up.least}
								max={LADDER.up.most}
								bind:value={ladder.up}
								required
							/></label
						>
					</div>
					<label
						>Times through make a pass
						<input type="number" min="1" max="16" bind:value={loops} required /></label
					>
					<p class="hint"><b>Care.</b> Raise the tempo in small steps; stop when anything hurts.</p>
				</section>
				<details class="rules">
					<summary>Rules one by one</summary>
					<div class="grid">
						<label
							>Land on
							<select bind:value={landOn}>
								<option value="any">any chord tone</option>
								<option value="roots">roots</option>
								<option value="guide-tones">guide tones</option>
							</select></label
						>
						<label
							>Notes allowed
							<select bind:value={notes}>
								<option value="any">all</option>
								<option value="scale">chord and scale</option>
								<option value="arpeggio">chord tones</option>
								<option value="targets">landings alone</option>
							</select></label
						>
						<label
							>Rhythm
							<select bind:value={grid}>
								<option value="any">free</option>
								{#each GRIDS as one (one)}
									<option value={one}
										>{one === 'targets' ? 'on changes only' : `${one}s only`}</option
									>
								{/each}
							</select></label
						>
						<label
							>One fret only, as with a slide
							<input
								type="number"
								min="0"
								max={open.instrument.frets - open.instrument.capo}
								placeholder="any"
								bind:value={
									() => fret ?? undefined, (next) => (fret = typeof next === 'number' ? next : null)
								}
							/></label
						>
						<fieldset>
							<legend>Strings, none for all</legend>
							{#each stringNumbers as string (string)}
								<label class="check"
									><input type="checkbox" value={string} bind:group={strings} /> {string}</label
								>
							{/each}
						</fieldset>
						<label class="check">
							<input type="checkbox" bind:checked={air} /> Call and answer: every second pair of bars
							is air
						</label>
					</div>
				</details>
				{#if trouble}<p class="wrong" role="alert">{trouble}</p>{/if}
				<p class="ends">
					<button type="submit" class="act act-main">Drill this</button>
					<button type="button" class="quiet" onclick={onclose}>Leave it as it was</button>
					<small>{plural(loops * (to - from + 1), 'bar')} a pass</small>
				</p>
			</form>
		</Dialog.Content>
	</Dialog.Portal>
</Dialog.Root>

<style>
	.three {
		display: grid;
		grid-template-columns: 1.25fr 1fr 1fr;
		gap: 20px 24px;
	}
	h3 {
		font-size: 18px;
		border-bottom: 2px solid var(--ink);
		padding-bottom: 4px;
		margin-bottom: 8px;
	}
	.stack {
		display: flex;
		flex-direction: column;
		gap: 10px;
	}
	.pair {
		display: grid;
		grid-template-columns: 1fr 1fr;
		gap: 12px;
		align-items: end;
	}
	.check {
		display: inline-flex;
		align-items: center;
		gap: 8px;
		font-size: 15px;
		color: var(--ink);
	}
	.check input {
		display: inline-block;
		width: 20px;
		height: 20px;
		margin: 0;
		accent-color: var(--ink);
	}
	.hint {
		font-size: 13px;
		color: var(--second);
	}
	.rules,
	.ends,
	.wrong {
		grid-column: 1 / -1;
	}
	.rules summary {
		font-weight: 700;
		cursor: pointer;
		padding: 4px 0;
	}
	.grid {
		display: grid;
		grid-template-columns: repeat(3, 1fr);
		gap: 12px 24px;
		padding-top: 8px;
		align-items: start;
	}
	fieldset {
		display: flex;
		flex-wrap: wrap;
		gap: 6px 14px;
	}
	legend {
		font-size: 13px;
		color: var(--second);
		padding-bottom: 4px;
	}
	.ends {
		display: flex;
		flex-wrap: wrap;
		align-items: center;
		gap: 16px;
	}
	.ends small {
		color: var(--second);
	}
	@media (max-width: 760px) {
		.three,
		.grid {
			grid-template-columns: minmax(0, 1fr);
		}
	}
</style>

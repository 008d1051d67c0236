<script lang="ts">
	import type { DoubleStop } from '$core/neck';
	import { prefs } from '$lib/state/prefs.svelte';
	import { roleWords, signs } from '$core/chord';
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { tabs } from '$lib/ui/parts/tabs';
	import { Tabs } from 'bits-ui';
	import { onMount, tick } from 'svelte';
	import { shortcutOf } from '$lib/words/keys/key-map';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import ChangePanel from './ChangePanel.svelte';
	import { lift, placeText } from './figures';
	import GripPanel from './GripPanel.svelte';
	import HiddenPanel from './HiddenPanel.svelte';
	import LayoutPanel from './LayoutPanel.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { PANELS, type Panel } from './panels';
	import PlacesPanel from './PlacesPanel.svelte';
	import ShapePanel from './ShapePanel.svelte';
	import StepList from './StepList.svelte';
	import WordsPanel from './WordsPanel.svelte';

	/** What is in the place, one kind at a time: shapes, changes, double stops, bends, hidden arpeggios … */
	let {
		view,
		coverage,
		leftHanded
	}: { view: NeckView; coverage: NeckCoverage; leftHanded: boolean } = $props();
	const look = tabs();
	let body: HTMLElement;
	/** The server leaves the panels to the browser: they are much to compute and nothing to read first. */
	let drawn = $state(false);
	onMount(() => (drawn = true));

	/**
	 * Opens a panel by its key, picks the first thing there and puts the focus on it; the key of an open
	 * panel lets the thing go.
	 */
	export async function open(panel: Panel): Promise<void> {
		if (view.panel === panel && view.choice) return view.pick('');
		view.show(panel);
		view.pickFirst();
		await tick();
		const checked = body.querySelectorAll<HTMLElement>('[role="radio"][aria-checked="true"]');
		checked[checked.length - 1]?.focus();
	}

	const stops = $derived(
		view.pairs.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord, verdict: stopWords(item) },
			parts: [
				item.interval,
				item.roles.map((role) => signs(role)).join(' '),
				`strings ${item.a.string} ${item.b.string}`,
				`frets ${item.a.fret} ${item.b.fret}`
			]
		}))
	);
	/** What a pair asks for, or how it sits on the chord. */
	function stopWords({ bend, shift, verdict }: DoubleStop): string {
		if (bend > 0) return bend === 1 ? 'bend both ½' : 'bend both 1';
		const moves = shift < 0 ? ', hand 1 fret back' : shift > 0 ? ', hand 1 fret on' : '';
		return verdict + moves;
	}
	const stop = $derived(view.pairs.find((entry) => entry.key === view.choice));
	const lifts = $derived(
		view.bends.map(({ key, tense, chord, item }) => ({
			...{ key, tense, chord },
			parts: [
				item.semitones < 1
					? '¼ curl'
					: `${lift(item.semitones)} ${item.semitones > 2 ? 'tones' : 'tone'}`,
				placeText(item),
				`${item.semitones < 1 ? 'toward' : 'to'} the ${roleWords(item.toRole)}${item.unison ? `, with string ${item.unison.string}` : ''}`
			]
		}))
	);
	const bend = $derived(view.bends.find((entry) => entry.key === view.choice));
</script>

<section data-part="panels" class="min-h-50 min-w-0" bind:this={body}>
	<Tabs.Root value={view.panel} onValueChange={(panel) => view.show(panel as Panel)}>
		<Tabs.List class={look.list()} aria-label="In this place">
			{#each PANELS as { id, row, name } (id)}
				<Tabs.Trigger
					value={id}
					class={look.tab()}
					aria-label="{name}: {row.does}"
					aria-keyshortcuts={shortcutOf(row)}><KeyCap of={row} /><span>{name}</span></Tabs.Trigger
				>
			{/each}
		</Tabs.List>
		<Tabs.Content value={view.panel} tabindex={-1}>
			{#if !drawn}
				<p data-part="detail" class="pt-1 text-reason text-second">
					Shapes, double stops, bends and more appear in a moment.
				</p>
			{:else if view.panel === 'shapes'}
				<ShapePanel {view} {leftHanded} />
			{:else if view.panel === 'grips'}
				<GripPanel {view} {leftHanded} />
			{:else if view.panel === 'changes'}
				<ChangePanel />
			{:else if view.panel === 'pairs'}
				<StepList
					rows={stops}
					name="Double stops"
					value={view.choice}
					empty="No two notes of these chords can be held together here."
					onpick={(key) => view.pick(key)}
				/>
				<p data-part="detail" class="pt-1 text-reason text-second">
					{#if stop?.item.treatment}{prefs.prose(stop.item.treatment)}.{:else}Two notes at once; the
						chosen pair stands out on the neck.{/if}
				</p>
			{:else if view.panel === 'bends'}
				<StepList
					rows={lifts}
					name="Bends"
					value={view.choice}
					empty="No bend lands on a tone of these chords here."
					onpick={(key) => view.pick(key)}
				/>
				<p data-part="detail" class="pt-1 text-reason text-second">
					{#if bend && bend.item.semitones === 3}One and a half tones pull hard: warm up first, let
						go when it hurts.{:else}Bend from a note until it sounds the chord tone.{/if}
				</p>
			{:else if view.panel === 'hidden'}
				<HiddenPanel {view} />
			{:else if view.panel === 'layouts'}
				<LayoutPanel {view} />
			{:else if view.panel === 'places'}
				<PlacesPanel {coverage} />
			{:else}
				<WordsPanel {view} />
			{/if}
		</Tabs.Content>
	</Tabs.Root>
</section>

<script lang="ts">
	import { fetched } from '$lib/state/fetched';
	import type { NeckCoverage } from '$lib/state/neck-coverage.svelte';
	import { prefs } from '$lib/state/prefs.svelte';
	import { tabs } from '$lib/ui/parts/tabs';
	import { shortcutOf } from '$lib/words/keys/key-map';
	import { Tabs } from 'bits-ui';
	import { tick, type Component } from 'svelte';
	import KeyCap from '$lib/ui/parts/KeyCap.svelte';
	import type { NeckView } from './neck-view.svelte';
	import { FIRST_PANELS, PANELS, type Panel } from './panels';

	/** What is in the place, one kind at a time: shapes, changes, double stops, bends, hidden arpeggios … */
	type Parts = { view: NeckView; coverage: NeckCoverage; leftHanded: boolean };
	let { view, coverage, leftHanded }: Parts = $props();
	const look = tabs();
	let body: HTMLElement;
	/** Each is fetched when it is looked at; the server leaves them to the browser. */
	const LOAD: Readonly<Record<Panel, () => Promise<{ default: Component<Parts> }>>> = {
		shapes: () => import('./ShapePanel.svelte'),
		grips: () => import('./GripPanel.svelte'),
		changes: () => import('./ChangePanel.svelte'),
		pairs: () => import('./PairPanel.svelte'),
		bends: () => import('./BendPanel.svelte'),
		hidden: () => import('./HiddenPanel.svelte'),
		layouts: () => import('./LayoutPanel.svelte'),
		places: () => import('./PlacesPanel.svelte'),
		words: () => import('./WordsPanel.svelte')
	};
	let loaded: Partial<Record<Panel, Component<Parts>>> = $state.raw({});
	async function load(panel: Panel): Promise<void> {
		if (loaded[panel]) return;
		const { default: Part } = await fetched(LOAD[panel]);
		loaded = { ...loaded, [panel]: Part };
	}
	$effect(() => void load(view.panel));
	const Part = $derived(loaded[view.panel]);
	/** All kinds, or those that are looked at first and the one that is open. */
	const listed = $derived(
		PANELS.filter(({ id }) => prefs.current.more || FIRST_PANELS.includes(id) || id === view.panel)
	);

	/** The panel that was asked for last by its key. */
	let asked: Panel | null = null;
	/**
	 * Opens a panel by its key, picks the first thing there and puts the focus on it, all at once when it has come:
	 * an arrow pressed after what is seen moves that. The key of an open panel lets the thing go.
	 */
	export async function open(panel: Panel): Promise<void> {
		asked = panel;
		if (view.panel === panel && view.choice) return view.pick('');
		await load(panel);
		if (asked !== panel) return;
		view.show(panel);
		view.pickFirst();
		await tick();
		const checked = body.querySelectorAll<HTMLElement>('[role="radio"][aria-checked="true"]');
		checked[checked.length - 1]?.focus();
	}
	function toTab(panel: string): void {
		asked = null;
		view.show(panel as Panel);
	}
</script>

<section data-part="panels" class="min-h-50 min-w-0" bind:this={body}>
	<Tabs.Root value={view.panel} onValueChange={toTab}>
		<Tabs.List class={look.list()} aria-label="In this place">
			{#each listed as { id, row, name } (id)}
				<Tabs.Trigger
					value={id}
					class={look.tab()}
					aria-label={name}
					data-tip={row.does}
					aria-keyshortcuts={shortcutOf(row)}><KeyCap of={row} /><span>{name}</span></Tabs.Trigger
				>
			{/each}
		</Tabs.List>
		<Tabs.Content value={view.panel} tabindex={-1}>
			{#if Part}
				<Part {view} {coverage} {leftHanded} />
			{:else}
				<p data-part="detail" class="pt-1 text-reason text-second">
					Shapes, double stops, bends and more appear in a moment.
				</p>
			{/if}
		</Tabs.Content>
	</Tabs.Root>
</section>

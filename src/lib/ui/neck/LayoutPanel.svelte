<script lang="ts">
	import { FAMILIES, type Family, type Position } from '$core/neck';
	import { signs } from '$core/chord';
	import { noteName } from '$core/pitch';
	import { RadioGroup } from 'bits-ui';
	import { prefs } from '$lib/state/prefs.svelte';
	import { inWords, plural } from '$lib/words/words';
	import type { NeckView } from './neck-view.svelte';

	/** The scale in use laid out over the whole neck by one family; the chosen place stands out. */
	let { view }: { view: NeckView } = $props();

	const NAMES: Record<Family, { name: string; says: string }> = {
		box: { name: 'Boxes', says: 'the hand stays; every note under a finger or just beside' },
		'n-per-string': { name: 'So many a string', says: 'the same count on every string' },
		diagonal: { name: 'Diagonal', says: 'slides along the string from octave to octave' },
		pocket: {
			name: 'Pockets',
			says: 'three to seven notes round the root on the thin strings; they move with the chord'
		},
		'single-fret': { name: 'One fret', says: 'straight across: for slide playing' }
	};
	const timesWords = (n: number) => (n === 1 ? 'once' : n === 2 ? 'twice' : `${inWords(n)} times`);
	const counts = $derived(
		view.family === 'n-per-string' ? [2, 3, 4] : view.family === 'single-fret' ? [1, 2] : []
	);
	const count = $derived(view.perString || (view.family === 'single-fret' ? 1 : view.usual));
	const chosen = $derived(view.layouts.find((entry) => entry.id === view.choice));
	/** The degrees of a pocket, its root in capitals: what tells it from the next one in the same place. */
	const degrees = ({ notes }: Position) =>
		notes.map(({ degree }) => (degree === '1' ? 'R' : signs(degree))).join(' ');
	const rootOf = ({ notes }: Position) => notes.find(({ degree }) => degree === '1');
	/** What stands on the button of a place beside its number. */
	const told = (layout: Position) =>
		layout.family === 'pocket'
			? `${degrees(layout)}, string ${rootOf(layout)?.string ?? 1}`
			: layout.notes.some((note) => note.passing)
				? `${span(layout)} filled`
				: span(layout);
	const passing = $derived(
		chosen?.notes.filter((note) => note.passing).map((note) => prefs.name(note.name)) ?? []
	);
	const span = ({ lowFret, highFret }: Position) =>
		lowFret === highFret ? `fret ${lowFret}` : `frets ${lowFret}–${highFret}`;
</script>

<RadioGroup.Root
	value={view.family}
	onValueChange={(family) => view.layOut(family as Family)}
	orientation="horizontal"
	aria-label="Way to lay the scale out"
	class="families"
>
	{#each FAMILIES as family (family)}
		<RadioGroup.Item
			value={family}
			class="family"
			aria-label="{NAMES[family].name}: {NAMES[family].says}">{NAMES[family].name}</RadioGroup.Item
		>
	{/each}
</RadioGroup.Root>
<div class="line">
	<p class="says">
		{NAMES[view.family].says}{#if view.family === 'pocket' && view.pocketScale}, now {prefs.name(
				noteName(view.pocketScale.tonic)
			)}{/if}
	</p>
	{#if counts.length > 0}
		<RadioGroup.Root
			value={String(count)}
			onValueChange={(value) => view.layOut(view.family, Number(value))}
			orientation="horizontal"
			aria-label={view.family === 'single-fret' ? 'Frets' : 'Notes a string'}
			class="families counts"
		>
			{#each counts as n (n)}
				<RadioGroup.Item value={String(n)} class="family">{n}</RadioGroup.Item>
			{/each}
		</RadioGroup.Root>
	{/if}
</div>
<RadioGroup.Root
	value={view.choice}
	onValueChange={(key) => view.pick(key)}
	orientation="horizontal"
	aria-label="Places of this layout"
	class="layouts"
>
	{#each view.layouts as layout (layout.id)}
		<RadioGroup.Item
			value={layout.id}
			class="layout"
			aria-label="From position {layout.position}, {told(layout)}, {plural(
				layout.notes.length,
				'note'
			)}"
			onclick={(event) => {
				if (view.choice !== layout.id) return;
				event.preventDefault();
				view.pick('');
			}}><b>{layout.position}</b> <small>{told(layout)}</small></RadioGroup.Item
		>
	{/each}
</RadioGroup.Root>
<p class="detail">
	{#if view.layouts.length === 0}
		This scale has no such layout on this instrument.
	{:else if chosen}
		{plural(chosen.notes.length, 'note')} from {span(chosen)}, the hand starts in position {chosen.position}{#if chosen.shifts.length > 0}
			and moves {timesWords(chosen.shifts.length)}{/if}.
		{#if passing.length > 0}{[...new Set(passing)].join(', ')} pass between the notes of the scale.{:else}Small
			numbers are fingers.{/if}
	{:else}
		{plural(view.layouts.length, 'place')}. Choose one: the hand goes there and it stands out on the
		neck.
	{/if}
</p>

<style>
	:global(.families) {
		display: flex;
		flex-wrap: wrap;
		border: 1.5px solid var(--ink);
		margin-top: 8px;
	}
	:global(.family) {
		flex: 1 0 auto;
		min-height: 32px;
		padding: 0 10px;
		font-weight: 600;
		font-size: 14px;
		white-space: nowrap;
	}
	:global(.family + .family) {
		border-left: 1.5px solid var(--ink);
	}
	:global(.family:hover) {
		background: var(--lit);
	}
	:global(.family[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
	}
	:global(.counts) {
		margin-top: 0;
	}
	.line {
		display: flex;
		align-items: center;
		justify-content: space-between;
		gap: 12px;
		padding: 6px 0;
		min-height: 46px;
	}
	.says,
	.detail {
		font-size: 13px;
		color: var(--second);
	}
	:global(.layouts) {
		display: flex;
		flex-wrap: wrap;
		gap: 6px;
		max-height: 84px;
		overflow-y: auto;
		padding: 3px;
	}
	:global(.layout) {
		display: inline-flex;
		align-items: baseline;
		gap: 6px;
		min-height: 34px;
		padding: 6px 10px;
		border: 1px solid var(--strong);
		font-size: 15px;
	}
	:global(.layout:hover) {
		background: var(--lit);
	}
	:global(.layout[data-state='checked']) {
		background: var(--ink);
		color: var(--paper);
		border-color: var(--ink);
	}
	.detail {
		padding-top: 6px;
	}
	small {
		font-size: 13px;
	}
</style>

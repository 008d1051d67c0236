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
	class="mt-2 flex flex-wrap border-[1.5px] border-ink"
>
	{#each FAMILIES as family (family)}
		<RadioGroup.Item
			value={family}
			class="min-h-8 flex-[1_0_auto] border-l-[1.5px] border-ink px-2.5 text-line font-semibold whitespace-nowrap hover:bg-lit data-[state=checked]:bg-ink data-[state=checked]:text-paper"
			aria-label="{NAMES[family].name}: {NAMES[family].says}">{NAMES[family].name}</RadioGroup.Item
		>
	{/each}
</RadioGroup.Root>
<div class="flex min-h-11.5 items-center justify-between gap-3 py-1.5">
	<p class="text-reason text-second">
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
			class="flex flex-wrap border-[1.5px] border-ink"
		>
			{#each counts as n (n)}
				<RadioGroup.Item
					value={String(n)}
					class="min-h-8 flex-[1_0_auto] border-l-[1.5px] border-ink px-2.5 text-line font-semibold whitespace-nowrap hover:bg-lit data-[state=checked]:bg-ink data-[state=checked]:text-paper"
					>{n}</RadioGroup.Item
				>
			{/each}
		</RadioGroup.Root>
	{/if}
</div>
<RadioGroup.Root
	value={view.choice}
	onValueChange={(key) => view.pick(key)}
	orientation="horizontal"
	aria-label="Places of this layout"
	class="flex flex-wrap gap-1.5 p-1"
>
	{#each view.layouts as layout (layout.id)}
		<RadioGroup.Item
			value={layout.id}
			class="inline-flex min-h-8.5 items-baseline gap-1.5 border border-strong px-2.5 py-1.5 text-line hover:bg-lit data-[state=checked]:border-ink data-[state=checked]:bg-ink data-[state=checked]:text-paper"
			aria-label="From position {layout.position}, {told(layout)}, {plural(
				layout.notes.length,
				'note'
			)}"
			onclick={(event) => {
				if (view.choice !== layout.id) return;
				event.preventDefault();
				view.pick('');
			}}><b>{layout.position}</b> <small class="text-reason">{told(layout)}</small></RadioGroup.Item
		>
	{/each}
</RadioGroup.Root>
<p data-part="detail" class="pt-1.5 text-reason text-second">
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

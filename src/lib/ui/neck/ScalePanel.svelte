<script lang="ts">
	import { signs, type Chord } from '$core/chord';
	import { characteristicTones, type Scale } from '$core/harmony';
	import { prefs } from '$lib/state/prefs.svelte';
	import { useTune } from '$lib/state/open-tune.svelte';
	import type { Snippet } from 'svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import ChordScaleMenu from './ChordScaleMenu.svelte';
	import ScaleChoicePick from './ScaleChoicePick.svelte';
	import { choicesFor, clashWords, sameScale, scaleFields } from './scale-rows';

	/** The scale in use and what each of the two chords makes of it: same box, a note or two changed. */
	let { scale, menu }: { scale: Scale; menu: Snippet } = $props();
	const open = useTune();

	/** Which choice is looked at, by chord symbol; the best one unless stepped on. */
	let looked: Record<string, number | undefined> = $state({});
	/** What the chords add to a small scale, instead of what they put in the place of its notes. */
	let adds = $state(false);

	const rows = $derived(
		[
			{ tense: 'now' as const, chord: open.now, next: open.next },
			{ tense: 'next' as const, chord: open.next, next: open.afterNext }
		].flatMap(({ tense, chord, next }) => {
			if (!chord) return [];
			const chosen = open.chordScales.of(chord.symbol);
			const choices = choicesFor(chord, scale, { next, key: open.key, adds }, chosen);
			const inUse = chosen
				? choices.findIndex((entry) => sameScale(entry.scale, chosen) && entry.edits.length > 0)
				: -1;
			const at = Math.min(choices.length - 1, looked[chord.symbol] ?? (inUse >= 0 ? inUse : 0));
			const choice = choices[at];
			const fields = scaleFields(scale, chord, next, choice.edits);
			const added = choice.edits.flatMap((edit) => (edit.from === null ? (edit.to ?? []) : []));
			const sounding = inUse === at ? choice.scale : scale;
			const clash = clashWords(sounding, chord, next)[0];
			return [{ tense, chord, choices, at, inUse, choice, fields, added, clash }];
		})
	);
	const telling = $derived(new Set(characteristicTones(scale).map((note) => note.degree)));
	function use(chord: Chord, chosen: Scale | null): void {
		open.chordScales.set(chord.symbol, chosen);
	}
	function another(row: (typeof rows)[number]): void {
		const at = (row.at + 1) % row.choices.length;
		looked[row.chord.symbol] = at;
		if (row.inUse >= 0) {
			const choice = row.choices[at];
			use(row.chord, choice.edits.length > 0 ? choice.scale : null);
		}
	}
	/** Takes the next scale for the sounding chord into use; after the last one the scale itself again. */
	export function nextScale(): void {
		const [row] = rows;
		if (!row) return;
		const from = row.inUse < 0 ? -1 : row.at;
		const at = row.choices.findIndex((entry, i) => i > from && entry.edits.length > 0);
		looked[row.chord.symbol] = Math.max(0, at);
		use(row.chord, at < 0 ? null : row.choices[at].scale);
	}
	const verdictWords = {
		home: 'in the chord',
		colour: 'colour',
		passing: 'passing',
		clash: 'clash'
	};
</script>

<section class="scale-panel">
	<div class="section-head">
		<h2>Scale in use</h2>
		{@render menu()}
	</div>
	<div class="row head">
		<span></span>
		<span class="notes" style="--count:{scale.notes.length}">
			{#each scale.notes as note (note.degree)}<b class:telling={telling.has(note.degree)}
					>{prefs.name(note.name)}</b
				>{/each}
		</span>
		{#if scale.notes.length <= 6}
			<button type="button" class="adds" aria-pressed={adds} onclick={() => (adds = !adds)}
				>{adds ? '✓ ' : ''}What the chords add</button
			>
		{:else if telling.size > 0}<small>underlined: what tells this scale apart</small>{/if}
	</div>
	{#each rows as row (row.tense)}
		{@const { tense, chord, choice, fields, added, inUse, at } = row}
		<div class="row {tense}">
			<span class="name" style="font-size:{fittingSize(chord, 60, [22, 18, 15, 12])}px"
				><ChordSymbol {chord} /></span
			>
			<span class="notes" style="--count:{scale.notes.length}">
				{#each fields as field (field.degree)}
					{#if field.edited}
						<b class="edited"
							><i aria-hidden="true">{field.rises ? '↗' : '↘'}</i>{prefs.name(field.edited)}</b
						>
					{:else if field.edited === null}
						<span class="out"><span class="sr">left out</span>–</span>
					{:else}
						<span class="field {field.verdict}"
							>{signs(field.role)}<span class="sr">, {verdictWords[field.verdict]}</span></span
						>
					{/if}
				{/each}
				{#each added as name (name)}<b class="edited added"
						><i aria-hidden="true">+</i>{prefs.name(name)}</b
					>{/each}
			</span>
			<ScaleChoicePick
				{chord}
				{choice}
				{at}
				count={row.choices.length}
				inUse={inUse === at}
				onuse={(chosen) => use(chord, chosen)}
				onanother={() => another(row)}
			>
				<ChordScaleMenu
					{chord}
					scale={open.chordScales.of(chord.symbol) ?? choice.scale}
					chosen={inUse >= 0}
					onuse={(chosen) => {
						looked = { ...looked, [chord.symbol]: undefined };
						use(chord, chosen);
					}}
				/>
			</ScaleChoicePick>
		</div>
	{/each}
	{#if rows[0]?.clash}<p class="advice">{rows[0].clash}</p>{/if}
</section>

<style>
	.row {
		display: grid;
		grid-template-columns: 60px auto minmax(0, 1fr);
		align-items: center;
		column-gap: 8px;
		min-height: 46px;
		border-bottom: 1px solid var(--hair);
	}
	.head {
		min-height: 36px;
	}
	.head small {
		font-size: 12px;
		line-height: 1.15;
		color: var(--second);
		text-align: right;
	}
	.notes {
		display: flex;
		text-align: center;
	}
	.notes > * {
		width: clamp(22px, calc(210px / var(--count)), 35px);
		flex: none;
	}
	.head b {
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 18px;
	}
	.telling {
		border-bottom: 3px solid var(--ink);
	}
	.name {
		overflow: hidden;
	}
	.now .name,
	.now .edited {
		color: var(--now-ink);
	}
	.next .name,
	.next .edited {
		color: var(--next-ink);
	}
	.field {
		font-size: 13px;
		color: var(--third);
		align-self: center;
	}
	.home {
		font-weight: 700;
		color: var(--ink);
	}
	.clash {
		text-decoration: underline dotted 2px;
		text-underline-offset: 3px;
	}
	.edited {
		position: relative;
		font-family: var(--font-display);
		font-weight: 800;
		font-size: 16px;
		padding: 7px 0;
		white-space: nowrap;
	}
	.edited i {
		font-family: var(--font-sans);
		font-style: normal;
		font-size: 0.68em;
		vertical-align: 0.1em;
	}
	.now .edited {
		background: var(--now-tint);
	}
	.next .edited {
		background: var(--next-tint);
	}
	.added {
		margin-left: 3px;
	}
	.out {
		color: var(--third);
	}
	.adds {
		font-size: 13px;
		color: var(--second);
		text-align: right;
	}
	.adds[aria-pressed='true'] {
		color: var(--ink);
		font-weight: 700;
	}
	.adds:hover {
		text-decoration: underline;
	}
	.advice {
		font-size: 13px;
		line-height: 1.25;
		color: var(--second);
		padding-top: 5px;
	}
	@media (max-width: 640px) {
		.row {
			grid-template-columns: 60px minmax(0, 1fr);
		}
		.adds,
		.head small {
			grid-column: 1 / -1;
		}
	}
</style>

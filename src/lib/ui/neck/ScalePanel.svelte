<script lang="ts">
	import Toggle from '$lib/ui/parts/Toggle.svelte';
	import PanelHead from '$lib/ui/parts/PanelHead.svelte';
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

<section>
	<PanelHead title="Scale in use">
		{@render menu()}
	</PanelHead>
	<div
		class="grid min-h-9 grid-cols-[60px_auto_minmax(0,1fr)] items-center gap-x-2 border-b border-hair pb-2 max-tablet:grid-cols-[60px_minmax(0,1fr)]"
	>
		<span></span>
		<span class="flex text-center" style="--count:{scale.notes.length}">
			{#each scale.notes as note (note.degree)}<b
					class="w-[clamp(22px,calc(210px_/_var(--count)),35px)] flex-none font-display text-head font-extrabold data-telling:border-b-3 data-telling:border-b-ink"
					data-telling={telling.has(note.degree) || undefined}>{prefs.name(note.name)}</b
				>{/each}
		</span>
		{#if scale.notes.length <= 6}
			<Toggle
				class="text-right text-reason text-second hover:underline aria-pressed:font-bold aria-pressed:text-ink max-tablet:col-span-full"
				pressed={adds}
				onchange={(on) => (adds = on)}>{adds ? '✓ ' : ''}What the chords add</Toggle
			>
		{:else if telling.size > 0}<small
				class="text-right text-count leading-tight text-second max-tablet:col-span-full"
				>underlined: what tells this scale apart</small
			>{/if}
	</div>
	{#each rows as row (row.tense)}
		{@const { tense, chord, choice, fields, added, inUse, at } = row}
		<div
			class="grid min-h-11.5 grid-cols-[60px_auto_minmax(0,1fr)] items-center gap-x-2 border-b border-hair data-wide:grid-cols-[60px_minmax(0,1fr)] data-[tense=clash]:underline data-[tense=clash]:decoration-dotted data-[tense=clash]:decoration-2 data-[tense=clash]:underline-offset-4 data-[tense=home]:font-bold data-[tense=home]:text-ink max-tablet:grid-cols-[60px_minmax(0,1fr)]"
			data-tense={tense}
			data-wide={added.length > 1 || undefined}
		>
			<span
				class="overflow-hidden in-now:text-now-ink in-next:text-next-ink"
				style="font-size:{fittingSize(chord, 60, [22, 18, 15, 12])}px"><ChordSymbol {chord} /></span
			>
			<span class="flex text-center" style="--count:{scale.notes.length}">
				{#each fields as field (field.degree)}
					{#if field.edited}
						{@const long = prefs.name(field.edited).length > 2}
						<b
							class="relative w-[clamp(22px,calc(210px_/_var(--count)),35px)] flex-none py-2 font-display font-extrabold whitespace-nowrap in-now:bg-now-tint in-now:text-now-ink in-next:bg-next-tint in-next:text-next-ink {long
								? 'text-count leading-tight'
								: 'text-line'}"
							><i
								class="align-[0.1em] font-sans text-[0.68em] not-italic {long ? 'block' : ''}"
								aria-hidden="true">{field.rises ? '↗' : '↘'}</i
							>{prefs.name(field.edited)}</b
						>
					{:else if field.edited === null}
						<span class="w-[clamp(22px,calc(210px_/_var(--count)),35px)] flex-none text-third"
							><span class="sr-only">left out</span>–</span
						>
					{:else}
						<span
							class="w-[clamp(22px,calc(210px_/_var(--count)),35px)] flex-none self-center text-reason text-third data-[verdict=clash]:underline data-[verdict=clash]:decoration-dotted data-[verdict=clash]:decoration-2 data-[verdict=clash]:underline-offset-4 data-[verdict=home]:font-bold data-[verdict=home]:text-ink"
							data-verdict={field.verdict}
							>{signs(field.role)}<span class="sr-only">, {verdictWords[field.verdict]}</span></span
						>
					{/if}
				{/each}
				{#each added as name (name)}<b
						class="relative ml-1 w-[clamp(22px,calc(210px_/_var(--count)),35px)] flex-none py-2 font-display text-line font-extrabold whitespace-nowrap in-now:bg-now-tint in-now:text-now-ink in-next:bg-next-tint in-next:text-next-ink"
						><i class="align-[0.1em] font-sans text-[0.68em] not-italic" aria-hidden="true">+</i
						>{prefs.name(name)}</b
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
	{#if rows[0]?.clash}<p class="pt-1 text-reason leading-snug text-second">{rows[0].clash}</p>{/if}
</section>

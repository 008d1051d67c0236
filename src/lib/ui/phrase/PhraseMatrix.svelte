<script lang="ts">
	import { QUARTER } from '$core/kernel';
	import type { Change } from '$core/chart';
	import { proseSigns, signs } from '$core/chord';
	import type { Phrase } from '$core/phrase';
	import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
	import { feelOf, landingOf, MADE, placeWords } from './phrase-words';
	import PhraseCell from './PhraseCell.svelte';

	/** The call over the sounding chord and the coming one, and under it what is made of it. */
	type Props = { desk: PhraseDesk; width: number; narrow: boolean };
	let { desk, width, narrow }: Props = $props();

	const LABEL = 92;
	const HEIGHTS = { call: 176, made: 158 };
	const columns = $derived(narrow ? desk.shown.slice(0, 1) : desk.shown);
	const cell = $derived((width - (narrow ? 0 : LABEL)) / Math.max(1, columns.length));
	const made = $derived(MADE[desk.making].toLowerCase());

	/** Lowest and highest pitch of a row. */
	function rangeOf(phrases: readonly Phrase[]): { low: number; high: number } {
		const all = phrases.flatMap((phrase) => phrase.notes.map((note) => note.midi));
		return all.length === 0
			? { low: 60, high: 72 }
			: { low: Math.min(...all), high: Math.max(...all) };
	}
	/** What a cell shows whatever row it is in. */
	function cellOf(phrase: Phrase, change: Change) {
		const bar = desk.open.chart.played[change.bar - 1];
		const last = phrase.notes.at(-1);
		const needed = last ? last.tick + last.durationTicks - change.tick : 0;
		const span = Math.max(bar.lengthTicks, Math.ceil(needed / QUARTER) * QUARTER);
		return { phrase, change, bar, span, place: placeWords(desk, change.index) };
	}
	const tense = (at: number) => (at === 0 ? 'now' : 'next');
</script>

{#snippet label(name: string, phrases: readonly Phrase[], landing: boolean)}
	{@const role = landingOf(desk, phrases[0], 0)}
	{#if !narrow}
		<p class="w-23 shrink-0 border-r-[1.5px] border-ink pt-3.5 pr-2 text-reason text-second">
			<b
				class="block font-display font-extrabold text-ink {name.length > 7
					? 'text-line'
					: 'text-head'}">{name}</b
			>
			{#if landing}<span>lands on {proseSigns(role ?? '')}<br />{feelOf(role)}</span>{/if}
		</p>
	{/if}
{/snippet}

<div class="flex border-t-2 border-ink">
	{@render label('Call', desk.calls, true)}
	{#each columns as change, at (at)}
		<PhraseCell
			{...cellOf(desk.calls[at], change)}
			{...rangeOf(desk.calls)}
			tense={tense(at)}
			width={cell}
			height={HEIGHTS.call}
			says={at === 0 ? 'the call' : `the call on ${signs(change.to.symbol)}`}
			picked={at === 0 ? desk.note : null}
			onpick={at === 0 ? (index) => (desk.note = index) : undefined}
		/>
	{/each}
</div>
<div class="flex border-t-2 border-ink">
	{@render label(MADE[desk.making], desk.made, !desk.runs)}
	{#each desk.runs ? columns.slice(0, 1) : columns as change, at (at)}
		<PhraseCell
			{...cellOf(desk.made[at], change)}
			{...rangeOf(desk.made)}
			tense={tense(at)}
			width={desk.runs ? cell * columns.length : cell}
			height={HEIGHTS.made}
			says={at === 0 ? made : `${made} on ${signs(change.to.symbol)}`}
		/>
	{/each}
</div>

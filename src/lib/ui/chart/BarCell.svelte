<script lang="ts">
	import type { Span, WrittenBar } from '$core/chart';
	import { proseSigns, signs, type Chord } from '$core/chord';
	import type { ChordFunction } from '$core/harmony';
	import { prefs } from '$lib/state/prefs.svelte';
	import { fittingSize } from '$lib/draw/chord-width';
	import ChordSymbol from '../ChordSymbol.svelte';
	import { spot } from './spot';

	type Props = {
		bar: WrittenBar;
		/** What the chord at a place of the text does in the key. */
		roleAt: (span: Span) => ChordFunction | null;
		/** The places of the text where the chord now and the next one stand. */
		now: number | null;
		next: number | null;
		/** About how wide it is on a desk, in px. */
		room: number;
		/** This bar sounds while music plays. */
		sounding: boolean;
		onchoose: (span: Span, focusText: boolean) => void;
	};
	let { bar, roleAt, now, next, room, sounding, onchoose }: Props = $props();

	const shown = $derived(bar.cells.filter((cell) => cell.kind !== 'hold'));
	const many = $derived(shown.length > 1);
	/** Symbols that share a bar are set as large as they fit. */
	const sizeOf = (chord: Chord): number =>
		many
			? fittingSize(chord, room / shown.length - 8, [21, 19, 17, 15, 13])
			: fittingSize(chord, 104, [30, 26, 22, 19]);
	const holds = $derived(bar.cells.length > 0 && shown.length === 0);
</script>

<div
	data-part="bar"
	class="relative flex min-h-21.5 border-l border-ink last:border-r last:border-r-ink data-end:border-r-5 data-end:border-r-ink data-sounding:shadow-[inset_0_-5px_var(--now)] data-start:border-l-5"
	data-sounding={sounding || undefined}
	data-start={bar.startsRepeat || undefined}
	data-end={bar.repeatTimes > 0 || undefined}
	data-many={many || undefined}
>
	<span
		data-part="number"
		class="pointer-events-none absolute top-1 right-1.5 z-1 font-mono text-count text-third"
		>{bar.number}</span
	>
	{#if bar.endings.length > 0}<span class="absolute top-0.75 left-2 z-1 text-count font-bold"
			>{bar.endings.join(', ')}.</span
		>{/if}
	{#if bar.repeatsBefore || holds}
		<button
			type="button"
			data-part="cell"
			class="flex min-w-0 flex-1 flex-col items-start justify-center gap-1.5 border-t-5 border-transparent pt-3.5 pr-0.5 pb-1.5 pl-2 text-left text-reason text-second hover:bg-lit in-data-many:pr-0 in-data-many:pl-1 now:border-t-now now:bg-now-tint/75 next:border-t-next next:bg-next-tint/65 [button+&]:[border-left:1px_dotted_var(--strong)]"
			data-tense={now === spot(bar.span) ? 'now' : next === spot(bar.span) ? 'next' : undefined}
			onclick={() => onchoose(bar.span, true)}
			onfocus={() => onchoose(bar.span, false)}
		>
			<span class="w-[80%] border-t-2 border-dotted border-strong" aria-hidden="true"></span>
			{holds ? 'held on' : `as bar ${bar.number - 1}`}
		</button>
	{:else}
		{#each shown as cell, i (i)}
			<button
				type="button"
				data-part="cell"
				class="flex min-w-0 flex-1 flex-col items-start gap-1.5 border-t-5 border-transparent pt-3.5 pr-0.5 pb-1.5 pl-2 text-left hover:bg-lit in-data-many:pr-0 in-data-many:pl-1 now:border-t-now now:bg-now-tint/75 next:border-t-next next:bg-next-tint/65 [button+&]:[border-left:1px_dotted_var(--strong)]"
				data-tense={now === spot(cell.span) ? 'now' : next === spot(cell.span) ? 'next' : undefined}
				onclick={() => onchoose(cell.span, true)}
				onfocus={() => onchoose(cell.span, false)}
			>
				{#if cell.kind === 'chord'}
					<span
						class="text-ribbon leading-none in-now:text-now-ink in-next:text-next-ink"
						style="font-size:{sizeOf(cell.chord)}px"
					>
						{#if cell.push > 0}<span class="sr-only"
								>pushed {cell.push === 240 ? 'an eighth' : 'a sixteenth'} early</span
							><span class="mr-0.5 font-sans text-line" aria-hidden="true">←</span>{/if}<ChordSymbol
							chord={cell.chord}
						/>
					</span>
					{@const role = roleAt(cell.span)}
					{#if prefs.current.chartLine === 'numerals' && role}
						<span
							class="grid max-w-full min-w-0 text-reason leading-snug wrap-anywhere in-data-many:text-count"
							><b>{signs(role.numeral)}</b><span class="text-second"
								>{proseSigns(many ? role.short.replace('leads home', 'to home') : role.short)}</span
							></span
						>
					{:else}
						<span
							class="flex flex-wrap gap-x-2 gap-y-0.5 in-data-many:gap-x-1 in-data-many:gap-y-0.5"
						>
							{#each cell.chord.tones.filter((tone) => tone.essential) as tone (tone.role)}
								<span class="grid text-reason leading-tight in-data-many:text-count">
									<b class="font-semibold">{prefs.name(tone.name)}</b><i
										class="text-count text-second not-italic">{signs(tone.role)}</i
									>
								</span>
							{/each}
							{#if cell.chord.quality.tensions.length > 0}
								<span class="text-count text-second"
									>{cell.chord.quality.tensions.map(signs).join(' ')}</span
								>
							{/if}
						</span>
					{/if}
				{:else if cell.kind === 'unreadable'}
					<span
						class="max-w-full pb-1.5 font-mono text-head leading-snug font-bold wrap-anywhere underline decoration-wavy decoration-2 underline-offset-4 in-data-many:text-reason"
						>{cell.text}</span
					>
					<span class="text-reason font-bold">not read</span>
				{:else}
					<span
						class="font-display text-verdict leading-none font-semibold in-now:text-now-ink in-next:text-next-ink"
						>N.C.</span
					>
					<span class="text-reason font-normal text-second">silence</span>
				{/if}
			</button>
		{/each}
	{/if}
</div>

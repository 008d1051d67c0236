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
		/** This bar sounds while music plays. */
		sounding: boolean;
		onchoose: (span: Span, focusText: boolean) => void;
	};
	let { bar, roleAt, now, next, sounding, onchoose }: Props = $props();

	const shown = $derived(bar.cells.filter((cell) => cell.kind !== 'hold'));
	const many = $derived(shown.length > 1);
	/** Symbols that share a bar are set as large as they fit; widths are those of a desk. */
	const sizeOf = (chord: Chord): number =>
		many
			? fittingSize(chord, 112 / shown.length, [21, 19, 17, 15, 13])
			: fittingSize(chord, 104, [30, 26, 22, 19]);
	const holds = $derived(bar.cells.length > 0 && shown.length === 0);
</script>

<div
	class="bar"
	class:sounding
	class:start={bar.startsRepeat}
	class:end={bar.repeatTimes > 0}
	class:many
>
	<span class="number">{bar.number}</span>
	{#if bar.endings.length > 0}<span class="ending">{bar.endings.join(', ')}.</span>{/if}
	{#if bar.repeatsBefore || holds}
		<button
			type="button"
			class="cell as"
			class:now={now === spot(bar.span)}
			class:next={next === spot(bar.span)}
			onclick={() => onchoose(bar.span, true)}
			onfocus={() => onchoose(bar.span, false)}
		>
			<span class="line" aria-hidden="true"></span>
			{holds ? 'held on' : `as bar ${bar.number - 1}`}
		</button>
	{:else}
		{#each shown as cell, i (i)}
			<button
				type="button"
				class="cell"
				class:now={now === spot(cell.span)}
				class:next={next === spot(cell.span)}
				onclick={() => onchoose(cell.span, true)}
				onfocus={() => onchoose(cell.span, false)}
			>
				{#if cell.kind === 'chord'}
					<span class="symbol" style="font-size:{sizeOf(cell.chord)}px">
						{#if cell.push > 0}<span class="sr"
								>pushed {cell.push === 240 ? 'an eighth' : 'a sixteenth'} early</span
							><span class="push" aria-hidden="true">←</span>{/if}<ChordSymbol chord={cell.chord} />
					</span>
					{@const role = roleAt(cell.span)}
					{#if prefs.current.chartLine === 'numerals' && role}
						<span class="role"
							><b>{signs(role.numeral)}</b><span
								>{proseSigns(many ? role.short.replace('leads home', 'to home') : role.short)}</span
							></span
						>
					{:else}
						<span class="tones">
							{#each cell.chord.tones.filter((tone) => tone.essential) as tone (tone.role)}
								<span class="tone">
									<b>{prefs.name(tone.name)}</b><i>{signs(tone.role)}</i>
								</span>
							{/each}
							{#if cell.chord.quality.tensions.length > 0}
								<span class="tensions">{cell.chord.quality.tensions.map(signs).join(' ')}</span>
							{/if}
						</span>
					{/if}
				{:else if cell.kind === 'unreadable'}
					<span class="unread">{cell.text}</span>
					<span class="why">not read</span>
				{:else}
					<span class="symbol silence">N.C.</span>
					<span class="why plain">silence</span>
				{/if}
			</button>
		{/each}
	{/if}
</div>

<style>
	.sounding {
		box-shadow: inset 0 -5px var(--now);
	}
	.bar {
		position: relative;
		display: flex;
		min-height: 86px;
		border-left: 1px solid var(--ink);
	}
	.bar:last-child {
		border-right: 1px solid var(--ink);
	}
	.start {
		border-left-width: 5px;
	}
	.end {
		border-right: 5px solid var(--ink);
	}
	.number {
		position: absolute;
		top: 4px;
		right: 6px;
		font-family: var(--font-mono);
		font-size: 12px;
		color: var(--third);
		pointer-events: none;
		z-index: 1;
	}
	.ending {
		position: absolute;
		top: 3px;
		left: 8px;
		font-size: 12px;
		font-weight: 700;
		z-index: 1;
	}
	.cell {
		flex: 1;
		min-width: 0;
		display: flex;
		flex-direction: column;
		align-items: flex-start;
		gap: 6px;
		padding: 14px 2px 6px 9px;
		text-align: left;
		border-top: 5px solid transparent;
	}
	.cell + .cell {
		border-left: 1px dotted var(--strong);
	}
	.cell:hover {
		background: var(--lit);
	}
	.now {
		background: color-mix(in srgb, var(--now-tint) 75%, transparent);
		border-top-color: var(--now);
	}
	.next {
		background: color-mix(in srgb, var(--next-tint) 65%, transparent);
		border-top-color: var(--next);
	}
	.now .symbol {
		color: var(--now-ink);
	}
	.next .symbol {
		color: var(--next-ink);
	}
	.symbol {
		font-size: 30px;
		line-height: 1;
	}
	.many .cell {
		padding-inline: 4px 0;
	}
	.many .tones {
		gap: 2px 4px;
	}
	.many .tone {
		font-size: 12px;
	}
	.push {
		font-family: var(--font-sans);
		font-size: 16px;
		margin-right: 2px;
	}
	.silence {
		font-family: var(--font-display);
		font-weight: 600;
		font-size: 21px;
	}
	.role {
		display: grid;
		font-size: 13px;
		line-height: 1.25;
		min-width: 0;
	}
	.role span {
		color: var(--second);
	}
	.many .role {
		font-size: 12px;
	}
	.tones {
		display: flex;
		flex-wrap: wrap;
		gap: 2px 7px;
	}
	.tone {
		display: grid;
		line-height: 1.15;
		font-size: 13px;
	}
	.tone b {
		font-weight: 600;
	}
	.tone i {
		font-style: normal;
		font-size: 12px;
		color: var(--second);
	}
	.tensions {
		font-size: 12px;
		color: var(--second);
	}
	.as {
		justify-content: center;
		color: var(--second);
		font-size: 13px;
	}
	.line {
		width: 80%;
		border-top: 2px dotted var(--strong);
	}
	.unread {
		font-family: var(--font-mono);
		font-weight: 700;
		font-size: 18px;
		max-width: 100%;
		overflow: hidden;
		text-overflow: ellipsis;
		padding-bottom: 6px;
		text-decoration: underline wavy 2px;
		text-underline-offset: 5px;
	}
	.why {
		font-weight: 700;
		font-size: 13px;
	}
	.plain {
		font-weight: 400;
		color: var(--second);
	}
</style>

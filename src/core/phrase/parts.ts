import { beatTicks, chartTicks, eventAt, type Chart, type PlayedBar } from '../chart';
import { chordEnd, layMotif, type Span } from './mirror';
import type { Motif, Phrase, PhraseContext } from './types';

/**
 * What a bar is for in a talk between player and band: the call, its answer, a landing that is held, air
 * for the others, or nothing said: there the line is the route's own.
 */
export const BAR_PARTS = ['free', 'call', 'answer', 'hold', 'air'] as const;
export type BarPart = (typeof BAR_PARTS)[number];

/** Talks to begin with, over and over from the start of each section. */
export const TALKS: readonly {
	readonly id: string;
	readonly name: string;
	readonly parts: readonly BarPart[];
}[] = [
	{ id: 'two', name: 'Call, answer', parts: ['call', 'answer'] },
	{ id: 'air', name: 'Call, air', parts: ['call', 'air'] },
	{ id: 'four', name: 'Call, air, answer, hold', parts: ['call', 'air', 'answer', 'hold'] },
	{
		id: 'eight',
		name: 'Three calls, one answer',
		parts: ['call', 'air', 'call', 'air', 'call', 'air', 'answer', 'hold']
	}
];

/** Lays a talk over the bars of a chart, counted anew whenever a section begins; `only` one section of it. */
export function talkOver(
	chart: Chart,
	parts: readonly BarPart[],
	before: readonly BarPart[] = [],
	only?: string | null
): BarPart[] {
	const starts = new Set(chart.sections.map((section) => section.from));
	let first = 0;
	return chart.played.map((bar) => {
		if (starts.has(bar.written)) first = bar.index;
		if (only !== undefined && bar.section !== only) return before[bar.index] ?? 'free';
		return parts[(bar.index - first) % parts.length] ?? 'free';
	});
}

/** The stretches of a bar that one chord each sounds in; where a chord is held on, from the bar line. */
function spansOf(chart: Chart, bar: PlayedBar, end: number): Span[] {
	const inside = chart.changes.filter(
		({ tick }) => tick >= bar.startTick && tick < bar.startTick + bar.lengthTicks
	);
	const to = (tick: number) => Math.min(end, chordEnd(chart, tick));
	const spans = inside.map(({ tick, index, to: event }): Span => {
		return { from: tick, to: to(tick), event, change: index };
	});
	const from = bar.startTick;
	const held = chart.changes.findLast((change) => change.tick < from);
	// What sounds at the bar line was struck before it.
	if (held && inside[0]?.tick !== from && eventAt(chart, from)?.chord) {
		spans.unshift({ from, to: to(from), event: held.to, change: held.index });
	}
	return spans;
}

/** How long a held landing rings: half the bar, in whole beats. */
function heldTicks({ signature, lengthTicks }: PlayedBar): number {
	const beat = beatTicks(signature);
	return Math.min(lengthTicks, Math.max(1, Math.floor(lengthTicks / beat / 2)) * beat);
}

/**
 * Lays a talk: the call or its answer over every chord that begins in their bars (over a chord that is held
 * on, from the bar line), held landings for half a bar, nothing in bars of air. A motif rings into a free
 * bar and stops before any other.
 * @param parts what each played bar is for, by index
 */
export function layParts(
	parts: readonly BarPart[],
	call: Motif,
	answer: Motif,
	context: PhraseContext
): Phrase {
	const { chart } = context;
	const total = chartTicks(chart);
	const taken = chart.played.filter((bar) => (parts[bar.index] ?? 'free') !== 'free');
	const laid: { motif: Motif; span: Span }[] = [];
	let said = call;
	for (const bar of taken) {
		const part = parts[bar.index];
		if (part === 'air') continue;
		const end = taken.find((other) => other.index > bar.index)?.startTick ?? total;
		const spans = spansOf(chart, bar, end);
		if (part === 'hold') {
			if (spans[0]) laid.push({ motif: heldOf(said, heldTicks(bar)), span: spans[0] });
			continue;
		}
		said = part === 'answer' ? answer : call;
		for (const span of spans) laid.push({ motif: said, span });
	}
	return layMotif(laid, context);
}

/** A motif's last note alone, held from the start on. */
function heldOf(motif: Motif, durationTicks: number): Motif {
	const last = motif.notes[motif.notes.length - 1];
	const { basis, landing } = motif;
	return last
		? { basis, notes: [{ ...last, offsetTicks: 0, durationTicks, octave: 0 }], landing }
		: { basis, notes: [] };
}

import type { Incoming } from './open-tune.svelte';
import type { PhraseDesk } from './phrase-desk.svelte';

type Span = { from: number; to: number };

/** Stretches of time that touch or overlap, as one. */
function joined(spans: readonly Span[]): Span[] {
	const over: Span[] = [];
	for (const span of [...spans].sort((a, b) => a.from - b.from)) {
		const last = over.at(-1);
		if (last && span.from <= last.to) last.to = Math.max(last.to, span.to);
		else over.push({ ...span });
	}
	return over;
}

/**
 * A phrase on its way into the line: its notes, the time that they take over, the changes in bars of air.
 * @returns null where there is nothing to play
 */
export function incomingOf(desk: PhraseDesk): Incoming | null {
	const phrase = desk.phrase();
	if (phrase.notes.length === 0) return null;
	const { chart, slide, block } = desk.open;
	const { parts } = desk.talk;
	const stands = desk.barsOf(phrase);
	const bars = parts
		? chart.played.filter((bar) => desk.parts[bar.index] !== 'free')
		: chart.played.slice(stands.from, stands.to);
	const spanOf = (bar: (typeof bars)[number]): Span => {
		return { from: bar.startTick, to: bar.startTick + bar.lengthTicks };
	};
	const air = bars.filter((bar) => parts?.[bar.index] === 'air').map(spanOf);
	return {
		name: desk.name,
		over: joined([
			...bars.map(spanOf),
			...phrase.notes.map((note) => ({ from: note.tick, to: note.tick + note.durationTicks }))
		]),
		notes: phrase.notes.map(({ tick, durationTicks, string, fret }) => {
			return { tick, durationTicks, string, fret };
		}),
		air: chart.changes
			.filter(({ tick }) => air.some(({ from, to }) => tick >= from && tick < to))
			.map(({ index }) => index),
		slide,
		block
	};
}

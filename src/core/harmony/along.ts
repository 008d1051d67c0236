import type { Chart } from '../chart';
import { sameChord, type Chord, type Key } from '../chord';
import { functionOf, type ChordFunction } from './function';

/** The next chords that differ from a chord, in playing order; the loop returns to the top. */
function following(chords: readonly Chord[], at: number): [Chord | null, Chord | null] {
	const found: Chord[] = [];
	for (let step = 1; step < chords.length && found.length < 2; step++) {
		const next = chords[(at + step) % chords.length]!;
		const last = found[found.length - 1] ?? chords[at]!;
		if (!sameChord(next, last)) found.push(next);
		// A long vamp on one chord: nothing follows within a page of bars.
		if (step > 64) break;
	}
	return [found[0] ?? null, found[1] ?? null];
}

/**
 * The function of every event of a chart in a key, each seen from the chords that follow it; null for
 * silences and for symbols that cannot be read.
 */
export function functionsAlong(chart: Chart, key: Key): (ChordFunction | null)[] {
	const sounding = chart.events.filter((event) => event.chord !== null);
	const chords = sounding.flatMap((event) => event.chord ?? []);
	/** The same chord before the same two does the same. */
	const known = new Map<string, ChordFunction>();
	const found = new Map<number, ChordFunction>();
	sounding.forEach((event, i) => {
		const [next, after] = following(chords, i);
		const name = `${chords[i]!.symbol} ${next?.symbol ?? ''} ${after?.symbol ?? ''}`;
		const part = known.get(name) ?? functionOf(chords[i]!, key, next, after);
		known.set(name, part);
		found.set(event.index, part);
	});
	return chart.events.map((event) => found.get(event.index) ?? null);
}

const followers = new WeakMap<Chart, Map<number, Chord | null>>();

/** The chord that follows an event when the chart loops, differing from it; null when nothing does. */
export function chordAfter(chart: Chart, index: number): Chord | null {
	let known = followers.get(chart);
	if (!known) {
		const sounding = chart.events.filter((event) => event.chord !== null);
		const chords = sounding.flatMap((event) => event.chord ?? []);
		known = new Map(sounding.map((event, at) => [event.index, following(chords, at)[0]]));
		followers.set(chart, known);
	}
	return known.get(index) ?? null;
}

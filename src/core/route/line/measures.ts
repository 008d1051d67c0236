import { barAt, type Chart } from '../../chart';
import { msPerTick, share } from '../../kernel';
import { toneAt, type Chord } from '../../chord';
import { fingerJumps } from '../../neck';
import type { Approach } from './approach';
import { beatWeight } from '../pulse';
import type { LineNote } from './types';
import { FAST_MS } from './line-prices';

/**
 * What separates a line that sings from a mechanical one; shares 0 … 1, entropy in bits. Good lines turn
 * on a fifth to two fifths of their notes, hardly ever return at once (A B A), sound the chord on the
 * beats, arrive by step, and are a quarter to two fifths thirds.
 */
export type LineMeasures = {
	readonly notes: number;
	readonly turns: number;
	readonly returns: number;
	/** Ways between targets whose own notes turn at most once. */
	readonly directGaps: number;
	readonly chordTonesOnBeats: number;
	/** Targets reached by a half or whole step, of those that a note leads to. */
	readonly resolvedApproaches: number;
	readonly thirds: number;
	/** Bars whose notes the chord of the moment explains at least as well as any other of the chart. */
	readonly chordHeard: number;
	/** Groups of four intervals that the line has had before. */
	readonly repeatedPatterns: number;
	/** Moves that no hand makes in time: one finger jumping, five frets at speed. */
	readonly awkwardMoves: number;
	readonly approachEntropy: number;
	readonly largestLeap: number;
};

const turnsAt = (a: number, b: number, c: number): boolean =>
	Math.sign(b - a) * Math.sign(c - b) === -1;

/** Turns among the notes between two targets. */
function gapTurns(notes: readonly LineNote[]): number[] {
	const found: number[] = [];
	let turns = -1;
	notes.forEach((note, i) => {
		if (note.kind === 'target') {
			if (turns >= 0) found.push(turns);
			turns = 0;
			return;
		}
		const [a, c] = [notes[i - 1], notes[i + 1]];
		const inside = a && c && a.kind !== 'target' && c.kind !== 'target';
		if (inside && turnsAt(a.midi, note.midi, c.midi)) turns++;
	});
	return found;
}

/** Share of a bar's sounding time, strong beats counted double, that lies on tones of a chord. */
function explained(chart: Chart, notes: readonly LineNote[], chord: Chord): number {
	let [held, all] = [0, 0];
	for (const note of notes) {
		const bar = barAt(chart, note.tick);
		const strong = beatWeight(bar.signature, note.tick - bar.startTick) > 0 ? 2 : 1;
		const weight = note.durationTicks * strong;
		all += weight;
		if (toneAt(chord, note.midi)) held += weight / Math.sqrt(chord.tones.length);
	}
	return share(held, all);
}

/** In how many bars with one chord does that chord explain the notes best? */
function chordHeard(chart: Chart, notes: readonly LineNote[]): number {
	const chords = new Map<string, Chord>();
	for (const { chord } of chart.events) {
		if (chord) chords.set(chord.tones.map((tone) => tone.pc).join(), chord);
	}
	let [heard, bars] = [0, 0];
	for (const bar of chart.played) {
		const end = bar.startTick + bar.lengthTicks;
		const inside = notes.filter((note) => note.tick >= bar.startTick && note.tick < end);
		const events = new Set(inside.map((note) => chart.events[note.chord]!.symbol));
		const own = inside.length > 0 ? chart.events[inside[0]!.chord]!.chord : null;
		if (inside.length < 4 || events.size !== 1 || !own) continue;
		bars++;
		const score = explained(chart, inside, own);
		const better = [...chords.values()].some(
			(other) => explained(chart, inside, other) > score + 1e-9
		);
		if (!better) heard++;
	}
	return bars === 0 ? 1 : heard / bars;
}

function repeated(notes: readonly LineNote[]): number {
	const seen = new Set<string>();
	let again = 0;
	let all = 0;
	for (let i = 4; i < notes.length; i++) {
		const pattern = [3, 2, 1, 0].map((k) => notes[i - k]!.midi - notes[i - k - 1]!.midi).join();
		all++;
		if (seen.has(pattern)) again++;
		seen.add(pattern);
	}
	return share(again, all);
}

function awkward(notes: readonly LineNote[], msPerTick: number): number {
	let count = 0;
	for (let i = 1; i < notes.length; i++) {
		const [a, b] = [notes[i - 1]!, notes[i]!];
		const fast = (b.tick - a.tick) * msPerTick < FAST_MS;
		const rested = a.tick + a.durationTicks < b.tick;
		if (!fast || rested || a.fret === 0 || b.fret === 0) continue;
		const jumps = a.string !== b.string && fingerJumps(a, b);
		if (jumps || Math.abs(a.fret - b.fret) >= 5) count++;
	}
	return share(count, notes.length - 1);
}

function entropy(approaches: readonly (Approach | null)[]): number {
	const counts = new Map<Approach, number>();
	for (const kind of approaches) if (kind) counts.set(kind, (counts.get(kind) ?? 0) + 1);
	const all = [...counts.values()].reduce((sum, n) => sum + n, 0);
	return [...counts.values()].reduce((sum, n) => sum - (n / all) * Math.log2(n / all), 0);
}

/** Measures a line against what makes lines musical. */
export function lineMeasures(
	chart: Chart,
	notes: readonly LineNote[],
	arrivals: readonly (Approach | null)[]
): LineMeasures {
	const pitches = notes.map((note) => note.midi);
	let [turns, returns, thirds, leap] = [0, 0, 0, 0];
	for (let i = 1; i < pitches.length; i++) {
		const size = Math.abs(pitches[i]! - pitches[i - 1]!);
		if (size === 3 || size === 4) thirds++;
		leap = Math.max(leap, size);
		if (i < 2) continue;
		const [a, b, c] = [pitches[i - 2]!, pitches[i - 1]!, pitches[i]!];
		if (turnsAt(a, b, c)) turns++;
		if (a === c && a !== b) returns++;
	}
	let [onBeats, chordTones, reached, stepped] = [0, 0, 0, 0];
	notes.forEach((note, i) => {
		const bar = barAt(chart, note.tick);
		if (beatWeight(bar.signature, note.tick - bar.startTick) > 0) {
			onBeats++;
			if (note.role !== null) chordTones++;
		}
		if (note.kind !== 'target' || i === 0 || notes[i - 1]!.kind === 'target') return;
		reached++;
		const size = Math.abs(note.midi - notes[i - 1]!.midi);
		if (size === 1 || size === 2) stepped++;
	});
	const gaps = gapTurns(notes);
	return {
		notes: notes.length,
		turns: share(turns, notes.length),
		returns: share(returns, notes.length),
		directGaps: share(gaps.filter((count) => count <= 1).length, gaps.length),
		chordTonesOnBeats: share(chordTones, onBeats),
		resolvedApproaches: share(stepped, reached),
		thirds: share(thirds, pitches.length - 1),
		chordHeard: chordHeard(chart, notes),
		repeatedPatterns: repeated(notes),
		awkwardMoves: awkward(notes, msPerTick(chart.headers.tempo)),
		approachEntropy: entropy(arrivals),
		largestLeap: leap
	};
}

import { isGuideTone, type Chord } from '../chord';

/** The span of the middle strings, MIDI numbers: D3 to about B♭4. */
export const VOICING = { low: 50, high: 70, middle: 59, notes: 4 } as const;

/** Lowest pitch at which a second sounds clear. */
const CLEAR = 55;

/**
 * The pitch classes of a voicing: third and seventh, what the symbol names beyond them, then fifth and
 * root while there is room. The bass has the root and the note after a slash.
 */
export function voicedClasses(chord: Chord): number[] {
	const tones = chord.tones.filter((tone) => tone.role !== 'bass');
	const guides = tones.filter((tone) => isGuideTone(tone.role));
	const essential = tones.filter((tone) => tone.essential);
	const named = essential.filter((tone) => !['R', '5'].includes(tone.role));
	// An altered dominant without a tension would be a plain one.
	const tensions = tones.filter((tone) => !tone.essential).slice(-1);
	const rest = ['5', 'R'].flatMap((role) => essential.filter((tone) => tone.role === role));
	const order = [...guides, ...named, ...tensions, ...rest];
	const classes = [...new Set(order.map((tone) => tone.pc))];
	return classes.slice(0, VOICING.notes);
}

/** Every way to lay pitch classes out upward inside the span, each once, within a tenth, nothing muddy. */
export function voicings(classes: readonly number[]): number[][] {
	const found: number[][] = [];
	const extend = (voicing: number[], left: readonly number[]) => {
		if (left.length === 0) {
			found.push(voicing);
			return;
		}
		const from = voicing.length === 0 ? VOICING.low : voicing[voicing.length - 1]! + 1;
		const most = voicing.length === 0 ? VOICING.high : Math.min(VOICING.high, voicing[0]! + 16);
		for (const pc of left) {
			const pitch = from + ((((pc - from) % 12) + 12) % 12);
			if (pitch > most) continue;
			if (voicing.length > 0 && pitch - from + 1 < 3 && from - 1 < CLEAR) continue;
			extend(
				[...voicing, pitch],
				left.filter((other) => other !== pc)
			);
		}
	};
	extend([], classes);
	return found;
}

/** Semitones that the voices travel, each to its nearest neighbour, counted from both sides. */
export function travel(a: readonly number[], b: readonly number[]): number {
	const way = (from: readonly number[], to: readonly number[]) =>
		from.reduce((sum, pitch) => sum + Math.min(...to.map((other) => Math.abs(other - pitch))), 0);
	return way(a, b) + way(b, a) + 2 * Math.abs(a[a.length - 1]! - b[b.length - 1]!);
}

/** What the voicings of two chords cost together, once for each pair of chords. */
type Steps = (from: Pool, to: Pool) => readonly (readonly number[])[];
type Pool = readonly (readonly number[])[];

function steps(): Steps {
	const known = new Map<Pool, Map<Pool, number[][]>>();
	return (from, to) => {
		const row = known.get(from) ?? new Map<Pool, number[][]>();
		known.set(from, row);
		const held = row.get(to);
		if (held) return held;
		const table = to.map((next) => from.map((last) => (last === next ? 0 : travel(last, next))));
		row.set(to, table);
		return table;
	};
}

/**
 * One voicing a chord such that the voices travel least over the whole sequence; a voicing away from the
 * middle or with a semitone in it costs a little. Null where there is no chord; a silence parts the
 * sequence.
 */
export function voiceLead(chords: readonly (Chord | null)[]): (readonly number[] | null)[] {
	const known = new Map<string, Pool>();
	const pool = (chord: Chord): Pool => {
		const held = known.get(chord.symbol);
		if (held) return held;
		const classes = voicedClasses(chord);
		const found = classes.length < 3 ? doubleRoot(classes) : voicings(classes);
		known.set(chord.symbol, found);
		return found;
	};
	const between = steps();
	const lead: (readonly number[] | null)[] = chords.map(() => null);
	let from = 0;
	while (from < chords.length) {
		const pools: Pool[] = [];
		for (let chord = chords[from]; chord; chord = chords[from + pools.length]) {
			pools.push(pool(chord));
		}
		if (pools.length > 0) {
			cheapest(pools, between).forEach((voicing, i) => (lead[from + i] = voicing));
		}
		from += pools.length + 1;
	}
	return lead;
}

/** A power chord: its two tones with the lower one doubled above. */
const doubleRoot = (classes: readonly number[]): number[][] =>
	voicings(classes).flatMap((voicing) =>
		voicing[0]! + 12 <= VOICING.high ? [[...voicing, voicing[0]! + 12]] : [voicing]
	);

/** How little a voicing is liked for itself. */
function strangeness(voicing: readonly number[]): number {
	const middle = voicing.reduce((sum, pitch) => sum + pitch, 0) / voicing.length;
	const rubs = voicing.filter((pitch, i) => i > 0 && pitch - voicing[i - 1]! === 1).length;
	return 0.35 * Math.abs(middle - VOICING.middle) + 3 * rubs;
}

function cheapest(pools: readonly Pool[], between: Steps): (readonly number[])[] {
	let costs = pools[0]!.map(strangeness);
	const back: number[][] = [];
	for (let i = 1; i < pools.length; i++) {
		const table = between(pools[i - 1]!, pools[i]!);
		const came: number[] = [];
		costs = pools[i]!.map((voicing, k) => {
			let [best, least] = [0, Infinity];
			for (let j = 0; j < costs.length; j++) {
				const cost = costs[j]! + table[k]![j]!;
				if (cost < least) [best, least] = [j, cost];
			}
			came.push(best);
			return least + strangeness(voicing);
		});
		back.push(came);
	}
	let at = costs.indexOf(Math.min(...costs));
	const path = [pools[pools.length - 1]![at]!];
	for (let i = back.length - 1; i >= 0; i--) {
		at = back[i]![at]!;
		path.push(pools[i]![at]!);
	}
	return path.reverse();
}

import { KINDS } from './three-costs';
import { LEAP } from './weights';

/** The group that an interval of each kind belongs to. */
export const GROUP_OF_KIND = Uint8Array.of(0, 1, 1, 2, 3, 3, 4);
/** Intervals beyond this many semitones do not occur in a window of eight strings. */
const WIDEST = 96;

/** Group of an interval, by its semitones from −96. */
const groups = Uint8Array.from({ length: 2 * WIDEST + 1 }, (_, i) => {
	const d = i - WIDEST;
	return d >= LEAP ? 0 : d > 0 ? 1 : d === 0 ? 2 : d > -LEAP ? 3 : 4;
});

const kinds = Uint8Array.from({ length: 2 * WIDEST + 1 }, (_, i) => {
	const d = i - WIDEST;
	const size = Math.abs(d);
	const kind = size >= LEAP ? 0 : size > 2 ? 1 : size > 0 ? 2 : 3;
	return d < 0 ? 6 - kind : kind;
});
/** The group of an interval in semitones, and its kind. */
export const groupOf = (semitones: number): number => groups[semitones + WIDEST]!;
export const kindOf = (semitones: number): number => kinds[semitones + WIDEST]!;

/**
 * The moves from the notes of one layer to those of the next, sorted by their kind: for each note b, `order` holds
 * those of the next, the earliest first within a kind; `ends[b * KINDS + kind]` is where a kind ends.
 */
type Moves = { readonly order: Uint8Array; readonly ends: Uint8Array };

const movesKnown = new WeakMap<Int16Array, WeakMap<Int16Array, Moves>>();

function sortMoves(from: Int16Array, to: Int16Array): Moves {
	const order = new Uint8Array(from.length * to.length);
	const ends = new Uint8Array(from.length * KINDS);
	for (let b = 0, at = 0; b < from.length; b++) {
		const row = at;
		for (let kind = 0; kind < KINDS; kind++) {
			for (let c = 0; c < to.length; c++) {
				if (kindOf(to[c]! - from[b]!) === kind) order[at++] = c;
			}
			ends[b * KINDS + kind] = at - row;
		}
	}
	return { order, ends };
}

/** The moves between two layers, remembered as long as the pitches of both live. */
export function movesBetween(from: Int16Array, to: Int16Array): Moves {
	let row = movesKnown.get(from);
	if (!row) movesKnown.set(from, (row = new WeakMap()));
	let found = row.get(to);
	if (!found) row.set(to, (found = sortMoves(from, to)));
	return found;
}

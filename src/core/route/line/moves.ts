import { GROUPS } from './three-costs';
import { LEAP } from './line-prices';

/** The group that an interval of each kind belongs to. */
const GROUP_OF_KIND = Uint8Array.of(0, 1, 1, 2, 3, 3, 4);
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
 * The moves from the notes b of one layer to the notes c of the next, `[b * notes of the next + c]`: the kind of their
 * interval, and where the ways into c by its group stand.
 */
type Moves = { readonly kinds: Uint8Array; readonly slots: Uint16Array };

const movesKnown = new WeakMap<Int16Array, WeakMap<Int16Array, Moves>>();

function tellMoves(from: Int16Array, to: Int16Array): Moves {
	const kindsOf = new Uint8Array(from.length * to.length);
	const slots = new Uint16Array(from.length * to.length);
	let at = 0;
	for (const b of from) {
		to.forEach((pitch, c) => {
			const kind = kindOf(pitch - b);
			kindsOf[at] = kind;
			slots[at++] = c * GROUPS + GROUP_OF_KIND[kind]!;
		});
	}
	return { kinds: kindsOf, slots };
}

/** The moves between two layers, remembered as long as the pitches of both live. */
export function movesBetween(from: Int16Array, to: Int16Array): Moves {
	let row = movesKnown.get(from);
	if (!row) movesKnown.set(from, (row = new WeakMap()));
	let found = row.get(to);
	if (!found) row.set(to, (found = tellMoves(from, to)));
	return found;
}

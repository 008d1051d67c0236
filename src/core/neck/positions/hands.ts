import { fingerJumps } from '../fingers';
import type { Place } from '../instrument';

/** Where the hand lies on one string: the fret of finger 1, and the fingers of the string's notes. */
type Lie = { readonly base: number; readonly fingers: readonly (number | null)[] };

/** What a move of the hand costs, and each fret of it. */
const COST = { shift: 20, fret: 1 } as const;

/**
 * Fingers for two to four notes on one string that lie further apart than four frets: index on the lowest,
 * little finger on the highest, the middle by distance.
 */
function stretched(frets: readonly number[], base: number): (number | null)[] {
	const span = frets[frets.length - 1]! - base;
	return frets.map((fret) => {
		if (fret === 0) return null;
		const offset = fret - base;
		if (offset === 0) return 1;
		if (offset === span) return 4;
		return offset >= 3 ? 3 : 2;
	});
}

/** The ways that a hand lies on one string: one finger a fret, from each base that covers its notes. */
function lies(frets: readonly number[]): Lie[] {
	// With an open string the hand stays in the first position.
	const low = frets[0] === 0 ? 1 : frets[0]!;
	const high = Math.max(low, frets[frets.length - 1]!);
	if (high - low > 3) return [{ base: low, fingers: stretched(frets, low) }];
	const found: Lie[] = [];
	for (let base = Math.max(1, high - 3); base <= low; base++) {
		const fingers = frets.map((fret) => (fret === 0 ? null : fret - base + 1));
		found.push({ base, fingers });
	}
	return found;
}

/** One string of a layout: its frets, ascending. */
export type StringFrets = { readonly string: number; readonly frets: readonly number[] };

/** How a layout is fingered: for each row its fingers, and the hand's place at the start. */
export type Fingered = {
	readonly position: number;
	readonly fingers: readonly (readonly (number | null)[])[];
	/** Rows before which the hand moves. */
	readonly moves: readonly number[];
};

const placed = (
	{ string, frets }: StringFrets,
	{ fingers }: Lie,
	i: number
): Place & { finger: number | null } => ({
	...{ string, fret: frets[i]!, finger: fingers[i]! }
});

/**
 * Fingers a layout as one piece, exactly: one finger a fret wherever four frets hold a string, the fewest
 * moves of the hand from string to string, then the shortest. A string that asks for more takes a stretch.
 * @returns null where one finger would have to jump, or five fingers would be needed
 */
export function fingerRows(rows: readonly StringFrets[]): Fingered | null {
	type State = { lie: Lie; cost: number; from: State | null };
	let states: State[] = [];
	rows.forEach((row, r) => {
		const options = lies(row.frets).filter(({ fingers }) =>
			fingers.every(
				(finger, i) => finger === null || (finger <= 4 && (i === 0 || finger !== fingers[i - 1]))
			)
		);
		states = options.flatMap((lie): State[] => {
			if (r === 0) return [{ lie, cost: 0, from: null }];
			const before = rows[r - 1]!;
			let best: State | null = null;
			for (const state of states) {
				const end = placed(before, state.lie, before.frets.length - 1);
				if (fingerJumps(end, placed(row, lie, 0))) continue;
				const far = Math.abs(lie.base - state.lie.base);
				const cost = state.cost + (far > 0 ? COST.shift + COST.fret * far : 0);
				if (!best || cost < best.cost) best = { lie, cost, from: state };
			}
			return best ? [best] : [];
		});
	});
	if (states.length === 0) return null;
	let end: State | null = states.reduce((a, b) => (b.cost < a.cost ? b : a));
	const chain: Lie[] = [];
	for (; end; end = end.from) chain.unshift(end.lie);
	return {
		position: chain[0]!.base,
		fingers: chain.map((lie) => lie.fingers),
		moves: chain.flatMap((lie, i) => (i > 0 && lie.base !== chain[i - 1]!.base ? [i] : []))
	};
}

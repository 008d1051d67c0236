import { samePlace } from '../../neck';
import { QUARTER, searchBy } from '../../kernel';
import type { Stretch } from './lattice';
import type { Candidate } from './pool';

/** A note of the line as it stands so far; `moment` is its index in the stretch that is looked at. */
export type Sung = {
	readonly tick: number;
	readonly note: Candidate;
	readonly chord: string;
	/** Where the hand is. */
	readonly position: number;
	readonly moment: number | null;
};

/** The note that is to change; `there` is where the same pitch lies near it. */
export type Fault = { readonly at: Sung; readonly there?: Candidate };

/** Two beats: within them a pitch keeps its place. */
export const NEAR = 2 * QUARTER;
/** Notes no further apart than a sixteenth, or a triplet of eighths, are fast for one finger. */
const FAST = QUARTER / 3;
/** How often one finger may play in a row across strings. */
const RUN = 3;
/** Finds notes of a line by their ticks. */
export const sungBy = searchBy((note: Sung) => note.tick);

/** The note, from one of the line on, that one finger would have to play a fourth time in a row on yet another string. */
export function overworked(line: readonly Sung[], from: number): Fault | null {
	let run = 1;
	for (let i = from + 1; i < line.length; i++) {
		const [a, b] = [line[i - 1]!, line[i]!];
		const crosses = a.note.string !== b.note.string && b.tick - a.tick <= FAST;
		const same = a.note.finger !== null && a.note.finger === b.note.finger;
		run = crosses && same ? run + 1 : 1;
		if (run > RUN) return asFault(b.moment !== null ? b : movable(line.slice(from, i)));
	}
	return null;
}

/** The later of two notes of one pitch, near each other, that lie at two places; from one of the line on. */
export function displaced(line: readonly Sung[], from: number): Fault | null {
	for (let i = from + 1; i < line.length; i++) {
		for (let k = i - 1; k >= from && line[i]!.tick - line[k]!.tick < NEAR; k--) {
			const a = line[k]!.note;
			const b = line[i]!.note;
			if (a.midi !== b.midi || samePlace(a, b)) continue;
			// A hand that has moved may not reach the other place.
			const still = line[i]!.position === line[k]!.position;
			if (line[i]!.moment !== null) return { at: line[i]!, there: still ? a : undefined };
			if (line[k]!.moment !== null) return { at: line[k]!, there: still ? b : undefined };
		}
	}
	return null;
}

const asFault = (at: Sung | undefined): Fault | null => (at ? { at } : null);

/** The last note that is not set. */
const movable = (line: readonly Sung[]): Sung | undefined =>
	line.findLast(({ moment }) => moment !== null);

/** True when two spans of equal length, the earlier from `before` on, hold the same notes over the same chords, two at least. */
function same(line: readonly Sung[], from: number, before: number, ticks: number): boolean {
	let a = sungBy.firstFrom(line, from);
	if (a === line.length) return false;
	let b = sungBy.firstFrom(line, before);
	for (let count = 0; ; a++, b++, count++) {
		const [x, y] = [line[a], line[b]];
		const inX = x !== undefined && x.tick < from + ticks;
		const inY = y !== undefined && y.tick < before + ticks;
		if (!inX || !inY) return !inX && !inY && count > 1;
		if (x.tick - from !== y.tick - before || x.note.midi !== y.note.midi) return false;
		if (x.chord !== y.chord) return false;
	}
}

/** A half bar that the half bar before has note for note, or a bar that one of the three before has. */
export function repeated(
	line: readonly Sung[],
	{ moments }: Stretch,
	until: number,
	different: number
): Fault | null {
	const again = (from: number, ticks: number, back: number): Fault | null => {
		if (from + ticks > until || !same(line, from, from - back, ticks)) return null;
		return asFault(movable(line.filter(({ tick }) => tick >= from && tick < from + ticks)));
	};
	let last = -1;
	for (const { onset } of moments) {
		const { index, startTick, lengthTicks, signature } = onset.bar;
		if (index === last) continue;
		last = index;
		const half = signature.beats % 2 === 0 ? lengthTicks / 2 : 0;
		const found =
			half > 0 ? (again(startTick, half, half) ?? again(startTick + half, half, half)) : null;
		if (found) return found;
		for (let bar = 1; bar < different; bar++) {
			const alike = again(startTick, lengthTicks, bar * lengthTicks);
			if (alike) return alike;
		}
	}
	return null;
}

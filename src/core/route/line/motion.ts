import { crossingPrice, fingerJumps, HAND } from '../../neck';
import { traitsOf, TRAIT, type Candidate } from './pool';
import type { LineTerm } from './types';
import { FAST_MS, FORBIDDEN, LEAP, LINE, stepCost } from './line-prices';

/** What a move between two notes depends on besides the notes. */
export type Move = {
	/** Milliseconds from one note to the next. */
	readonly ms: number;
	/** A rest lies between them: the hand has time. */
	readonly rested: boolean;
	/** The pitch of the target that the second note leads to at once, or is; null far from a target. */
	readonly target: number | null;
	/** The second note is the target itself. */
	readonly landing: boolean;
	readonly direction: 'up' | 'down' | null;
};

/** Sums of cost by name, in thousandths. */
export type Costs = Record<LineTerm, number>;

/** Two fretted notes that are further apart than the hand stretches. */
const isWide = (a: Candidate, b: Candidate): boolean =>
	a.fret > 0 && b.fret > 0 && (a.fret < b.fret ? b.fret > a.furthest : a.fret > b.furthest);

/**
 * A chromatic note must resolve by a semitone, or open an enclosure: the next note lies on the other
 * side of the target, both within a whole tone.
 */
function resolves(from: number, to: number, { target, landing }: Move): boolean {
	if (Math.abs(to - from) === 1) return true;
	if (landing || target === null || to === target) return false;
	const [a, b] = [from - target, to - target];
	return a > 0 !== b > 0 && Math.abs(a) <= 2 && Math.abs(b) <= 2;
}

/** What the fretting hand pays: one finger on two strings, a wide stretch. */
function frettingCost(from: Candidate, to: Candidate, { ms, rested }: Move): number {
	const fast = ms < FAST_MS && !rested;
	const strings = Math.abs(to.string - from.string);
	let cost = to.price;
	if (isWide(from, to)) cost += fast ? LINE.unplayable : HAND.tooFar;
	if (from.finger === null || from.finger !== to.finger || strings === 0) return cost;
	if (from.fret === to.fret) return cost + LINE.roll * strings;
	if (fast && fingerJumps(from, to)) return cost + LINE.unplayable;
	return cost + (fast ? 2 : 1) * HAND.jump;
}

const crossing = (from: Candidate, to: Candidate, { rested }: Move): number => {
	const cost = crossingPrice(Math.abs(to.string - from.string));
	return rested ? cost / 2 : cost;
};

/** What the hand pays for a move: fingers and strings. */
export const handCost = (from: Candidate, to: Candidate, move: Move): number =>
	frettingCost(from, to, move) + crossing(from, to, move);

function stepping(size: number, from: number, to: number, { rested }: Move): number {
	const cost = stepCost(size, (from & to & TRAIT.tone) > 0);
	return rested && size > 2 ? cost / 2 : cost;
}

const clashLeft = (size: number, from: number): number =>
	(from & TRAIT.clash) > 0 && size > 2 ? LINE.clashLeft : 0;

const against = (interval: number, { direction }: Move): number =>
	direction === null || interval === 0 || interval > 0 === (direction === 'up')
		? 0
		: LINE.againstDirection;

/**
 * What the ear pays for a move, from pitches and traits; `FORBIDDEN` where a chromatic note would not
 * resolve. Whole thousandths.
 */
export function soundCost(
	from: number,
	to: number,
	traitsFrom: number,
	traitsTo: number,
	move: Move
): number {
	if ((traitsFrom & TRAIT.chromatic) > 0 && !resolves(from, to, move)) return FORBIDDEN;
	const size = Math.abs(to - from);
	return (
		stepping(size, traitsFrom, traitsTo, move) +
		clashLeft(size, traitsFrom) +
		against(to - from, move)
	);
}

/** Adds the named parts of a move's cost to a sum. */
export function addMove(sum: Costs, from: Candidate, to: Candidate, move: Move): void {
	const [a, b] = [traitsOf(from), traitsOf(to)];
	const size = Math.abs(to.midi - from.midi);
	sum.steps += stepping(size, a, b, move);
	sum.crossing += crossing(from, to, move);
	sum.fretting += frettingCost(from, to, move);
	sum.clashes += clashLeft(size, a);
	sum.contour += against(to.midi - from.midi, move);
}

/** Cost of three notes in a row: a turn, a return to the first pitch, a leap after a leap. */
export function threeCost(first: number, second: number, third: number): number {
	const [d1, d2] = [second - first, third - second];
	if (d1 === 0 || d2 === 0) return 0;
	const [s1, s2] = [Math.abs(d1), Math.abs(d2)];
	let cost = s1 >= LEAP && s2 >= LEAP ? LINE.leapAfterLeap : 0;
	if (d1 > 0 !== d2 > 0) cost += s1 >= LEAP && s2 <= 2 ? LINE.turnAfterLeap : LINE.turn;
	return first === third ? cost + LINE.returns : cost;
}

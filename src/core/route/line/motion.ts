import { fingerJumps } from '../../neck';
import type { Candidate } from './pool';
import type { LineTerm } from './types';
import { crossingCost, FAST_MS, FORBIDDEN, LEAP, LINE, stepCost } from './weights';

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

export type Costs = Partial<Record<LineTerm, number>>;

/** Frets from which on a jump between two notes is wide. */
const WIDE = 5;

/**
 * A chromatic note must resolve by a semitone, or open an enclosure: the next note lies on the other
 * side of the target, both within a whole tone.
 */
function resolves(from: Candidate, to: Candidate, { target, landing }: Move): boolean {
	const size = Math.abs(to.midi - from.midi);
	if (size === 1) return true;
	if (landing || target === null || to.midi === target) return false;
	const [a, b] = [from.midi - target, to.midi - target];
	return Math.sign(a) !== Math.sign(b) && Math.abs(a) <= 2 && Math.abs(b) <= 2 && b !== 0;
}

/** What the fretting hand pays: one finger on two strings, a wide stretch. */
function frettingCost(from: Candidate, to: Candidate, { ms, rested }: Move): number {
	const fast = ms < FAST_MS && !rested;
	const strings = Math.abs(to.string - from.string);
	let cost = to.reach ? LINE.reach : 0;
	if (from.fret > 0 && to.fret > 0 && Math.abs(to.fret - from.fret) >= WIDE) {
		cost += fast ? LINE.unplayable : LINE.wideStretch;
	}
	if (from.finger === null || from.finger !== to.finger || strings === 0) return cost;
	if (from.fret === to.fret) return cost + LINE.roll * strings;
	if (fast && fingerJumps(from, to)) return cost + LINE.unplayable;
	return cost + (fast ? 2 : 1) * LINE.sameFinger;
}

const crossing = (from: Candidate, to: Candidate, { rested }: Move): number => {
	const cost = crossingCost(Math.abs(to.string - from.string));
	return rested ? cost / 2 : cost;
};

function stepping(from: Candidate, to: Candidate, { rested }: Move): number {
	const size = Math.abs(to.midi - from.midi);
	const cost = stepCost(size, from.tone !== null && to.tone !== null);
	return rested && size > 2 ? cost / 2 : cost;
}

const clashLeft = (from: Candidate, to: Candidate): number =>
	from.verdict === 'clash' && Math.abs(to.midi - from.midi) > 2 ? LINE.clashLeft : 0;

const against = (from: Candidate, to: Candidate, { direction }: Move): number => {
	const move = to.midi - from.midi;
	return (direction === 'up' && move < 0) || (direction === 'down' && move > 0)
		? LINE.againstDirection
		: 0;
};

/** Cost of a move in whole thousandths; `FORBIDDEN` where a chromatic note would not resolve. */
export function moveCost(from: Candidate, to: Candidate, move: Move): number {
	if (from.chromatic && !resolves(from, to, move)) return FORBIDDEN;
	return (
		stepping(from, to, move) +
		crossing(from, to, move) +
		frettingCost(from, to, move) +
		clashLeft(from, to) +
		against(from, to, move)
	);
}

/** The named parts of `moveCost`. */
export const moveTerms = (from: Candidate, to: Candidate, move: Move): Costs => ({
	steps: stepping(from, to, move),
	crossing: crossing(from, to, move),
	fretting: frettingCost(from, to, move),
	clashes: clashLeft(from, to),
	contour: against(from, to, move)
});

/** Cost of three notes in a row: a turn, a return to the first pitch, a leap after a leap. */
export function threeCost(first: number, second: number, third: number): number {
	const [d1, d2] = [second - first, third - second];
	if (d1 === 0 || d2 === 0) return 0;
	const [s1, s2] = [Math.abs(d1), Math.abs(d2)];
	let cost = s1 >= LEAP && s2 >= LEAP ? LINE.leapAfterLeap : 0;
	if (d1 > 0 !== d2 > 0) cost += s1 >= LEAP && s2 <= 2 ? LINE.turnAfterLeap : LINE.turn;
	return first === third ? cost + LINE.returns : cost;
}

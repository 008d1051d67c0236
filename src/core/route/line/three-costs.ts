import { threeCost } from './motion';
import { LEAP, LINE } from './weights';

/** Groups of ways into a note by the interval before it: up by leap, up, level, down, down by leap. */
export const GROUPS = 5;

/** Kinds of the interval after it: up by leap, by a third, by a step; level; and down alike. */
export const KINDS = 7;

const GROUP_OF = [LEAP, 1, 0, -1, -LEAP];

const KIND_OF = [LEAP, 3, 1, 0, -1, -3, -LEAP];

/** How much dearer than a turn a repeated note becomes where turns are made dearer: it would hide one, not spare it. */
const AGAIN = 4;

/** What two intervals in a row have of turns. */
export const unrest = (first: number, second: number): number =>
	Number(Math.sign(first) * Math.sign(second) === -1) +
	AGAIN * (Number(first === 0) + Number(second === 0));

/**
 * `[kind * GROUPS + group]`: cost of three notes, a return to the first pitch left out.
 * @param extra what each turn costs on top
 */
const threes = (extra: number): Int32Array =>
	Int32Array.from({ length: KINDS * GROUPS }, (_, i) => {
		const [first, second] = [GROUP_OF[i % GROUPS]!, KIND_OF[Math.floor(i / GROUPS)]!];
		const cost = threeCost(0, first, first + second) + extra * unrest(first, second);
		return first !== 0 && second === -first ? cost - LINE.returns : cost;
	});

/** The tables by what a turn costs more: none; and the prices at which a way that turns often is sought anew. */
export const TURN_EXTRA = [0, 4000, 8000, 12_000] as const;

export const TABLES = TURN_EXTRA.map(threes);

/** The table of the search that runs: filled, not exchanged, because the search reads it millions of times. */
export const THREE = Int32Array.from(TABLES[0]!);

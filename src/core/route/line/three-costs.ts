import { threeCost } from './motion';
import { LEAP, LINE } from './line-prices';

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

const TABLES = TURN_EXTRA.map(threes);

/** The table of the search that runs: filled, not exchanged, because the search reads it millions of times. */
export const THREE = Int32Array.from(TABLES[0]!);

/** The groups of ways in the order in which equals go, the first wins: by kind of the interval after it. */
const ORDER = Array.from({ length: KINDS }, (_, kind) =>
	kind === 4 || kind === 5 ? [3, 4, 2, 0, 1] : [0, 1, 2, 3, 4]
);
/** Bits that hold a group's place in that order. */
export const RANK = 3;
const groupAt = Uint8Array.from(
	{ length: KINDS << RANK },
	(_, i) => ORDER[i >> RANK]![i & ((1 << RANK) - 1)] ?? 0
);

/** The group whose rank is in the last bits of a sum. */
export const groupRanked = (kind: number, sum: number): number =>
	groupAt[(kind << RANK) + (sum & ((1 << RANK) - 1))]!;

const ranked = (table: Int32Array): Int32Array =>
	table.map((cost, i) => (cost << RANK) + ORDER[Math.floor(i / GROUPS)]!.indexOf(i % GROUPS));
const RANKED_TABLES = TABLES.map(ranked);
/** The same table with each group’s rank in the last bits. */
export const RANKED = Int32Array.from(RANKED_TABLES[0]!);

/** Takes the table of a price of turns: an index into `TURN_EXTRA`. */
export function priceTurns(level: number): void {
	THREE.set(TABLES[level]!);
	RANKED.set(RANKED_TABLES[level]!);
}

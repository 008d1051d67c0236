import type { Candidate, Turn } from './step';
import { WEIGHTS } from './landing-prices';

const bit = (midi: number): number => 1 << (midi % 12);

/** The pitch classes of some places, as bits. */
export const bitsOf = (places: readonly Candidate[]): number =>
	places.reduce((bits, { midi }) => bits | bit(midi), 0);

/** What was landed on in turn after a landing and before the next: nothing more where all had their turn. */
const usedAfter = ({ among }: Turn, before: Candidate): number => {
	const used = before.used ?? bit(before.midi);
	return (among & ~used) === 0 ? 0 : used;
};

/** True where a pitch may follow a landing in turn. */
function inTurn(turn: Turn, before: Candidate, midi: number): boolean {
	if ((turn.among & (turn.among - 1)) === 0) return true;
	if (midi % 12 === before.midi % 12) return false;
	return (usedAfter(turn, before) & bit(midi)) === 0;
}

const used = (turn: Turn, before: Candidate, midi: number): number =>
	usedAfter(turn, before) | bit(midi);

/** What no plan pays; two of them still fit into a sum. */
const NEVER = 200_000_000;

/** What the order of turns asks of a move, in thousandths. */
export function turnPrice(turn: Turn | null, before: Candidate, to: Candidate): number {
	if (!turn) return 0;
	if (used(turn, before, to.midi) !== to.used) return NEVER;
	if (inTurn(turn, before, to.midi)) return 0;
	return turn.free ? WEIGHTS.outOfTurn : NEVER;
}

const known = new WeakMap<
	readonly Candidate[],
	WeakMap<readonly Candidate[], Map<string, readonly Candidate[]>>
>();

const made = new WeakMap<readonly Candidate[], Map<string, readonly Candidate[]>>();

/** A list of places and of what was used at each; the same one for the same lists, so that a long chord comes round. */
function listOf(
	places: readonly Candidate[],
	ways: readonly (readonly number[])[]
): readonly Candidate[] {
	let lists = made.get(places);
	if (!lists) made.set(places, (lists = new Map()));
	const name = ways.map((row) => row.join()).join(' ');
	let list = lists.get(name);
	if (!list) {
		list = places.flatMap((place, i) => ways[i]!.map((used): Candidate => ({ ...place, used })));
		lists.set(name, list);
	}
	return list;
}

/**
 * The places of a step with what was landed on in turn: each as often as there are ways to come to it. The same list for
 * the same lists.
 */
export function takeTurns(
	before: readonly Candidate[],
	places: readonly Candidate[],
	turn: Turn
): readonly Candidate[] {
	let row = known.get(before);
	if (!row) known.set(before, (row = new WeakMap()));
	let lists = row.get(places);
	if (!lists) row.set(places, (lists = new Map()));
	const name = `${turn.among} ${turn.free}`;
	const found = lists.get(name);
	if (found) return found;
	const states = new Map(before.map((one) => [`${one.used} ${one.midi % 12}`, one]));
	const ways = places.map((place) => {
		const sets = new Set<number>();
		for (const from of states.values()) {
			if (turn.free || inTurn(turn, from, place.midi)) sets.add(used(turn, from, place.midi));
		}
		return [...sets].sort((a, b) => a - b);
	});
	const list = listOf(places, ways);
	lists.set(name, list);
	return list;
}

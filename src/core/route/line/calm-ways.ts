import { type Way, solveGap } from './gap';
import type { Gap } from './layers';
import { TURN_EXTRA, unrest } from './three-costs';

/** Notes between two targets for each turn that a way may make; one turn at least. */
const NOTES_A_TURN = 8;

const mostTurns = (notes: number): number => Math.max(1, Math.round(notes / NOTES_A_TURN));

/** Turns among the notes between two targets. @param heard the pitches, both targets included */
export function turnsWithin(heard: readonly number[]): number {
	let turns = 0;
	for (let i = 2; i + 2 < heard.length; i++) {
		const [before, after] = [heard[i]! - heard[i - 1]!, heard[i + 1]! - heard[i]!];
		if (Math.sign(before) * Math.sign(after) === -1) turns++;
	}
	return turns;
}

/** True when a way turns more than once in eight notes. @param heard the pitches, both targets included */
export const isRestless = (heard: readonly number[]): boolean =>
	turnsWithin(heard) > mostTurns(heard.length - 2);

/** The pitches of a way, both targets included. */
const heardIn = ({ pitch }: Gap, { path }: Way): number[] => [
	pitch[0]![0]!,
	...path.map((c, i) => pitch[i + 1]![c]!),
	pitch[pitch.length - 1]![0]!
];

/** What a search has priced in a way by turns: in all its notes and the target before them. */
const priced = (heard: readonly number[]): number =>
	heard
		.slice(2, -1)
		.reduce((sum, third, i) => sum + unrest(heard[i + 1]! - heard[i]!, third - heard[i + 1]!), 0);

/** Notes that sound the pitch before them. */
const repeats = (heard: readonly number[]): number =>
	heard.filter((midi, i) => i > 0 && midi === heard[i - 1]).length;

/** A way that is so much dearer than the cheapest is hardly ever taken: it stays as it is. */
const RIVAL = 1500;

/**
 * The ways of `solveGap`, but where one turns more than once in eight notes, the cheapest one that does not
 * takes its place, as far as dearer turns find one.
 * @returns the ways, and how many searches they took
 */
export function solveDirect(gap: Gap): { ways: (Way | null)[]; searches: number } {
	const ways = solveGap(gap);
	const rival = RIVAL + Math.min(...ways.map((way) => way?.cost ?? Infinity));
	const restless = (way: Way | null) =>
		way !== null && way.cost < rival && isRestless(heardIn(gap, way));
	let searches = 1;
	for (let level = 1; level < TURN_EXTRA.length && ways.some(restless); level++) {
		searches++;
		solveGap(gap, level).forEach((found, kind) => {
			const known = ways[kind];
			if (!found || !known || !restless(known)) return;
			const [heard, before] = [heardIn(gap, found), heardIn(gap, known)];
			if (turnsWithin(heard) >= turnsWithin(before) || repeats(heard) > repeats(before)) return;
			const extra = TURN_EXTRA[level]! * priced(heard);
			ways[kind] = { path: found.path, cost: found.cost - extra };
		});
	}
	return { ways, searches };
}

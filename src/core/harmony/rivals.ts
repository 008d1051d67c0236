import { keyName } from '../chart';
import type { Key } from '../chord';
import { above, degreeInterval, mod, noteName } from '../pitch';
import { ABOVE_PARENT, type Evidence } from './evidence';

/** A home with its score and what speaks for it. */
export type Weighed = { readonly score: number; readonly evidence: Evidence };

/** Two homes of the same notes are rivals when each has this share of the best score of all. */
const NEAR = 0.7;

const parentOf = ({ evidence: { tonic, mode } }: Weighed): number =>
	mode === 'blues' ? -1 - tonic : mod(tonic - ABOVE_PARENT[mode], 12);

/** The best home of the same notes on another tonic, where both are near enough to be argued about. */
export function rivalOf(one: Weighed, ranked: readonly Weighed[]): Weighed | null {
	const near = ({ score, evidence }: Weighed) =>
		evidence.sounds && score > 0 && score >= NEAR * ranked[0]!.score;
	if (!near(one)) return null;
	const same = (other: Weighed) => other !== one && parentOf(other) === parentOf(one);
	return ranked.find((other) => same(other) && near(other)) ?? null;
}

/** What would decide for a home among those with its notes. */
function decider({ tonic, mode }: Key): string {
	if (mode !== 'major' && mode !== 'minor') return `a bass that stays on ${noteName(tonic)}`;
	const dominant = `${noteName(above(tonic, degreeInterval('5')))}7`;
	return `${dominant} falling to ${noteName(tonic)}${mode === 'minor' ? 'm' : ''}`;
}

/** What would decide between a home and its rival, in a sentence without its stop. */
export const rivalWords = (home: Key, rival: Key): string =>
	`the same notes as ${keyName(rival)}: ${decider(home)} decides for ${noteName(home.tonic)}, ${decider(rival)} for ${noteName(rival.tonic)}`;

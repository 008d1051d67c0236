import type { Chart } from '../chart';
import { pitchClass } from '../pitch';
import { keyOf, rankTonics, type RankedTonic } from './tonic';

/** So many homes are shown at least, and at most where several modes of one tonic are open. */
const LEAST = 4;
const MOST = 6;

/**
 * The homes worth looking at, in the order of the ranking: the first and its rivals, the key that is
 * written, the plain major or minor of their tonics where its chord sounds, over one chord every mode
 * that holds it, and the best home of the next tonics.
 * @returns 4 to 6 of them; none for a chart without chords.
 * @example homesShown(parseChart('| Am7 |')).map(keyName) // A minor, A dorian, A phrygian, …
 */
export function homesShown(chart: Chart, ranking: readonly RankedTonic[] = rankTonics(chart)) {
	const first = ranking[0];
	if (!first) return [];
	const on = (a: RankedTonic, b: RankedTonic) => pitchClass(a.tonic) === pitchClass(b.tonic);
	const key = keyOf(chart);
	const inUse = ranking.find(
		(entry) => key && entry.mode === key.mode && pitchClass(entry.tonic) === pitchClass(key.tonic)
	);
	const shown = new Set([first]);
	const add = (entries: readonly (RankedTonic | undefined)[], most = MOST) => {
		for (const entry of entries) if (entry && shown.size < most) shown.add(entry);
	};
	const rivals = (of: RankedTonic) =>
		ranking.filter(
			({ rival, tonic, mode }) =>
				(rival?.mode === of.mode && pitchClass(rival.tonic) === pitchClass(of.tonic)) ||
				(of.rival?.mode === mode && pitchClass(of.rival.tonic) === pitchClass(tonic))
		);
	add([inUse]);
	add(rivals(first).slice(0, 2));
	const roots = chart.events.flatMap(({ chord }) => (chord ? [pitchClass(chord.root)] : []));
	if (new Set(roots).size === 1) {
		add(ranking.filter(({ holdsAll, sounds }) => holdsAll && sounds));
	}
	const plain = ({ mode, sounds }: RankedTonic) => sounds && (mode === 'major' || mode === 'minor');
	add(
		[first, inUse ?? first].flatMap((home) =>
			ranking.filter((entry) => on(entry, home) && plain(entry))
		)
	);
	for (const entry of ranking) {
		if (![...shown].some((other) => on(other, entry))) add([entry], LEAST);
	}
	return ranking.filter((entry) => shown.has(entry));
}

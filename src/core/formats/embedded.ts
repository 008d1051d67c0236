import type { Chart } from '../chart';
import { keyName } from '../chart';
import { keyOf } from '../harmony';
import { fifthsOf } from './key-signature';

/** What sounds when, told alike for charts that are written differently. */
function music(chart: Chart): string {
	const bars = chart.played.map(({ lengthTicks, signature }) => [lengthTicks, signature.unit]);
	const chords: [number, string][] = [];
	for (const { startTick, chord } of chart.events) {
		const name = chord
			? [
					chord.root.letter,
					chord.root.alter,
					...chord.quality.roles,
					chord.bass?.letter,
					chord.bass?.alter
				].join()
			: '';
		if ((chords.at(-1)?.[1] ?? '') !== name) chords.push([startTick, name]);
	}
	return JSON.stringify([bars, chords]);
}

/**
 * True when two charts have the same title, tempo, signature of the key, bars, and chords at the same
 * ticks: one may then stand for the other, with its sections, comments and spelling.
 */
export function sameMusic(a: Chart, b: Chart): boolean {
	const [one, other] = [a.headers, b.headers];
	const [keyA, keyB] = [keyOf(a), b.headers.key];
	return (
		(one.title ?? 'Untitled tune') === (other.title ?? 'Untitled tune') &&
		one.tempo === other.tempo &&
		(!keyB || !keyA || keyName(keyA) === keyName(keyB) || fifthsOf(keyA) === fifthsOf(keyB)) &&
		a.played.length > 0 &&
		music(a) === music(b)
	);
}

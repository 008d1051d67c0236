import { beatTicks, type Chart, type ChordEvent } from '../chart';
import { isMinorMode, type Key } from '../chord';
import { keyOf } from '../harmony';
import { fifthsOf } from './key-signature';

/** When chords are compared: when they sound, or where they are written, whether they are pushed or not. */
export type Moment = 'sounding' | 'written';

function tickOf(chart: Chart, { startTick, bar, beat }: ChordEvent, moment: Moment): number {
	if (moment === 'sounding') return startTick;
	const played = chart.played[bar - 1]!;
	return played.startTick + Math.round((beat - 1) * beatTicks(played.signature));
}

/** What sounds when, told alike for charts that are written differently. */
function music(chart: Chart, moment: Moment): string {
	const bars = chart.played.map(({ lengthTicks, signature }) => [lengthTicks, signature.unit]);
	const chords: [number, string][] = [];
	for (const event of chart.events) {
		const { chord } = event;
		const name = chord
			? [
					chord.root.letter,
					chord.root.alter,
					...chord.quality.roles,
					chord.bass?.letter,
					chord.bass?.alter
				].join()
			: '';
		if ((chords.at(-1)?.[1] ?? '') !== name) chords.push([tickOf(chart, event, moment), name]);
	}
	return JSON.stringify([bars, chords]);
}

/** Keys that are written with the same signature; a format that knows two modes tells only minor from major. */
const alike = (a: Key, b: Key, moment: Moment): boolean =>
	fifthsOf(a) === fifthsOf(b) ||
	(moment === 'written' && sameTonic(a, b) && isMinorMode(a.mode) === isMinorMode(b.mode));

const sameTonic = (a: Key, b: Key): boolean =>
	a.tonic.letter === b.tonic.letter && a.tonic.alter === b.tonic.alter;

/**
 * True when two charts have the same title, tempo, signature of the key, bars, and chords at the same
 * ticks: one may then stand for the other, with its sections, comments and spelling.
 */
export function sameMusic(a: Chart, b: Chart, moment: Moment = 'sounding'): boolean {
	const [one, other] = [a.headers, b.headers];
	const [keyA, keyB] = [keyOf(a), b.headers.key];
	return (
		(one.title ?? 'Untitled tune') === (other.title ?? 'Untitled tune') &&
		one.tempo === other.tempo &&
		(!keyA || !keyB || alike(keyA, keyB, moment)) &&
		a.played.length > 0 &&
		music(a, moment) === music(b, moment)
	);
}

import { beatTicks, type Chart } from '../chart';
import { keyOf, namedBy, oneSpelling, type Scale } from '../harmony';

/** A note that is to be named: where in time, how high, over which event of the chart. */
type Unnamed = { readonly tick: number; readonly midi: number; readonly chord: number };

/**
 * Names the notes of a line by the chord and the scale of their moment and by the key; within one beat no
 * pitch has two names.
 * @param scales by event of the chart
 * @param notes in order of time; `chord` is the index of the event that sounds
 * @param round the last note leads back to the first
 */
export function spellLine<T extends Unnamed>(
	chart: Chart,
	scales: readonly (Scale | null)[],
	notes: readonly T[],
	round = false
) {
	const after = round ? (notes[0]?.midi ?? null) : null;
	const key = keyOf(chart);
	const next = followers(notes);
	const named = notes.map((note, i) => {
		const by = {
			chord: chart.events[note.chord]?.chord ?? null,
			scale: scales[note.chord] ?? null,
			key
		};
		const { name, by: from } = namedBy(note.midi, by, next[i]?.midi ?? after);
		return { name, by: from, midi: note.midi };
	});
	const beats = beatsOf(chart, notes);
	const names = oneSpelling(named, (i) => beats[i]!);
	return notes.map((note, i) => ({ ...note, name: names[i] }));
}

/** The note that comes after each one in time: those that are struck together do not follow one another. */
function followers<T extends Unnamed>(notes: readonly T[]): (T | undefined)[] {
	const found = new Array<T | undefined>(notes.length);
	for (let i = notes.length - 1; i >= 0; i--) {
		const after = notes[i + 1];
		found[i] = after && after.tick === notes[i]!.tick ? found[i + 1] : after;
	}
	return found;
}

/** The first tick of the beat that holds each note; the notes stand in order, so one walk along the bars finds all. */
function beatsOf({ played }: Chart, notes: readonly Unnamed[]): number[] {
	let at = 0;
	return notes.map(({ tick }) => {
		while (at + 1 < played.length && played[at + 1]!.startTick <= tick) at++;
		const { startTick, signature } = played[at]!;
		const beat = beatTicks(signature);
		return startTick + Math.floor((tick - startTick) / beat) * beat;
	});
}

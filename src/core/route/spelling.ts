import { toneAt, type Chord } from '../chord';
import type { Scale } from '../harmony';
import {
	above,
	noteName,
	parseNote,
	pitchClass,
	plainName,
	type Notation,
	type Note
} from '../pitch';

const HALF_UP = { steps: 1, semitones: 1 };
const HALF_DOWN = { steps: 6, semitones: 11 };

/**
 * The name of a pitch over a chord: as the chord spells it, else as the scale does, else as a neighbour
 * of the note that it leads to (C♯ rises to D, D♭ falls to C); plain where that would take a double sign.
 * @param toward the note that follows, null when unknown
 */
export function nameOver(
	midi: number,
	chord: Chord | null,
	scale: Scale | null,
	toward: { readonly midi: number; readonly name: Notation } | null
): Notation {
	const pc = midi % 12;
	const tone = chord && toneAt(chord, midi);
	if (tone) return tone.name;
	const degree = scale?.notes.find((note) => note.pc === pc);
	if (degree) return degree.name;
	const goal = toward && parseNote(toward.name);
	if (goal && Math.abs(toward.midi - midi) === 1) {
		const name = noteName(neighbour(goal, toward.midi > midi));
		if (!/bb|##/.test(name)) return name;
	}
	return plainName(pc);
}

const neighbour = (note: Note, below: boolean): Note => {
	const found = above(note, below ? HALF_DOWN : HALF_UP);
	return pitchClass(found) === (pitchClass(note) + (below ? 11 : 1)) % 12 ? found : note;
};

import { toneAt, type Chord, type Key } from '../chord';
import { above, degreeInterval, notation, noteName, pitchClass, type Notation } from '../pitch';
import { homeDegrees } from './home';
import type { Scale } from './scale';

/** What a note is named by: the chord that sounds, the scale in use and the key; each may be unknown. */
export type NamedBy = {
	readonly chord: Chord | null;
	readonly scale: Scale | null;
	readonly key: Key | null;
};

/** Chromatic notes rise with sharps and fall with flats; without a direction the usual ones stand. */
const RISING = ['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'].map(notation);
const FALLING = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'].map(notation);
const RESTING = ['C', 'C#', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'].map(notation);

/** Names that nobody expects of a note from outside: F♭, C♭, E♯, B♯ and double signs. */
const ODD = /^(?:Fb|Cb|E#|B#|.{3,})$/;

type Side = 'sharps' | 'flats' | 'both';
type KeyNames = { readonly names: ReadonlyMap<number, Notation>; readonly side: Side };
const known = new Map<string, KeyNames>();

/** The notes of a key by pitch class, odd ones left out, and the signs that it is written with. */
function namesOf(key: Key): KeyNames {
	const at = `${noteName(key.tonic)} ${key.mode}`;
	const found = known.get(at);
	if (found) return found;
	const notes = homeDegrees(key.mode).map((degree) => above(key.tonic, degreeInterval(degree)));
	const names = notes
		.map((note) => [pitchClass(note), noteName(note)] as const)
		.filter(([, name]) => !ODD.test(name));
	const alters = notes.reduce((sum, note) => sum + note.alter, 0);
	const side: Side = alters > 0 ? 'sharps' : alters < 0 ? 'flats' : 'both';
	const made = { names: new Map(names), side };
	if (known.size > 512) known.clear();
	known.set(at, made);
	return made;
}

/** How surely a note has its name: a chord tone's first, a chromatic note's last. */
export type Named = {
	readonly name: Notation;
	readonly by: 'chord' | 'scale' | 'key' | 'direction';
};

/**
 * The name of a pitch, and what gives it: the chord, else the scale in use, else the key, which keeps its
 * own names (F♯ in G, whatever the line does). Any other note rises with a sharp and falls with a flat and
 * is never F♭, C♭, E♯, B♯ or doubly altered; without a direction it takes the signs of the key.
 * @param toward MIDI number of the note that follows, null when unknown
 */
export function namedBy(
	midi: number,
	{ chord, scale, key }: NamedBy,
	toward: number | null
): Named {
	const pc = ((midi % 12) + 12) % 12;
	const tone = chord && toneAt(chord, pc);
	if (tone) return { name: tone.name, by: 'chord' };
	const degree = scale?.notes.find((note) => note.pc === pc);
	if (degree) return { name: degree.name, by: 'scale' };
	const own = key && namesOf(key);
	const kept = own?.names.get(pc);
	if (kept) return { name: kept, by: 'key' };
	const up = toward === null ? 0 : Math.sign(toward - midi);
	const byKey = { sharps: RISING, flats: FALLING, both: RESTING }[own?.side ?? 'both'];
	return { name: (up > 0 ? RISING : up < 0 ? FALLING : byKey)[pc]!, by: 'direction' };
}

/** The name alone; see `namedBy`. */
export const nameOver = (midi: number, by: NamedBy, toward: number | null = null): Notation =>
	namedBy(midi, by, toward).name;

const SURE: Record<Named['by'], number> = { direction: 0, key: 1, scale: 2, chord: 3 };

/**
 * Takes care that no pitch is spelled twice within one group of notes (a beat): notes that only their
 * direction names take the name that the same sound has there already, the surest one. Tones of two chords
 * keep their chords' names.
 * @param named in order of time
 * @param groupOf the group of each, any number that tells one group from the next; notes of a group follow
 * each other
 */
export function oneSpelling(
	named: readonly (Named & { readonly midi: number })[],
	groupOf: (i: number) => number
): Notation[] {
	const names: Notation[] = [];
	let start = 0;
	while (start < named.length) {
		const group = groupOf(start);
		const best: (Named | undefined)[] = [];
		let end = start;
		for (; end < named.length && (end === start || groupOf(end) === group); end++) {
			const one = named[end]!;
			const pc = ((one.midi % 12) + 12) % 12;
			const there = best[pc];
			if (!there || SURE[one.by] > SURE[there.by]) best[pc] = one;
		}
		for (let i = start; i < end; i++) {
			const one = named[i]!;
			const surest = best[((one.midi % 12) + 12) % 12];
			names.push(one.by === 'chord' || !surest ? one.name : surest.name);
		}
		start = end;
	}
	return names;
}

import {
	above,
	asciiAccidentals,
	degreeInterval,
	mod,
	notation,
	noteName,
	pitchClass,
	type Notation,
	type Note,
	type PitchClass
} from '../pitch';

/** A note of a scale with its degree (`1`, `b3`, `#4`). */
export type ScaleNote = {
	readonly degree: Notation;
	readonly note: Note;
	readonly name: Notation;
	readonly pc: PitchClass;
};

/** A scale on a tonic; `name` is its name in the library, or its degrees when it is the player's own. */
export type Scale = {
	readonly tonic: Note;
	readonly name: string;
	readonly notes: readonly ScaleNote[];
};

const LIBRARY: Record<string, string> = {
	major: '1 2 3 4 5 6 7',
	dorian: '1 2 b3 4 5 6 b7',
	phrygian: '1 b2 b3 4 5 b6 b7',
	lydian: '1 2 3 #4 5 6 7',
	mixolydian: '1 2 3 4 5 6 b7',
	'natural minor': '1 2 b3 4 5 b6 b7',
	locrian: '1 b2 b3 4 b5 b6 b7',
	'harmonic minor': '1 2 b3 4 5 b6 7',
	'locrian natural 6': '1 b2 b3 4 b5 6 b7',
	'ionian #5': '1 2 3 4 #5 6 7',
	'dorian #4': '1 2 b3 #4 5 6 b7',
	'phrygian dominant': '1 b2 3 4 5 b6 b7',
	'lydian #2': '1 #2 3 #4 5 6 7',
	'altered bb7': '1 b2 b3 b4 b5 b6 bb7',
	'melodic minor': '1 2 b3 4 5 6 7',
	'dorian b2': '1 b2 b3 4 5 6 b7',
	'lydian augmented': '1 2 3 #4 #5 6 7',
	'lydian dominant': '1 2 3 #4 5 6 b7',
	'mixolydian b6': '1 2 3 4 5 b6 b7',
	'locrian natural 2': '1 2 b3 4 b5 b6 b7',
	altered: '1 b2 b3 b4 b5 b6 b7',
	'harmonic major': '1 2 3 4 5 b6 7',
	'dorian b5': '1 2 b3 4 b5 6 b7',
	'phrygian b4': '1 b2 b3 b4 5 b6 b7',
	'lydian b3': '1 2 b3 #4 5 6 7',
	'mixolydian b2': '1 b2 3 4 5 6 b7',
	'lydian augmented #2': '1 #2 3 #4 #5 6 7',
	'locrian bb7': '1 b2 b3 4 b5 b6 bb7',
	'double harmonic': '1 b2 3 4 5 b6 7',
	'hungarian minor': '1 2 b3 #4 5 b6 7',
	'major pentatonic': '1 2 3 5 6',
	'minor pentatonic': '1 b3 4 5 b7',
	'minor pentatonic 9': '1 2 b3 4 5 b7',
	'minor pentatonic 6': '1 b3 4 5 6',
	'major blues': '1 2 b3 3 5 6',
	'minor blues': '1 b3 4 b5 5 b7',
	'dominant pentatonic': '1 2 3 5 b7',
	'mixolydian pentatonic': '1 3 4 5 b7',
	'lydian pentatonic': '1 3 #4 5 7',
	'whole tone': '1 2 3 #4 #5 b7',
	'half-whole diminished': '1 b2 b3 3 #4 5 6 b7',
	'whole-half diminished': '1 2 b3 4 b5 b6 6 7',
	'bebop dominant': '1 2 3 4 5 6 b7 7',
	'bebop major': '1 2 3 4 5 #5 6 7',
	'bebop dorian': '1 2 b3 3 4 5 6 b7',
	chromatic: '1 b2 2 b3 3 4 #4 5 b6 6 b7 7'
};

const ALIASES: Record<string, string> = {
	ionian: 'major',
	minor: 'natural minor',
	aeolian: 'natural minor',
	blues: 'minor blues',
	'locrian 2': 'locrian natural 2',
	'locrian #2': 'locrian natural 2',
	'locrian 6': 'locrian natural 6',
	'locrian #6': 'locrian natural 6',
	'major #5': 'ionian #5',
	'ionian augmented': 'ionian #5',
	'super locrian': 'altered',
	'altered dominant': 'altered',
	'super locrian bb7': 'altered bb7',
	acoustic: 'lydian dominant',
	'half-whole': 'half-whole diminished',
	'whole-half': 'whole-half diminished',
	diminished: 'whole-half diminished'
};

/** A name as the library writes it: lower case, plain signs, a natural in words. */
const plainScaleName = (name: string): string =>
	asciiAccidentals(name.replaceAll('♮', 'natural ')).trim().toLowerCase().replace(/\s+/g, ' ');

/** Names of the scale library. */
export const SCALE_NAMES: readonly string[] = Object.keys(LIBRARY);

const MIN_NOTES = 3;

/**
 * Reads a scale given by its degrees (`1 b3 4 5 b7`, `1 2 ♭3 …`): from 1 upward, 3 to 12 of them,
 * each sound once. Null when the text is none.
 */
export function parseDegrees(text: string): string | null {
	const degrees = asciiAccidentals(text)
		.trim()
		.split(/[\s,]+/);
	if (degrees[0] !== '1' || degrees.length < MIN_NOTES) return null;
	if (!degrees.every((degree) => /^(?:bb|b|##|#)?[1-7]$/.test(degree))) return null;
	const sounds = degrees.map((degree) => degreeInterval(degree).semitones);
	const rises = sounds.every((sound, i) => (i === 0 || sound > sounds[i - 1]!) && sound < 12);
	return rises ? degrees.join(' ') : null;
}

const BY_DEGREES = new Map(Object.entries(LIBRARY).map(([name, degrees]) => [degrees, name]));

const libraries = new Map<string, readonly Scale[]>();

/** Every scale of the library that serves a chord, on one tonic; kept, for there are few tonics. */
export function libraryOn(tonic: Note): readonly Scale[] {
	const name = noteName(tonic);
	const known = libraries.get(name);
	if (known) return known;
	const made = HOME_SCALES.flatMap((scale) => buildScale(tonic, scale) ?? []);
	libraries.set(name, made);
	return made;
}

/** The pitch classes of a scale as bits. */
export const maskOf = (scale: Scale): number =>
	scale.notes.reduce((mask, note) => mask | (1 << note.pc), 0);

/** Bebop and chromatic scales are ways of filling, no home for a chord. */
const FILLING = /^(bebop|chromatic)/;

/** Names of the library that serve a chord. */
const HOME_SCALES: readonly string[] = SCALE_NAMES.filter((name) => !FILLING.test(name));

/** Semitones above a tonic as bits. */
const bits = (semitones: readonly number[]): number =>
	semitones.reduce((mask, semitone) => mask | (1 << semitone), 0);

const BY_SOUND = new Map(
	HOME_SCALES.map((name) => [
		bits(LIBRARY[name]!.split(' ').map((degree) => degreeInterval(degree).semitones)),
		name
	])
);

/**
 * The scale of the library that begins on a tonic and holds exactly some pitch classes, the tonic among
 * them; null where no usual name starts there.
 * @example scaleFrom(parseNote('F'), cDorianPitchClasses)?.name // 'mixolydian'
 */
export function scaleFrom(tonic: Note, pcs: Iterable<PitchClass>): Scale | null {
	const base = pitchClass(tonic);
	const name = BY_SOUND.get(bits([...pcs].map((pc) => mod(pc - base, 12))));
	if (name === undefined) return null;
	return libraryOn(tonic).find((scale) => scale.name === name) ?? null;
}

/**
 * Builds a scale on a tonic, spelled by its degrees: a name of the library, or a player's own scale
 * as a list of degrees.
 * @returns null when it is neither (names are case-insensitive, usual synonyms work).
 * @example buildScale(parseNote('Bb'), 'minor pentatonic')?.notes.map((n) => n.name) // Bb Db Eb F Ab
 */
export function buildScale(tonic: Note, name: string): Scale | null {
	const wanted = plainScaleName(name);
	const named = Object.hasOwn(ALIASES, wanted) ? ALIASES[wanted]! : wanted;
	const own = Object.hasOwn(LIBRARY, named) ? null : parseDegrees(name);
	const known = own ? (BY_DEGREES.get(own) ?? own) : named;
	const degrees = Object.hasOwn(LIBRARY, known) ? LIBRARY[known] : own;
	if (!degrees) return null;
	const notes = degrees.split(' ').map((degree): ScaleNote => {
		const note = above(tonic, degreeInterval(degree));
		return { degree: notation(degree), note, name: noteName(note), pc: pitchClass(note) };
	});
	return { tonic, name: known, notes };
}

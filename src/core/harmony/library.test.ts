import { describe, expect, it } from 'vitest';
import { above, degreeInterval, noteName, parseNote } from '../pitch';
import { buildScale, scaleFrom, SCALE_NAMES } from '.';

/** The library on C, note by note. */
const TABLE: Record<string, string> = {
	major: 'C D E F G A B',
	dorian: 'C D Eb F G A Bb',
	phrygian: 'C Db Eb F G Ab Bb',
	lydian: 'C D E F# G A B',
	mixolydian: 'C D E F G A Bb',
	'natural minor': 'C D Eb F G Ab Bb',
	locrian: 'C Db Eb F Gb Ab Bb',
	'harmonic minor': 'C D Eb F G Ab B',
	'melodic minor': 'C D Eb F G A B',
	'locrian natural 6': 'C Db Eb F Gb A Bb',
	'ionian #5': 'C D E F G# A B',
	'dorian #4': 'C D Eb F# G A Bb',
	'phrygian dominant': 'C Db E F G Ab Bb',
	'lydian #2': 'C D# E F# G A B',
	'altered bb7': 'C Db Eb Fb Gb Ab Bbb',
	'dorian b2': 'C Db Eb F G A Bb',
	'lydian augmented': 'C D E F# G# A B',
	'lydian dominant': 'C D E F# G A Bb',
	'mixolydian b6': 'C D E F G Ab Bb',
	'locrian natural 2': 'C D Eb F Gb Ab Bb',
	altered: 'C Db Eb Fb Gb Ab Bb',
	'harmonic major': 'C D E F G Ab B',
	'dorian b5': 'C D Eb F Gb A Bb',
	'phrygian b4': 'C Db Eb Fb G Ab Bb',
	'lydian b3': 'C D Eb F# G A B',
	'mixolydian b2': 'C Db E F G A Bb',
	'lydian augmented #2': 'C D# E F# G# A B',
	'locrian bb7': 'C Db Eb F Gb Ab Bbb',
	'double harmonic': 'C Db E F G Ab B',
	'hungarian minor': 'C D Eb F# G Ab B',
	'major pentatonic': 'C D E G A',
	'minor pentatonic': 'C Eb F G Bb',
	'minor pentatonic 9': 'C D Eb F G Bb',
	'minor pentatonic 6': 'C Eb F G A',
	'major blues': 'C D Eb E G A',
	'minor blues': 'C Eb F Gb G Bb',
	'dominant pentatonic': 'C D E G Bb',
	'mixolydian pentatonic': 'C E F G Bb',
	'lydian pentatonic': 'C E F# G B',
	'whole tone': 'C D E F# G# Bb',
	'half-whole diminished': 'C Db Eb E F# G A Bb',
	'whole-half diminished': 'C D Eb F Gb Ab A B',
	'bebop dominant': 'C D E F G A Bb B',
	'bebop major': 'C D E F G G# A B',
	'bebop dorian': 'C D Eb E F G A Bb',
	chromatic: 'C Db D Eb E F F# G Ab A Bb B'
};

const note = (name: string) => {
	const found = parseNote(name);
	if (!found) throw new Error(name);
	return found;
};

describe('the scale library', () => {
	it('is the table', () => expect([...SCALE_NAMES].sort()).toEqual(Object.keys(TABLE).sort()));

	it.each(Object.entries(TABLE))('C %s: %s', (name, notes) => {
		expect(
			buildScale(note('C'), name)
				?.notes.map((n) => n.name)
				.join(' ')
		).toBe(notes);
	});

	it('rises from its tonic, whatever the tonic', () => {
		for (const tonic of ['Gb', 'F#', 'B', 'Ab', 'D', 'E']) {
			for (const name of SCALE_NAMES) {
				const scale = buildScale(note(tonic), name);
				const steps = scale?.notes.map((n) => (n.pc - scale.notes[0].pc + 12) % 12) ?? [];
				expect(steps[0]).toBe(0);
				expect(steps, `${tonic} ${name}`).toEqual([...steps].sort((a, b) => a - b));
				for (const entry of scale?.notes ?? []) {
					const spelled = above(note(tonic), degreeInterval(entry.degree));
					expect(entry.name).toBe(noteName(spelled));
				}
			}
		}
	});

	it('knows the usual synonyms, in any case', () => {
		for (const [said, meant] of [
			['Ionian', 'major'],
			['AEOLIAN', 'natural minor'],
			['minor', 'natural minor'],
			['blues', 'minor blues'],
			[' Lydian ', 'lydian'],
			['locrian ♮2', 'locrian natural 2'],
			['Locrian ♮6', 'locrian natural 6'],
			['ionian ♯5', 'ionian #5'],
			['dorian ♭2', 'dorian b2'],
			['mixolydian ♭6', 'mixolydian b6'],
			['altered ♭♭7', 'altered bb7'],
			['altered 𝄫7', 'altered bb7'],
			['whole-half', 'whole-half diminished']
		]) {
			expect(buildScale(note('C'), said)?.name).toBe(meant);
		}
	});

	/** Every mode of a parent, from its first degree up. */
	const FAMILIES: Record<string, string[]> = {
		major: ['major', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'natural minor', 'locrian'],
		'harmonic minor': [
			...['harmonic minor', 'locrian natural 6', 'ionian #5', 'dorian #4'],
			...['phrygian dominant', 'lydian #2', 'altered bb7']
		],
		'melodic minor': [
			...['melodic minor', 'dorian b2', 'lydian augmented', 'lydian dominant'],
			...['mixolydian b6', 'locrian natural 2', 'altered']
		],
		'harmonic major': [
			...['harmonic major', 'dorian b5', 'phrygian b4', 'lydian b3'],
			...['mixolydian b2', 'lydian augmented #2', 'locrian bb7']
		]
	};
	it.each(Object.entries(FAMILIES))(
		'knows the seven modes of %s in twelve keys',
		(parent, modes) => {
			for (const tonic of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B']) {
				const scale = buildScale(note(tonic), parent);
				scale?.notes.forEach((start, i) => {
					const mode = scaleFrom(
						start.note,
						scale.notes.map((entry) => entry.pc)
					);
					expect(mode?.name, `${tonic} ${parent} from ${start.name}`).toBe(modes[i]);
					const names = (list: readonly { name: string }[] | undefined) =>
						list?.map((entry) => entry.name).sort();
					expect(names(mode?.notes)).toEqual(names(scale.notes));
				});
			}
		}
	);

	it('has one name for a set of notes on a tonic', () => {
		for (const name of SCALE_NAMES) {
			const scale = buildScale(note('C'), name);
			const found = scaleFrom(note('C'), scale?.notes.map((entry) => entry.pc) ?? []);
			if (!/^(bebop|chromatic)/.test(name)) expect(found?.name).toBe(name);
			else expect(found).toBeNull();
		}
	});
});

import { describe, expect, it } from 'vitest';
import { above, degreeInterval, noteName, parseNote } from '../pitch';
import { buildScale, SCALE_NAMES } from '.';

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
	'phrygian dominant': 'C Db E F G Ab Bb',
	'lydian dominant': 'C D E F# G A Bb',
	altered: 'C Db Eb Fb Gb Ab Bb',
	'locrian natural 2': 'C D Eb F Gb Ab Bb',
	'dorian #4': 'C D Eb F# G A Bb',
	'lydian augmented': 'C D E F# G# A B',
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
			[' Lydian ', 'lydian']
		]) {
			expect(buildScale(note('C'), said)?.name).toBe(meant);
		}
	});
});

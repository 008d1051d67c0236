import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { parseChord } from '../chord';
import { parseNote } from '../pitch';
import { buildScale, outsideTones, SCALE_NAMES, scaleInUse, scaleOfKey } from '.';

const note = (name: string) => {
	const found = parseNote(name);
	if (!found) throw new Error(`not read: ${name}`);
	return found;
};

describe('scales', () => {
	it.each([
		['Bb', 'minor pentatonic', 'Bb Db Eb F Ab'],
		['Db', 'lydian', 'Db Eb F G Ab Bb C'],
		['F#', 'natural minor', 'F# G# A B C# D E'],
		['G', 'harmonic minor', 'G A Bb C D Eb F#'],
		['C', 'altered', 'C Db Eb Fb Gb Ab Bb'],
		['A', 'minor blues', 'A C D Eb E G'],
		['F', 'dominant pentatonic', 'F G A C Eb'],
		['Eb', 'minor', 'Eb F Gb Ab Bb Cb Db']
	])('%s %s', (tonic, name, notes) => {
		expect(
			buildScale(note(tonic), name)
				?.notes.map((n) => n.name)
				.join(' ')
		).toBe(notes);
	});

	it('has one note per letter in every seven-note scale', () => {
		for (const name of SCALE_NAMES) {
			const scale = buildScale(note('Ab'), name);
			expect(new Set(scale?.notes.map((n) => n.pc)).size).toBe(scale?.notes.length);
			if (scale?.notes.length === 7) {
				expect(new Set(scale.notes.map((n) => n.note.letter)).size, name).toBe(7);
			}
		}
		expect(buildScale(note('C'), 'nothing')).toBeNull();
		expect(buildScale(note('C'), 'constructor')).toBeNull();
	});
});

describe('the scale in use', () => {
	const name = (text: string) => {
		const { scale, diagnostic } = scaleInUse(parseChart(text));
		return `${scale?.notes[0].name} ${scale?.name}${diagnostic ? ` ! ${diagnostic.suggestion}` : ''}`;
	};
	it.each([
		['key: Bb blues\n| Bb7 |', 'Bb minor pentatonic'],
		['key: Db lydian\n| Db |', 'Db lydian'],
		['key: F# minor\n| F#m |', 'F# natural minor'],
		['| Cm |', 'C natural minor'],
		['key: Bb blues\nscale: Bb mixolydian\n| Bb7 |', 'Bb mixolydian'],
		['key: C\nscale: C lydain\n| C |', 'C major ! C lydian'],
		['key: C\nscale: C minor harmonic\n| C |', 'C major ! C harmonic minor'],
		['key: C\nscale: C enigmatic\n| C |', 'C major ! null'],
		['key: C\nscale: C mixolydien\n| C |', 'C major ! C mixolydian']
	])('%j', (text, expected) => expect(name(text)).toBe(expected));

	it('exists for every mode', () => {
		expect(scaleOfKey({ tonic: note('G'), mode: 'mixolydian' }).name).toBe('mixolydian');
	});
});

describe('tones outside the key', () => {
	it.each([
		['Bb7', 'Bb', 'blues', ''],
		['Eb7', 'Bb', 'blues', ''],
		['E°7', 'Bb', 'blues', 'E'],
		['F7', 'Bb', 'blues', 'A'],
		['G7', 'Bb', 'blues', 'B'],
		['C#7', 'F#', 'minor', 'E#'],
		['D', 'F#', 'minor', ''],
		['A7', 'C', 'major', 'C#']
	] as const)('%s in %s %s: %s', (symbol, tonic, mode, names) => {
		const chord = parseChord(symbol);
		if (!chord) throw new Error('not read');
		const outside = outsideTones(chord, { tonic: note(tonic), mode });
		expect(outside.map((tone) => tone.name).join(' ')).toBe(names);
	});
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord } from '../chord';
import { parseNote, pitchClass } from '../pitch';
import {
	buildScale,
	characteristicTones,
	hiddenArpeggios,
	noteVerdict,
	parseDegrees,
	readOver,
	readOverChords,
	scaleChoices,
	SCALE_NAMES
} from '.';
import { runs } from '../test-runs';

const note = (name: string) => {
	const found = parseNote(name);
	if (!found) throw new Error(name);
	return found;
};
const chord = (text: string) => {
	const found = parseChord(text);
	if (!found) throw new Error(text);
	return found;
};
const scale = (tonic: string, name: string) => {
	const found = buildScale(note(tonic), name);
	if (!found) throw new Error(name);
	return found;
};
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];
const SUFFIXES = ['', 'm', '7', 'maj7', 'm7', 'm7b5', 'dim7', '7alt', '9', 'm6', 'sus4', 'maj7#11'];
const anyChord = fc
	.tuple(fc.constantFrom(...ROOTS), fc.constantFrom(...SUFFIXES))
	.map(([r, s]) => chord(r + s));
const anyScale = fc
	.tuple(fc.constantFrom(...ROOTS), fc.constantFrom(...SCALE_NAMES))
	.map(([tonic, name]) => scale(tonic, name));

describe('scale choices', () => {
	const first = (symbol: string, tonic: string, name: string) => {
		const [choice] = scaleChoices(chord(symbol), scale(tonic, name));
		const edits = choice.edits.map(({ from, to }) => `${from ?? ''}→${to ?? ''}`).join(' ');
		return `${choice.scale.notes[0].name} ${choice.scale.name}: ${edits}`;
	};
	it.each([
		['Eb7', 'Bb', 'minor pentatonic', 'Eb dominant pentatonic: Ab→G'],
		['Bb7', 'Bb', 'minor pentatonic', 'Bb mixolydian pentatonic: Db→D'],
		['Edim7', 'Bb', 'minor pentatonic', 'Bb 1 b3 #4 5 6: Eb→E Ab→G'],
		['C#7', 'F#', 'natural minor', 'C# phrygian dominant: E→E#'],
		['Dm7', 'C', 'major', 'C major: '],
		['D7', 'C', 'major', 'D mixolydian: F→F#'],
		['A7', 'C', 'major', 'A mixolydian b6: C→C#'],
		['Fm', 'C', 'major', 'F lydian b3: A→Ab']
	])('%s in %s %s: %s', (symbol, tonic, name, told) => {
		expect(first(symbol, tonic, name)).toBe(told);
	});

	it('put scales with all tones first and few edits before many; edits lead to the scale', () => {
		fc.assert(
			fc.property(anyChord, anyScale, (given, inUse) => {
				const choices = scaleChoices(given, inUse, { limit: 12 });
				for (const [i, choice] of choices.entries()) {
					const pcs = new Set(choice.scale.notes.map((n) => n.pc));
					expect(choice.containsAll).toBe(given.tones.every((tone) => pcs.has(tone.pc)));
					const edited = new Set(inUse.notes.map((n) => n.pc));
					for (const { from, to } of choice.edits) {
						if (from) expect(edited.delete(pitchClass(note(from)))).toBe(true);
						if (to) edited.add(pitchClass(note(to)));
					}
					expect([...edited].sort()).toEqual([...pcs].sort());
					const before = choices[i - 1];
					if (!before) continue;
					expect(Number(before.containsAll)).toBeGreaterThanOrEqual(Number(choice.containsAll));
					// The first three keep their own order, and so does the rest: the usual scales are lifted.
					if (before.containsAll === choice.containsAll && i !== 3) {
						expect(before.edits.length).toBeLessThanOrEqual(choice.edits.length);
					}
				}
				// The scale in use adapted to the chord always holds all of it.
				expect(choices[0].containsAll).toBe(true);
				for (const { lacks, containsAll } of choices) expect(lacks.length === 0).toBe(containsAll);
			}),
			{ numRuns: runs(150) }
		);
	});
});

describe("a player's own scale", () => {
	it.each([
		['1 b3 #4 5 6', '1 b3 #4 5 6'],
		['1 ♭3 4', '1 b3 4'],
		['1, 2, 3', '1 2 3'],
		['1 2', null],
		['2 3 4', null],
		['1 3 2', null],
		['1 b9 3', null],
		['1 3 b4 5', null],
		['blues', null]
	])('%s is %s', (text, degrees) => expect(parseDegrees(text)).toBe(degrees));

	it('is spelled from its degrees and takes the name of the library where it has one', () => {
		expect(scale('Bb', '1 b3 #4 5 6').notes.map((n) => n.name)).toEqual([
			'Bb',
			'Db',
			'E',
			'F',
			'G'
		]);
		expect(scale('C', '1 b3 4 5 b7').name).toBe('minor pentatonic');
		expect(scale('C', '1 ♭3 4').name).toBe('1 b3 4');
	});
});

describe('verdicts', () => {
	it.each([
		['F', 'C', 'clash', '11'],
		['F', 'C7', 'clash', '11'],
		['F', 'Cm7', 'colour', '11'],
		['Eb', 'C7', 'clash', '#9'],
		['Eb', 'C', 'clash', '#9'],
		['Ab', 'Cm7', 'clash', 'b13'],
		['Db', 'Cm7', 'clash', 'b9'],
		['Db', 'Cm7b5', 'clash', 'b9'],
		['Ab', 'Cm7b5', 'colour', 'b13'],
		['D', 'C', 'colour', '9'],
		['A', 'C', 'colour', '6'],
		['A', 'C7', 'colour', '13'],
		['F#', 'C', 'colour', '#11'],
		['Gb', 'C7', 'passing', 'b5'],
		['B', 'C7', 'clash', '7'],
		['B', 'C', 'colour', '7'],
		['E', 'C7sus4', 'passing', '3'],
		['G', 'C', 'home', '5'],
		['Db', 'Eb/Db', 'home', 'bass'],
		// A foreign bass counts as a tone: what lies a semitone above it clashes.
		['D', 'C/Db', 'clash', '9']
	])('%s over %s is %s', (name, symbol, verdict, role) => {
		expect(noteVerdict(note(name), chord(symbol))).toMatchObject({ verdict, role });
	});

	it('takes tensions for colour on a dominant that resolves', () => {
		for (const name of ['Ab', 'Bb', 'Eb']) {
			expect(noteVerdict(note(name), chord('G7')).verdict).toBe('clash');
			expect(noteVerdict(note(name), chord('G7'), chord('Cm7')).verdict).toBe('colour');
			expect(noteVerdict(note(name), chord('G7'), chord('Dm7')).verdict).toBe('clash');
		}
		expect(noteVerdict(note('C'), chord('G7'), chord('Cm7')).verdict).toBe('clash');
	});

	it('say how a clash is treated', () => {
		expect(noteVerdict(note('Ab'), chord('Eb7')).treatment).toContain('G, the third');
		expect(noteVerdict(note('Db'), chord('Bb7')).treatment).toContain('curl it up');
	});

	it('call every chord tone home and nothing else', () => {
		fc.assert(
			fc.property(anyChord, anyScale, (given, { notes }) => {
				for (const entry of notes) {
					const { verdict, treatment } = noteVerdict(entry.note, given);
					expect(verdict === 'home').toBe(given.tones.some((tone) => tone.pc === entry.pc));
					if (verdict === 'clash') expect(treatment).not.toBeNull();
				}
			})
		);
	});
});

describe('hidden arpeggios', () => {
	const over = (symbol: string, tonic: string, name: string) =>
		hiddenArpeggios(scale(tonic, name), chord(symbol)).map(
			(h) => `${h.name}: ${h.roles.join(' ')}`
		);

	it('are read over the chord', () => {
		const found = over('Ab', 'Ab', 'major');
		expect(found).toContain('Cm7: 3 5 7 9');
		expect(found).toContain('Fm7: 6 R 3 5');
		expect(found.indexOf('Cm7: 3 5 7 9')).toBeLessThan(4);
		expect(over('C', 'C', 'lydian')).toContain('C 1 3 #4 7: R 3 #11 7');
		expect(found.some((line) => line.startsWith('Ab:'))).toBe(false);
	});

	it('lie wholly inside the scale and hold three or four notes', () => {
		fc.assert(
			fc.property(anyChord, anyScale, (given, inUse) => {
				const pcs = new Set(inUse.notes.map((n) => n.pc));
				for (const { notes, roles, verdicts } of hiddenArpeggios(inUse, given)) {
					expect([3, 4, 5]).toContain(notes.length);
					expect(roles.length + verdicts.length).toBe(2 * notes.length);
					for (const n of notes) expect(pcs.has(pitchClass(n))).toBe(true);
				}
			}),
			{ numRuns: runs(60) }
		);
	});

	it('become something else over every chord', () => {
		const notes = chord('Cm7').tones.map((tone) => tone.note);
		const read = readOverChords(notes, [chord('Ab'), chord('Eb7'), chord('F7')]);
		expect(read.map(({ roles }) => roles.join(' '))).toEqual(['3 5 7 9', '13 R 3 5', '5 b7 9 11']);
	});
});

it('names what a note is over a chord', () => {
	expect(readOver(note('Gb'), chord('C'))).toBe('b5');
	expect(readOver(note('F#'), chord('C'))).toBe('#11');
	expect(readOver(note('A'), chord('Cm'))).toBe('6');
	expect(readOver(note('Eb'), chord('C5'))).toBe('b3');
});

it('names the tones that set a scale apart', () => {
	const told = (tonic: string, name: string) =>
		characteristicTones(scale(tonic, name))
			.map((n) => n.degree)
			.join(' ');
	expect(told('C', 'mixolydian')).toBe('b7');
	expect(told('C', 'lydian')).toBe('#4');
	expect(told('C', 'dorian')).toBe('6');
	expect(told('C', 'phrygian')).toBe('b2');
	expect(told('C', 'harmonic minor')).toBe('7');
	expect(told('C', 'minor pentatonic') + told('C', 'major')).toBe('');
});

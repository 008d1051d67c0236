import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart, transposeText } from '../chart';
import { parseChord, type Role, ROLES, toneAt } from '../chord';
import { buildScale } from '../harmony';
import { inWindow, lastPosition, parseTuning, pitchAt } from '../neck';
import { intervalBetween, parseNote } from '../pitch';
import { mirror } from './mirror';
import { moveByScale, sequence, symmetric } from './repeat';
import { roleOver } from './role-over';
import { context, GANGWAY, guitar, midis, names, steps } from './test-phrases';
import type { Phrase } from './types';

const chordOf = (symbol: string) => {
	const chord = parseChord(symbol);
	if (!chord) throw new Error(symbol);
	return chord;
};
const scaleOf = (tonic: string, name: string) => {
	const note = parseNote(tonic);
	const scale = note && buildScale(note, name);
	if (!scale) throw new Error(name);
	return scale;
};
describe('a role over another chord', () => {
	it.each<[string, Role, string]>([
		['Dm7', '3', 'b3'],
		['Csus4', '3', '4'],
		['Bm7b5', '5', 'b5'],
		['Cmaj7', 'b7', '7'],
		['Edim7', 'b7', 'bb7'],
		['G7b9', '9', 'b9'],
		['G7', '9', '9'],
		['Fmaj7#11', '11', '#11'],
		['C6', '6', '6'],
		['C13', '6', '13'],
		['Am', 'R', 'R']
	])('%s: %s becomes %s', (symbol, role, wanted) => {
		expect(roleOver(chordOf(symbol), role, null).role).toBe(wanted);
	});

	it('takes what a chord does not name from the scale in use, unless it clashes', () => {
		const cMajor = scaleOf('C', 'major');
		expect(roleOver(chordOf('C'), 'b7', cMajor).role).toBe('7');
		expect(roleOver(chordOf('G'), '7', cMajor).role).toBe('b7');
		expect(roleOver(chordOf('F'), '11', cMajor).role).toBe('#11');
		// The scale has F over E minor, a semitone above its root: the plain ninth is played.
		expect(roleOver(chordOf('Em'), '9', cMajor).role).toBe('9');
	});

	it('is always a note of the right letter, spelled from the root', () => {
		for (const symbol of ['C', 'F#m7', 'Bb7', 'Ebm7b5', 'Abmaj9', 'G7alt', 'D5', 'Asus2']) {
			for (const role of ROLES.filter((entry) => entry !== 'bass')) {
				const { note, pc } = roleOver(chordOf(symbol), role, null);
				expect(note.letter).toBeGreaterThanOrEqual(0);
				expect(pc).toBeGreaterThanOrEqual(0);
				expect(pc).toBeLessThan(12);
			}
		}
	});

	it('takes the scale’s note of that letter, never another letter that sounds alike', () => {
		const d7 = chordOf('D7');
		// D blues has F, a third: the ninth of D7 stays E.
		expect(roleOver(d7, '9', scaleOf('D', 'blues'))).toMatchObject({ role: '9', pc: 4 });
		const minor = scaleOf('G', 'harmonic minor');
		expect(roleOver(d7, '9', minor, chordOf('Gm'))).toMatchObject({ role: 'b9', pc: 3 });
	});
});

describe('mirror', () => {
	it('moves a call to each root and takes the chord’s own quality', () => {
		expect(names(mirror(GANGWAY, context('| Eb | Cm | B |', 5, null)))).toBe(
			'Bb Eb F G Bb G C D Eb G F# B C# D# F#'
		);
	});

	it('begins on every change, in the same rhythm, and rises where the call rises', () => {
		const phrase = mirror(GANGWAY, context('| Eb | B | Gm7 |'));
		expect(phrase.notes.map((note) => note.tick % 1920)).toEqual(
			Array.from({ length: 3 }, () => [0, 240, 480, 720, 960]).flat()
		);
		for (let i = 0; i < phrase.notes.length; i++) {
			if (i % 5 > 0) expect(phrase.notes[i].midi).toBeGreaterThan(phrase.notes[i - 1].midi);
		}
		expect(phrase.problems).toEqual([]);
		expect(phrase.notes[0].kind).toBe('target');
		expect(phrase.notes[2].role).toBeNull();
	});

	it('gives a short chord the beginning of the motif and says so', () => {
		const { notes, problems } = mirror(GANGWAY, context('| C . . F | G |'));
		expect(notes.filter((note) => note.tick >= 1440 && note.tick < 1920)).toHaveLength(2);
		expect(problems.some(({ message }) => /^F is over before/.test(message))).toBe(true);
	});

	it('of degrees goes up the scale from each root, of semitones nowhere else', () => {
		const degrees = steps('degree', 1, 2, 3, 5);
		expect(names(mirror(degrees, context('key: C major\n| C | Dm | G |')))).toBe(
			'C D E G D E F A G A B D'
		);
		const exact = steps('interval', 0, 4, 7, 10);
		expect(names(mirror(exact, context('| C | Dm |')))).toBe('C E G Bb D F# A C');
	});

	it('stays in the window, and says where a note had to go elsewhere', () => {
		const wide = steps('interval', 0, 12, 24, 36);
		const { notes, problems } = mirror(wide, context('| C |'));
		expect(notes).toHaveLength(4);
		for (const note of notes) expect(inWindow(guitar, 5, note)).toBe(true);
		expect(problems.length).toBeGreaterThan(0);
		expect(problems[0].message).toMatch(
			/is not in position 5; played (an|two) octaves? (lower|higher)/
		);
	});

	it('puts a note that the place does not have at all on the nearest chord tone', () => {
		const sparse = parseTuning('C2 C3 C4 C5');
		if (!sparse) throw new Error('tuning');
		const instrument = { ...guitar, open: sparse.open };
		const { notes, problems } = mirror(steps('role', 'R', '5'), {
			...context('| C |', 7),
			instrument
		});
		expect(notes.every((note) => pitchAt(instrument, note) === note.midi)).toBe(true);
		expect(problems.some(({ message }) => /is played instead|octave/.test(message))).toBe(true);
	});

	it('follows the hand where it moves with the roots', () => {
		const at = { ...context('| Eb | B |'), handAt: (change: number) => (change === 0 ? 6 : 2) };
		const { notes } = mirror(GANGWAY, at);
		expect(notes.slice(0, 5).every((note) => inWindow(guitar, 6, note))).toBe(true);
		expect(notes.slice(5).every((note) => inWindow(guitar, 2, note))).toBe(true);
		const shift = notes.slice(5).map((note, i) => note.midi - notes[i].midi);
		expect(new Set(shift)).toEqual(new Set([-4]));
	});

	it('plays real places with real pitches, transposed as the chart is', () => {
		const roles = ROLES.filter((role) => role !== 'bass');
		fc.assert(
			fc.property(
				fc.array(fc.constantFrom(...roles), { minLength: 1, maxLength: 6 }),
				fc.integer({ min: 1, max: lastPosition(guitar) }),
				fc.constantFrom('Bb7', 'F#m7', 'Abmaj7', 'Edim7', 'G7alt', 'C'),
				(list, position, symbol) => {
					const { notes } = mirror(steps('role', ...list), context(`| ${symbol} |`, position));
					for (const note of notes) {
						expect(pitchAt(guitar, note)).toBe(note.midi);
						expect(inWindow(guitar, position, note)).toBe(true);
						const name = parseNote(note.name);
						expect(name).not.toBeNull();
						const tone = toneAt(chordOf(symbol), note.midi);
						expect(note.role).toBe(tone ? tone.role : null);
					}
				}
			)
		);
	});
});

describe('sequence', () => {
	const run = steps('degree', 1, 2, 3);

	it('goes up the scale step by step, in groups of three', () => {
		const phrase = sequence(run, context('key: C major\n| C | C | C | C |'), 1, 4);
		expect(names(phrase)).toBe('C D E D E F E F G F G A');
		expect(phrase.notes.map((note) => note.tick).slice(0, 6)).toEqual([
			0, 240, 480, 960, 1200, 1440
		]);
	});

	it('goes in thirds, and down', () => {
		const at = context('key: C major\n| C | C | C | C |');
		expect(names(sequence(run, at, 2, 3))).toBe('C D E E F G G A B');
		expect(names(sequence(run, at, -1, 3))).toBe('C D E B C D A B C');
	});

	it('of roles keeps its place in the scale over the chord it began on', () => {
		const at = context('key: A minor\nscale: A minor pentatonic\n| Am7 | Am7 |');
		expect(names(sequence(steps('role', 'R', 'b3', '5'), at, 1, 3))).toBe('A C E C D G D E A');
	});

	it('steps of a scale are the scale’s, whatever lies between', () => {
		const scale = scaleOf('A', 'minor pentatonic');
		expect(moveByScale(57, 1, scale)).toBe(60);
		expect(moveByScale(57, -1, scale)).toBe(55);
		expect(moveByScale(58, 1, scale)).toBe(61);
		fc.assert(
			fc.property(fc.integer({ min: 40, max: 80 }), fc.integer({ min: -9, max: 9 }), (midi, by) => {
				const inside = midi + [0, 2, 1, 0, 2, 1, 1, 0, 2, 1, 0, 1][(midi - 57 + 120) % 12];
				expect(moveByScale(moveByScale(inside, by, scale), -by, scale)).toBe(inside);
			})
		);
	});

	it('folds back into the window and says where', () => {
		const { notes, problems } = sequence(run, context('key: C major\n| C |', 5), 1, 14);
		for (const note of notes) expect(inWindow(guitar, 5, note)).toBe(true);
		expect(
			problems.some(({ message }) => /octave lower, to stay in position 5/.test(message))
		).toBe(true);
		expect(problems.some(({ message }) => /over here/.test(message))).toBe(true);
	});
});

describe('symmetric repetition', () => {
	const cell = steps('interval', 0, 1, 3, 4);

	it('moves by the same interval every time: tritone, minor third, whole tone', () => {
		for (const by of [6, 3, 2, -3]) {
			const phrase = symmetric(cell, context('| G7b9 | G7b9 |', 5), by, 3);
			const pcs = midis(phrase).map((midi) => midi % 12);
			for (let i = 4; i < pcs.length; i++) {
				expect((pcs[i] - pcs[i - 4] + 120) % 12).toBe((by + 12) % 12);
			}
		}
	});

	it('takes the names of the scale that it is found in, in twelve keys', () => {
		const from = parseNote('C');
		for (const name of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B']) {
			const to = parseNote(name);
			if (!from || !to) throw new Error(name);
			const by = intervalBetween(from, to);
			const text = transposeText('key: F minor\n| C7b9 | C7b9 |', by);
			const named = (phrase: Phrase) => new Set(phrase.notes.map((note) => note.name));
			// The diminished seventh on the third: D♭ E G B♭, whichever of them comes first.
			const chord = parseChart(text).events[0].chord;
			const upper = chord?.tones.filter(({ role }) => role !== 'R').map((tone) => tone.name);
			const cellOnThird = steps('interval', 4, 7, 10, 13);
			expect([...named(symmetric(cellOnThird, context(text, 5), 3, 3))].sort()).toEqual(
				upper?.sort()
			);
			// A cell with other notes: the half-whole scale on the root names them all.
			const half = buildScale(to, 'half-whole diminished');
			const wide = symmetric(steps('interval', 0, 3, 4, 6), context(text, 5, null), 3, 4);
			for (const one of wide.notes) {
				const own = chord?.tones.find(({ pc }) => pc === one.midi % 12)?.name;
				const there = half?.notes.find(({ pc }) => pc === one.midi % 12)?.name;
				expect(one.name).toBe(own ?? there);
			}
		}
	});

	it('stays inside the diminished scale that it belongs to', () => {
		const scale = scaleOf('G', 'half-whole diminished');
		const phrase = symmetric(cell, context('| G7b9 | G7b9 |', 3), 3, 4);
		for (const { midi } of phrase.notes) {
			expect(scale.notes.some((note) => note.pc === midi % 12)).toBe(true);
		}
	});
});

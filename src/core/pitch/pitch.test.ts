import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	above,
	degreeInterval,
	intervalBetween,
	noteName,
	parseNote,
	parsePitch,
	pitchClass,
	plainName,
	shortestMove
} from '.';

const anyNote = fc.record({
	letter: fc.integer({ min: 0, max: 6 }),
	alter: fc.integer({ min: -2, max: 2 })
});

describe('notes', () => {
	it('reads ASCII and typographic names alike and prints ASCII', () => {
		for (const [text, name, pc] of [
			['B♭', 'Bb', 10],
			['F♯', 'F#', 6],
			['D𝄫', 'Dbb', 0],
			['C𝄪', 'C##', 2],
			['E', 'E', 4],
			['Cb', 'Cb', 11]
		] as const) {
			const note = parseNote(text);
			expect(note && noteName(note)).toBe(name);
			expect(note && pitchClass(note)).toBe(pc);
		}
	});

	it.each(['', 'H', 'bb', 'B♭♯', 'Bbbb', 'C ', '#'])('does not read %j', (text) => {
		expect(parseNote(text)).toBeNull();
	});

	it('reads back every name that it prints', () => {
		fc.assert(
			fc.property(anyNote, (note) => {
				expect(parseNote(noteName(note))).toEqual(note);
			})
		);
	});
});

describe('intervals', () => {
	it.each([
		['Db', 'b3', 'Fb'],
		['Eb', 'bb7', 'Dbb'],
		['F#', '7', 'E#'],
		['B', '#11', 'E#'],
		['Gb', '4', 'Cb'],
		['G#', '3', 'B#']
	])('%s + %s = %s', (root, degree, name) => {
		const note = parseNote(root);
		expect(note && noteName(above(note, degreeInterval(degree)))).toBe(name);
	});

	it('adds up in letters and in semitones', () => {
		const degree = fc.constantFrom(
			'1',
			'b2',
			'2',
			'b3',
			'3',
			'4',
			'#4',
			'b5',
			'5',
			'6',
			'b7',
			'7',
			'9',
			'#11'
		);
		fc.assert(
			fc.property(anyNote, degree, (note, text) => {
				const interval = degreeInterval(text);
				const found = above(note, interval);
				expect(found.letter).toBe((note.letter + interval.steps) % 7);
				expect(pitchClass(found)).toBe((pitchClass(note) + interval.semitones) % 12);
				expect(intervalBetween(note, found).semitones % 12).toBe(interval.semitones % 12);
			})
		);
	});

	it('refuses what is no degree', () => {
		expect(() => degreeInterval('x')).toThrow(RangeError);
		expect(() => degreeInterval('0')).toThrow(RangeError);
	});

	it('moves by the shorter way', () => {
		expect(shortestMove(0, 11)).toBe(-1);
		expect(shortestMove(11, 0)).toBe(1);
		expect(shortestMove(0, 6)).toBe(6);
	});
});

describe('pitches', () => {
	it.each([
		['E2', 40],
		['A4', 69],
		['Cb4', 59],
		['B#3', 60],
		['F♯3', 54]
	])('%s is MIDI %i', (text, midi) => expect(parsePitch(text)).toBe(midi));

	it.each(['E', '2', 'h2', 'E22', ''])('does not read %j', (text) => {
		expect(parsePitch(text)).toBeNull();
	});

	it('has a plain name for every pitch', () => expect(plainName(64)).toBe('E'));
});

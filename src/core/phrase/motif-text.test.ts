import { must } from '../test-must';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChord } from '../chord';
import { buildScale } from '../harmony';
import { parseNote } from '../pitch';
import { rebased } from './catch';
import { contourOf } from './contour';
import { STARTING_MOTIFS } from './library';
import { readMotif, writeMotif } from './motif-text';
import { BASES, type Basis, type Motif } from './types';

const read = (text: string, basis: Basis = 'role') => {
	return must(readMotif(text, basis));
};
const notes = (text: string, basis?: Basis) =>
	read(text, basis).notes.map((note) => [note.offsetTicks, note.durationTicks, note.step]);
const problem = (text: string, basis: Basis = 'role') => {
	const result = readMotif(text, basis);
	return 'error' in result ? result.error : null;
};

describe('a motif as text', () => {
	it('reads eighths, holds, rests and landings', () => {
		expect(notes('. 5 R 9 3 - 5 -')).toEqual([
			[240, 240, '5'],
			[480, 240, 'R'],
			[720, 240, '9'],
			[960, 480, '3'],
			[1440, 480, '5']
		]);
		expect(read('3 5 - > R')).toEqual({
			basis: 'role',
			notes: [
				{ offsetTicks: 0, durationTicks: 240, step: '3' },
				{ offsetTicks: 240, durationTicks: 480, step: '5' }
			],
			landing: 'R'
		});
	});

	it('divides an eighth, moves by octaves, and begins before the change', () => {
		expect(notes('R,9,3 5,-,.,5')).toEqual([
			[0, 80, 'R'],
			[80, 80, '9'],
			[160, 80, '3'],
			[240, 120, '5'],
			[420, 60, '5']
		]);
		expect(read('r 5^ ♭3__').notes.map(({ step, octave }) => [step, octave])).toEqual([
			['R', undefined],
			['5', 1],
			['b3', -2]
		]);
		expect(notes('5 #9 | 3')).toEqual([
			[-480, 240, '5'],
			[-240, 240, '#9'],
			[0, 240, '3']
		]);
		expect(notes('1 b3 #4 8', 'degree').map(([, , step]) => step)).toEqual(['1', 'b3', '#4', '8']);
		expect(notes('0 −5 12', 'interval').map(([, , s]) => s)).toEqual([0, -5, 12]);
	});

	it.each<[string, Basis, number, RegExp]>([
		['R b33', 'role', 3, /“b33” cannot be read here: write a role/],
		['R 5,bass', 'role', 5, /write a role/],
		['1 0', 'degree', 3, /write a degree/],
		['0 b3', 'interval', 3, /semitones above the root/],
		['- R', 'role', 1, /Nothing sounds/],
		['R . -', 'role', 5, /Nothing sounds/],
		['R | 3 | 5', 'role', 7, /One bar line/],
		['R > X', 'role', 5, /After > write a role/],
		['R >', 'role', 3, /After > write a role/],
		['R > 3 5', 'role', 7, /Nothing follows the landing/],
		['R,3,5,R,3,5,R', 'role', 1, /divided into/],
		['R^^^^', 'role', 1, /three octaves/],
		['. .', 'role', 1, /at least one note/],
		['', 'role', 1, /at least one note/],
		['R '.repeat(65), 'role', 129, /at most 64 notes/],
		['R ' + '- '.repeat(130), 'role', 257, /sixteen bars/]
	])('says what is wrong with “%s” and where', (text, basis, column, message) => {
		expect(problem(text, basis)).toMatchObject({ column });
		expect(problem(text, basis)?.message).toMatch(message);
	});

	it('writes the starting motifs as a player would', () => {
		expect(STARTING_MOTIFS.map(({ motif }) => writeMotif(motif))).toEqual([
			'. 5 R 9 3 . 5 -',
			'3 3 . . . 5 R -',
			'5 - 6 R 3 - -',
			'. . 5 3 - - 9 -',
			'R 9 3 R 9 3 5 -',
			'. . . 3 5 6 R -'
		]);
		for (const { motif } of STARTING_MOTIFS) expect(read(writeMotif(motif) ?? '')).toEqual(motif);
	});

	it('reads back what it writes, on every grid and basis', () => {
		const step = {
			role: fc.constantFrom('R', 'b3', '3', '5', 'b7', '#11', 'b13'),
			degree: fc.constantFrom('1', 'b3', '#4', '8', '11'),
			interval: fc.integer({ min: -12, max: 24 })
		};
		const motif = fc
			.record({
				basis: fc.constantFrom(...BASES),
				grid: fc.constantFrom(480, 240, 120, 80, 60, 48, 40, 30),
				start: fc.integer({ min: -6, max: 6 }),
				gaps: fc.array(fc.tuple(fc.integer({ min: 1, max: 3 }), fc.integer({ min: 0, max: 2 })), {
					minLength: 1,
					maxLength: 8
				})
			})
			.chain(({ basis, grid, start, gaps }) =>
				fc
					.tuple(
						fc.array<string | number>(step[basis] as fc.Arbitrary<string | number>, {
							minLength: gaps.length,
							maxLength: gaps.length
						}),
						fc.array(fc.integer({ min: -2, max: 2 }), {
							minLength: gaps.length,
							maxLength: gaps.length
						})
					)
					.map(([chosen, octaves]): Motif => {
						let at = start;
						return {
							basis,
							notes: gaps.map(([length, rest], i) => {
								const offsetTicks = at * grid;
								at += length + rest;
								return {
									offsetTicks,
									durationTicks: length * grid,
									step: chosen[i],
									...(octaves[i] === 0 ? {} : { octave: octaves[i] })
								};
							})
						};
					})
			);
		fc.assert(
			fc.property(motif, (made) => {
				const text = writeMotif(made);
				if (text === null) throw new Error('not written');
				expect(read(text, made.basis)).toEqual(made);
			})
		);
	});

	it('says so where a rhythm is finer than text', () => {
		const fine = { offsetTicks: 7, durationTicks: 100, step: 'R' };
		expect(writeMotif({ basis: 'role', notes: [fine] })).toBeNull();
	});
});

describe('the same motif by another basis', () => {
	const chord = parseChord('Bb7');
	const tonic = parseNote('Bb');
	const scale = tonic && buildScale(tonic, 'mixolydian');
	if (!chord || !scale) throw new Error('setup');

	it('names the same pitches', () => {
		const call = read('5 R 9 3 5^');
		expect(writeMotif(rebased(call, 'degree', chord, scale))).toBe('5 8 9 10 19');
		expect(writeMotif(rebased(call, 'interval', chord, scale))).toBe('7 12 14 16 31');
		expect(rebased(call, 'role', chord, scale)).toBe(call);
		const landed = read('3 5 > b7', 'role');
		expect(writeMotif(rebased(landed, 'degree', chord, scale))).toBe('3 7');
	});

	it('goes there and back without moving a pitch', () => {
		const steps = fc.array(fc.constantFrom('R', '9', '3', '5', 'b7', '13', '#11'), {
			minLength: 1,
			maxLength: 8
		});
		fc.assert(
			fc.property(steps, fc.constantFrom<Basis>('degree', 'interval'), (list, basis) => {
				const motif = read(list.join(' '));
				const there = rebased(motif, basis, chord, scale);
				const back = rebased(there, 'role', chord, scale);
				const rise = (other: Motif) => contourOf(other, chord, scale, null).rise;
				expect(rise(there)).toEqual(rise(motif));
				expect(rise(back)).toEqual(rise(motif));
			})
		);
	});
});

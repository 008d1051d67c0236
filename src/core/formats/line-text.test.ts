import { QUARTER } from '../kernel';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { buildInstrument, pitchAt, standardGuitar } from '../neck';
import { plainName, spelledPitch } from '../pitch';
import { readNames, readTab, writeNames, writeTab, type TextNote } from '.';
import { linesOn, TEXTS } from './test-pieces';
import { runs } from '../test-runs';

const guitar = standardGuitar();
const chart = parseChart('key: Bb blues\n| Bb7 | Eb7 | Bb7 | % |');
const waltz = parseChart('time: 3/4\n| G | C | {6/8} D | G |');

/** Lines of one note at a time on a grid, with rests; within the chart. */
const lines = (end: number, unit: number) =>
	fc
		.array(
			fc.record({
				gap: fc.integer({ min: 0, max: 3 }),
				long: fc.integer({ min: 1, max: 5 }),
				string: fc.integer({ min: 1, max: 6 }),
				fret: fc.integer({ min: 0, max: 22 })
			}),
			{ minLength: 1, maxLength: 40 }
		)
		.map((parts) => {
			const notes: TextNote[] = [];
			let tick = 0;
			for (const { gap, long, string, fret } of parts) {
				tick += gap * unit;
				if (tick + long * unit > end) break;
				notes.push({ tick, durationTicks: long * unit, string, fret });
				tick += long * unit;
			}
			return notes;
		})
		.filter((notes) => notes.length > 0);

const plain = ({ tick, durationTicks, string, fret }: TextNote): TextNote => ({
	tick,
	durationTicks,
	string,
	fret
});

describe('tab in plain text', () => {
	it.each([
		['eighths', 240, chart],
		['triplets', 160, chart],
		['sixteenths', 120, chart],
		['a waltz that turns into six eighths', 240, waltz]
	])('is read as it was written: %s', (_, unit, on) => {
		const end = on.played.reduce((sum, bar) => sum + bar.lengthTicks, 0);
		fc.assert(
			fc.property(lines(end, unit), (notes) => {
				const text = writeTab(on, guitar, notes);
				const read = readTab(text, on, guitar);
				expect(read.problems).toEqual([]);
				expect(read.notes.map(plain)).toEqual(notes);
				expect([read.fromBar, read.toBar]).toEqual([1, 4]);
			})
		);
	});

	it('looks like a page of tab', () => {
		const notes = [
			{ tick: 0, durationTicks: 480, string: 3, fret: 7, technique: null },
			{ tick: 480, durationTicks: 240, string: 2, fret: 6, technique: null },
			{ tick: 720, durationTicks: 240, string: 2, fret: 9, technique: 'hammer-on' },
			{ tick: 1440, durationTicks: 480, string: 4, fret: 10, technique: 'vibrato' }
		];
		expect(writeTab(chart, guitar, notes, { bars: chart.played.slice(0, 1) })).toBe(
			[
				'   1     2     3     4',
				'e|-------------------------|',
				'B|-------6-h9--.-----------|',
				'G|-7-----------------------|',
				'D|-------------------10~---|',
				'A|-------------------------|',
				'E|-------------------------|',
				''
			].join('\n')
		);
	});

	it.each<[string, string[], (readonly [number, number, number])[]]>([
		[
			'a bar by hand with a dash before the first note',
			[
				'e|-----------------|',
				'B|-----6---8---6---|',
				'G|-7---------------|',
				'D|-|',
				'A|-|',
				'E|-|'
			],
			[
				[0, 3, 7],
				[480, 2, 6],
				[960, 2, 8],
				[1440, 2, 6]
			]
		],
		[
			'eighths in pairs of characters',
			[
				'|----------------|',
				'|----------6-8---|',
				'|5-7-5---5-------|',
				'|------8---------|',
				'|-|',
				'|-|'
			],
			[
				[0, 3, 5],
				[240, 3, 7],
				[480, 3, 5],
				[720, 4, 8],
				[960, 3, 5],
				[1200, 2, 6],
				[1440, 2, 8]
			]
		],
		[
			'slurs, slides and bends between frets',
			[
				'e|----------------|',
				'B|--------8b------|',
				'G|5h7---5/---------|',
				'D|-|',
				'A|-|',
				'E|-|'
			],
			[
				[0, 3, 5],
				[240, 3, 7],
				[720, 3, 5],
				[960, 2, 8]
			]
		]
	])('reads %s', (_, rows, expected) => {
		const wide = Math.max(...rows.map((row) => row.length));
		const text = rows
			.map((row) =>
				row.endsWith('-|') && row.length < 6
					? row.slice(0, -1) + '|'.padStart(wide - row.length + 1, '-')
					: row
			)
			.join('\n');
		const read = readTab(text, chart, guitar, 2);
		expect(read.problems).toEqual([]);
		expect(read.notes.map((note) => [note.tick - 4 * QUARTER, note.string, note.fret])).toEqual(
			expected
		);
		expect([read.fromBar, read.toBar]).toEqual([2, 2]);
	});

	it.each(['blues', 'waltz', 'turning', 'tuned'] as const)(
		'keeps techniques and fingers over %s, with the chords above',
		(name) => {
			fc.assert(
				fc.property(linesOn(TEXTS[name], 120), ({ chart, instrument, notes }) => {
					const text = writeTab(chart, instrument, notes, { chords: true, fingers: true });
					const read = readTab(text, chart, instrument);
					expect(read.problems).toEqual([]);
					expect(read.notes).toEqual(
						notes.map((note) => ({
							...plain(note),
							technique: note.technique,
							finger: note.finger
						}))
					);
				}),
				{ numRuns: runs(60) }
			);
		}
	);

	it('is turned over where the labels say that the thickest string is on top', () => {
		const rows = [
			'E|3-------|',
			'A|--------|',
			'D|--------|',
			'G|--------|',
			'B|--------|',
			'e|----3---|'
		];
		const { notes } = readTab(rows.join('\n'), chart, guitar);
		expect(notes.map(({ string, fret }) => [string, fret])).toEqual([
			[6, 3],
			[1, 3]
		]);
	});

	it.each<[string, string, RegExp, number]>([
		['words', 'play something nice', /There is no tab/, 1],
		['nothing', '', /There is no tab/, 1],
		['too few rows', 'e|--3--|\nB|-----|', /2 rows of tab; the instrument has 6 strings/, 1],
		[
			'a lost bar line',
			['e|----|----|', ...Array.from('BGDAE', (s) => `${s}|---------|`)].join('\n'),
			/has 1 bars, the first one 2/,
			2
		],
		[
			'a fret beyond the neck',
			['e|--25--|', ...Array.from('BGDAE', (s) => `${s}|------|`)].join('\n'),
			/Fret 25 is not on this instrument, which ends at 22/,
			1
		],
		[
			'two notes at once',
			['e|3---|', 'B|3---|', ...Array.from('GDAE', (s) => `${s}|----|`)].join('\n'),
			/Two notes at once/,
			2
		],
		[
			'more bars than the chart has',
			[
				'e|3---|3---|3---|3---|5---|',
				...Array.from('BGDAE', (s) => `${s}${'|----'.repeat(5)}|`)
			].join('\n'),
			/The text has 5 bars, but only 4 are left/,
			1
		]
	])('tells of %s, and where', (_, text, message, line) => {
		const { problems } = readTab(text, chart, guitar);
		expect(problems[0]?.message).toMatch(message);
		expect(problems[0]?.line).toBe(line);
	});

	it('reads any text without harm', () => {
		const sign = fc.constantFrom('|', '-', '1', '9', ' ', '\n', 'e', '.', 'h', '5', 'B', '‖');
		fc.assert(
			fc.property(fc.array(sign, { maxLength: 300 }), (signs) => {
				const read = readTab(signs.join(''), chart, guitar);
				for (const note of read.notes) {
					expect(note.durationTicks).toBeGreaterThan(0);
					expect(note.fret).toBeLessThanOrEqual(22);
				}
				if (read.notes.length === 0 && !/\d/.test(signs.join(''))) return;
				for (const { line, column } of read.problems) {
					expect(line).toBeGreaterThan(0);
					expect(column).toBeGreaterThan(0);
				}
			})
		);
	});
});

describe('note names', () => {
	const nameOf = (note: TextNote) => {
		const midi = pitchAt(guitar, note);
		return spelledPitch(plainName(midi), midi);
	};

	it('are read as they were written, on the easiest places', () => {
		const end = 4 * 4 * QUARTER;
		fc.assert(
			fc.property(lines(end, 240), (notes) => {
				const read = readNames(writeNames(chart, notes, nameOf), chart, guitar, 5);
				expect(read.problems).toEqual([]);
				expect(read.notes.map((note) => pitchAt(guitar, note))).toEqual(
					notes.map((note) => pitchAt(guitar, note))
				);
				expect(read.notes.map((note) => [note.tick, note.durationTicks])).toEqual(
					notes.map((note) => [note.tick, note.durationTicks])
				);
			})
		);
	});

	it('share the time of their bar; dashes hold, points are silent', () => {
		const read = readNames('| D4 F Ab G | Db - . f |', chart, guitar, 6);
		expect(read.problems).toEqual([]);
		expect(
			read.notes.map((note) => [note.tick, note.durationTicks, pitchAt(guitar, note)])
		).toEqual([
			[0, 480, 62],
			[480, 480, 65],
			[960, 480, 68],
			[1440, 480, 67],
			[1920, 960, 61],
			[3360, 480, 65]
		]);
		expect(read.toBar).toBe(2);
	});

	it('without octaves go to the nearest pitch, and begin near the middle of the place', () => {
		const read = readNames('C E G C5 | B♭ A A♭ G', chart, guitar, 5, 3);
		expect(read.problems).toEqual([]);
		expect(read.notes.map((note) => pitchAt(guitar, note))).toEqual([
			60, 64, 67, 72, 70, 69, 68, 67
		]);
		expect(read.notes[0].tick).toBe(2 * 4 * QUARTER);
	});

	it.each<[string, string, RegExp, number, number]>([
		['a word that is no note', '| D4 H4 |', /“H4” is not a note name/, 1, 6],
		[
			'places that do not share the bar',
			'| D E F G A |\n| D E F |',
			/5 places do not share bar 1/,
			1,
			3
		],
		['a pitch below the guitar', '| D1 |', /D1 is not on this instrument/, 1, 3],
		['more bars than are left', 'D\nD\nD\nD\nD', /Only 4 bars are left/, 5, 1],
		['nothing', ' \n', /no note here/, 1, 1]
	])('tells of %s, and where', (_, text, message, line, column) => {
		const { problems } = readNames(text, chart, guitar, 5);
		expect(problems[0]).toMatchObject({ line, column });
		expect(problems[0].message).toMatch(message);
	});

	it('serve any instrument', () => {
		const bass = buildInstrument('bass');
		if (!bass) throw new Error('no bass');
		const read = readNames('| E1 G1 A1 D2 |', chart, bass, 1);
		expect(read.notes.map(({ string, fret }) => [string, fret])).toEqual([
			[4, 0],
			[4, 3],
			[3, 0],
			[2, 0]
		]);
	});
});

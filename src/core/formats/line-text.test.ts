import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readTab, type TextNote, writeTab } from '.';
import { parseChart } from '../chart';
import { QUARTER } from '../kernel';
import { runs } from '../test-runs';
import { linesOn, TEXTS } from './test-pieces';
import { chart, guitar, lines } from './test-text';

const waltz = parseChart('time: 3/4\n| G | C | {6/8} D | G |');
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

	it('is read where a grace note has moved its note, and under signs over the rows', () => {
		const text = [
			'PM---|      let ring---|',
			'e|-------5----------------|',
			'B|-5-----5-----8b10--5----|',
			'G|-(4)/6------------------|',
			...Array.from('DAE', (s) => `${s}|------------------------|`)
		].join('\n');
		const { notes, problems } = readTab(text, chart, guitar);
		expect(problems).toEqual([]);
		expect(notes.map(({ tick, string, fret }) => [tick, string, fret])).toEqual([
			[0, 3, 6],
			[0, 2, 5],
			[480, 2, 5],
			[480, 1, 5],
			[960, 2, 8],
			[1440, 2, 5]
		]);
		expect(notes[0]).toMatchObject({ technique: 'slide', grace: 4, also: ['palm-mute'] });
		expect(notes[4]).toMatchObject({ technique: 'bend', bend: 2, also: ['let-ring'] });
	});

	it('looks like a page of tab', () => {
		const notes = [
			{ tick: 0, durationTicks: 480, string: 3, fret: 7, technique: null } as const,
			{ tick: 480, durationTicks: 240, string: 2, fret: 6, technique: null },
			{ tick: 720, durationTicks: 240, string: 2, fret: 9, technique: 'hammer-on' as const },
			{ tick: 1440, durationTicks: 480, string: 4, fret: 10, technique: 'vibrato' as const }
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
			'two frets on one string at once',
			[
				`e|${'3-4-'.repeat(19)}----|`,
				...Array.from('BGDAE', (s) => `${s}|${'-'.repeat(80)}|`)
			].join('\n'),
			/Two frets on one string at once/,
			1
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

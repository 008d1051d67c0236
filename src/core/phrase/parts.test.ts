import { must } from '../test-must';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { parseChord } from '../chord';
import { buildScale, scaleInUse } from '../harmony';
import { standardGuitar, windowPlaces } from '../neck';
import { parseNote } from '../pitch';
import { readMotif } from './motif-text';
import { layParts, talkOver, TALKS, type BarPart } from './parts';
import { keyRows, ontoGrid } from './play-in';
import { answered } from './transform';
import type { Motif, PhraseContext } from './types';

const guitar = standardGuitar();
const context = (text: string, position = 6): PhraseContext => {
	const chart = parseChart(text);
	const { scale } = scaleInUse(chart);
	return {
		chart,
		instrument: guitar,
		scales: chart.events.map(() => scale),
		handAt: () => position
	};
};
const motif = (text: string): Motif => must(readMotif(text, 'role'));
const call = motif('. 5 R 9 3 . 5 -');
const lay = (text: string, ...parts: BarPart[]) => {
	const at = context(text);
	const { notes, problems } = layParts(parts, call, answered(call, 'R'), at);
	const bars = at.chart.played.map((bar) =>
		notes
			.filter((note) => note.tick >= bar.startTick && note.tick < bar.startTick + bar.lengthTicks)
			.map((note) => note.name)
			.join(' ')
	);
	return { bars, notes, problems: problems.map((problem) => problem.message) };
};

describe('a talk over bars', () => {
	it('calls, leaves air, answers, and holds the landing', () => {
		const { bars, notes, problems } = lay(
			'key: Eb major\n| Eb | % | B | % |',
			...(['call', 'air', 'answer', 'hold'] as const)
		);
		expect(bars).toEqual(['Bb Eb F G Bb', '', 'F# B C# D# B', 'B']);
		const held = notes[notes.length - 1];
		expect([held.tick, held.durationTicks]).toEqual([3 * 1920, 960]);
		expect(problems).toEqual([]);
	});

	it('lays a call over a chord that is held on, and leaves free bars to the line', () => {
		const { bars } = lay('| Eb | % | B | % |', ...(['free', 'call', 'free', 'call'] as const));
		expect(bars).toEqual(['', 'Bb Eb F G Bb', '', 'F# B C# D# F#']);
	});

	it('gives each of two chords in a bar its beginning and says what is left out', () => {
		const { bars, problems } = lay('| C F | G |', 'call');
		expect(bars[0]).toBe('G C D C F G');
		expect(problems).toEqual([
			'C is over before the motif is: 2 notes left out.',
			'F is over before the motif is: 2 notes left out.'
		]);
	});

	it('stops where another bar has its part, and where the band falls silent', () => {
		const long = motif('R - 3 - 5 - 3 - R - 3 - 5 - R -');
		const at = context('| Eb | % | % |');
		const last = (parts: readonly BarPart[]) => {
			const { notes } = layParts(parts, long, long, at);
			const end = notes[notes.length - 1];
			return end.tick + end.durationTicks;
		};
		expect(last(['call', 'air'])).toBe(1920);
		expect(last(['call', 'free'])).toBe(2 * 1920);
		const silent = context('| Eb N.C. | Bb |');
		const { notes } = layParts(['call', 'air'], call, call, silent);
		expect(notes.every((note) => note.tick + note.durationTicks <= 960)).toBe(true);
	});

	it('never sounds in a bar of air, whatever the talk and the chart', () => {
		const parts = fc.array(fc.constantFrom<BarPart>('free', 'call', 'answer', 'hold', 'air'), {
			minLength: 6,
			maxLength: 6
		});
		const texts = ['| C | Am F | % | G7 | N.C. | C |', 'time: 3/4\n| C | F. G | % | Am | % | % |'];
		fc.assert(
			fc.property(parts, fc.constantFrom(...texts), (chosen, text) => {
				const at = context(text, 5);
				const { notes } = layParts(chosen, call, answered(call, '3'), at);
				at.chart.played.forEach((bar, i) => {
					if (chosen[i] !== 'air') return;
					const end = bar.startTick + bar.lengthTicks;
					const heard = notes.filter(
						(note) => note.tick < end && note.tick + note.durationTicks > bar.startTick
					);
					expect(heard).toEqual([]);
				});
				notes.slice(1).forEach((note, i) => {
					expect(notes[i].tick + notes[i].durationTicks).toBeLessThanOrEqual(note.tick);
				});
			})
		);
	});

	it('begins anew with every section, or in one section alone', () => {
		const chart = parseChart('[A]\n| C | F | G |\n[B]\n| Am | F | C |');
		const { parts } = TALKS[1];
		expect(talkOver(chart, parts)).toEqual(['call', 'air', 'call', 'call', 'air', 'call']);
		expect(talkOver(chart, ['answer'], ['air', 'air'], 'B')).toEqual([
			...['air', 'air', 'free', 'answer', 'answer', 'answer']
		]);
	});
});

describe('what is played in', () => {
	it('goes to the nearest place of the grid and sounds until the next', () => {
		expect(
			ontoGrid(
				[
					{ from: 262, to: 500, midi: 65 },
					{ from: -20, to: 120, midi: 63 },
					{ from: 735, to: 1400, midi: 67 }
				],
				240
			)
		).toMatchObject([
			{ tick: 0, durationTicks: 240, midi: 63 },
			{ tick: 240, durationTicks: 240, midi: 65 },
			{ tick: 720, durationTicks: 720, midi: 67 }
		]);
	});

	it('hears swung eighths as eighths', () => {
		const late = (tick: number) => tick + (tick % 480 === 240 ? 80 : 0);
		const struck = [0, 320, 480, 800].map((from) => ({ from, to: from + 100, midi: 60 }));
		expect(ontoGrid(struck, 240, late).map((note) => note.tick)).toEqual([0, 240, 480, 720]);
	});

	it('keeps one voice and the order of notes', () => {
		const struck = fc.array(
			fc.record({
				from: fc.integer({ min: 0, max: 4000 }),
				to: fc.integer({ min: 0, max: 5000 }),
				midi: fc.integer({ min: 40, max: 80 })
			})
		);
		fc.assert(
			fc.property(struck, fc.constantFrom(240, 160, 120), (notes, grid) => {
				const laid = ontoGrid(notes, grid);
				expect(laid).toHaveLength(notes.length);
				laid.forEach((note, i) => {
					expect(note.tick % grid).toBe(0);
					expect(note.durationTicks).toBeGreaterThanOrEqual(grid);
					const next = laid[i + 1];
					if (next) expect(note.tick + note.durationTicks).toBeLessThanOrEqual(next.tick);
				});
			})
		);
	});

	it('gives the keys the scale from the root on, an octave a row, over the hand’s place', () => {
		const chord = parseChord('Eb7');
		const tonic = parseNote('Eb');
		const scale = tonic && buildScale(tonic, 'mixolydian');
		if (!chord || !scale) throw new Error('setup');
		const rows = keyRows(chord, scale, guitar, 6);
		expect(rows.map((row) => row[0])).toEqual([39, 51, 63]);
		expect(rows[1]).toEqual([51, 53, 55, 56, 58, 60, 61]);
		const notes = new Set(rows.flat());
		const high = windowPlaces(guitar, 6).filter(
			({ midi }) => midi <= 74 && scale.notes.some((note) => note.pc === midi % 12)
		);
		expect(high.every(({ midi }) => notes.has(midi))).toBe(true);
		// Without a scale the keys are the chord's tones.
		expect(keyRows(chord, null, guitar, 6)[0]).toEqual([39, 43, 46, 49]);
	});
});

import { standardGuitar, stretchMm } from '../../neck';
import { notation } from '../../pitch';
import { describe, expect, it } from 'vitest';
import { withTechniques, type Traits } from './techniques';
import type { LineNote } from './types';

/** One tick lasts a millisecond. */
const MS = 1;
const note = (
	tick: number,
	string: number,
	fret: number,
	more: Partial<LineNote> = {}
): LineNote => ({
	...{
		tick,
		durationTicks: 240,
		string,
		fret,
		midi: 0,
		name: notation(''),
		role: null,
		kind: 'passing'
	},
	...{ finger: fret - 4, technique: null, chord: 0 },
	...more
});
const target = (tick: number, string: number, fret: number, durationTicks = 240): LineNote =>
	note(tick, string, fret, { kind: 'target', durationTicks });
const PLAIN: Traits = { blue: false, neighbour: false };
const played = (notes: readonly LineNote[], traits: Partial<Traits> = {}) =>
	withTechniques(
		notes,
		notes.map(() => ({ ...PLAIN, ...traits })),
		MS,
		standardGuitar()
	).map((entry) => entry.technique);

describe('techniques where the hand allows them', () => {
	it('slurs weak notes on one string, and no others', () => {
		expect(played([note(0, 3, 5), note(240, 3, 7)])).toEqual([null, 'hammer-on']);
		expect(played([note(0, 3, 7), note(240, 3, 5)])).toEqual([null, 'pull-off']);
		// On the beat, on another string, after a rest, or too far the note is picked.
		expect(played([note(240, 3, 5), note(480, 3, 7)])).toEqual([null, null]);
		expect(played([note(0, 3, 5), note(240, 2, 5)])).toEqual([null, null]);
		expect(played([note(0, 3, 5, { durationTicks: 120 }), note(240, 3, 7)])).toEqual([null, null]);
		expect(played([note(0, 3, 5), note(240, 3, 10)])).toEqual([null, null]);
	});

	it('slurs nothing that is wider than the hand', () => {
		for (let fret = 1; fret <= 15; fret++) {
			for (const wide of [1, 2, 3, 4]) {
				const [low, high] = [
					note(0, 3, fret, { finger: 1 }),
					note(240, 3, fret + wide, { finger: wide === 1 ? 2 : 4 })
				];
				const fits = stretchMm(standardGuitar(), fret, fret + wide) <= 105;
				expect(played([low, high])[1], `${fret}, ${wide} frets`).toBe(fits ? 'hammer-on' : null);
				const back = [
					{ ...high, tick: 0 },
					{ ...low, tick: 240 }
				];
				expect(played(back)[1]).toBe(fits ? 'pull-off' : null);
			}
		}
	});

	it('bends with finger 1 a half tone at most, and slurs nothing out of a bend', () => {
		const bent = (finger: number, frets: number) =>
			played([note(0, 2, 8, { finger }), target(240, 2, 8 + frets, 900)])[1];
		expect([bent(1, 1), bent(1, 2), bent(3, 1), bent(3, 2)]).toEqual([
			'bend',
			'vibrato',
			'bend',
			'bend'
		]);
		const after = played([
			note(0, 2, 8, { finger: 3 }),
			target(240, 2, 10, 900),
			note(1140, 2, 11, { finger: 4, durationTicks: 160 })
		]);
		expect(after[2]).not.toBe('hammer-on');
	});

	it('slides where one finger moves', () => {
		const [a, b] = [note(0, 3, 5, { finger: 1 }), note(240, 3, 6, { finger: 1 })];
		expect(played([a, b])).toEqual([null, 'slide']);
		expect(played([a, { ...b, tick: 480, kind: 'target' }])).toEqual([null, null]);
		expect(
			played([
				{ ...a, tick: 240 },
				{ ...b, tick: 480, kind: 'target' }
			])
		).toEqual([null, 'slide']);
	});

	it('bends into a long target on a thin string, every third time', () => {
		const pairs = [0, 2, 4, 6].flatMap((i) => [
			note(1000 * i, 2, 8, { durationTicks: 1000 }),
			target(1000 * (i + 1), 2, 10, 1000)
		]);
		const into = played(pairs).filter((_, i) => i % 2 === 1);
		expect(into).toEqual(['bend', 'vibrato', 'vibrato', 'bend']);
		const low = pairs.map((entry) => ({ ...entry, string: 5 }));
		expect(played(low)).not.toContain('bend');
	});

	it('lets long targets sing: vibrato, and a trill where a semitone lies under the hand', () => {
		expect(played([target(0, 3, 7, 599), target(960, 3, 7, 600)])).toEqual([null, 'vibrato']);
		const held = [0, 1, 2, 3].map((i) => target(2000 * i, 3, 7, 1300));
		expect(played(held)).toEqual(Array(4).fill('vibrato'));
		expect(played(held, { neighbour: true })).toEqual(['trill', 'vibrato', 'vibrato', 'trill']);
		expect(played([target(0, 3, 7, 1100)], { neighbour: true })).toEqual(['vibrato']);
	});

	it('neither shakes nor curls an open string', () => {
		expect(played([target(0, 3, 0, 1300)])).toEqual([null]);
		expect(played([note(0, 3, 0)], { blue: true })).toEqual([null]);
		expect(played([target(0, 3, 0, 1300)], { neighbour: true })).toEqual(['trill']);
	});

	it('curls the minor third against a major chord', () => {
		expect(played([note(0, 3, 6)], { blue: true })).toEqual(['curl']);
	});
});

import { describe, expect, it } from 'vitest';
import { bendAdvice, soundedOf } from './bends';
import type { Bend, PlayedEvent, Rules } from './types';
import { judge } from './judge';
import { landEvery, NETTLE, takeOn } from './test-takes';

const BEAT = 1000;
/** A string that is struck, bent after a while, and rings on; ms, cents from its fret. */
const bend = (timeMs: number, midi: number, cents: number, after = 200): PlayedEvent[] => [
	{ timeMs, durationMs: after, midi, cents: 2 },
	{ timeMs: timeMs + after, durationMs: 500, midi, cents }
];
/** At 60 beats a minute over F#m, D, E and C#7: every change lands, and something more is played. */
function take(more: PlayedEvent[], rules: Rules = {}) {
	const request = takeOn(NETTLE, { tempo: 60, rules });
	return judge({ ...request, events: [...landEvery(request), ...more] });
}

describe('bends', () => {
	// B4 is 71: over F#m it bends to C#5, the fifth, over D a semitone from C#5 to the root.
	it.each<[string, number, number, number, Partial<Bend>[]]>([
		['a whole tone in tune', BEAT, 71, 200, [{ aim: 73, name: 'C#', cents: 0, bar: 1, from: 71 }]],
		['a whole tone that falls short', BEAT, 71, 168, [{ aim: 73, cents: -32 }]],
		['nearer to C than to the chord tone', BEAT, 71, 138, [{ aim: 73, cents: -62 }]],
		['a semitone too far', 5 * BEAT, 73, 135, [{ aim: 74, name: 'D', cents: 35, bar: 2 }]],
		['a scale note where no tone is near', BEAT, 69, 205, [{ aim: 71, name: 'B', cents: 5 }]],
		['a chromatic note where the scale has none', BEAT, 71, 60, [{ aim: 72, cents: -40 }]],
		['a tone and a half', BEAT, 70, 290, [{ aim: 73, cents: -10 }]],
		['tuning is no bend', BEAT, 73, 45, []],
		['down is no bend', BEAT, 73, -100, []]
	])('%s', (_, at, midi, cents, found) => {
		const { bends } = take(bend(at, midi, cents));
		expect(bends).toEqual(found.map((one) => expect.objectContaining(one)));
	});

	it('a bend lands where the pitch that sounds is the tone, and misses where it is not', () => {
		const request = takeOn(NETTLE, { tempo: 60 });
		const results = (cents: number) => {
			const events = [...landEvery(request).filter(({ timeMs }) => timeMs !== 4 * BEAT)];
			const { changes } = judge({ ...request, events: [...events, ...bend(3800, 76, cents)] });
			return changes[1];
		};
		expect(results(190)).toMatchObject({ result: 'landed', midi: 78, role: '3', errorMs: 0 });
		expect(results(130)).toMatchObject({ result: 'missed', role: null });
	});

	it('what leads into a bend is no note of its own, and a bend is not struck', () => {
		const rules: Rules = { notes: 'arpeggio', grid: 'quarter' };
		expect(take(bend(2 * BEAT, 71, 190), rules).violations).toEqual([]);
		const alone = take([{ timeMs: 2 * BEAT, durationMs: 200, midi: 71, cents: 2 }], rules);
		expect(alone.violations.map(({ rule }) => rule)).toEqual(['notes']);
		const apart = take(
			[
				...bend(2 * BEAT, 71, 190).slice(0, 1),
				{ timeMs: 2 * BEAT + 400, durationMs: 300, midi: 71, cents: 190 }
			],
			rules
		);
		expect(apart.violations.map(({ rule }) => rule)).toEqual(['notes', 'grid']);
	});

	it('a bend reaches over the window: its finger stays inside', () => {
		// Position 2 ends at A4 with the little finger on the thinnest string; B4 is a bend away.
		expect(take(bend(2 * BEAT, 69, 198), { position: 2 }).violations).toEqual([]);
		const struck = take([{ timeMs: 2 * BEAT, durationMs: 300, midi: 74 }], { position: 2 });
		expect(struck.violations.map(({ rule }) => rule)).toEqual(['position']);
	});

	it('a note let down again goes on with the same touch', () => {
		const events: PlayedEvent[] = [
			...bend(0, 71, 200),
			{ timeMs: 700, durationMs: 300, midi: 71, cents: -3 }
		];
		expect(
			soundedOf(events).map(({ midi, cents, joined, leads }) => [midi, cents, joined, leads])
		).toEqual([
			[71, 2, false, true],
			[73, 0, true, false],
			[71, -3, true, false]
		]);
	});

	it('says how bends of a size lean, and nothing of those that are in tune', () => {
		const one = (size: number, cents: number, name = 'C'): Bend => ({
			...{ timeMs: 0, bar: 3, from: 70, aim: 70 + size, name, cents }
		});
		expect(bendAdvice([])).toEqual([]);
		expect(bendAdvice([one(1, 14), one(2, -15), one(2, 9)])).toEqual([]);
		expect(bendAdvice([one(1, 30, 'Eb')])).toEqual([
			'The bend to Eb in bar 3 goes 30 cents too far. Stop sooner.'
		]);
		expect(bendAdvice([one(2, -40), one(2, -30), one(2, 0), one(1, 20), one(1, 40)])).toEqual([
			'The semitone bends go 30 cents too far on average; 2 of 2 are off. Stop sooner.',
			'The whole-tone bends fall 23 cents short on average; 2 of 3 are off. Push on until it is there.'
		]);
		// They even out, yet one is off.
		expect(bendAdvice([one(2, -40, 'D'), one(2, 30)])).toEqual([
			'The bend to D in bar 3 falls 40 cents short. Push on until it is there.'
		]);
	});
});

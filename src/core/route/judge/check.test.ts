import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { scaleInUse } from '../../harmony';
import { standardGuitar } from '../../neck';
import { CHARTS, inKey, planned, requestFor, STEADY } from '../test-lines';
import { scalesAlong } from '../scale-plan';
import { STYLES } from '../types';
import { checkLine } from './check';
import type { CheckRequest, PlayedNote } from './types';
import { unplayable } from './unplayable';

const TWO = 'key: Bb blues\n| Bb7 | Eb7 |';

/** Notes as `[beat from 0, beats long, pitch]`. */
const notes = (...list: [number, number, number][]): PlayedNote[] =>
	list.map(([beat, beats, midi]) => ({ tick: 480 * beat, durationTicks: 480 * beats, midi }));

function check(text: string, played: readonly PlayedNote[], position: number | null = null) {
	const chart = parseChart(text);
	const { scale } = scaleInUse(chart);
	const request: CheckRequest = {
		chart,
		instrument: standardGuitar(),
		scales: scalesAlong(chart, scale, 'one'),
		position,
		notes: played
	};
	return checkLine(request);
}

const [Bb, C, Db, D, E, F, G, Ab] = [58, 60, 61, 62, 64, 65, 67, 68];

describe('what becomes of a change', () => {
	const second = (...list: [number, number, number][]) =>
		check(TWO, notes([0, 1, D], ...list)).changes[1];

	it.each([
		['struck on the beat', [[4, 1, G]], 'landed', G, '3'],
		['held over from before', [[2, 3, Bb]], 'landed', Bb, '5'],
		[
			'struck on the beat while another note rings',
			[
				[3, 2, C],
				[4, 1, Db]
			],
			'landed',
			Db,
			'b7'
		],
		[
			'a chord tone a beat late',
			[
				[4, 1, C],
				[5, 1, Db]
			],
			'late',
			Db,
			'b7'
		],
		[
			'a chord tone within the beat',
			[
				[4, 0.5, F],
				[4.5, 1, G]
			],
			'late',
			G,
			'3'
		],
		[
			'a chord tone too late',
			[
				[4, 1.5, C],
				[5.5, 1, Db]
			],
			'missed',
			C,
			null
		],
		['only another note', [[4, 4, D]], 'missed', D, null],
		['another note held over', [[2, 4, F]], 'missed', F, null],
		['nothing', [[2, 2, Bb]], 'silent', null, null],
		['nothing at first, a tone after', [[4.5, 1, G]], 'silent', null, null]
	] as const)('%s', (_, list, result, midi, role) => {
		const found = second(...(list as unknown as [number, number, number][]));
		expect(found).toMatchObject({ result, midi, role });
		expect(found.fix === null).toBe(result === 'landed' || result === 'silent');
	});

	it('counts the first chord, silence before a chord, and pushed chords at their moment', () => {
		const pushed = check('key: C\n| C N.C. | <F |', notes([0, 1, C], [3.5, 1, F]));
		expect(pushed.changes.map((change) => change.result)).toEqual(['landed', 'landed']);
		const onBeat = check('key: C\n| C N.C. | <F |', notes([0, 1, C], [4, 1, F]));
		expect(onBeat.changes.map((change) => change.result)).toEqual(['landed', 'silent']);
	});
});

describe('the smallest fix', () => {
	it('moves the note to the nearest tone, guide tones first', () => {
		const { changes } = check(TWO, notes([0, 1, D], [4, 1, D]));
		// D lies a semitone from D♭, the seventh, and from E♭, the root.
		expect(changes[1].fix).toMatchObject({ tick: 1920, toMidi: Db, note: 1 });
		expect(changes[1].fix?.text).toBe(
			'Move the D in bar 2, beat 1 down a semitone to Db, the seventh of Eb7.'
		);
	});

	it('stays in the place of the hand and says where', () => {
		const played = [
			{ tick: 0, durationTicks: 480, midi: D, string: 3, fret: 7 },
			{ tick: 1920, durationTicks: 480, midi: D, string: 3, fret: 7 }
		];
		const { changes } = check(TWO, played, 6);
		expect(changes[1].fix).toMatchObject({ place: { string: 3, fret: 6 } });
		expect(changes[1].fix?.text).toContain('(string 3, fret 6)');
	});

	it('strikes anew where a note is held', () => {
		const { changes } = check(TWO, notes([0, 1, D], [2, 4, F]));
		expect(changes[1].fix).toMatchObject({ note: null, tick: 1920, toMidi: G });
		expect(changes[1].fix?.text).toMatch(/^Strike G, the third of Eb7, in bar 2, beat 1/);
	});

	it('makes every miss of any line a landing', () => {
		const walk = notes(
			...Array.from(
				{ length: 96 },
				(_, i) => [i / 2, 0.5, 55 + ((i * 7) % 17)] as [number, number, number]
			)
		);
		const before = check(CHARTS.blues, walk);
		const fixed = walk.map((note) => ({ ...note }));
		for (const { fix } of before.changes) {
			if (fix?.note !== null && fix) fixed[fix.note].midi = fix.toMidi;
		}
		expect(before.metrics.landedShare).toBeLessThan(0.7);
		expect(check(CHARTS.blues, fixed).metrics.landedShare).toBe(1);
	});
});

describe('the rest of the judgement', () => {
	it('finds notes from outside and whether they are taken up by a step', () => {
		const { outside, metrics } = check(
			TWO,
			notes([0, 1, D], [1, 1, E], [2, 1, F], [3, 1, E], [4, 1, G])
		);
		expect(outside).toEqual([
			{ note: 1, tick: 480, name: 'E', resolved: true },
			{ note: 3, tick: 1440, name: 'E', resolved: false }
		]);
		expect(metrics.outsideShare).toBeCloseTo(2 / 5);
	});

	it('finds clashes left hanging', () => {
		// A♭ over E♭7 is the fourth, a semitone above the third.
		const { clashes, verdict } = check(TWO, notes([0, 1, D], [4, 1, G], [5, 1, Ab], [6, 1, Db]));
		expect(clashes).toEqual([{ note: 2, tick: 2400, name: 'Ab', resolved: false }]);
		expect(verdict).toBe('All 2 changes land. One clash is left hanging.');
	});

	it('counts notes outside the place, the leap, and chord tones on strong beats', () => {
		const played = notes([0, 1, D], [1, 1, F], [2, 2, 76], [4, 1, G]);
		const { metrics, exits } = check(TWO, played, 6);
		expect(metrics).toMatchObject({ windowExits: 1, largestLeap: 11 });
		expect(exits).toEqual([2]);
		expect(check(TWO, played, 6).verdict).toMatch(/One note lies outside the place\.$/);
		expect(check(TWO, notes([0, 1, 76], [4, 1, 77]), 6).verdict).toMatch(/Two notes lie outside/);
		expect(check(TWO, played).verdict).not.toMatch(/outside the place/);
		expect(metrics.chordToneOnStrongBeatsShare).toBeCloseTo(2 / 3);
		expect(check(TWO, played).metrics.windowExits).toBe(0);
	});

	it('takes an empty line, and notes in any order', () => {
		const empty = check(TWO, []);
		expect(empty.changes.map((change) => change.result)).toEqual(['silent', 'silent']);
		expect(empty.metrics).toMatchObject({ landedShare: 0, outsideShare: 0, largestLeap: 0 });
		const mixed = check(TWO, notes([4, 1, G], [0, 1, D]));
		expect(mixed.verdict).toBe('All 2 changes land.');
	});

	it('says in a sentence how many came late, were missed, or silent', () => {
		const text = 'key: C\n| C | F | G | C |';
		const { verdict } = check(text, notes([0, 4, C], [4, 1, D], [5, 1, C], [8, 4, E]));
		expect(verdict).toBe('1 of 4 changes land. One comes late, one is missed, one is silent.');
	});

	it('agrees with the planner: every planned line lands everywhere', () => {
		for (const text of Object.values(CHARTS)) {
			for (const style of STYLES) {
				const { request, line } = planned(requestFor(inKey(text, 5), style, 7), STEADY);
				const { chart, instrument, scale } = request;
				const scales = scalesAlong(chart, scale, 'one');
				const { metrics } = checkLine({
					chart,
					instrument,
					scales,
					position: 7,
					notes: line.notes
				});
				expect(metrics.landedShare).toBe(1);
				expect(metrics.windowExits).toBe(0);
			}
		}
	});
});

describe('a note that cannot be played', () => {
	const guitar = standardGuitar();
	const at = (over: Partial<PlayedNote>) =>
		unplayable(guitar, { tick: 0, durationTicks: 1, midi: 64, ...over });
	it('is told with the reason', () => {
		expect(at({})).toBeNull();
		expect(at({ string: 1, fret: 0 })).toBeNull();
		expect(at({ string: 1, fret: 1 })).toMatch(/sounds 65, not 64/);
		expect(at({ string: 7, fret: 0 })).toMatch(/6 strings and 22 frets/);
		expect(at({ midi: 39 })).toMatch(/reaches from 40 to 86/);
		expect(at({ midi: 87 })).toMatch(/reaches from 40 to 86/);
		expect([at({ midi: 40 }), at({ midi: 86 })]).toEqual([null, null]);
	});
});

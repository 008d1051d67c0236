import { notation } from '../../pitch';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { instrumentOf, lastPosition } from '../../neck';
import { STYLES, type Style } from '../types';
import { lineMeasures, type LineMeasures } from './measures';
import { CHARTS, inKey, planned, requestFor } from '../test-lines';
import { LONG } from '../../test-runs';

const TEXTS = [CHARTS.blues, CHARTS.minor, CHARTS.waltz, CHARTS.ladder];
const KEYS = LONG ? [0, 2, 3, 5, 7, 10] : [2];
const DADGAD = 'tuning: D2 A2 D3 G3 A3 D4\n';

type Means = Record<keyof LineMeasures, number>;

/** Means over charts, keys and windows of the usual tuning, and every sixth window of another. */
function meansOf(style: Style): Means & { lines: number; largest: number; mostAwkward: number } {
	const all: LineMeasures[] = [];
	for (const [tuning, step] of [
		['', LONG ? 1 : 2],
		[DADGAD, LONG ? 6 : 9]
	] as const) {
		for (const text of TEXTS) {
			for (const key of KEYS) {
				const moved = inKey(`${tuning}${text}`, key);
				const last = lastPosition(instrumentOf(moved).instrument);
				for (let position = 1 + (key % step); position <= last; position += step) {
					const { request, line } = planned(requestFor(moved, style, position));
					all.push(lineMeasures(request.chart, line.notes, line.arrivals));
				}
			}
		}
	}
	const means = Object.fromEntries(
		Object.keys(all[0]).map((name) => [
			name,
			all.reduce((sum, measures) => sum + measures[name as keyof LineMeasures], 0) / all.length
		])
	) as Means;
	return {
		...means,
		lines: all.length,
		largest: Math.max(...all.map((measures) => measures.largestLeap)),
		mostAwkward: Math.max(...all.map((measures) => measures.awkwardMoves))
	};
}

/** Chord tones alone are thirds by nature, and return sooner; a mirror repeats its cell, with its turns and returns, by design. */
const AIMS: Record<
	Style,
	{ thirds: [number, number]; returns: number; repeated: number; direct: number }
> = {
	roots: { thirds: [0.2, 0.45], returns: 0.05, repeated: 0.15, direct: 0.9 },
	'guide-tones': { thirds: [0.2, 0.45], returns: 0.05, repeated: 0.15, direct: 0.9 },
	nearest: { thirds: [0.2, 0.45], returns: 0.05, repeated: 0.15, direct: 0.9 },
	arpeggio: { thirds: [0.45, 0.65], returns: 0.1, repeated: 0.15, direct: 0.9 },
	blend: { thirds: [0.2, 0.45], returns: 0.05, repeated: 0.15, direct: 0.9 },
	mirror: { thirds: [0.18, 0.45], returns: 0.08, repeated: 0.25, direct: 0.75 }
};

describe('lines over many charts, keys, windows and two tunings', () => {
	it.each(STYLES)(
		'sing: %s',
		(style) => {
			const means = meansOf(style);
			const aim = AIMS[style];

			expect(means.lines).toBeGreaterThan(LONG ? 500 : 40);
			expect(means.turns).toBeGreaterThan(0.15);
			expect(means.turns).toBeLessThan(0.4);
			expect(means.returns).toBeLessThanOrEqual(aim.returns);
			expect(means.directGaps).toBeGreaterThanOrEqual(aim.direct);
			expect(means.chordTonesOnBeats).toBeGreaterThanOrEqual(0.9);
			expect(means.resolvedApproaches).toBeGreaterThanOrEqual(style === 'arpeggio' ? 0.84 : 0.9);
			expect(means.thirds).toBeGreaterThanOrEqual(aim.thirds[0]);
			expect(means.thirds).toBeLessThanOrEqual(aim.thirds[1]);
			expect(means.chordHeard).toBeGreaterThanOrEqual(0.9);
			expect(means.repeatedPatterns).toBeLessThanOrEqual(aim.repeated);
			expect(means.mostAwkward).toBe(0);
			expect(means.approachEntropy).toBeGreaterThanOrEqual(1.5);
			expect(means.largest).toBeLessThanOrEqual(12);
		},
		120_000
	);
});

describe('the measures themselves', () => {
	it('call a fast move awkward that no hand makes between two notes under the fingers', () => {
		const chart = parseChart('key: C\ntempo: 120\n| C |');
		const move = (
			[string, fret, finger]: readonly [number, number, number | null],
			[toString, toFret, toFinger]: readonly [number, number, number | null],
			apart = 120,
			long = apart
		) => {
			const common = { name: notation(''), role: null, technique: null, chord: 0 };
			const line = [
				{ ...common, tick: 0, durationTicks: long, string, fret, midi: 60, finger },
				{
					...{ ...common, tick: apart, durationTicks: 120, string: toString, fret: toFret },
					...{ midi: 62, finger: toFinger }
				}
			].map((note) => ({ ...note, kind: 'chord' as const }));
			return lineMeasures(chart, line, []).awkwardMoves;
		};
		// One finger from string to string, on frets that lie apart.
		expect(move([3, 5, 1], [2, 7, 1])).toBe(1);
		expect(move([3, 5, 1], [3, 7, 1])).toBe(0);
		expect(move([3, 5, 1], [2, 7, 3])).toBe(0);
		// Five frets at once.
		expect(move([3, 5, 1], [3, 10, 4])).toBe(1);
		expect(move([3, 5, 1], [3, 9, 4])).toBe(0);
		// With time, after a rest, from or to an open string there is no haste.
		expect(move([3, 5, 1], [3, 10, 4], 480)).toBe(0);
		expect(move([3, 5, 1], [3, 10, 4], 120, 60)).toBe(0);
		expect(move([3, 0, null], [3, 10, 4])).toBe(0);
		expect(move([3, 10, 4], [3, 0, null])).toBe(0);
	});

	it('tell a mechanical line from one that sings', () => {
		const chart = parseChart('key: C\n| C | F |');
		const walk = [60, 64, 60, 64, 60, 64, 60, 64, 60, 62, 60, 62, 60, 62, 60, 62].map(
			(midi, i) => ({
				tick: 240 * i,
				durationTicks: 240,
				string: 3,
				fret: midi - 55,
				midi,
				name: notation(''),
				role: null,
				kind: i % 8 === 0 ? ('target' as const) : ('passing' as const),
				finger: 1,
				technique: null,
				chord: Math.floor(i / 8)
			})
		);
		const measures = lineMeasures(chart, walk, [null, 'other']);
		expect(measures.turns).toBeGreaterThan(0.8);
		expect(measures.returns).toBeGreaterThan(0.8);
		expect(measures.chordTonesOnBeats).toBe(0);
		expect(measures.repeatedPatterns).toBeGreaterThan(0.4);
		expect(measures.directGaps).toBe(0);
		expect(measures.approachEntropy).toBe(0);
	});
});

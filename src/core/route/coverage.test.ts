import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart, transposeText } from '../chart';
import { buildScale, scaleInUse } from '../harmony';
import { intervalBetween, parseNote, pitchClass } from '../pitch';
import { buildInstrument, lastPosition, TUNING_IDS } from '../neck';
import {
	coverNeck,
	distinctChords,
	planTargets,
	planWhole,
	rankCoverage,
	STYLES,
	type CoverageRequest
} from '.';
import { runs } from '../test-runs';
import { middle } from './coverage-reasons';

const request = (bars: string, tuning = 'standard', frets = 22): CoverageRequest => {
	const chart = parseChart(bars);
	const instrument = buildInstrument(tuning, frets);
	if (!instrument) throw new Error(tuning);
	return { chart, instrument, scale: scaleInUse(chart).scale, style: 'guide-tones' };
};
const FERRY =
	'key: Bb blues\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |';

describe('coverage', () => {
	it('tries every position with the best plan there', () => {
		const given = request(FERRY);
		const rows = [...coverNeck(given)];
		expect(rows.map((row) => row.position)).toEqual(
			Array.from({ length: lastPosition(given.instrument) }, (_, i) => i + 1)
		);
		for (const row of rows) {
			const plan = planTargets({
				...given,
				position: row.position,
				locks: [],
				forbid: [],
				letPass: []
			});
			expect(row.cost).toBe(plan.cost);
			expect(row.landed).toBe(plan.targets.length);
			expect(row.reaches).toBe(plan.targets.filter((target) => target.reach).length);
			expect(row.moves).toBe(plan.targets.length - 1);
		}
		expect(distinctChords(given).map((chord) => chord.symbol)).toEqual(
			'Bb7 Eb7 Edim7 G7alt Cm7 F7 G7'.split(' ')
		);
	});

	it('calls the middle of the neck what lies from the third to the twelfth fret', () => {
		const among = [...coverNeck(request('| A |'))].filter(middle).map((row) => row.position);
		expect(among).toEqual([3, 4, 5, 6, 7, 8, 9, 10, 11, 12]);
	});

	it('counts roots and octaves that lie wholly under the fingers', () => {
		const [row] = [...coverNeck(request('| A | % |'))].filter((entry) => entry.position === 5);
		// A major: at the fifth fret all three roots lie under the fingers, at the sixth only 4/7 of them.
		expect(row).toMatchObject({ roots: 1, complete: 1, moves: 0 });
		const [next] = [...coverNeck(request('| A | % |'))].filter((entry) => entry.position === 6);
		expect(next).toMatchObject({ complete: 0 });
		expect(next.roots).toBeLessThan(1);
		expect(next.chords[0]).toBeLessThan(row.chords[0]);
	});

	it('finds the place at the nut no wider than the one an octave on', () => {
		const chart = '| E7 | A7 |';
		const near = [...coverNeck(request(chart))].find((entry) => entry.position === 1);
		const far = [...coverNeck(request(chart))].find((entry) => entry.position === 13);
		expect(near?.chords).toEqual(far?.chords);
		expect(near?.roots).toBe(far?.roots);
	});

	it('ranks by a score between 0 and 1, best first in rank, and says why', () => {
		fc.assert(
			fc.property(
				fc.constantFrom(FERRY, '| Dm7 | G7 |', '| C5 | F/G | N.C. |', '| Fmaj7#11 |'),
				fc.constantFrom(...TUNING_IDS, 'C2 C3 C4 C5', 'E2 A2 A2 D3 G3 B3'),
				fc.constantFrom(...STYLES),
				fc.integer({ min: 12, max: 24 }),
				(bars, tuning, style, frets) => {
					const rows = [...coverNeck({ ...request(bars, tuning, frets), style })];
					const ranked = rankCoverage(rows);
					expect(ranked).toHaveLength(rows.length);
					expect(ranked.map((entry) => entry.rank).sort((a, b) => a - b)).toEqual(
						rows.map((_, i) => i + 1)
					);
					const order = [...ranked].sort((a, b) => a.rank - b.rank);
					order.forEach((entry, i) => {
						expect(entry.score).toBeGreaterThanOrEqual(0);
						expect(entry.score).toBeLessThanOrEqual(1);
						if (i > 0) expect(entry.score).toBeLessThanOrEqual(order[i - 1].score);
						expect(entry.reasons.length).toBeGreaterThanOrEqual(2);
					});
					for (const row of rows) {
						for (const score of row.chords) {
							expect(score).toBeGreaterThanOrEqual(0);
							expect(score).toBeLessThanOrEqual(1);
						}
					}
				}
			),
			{ numRuns: runs(40) }
		);
	});

	it('is the same in every key, as many frets away', () => {
		const at = (bars: string, shift: number) =>
			[...coverNeck(request(bars))]
				.filter((row) => row.position - shift >= 2 && row.position - shift <= 14)
				.map(({ position: _, mm: __, ...row }) => row);
		expect(at('key: C\n| Dm7 | G7 | C |', 2)).toEqual(at('key: Bb\n| Cm7 | F7 | Bb |', 0));
	});

	it('says so where a window lacks the roots', () => {
		// Strings an octave apart: neither F# nor B within the first five frets.
		const [first] = rankCoverage([...coverNeck(request('| F#7 | B7 |', 'C2 C3 C4 C5', 12))]);
		expect(first.reasons).toContain('0 % of roots under a finger');
	});

	const TONICS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
	/** A chart on A moved to every tonic, ranked with its minor pentatonic in use. */
	const inTwelveKeys = (bars: string, style: CoverageRequest['style']) =>
		TONICS.map((name) => {
			const [from, to] = [parseNote('A'), parseNote(name)];
			if (!from || !to) throw new Error(name);
			const moved = transposeText(bars, intervalBetween(from, to));
			const scale = buildScale(to, 'minor pentatonic');
			const given = { ...request(moved), scale, style };
			const ranked = [...rankCoverage([...coverNeck(given)])].sort((a, b) => a.rank - b.rank);
			// The box with the tonic under finger 1 on the thickest string.
			const home = (pitchClass(to) + 8) % 12 || 12;
			return { name, home, ranked };
		});

	it('counts the scale in use: the place of its tonic is among the first', () => {
		for (const [bars, style] of [
			['| A | D | E | A |', 'nearest'],
			['| A | D | E | A |', 'guide-tones'],
			['| A7 | % | % | % |', 'nearest'],
			['| A7 | % | % | % |', 'guide-tones']
		] as const) {
			for (const { name, home, ranked } of inTwelveKeys(bars, style)) {
				const rank = ranked.findIndex(({ position }) => position === home) + 1;
				// At the nut and from the twelfth fret on other places are preferred where they are as good.
				expect(rank, `${bars} in ${name}, ${style}`).toBeLessThanOrEqual(
					style === 'nearest' && home >= 3 && home < 12 ? 3 : 5
				);
			}
		}
	});

	it('gives a tie to the place between frets 3 and 12, and the higher stretch comes after', () => {
		const charts = ['| A7 | % |', '| Em7 | % |', '| Dmaj7 | % |', '| Cm7 | % |', '| A | D | E |'];
		for (const bars of charts) {
			const { ranked } = { ranked: rankCoverage([...coverNeck(request(bars))]) };
			for (const low of ranked) {
				const high = ranked.find(({ position }) => position === low.position + 12);
				if (!high || low.position < 3 || low.position > 12) continue;
				expect(low.rank, `${bars} ${low.position}`).toBeLessThan(high.rank);
			}
			const order = [...ranked].sort((a, b) => a.rank - b.rank);
			order.slice(1).forEach((entry, i) => {
				if (entry.score !== order[i].score) return;
				const inMiddle = (at: number) => at >= 3 && at <= 12;
				if (inMiddle(entry.position)) expect(inMiddle(order[i].position)).toBe(true);
			});
		}
	});

	it('gives reasons that tell a place from the next one', () => {
		for (const bars of [FERRY, '| A | D | E | A |', '| Dm7 | G7 | Cmaj7 | % |', '| E7 | % |']) {
			const rows = [...coverNeck(request(bars))];
			const order = rankCoverage(rows).sort((a, b) => a.rank - b.rank);
			order.slice(0, -1).forEach((entry, i) => {
				const [first] = entry.reasons;
				const next = order[i + 1];
				if (first.startsWith('lies like')) {
					expect(first).toContain(`position ${next.position}`);
					expect([...entry.reasons.slice(1)].sort()).toEqual(
						next.reasons.filter((reason) => !/^lies like|move less/.test(reason)).sort()
					);
				} else expect(next.reasons, `${bars}: ${entry.position}`).not.toContain(first);
			});
		}
	});

	it('tells the semitone moves of the plan that the route makes there', () => {
		for (const style of STYLES) {
			const given = { ...request(FERRY), style };
			for (const row of coverNeck(given)) {
				const none = { locks: [], forbid: [], letPass: [] };
				const [whole] = planWhole({ ...given, ...none, position: row.position }, null);
				const { targets } = whole.plan;
				const steps = targets.slice(1).map((target, i) => Math.abs(target.midi - targets[i].midi));
				expect(row.semitones, `${style} ${row.position}`).toBe(
					steps.filter((step) => step === 1).length
				);
			}
		}
	});
});

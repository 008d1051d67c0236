import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { windowPlaces } from '../../neck';
import { toneAt } from '../../chord';
import { planTargets } from '../plan';
import { cellNamed, CHARTS, requestFor, STEADY } from '../test-lines';
import { STYLES } from '../types';
import { APPROACHES } from './approach';
import { LineWork } from './work';
import { planLine } from './plan-line';
import type { LineWishes } from './types';
import { runs } from '../../test-runs';

const chart = parseChart(CHARTS.blues);

/** Something that a player changes between one plan and the next. */
const step = fc.record({
	style: fc.constantFrom(...STYLES),
	position: fc.constantFrom(3, 6, 10),
	change: fc.integer({ min: 0, max: chart.changes.length - 1 }),
	what: fc.constantFrom('lock', 'pass', 'freeze', 'arrive', 'hand', 'nothing'),
	grid: fc.constantFrom<LineWishes['grid'][]>('eighth', 'eighth', 'triplet'),
	cell: fc.constantFrom('steady', 'breath', 'late'),
	spice: fc.constantFrom(0, 0.4, 1),
	seed: fc.constantFrom(0, 0, 7),
	direction: fc.constantFrom(undefined, 'up' as const),
	scalePlan: fc.constantFrom<LineWishes['scalePlan'][]>('one', 'follow'),
	anticipate: fc.boolean()
});
type Step = typeof step extends fc.Arbitrary<infer T> ? T : never;

function requestOf({ style, position, change, what, ...wishes }: Step) {
	const request = requestFor(chart, style, position);
	const { tick, to } = chart.changes[change];
	const place = windowPlaces(request.instrument, position).find((at) => toneAt(to.chord, at.midi));
	const { string, fret } = place ?? { string: 1, fret: position };
	const places = wishes.grid === 'triplet' ? 12 : 8;
	const note = { tick: tick + 480, durationTicks: 240, string, fret };
	const line: LineWishes = {
		...STEADY,
		...wishes,
		cellOf: () => cellNamed(wishes.cell, places),
		frozen: what === 'freeze' ? [{ from: tick, to: tick + 1920, notes: [note] }] : [],
		arrive: what === 'arrive' ? [{ change, approach: APPROACHES[change % 4] }] : []
	};
	return {
		...request,
		line,
		locks: what === 'lock' ? [{ change, string, fret }] : [],
		letPass: what === 'pass' ? [change] : [],
		windows:
			what === 'hand'
				? chart.changes.map(({ index }) => (index < change ? position : position + 2))
				: undefined
	};
}

describe('planning again and again with one memory', () => {
	it('gives the line that planning afresh gives, whatever came before', () => {
		fc.assert(
			fc.property(fc.array(step, { minLength: 2, maxLength: 6 }), (steps) => {
				const work = new LineWork();
				for (const wanted of steps) {
					const request = requestOf(wanted);
					const { targets } = planTargets(request);
					const again = planLine(request, targets, work);
					const afresh = planLine(request, targets);
					expect(again.notes).toEqual(afresh.notes);
					expect(again.arrivals).toEqual(afresh.arrivals);
					expect(again.costs()).toEqual(afresh.costs());
					expect(again.warnings).toEqual(afresh.warnings);
				}
			}),
			{ numRuns: runs(80) }
		);
	}, 60_000);
});

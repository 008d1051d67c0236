import { NO_LINE, NO_ANCHORS } from '$lib/api/route-schema';
import { chartTicks, parseChart } from '$core/chart';
import { readTab, writeTab } from '$core/formats';
import { standardGuitar } from '$core/neck';
import { runRoute, type RouteRequest } from '$lib/api/route';
import { describe, expect, it } from 'vitest';
import { setWays } from './anchor-edit';
import { waysOver } from './own-line';
import { provisionalLine } from './provisional';

const text = 'key: Bb blues\n| Bb7 | Eb7 | Bb7 | F7 |';
const chart = parseChart(text);
const instrument = standardGuitar();
const context = { chart, instrument, scales: chart.events.map(() => null) };
const request = (anchors = NO_ANCHORS): RouteRequest => ({
	chart: text,
	instrument: undefined,
	route: { position: 6, style: 'nearest', line: { ...NO_LINE, grid: 'eighth' }, anchors }
});
function planned(anchors = NO_ANCHORS) {
	const made = runRoute(request(anchors));
	if ('error' in made) throw new Error('no plan');
	return made.value.notes;
}
const line = planned();
const places = (notes: readonly { tick: number; string: number; fret: number }[]) =>
	notes.map(({ tick, string, fret }) => [tick, string, fret]);

describe('own notes over a line', () => {
	it('come back from the planner note by note, whatever they are', () => {
		const whole = { from: 0, to: chartTicks(chart) };
		// Every third note is moved, so that landings are missed and notes are from outside.
		const own = line.map(({ tick, durationTicks, string, fret }, i) => ({
			...{ tick, durationTicks, string },
			fret: fret + (i % 3 === 0 ? 1 : 0)
		}));
		const { ways, silent } = waysOver(chart, line, whole, own);
		const after = planned(setWays(NO_ANCHORS, context, ways, silent));
		expect(silent).toEqual([0, 1, 2, 3]);
		expect(places(after)).toEqual(places(own));
		expect(after.map((note) => note.durationTicks)).toEqual(own.map((note) => note.durationTicks));
		expect(places(provisionalLine(context, line, ways, silent))).toEqual(places(own));
	});

	it('end where they end: a landing that is followed by air does not ring on', () => {
		const whole = { from: 0, to: chartTicks(chart) };
		const own = [{ tick: 1920, durationTicks: 480, string: 3, fret: 6 }];
		const { ways, silent } = waysOver(chart, line, whole, own);
		const [landing] = planned(setWays(NO_ANCHORS, context, ways, silent));
		expect(landing).toMatchObject({ tick: 1920, durationTicks: 480, kind: 'target' });
	});

	it('take over several stretches; what rings into one ends there, and air is let pass', () => {
		const spans = [
			{ from: 960, to: 1920 },
			{ from: 3840, to: 5760 }
		];
		const { ways, silent, air } = waysOver(chart, line, spans, [], [2]);
		expect([silent, air]).toEqual([[2], [2]]);
		const after = planned(setWays(NO_ANCHORS, context, ways, silent, air));
		for (const { tick, durationTicks } of after) {
			for (const { from, to } of spans) {
				expect(tick + durationTicks <= from || tick >= to).toBe(true);
			}
		}
		expect(after.some((note) => note.tick < 960)).toBe(true);
		expect(after.some((note) => note.tick >= 5760)).toBe(true);
		expect(setWays(NO_ANCHORS, context, ways, silent, air).letPass).toEqual([
			{ bar: 3, beat: 1, pass: 1 }
		]);
	});

	it('cut a landing short that would ring into them', () => {
		const long = [{ ...line[0], durationTicks: 1920 }];
		const { ways } = waysOver(chart, long, { from: 960, to: 1920 }, []);
		expect(ways[0][1]).toMatchObject([{ offset: 0, durationTicks: 960 }]);
	});

	it('leave the rest of the line alone, also inside a way that they cut', () => {
		const span = { from: 1920, to: 2880 };
		const own = [{ tick: 1920, durationTicks: 960, string: 3, fret: 8 }];
		const { ways, silent } = waysOver(chart, line, span, own);
		expect(silent).toEqual([1]);
		const outside = line.filter((note) => note.tick < span.from || note.tick >= span.to);
		const shown = provisionalLine(context, line, ways, silent);
		expect(places(shown)).toEqual(places([...outside, ...own].sort((a, b) => a.tick - b.tick)));
		expect(shown.find((note) => note.tick === 1920)).toMatchObject({ kind: 'target', role: 'R' });
	});

	it('nothing written is an empty line, which the planner leaves empty', () => {
		const { ways, silent } = waysOver(chart, line, { from: 0, to: chartTicks(chart) }, []);
		expect(planned(setWays(NO_ANCHORS, context, ways, silent))).toEqual([]);
		expect(provisionalLine(context, line, ways, silent)).toEqual([]);
	});

	it('stand before the first chord too', () => {
		const late = parseChart('| N.C. | Bb7 |');
		const own = [{ tick: 0, durationTicks: 480, string: 3, fret: 7 }];
		const { ways, silent } = waysOver(late, [], { from: 0, to: 3840 }, own);
		expect(silent).toEqual([0]);
		const anchors = setWays(NO_ANCHORS, { chart: late, instrument }, ways, silent);
		const made = runRoute({ ...request(anchors), chart: '| N.C. | Bb7 |' });
		if ('error' in made) throw new Error('no plan');
		expect(places(made.value.notes)).toEqual([[0, 3, 7]]);
	});

	it('a planned line goes through plain tab unharmed', () => {
		const read = readTab(writeTab(chart, instrument, line), chart, instrument);
		const whole = { from: 0, to: chartTicks(chart) };
		const { ways, silent } = waysOver(chart, line, whole, read.notes);
		const after = planned(setWays(NO_ANCHORS, context, ways, silent));
		expect(places(after)).toEqual(places(line));
		expect(after.map((note) => note.kind === 'target')).toEqual(
			line.map((note) => note.kind === 'target')
		);
	});
});

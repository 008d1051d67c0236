import { must } from '../test-must';
import { parseChart, transposeText, type Chart } from '../chart';
import { scaleInUse } from '../harmony';
import { instrumentOf, type Instrument } from '../neck';
import { planTargets, settle } from './plan';
import type { PlanRequest, Style } from './types';
import { readCell, type Cell } from './line/cells';
import { LineWork } from './line/work';
import { planLine, type Line } from './line/plan-line';
import type { LineWishes } from './line/types';

/** Charts that lines are tried on: a blues, a minor loop with a major V, ii–V–I, a waltz, two chords a bar. */
export const CHARTS = {
	blues:
		'key: Bb blues\ntempo: 104\nfeel: shuffle\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |',
	minor: 'key: F# minor\ntempo: 88\n| F#m | D | E | C#7 |',
	major: 'key: C\ntempo: 120\n| Dm7 | G7 | Cmaj7 | A7 | Dm7 | G7 | Cmaj7 | % |',
	waltz:
		'key: G minor\ntime: 3/4\ntempo: 120\n| Gm6 | Am7b5 | D7b9 | Gm6 | Cm6 | Gm6 | Am7b5 | D7b9 |',
	ladder: 'key: Ab\ntempo: 132\n| Bbm7 Eb7alt | Abmaj7 F7alt | Bbm7 Eb7b9 | Abmaj7 F7#9 |'
} as const;

/** The cells of a steady line. */
export const cellNamed = (id: string, slots = 8): Cell => {
	return must(readCell(id, slots));
};

export const STEADY: LineWishes = {
	grid: 'eighth',
	cellOf: () => cellNamed('steady'),
	scalePlan: 'one',
	spice: 0.4
};

/** A chart in another key: semitones up on the circle's usual names. */
export function inKey(text: string, semitones: number): Chart {
	const steps = [0, 1, 1, 2, 2, 3, 3, 4, 5, 5, 6, 6][semitones];
	return parseChart(transposeText(text, { steps, semitones }));
}

/** A request for one window of the usual guitar, or of another instrument. */
export function requestFor(
	chart: Chart,
	style: Style,
	position: number,
	instrument: Instrument = instrumentOf(chart).instrument
): PlanRequest {
	const none = { locks: [], forbid: [], letPass: [] };
	const { scale } = scaleInUse(chart);
	return settle({ chart, instrument, scale, position, style, ...none });
}

/** Plans targets and line afresh. */
export function planned(
	request: PlanRequest,
	line: LineWishes = STEADY,
	work = new LineWork()
): { request: PlanRequest; targets: ReturnType<typeof planTargets>['targets']; line: Line } {
	const { targets } = planTargets(request);
	return { request, targets, line: planLine({ ...request, line }, targets, work) };
}

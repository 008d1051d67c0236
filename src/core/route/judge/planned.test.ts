import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { instrumentOf, lastPosition } from '../../neck';
import { scalesAlong } from '../scale-plan';
import { CHARTS, planned, requestFor, STEADY } from '../test-lines';
import { STYLES } from '../types';
import { checkLine } from './check';
import { LONG } from '../../test-runs';

/** Frets from one place that is tried to the next. */
const STEP = LONG ? 3 : 5;

const TEXTS = Object.entries({
	...CHARTS,
	dadgad: `tuning: D2 A2 D3 G3 A3 D4\n${CHARTS.major}`,
	lydian: 'key: Db lydian\n| Db | Eb/Db | Bbm7 | Eb/Db |',
	held: 'key: Bb blues\n| Bb7 | % | % | Eb7 |'
});

describe('the judge of what the planner makes', () => {
	it.each(TEXTS)('finds nothing that hangs, in any style or place: %s', (_, text) => {
		const chart = parseChart(text);
		const { instrument } = instrumentOf(chart);
		for (const style of STYLES) {
			for (let position = 1; position <= lastPosition(instrument); position += STEP) {
				for (const seed of LONG ? [0, 3] : [3 * (position % 2)]) {
					const { request, line, targets } = planned(requestFor(chart, style, position), {
						...STEADY,
						seed
					});
					const scales = scalesAlong(chart, request.scale, 'one');
					const { notes } = line;
					const check = checkLine({ chart, instrument, scales, position, notes });
					const hanging = [...check.clashes, ...check.outside].filter((stray) => !stray.resolved);
					expect(hanging).toEqual([]);
					expect(check.exits).toEqual([]);
					for (const { change } of targets) {
						expect(check.changes[change]).toMatchObject({ result: 'landed', fix: null });
					}
				}
			}
		}
	});
});

import { parseChart } from '../src/core/chart';
import { scaleInUse } from '../src/core/harmony';
import { standardGuitar } from '../src/core/neck';
import type { PlanRequest, Style } from '../src/core/route';

const BLUES = [
	'| Bb7 | Eb7 | Bb7 | % |',
	'| Eb7 | Edim7 | Bb7 | G7alt |',
	'| Cm7 | F7 | Bb7 G7 | Cm7 F7 |'
];

/** A request for the twelve-bar blues in one window. */
export const blues = (style: Style): PlanRequest =>
	request(`key: Bb blues\n${BLUES.join('\n')}`, style);

/** The same with a seven-note scale in use, so that a line has as much to choose from as it usually has. */
export const sevenNotes = (style: Style): PlanRequest =>
	request(`key: Bb blues\nscale: Bb mixolydian\n${BLUES.join('\n')}`, style);

/** A request for a chart of so many bars with two chords each. */
export function long(bars: number, style: Style): PlanRequest {
	const pairs = ['Cm7 F7', 'Bbmaj7 Ebmaj7', 'Am7b5 D7alt', 'Gm6 G7b9'];
	const text = Array.from({ length: bars }, (_, i) => pairs[i % pairs.length]).join(' | ');
	return request(`key: Bb\n| ${text} |`, style);
}

function request(text: string, style: Style): PlanRequest {
	const chart = parseChart(text);
	const { scale } = scaleInUse(chart);
	const none = { locks: [], forbid: [], letPass: [] };
	return { chart, scale, instrument: standardGuitar(), position: 6, style, ...none };
}

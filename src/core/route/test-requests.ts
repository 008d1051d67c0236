import fc from 'fast-check';
import { type Chart, parseChart } from '../chart';
import { scaleInUse } from '../harmony';
import { standardGuitar } from '../neck';
import { type PlanRequest, type Style, STYLES } from './';

export const FERRY =
	'key: Bb blues\n| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |';

export function request(chart: Chart, over: Partial<PlanRequest> = {}): PlanRequest {
	const { scale } = scaleInUse(chart);
	const base = { locks: [], forbid: [], letPass: [], position: 6, style: 'nearest' as Style };
	return { chart, scale, instrument: standardGuitar(), ...base, ...over };
}

export const chordName = fc
	.tuple(
		fc.constantFrom('C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'),
		fc.constantFrom('', 'm', '7', 'm7', 'maj7', 'dim7', 'm7b5', '7alt', 'sus4', '6', '5')
	)
	.map(([root, suffix]) => root + suffix);

export const smallChart = fc
	.array(chordName, { minLength: 1, maxLength: 4 })
	.map((names) => parseChart(`| ${names.join(' | ')} |`));

export const style = fc.constantFrom(...STYLES);

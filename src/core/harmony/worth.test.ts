import { describe, expect, it } from 'vitest';
import { keyName, parseChart } from '../chart';
import { rankTonics, WORTH } from './tonic';

/** Loops, vamps, blueses and chains on which each piece of evidence shows what it is worth. */
const CHARTS = [
	'| C | G | Am | F |',
	'| Am | F | C | G |',
	'| Am | G | F | E7 |',
	'| Dm7 | G7 | Cmaj7 | % |',
	'| Dm7 | G7 | Dm7 | G7 |',
	'| Em | D | C | D |',
	'| Dm | G | Dm | G |',
	'| G | F | C | G |',
	'| D | C | G | D |',
	'| Dm | Eb | Dm | Cm |',
	'| F | G | F | Em |',
	'| Fmaj7 | G | Fmaj7 | G |',
	'| A7 | D7 | A7 | E7 |',
	'| A7 | D7 | A7 | A7 |',
	'| Am7 | Dm7 | Am7 | E7 |',
	'| A7 | G7 | D7 | A7 |',
	'| Bm7b5 | C | Bm7b5 | Am |',
	'| Bm7b5 | % | Bm7b5 | % |',
	'| F | G | Em | Am |',
	'| Dm7 G7 | Em7 A7 | Dm7 G7 | C |',
	'| F/C | G/C | F/C | C |',
	'| Am7/D | G/D | F/D | C/D |',
	'| Cm7 | F7 | Bbmaj7 | Ebmaj7 | Am7b5 | D7 | Gm | % |',
	'| E7 | % | A7 | % |',
	'| C7 | F7 | C7 | Bb7 |',
	'| Gm | C | Gm | F |',
	'| Bb | C | F | % | Bb | C | Dm | % |',
	'| F#m | D | A | E |'
];
const ranking = (text: string): string =>
	rankTonics(parseChart(text))
		.slice(0, 8)
		.map((home) => keyName(home))
		.join(', ');

describe('every piece of evidence for a home', () => {
	const usual = CHARTS.map(ranking);

	it.each(Object.keys(WORTH) as (keyof typeof WORTH)[])('%s decides a ranking', (name) => {
		const worth = WORTH[name];
		try {
			Object.assign(WORTH, { [name]: 0 });
			expect(CHARTS.filter((chart, i) => ranking(chart) !== usual[i])).not.toEqual([]);
		} finally {
			Object.assign(WORTH, { [name]: worth });
		}
	});
});

import { parseChart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { standardGuitar } from '$core/neck';
import { coverNeck, type CoverageRow } from '$core/route';
import { describe, expect, it } from 'vitest';
import { Coverer } from './coverer';

const chart = 'key: Bb blues\n| Bb7 | Eb7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |';

describe('weighing in a worker', () => {
	it('tells every position from the nut on, as the core weighs them', async () => {
		const rows: CoverageRow[] = [];
		await new Coverer().cover({ chart, style: 'guide-tones' }, (row) => rows.push(row));
		const parsed = parseChart(chart);
		const request = {
			...{ chart: parsed, instrument: standardGuitar(), style: 'guide-tones' as const },
			scale: scaleInUse(parsed).scale
		};
		expect(rows).toEqual([...coverNeck(request)]);
		expect(rows.map((row) => row.position)).toEqual(Array.from({ length: 19 }, (_, i) => i + 1));
	});

	it('streams, and a newer request ends the older one', async () => {
		const coverer = new Coverer();
		const [old, fresh]: CoverageRow[][] = [[], []];
		const bars = Array.from({ length: 64 }, () => 'Cm7 F7 | Bbmaj7 G7alt').join(' | ');
		const first = coverer.cover({ chart: `| ${bars} |` }, (row) => old.push(row));
		// The first slice has been told before the first breath.
		expect(old.length).toBeGreaterThan(0);
		expect(old.length).toBeLessThan(19);
		const second = coverer.cover({ chart: '| C | F |' }, (row) => fresh.push(row));
		await Promise.all([first, second]);
		expect(old.length).toBeLessThan(19);
		expect(fresh).toHaveLength(19);
		expect(fresh.every((row) => row.chords.length === 2)).toBe(true);
	});

	it.each([
		['a silent chart', { chart: '| N.C. |' }],
		['text that is no chart', { chart: '???' }],
		['an unknown tuning', { chart, instrument: { tuning: 'odd' } }],
		['an unknown scale', { chart, scale: { tonic: 'C', name: 'odd' } }]
	])('tells nothing of %s', async (_, input) => {
		const rows: CoverageRow[] = [];
		await new Coverer().cover(input, (row) => rows.push(row));
		expect(rows).toEqual([]);
	});

	it('takes the instrument of the request: its frets and its strings', async () => {
		const rows: CoverageRow[] = [];
		const instrument = { tuning: 'bass', frets: 20, capo: 2 };
		await new Coverer().cover({ chart, instrument }, (row) => rows.push(row));
		expect(rows.at(-1)?.position).toBe(20 - 2 - 3);
		expect(rows.every((row) => row.landed <= row.changes)).toBe(true);
	});
});

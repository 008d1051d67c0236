import { describe, expect, it } from 'vitest';
import type { Log } from '$lib/api/log-page';
import {
	heatFields,
	heatOption,
	kindName,
	landingOption,
	minutesOption,
	tempoOption,
	type Inks
} from './log-options';

const INKS: Inks = {
	ink: '#111',
	second: '#222',
	hair: '#333',
	strong: '#444',
	paper: '#fff',
	density: ['d0', 'd1', 'd2', 'd3', 'd4'],
	onDensity: ['o0', 'o1', 'o2', 'o3', 'o4'],
	font: 'sans'
};
const begins = Date.UTC(2026, 2, 2);
const LOG: Log = {
	totals: { takes: 3, durationMs: 90_000, first: begins, last: begins },
	weeks: [
		{ begins, takes: 2, share: 0.5, minutes: 12.4 },
		{ begins: begins + 604_800_000, takes: 0, share: null, minutes: 0 },
		{ begins: begins + 1_209_600_000, takes: 1, share: 0.756, minutes: 3 }
	],
	behind: { place: 11, key: 'Db' },
	series: [
		{ name: 'all takes', shares: [0.5, null, 0.756] },
		{ name: 'key of Db', shares: [null, null, 0.3] }
	],
	heat: [
		{ position: 11, kind: 'minor', asked: 10, landed: 3 },
		{ position: 2, kind: 'major', asked: 10, landed: 9 },
		{ position: 14, kind: 'diminished', asked: 4, landed: 2 }
	],
	tempos: [
		{ id: 'a', title: 'Slip Line', clean: 88, aim: 104 },
		{ id: 'b', title: 'Tide Table', clean: null, aim: 60 },
		{ id: 'c', title: 'Low Lamp', clean: 76, aim: 76 }
	],
	takes: [],
	found: 3,
	page: 50,
	choices: { tunes: [], places: [], keys: [] }
};

describe('the charts of the log', () => {
	it('draw the landing rate with gaps, end labels and weaker lines for what is weak', () => {
		const { series } = landingOption(LOG, INKS) as { series: Record<string, never>[] };
		expect(series.map(({ data }) => data)).toEqual([
			[50, null, 76],
			[null, null, 30]
		]);
		expect(series.map(({ endLabel }) => (endLabel as { formatter: string }).formatter)).toEqual([
			'all takes\n76 %',
			'key of D♭, 30'
		]);
		expect(series.every(({ connectNulls }) => connectNulls === false)).toBe(true);
	});

	it('draw places by kinds of chords in five steps of ink, as far as they were played', () => {
		const { places, kinds, fields } = heatFields(LOG);
		expect(places).toHaveLength(14);
		expect(kinds).toEqual(['major', 'minor', 'diminished']);
		expect(fields[0].share).toBeCloseTo(0.3);
		const { series } = heatOption(LOG, INKS) as never as {
			series: { data: { value: number[]; itemStyle: { color: string } }[] }[];
		};
		expect(series[0].data.map(({ value }) => value)).toEqual([
			[10, 1, 30],
			[1, 2, 90],
			[13, 0, 50]
		]);
		expect(series[0].data.map(({ itemStyle }) => itemStyle.color)).toEqual(['d0', 'd4', 'd1']);
		expect(kindName('altered')).toBe('alt and ♭9');
		expect(kindName('diminished')).toBe('°7 and m7♭5');
	});

	it('draw minutes and tempos; what is reached is darkest', () => {
		const minutes = minutesOption(LOG, INKS) as never as {
			series: { data: { value: number; itemStyle: { color: string } }[] }[];
		};
		expect(minutes.series[0].data.map(({ value }) => value)).toEqual([12, 0, 3]);
		expect(minutes.series[0].data[2].itemStyle.color).toBe('d4');
		const tempos = tempoOption(LOG, INKS) as never as {
			yAxis: { data: string[] };
			series: { data: { value: number; itemStyle: { color: string } }[] }[];
		};
		expect(tempos.yAxis.data).toEqual(['Low Lamp', 'Tide Table', 'Slip Line']);
		expect(tempos.series[0].data.map(({ value }) => value)).toEqual([76, 0, 88]);
		expect(tempos.series[0].data.map(({ itemStyle }) => itemStyle.color)).toEqual([
			'd4',
			'd3',
			'd3'
		]);
		expect(tempos.series[1].data).toEqual([76, 60, 104]);
	});
});

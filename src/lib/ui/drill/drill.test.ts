import { describe, expect, it } from 'vitest';
import { swingOf } from '$core/band';
import { parseChart } from '$core/chart';
import type { JudgedChange, TakeSummary } from '$core/practice';
import { ago, ahead, durationWords } from '$lib/words/when';
import { drillHref, drillWords, todaySentence } from '../home/today-words';
import { passRemarks, laneWord, passVerdict, said, slipSentence } from './drill-words';
import { stripRows } from './pass-strip';

const chart = parseChart(
	'key: Bb blues\ntempo: 104\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | <Cm7 F7 |'
);
const STRAIGHT = swingOf('straight');

describe('the strip of a pass', () => {
	it('stands in rows as even as can be, each change at its moment', () => {
		const rows = stripRows(chart, null, STRAIGHT, [], 844);
		expect(rows.map(({ from, to }) => [from, to])).toEqual([
			[0, 6],
			[6, 12]
		]);
		expect(rows[0].changes.map(({ symbol }) => symbol)).toEqual([
			...['Bb7', 'Eb7', 'Bb7', 'Eb7', 'Edim7']
		]);
		expect(rows[0].changes[1].x - rows[0].changes[0].x).toBeCloseTo(800 / 6);
		const [, second] = rows;
		const g7 = second.changes.find(({ symbol }) => symbol === 'G7');
		expect(g7?.x).toBeCloseTo(22 + (4.5 * 800) / 6);
		// A push stands before its barline, in its own row.
		const pushed = second.changes.find(({ symbol, bar }) => symbol === 'Cm7' && bar === 12);
		expect(pushed?.x).toBeCloseTo(22 + ((5 - 1 / 8) * 800) / 6);
		expect(stripRows(chart, null, STRAIGHT, [], 360).map(({ bars }) => bars.length)).toEqual([
			3, 3, 3, 3
		]);
	});

	it('begins a loop with the chord that goes on', () => {
		const [row] = stripRows(chart, { from: 3, to: 5 }, STRAIGHT, [], 600);
		expect(row.changes.map(({ symbol }) => symbol)).toEqual(['Bb7', 'Eb7']);
		expect(row.bars.map(({ index }) => index)).toEqual([3, 4]);
	});
});

const judged = (over: Partial<JudgedChange>): JudgedChange => ({
	index: 6,
	loop: 0,
	result: 'late',
	midi: 71,
	role: '3',
	errorMs: 212.4,
	...over
});

describe('words about a pass', () => {
	it('say what slipped at a change', () => {
		const tell = (over: Partial<JudgedChange>) => slipSentence(chart, judged(over), undefined);
		expect(tell({})).toEqual(['Bar 8, late.', 'B came 212 ms after G7alt out of B♭7.']);
		const loop = { from: 7, to: 9 };
		expect(slipSentence(chart, judged({}), undefined, loop)[1]).toBe('B came 212 ms after G7alt.');
		expect(tell({ result: 'early', errorMs: -80 })).toEqual([
			'Bar 8, early.',
			'B came 80 ms before G7alt and was let go.'
		]);
		expect(tell({ result: 'missed', midi: 76, role: null })[1]).toBe(
			'E sounded; G7alt out of B♭7 wants one of its tones.'
		);
		expect(tell({ result: 'silent', midi: null })[1]).toBe('No note on G7alt out of B♭7.');
	});

	it('stand in the lane of timing', () => {
		expect(laneWord(judged({ errorMs: -74.4 }))).toBe('−74');
		expect(laneWord(judged({ result: 'landed', errorMs: 12 }))).toBe('+12');
		expect(laneWord(judged({ result: 'held' }))).toBe('held');
		expect(laneWord(judged({ result: 'missed' }))).toBe('missed');
	});

	it('sum a pass up', () => {
		const slip = { bar: 8, index: 6 } as TakeSummary['slips'][number];
		const summary = {
			asked: 14,
			landed: 10,
			biasMs: 8.2,
			spreadMs: 16,
			slips: [slip, { ...slip, bar: 3 }, slip],
			kinds: [
				{ kind: 'dominant', asked: 9, landed: 6 },
				{ kind: 'minor', asked: 5, landed: 4 }
			]
		} as unknown as TakeSummary;
		expect(passVerdict(summary)).toEqual({
			head: '10 of 14 changes land.',
			rest: 'On average 8 ms late, spread 16 ms. Mostly chords of 7 and 9 slip:',
			bars: [3, 8]
		});
		// Where everything slips alike, or there is one kind alone, no kind is to blame.
		const even = [6, 2].map((landed) => ({ kind: 'minor', asked: landed + 2, landed }) as const);
		const rest = 'On average 8 ms late, spread 16 ms.';
		expect(passVerdict({ ...summary, kinds: even }).rest).toBe(rest);
		expect(passVerdict({ ...summary, kinds: [summary.kinds[0]] }).rest).toBe(rest);
		expect(passVerdict({ ...summary, asked: 1, landed: 1 }).head).toBe('1 of 1 change lands.');
		expect(passVerdict({ ...summary, landed: 14, biasMs: null, slips: [] }).head).toBe(
			'All 14 changes land.'
		);
	});

	it('write signs and group broken rules', () => {
		expect(said('The b7 of Ab7 in bar 9 came late three times.')).toBe(
			'The ♭7 of A♭7 in bar 9 came late three times.'
		);
		const violation = { timeMs: 0, rule: 'notes', message: 'Bb is no tone of F#m.' } as const;
		const grid = {
			timeMs: 0,
			rule: 'grid',
			message: 'A note stands 70 ms after an eighth.'
		} as const;
		const bend = { timeMs: 0, bar: 4, from: 70, aim: 72, name: 'Bb', cents: -30 };
		const broken = passRemarks({
			violations: [violation, grid, violation],
			bends: [bend]
		} as never);
		expect(broken).toEqual([
			['Rule.', 'B♭ is no tone of F♯m. And 1 more.'],
			['Rule.', 'A note stands 70 ms after an eighth.'],
			['Bends.', 'The bend to B♭ in bar 4 falls 30 cents short. Push on until it is there.']
		]);
	});
});

describe('words about days', () => {
	const now = new Date(2026, 10, 26, 9).getTime();
	const day = 86_400_000;

	it('say how long ago and how far ahead', () => {
		expect([0, 1, 5, 40].map((days) => ago(now - days * day, now))).toEqual([
			...['today', 'yesterday', '5 days ago', '17 Oct']
		]);
		expect([-3, 0, 1, 3, 20].map((days) => ahead(now + days * day, now))).toEqual([
			...['today', 'today', 'tomorrow', 'Sunday', '16 Dec']
		]);
		expect(durationWords(679 * 60_000)).toBe('11 h 19 min');
		expect(durationWords(34 * 60_000)).toBe('34 min');
	});

	it('say what today brings', () => {
		const item = (reason: string, over: object = {}) =>
			({
				reason,
				minutes: 5,
				why: '',
				card: {
					tuneId: 't',
					position: 4,
					key: 'Db',
					drill: { preset: 'guide-tones', rules: {}, ladder: { start: 72, ceiling: 104 } },
					...over
				}
			}) as never as Parameters<typeof drillWords>[0];
		const list = [item('weak'), item('weak'), item('speed'), item('rested'), item('rested')];
		expect(todaySentence(list)).toBe(
			'Two weak places, one drill to speed up, two that have rested.'
		);
		expect(drillWords(list[0])).toBe('Position 4, in D♭, guide tones, 72→104');
		expect(drillHref(list[0])).toBe('/tunes/t/drill?position=4&key=Db&start');
		expect(drillHref(item('new', { key: null }), false)).toBe('/tunes/t/drill?position=4');
	});
});

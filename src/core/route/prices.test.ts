import { describe, expect, it, vi } from 'vitest';
import { parseChart } from '../chart';
import { scaleInUse } from '../harmony';
import { buildInstrument, standardGuitar } from '../neck';
import { timedChart } from './landing-times';
import type { RouteWish } from './ready-route';
import type { Style } from './types';
import type { LineWishes } from './line/types';

/** The small charts on which each price shows what it does. */
const CHARTS = {
	turnaround: 'key: C\ntempo: 120\n| Dm7 | G7 | Cmaj7 | A7 |',
	blues: 'key: Bb blues\ntempo: 116\n| Bb7 | Eb7 | Bb7 | G7alt | Cm7 | F7 |',
	minor: 'key: G minor\ntempo: 150\n| Am7b5 | D7b9 | Gm6 | Cm6 |',
	quick: 'key: Ab\ntempo: 132\n| Bbm7 Eb7alt | Abmaj7 F7alt |',
	sharp: 'key: F# minor\ntempo: 88\n| F#m | D | E | C#7 |',
	shuffle: 'key: E\ntempo: 200\n| E7 | A7 | B7 | E7 |',
	plain: 'key: D\ntempo: 100\n| D | % | G | A7 |',
	circle: 'key: F\ntempo: 180\n| Fmaj7 Dm7 | Gm7 C7 | Am7 D7 | Gm7 C7 |'
} as const;
type Name = keyof typeof CHARTS;
type Asked = {
	readonly grid?: LineWishes['grid'];
	readonly plan?: 'arpeggio';
	readonly direction?: 'up';
	readonly seed?: number;
	readonly spice?: number;
	readonly leans?: RouteWish['leans'];
	readonly land?: 'bar';
	/** Fixes a change to a place. */
	readonly locks?: RouteWish['locks'];
	/** Strings that leave tones out of a place, so that others must serve. */
	readonly few?: true;
	readonly small?: true;
};
const LEANS = [
	{ change: 1, wish: 'rest' },
	{ change: 2, wish: 'lean' }
] as const;

type Weights = typeof import('./targets/landing-prices') &
	typeof import('./line/line-prices') &
	Pick<typeof import('../neck'), 'HAND'>;
type Change = (weights: Weights) => void;

/** The planner with other prices: its modules are read anew, because some of its tables are made of them once. */
async function planner(change: Change) {
	vi.resetModules();
	const { HAND } = await import('../neck');
	change({
		...(await import('./targets/landing-prices')),
		...(await import('./line/line-prices')),
		HAND
	});
	const [{ readyRoute }, { planWhole }] = [
		await import('./ready-route'),
		await import('./plan-lines')
	];
	const { STEADY } = await import('./line/cells');
	return (name: Name, position: RouteWish['position'], style: Style, asked: Asked = {}): string => {
		const { land = 'change', locks = [] } = asked;
		const { chart } = timedChart(parseChart(CHARTS[name]), { land });
		const { grid, plan = 'one', direction, seed = 0, spice = 0.4, leans, few, small } = asked;
		const ready = readyRoute({
			...{ chart, position, style, leans, locks, forbid: [], letPass: [] },
			instrument: {
				...((few && buildInstrument('E2 E2 E2 E2')) || standardGuitar()),
				...(small ? { hand: { comfortableMm: 60 } } : {})
			},
			scale: scaleInUse(chart).scale,
			holding: { slide: 0, block: false },
			scales: { scalePlan: plan, byHand: [], alternate: null, only: false },
			way: grid ? { grid, cellOf: () => STEADY, direction, seed, spice } : null
		});
		if ('error' in ready) throw new Error(ready.error[0]?.message);
		const [{ notes }] = planWhole(ready.value.request, ready.value.line);
		return notes.map(({ string, fret }) => `${string}/${fret}`).join(' ');
	};
}

/** Sets a price that is named in a table to another number. */
const set = (table: object, name: string, price: number): void => {
	expect(Object.keys(table)).toContain(name);
	const known = (table as Record<string, unknown>)[name];
	Object.assign(table, { [name]: Array.isArray(known) ? known.map(() => price) : price });
};

type Case = readonly [
	price: string,
	chart: Name,
	position: RouteWish['position'],
	style: Style,
	asked?: Asked
];

/** Prices of landings: what each changes where it is nothing. */
const LANDINGS: readonly Case[] = [
	['thirdIdentical', 'circle', 8, 'blend'],
	['backAndForth', 'turnaround', 5, 'nearest'],
	['turn', 'turnaround', 5, 'mirror'],
	['outOfTurn', 'plain', 5, 'nearest', { land: 'bar', locks: [{ change: 1, string: 3, fret: 7 }] }],
	['registerPerSemitone', 'turnaround', 5, 'guide-tones'],
	['crossing', 'turnaround', 8, 'roots'],
	['lowString', 'turnaround', 5, 'roots'],
	['tension', 'blues', 5, 'nearest'],
	['mirrorRoot', 'turnaround', 5, 'mirror'],
	['mirrorFifth', 'turnaround', 5, 'mirror'],
	['againstWish', 'blues', { roam: 4, wish: 'descend' }, 'nearest'],
	['lean', 'turnaround', 5, 'nearest', { leans: LEANS }],
	['unserved', 'blues', 10, 'mirror']
];

/** Prices of the way between, and of arriving. */
const WAYS: readonly Case[] = [
	['turn', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['turnAfterLeap', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }],
	['returns', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['leapAfterLeap', 'blues', 8, 'blend', { grid: 'sixteenth' }],
	['scaleOnBeat', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['clashOnBeat', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['tensionOnBeat', 'blues', 5, 'nearest', { grid: 'sixteenth' }],
	['clashOffBeat', 'turnaround', 1, 'guide-tones', { grid: 'sixteenth' }],
	['clashLeft', 'turnaround', 5, 'blend', { grid: 'sixteenth' }],
	['chromaticOnBeat', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['chromaticOffBeat', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['earlyChromatic', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['foretold', 'turnaround', 9, 'blend', { grid: 'eighth', plan: 'arpeggio' }],
	['roam', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['roamPrice', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }],
	['overHighest', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['lowString', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }],
	['roll', 'turnaround', 5, 'arpeggio', { grid: 'eighth' }],
	['unplayable', 'turnaround', 5, 'arpeggio', { grid: 'eighth' }],
	['againstDirection', 'turnaround', 5, 'nearest', { grid: 'eighth', direction: 'up' }],
	['sameApproach', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }],
	['sameAsBefore', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['sameIntervals', 'sharp', 8, 'blend', { grid: 'eighth' }],
	['samePattern', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }],
	['echoStep', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['echoMost', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['takeMost', 'turnaround', 5, 'nearest', { grid: 'eighth', seed: 7 }]
];
/** What the hand pays: at landings and on the way. The rest of the list is for shapes and layouts, and shown there. */
const HANDS: readonly Case[] = [
	['crossing', 'turnaround', 1, 'guide-tones'],
	['crossing', 'turnaround', 1, 'arpeggio', { grid: 'eighth' }],
	['reach', 'turnaround', 5, 'mirror'],
	['reach', 'turnaround', 1, 'nearest', { grid: 'sixteenth' }],
	['tooFar', 'sharp', 5, 'guide-tones', { grid: 'quarter' }],
	['tooFar', 'turnaround', 1, 'guide-tones', { grid: 'eighth', small: true }],
	['jump', 'plain', 5, 'arpeggio', { grid: 'sixteenth' }],
	['shift', 'turnaround', { roam: 5, wish: 'climb' }, 'mirror'],
	['shiftFret', 'turnaround', { roam: 5, wish: 'climb' }, 'mirror']
];
const ARRIVALS: readonly Case[] = [
	['half-above', 'turnaround', 5, 'guide-tones', { grid: 'sixteenth' }],
	['step', 'turnaround', 5, 'arpeggio', { grid: 'eighth' }],
	['leap', 'turnaround', 5, 'nearest', { grid: 'eighth' }],
	['other', 'turnaround', 5, 'nearest', { grid: 'sixteenth' }]
];

describe('every price of the planner decides something', () => {
	const usual = planner(() => {});

	it.each([
		...LANDINGS.map((one) => ({ table: 'WEIGHTS', price: one[0], one }) as const),
		...HANDS.map((one) => ({ table: 'HAND', price: one[0], one }) as const),
		...WAYS.map((one) => ({ table: 'LINE', price: one[0], one }) as const),
		...ARRIVALS.map((one) => ({ table: 'APPROACH', price: one[0], one }) as const)
	])('$table: $price', async ({ table, one: [price, chart, position, style, asked] }) => {
		const before = (await usual)(chart, position, style, asked);
		const free = await planner((weights) => set(weights[table], price, 0));
		expect(free(chart, position, style, asked)).not.toBe(before);
	});

	it('and none is left out here', async () => {
		vi.resetModules();
		const { HAND } = await import('../neck');
		const { WEIGHTS } = await import('./targets/landing-prices');
		const { APPROACH, LINE } = await import('./line/line-prices');
		const names = (cases: readonly Case[]) => cases.map(([name]) => name).sort();
		expect(names(LANDINGS)).toEqual(Object.keys(WEIGHTS).sort());
		expect(new Set([...names(HANDS), 'shiftFirst', 'crossingFurther'])).toEqual(
			new Set(Object.keys(HAND))
		);
		expect(names(WAYS)).toEqual(Object.keys(LINE).sort());
		// A price of nothing is what the others are measured by.
		const paid = Object.entries(APPROACH).filter(([, price]) => price > 0);
		expect(names(ARRIVALS)).toEqual(paid.map(([name]) => name).sort());
	});

	it.each(['nearest', 'guide-tones', 'arpeggio', 'blend', 'roots'] as const)(
		'what the style %s asks for, too',
		async (style) => {
			const before = await usual;
			const flips = async (change: Change) => {
				const free = await planner(change);
				const places = [2, 5, 8, 10, 1, 3, 4, 6, 7, 9, 11, 12];
				return (Object.keys(CHARTS) as Name[]).some((name) =>
					places.some((at) =>
						[{}, { few: true } as const].some(
							(asked) => free(name, at, style, asked) !== before(name, at, style, asked)
						)
					)
				);
			};
			const of = (weights: Weights) => weights.STYLE_WEIGHTS[style];
			vi.resetModules();
			const { telling } = (await import('./targets/landing-prices')).STYLE_WEIGHTS[style];
			const parts: Record<string, Change> = {
				voiceLeading: (weights) => set(of(weights), 'voiceLeading', 0),
				role: (weights) =>
					Object.keys(of(weights).role).forEach((r) => set(of(weights).role, r, 0)),
				...(telling.inChord > 0
					? { inChord: (weights: Weights) => set(of(weights).telling, 'inChord', 0) }
					: {}),
				...(telling.inScale > 0
					? { inScale: (weights: Weights) => set(of(weights).telling, 'inScale', 0) }
					: {})
			};
			for (const [part, change] of Object.entries(parts)) {
				expect([part, await flips(change)]).toEqual([part, true]);
			}
		}
	);
});

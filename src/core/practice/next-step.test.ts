import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { compareTakes, viewTake } from './compare';
import { judge } from './judge';
import { adviceOn, nextStep, type Practised } from './next-step';
import { summarise } from './summary';
import { FERRY, landEvery, NETTLE, takeOn } from './test-takes';
import type { PlayedEvent, Rules } from './types';

const chart = parseChart(NETTLE);
const LADDER = { start: 40, step: 20, ceiling: 88, up: 2 };

/** One time through Nettle Tea; every change is done something to. */
function after(
	spoil: (index: number) => Partial<PlayedEvent> & { off?: number },
	rest: Partial<Practised> = {},
	rules: Rules = {},
	leave: readonly number[] = []
) {
	const request = takeOn(chart, { tempo: rest.tempo ?? 60, rules });
	const events = landEvery(request, spoil).filter((_, i) => !leave.includes(i));
	const judgement = judge({ ...request, events });
	const practised: Practised = {
		...{ chart, rules, ladder: LADDER, place: { tempo: 60, clean: 0 }, whole: null, looped: null },
		tempo: 60,
		...rest
	};
	return nextStep(practised, judgement, summarise(chart, judgement));
}

describe('the next step in words', () => {
	it.each<[string, Parameters<typeof after>, string]>([
		['late', [(i) => (i === 1 ? { off: 300 } : {})], 'The 3 of D in bar 2 came late.'],
		[
			'early',
			[(i) => (i === 1 ? { off: -300, durationMs: 50 } : {})],
			'The 3 of D in bar 2 came early.'
		],
		['missed', [(i) => (i === 2 ? { midi: 65 } : {})], 'The 3 of E in bar 3 was missed.'],
		['silent', [() => ({}), {}, {}, [3]], 'The 3 of C#7 in bar 4 stayed silent.'],
		[
			'a root',
			[() => ({}), {}, { landOn: 'roots' }, [0]],
			'The root of F#m in bar 1 stayed silent.'
		]
	])('%s', (_, args, reason) => expect(after(...args)).toMatchObject({ kind: 'loop', reason }));

	it('puts a wrong note or none before a late one, that before an early one', () => {
		const both = after((i) => (i === 0 ? { off: 300 } : i === 2 ? { midi: 65 } : {}));
		expect(both.reason).toContain('bar 3 was missed');
		const timing = after((i) =>
			i === 1 ? { off: -300, durationMs: 50 } : i === 3 ? { off: 300 } : {}
		);
		expect(timing.reason).toContain('bar 4 came late');
	});

	it('names the tone that was planned', () => {
		const aims = new Map([[1, { name: 'A', role: '5' }]]);
		const step = after((i) => (i === 1 ? { midi: 63 } : {}), { aims });
		expect(step).toMatchObject({ text: 'Loop bars 1–2 at 40. Land on A.' });
		expect(step.reason).toBe('The 5 of D in bar 2 was missed.');
	});

	it('says of what came at the wrong time what it was, of what never came what was asked for', () => {
		const late = after((i) => (i === 1 ? { off: 300, midi: 66 } : {}), {}, { landOn: 'any' });
		expect(late.reason).toBe('The 3 of D in bar 2 came late.');
		const root = after((i) => (i === 1 ? { off: 300, midi: 62 } : {}));
		expect(root.reason).toBe('The root of D in bar 2 came late.');
		const early = after((i) => (i === 1 ? { off: -300, durationMs: 50, midi: 69 } : {}));
		expect(early.reason).toBe('The 5 of D in bar 2 came early.');
		const missed = after((i) => (i === 1 ? { midi: 63 } : {}), {}, { landOn: 'roots' });
		expect(missed).toMatchObject({ reason: 'The root of D in bar 2 was missed.' });
		expect(missed.text).toContain('Land on D.');
	});

	it('tells at the top of the ladder when its aim is reached, and not before', () => {
		const clean = (tempo: number, cleanBefore: number) =>
			after(() => ({}), { tempo, place: { tempo, clean: cleanBefore } }).text;
		expect(clean(88, 0)).toBe('Once more at 88.');
		expect(clean(88, 1)).toMatch(/^The aim of 88 is reached/);
		expect(clean(60, 0)).toBe('Once more at 60.');
		expect(clean(60, 1)).toBe('Up to 80.');
	});

	it('stays inside the bars that are drilled, and never goes slower than the band', () => {
		const whole = { from: 1, to: 4 };
		const request = takeOn(chart, { tempo: 40, range: whole });
		const judgement = judge(request);
		const practised = { chart, rules: {}, ladder: LADDER, place: { tempo: 40, clean: 0 } };
		const on = { ...practised, whole, looped: null, tempo: 40 };
		const step = nextStep(on, judgement, summarise(chart, judgement));
		expect(step.range?.from).toBeGreaterThanOrEqual(1);
		expect(step.tempo).toBe(30);
	});

	it('asks for the same again where only a rule was broken', () => {
		const step = after(() => ({}), {}, { landOn: 'roots' });
		expect(step).toMatchObject({ kind: 'again', tempo: 60, text: 'Again at 60, by the rule.' });
		expect(step.reason).toMatch(/^Every change lands\. F#m was landed on its minor third/);
	});
});

describe('advice', () => {
	it('tells hurry from delay, and scatter from both', () => {
		const told = (off: (index: number) => number) => {
			const request = takeOn(FERRY);
			const events = landEvery(request, (index) => ({ off: off(index) }));
			const judgement = judge({ ...request, events });
			return adviceOn(request.chart, {}, judgement, summarise(request.chart, judgement)).join(' ');
		};
		expect(told(() => -30)).toContain('30 ms early on average. Wait for the beat.');
		expect(told((i) => (i % 2 === 0 ? 45 : -45))).toContain('scatter by 45 ms');
		expect(told(() => 0)).toBe('Every change lands.');
		expect(told((i) => (i % 2 === 0 ? 29 : -29))).toBe('Every change lands.');
	});
});

describe('two takes that land alike', () => {
	it('differ by their timing', () => {
		const request = takeOn(FERRY);
		const at = (spread: number) =>
			viewTake({
				...request,
				events: landEvery(request, (index) => ({ off: index % 2 === 0 ? spread : -spread }))
			});
		const { better, reasons } = compareTakes(at(40), at(5));
		expect(better).toBe(1);
		expect(reasons).toEqual(['Its landings scatter by 5 ms, the other’s by 40 ms.']);
	});
});

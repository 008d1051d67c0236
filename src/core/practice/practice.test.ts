import { describe, expect, it } from 'vitest';
import { chartTicks, parseChart } from '../chart';
import { scaleInUse } from '../harmony';
import { standardGuitar, windowPlaces } from '../neck';
import { planRoute } from '../route';
import { must } from '../test-must';
import { answerBars, type Drill, drillOf, moveDrill, passMs, PRESETS, styleOf } from './drill';
import { drillLine, PRESET_WORDS } from './drill-words';
import { judge } from './judge';
import { adviceOn, nextStep, type Practised } from './next-step';
import { landingNotes, type PlanNote, simulate, type Skill, SKILLS } from './simulate';
import { summarise } from './summary';
import { FERRY, landEvery, NETTLE, takeOn } from './test-takes';
import type { JudgeRequest, PlayedEvent } from './types';
const FERRY_CHART = parseChart(`title: Tin Roof Ferry\n${FERRY}`);

/** The landings of a style in position 6. */
function targetsOf(style: Parameters<typeof planRoute>[0]['style']) {
	const planned = planRoute({
		chart: FERRY_CHART,
		instrument: standardGuitar(),
		scale: scaleInUse(FERRY_CHART).scale,
		position: 6,
		style,
		locks: [],
		forbid: [],
		letPass: []
	});
	return must(planned).targets;
}

describe('drills', () => {
	it('moves to another place or key: a locked hand and a lone fret go along, a route stays', () => {
		const drill: Drill = {
			...drillOf('roots', FERRY_CHART, { position: 5, key: null }),
			routeId: 'a route',
			rules: { position: 5, fret: 5, strings: [1, 2], landOn: 'roots' }
		};
		expect(moveDrill(drill, 8, 'Eb')).toEqual({
			...drill,
			...{ position: 8, key: 'Eb', routeId: null },
			rules: { position: 8, fret: 8, strings: [1, 2], landOn: 'roots' }
		});
		expect(moveDrill(drill, 5, null)).toEqual(drill);
		const roaming = { ...drill, rules: { fret: 2 } };
		expect(moveDrill(roaming, 6, null).rules).toEqual({ fret: 3 });
		expect(moveDrill(roaming, 1, null).rules).toEqual({});
	});

	it('say themselves on one line', () => {
		const where = { position: 6, key: null };
		const ladder = { start: 72, step: 4, ceiling: 104, up: 2 };
		const line = drillLine(
			'Tin Roof Ferry',
			drillOf('guide-tones', FERRY_CHART, where, ladder),
			'Bb'
		);
		expect(line).toBe(
			'Tin Roof Ferry · position 6 · guide tones on every change · eighths only · 72→104'
		);
		const loop = { ...drillOf('roots', FERRY_CHART, where), range: { from: 7, to: 9 }, key: 'Db' };
		expect(drillLine('Ferry', loop, 'Bb')).toBe(
			'Ferry · bars 8–9 · in Db · position 6 · roots on every change · nothing else · 72→104'
		);
		const on = (rules: Drill['rules']) =>
			drillLine('Ferry', { ...drillOf('roots', FERRY_CHART, where), rules }, 'Bb').split(' · ');
		expect(on({})[1]).toBe('from position 6');
		expect(on({ strings: [3] })).toContain('string 3');
		expect(on({ strings: [3, 4] })).toContain('strings 3 and 4');
		expect(on({ strings: [4, 5, 6] })).toContain('strings 4, 5 and 6');
		expect(on({ fret: 7 })).toContain('fret 7 only');
		expect(on({ fret: 0 })).toContain('fret 0 only');
		expect(on({ restBars: [2] })).toContain('call and answer');
		expect(on({ restBars: [] })).not.toContain('call and answer');
	});

	it.each(PRESETS)('can be played by the rule: %s', (preset) => {
		const position = 6;
		const drill = drillOf(preset, FERRY_CHART, { position, key: null });
		const request = takeOn(FERRY_CHART, { rules: drill.rules, loops: drill.loops });
		const targets = targetsOf(styleOf(drill));
		const notes = landingNotes(request.instrument, targets, chartTicks(FERRY_CHART));
		const asked = notes.filter(({ change }) => {
			const bar = FERRY_CHART.changes[change ?? 0].bar;
			return !drill.rules.restBars?.includes(bar);
		});
		const { instrument } = request;
		const events = simulate(request, instrument, position, asked, SKILLS.sure);
		const judged = judge({ ...request, events });
		expect(judged.violations).toEqual([]);
		expect(judged.clean).toBe(true);
		expect(PRESET_WORDS[preset].says).toBeTruthy();
	});

	it('answers in groups of two bars, in shorter ones where there are few', () => {
		expect(answerBars(FERRY_CHART, null)).toEqual([3, 4, 7, 8, 11, 12]);
		expect(answerBars(FERRY_CHART, { from: 4, to: 8 })).toEqual([7, 8]);
		expect(answerBars(FERRY_CHART, { from: 4, to: 6 })).toEqual([6]);
	});

	it('last as long as their bars', () => {
		const drill = { range: null, loops: 2 };
		const bars = FERRY_CHART.played.map(({ lengthTicks }) => lengthTicks);
		expect(passMs(bars, drill, 120)).toBeCloseTo(12 * 2 * 2000);
		expect(passMs(bars, { ...drill, range: { from: 0, to: 3 } }, 60)).toBeCloseTo(24_000);
	});
});

describe('the simulated player', () => {
	const request = takeOn(FERRY_CHART, { loops: 8 });
	const targets = targetsOf('guide-tones');
	const notes = landingNotes(request.instrument, targets, chartTicks(FERRY_CHART));
	const play = (skill: Partial<Skill>, plan: readonly PlanNote[] = notes) =>
		simulate(request, request.instrument, 6, plan, {
			...SKILLS.sure,
			spreadMs: 0,
			biasMs: 0,
			...skill
		});
	const summary = (events: PlayedEvent[], rest: Partial<JudgeRequest> = {}) => {
		const asked = { ...request, ...rest, events };
		return summarise(asked.chart, judge(asked));
	};

	it('plays the same take for the same seed, and another one for another', () => {
		const skill = SKILLS.beginner;
		expect(play(skill)).toEqual(play(skill));
		expect(play(skill)).not.toEqual(play({ ...skill, seed: 2 }));
	});

	it('plays as late and as unevenly as it is told', () => {
		const { biasMs, spreadMs } = summary(play({ biasMs: 15, spreadMs: 12 }));
		expect(biasMs).toBeCloseTo(15, -1);
		expect(spreadMs).toBeGreaterThan(9);
		expect(spreadMs).toBeLessThan(15);
		expect(summary(play({})).landedShare).toBe(1);
	});

	it('misses as many as it is told', () => {
		const { counts, asked } = summary(play({ wrongShare: 0.3, silentShare: 0.2 }));
		expect(asked).toBe(104);
		expect(counts.silent + counts.missed).toBeGreaterThan(30);
		expect(counts.missed).toBeGreaterThan(14);
		expect(counts.silent).toBeGreaterThan(10);
		const all = play({ wrongShare: 1 });
		expect(summary(all).landedShare).toBe(0);
		const reached = new Set(windowPlaces(request.instrument, 6).map(({ midi }) => midi));
		expect(all.every(({ midi }) => reached.has(midi))).toBe(true);
	});

	it('comes late after far jumps only', () => {
		const far = notes.map((note, i) => (i === 3 ? { ...note, fret: note.fret + 9 } : note));
		const late = play({ hesitationMs: 20 }, far);
		const errors = judge({ ...request, events: late, loops: 1 }).changes.map(
			({ errorMs }) => errorMs
		);
		expect(errors.slice(0, 3)).toEqual([0, 0, 0]);
		expect(errors[3]).toBeGreaterThanOrEqual(100);
	});

	it('plays what leads on at its own time, and misses no note that is no landing', () => {
		const request = takeOn(NETTLE, { tempo: 60 });
		const at = (tick: number, midi: number, change: number | null): PlanNote => ({
			...{ tick, durationTicks: 240, midi, string: 2, fret: midi - 59, change }
		});
		const plan = [at(0, 69, 0), at(240, 71, null), at(720, 73, null), at(1920, 66, 1)];
		const wrong: Skill = {
			...SKILLS.sure,
			biasMs: 0,
			spreadMs: 0,
			hesitationMs: 0,
			wrongShare: 1,
			silentShare: 0
		};
		const played = simulate(request, request.instrument, 5, plan, wrong);
		expect(played.map(({ timeMs }) => Math.round(timeMs))).toEqual([0, 500, 1500, 4000]);
		expect(played.slice(1, 3).map(({ midi }) => midi)).toEqual([71, 73]);
		expect(played[0].midi).not.toBe(69);
		// Whatever comes too late or early is told in order of time.
		const loose = simulate(request, request.instrument, 5, plan, {
			...wrong,
			spreadMs: 400,
			seed: 3
		});
		expect(loose.map(({ timeMs }) => timeMs)).toEqual(
			loose.map(({ timeMs }) => timeMs).sort((a, b) => a - b)
		);
	});

	it('never sounds two notes at once', () => {
		const events = play(SKILLS.beginner);
		events.slice(1).forEach((event, i) => {
			expect(events[i].timeMs + events[i].durationMs).toBeLessThanOrEqual(
				Math.max(event.timeMs, events[i].timeMs + 20)
			);
		});
	});
});

/** Two times through the ferry; some changes are spoilt. */
function practised(spoil: (index: number, loop: number) => object, rest: Partial<Practised> = {}) {
	const request = takeOn(FERRY_CHART, { loops: 2, tempo: 88 });
	const judgement = judge({ ...request, events: landEvery(request, spoil) });
	const ladder = { start: 72, step: 4, ceiling: 104, up: 2 };
	const on: Practised = {
		chart: FERRY_CHART,
		rules: {},
		ladder,
		place: { tempo: 88, clean: 0 },
		whole: null,
		looped: null,
		tempo: 88,
		...rest
	};
	return nextStep(on, judgement, summarise(FERRY_CHART, judgement));
}

describe('the next step', () => {
	it('is a loop round what slipped most, a step slower', () => {
		expect(practised((index) => (index === 6 ? { off: 200 } : {}))).toEqual({
			kind: 'loop',
			range: { from: 6, to: 8 },
			tempo: 84,
			text: 'Loop bars 7–8 at 84. Land on B.',
			reason: 'The 3 of G7alt in bar 8 came late twice.'
		});
	});

	it('takes the bar alone where the change stands inside it', () => {
		const step = practised((index) => (index === 10 ? { midi: 61 } : {}));
		expect(step).toMatchObject({ kind: 'loop', range: { from: 10, to: 11 }, tempo: 84 });
		expect(step.reason).toBe('The 3 of G7 in bar 11 was missed twice.');
	});

	it('goes from a clean loop back to the form, from a clean form up', () => {
		const looped = { from: 6, to: 8 };
		expect(practised(() => ({}), { looped })).toMatchObject({
			kind: 'form',
			range: null,
			text: 'Now the whole form at 88.'
		});
		expect(practised(() => ({}))).toMatchObject({ kind: 'again', text: 'Once more at 88.' });
		expect(practised(() => ({}), { place: { tempo: 88, clean: 1 } })).toMatchObject({
			kind: 'up',
			tempo: 92
		});
		const top = { tempo: 104, clean: 1 };
		expect(practised(() => ({}), { place: top }).text).toMatch(/aim of 104 is reached/);
	});

	it('says in a few sentences what to listen to', () => {
		const request = takeOn(FERRY_CHART, { rules: { landOn: 'roots' } });
		const judgement = judge({ ...request, events: landEvery(request, () => ({ off: 30 })) });
		const advice = adviceOn(
			FERRY_CHART,
			{},
			judgement,
			summarise(FERRY_CHART, judgement),
			[40, 32, 30]
		);
		expect(advice).toEqual([
			'Every change lands.',
			'Landings come 30 ms late on average. Aim a little ahead.',
			'Notes sound 34 cents sharp: check the tuning.',
			expect.stringMatching(/^Bb7 was landed on its third, not on its root\. And 12 more/)
		]);
	});
});

import { chartTicks } from '$core/chart';
import { runLandings, runRoute } from '$lib/api/route';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { LineSelection } from '$lib/state/line-selection.svelte';
import { LineWriter } from '$lib/state/line-writer.svelte';
import { OpenTune } from '$lib/state/open-tune.svelte';
import { waysOver } from '$lib/state/own-line';
import { RoutePlan } from '$lib/state/route-plan.svelte';
import type { Planner } from '$lib/workers/planner';
import { describe, expect, it } from 'vitest';
import { RouteActions } from './route-actions.svelte';
import { until } from '$lib/state/test-until';

const CHART = 'key: Bb blues\n[Head]\n| Bb7 | Eb7 | Bb7 | % |\n[Tail]\n| Cm7 | F7 | Bb7 | F7 |';
const tune: TuneAnswer = {
	id: '00000000-0000-4000-8000-000000000001',
	title: 'Test',
	key: 'Bb blues',
	tempo: 100,
	feel: 'straight',
	bars: 8,
	chart: CHART,
	version: 1,
	createdAt: '',
	updatedAt: ''
};

/** The planner without its worker: the same entries, called at once. */
const direct = {
	plan: (request) => Promise.resolve(runRoute(request)),
	landings: (request, change) => Promise.resolve(runLandings(request, change))
} as Pick<Planner, 'plan' | 'landings'> as Planner;
const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

async function ready() {
	const open = new OpenTune(tune, 6);
	const plan = new RoutePlan(open, () => direct, null);
	const selection = new LineSelection(open, plan);
	const writer = new LineWriter(open, plan, selection);
	const actions = new RouteActions(open, plan, selection, writer);
	await plan.plan();
	return { open, plan, selection, writer, actions };
}

/** The same with every note taken off the strip. */
async function empty() {
	const all = await ready();
	const whole = { from: 0, to: chartTicks(all.open.chart) };
	await all.plan.write(waysOver(all.open.chart, [], whole, []));
	return all;
}

describe('what the keys of the route do', () => {
	it('leads to what does not land, and mends it: a move, or a landing where nothing sounds', async () => {
		const { plan, actions, open } = await empty();
		expect(actions.weak.map((spot) => spot.silent)).toEqual(Array(7).fill(true));
		open.cursor = 0;
		actions.nextWeak();
		expect(open.cursor).toBe(1);
		actions.mend();
		await settled();
		expect(plan.target(1)).toBeDefined();
		expect(actions.weak).toHaveLength(6);
		// D over E♭7 is missed: of the two tones a semitone off the fix is the guide tone.
		plan.setWays([[1, [{ offset: 0, durationTicks: 1920, string: 3, fret: 7 }]]]);
		await settled();
		const spot = actions.weak.find((entry) => entry.change === 1);
		expect(spot?.fix).toMatchObject({ toMidi: 61 });
		actions.mend(spot);
		await settled();
		expect(plan.target(1)).toMatchObject({ string: 3, fret: 6 });
	});

	it('puts a chosen place where it is wanted: written, under the picked note, or landed on', async () => {
		const { plan, actions, writer, selection, open } = await ready();
		open.cursor = 1;
		await actions.rank();
		expect(actions.landings.length).toBeGreaterThan(3);
		actions.choosePlace({ string: 2, fret: 8 });
		await settled();
		expect(plan.target(1)).toMatchObject({ string: 2, fret: 8 });
		const second = plan.line.find((note) => note.tick > 1920 && note.kind !== 'target');
		selection.pick(second?.tick ?? 0);
		actions.choosePlace({ string: 4, fret: 8 });
		await settled();
		expect(plan.line.find((note) => note.tick === second?.tick)).toMatchObject({
			...{ string: 4, fret: 8 }
		});
		writer.start();
		actions.choosePlace({ string: 1, fret: 6 });
		await settled();
		expect(plan.line.find((note) => note.tick === second?.tick)).toMatchObject({
			...{ string: 1, fret: 6 }
		});
		expect(writer.caret).toBe((second?.tick ?? 0) + 240);
	});

	it('steps to the next best landing, leaves a place out, and moves a section alone', async () => {
		const { plan, actions, selection, open } = await ready();
		open.cursor = 1;
		const first = plan.target(1);
		await actions.nextBest();
		await settled();
		expect(plan.target(1)).not.toMatchObject({ string: first?.string, fret: first?.fret });
		actions.forbid();
		await settled();
		expect(plan.wishes.anchors.forbid).toHaveLength(1);
		plan.setPlace('Tail', 11);
		await settled();
		open.cursor = 4;
		expect(actions.hand).toBe(11);
		actions.moveTo(12);
		await settled();
		expect([actions.hand, plan.wishes.position, open.position]).toEqual([12, 6, 6]);
		// A note that is moved there stays under that hand.
		const there = plan.line.find((note) => note.tick > open.chart.changes[4].tick);
		selection.pick(there?.tick ?? 0);
		actions.lift(1, 'step');
		await settled();
		expect(selection.leading?.fret).toBeGreaterThanOrEqual(11);
		selection.clear();
		open.cursor = 0;
		expect(actions.hand).toBe(6);
		plan.setPlace('Tail', null);
		await settled();
		// Only the note that was moved keeps the hand where it lies.
		const planned = plan.hands.filter((stretch) => !stretch.own);
		expect(new Set(planned.map((stretch) => stretch.position))).toEqual(new Set([6]));
	});

	it('takes hold of the landing, and walks along the notes', async () => {
		const { plan, actions, selection, open } = await ready();
		open.cursor = 1;
		const before = plan.target(1)?.midi ?? 0;
		actions.lift(1, 'semitone');
		expect(selection.leading?.midi).toBe(before + 1);
		selection.clear();
		actions.along(1);
		expect(open.cursor).toBe(2);
		actions.pick();
		expect(selection.size).toBe(1);
		actions.across(1);
		actions.across(1);
		expect(selection.leading?.tick).toBeGreaterThan(open.chart.changes[2].tick);
		actions.pick();
		expect(selection.size).toBe(0);
		actions.across(-1);
		expect(open.cursor).toBe(1);
	});
});

describe('writing note by note', () => {
	it('goes on behind each note, holds, rests and takes back; every step can be undone', async () => {
		const { plan, writer, open } = await empty();
		open.cursor = 0;
		expect(writer.on).toBe(false);
		writer.hold();
		writer.back();
		writer.move(1);
		expect(writer.caret).toBeNull();
		writer.start();
		writer.put({ string: 3, fret: 7 });
		writer.put({ string: 3, fret: 8 });
		writer.hold();
		writer.move(1);
		writer.put({ string: 2, fret: 6 });
		const places = () =>
			plan.line.map(({ tick, durationTicks, fret }) => [tick, durationTicks, fret]);
		const written = [
			[0, 240, 7],
			[240, 480, 8],
			[960, 240, 6]
		];
		// At once, and the same once it is planned.
		expect(places()).toEqual(written);
		await settled();
		expect(places()).toEqual(written);
		expect(writer.chord?.symbol).toBe('Bb7');
		expect(writer.nextChord?.symbol).toBe('Eb7');
		expect(writer.scale?.name).toBe('minor pentatonic');
		// A note that is held on rings over a change where nothing is struck.
		for (let i = 0; i < 5; i++) writer.hold();
		await settled();
		expect(places().at(-1)).toEqual([960, 1440, 6]);
		expect(plan.check?.changes[1].result).toBe('leaning');
		for (let i = 0; i < 5; i++) plan.undo();
		writer.move(-5);
		await settled();
		writer.back();
		await settled();
		expect(places()).toEqual(written.slice(0, 2));
		expect(writer.caret).toBe(960);
		plan.undo();
		await until(() => expect(places()).toEqual(written));
		writer.move(-100);
		expect(writer.caret).toBe(0);
		writer.move(1000);
		expect(writer.caret).toBe(chartTicks(open.chart) - 240);
		writer.stop();
		expect(writer.on).toBe(false);
	});

	it('makes a line of landings that stood alone', async () => {
		const { plan, writer } = await ready();
		plan.setLine({ grid: 'targets' });
		await settled();
		expect(writer.grid).toBe(240);
		writer.start();
		expect(plan.wishes.line.grid).toBe('eighth');
	});
});

import { transposeText } from '$core/chart';
import { NO_LINE } from '$lib/api/route-schema';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Refusal } from './api';
import { LineSelection } from './line-selection.svelte';
import { CHART, open, saved, tune } from './test-route';
import { until } from './test-until';

describe('a route that is planned', () => {
	it('has a landing per change and follows every later wish', async () => {
		const { plan } = open();
		expect(plan.planned).toBe(false);
		expect(plan.dirty).toBe(false);
		await plan.plan();
		expect(plan.targets).toHaveLength(13);
		expect(plan.dirty).toBe(true);
		plan.setStyle('roots');
		await until(() => expect(plan.targets.every((target) => target.role === 'R')).toBe(true));
		plan.undo();
		await until(() => expect(plan.targets.some((target) => target.role !== 'R')).toBe(true));
		plan.redo();
		await until(() => expect(plan.targets.every((target) => target.role === 'R')).toBe(true));
	});

	it('keeps a lock while the rest adapts, and opens it again', async () => {
		const { plan } = open();
		await plan.plan();
		plan.lockAt(4, { string: 1, fret: 9 });
		await until(() => expect(plan.target(4)).toMatchObject({ string: 1, fret: 9 }));
		expect(plan.isLocked(4)).toBe(true);
		plan.setStyle('roots');
		await until(() => expect(plan.target(3)?.role).toBe('R'));
		expect(plan.target(4)).toMatchObject({ string: 1, fret: 9 });
		plan.toggleLock(4);
		expect(plan.isLocked(4)).toBe(false);
		await until(() => expect(plan.target(4)?.role).toBe('R'));
		plan.toggleLock(4);
		expect(plan.isLocked(4)).toBe(true);
	});

	it('does not lock a place that sounds no tone of the chord', async () => {
		const { plan } = open();
		await plan.plan();
		plan.lockAt(0, { string: 1, fret: 7 });
		plan.lockAt(99, { string: 1, fret: 6 });
		expect(plan.wishes.anchors.locks).toEqual([]);
	});

	it('lets a change pass and lands there again', async () => {
		const { plan } = open();
		await plan.plan();
		plan.toggleLetPass(2);
		await until(() => expect(plan.target(2)).toBeUndefined());
		expect(plan.isLetPass(2)).toBe(true);
		plan.lockAt(2, { string: 3, fret: 7 });
		expect(plan.isLetPass(2)).toBe(false);
		plan.toggleLetPass(2);
		expect(plan.isLocked(2)).toBe(false);
		plan.toggleLetPass(2);
		await until(() => expect(plan.target(2)).toBeDefined());
	});

	it('gives locks up that lie outside a new place, and undo brings them back', async () => {
		const { plan, opened } = open();
		await plan.plan();
		plan.lockAt(0, { string: 6, fret: 6 });
		plan.lockAt(1, { string: 3, fret: 8 });
		expect(plan.setPosition(8)).toBe(1);
		expect(opened.position).toBe(8);
		expect(plan.isLocked(0)).toBe(false);
		expect(plan.isLocked(1)).toBe(true);
		expect(plan.setPosition(8)).toBe(0);
		plan.undo();
		expect(opened.position).toBe(6);
		expect(plan.isLocked(0)).toBe(true);
	});

	it('says what is wrong instead of planning', async () => {
		const { plan } = open(null, { chart: '| xyz |' });
		await plan.plan();
		expect(plan.planned).toBe(false);
		expect(plan.warnings[0]).toContain('not a chord I can read');
	});
});

describe('a saved route', () => {
	it('shows the landings that still stand on the chart', () => {
		const { plan, opened } = open(saved());
		// Bar 40 is gone, and D is no tone of the chord of bar 2.
		expect(plan.targets.map((target) => target.change)).toEqual([0]);
		expect(opened.position).toBe(6);
		expect([plan.dirty, plan.outdated]).toEqual([false, false]);
	});

	it('is outdated on a newer chart until it is planned again', async () => {
		const { plan } = open(saved(), { version: 2 });
		expect(plan.outdated).toBe(true);
		await plan.plan();
		expect([plan.outdated, plan.dirty, plan.targets.length]).toEqual([false, true, 13]);
	});

	it('is empty again when a new one is begun', () => {
		const { plan } = open(saved());
		plan.load(null);
		expect([plan.planned, plan.saved, plan.wishes.style]).toEqual([false, null, 'guide-tones']);
	});
});

describe('the line of a route', () => {
	const lined = async () => {
		const { opened, plan } = open(saved({ line: { ...NO_LINE, grid: 'eighth' } }));
		await plan.plan();
		return { opened, plan, selection: new LineSelection(opened, plan) };
	};
	const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

	it('is planned, judged, and told how it arrives', async () => {
		const { plan } = await lined();
		expect(plan.line).toHaveLength(96);
		expect(plan.check?.metrics.landedShare).toBe(1);
		expect(plan.arrivalKinds).toHaveLength(13);
		expect(plan.arrivalsAt(1).map((way) => way.approach)).toContain(plan.arrivalKinds[1]);
	});

	it('keeps a way as it is while the rest is planned anew', async () => {
		const { plan } = await lined();
		const inside = () => plan.line.filter((note) => note.tick > 1920 && note.tick < 3840);
		const before = inside();
		plan.toggleFrozen(1);
		plan.anotherTake();
		await settled();
		expect(plan.isFrozen(1)).toBe(true);
		expect(inside().map((note) => note.midi)).toEqual(before.map((note) => note.midi));
		plan.toggleFrozen(1);
		await settled();
		expect(plan.isFrozen(1)).toBe(false);
		plan.setLine({ grid: 'targets' });
		await settled();
		expect(plan.line).toEqual([]);
	});

	it('turns a moved landing into a lock; one that is no tone of its chord stands and is judged', async () => {
		const { plan, selection } = await lined();
		const target = plan.target(1);
		if (!target) throw new Error('no target');
		selection.pick(target.tick);
		selection.drop(target.tick, { string: 2, fret: 8 }, 0);
		await settled();
		expect(plan.isLocked(1)).toBe(true);
		expect(plan.target(1)).toMatchObject({ name: 'G', string: 2, fret: 8 });
		selection.movePitch(1, 'semitone');
		await settled();
		expect([plan.isLocked(1), plan.isLetPass(1), plan.isOwn(1)]).toEqual([false, false, true]);
		expect(plan.line.find((note) => note.tick === 1920)?.midi).toBe(68);
		expect(plan.check?.changes[1].result).not.toBe('landed');
		plan.lockAt(1, { string: 2, fret: 8 });
		await settled();
		expect(plan.check?.changes[1].result).toBe('landed');
	});

	it('asks for a way to arrive, and gives the wish up again', async () => {
		const { plan } = await lined();
		const other = plan.arrivalsAt(2).find((way) => way.approach !== plan.arrivalKinds[2]);
		if (!other) throw new Error('no other way');
		plan.setArrival(2, other.approach);
		await settled();
		expect([plan.arriveWish(2), plan.arrivalKinds[2]]).toEqual([other.approach, other.approach]);
		plan.setArrival(2, other.approach);
		expect(plan.arriveWish(2)).toBeNull();
	});

	it('is picked, copied and pasted by ways; undo takes all of it back', async () => {
		const { opened, plan, selection } = await lined();
		const pitches = (bar: number) =>
			plan.line.filter((n) => Math.floor(n.tick / 1920) === bar).map((n) => n.midi);
		const before = [pitches(1), pitches(4)];
		opened.cursor = 1;
		expect(selection.copy()).toBe(7);
		opened.cursor = 3;
		selection.paste();
		await settled();
		expect(pitches(4).slice(1)).toEqual(before[0].slice(1));
		selection.pick(1920);
		selection.pick(2640, { range: true });
		expect(selection.size).toBe(4);
		selection.pick(2400, { add: true });
		expect(selection.size).toBe(3);
		selection.pickWay();
		expect(selection.size).toBe(8);
		selection.remove();
		await settled();
		expect(pitches(1)).toHaveLength(0);
		for (let i = 0; i < 2; i++) plan.undo();
		await settled();
		expect([pitches(1), pitches(4)]).toEqual(before);
	});

	it('copies a bar onto another, whatever chords they hold, and picks note by note', async () => {
		const { opened, plan, selection } = await lined();
		const places = (bar: number) =>
			plan.line
				.filter((note) => Math.floor(note.tick / 1920) === bar)
				.map((note) => [note.tick % 1920, note.string, note.fret]);
		const first = places(0);
		selection.pick(240);
		expect(selection.canPaste).toBe(false);
		expect(selection.copyBar()).toBe(first.length);
		selection.clear();
		opened.cursor = 7;
		selection.paste();
		await settled();
		expect(places(8)).toEqual(first);
		expect(places(0)).toEqual(first);
		selection.pick(0);
		selection.extend(1);
		selection.extend(1);
		expect([selection.size, selection.leading?.tick]).toEqual([3, plan.line[2].tick]);
		selection.pick(0);
		selection.extend(-1);
		expect(selection.size).toBe(1);
	});

	it('moves with the key: the same route some frets on', async () => {
		const { opened, plan } = await lined();
		plan.toggleLock(1);
		plan.toggleFrozen(2);
		await settled();
		const shape = () => plan.line.map((note) => [note.tick, note.string, note.fret]);
		const before = shape();
		opened.replace(tune({ chart: transposeText(CHART, { steps: 3, semitones: 5 }), version: 2 }));
		plan.transpose({ steps: 3, semitones: 5 });
		await settled();
		expect(plan.wishes.position).toBe(11);
		expect(shape()).toEqual(before.map(([tick, string, fret]) => [tick, string, fret + 5]));
		expect(plan.isLocked(1) && plan.isFrozen(2)).toBe(true);
	});
});

describe('saving', () => {
	const answers: { status: number; body: unknown }[] = [];
	const sent: { method: string; path: string; body: Record<string, unknown> }[] = [];
	beforeEach(() => {
		answers.length = sent.length = 0;
		vi.stubGlobal('fetch', (path: string, init: RequestInit) => {
			if (path === '/healthz') return Promise.reject(new TypeError('no network'));
			sent.push({ method: init.method ?? '', path, body: JSON.parse(String(init.body)) });
			const next = answers.shift();
			if (!next) return Promise.reject(new TypeError('no network'));
			return Promise.resolve(Response.json(next.body, { status: next.status }));
		});
	});
	afterEach(() => vi.unstubAllGlobals());

	it('makes a route once and saves it by version after that', async () => {
		const { plan } = open();
		await plan.plan();
		answers.push({ status: 201, body: saved({ style: 'guide-tones' }) });
		expect(await plan.save()).toBe(true);
		expect(sent[0]).toMatchObject({
			method: 'POST',
			body: { name: 'Position 6, guide tones', position: 6 }
		});
		plan.setStyle('roots');
		answers.push({ status: 200, body: saved({ style: 'roots', version: 2 }) });
		expect(await plan.save()).toBe(true);
		expect(sent[1]).toMatchObject({ method: 'PUT', body: { style: 'roots', version: 1 } });
		expect(plan.dirty).toBe(false);
	});

	it('meets a newer route, and keeps one’s own only when told to', async () => {
		const { plan } = open(saved());
		plan.setStyle('roots');
		answers.push({
			status: 409,
			body: { detail: 'newer', current: saved({ version: 5, style: 'guide-tones' }) }
		});
		expect(await plan.save()).toBe(false);
		expect(plan.conflict?.version).toBe(5);
		answers.push({ status: 200, body: saved({ version: 6, style: 'roots' }) });
		expect(await plan.keepMine()).toBe(true);
		expect(sent[1].body).toMatchObject({ version: 5, style: 'roots' });
	});

	it('loses nothing when the server is away or refuses', async () => {
		const { plan } = open(saved());
		plan.setStyle('roots');
		await expect(plan.save()).rejects.toThrow(/does not answer/);
		answers.push({ status: 422, body: { detail: 'This breaks a rule.' } });
		await expect(plan.save()).rejects.toBeInstanceOf(Refusal);
		expect(plan.wishes.style).toBe('roots');
		expect(plan.saving).toBe(false);
	});
});

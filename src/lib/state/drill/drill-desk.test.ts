import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { swingOf } from '$core/band';
import { drillOf, inKey } from '$core/practice';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import type { CardAnswer, CardDrill, TakeInput } from '$lib/api/practice-schema';
import { DrillDesk } from './drill-desk.svelte';
import { OpenTune } from '../open-tune.svelte';

const CHART = 'title: Slip Line\nkey: C\ntempo: 100\n| Dm7 | G7 | Cmaj7 | A7 |\n';
const TUNE: TuneAnswer = {
	id: '00000000-0000-4000-8000-000000000001',
	title: 'Slip Line',
	key: 'C major',
	tempo: 100,
	feel: 'straight',
	bars: 4,
	chart: CHART,
	version: 1,
	createdAt: '',
	updatedAt: ''
};
const drill = (change: Partial<CardDrill> = {}): CardDrill => {
	const ladder = { start: 60, step: 10, ceiling: 100, up: 2 };
	const { chart } = inKey(CHART, null);
	const made = drillOf('free', chart, { position: 5, key: null }, ladder);
	return { ...made, loops: 1, ...change };
};
const card = (change: Partial<CardAnswer> = {}): CardAnswer => ({
	id: '00000000-0000-4000-8000-000000000002',
	tuneId: TUNE.id,
	position: 5,
	key: '',
	due: '2026-03-02T12:00:00.000Z',
	drill: drill(),
	tempo: 60,
	cleanInRow: 0,
	...change
});

/** The transport's place: its clock is what a test says it is, in ms from the first beat. */
class Band {
	clock = 0;
	playing = false;
	played = 0;
	rounds: number | undefined;
	loop: unknown = null;
	route: unknown = null;
	speed = 100;
	tempo = 100;
	readonly swing = swingOf('straight');
	sinceFirstBeat = (at: number) => (this.playing ? at : null);
	setTempo = (tempo: number) => (this.tempo = tempo);
	play = (_bar: unknown, _count: unknown, rounds?: number) => {
		[this.playing, this.rounds] = [true, rounds];
		return Promise.resolve();
	};
	stop = () => (this.playing = false);
}

let sent: { path: string; body: TakeInput }[];
let answer: (body: TakeInput) => object;
let status = 201;
beforeEach(() => {
	sent = [];
	status = 201;
	answer = () => ({ take: { id: 't' }, card: card({ tempo: 70 }) });
	vi.stubGlobal('fetch', (path: string, { body }: { body: string }) => {
		// Whether the server answers is asked on behalf of what was open before.
		if (path === '/healthz') return Promise.resolve(Response.json({ ok: true }));
		const read = JSON.parse(body) as TakeInput;
		sent.push({ path, body: read });
		return Promise.resolve(Response.json(answer(read), { status }));
	});
});
afterEach(() => {
	vi.unstubAllGlobals();
});

function open(cards: CardAnswer[] = [card()], key: string | null = null) {
	const tune = new OpenTune(TUNE, 5);
	const band = new Band();
	const known = { cards, routes: [] };
	const ear = () => ({ input: 'midi' as const, latencyMs: 0 });
	const desk = new DrillDesk(tune, band as never, known, key, ear);
	return { tune, band, desk };
}
/** Plays the thirds, each so many ms off; the band is at 60: a bar is four seconds. */
function thirds(desk: DrillDesk, off: readonly (number | null)[]): void {
	[65, 71, 64, 61].forEach((midi, i) => {
		const late = off[i];
		if (late === null) return;
		desk.listener.strike(midi, 4000 * i + late);
		desk.listener.release(midi, 4000 * i + late + 300);
	});
}
const settled = () => new Promise((resolve) => setTimeout(resolve, 0));

describe('a pass of a drill', () => {
	it('is played at the rung, once through, judged at its end and put into the log', async () => {
		const { band, desk } = open();
		await desk.start();
		expect(band).toMatchObject({ playing: true, tempo: 60, rounds: 1, loop: null });
		thirds(desk, [10, -10, 20, 4]);
		expect(desk.phase.kind).toBe('running');
		band.stop();
		desk.end(true, 16_000);
		expect(desk.done?.judgement).toMatchObject({ clean: true, landedShare: 1 });
		expect(desk.done?.next.text).toBe('Once more at 60.');
		await settled();
		const [{ path, body }] = sent;
		expect(path).toBe('/api/v1/takes');
		expect(body).toMatchObject({ tempo: 60, loops: 1, input: 'midi', looped: null, grade: null });
		expect(body.events).toHaveLength(4);
		expect(body.events[0]).toEqual({ timeMs: 10, durationMs: 300, midi: 65 });
		expect(body).not.toHaveProperty('untilMs');
		// The card that the server answers says where the player stands.
		expect(desk.place).toEqual({ tempo: 70, clean: 0 });
		expect(desk.done?.stored).not.toBeNull();
	});

	it('names one next step after a slip, and one key starts it', async () => {
		const { band, desk } = open([card({ tempo: 80 })]);
		answer = () => ({ take: { id: 't' }, card: card({ tempo: 70 }) });
		await desk.start();
		desk.listener.strike(65, 0);
		desk.end(true, 12_000);
		expect(desk.done?.next).toMatchObject({ kind: 'loop', tempo: 70, range: { from: 1, to: 3 } });
		expect(desk.place.tempo).toBe(70);
		await settled();
		await desk.follow();
		expect(band.loop).toEqual({ from: 1, to: 3 });
		expect(band.rounds).toBe(4);
		expect(desk.pass?.setup.tempo).toBe(70);
		desk.end(true, 4 * 2 * 3428);
		await settled();
		expect(sent.at(-1)?.body.looped).toEqual({ from: 1, to: 3 });
		// A loop does not move the ladder.
		expect(desk.tried).toHaveLength(1);
	});

	it('keeps what was played when it is stopped, without asking for the rest', async () => {
		const { desk } = open();
		await desk.start();
		thirds(desk, [0, 0, null, null]);
		desk.end(false, 6000);
		expect(desk.done).toMatchObject({ stopped: true, summary: { asked: 2, landed: 2 } });
		await settled();
		expect(sent[0].body.untilMs).toBe(6000);
		expect(desk.tried).toEqual([]);
	});

	it('keeps nothing of a pass that was stopped in its count-in', async () => {
		const { desk } = open();
		await desk.start();
		desk.end(false, -800);
		expect(desk.phase).toEqual({ kind: 'choosing', aside: null });
		await settled();
		expect(sent).toEqual([]);
	});

	it('tells when the log cannot be reached, and loses nothing on the screen', async () => {
		const { desk } = open();
		status = 500;
		answer = () => ({ detail: 'The disk is full.' });
		await desk.start();
		desk.end(true, 16_000);
		await settled();
		expect(desk.done?.trouble).toBe('The disk is full.');
		expect(desk.done?.summary.asked).toBe(4);
	});

	it('can be logged by ear', async () => {
		const { desk } = open();
		expect(await desk.byHand('nearly')).toBeNull();
		expect(sent[0].body).toMatchObject({ input: 'hand', grade: 'nearly', events: [] });
		expect(desk.tried).toEqual([{ tempo: 60, clean: false }]);
	});

	it('judges a recording, wherever its first beat lies', async () => {
		const { desk } = open();
		const events = [65, 71, 64, 61].map((midi, i) => ({
			timeMs: 1740 + 4000 * i,
			durationMs: 300,
			midi
		}));
		desk.judgeRecording(events);
		expect(desk.done?.judgement.clean).toBe(true);
		await settled();
		expect(sent[0].body).toMatchObject({ input: 'file', loops: 1 });
		expect(Math.abs(sent[0].body.events[0].timeMs)).toBeLessThan(60);
	});
});

describe('where it is drilled', () => {
	it('is the card of the place and key, or the drill moved there', () => {
		const other = card({ position: 8, tempo: 90, drill: drill({ position: 8, loops: 3 }) });
		const { tune, desk } = open([card(), other]);
		expect(desk.line).toBe('Slip Line · from position 5 · a chord tone on every change · 60→100');
		desk.choose(8, null);
		expect(desk).toMatchObject({ drill: { loops: 3 }, place: { tempo: 90 } });
		expect(tune.position).toBe(8);
		desk.choose(3, null);
		expect(desk.drill).toMatchObject({ position: 3, loops: 3 });
		expect(desk.place.tempo).toBe(60);
	});

	it('is heard in its key and leaves the tune as it is written', () => {
		const { tune, desk } = open([card()], 'F');
		expect(desk.keys.slice(0, 3)).toEqual(['C', 'F', 'Bb']);
		expect(tune.chart.changes.map(({ to }) => to.symbol)).toEqual(['Gm7', 'C7', 'Fmaj7', 'D7']);
		expect(desk.line).toContain(' · in F · ');
		desk.choose(5, 'C');
		expect(desk.drill.key).toBeNull();
		expect(tune.chart.changes[0].to.symbol).toBe('Dm7');
		desk.choose(5, 'Bb');
		desk.close();
		expect(tune.chart.changes[0].to.symbol).toBe('Dm7');
	});

	it('changes its rule on the server first', async () => {
		const { desk } = open();
		answer = (body) => card({ drill: (body as never as { drill: CardDrill }).drill });
		status = 200;
		expect(await desk.setDrill(drill({ rules: { notes: 'arpeggio' } }))).toBeNull();
		expect(desk.line).toContain('chord tones only');
		status = 422;
		answer = () => ({ detail: 'There is no bar 9.' });
		expect(await desk.setDrill(drill({ rules: { restBars: [9] } }))).toBe('There is no bar 9.');
		expect(desk.line).toContain('chord tones only');
	});

	it('may be set to another rung by hand, inside the ladder', () => {
		const { desk } = open();
		desk.setTempo(80);
		expect(desk.place).toEqual({ tempo: 80, clean: 0 });
		desk.setTempo(300);
		expect(desk.place.tempo).toBe(100);
	});
});

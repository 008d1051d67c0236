import { notation } from '$core/pitch';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { beginRun, positionAt, type Position, type Run, type Score } from '$core/band';
import type { NoteAnswer, TargetAnswer } from '$lib/api/plan-schema';
import type { Sounding } from '$lib/audio/open-engine';
import { OpenTune } from './open-tune.svelte';
import { soundPrefs } from './sound-prefs.svelte';
import { Transport } from './transport.svelte';
import type { PlayedRoute } from './played';
import { tune } from './test-route';
import { until } from './test-until';

const CHART = 'key: C major\ntempo: 120\n| C | F | G7 | Am |';
const TUNE = tune({ key: 'C major', tempo: 120, feel: 'straight', bars: 4, chart: CHART });
/** The engine's place in these tests: it keeps the run and hears what a test says is heard. */
const engine = {
	run: null as Run | null,
	score: null as Score | null,
	heard: 0,
	told: [] as string[],
	position: (): Position => (engine.run ? positionAt(engine.run, engine.heard) : { kind: 'before' })
};
const opened: Sounding = {
	engine: {
		get active() {
			return engine.run !== null;
		},
		setFaders: () => engine.told.push('faders'),
		play: (score: Score, start: Parameters<typeof beginRun>[1]) => {
			engine.score = score;
			engine.run = beginRun(score.band.chart, { ...start, seconds: 0 });
			return Promise.resolve();
		},
		stop: () => {
			engine.run = null;
		},
		jump: (bar: number) => engine.told.push(`jump ${bar}`),
		position: () => engine.position()
	} as unknown as Sounding['engine'],
	wake: () => Promise.resolve(),
	heardAt: () => engine.heard,
	heard: () => engine.heard,
	score: ({ chart, line }) =>
		({ band: { chart }, strokes: line, click: null, swing: null }) as unknown as Score
};
vi.mock('$lib/audio/open-engine', () => ({ openEngine: () => opened }));

let frames: (() => void)[] = [];
/** Lets the music be heard at a second and the screen follow. */
function hear(seconds: number): void {
	engine.heard = seconds;
	const due = frames;
	frames = [];
	for (const frame of due) frame();
}

const target = (change: number, name: string): TargetAnswer => ({
	change,
	tick: change * 1920,
	string: 3,
	fret: 5,
	midi: 60,
	name: notation(name),
	role: 'R',
	reasons: []
});
const route = (over: Partial<PlayedRoute> = {}): PlayedRoute => ({
	notes: [],
	targets: [target(0, 'C'), target(1, 'F'), target(2, 'B'), target(3, 'A')],
	handAt: () => 5,
	rule: 'Roots, stay in position 5',
	...over
});
const note = (tick: number, durationTicks: number): NoteAnswer => ({
	...{ tick, durationTicks, string: 2, fret: 5, midi: 64, name: notation('E'), role: '3' },
	...{ kind: 'chord', finger: 1, technique: null, chord: 0 }
});

let asked = 0;
function transport(played: PlayedRoute | null = null): Transport {
	const made: Transport = new Transport(new OpenTune(TUNE, 5), () => {
		asked++;
		made.route = played;
		return Promise.resolve();
	});
	return made;
}

beforeEach(() => {
	frames = [];
	asked = 0;
	Object.assign(engine, { run: null, score: null, heard: 0, told: [] });
	vi.stubGlobal('requestAnimationFrame', (frame: () => void) => frames.push(frame));
	vi.stubGlobal('cancelAnimationFrame', () => (frames = []));
	vi.stubGlobal('navigator', {});
	vi.stubGlobal('document', { visibilityState: 'visible' });
	soundPrefs.set('countIn', 1);
	soundPrefs.set('announce', 2);
	soundPrefs.set('speak', false);
});
afterEach(() => vi.unstubAllGlobals());

describe('playing a tune', () => {
	it('looks for a route once, counts in, and follows chord, bar and beat', async () => {
		const made = transport(route());
		await made.play();
		expect(asked).toBe(1);
		expect(made.state).toBe('playing');
		hear(0.6);
		expect(made.heard).toEqual({ kind: 'counting', count: 2, of: 4 });
		expect(made.moment()).toMatchObject({ tick: expect.closeTo(-1344, 6), round: 0 });
		hear(2.1);
		expect(made.heard).toMatchObject({
			kind: 'playing',
			bar: 0,
			beat: 1,
			toGo: 4,
			now: 0,
			next: 1
		});
		expect([made.open.sounding, made.open.cursor]).toEqual([0, 1]);
		hear(2 + 2 + 1.6);
		expect(made.heard).toMatchObject({ bar: 1, beat: 4, toGo: 1, now: 1, next: 2 });
		expect(made.open.now?.symbol).toBe('F');
		expect(made.open.next?.symbol).toBe('G7');
		// The last chord leads back to the first.
		hear(2 + 6.2);
		expect([made.open.sounding, made.open.cursor]).toEqual([3, 0]);
		made.stop();
		expect([made.state, made.heard.kind, made.open.sounding]).toEqual(['still', 'still', null]);
		expect(frames).toHaveLength(0);
	});

	it('lets the landings of a route without a line ring from change to change', () => {
		const made = transport();
		made.route = route();
		expect(made.line.map(({ tick, durationTicks }) => [tick, durationTicks])).toEqual([
			[0, 1920],
			[1920, 1920],
			[3840, 1920],
			[5760, 1920]
		]);
		made.draft = { text: '| C |', chart: made.open.chart };
		expect(made.line).toEqual([]);
	});

	it('says which note of the line sounds', async () => {
		soundPrefs.set('countIn', 0);
		const made = transport(route({ notes: [note(0, 240), note(960, 480)] }));
		await made.play();
		hear(0.1);
		expect(made.sounding?.tick).toBe(0);
		hear(0.5);
		expect(made.sounding).toBeNull();
		hear(1.2);
		expect(made.noteTick).toBe(960);
	});

	it('begins at a bar, in a loop, and goes elsewhere while it plays', async () => {
		soundPrefs.set('countIn', 0);
		const made = transport();
		made.loop = { from: 1, to: 3 };
		await made.play(2);
		hear(0.1);
		expect(made.heard).toMatchObject({ bar: 2 });
		hear(2.1);
		expect(made.heard).toMatchObject({ bar: 1 });
		// Inside the loop F and G7 follow each other.
		expect([made.open.sounding, made.open.cursor]).toEqual([1, 2]);
		made.jump(3);
		expect(engine.told).toContain('jump 3');
	});

	it('announces the next chord the wished number of beats ahead', async () => {
		soundPrefs.set('countIn', 0);
		const made = transport(route());
		await made.play();
		hear(0.2);
		expect(made.announcing).toBe(false);
		hear(1.1);
		expect(made.announcing).toBe(true);
		soundPrefs.set('announce', 0);
		expect(made.announcing).toBe(false);
	});

	it('says chord and landing aloud once, where that is wished', async () => {
		const said: string[] = [];
		vi.stubGlobal(
			'SpeechSynthesisUtterance',
			class {
				constructor(readonly text: string) {}
			}
		);
		vi.stubGlobal('speechSynthesis', {
			cancel: () => {},
			speak: ({ text }: { text: string }) => said.push(text)
		});
		soundPrefs.set('countIn', 0);
		soundPrefs.set('speak', true);
		const made = transport(route());
		await made.play();
		for (const second of [0.2, 1.1, 1.6, 1.9]) hear(second);
		await until(() => expect(said).toEqual(['F, F']));
		for (const second of [2.1, 3.1, 3.6]) hear(second);
		await until(() => expect(said).toEqual(['F, F', 'G 7, B']));
	});

	it('does not play what has no bar', async () => {
		const made = new Transport(new OpenTune(tune({ chart: 'title: Nothing\n' }), 5), () =>
			Promise.resolve()
		);
		expect(made.ready).toBe(false);
		await made.play();
		expect(made.state).toBe('still');
	});
});

describe('tempo, speed and loop', () => {
	it('keep to their bounds, and the tempo of the tune is no tempo of one’s own', () => {
		const made = transport();
		made.setTempo(500);
		expect(made.tempo).toBe(300);
		made.setTempo(1);
		expect(made.tempo).toBe(30);
		made.setTempo(120);
		expect(made.tempo).toBeNull();
		made.setSpeed(500);
		expect(made.speed).toBe(130);
		expect(made.played).toBe(156);
		made.setSpeed(10);
		expect(made.played).toBe(36);
	});

	it('a tempo is taken from taps, and a pause begins anew', () => {
		const made = transport();
		made.setSpeed(80);
		for (const at of [0, 600, 1200, 1805]) made.tap(at);
		expect(made.tempo).toBe(100);
		expect(made.speed).toBe(100);
		made.tap(9000);
		expect(made.tempo).toBe(100);
		made.tap(9400);
		expect(made.tempo).toBe(150);
	});

	it('the loop goes round this change and the one before, and is let go again', () => {
		const made = transport();
		made.open.cursor = 2;
		made.toggleLoop();
		expect(made.loop).toEqual({ from: 1, to: 3 });
		made.toggleLoop();
		expect(made.loop).toBeNull();
		made.open.cursor = 0;
		made.toggleLoop();
		expect(made.loop).toEqual({ from: 0, to: 1 });
	});

	it('is led: who leads begins, hears every beat, and is told of the end', async () => {
		const made = transport();
		const told: string[] = [];
		let judges = false;
		const giveBack = made.ledBy({
			begin: () => {
				told.push('begin');
				void made.play();
			},
			heard: () => told.push('beat'),
			ended: (byItself) => told.push(byItself ? 'over' : 'stopped'),
			steady: () => judges
		});
		made.toggle();
		await vi.waitFor(() => expect(made.state).toBe('playing'));
		for (const seconds of [2.5, 2.6, 3.1]) hear(seconds);
		expect(told).toEqual(['begin', 'beat', 'beat']);
		// The tempo may be changed while nothing is judged; then who changes it ends the music.
		made.setTempo(90);
		expect(made.playing).toBe(true);
		judges = true;
		made.setTempo(90);
		expect(made.playing).toBe(true);
		made.setSpeed(80);
		expect([made.playing, told.at(-1)]).toEqual([false, 'stopped']);
		made.loop = { from: 0, to: 1 };
		giveBack();
		expect([made.tempo, made.loop, made.route]).toEqual([null, null, null]);
		made.toggle();
		await vi.waitFor(() => expect(made.state).toBe('playing'));
		expect(told.filter((word) => word === 'begin')).toHaveLength(1);
	});

	it('another tune begins with nothing of the one before', () => {
		const made = transport();
		made.setTempo(90);
		made.setSpeed(70);
		made.loop = { from: 0, to: 2 };
		made.route = route();
		made.leave();
		expect([made.tempo, made.speed, made.loop, made.route]).toEqual([null, 100, null, null]);
	});
});

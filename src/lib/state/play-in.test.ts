import { beforeEach, describe, expect, it, vi } from 'vitest';
import { swingOf } from '$core/band';
import { writeMotif } from '$core/phrase';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { OpenTune } from './open-tune.svelte';
import { PhraseDesk } from './phrase-desk.svelte';
import { PlayIn } from './play-in.svelte';
import type { Transport } from './transport.svelte';

const midi = vi.hoisted(() => ({
	listener: null as null | {
		strike: (midi: number) => void;
		release: (midi: number) => void;
		devices: (names: readonly string[]) => void;
	},
	answer: null as null | 'missing' | 'refused',
	has: true,
	closed: 0
}));
vi.mock('$lib/audio/touch', () => ({ touch: () => {} }));
vi.mock('$lib/input/midi', () => ({
	hasMidi: () => midi.has,
	midiAllowed: () => Promise.resolve(false),
	openMidi: (listener: NonNullable<typeof midi.listener>) => {
		midi.listener = listener;
		listener.devices(['Pebble Keys']);
		const close = () => midi.closed++;
		return Promise.resolve(midi.answer ? { error: midi.answer } : { value: { close } });
	}
}));

const tune = (chart: string): TuneAnswer => ({
	...{ id: '00000000-0000-4000-8000-000000000001', title: 'Test', key: 'Eb major', tempo: 76 },
	...{ feel: 'straight', bars: 4, chart, version: 1, createdAt: '', updatedAt: '' }
});
/** The band, as far as playing in asks for it: where it is says the test. */
function setup(chart = 'key: Eb major\n| Eb | % | B | % |') {
	const open = new OpenTune(tune(chart), 6);
	const desk = new PhraseDesk(open, []);
	const band = {
		chart: open.chart,
		swing: swingOf(open.chart.headers.feel),
		range: { from: 0, to: 2 * 1920 },
		playing: false,
		route: 'as planned' as unknown,
		loop: null as unknown,
		stop: () => (band.playing = false),
		now: null as null | { tick: number; round: number; at: number },
		moment: () => band.now
	};
	const input = new PlayIn(desk, band as unknown as Transport);
	input.start();
	/** A note of the player over the band, from one tick to another. */
	const play = (from: number, to: number, pitch: number, round = 0) => {
		band.playing = true;
		band.now = { tick: from, round, at: from + 3840 * round };
		input.strike(pitch);
		band.now = { tick: to, round, at: to + 3840 * round };
		input.release(pitch);
	};
	return { open, desk, band, input, play };
}
const text = (input: PlayIn) => input.motif && writeMotif(input.motif);

beforeEach(() => Object.assign(midi, { listener: null, answer: null, has: true, closed: 0 }));

describe('a motif note by note', () => {
	it('takes each note as long as the grid, longer, with air, and back again', () => {
		const { input, desk } = setup();
		for (const pitch of [58, 63]) input.strike(pitch);
		input.hold();
		input.rest();
		input.strike(67);
		expect(text(input)).toBe('5 R - . 3');
		input.back();
		input.back();
		expect(text(input)).toBe('5 R -');
		// Nothing rings through air that could be longer.
		input.rest();
		input.hold();
		input.grid = 120;
		input.strike(65);
		expect(text(input)).toBe('5 R - . 9,.');
		input.finish();
		expect(desk.name).toBe('Played in');
		expect(desk.text).toBe('5 R - . 9,.');
		expect(desk.shelf.from).toBeNull();
		expect(input.on).toBe(false);
		desk.drafts.undo();
		expect(desk.text).toBe('R 3 5');
	});

	it('gives up and leaves the motif as it was', () => {
		const { input, desk, band } = setup();
		input.strike(58);
		input.stop();
		input.strike(60);
		expect([input.motif, desk.text]).toEqual([null, 'R 3 5']);
		input.start();
		expect(input.notes).toEqual([]);
		// The line is the player's: the route is silent meanwhile, and the band goes round both chords.
		expect(band.route).toMatchObject({ notes: [], targets: [] });
		expect(band.loop).toEqual({ from: 0, to: 3 });
		input.back();
		input.finish();
		expect(desk.text).toBe('R 3 5');
		expect([band.route, band.loop]).toEqual(['as planned', null]);
	});

	it('keeps the basis of the motif that is worked on', () => {
		const { input, desk } = setup();
		desk.setBasis('interval');
		for (const pitch of [63, 67, 58]) input.strike(pitch);
		expect(text(input)).toBe('0 4 -5');
		// The motif that waits meanwhile is there as it was, in the other words.
		input.stop();
		expect(desk.text).toBe('0 4 7');
		expect(desk.motif.notes).toHaveLength(3);
	});

	it('offers the scale over the chord that it began with', () => {
		const { input, open } = setup();
		expect(input.rows[1]).toEqual([51, 53, 55, 56, 58, 60, 62]);
		open.step(1);
		expect(input.rows[1][0]).toBe(51);
	});
});

describe('a motif over the band', () => {
	it('has the player’s own time, and the last time through counts', () => {
		const { input, play } = setup();
		play(250, 460, 58);
		play(490, 700, 63);
		play(700, 1380, 67);
		expect(text(input)).toBe('. 5 R 3 - -');
		play(10, 300, 70, 1);
		expect(text(input)).toBe('5');
	});

	it('takes a first note that comes a little early, before the loop or after it', () => {
		const { input, band, play } = setup();
		band.now = { tick: -1900, round: 0, at: 20 };
		band.playing = true;
		input.strike(58);
		expect(input.motif).toBeNull();
		play(-40, 200, 63);
		expect(text(input)).toBe('R');
		play(3800, 4080, 67, 0);
		expect(text(input)).toBe('3');
		play(480, 900, 58, 1);
		expect(text(input)).toBe('3 . 5_ -');
	});

	it('hears swung notes as eighths, and held ones until the next', () => {
		const { input, band, play } = setup('feel: shuffle\nkey: Eb major\n| Eb7 | Ab7 |');
		play(0, 300, 63);
		play(322, 470, 67);
		band.now = { tick: 480, round: 0, at: 480 };
		input.strike(70);
		band.now = { tick: 960, round: 0, at: 960 };
		input.strike(63);
		expect(text(input)).toBe('R 3 5 - R_');
		input.back();
		expect(text(input)).toBe('R 3 5 -');
		input.clear();
		expect(input.motif).toBeNull();
	});

	it('goes on note after note once the band is still', () => {
		const { input, band, play } = setup();
		play(490, 700, 63);
		play(730, 950, 67);
		input.hold();
		input.rest();
		expect(text(input)).toBe('. . R 3');
		[band.playing, band.now] = [false, null];
		input.hold();
		input.strike(70);
		expect(text(input)).toBe('. . R 3 - 5');
		input.back();
		expect(text(input)).toBe('. . R 3 -');
	});
});

it('without a chord there is nothing to play over, and nothing changes', () => {
	const { input, band } = setup('| N.C. |');
	expect([input.on, band.route, band.loop]).toEqual([false, 'as planned', null]);
});

describe('MIDI', () => {
	it('plays in what its devices play, until the end', async () => {
		const { input } = setup();
		await input.useMidi();
		expect([input.midi, input.devices]).toEqual(['on', ['Pebble Keys']]);
		midi.listener?.strike(63);
		midi.listener?.release(63);
		expect(text(input)).toBe('R');
		midi.listener?.devices([]);
		expect(input.devices).toEqual([]);
		input.stop();
		expect([input.midi, midi.closed]).toEqual(['off', 1]);
	});

	it('says why there is none', async () => {
		const { input } = setup();
		midi.answer = 'refused';
		await input.useMidi();
		expect(input.midi).toBe('refused');
		midi.has = false;
		await input.useMidi();
		expect(input.midi).toBe('missing');
	});

	it('is closed at once where nobody waits for it any more', async () => {
		const { input } = setup();
		const asked = input.useMidi();
		input.stop();
		await asked;
		expect([input.midi, midi.closed]).toEqual(['off', 1]);
	});
});

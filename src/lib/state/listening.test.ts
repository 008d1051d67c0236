import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { MidiListener } from '$lib/input/midi';
import type { NoteListener } from '$lib/input/types';
import { inputPrefs, Listening } from './listening.svelte';

const world = vi.hoisted(() => ({
	midi: null as MidiListener | null,
	hasMidi: true,
	midiAnswer: null as string | null,
	microphone: null as NoteListener | null,
	lost: null as (() => void) | null,
	closed: [] as string[],
	/** Where clicks sound, and what happens while they do. */
	clicks: [] as number[],
	during: () => {}
}));
vi.mock('$lib/input/midi', () => ({
	hasMidi: () => world.hasMidi,
	openMidi: (listener: MidiListener) => {
		if (world.midiAnswer) return Promise.resolve({ error: world.midiAnswer });
		world.midi = listener;
		listener.devices(['Pebble Keys']);
		return Promise.resolve({ value: { close: () => world.closed.push('midi') } });
	}
}));
vi.mock('$lib/input/microphone', () => ({
	openMicrophone: (listener: NoteListener, lost: () => void) => {
		world.microphone = listener;
		world.lost = lost;
		listener.devices?.(['Tin Can']);
		const close = () => world.closed.push('microphone');
		return Promise.resolve({ value: { close } });
	}
}));
vi.mock('$lib/audio/clicks', () => ({
	playClicks: (count: number, gap: number, onclick: (i: number) => void) => {
		world.clicks = Array.from({ length: count }, (_, i) => 1000 + 1000 * gap * i);
		world.clicks.forEach((_, i) => onclick(i));
		world.during();
		return { moments: Promise.resolve(world.clicks), stop: () => world.closed.push('clicks') };
	}
}));

beforeEach(() => {
	Object.assign(world, {
		midi: null,
		hasMidi: true,
		midiAnswer: null,
		microphone: null,
		lost: null
	});
	world.closed = [];
	world.during = () => {};
	vi.stubGlobal('isSecureContext', true);
});
afterEach(() => {
	vi.unstubAllGlobals();
});

function open() {
	const heard: [string, number, number][] = [];
	let silenced = 0;
	const listening = new Listening(
		{
			strike: (midi, at) => heard.push(['strike', midi, at]),
			release: (midi, at) => heard.push(['release', midi, at])
		},
		() => silenced++
	);
	return { heard, listening, silenced: () => silenced };
}

describe('what listens to the player', () => {
	it('is one input at a time, and its words say how it stands', async () => {
		const { heard, listening } = open();
		await listening.choose('midi');
		expect(listening.says).toBe('Listens to Pebble Keys.');
		world.midi?.strike(60, 10);
		world.midi?.release(60, 20);
		expect(heard).toEqual([
			['strike', 60, 10],
			['release', 60, 20]
		]);
		expect(listening.struck).toBe(60);
		world.midi?.devices([]);
		expect(listening.says).toContain('Plug one in');
		await listening.choose('microphone');
		expect(world.closed).toEqual(['midi']);
		expect(listening.says).toBe('Hears one note at a time.');
		listening.close();
		expect(world.closed).toEqual(['midi', 'microphone']);
	});

	it('says why there is none', async () => {
		const { listening } = open();
		world.hasMidi = false;
		await listening.choose('midi');
		expect(listening.says).toContain('knows no MIDI');
		vi.stubGlobal('isSecureContext', false);
		await listening.choose('midi');
		expect(listening.says).toContain('needs https');
		world.hasMidi = true;
		world.midiAnswer = 'refused';
		await listening.choose('midi');
		expect(listening.says).toContain('was not allowed');
		expect(await listening.ready()).toBe(false);
	});

	it('tells a quiet microphone from one that broke off', async () => {
		const { listening } = open();
		await listening.choose('microphone');
		world.microphone?.meter?.({ level: -70, floor: -80, pitch: null });
		expect(listening.says).toContain('Very quiet');
		world.microphone?.meter?.({ level: -20, floor: -80, pitch: 64.1 });
		expect(listening.says).toBe('Hears one note at a time.');
		world.lost?.();
		expect(listening.trouble).toBe('broken');
		expect(listening.says).toContain('broke off');
	});
});

describe('before a pass', () => {
	it('a microphone must not hear the band', async () => {
		const { listening, silenced, heard } = open();
		await listening.choose('microphone');
		world.during = () => world.clicks.forEach((at) => world.microphone?.strike(83, at + 30));
		expect(await listening.ready()).toBe(false);
		expect(listening.told).toContain('Put headphones on');
		expect(silenced()).toBe(1);
		// What is heard while it is tried is no note of the player.
		expect(heard).toEqual([]);
		world.during = () => {};
		expect(await listening.ready()).toBe(true);
		expect(listening.trusted).toBe(true);
		world.clicks = [];
		expect(await listening.ready()).toBe(true);
		expect(world.clicks).toEqual([]);
	});

	it('other inputs need no trying', async () => {
		const { listening } = open();
		for (const kind of ['neck', 'simulated', 'midi'] as const) {
			await listening.choose(kind);
			expect(await listening.ready()).toBe(true);
		}
	});
});

describe('the latency', () => {
	it('is measured with eight clicks and kept for each input', async () => {
		const { listening } = open();
		await listening.choose('midi');
		world.during = () => world.clicks.forEach((at) => world.midi?.strike(60, at + 34));
		await listening.measureLatency();
		expect(world.clicks).toHaveLength(8);
		expect(inputPrefs.latencyOf('midi')).toBe(34);
		expect(listening.told).toContain('34 ms are taken off');
		await listening.choose('neck');
		world.during = () => world.clicks.forEach((at) => listening.strike(60, at + 80));
		await listening.measureLatency();
		expect([inputPrefs.latencyOf('midi'), inputPrefs.latencyOf('neck')]).toEqual([34, 80]);
	});

	it('is left alone when too little was played', async () => {
		const { listening } = open();
		await listening.choose('midi');
		const before = inputPrefs.latencyOf('midi');
		world.during = () => world.midi?.strike(60, world.clicks[0] + 10);
		await listening.measureLatency();
		expect(listening.told).toContain('Too little was heard');
		expect(inputPrefs.latencyOf('midi')).toBe(before);
		expect(listening.measuring).toBeNull();
	});

	it('is given up with the screen', () => {
		const { listening } = open();
		void listening.measureLatency();
		listening.close();
		expect(world.closed).toContain('clicks');
		expect(listening.measuring).toBeNull();
	});
});

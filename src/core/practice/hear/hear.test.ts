import { describe, expect, it } from 'vitest';
import { hearRecording } from './recording';
import { everyPitch, record, type MadeNote, type Room } from './test-strings';
import type { PlayedEvent } from '../types';

const QUIET: Room = { rate: 48_000, hum: 0, noise: 0.0004, level: 0.5, seed: 1 };
const ROOMS: [string, Room][] = [
	['a quiet room', QUIET],
	['a noisy room', { ...QUIET, noise: 0.012, seed: 2 }],
	['hum of the mains', { ...QUIET, hum: 0.012, noise: 0.002, seed: 3 }],
	['hum and noise, played softly', { ...QUIET, level: 0.15, hum: 0.004, noise: 0.002, seed: 4 }],
	['44 100 samples a second', { ...QUIET, rate: 44_100, noise: 0.003, seed: 5 }]
];

function hear(samples: Float32Array, rate: number): readonly PlayedEvent[] {
	let events: readonly PlayedEvent[] = [];
	for (const step of hearRecording(samples, rate)) events = step.events ?? events;
	return events;
}

/** Pairs what was heard with what was played, each once, no further apart than 80 ms. */
function pair(notes: readonly MadeNote[], heard: readonly PlayedEvent[]) {
	const open = new Set(heard);
	const pairs = notes.map((note) => {
		const near = [...open]
			.filter((event) => Math.abs(event.timeMs - 1000 * note.at) < 80)
			.sort(
				(a, b) =>
					Number(a.midi !== note.midi) - Number(b.midi !== note.midi) ||
					Math.abs(a.timeMs - 1000 * note.at) - Math.abs(b.timeMs - 1000 * note.at)
			)[0];
		if (near) open.delete(near);
		return { note, event: near };
	});
	return { pairs, extra: open.size };
}

const middle = (values: number[]): number =>
	values.sort((a, b) => a - b)[values.length >> 1] ?? NaN;

/** What the ear makes of recordings of every pitch. */
function measure(room: Room) {
	let [played, right, extra] = [0, 0, 0];
	const errors: number[] = [];
	for (let seed = 1; seed <= 2; seed++) {
		const notes = everyPitch(seed);
		const found = pair(
			notes,
			hear(record(notes, { ...room, seed: room.seed * 10 + seed }), room.rate)
		);
		played += notes.length;
		extra += found.extra;
		for (const { note, event } of found.pairs) {
			if (event?.midi === note.midi) right++;
			if (event) errors.push(Math.abs(event.timeMs - 1000 * note.at));
		}
	}
	return { pitches: right / played, falsePer100: (100 * extra) / played, onsetMs: middle(errors) };
}

describe('notes out of a recording', () => {
	it.each(ROOMS)('every pitch from E2 to E6 in %s', (_, room) => {
		const { pitches, falsePer100, onsetMs } = measure(room);
		expect(pitches).toBeGreaterThanOrEqual(0.98);
		expect(falsePer100).toBeLessThan(1);
		expect(onsetMs).toBeLessThanOrEqual(10);
	});

	it('hears nothing in noise and hum alone', () => {
		for (const [, room] of ROOMS) expect(hear(record([], room, 8), room.rate)).toEqual([]);
	});

	it('is much quicker than the music', () => {
		const notes = everyPitch(3);
		const samples = record(notes, QUIET);
		const start = performance.now();
		hear(samples, QUIET.rate);
		expect((performance.now() - start) / 1000).toBeLessThan(samples.length / QUIET.rate / 4);
	});

	it('hears the same in pieces of any size', () => {
		const notes = everyPitch(5).slice(0, 12);
		const samples = record(notes, QUIET);
		const whole = hear(samples, QUIET.rate);
		expect(whole.map(({ midi }) => midi)).toEqual(notes.map(({ midi }) => midi));
		expect(whole.every(({ cents }) => Math.abs(cents ?? 99) < 20)).toBe(true);
		expect(whole.every(({ durationMs }) => durationMs > 60)).toBe(true);
	});
});

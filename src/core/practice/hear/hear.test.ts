import { describe, expect, it } from 'vitest';
import { hearRecording } from './recording';
import { everyPitch, record, type MadeNote, type Room } from './test-strings';
import type { PlayedEvent } from '../types';
import { LONG } from '../../test-runs';

const QUIET: Room = { rate: 48_000, hum: 0, noise: 0.0004, level: 0.5, seed: 1 };
const NOISY: [string, Room] = ['a noisy room', { ...QUIET, noise: 0.012, seed: 2 }];
const EASIER: [string, Room][] = [
	['a quiet room', QUIET],
	['hum of the mains', { ...QUIET, hum: 0.012, noise: 0.002, seed: 3 }],
	NOISY
];
const ROOMS: [string, Room][] = [
	...(LONG ? EASIER : []),
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
	for (const seed of LONG ? [1, 2] : [1]) {
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

	it('hears a hammer-on, which nobody strikes, as a note', () => {
		const rate = 48_000;
		const samples = new Float32Array(rate * 2);
		let phase = 0;
		// One string rings on while a finger comes down at 0.6 s: G4 becomes A4 without an attack.
		for (let i = 0; i < samples.length; i++) {
			const t = i / rate - 0.3;
			const hz = t < 0.6 ? 392 : 440;
			phase += (2 * Math.PI * hz) / rate;
			const tone = Math.sin(phase) + 0.4 * Math.sin(2 * phase) + 0.2 * Math.sin(3 * phase);
			samples[i] = t < 0 ? 0 : 0.3 * Math.exp(-1.2 * t) * Math.min(1, t / 0.002) * tone;
		}
		const heard = hear(samples, rate);
		expect(heard.map(({ midi }) => midi)).toEqual([67, 69]);
		expect(Math.abs(heard[1].timeMs - 900)).toBeLessThan(30);
		expect(Math.abs(heard[0].timeMs + heard[0].durationMs - heard[1].timeMs)).toBeLessThan(1);
	});

	it('hears nothing in noise and hum alone', () => {
		for (const [, room] of [NOISY, ...ROOMS])
			expect(hear(record([], room, 4), room.rate)).toEqual([]);
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

describe('the moment of a strike', () => {
	const rate = 48_000;
	/** A tone that is there at once from a sample on, in silence or over a quiet drone. */
	const tone = (start: number, drone: number): Float32Array =>
		Float32Array.from({ length: rate }, (_, i) => {
			const low = drone * Math.sin((2 * Math.PI * 55 * i) / rate);
			const t = i - start;
			if (t < 0) return low;
			const phase = (2 * Math.PI * 392 * t) / rate;
			return (
				low + 0.4 * (Math.cos(phase) + 0.3 * Math.cos(2 * phase)) * Math.exp((-1.5 * t) / rate)
			);
		});

	it.each([0, 0.02])(
		'is the sample where the string leaps, wherever a look begins; over a drone of %d',
		(drone) => {
			for (const offset of [0, 17, 40, 63, 64, 90, 111, 127]) {
				const start = 16_000 + offset;
				const [first] = hear(tone(start, drone), rate);
				expect(first?.midi).toBe(67);
				expect(Math.abs((first?.timeMs ?? 0) - (1000 * start) / rate), `${offset}`).toBeLessThan(
					0.1
				);
			}
		}
	);

	it('is not told of what is under the least level, whatever its pitch', () => {
		const faint = tone(16_000, 0).map((sample) => sample / 2000);
		expect(hear(faint, rate)).toEqual([]);
		expect(
			hear(
				faint.map((sample) => sample * 60),
				rate
			)
		).toHaveLength(1);
	});
});

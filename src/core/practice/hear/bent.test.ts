import { describe, expect, it } from 'vitest';
import { isBent } from '../bends';
import { hearRecording } from './recording';
import { moving } from './test-strings';
import type { PlayedEvent } from '../types';
import { LONG } from '../../test-runs';

const RATE = 48_000;
function hear(pitchAt: (seconds: number) => number, seconds: number): readonly PlayedEvent[] {
	let events: readonly PlayedEvent[] = [];
	for (const step of hearRecording(moving(pitchAt, seconds, RATE), RATE)) {
		events = step.events ?? events;
	}
	return events;
}

/** Goes from one pitch to another as a finger pushes: slowly, quickly, slowly. */
const pushed = (from: number, to: number, begins: number, takes: number) => (t: number) => {
	const share = Math.min(1, Math.max(0, (t - begins) / takes));
	return from + (to - from) * (share * share * (3 - 2 * share));
};

const EVERY_BEND = [62, 67, 71, 74].flatMap((from) =>
	[1, 2].flatMap((size) =>
		[-35, 0, 30].flatMap((off) =>
			[0.12, 0.2, 0.4].map((takes) => [from, size, off, takes] as const)
		)
	)
);
const BENDS = EVERY_BEND.filter((_, i) => LONG || i % 4 === 1);

describe('bends', () => {
	it.each(BENDS)('from %d by %d semitones and %d cents in %d s', (from, size, off, takes) => {
		const pitchAt = pushed(from, from + size + off / 100, 0.25, takes);
		const heard = hear(pitchAt, 1.4);
		expect(heard.map(({ midi }) => midi)).toEqual([from, from]);
		const [struck, bent] = heard;
		expect(Math.abs(struck.cents ?? 99)).toBeLessThan(15);
		expect(Math.abs((bent.cents ?? 0) - 100 * size - off)).toBeLessThan(8);
		// It has arrived where it is in tune with where it ends.
		let arrives = 0;
		while (pitchAt(arrives / 1000) < from + size + off / 100 - 0.2) arrives++;
		expect(Math.abs(bent.timeMs - 300 - arrives)).toBeLessThan(40);
		expect(Math.abs(struck.timeMs + struck.durationMs - bent.timeMs)).toBeLessThan(1);
	});

	it('a bend with vibrato at its top has the pitch in the middle', () => {
		const push = pushed(67, 69, 0.25, 0.15);
		const heard = hear((t) => push(t) + (t > 0.5 ? 0.25 * Math.sin(35 * (t - 0.5)) : 0), 1.8);
		expect(heard.map(({ midi }) => midi)).toEqual([67, 67]);
		expect(Math.abs((heard[1].cents ?? 0) - 200)).toBeLessThan(15);
	});

	it('a bend that is let down again comes back to its fret', () => {
		const up = pushed(67, 69, 0.3, 0.15);
		const down = pushed(0, 2, 0.9, 0.15);
		const heard = hear((t) => up(t) - down(t), 1.8);
		expect(heard.map((event) => [event.midi, isBent(event)])).toEqual([
			[67, false],
			[67, true],
			[67, false]
		]);
	});

	it('hammers and slides along the frets are no bends', () => {
		const hammered = hear((t) => (t < 0.4 ? 67 : 69), 1.2);
		expect(hammered.map((event) => [event.midi, isBent(event)])).toEqual([
			[67, false],
			[69, false]
		]);
		const pulled = hear((t) => (t < 0.4 ? 69 : 67), 1.2);
		expect(pulled.map(({ midi }) => midi)).toEqual([69, 67]);
		const slid = hear((t) => 64 + Math.min(4, Math.max(0, Math.floor((t - 0.4) / 0.03))), 1.4);
		expect(slid.map(({ midi }) => midi)).toEqual([64, 68]);
		expect(slid.some(isBent)).toBe(false);
	});
});

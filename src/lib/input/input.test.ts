import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PassRecorder } from '$lib/state/pass-recorder';
import { playEvents } from './simulated';

describe('what is played is gathered', () => {
	it('into events with lengths', () => {
		const recorder = new PassRecorder();
		recorder.strike(60, 100, 12);
		recorder.strike(64, 200);
		recorder.release(60, 350);
		recorder.release(61, 360);
		expect(recorder.events(500)).toEqual([
			{ timeMs: 100, durationMs: 250, midi: 60, cents: 12 },
			{ timeMs: 200, durationMs: 300, midi: 64 }
		]);
		// Struck again without a release, the first one ends there.
		recorder.strike(64, 600);
		recorder.release(64, 700);
		expect(recorder.events(999).slice(1)).toEqual([
			{ timeMs: 200, durationMs: 400, midi: 64 },
			{ timeMs: 600, durationMs: 100, midi: 64 }
		]);
	});
});

describe('the simulated player', () => {
	beforeEach(() => {
		vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'performance'] });
	});
	afterEach(() => {
		vi.useRealTimers();
	});
	const events = [
		{ timeMs: 100, durationMs: 50, midi: 60 },
		{ timeMs: 200, durationMs: 50, midi: 62, cents: 4 }
	];

	it('strikes and lets go at its moments', () => {
		const heard: unknown[][] = [];
		const begins = performance.now() + 1000;
		playEvents(events, begins, {
			strike: (...told) => heard.push(['strike', ...told]),
			release: (...told) => heard.push(['release', ...told])
		});
		vi.advanceTimersByTime(1160);
		expect(heard).toEqual([
			['strike', 60, begins + 100, undefined],
			['release', 60, begins + 150]
		]);
		vi.advanceTimersByTime(200);
		expect(heard).toHaveLength(4);
	});

	it('is silent once it was stopped', () => {
		const heard: number[] = [];
		const input = playEvents(events, performance.now(), {
			strike: (midi) => heard.push(midi),
			release: () => {}
		});
		vi.advanceTimersByTime(120);
		input.close();
		vi.advanceTimersByTime(1000);
		expect(heard).toEqual([60]);
	});
});

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PassRecorder } from './pass-recorder';
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
		vi.useFakeTimers({ toFake: ['setInterval', 'clearInterval', 'performance'] });
	});
	afterEach(() => {
		vi.useRealTimers();
	});
	const events = [
		{ timeMs: 100, durationMs: 50, midi: 60 },
		{ timeMs: 200, durationMs: 50, midi: 62, cents: 4 }
	];

	it('strikes and lets go at its moments of the band’s clock', () => {
		const heard: [string, number, number][] = [];
		const begins = performance.now() + 1000;
		// The band's clock falls behind by 20 ms on its way.
		const since = (at: number) => at - begins - (at > begins + 120 ? 20 : 0);
		playEvents(events, since, {
			strike: (midi, at) => heard.push(['strike', midi, Math.round(since(at))]),
			release: (midi, at) => heard.push(['release', midi, Math.round(since(at))])
		});
		vi.advanceTimersByTime(1000);
		expect(heard).toEqual([]);
		vi.advanceTimersByTime(400);
		expect(heard).toEqual([
			['strike', 60, 100],
			['release', 60, 150],
			['strike', 62, 200],
			['release', 62, 250]
		]);
	});

	it('is silent while nothing plays, and once it was stopped', () => {
		const heard: number[] = [];
		const begins = performance.now();
		let plays = false;
		const since = (at: number) => (plays ? at - begins : null);
		const input = playEvents(events, since, {
			strike: (midi) => heard.push(midi),
			release: () => {}
		});
		vi.advanceTimersByTime(90);
		plays = true;
		vi.advanceTimersByTime(60);
		input.close();
		vi.advanceTimersByTime(1000);
		expect(heard).toEqual([60]);
	});
});

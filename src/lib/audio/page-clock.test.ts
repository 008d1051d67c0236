import { describe, expect, it } from 'vitest';
import { PageClock } from './page-clock';

describe('the clock of the page and of the sound', () => {
	it('agree within a step, whenever one looks', () => {
		let now = 5000;
		// The audio clock began at 3 s of the page and moves in steps of 10 ms.
		const clock = new PageClock(
			() => Math.floor((now - 3000) / 10) / 100,
			() => now
		);
		for (const by of [3, 4, 7, 2, 9, 5, 6, 8, 1, 7, 3, 4]) {
			now += by;
			clock.look();
		}
		const seconds = clock.secondsAt(6000);
		expect(seconds).toBeGreaterThan(2.995);
		expect(seconds).toBeLessThanOrEqual(3);
		expect(clock.momentOf(seconds)).toBeCloseTo(6000, 6);
	});

	it('forgets what it saw long ago', () => {
		let [now, ahead] = [0, 1];
		const clock = new PageClock(
			() => now / 1000 + ahead,
			() => now
		);
		clock.look();
		ahead = 0.5;
		for (let i = 0; i < 60; i++) {
			now += 50;
			clock.look();
		}
		expect(clock.secondsAt(now)).toBeCloseTo(now / 1000 + 0.5, 6);
	});
});

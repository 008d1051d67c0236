import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { swingOf, swung } from './swing';

const FOUR = { beats: 4, unit: 4 } as const;

describe('swing', () => {
	it('is by the feel, a shuffle in triplets, and the player may ask for another', () => {
		expect(swingOf('straight').percent).toBe(50);
		expect(swingOf('shuffle').percent).toBeCloseTo(66.667, 2);
		expect(swingOf('swing').percent).toBe(62);
		expect(swingOf('swing', 90).percent).toBe(75);
		expect(swingOf('sixteenths', 58)).toEqual({ pair: 240, percent: 58 });
	});

	it('moves the off-beat and what lies between, never beats or triplets', () => {
		const swing = swingOf('swing', 60);
		expect([0, 120, 240, 360, 480, 720].map((tick) => swung(tick, swing, FOUR))).toEqual([
			0, 144, 288, 384, 480, 768
		]);
		expect([160, 320, 640].map((tick) => swung(tick, swing, FOUR))).toEqual([160, 320, 640]);
	});

	it('of sixteenths leaves eighths where they are', () => {
		const swing = swingOf('sixteenths', 60);
		expect([0, 120, 240, 360, 480].map((tick) => swung(tick, swing, FOUR))).toEqual([
			0, 144, 240, 384, 480
		]);
	});

	it('leaves eighths in threes even', () => {
		expect(swung(240, swingOf('shuffle'), { beats: 6, unit: 8 })).toBe(240);
	});

	it('keeps the order of notes and the bar line, at any ratio', () => {
		fc.assert(
			fc.property(fc.integer({ min: 50, max: 75 }), (percent) => {
				const swing = swingOf('swing', percent);
				const played = Array.from({ length: 17 }, (_, i) => swung(i * 120, swing, FOUR));
				for (let i = 1; i < played.length; i++) expect(played[i]).toBeGreaterThan(played[i - 1]);
				expect(played[16]).toBe(1920);
				expect(played[2] / 480).toBeCloseTo(percent / 100, 10);
			})
		);
	});
});

import { describe, expect, it } from 'vitest';
import { pluck } from './pluck';
import { frequencyOf } from './string';

const RATE = 48_000;

/** The period of a tone from its autocorrelation, to a fraction of a sample. */
function periodOf(samples: Float32Array, about: number): number {
	const from = 4000;
	const size = 9000;
	const at = (lag: number) => {
		let sum = 0;
		for (let i = from; i < from + size; i++) sum += samples[i] * samples[i + lag];
		return sum;
	};
	let best = Math.round(about);
	for (let lag = Math.floor(about * 0.9); lag <= Math.ceil(about * 1.1); lag++) {
		if (at(lag) > at(best)) best = lag;
	}
	const [a, b, c] = [at(best - 1), at(best), at(best + 1)];
	return best + (a - c) / (2 * (a - 2 * b + c));
}

describe('a plucked note', () => {
	it.each([28, 40, 45, 52, 59, 64, 69, 76, 86])('is in tune at pitch %i', (midi) => {
		const wanted = frequencyOf(midi);
		const heard = RATE / periodOf(pluck(midi, RATE), RATE / wanted);
		expect(Math.abs(1200 * Math.log2(heard / wanted))).toBeLessThan(4);
	});

	it('is never too loud, dies away, and is the same every time', () => {
		for (const midi of [28, 52, 88]) {
			const samples = pluck(midi, RATE);
			const loud = (from: number, to: number) =>
				samples.slice(from, to).reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
			expect(loud(0, samples.length)).toBeLessThanOrEqual(0.91);
			expect(loud(0, 4800)).toBeGreaterThan(0.4);
			expect(loud(samples.length - 4800, samples.length)).toBeLessThan(0.35);
			expect(samples[samples.length - 1]).toBeCloseTo(0, 6);
			const again = pluck(midi, RATE);
			expect(again.every((sample, i) => sample === samples[i])).toBe(true);
		}
	});
});

import { beforeAll, describe, expect, it } from 'vitest';
import { DRUMS } from '$core/band';
import { LONG } from '$core/test-runs';
import type { Bank } from './bank';
import { frequencyOf } from './string';
import { testBank } from './test-bank';
import { layerOf, renderVoice, type Voice } from './voices';

const RATE = 48_000;
let bank: Bank;
beforeAll(async () => {
	bank = await testBank();
});

/** The period of a tone from its autocorrelation, to a fraction of a sample. */
function centsOff(samples: Float32Array, midi: number): number {
	const wanted = RATE / frequencyOf(midi);
	const [from, size] = [9000, 24_000];
	const at = (lag: number) => {
		let sum = 0;
		for (let i = from; i < from + size; i++) sum += samples[i] * samples[i + lag];
		return sum;
	};
	let best = Math.round(wanted);
	for (let lag = Math.floor(wanted * 0.93); lag <= Math.ceil(wanted * 1.07); lag++) {
		if (at(lag) > at(best)) best = lag;
	}
	const [a, b, c] = [at(best - 1), at(best), at(best + 1)];
	return 1200 * Math.log2(wanted / (best + (a - c) / (2 * (a - 2 * b + c))));
}
const peak = (samples: Float32Array) =>
	samples.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
const loudness = (samples: Float32Array, from: number, to: number) =>
	Math.sqrt(
		samples
			.slice(from * RATE, to * RATE)
			.reduce((sum, sample, _, all) => sum + (sample * sample) / all.length, 0)
	);

describe('the voices of the band', () => {
	it.each<[Voice, number[]]>([
		['bass', [28, 33, 40, 44, 48]],
		['guitar', [50, 55, 60, 66, 70]],
		['keys', [50, 57, 64, 70]],
		['line', [52, 59, 64, 71, 76, 83]]
	])('%s is in tune, to six cents', (voice, pitches) => {
		for (const midi of LONG ? pitches : [pitches[0], pitches[pitches.length - 1]]) {
			const off = centsOff(renderVoice(bank, voice, midi, 1, RATE), midi);
			expect(Math.abs(off), `${voice} ${midi}: ${off.toFixed(1)} cents`).toBeLessThan(6);
		}
	});

	it('begin at their first samples, never pass full scale, end in silence, and are always the same', () => {
		const notes: [Voice, number][] = [
			['bass', 33],
			['guitar', 60],
			['keys', 60],
			['line', 64],
			['click', 88],
			...Object.values(DRUMS).map((key): [Voice, number] => ['drums', key])
		];
		for (const [i, [voice, midi]] of notes.entries()) {
			for (const layer of LONG ? [0, 1, 2] : [2 * (i % 2)]) {
				const samples = renderVoice(bank, voice, midi, layer, RATE);
				const most = peak(samples);
				expect(most, voice).toBeLessThanOrEqual(1);
				expect(most, voice).toBeGreaterThan(0.2);
				const onset = samples.findIndex((sample) => Math.abs(sample) > most * 0.02);
				expect((onset / RATE) * 1000, `${voice} ${midi}`).toBeLessThan(3);
				expect(Math.abs(samples[samples.length - 1])).toBeLessThan(1e-3);
				const again = renderVoice(bank, voice, midi, layer, RATE);
				expect(again.every((sample, i) => sample === samples[i])).toBe(true);
			}
		}
	});

	it('die away as plucked and struck things do, the line more slowly than the chords', () => {
		for (const voice of ['bass', 'guitar', 'keys', 'line'] as const) {
			const samples = renderVoice(bank, voice, 55, 1, RATE);
			expect(loudness(samples, 1.2, 1.5), voice).toBeLessThan(loudness(samples, 0.05, 0.35));
			expect(loudness(samples, 1.2, 1.5), voice).toBeGreaterThan(0.01);
		}
	});

	it('are brighter when they are played harder', () => {
		const edge = (samples: Float32Array) => {
			let [sum, all] = [0, 0];
			for (let i = 1; i < 12_000; i++) {
				sum += (samples[i] - samples[i - 1]) ** 2;
				all += samples[i] ** 2;
			}
			return sum / all;
		};
		for (const voice of ['bass', 'guitar', 'keys', 'line'] as const) {
			const [soft, hard] = [0, 2].map((layer) => edge(renderVoice(bank, voice, 57, layer, RATE)));
			expect(hard, voice).toBeGreaterThan(soft);
		}
		expect([0.2, 0.5, 0.9].map(layerOf)).toEqual([0, 1, 2]);
	});
});

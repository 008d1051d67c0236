import { beforeAll, describe, expect, it } from 'vitest';
import { PARTS, type TimedNote } from '$core/band';
import { playBacking, type BackingRequest } from './backing';
import type { Bank } from './bank';
import { DESK, faderGain, soften, type Faders } from './desk';
import { mix, mixDown } from './mix';
import { roomResponse } from './room';
import { testBank } from './test-bank';
import { LONG } from '$core/test-runs';

const RATE = 44_100;
let bank: Bank;
beforeAll(async () => {
	bank = await testBank();
});

const faders = (alone?: string): Faders =>
	Object.fromEntries(
		PARTS.map((part) => [
			part,
			{ level: 0.8, muted: alone !== undefined && part !== alone, solo: false }
		])
	) as Faders;

const request = (change: Partial<BackingRequest>): BackingRequest => ({
	chart: 'feel: swing\n[A]\n| Dm7 | G7 | Cmaj7 | A7alt |',
	line: [],
	tempo: 120,
	choruses: 1,
	countInBars: 0,
	parts: [...PARTS],
	click: { beats: 'every', subdivision: 2, accents: true },
	faders: faders(),
	...change
});
const render = (wish: BackingRequest) => {
	const { notes, seconds, voice } = playBacking(wish);
	return mixDown(bank, {
		notes,
		seconds: seconds + 1,
		rate: RATE,
		chords: voice,
		faders: wish.faders
	});
};
/** Seconds at which something begins after silence. */
function onsets(samples: Float32Array): number[] {
	const found: number[] = [];
	let last = -RATE;
	samples.forEach((sample, n) => {
		if (Math.abs(sample) < 1e-4) return;
		if (n - last > 0.012 * RATE) found.push(n / RATE);
		last = n;
	});
	return found;
}

describe('a rendered backing', () => {
	it('keeps time over minutes: within a tenth of a millisecond, swing exact, no drift', () => {
		// Five minutes with `VITE_LONG=1`.
		const choruses = LONG ? 38 : 5;
		const swing = 62;
		const wish = request({ choruses, swing, parts: ['click'], faders: faders('click') });
		const [left] = render(wish);
		const heard = onsets(left);
		expect(heard).toHaveLength(choruses * 32);
		expect(heard[heard.length - 1]).toBeGreaterThan(7.8 * choruses);
		const errors = heard.map((second, i) => {
			const due = Math.floor(i / 2) * 0.5 + (i % 2 === 1 ? 0.5 * (swing / 100) : 0);
			return (second - due) * 1000;
		});
		expect(Math.max(...errors.map(Math.abs))).toBeLessThan(0.1);
		expect(Math.abs(errors[errors.length - 1] - errors[0])).toBeLessThan(0.05);
	});

	it('never breaks, is not silent, and holds the parts that are wanted', () => {
		const [left, right] = render(request({}));
		const peak = left.reduce((most, sample) => Math.max(most, Math.abs(sample)), 0);
		expect(peak).toBeLessThan(1);
		expect(peak).toBeGreaterThan(0.4);
		expect(right.some((sample, n) => sample !== left[n])).toBe(true);
		const silent = render(request({ parts: [] }))[0];
		expect(silent.every((sample) => sample === 0)).toBe(true);
	});

	it('says how far it is and goes in steps', () => {
		const { notes, seconds, voice } = playBacking(request({ choruses: 6, parts: ['click'] }));
		const shares = [
			...mix(bank, { notes, seconds, rate: RATE, chords: voice, faders: faders() })
		].map((step) => step.share);
		expect(shares.length).toBeGreaterThan(5);
		expect([...shares].sort((a, b) => a - b)).toEqual(shares);
		expect(shares[shares.length - 1]).toBe(1);
	});

	it('bends a note along its curve', () => {
		const note: TimedNote = {
			part: 'line',
			at: 0,
			seconds: 0,
			duration: 1.2,
			midi: 57,
			velocity: 0.8,
			curve: [
				[0, 0],
				[0.4, 0],
				[0.5, 1200]
			],
			counted: false
		};
		const [left] = mixDown(bank, {
			notes: [note],
			seconds: 1.2,
			rate: RATE,
			chords: 'guitar',
			faders: faders('line')
		});
		/** How alike the sound is to itself so many samples later: 1 after a whole period. */
		const alike = (from: number, lag: number) => {
			let [product, power] = [0, 0];
			for (let n = from * RATE; n < (from + 0.2) * RATE; n++) {
				const i = Math.round(n);
				product += left[i] * left[i + lag];
				power += left[i] * left[i];
			}
			return product / power;
		};
		const period = 2 * Math.round(RATE / 440);
		expect(alike(0.1, period)).toBeGreaterThan(0.9);
		expect(alike(0.1, period / 2)).toBeLessThan(0.8);
		expect(alike(0.7, period / 2)).toBeGreaterThan(0.9);
	});
});

describe('the desk', () => {
	it('silences, plays alone, and leaves the click beside a solo', () => {
		const all = faders();
		expect(faderGain(all, 'bass')).toBeCloseTo(DESK.bass.gain, 9);
		const solo = { ...all, bass: { ...all.bass, solo: true } };
		expect(faderGain(solo, 'drums')).toBe(0);
		expect(faderGain(solo, 'bass')).toBeGreaterThan(0);
		expect(faderGain(solo, 'click')).toBeGreaterThan(0);
		expect(faderGain({ ...all, line: { ...all.line, muted: true } }, 'line')).toBe(0);
		expect(faderGain({ ...all, bass: { ...all.bass, level: 1 } }, 'bass')).toBeGreaterThan(
			DESK.bass.gain
		);
	});

	it('lets what is low through and bends what is high, never past one', () => {
		expect(soften(0.5)).toBe(0.5);
		expect(soften(-0.3)).toBe(-0.3);
		for (const sample of [0.8, 1, 3, 50]) {
			expect(soften(sample)).toBeLessThanOrEqual(1);
			expect(soften(-sample)).toBe(-soften(sample));
		}
		expect(soften(0.9)).toBeGreaterThan(soften(0.8));
	});
});

describe('the room', () => {
	const [left, right] = roomResponse(RATE);
	const energy = (samples: Float32Array, from: number, to: number) =>
		samples.slice(from * RATE, to * RATE).reduce((sum, sample) => sum + sample * sample, 0);

	it('answers after a moment, dies away, and is not the same on both sides', () => {
		expect(energy(left, 0, 0.03)).toBe(0);
		expect(energy(left, 0.03, 0.2)).toBeGreaterThan(20 * energy(left, 0.5, 0.67));
		expect(energy(left, 0.9, 0.98)).toBeLessThan(energy(left, 0.03, 0.2) / 1000);
		expect(right).not.toEqual(left);
	});
});

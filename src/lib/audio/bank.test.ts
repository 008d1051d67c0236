import { beforeAll, describe, expect, it } from 'vitest';
import { DRUMS } from '$core/band';
import { zoneFor, type Bank } from './bank';
import { highPass, lowPass } from './filter';
import { testBank } from './test-bank';

let bank: Bank;
beforeAll(async () => {
	bank = await testBank();
});

describe('the sounds taken out of the font', () => {
	it('are small, whole, and inside their samples', () => {
		expect(bank.samples.length * 2).toBeLessThan(100_000);
		for (const zones of Object.values(bank.zones)) {
			for (const zone of zones) {
				expect(zone.start + zone.length).toBeLessThanOrEqual(bank.samples.length);
				expect(zone.rate).toBeGreaterThan(8000);
				expect(zone.gain).toBeGreaterThan(0);
				expect(zone.gain).toBeLessThanOrEqual(1);
				if (!zone.loop) continue;
				const [from, to] = zone.loop;
				expect(from).toBeLessThan(to);
				expect(to).toBeLessThanOrEqual(zone.length);
			}
		}
	});

	it('cover what the band plays', () => {
		for (let midi = 28; midi <= 48; midi++) {
			const zone = zoneFor(bank, 'bass', midi);
			expect(zone && midi >= zone.low && midi <= zone.high).toBe(true);
		}
		for (const voice of ['guitar', 'keys'] as const) {
			for (let midi = 50; midi <= 70; midi++) {
				const zone = zoneFor(bank, voice, midi);
				expect(zone && midi >= zone.low && midi <= zone.high, `${voice} ${midi}`).toBe(true);
			}
		}
		const made: readonly number[] = [DRUMS.kick, DRUMS.swirl];
		for (const key of Object.values(DRUMS).filter((drum) => !made.includes(drum))) {
			expect(zoneFor(bank, 'drums', key)?.low).toBe(key);
		}
	});

	it('answer for a pitch beyond their zones with the nearest', () => {
		expect(zoneFor(bank, 'bass', 20)).toBeDefined();
		expect(zoneFor(bank, 'keys', 100)).toBeDefined();
	});
});

describe('filters', () => {
	const RATE = 48_000;
	const through = (filter: (sample: number) => number, hertz: number) => {
		let power = 0;
		for (let n = 0; n < RATE / 4; n++) {
			const out = filter(Math.sin((2 * Math.PI * hertz * n) / RATE));
			if (n > RATE / 8) power += out * out;
		}
		return Math.sqrt((2 * power) / (RATE / 8));
	};

	it('let what they should pass and hold the rest', () => {
		const low = (cutoff: number) => {
			const filter = lowPass(RATE);
			return (sample: number) => filter(sample, cutoff);
		};
		expect(through(low(2000), 200)).toBeGreaterThan(0.9);
		expect(through(low(2000), 8000)).toBeLessThan(0.12);
		expect(through(highPass(RATE, 100), 1000)).toBeGreaterThan(0.95);
		expect(through(highPass(RATE, 100), 20)).toBeLessThan(0.25);
	});

	it('stay calm at any cutoff', () => {
		for (const cutoff of [20, 1000, 7000, 30_000]) {
			const filter = lowPass(RATE);
			let most = 0;
			for (let n = 0; n < 5000; n++) {
				most = Math.max(most, Math.abs(filter(n % 50 < 25 ? 1 : -1, cutoff)));
			}
			expect(most).toBeLessThan(2.5);
		}
	});
});

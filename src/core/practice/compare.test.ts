import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { standardGuitar } from '../neck';
import { compareTakes, passNotes, viewTake } from './compare';
import { habitsOf } from './habits';
import { landEvery, NETTLE, takeOn } from './test-takes';
import type { PlayedEvent } from './types';

describe('takes side by side', () => {
	const base = takeOn(NETTLE, { tempo: 84 });
	const scale = Array.from({ length: 32 }, (_, i): PlayedEvent => ({
		timeMs: (i * 30_000) / 84,
		durationMs: 200,
		midi: [66, 68, 69, 71, 73, 74, 76, 78][i % 8]
	}));
	const chords = landEvery(base);

	it('finds the one that follows the changes, and says why', () => {
		const [a, b] = [scale, chords].map((events) => viewTake({ ...base, events }));
		const { better, reasons } = compareTakes(a, b);
		expect(better).toBe(1);
		expect(reasons[0]).toMatch(/lands 4 of 4 changes, the other [12] of 4/);
		expect(compareTakes(b, a).better).toBe(0);
		expect(compareTakes(a, a)).toEqual({ better: null, reasons: [] });
		expect(b.chordToneShare).toBe(1);
		expect([a.lowest, a.highest]).toEqual([66, 78]);
	});

	it('leave out what was played before the first beat and after the last', () => {
		const note = (timeMs: number): PlayedEvent => ({ timeMs, durationMs: 100, midi: 66 });
		const request = takeOn(NETTLE, { tempo: 60, loops: 2, toleranceMs: 60 });
		const times = [-61, -60, -1, 0, 15_999, 16_000, 31_990, 32_000, 40_000];
		const notes = passNotes({ ...request, events: times.map(note) });
		expect(notes.map(({ tick, loop }) => [Math.round(tick), loop])).toEqual([
			[0, 0],
			[0, 0],
			[0, 0],
			[7680, 0],
			[0, 1],
			[7675, 1]
		]);
		expect(notes[0].durationTicks).toBeCloseTo(48, 6);
	});

	it('shows habits on the neck', () => {
		const pitches = [66, 69, 73, 69, 66];
		const habits = habitsOf(parseChart(NETTLE), standardGuitar(), 2, [
			{ pitches, changes: [{ result: 'landed', role: 'b3' }] },
			{ pitches, changes: [{ result: 'missed', role: '5' }] },
			{ pitches: [], changes: [{ result: 'landed', role: null }] }
		]);
		expect(habits.places.reduce((sum, { count }) => sum + count, 0)).toBe(8);
		expect(habits.roles).toEqual([{ role: 'b3', count: 1 }]);
		expect(habits.places.every(({ count }) => count > 0)).toBe(true);
		expect(habits.steps[0]).toEqual({ semitones: 3, count: 4 });
		expect(habits.silentStrings).toEqual(expect.arrayContaining([5, 6]));
		expect(habits.unused.length).toBeLessThan(habits.tonePlaces);
	});
});

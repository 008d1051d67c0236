import { describe, expect, it } from 'vitest';
import { strokesOf } from './strokes';
import type { Technique } from './types';

const note = (tick: number, string: number, technique: Technique | null = null, long = 240) => ({
	...{ tick, string, fret: 5, technique, durationTicks: long }
});
const written = (strokes: readonly (string | null)[]) =>
	strokes.map((stroke) => (stroke === null ? '.' : stroke[0])).join('');

describe('strokes of the pick', () => {
	it.each([
		['eighths go down on the beat', 240, [0, 240, 480, 720], 'dudu'],
		['a rest leaves the count as it is', 240, [0, 720, 1200, 1440], 'duud'],
		['sixteenths', 120, [0, 120, 240, 360, 480], 'dudud'],
		['triplets alternate across the beat', 160, [0, 160, 320, 480, 640, 800, 960], 'dududud'],
		['quarters are all down', 480, [0, 480, 960], 'ddd']
	])('%s', (_, unit, ticks, expected) => {
		const notes = ticks.map((tick) => note(tick, 3, null, unit));
		expect(written(strokesOf(notes, 'alternate', unit))).toBe(expected);
	});

	it('slurred notes are not picked, and the count goes on', () => {
		const notes = [note(0, 3), note(240, 3, 'hammer-on'), note(480, 3), note(720, 3, 'slide')];
		expect(written(strokesOf(notes, 'alternate', 240))).toBe('d.d.');
	});

	it('economy goes on in one direction to the next string', () => {
		const sweep = [
			note(0, 5),
			note(120, 4),
			note(240, 3),
			note(360, 2),
			note(480, 2),
			note(600, 3)
		];
		expect(written(strokesOf(sweep, 'economy', 120))).toBe('dddduu');
		// After silence it begins anew on the count.
		const rested = [note(0, 3), note(240, 3), note(960, 2), note(1200, 4)];
		expect(written(strokesOf(rested, 'economy', 240))).toBe('dudu');
	});
});

import { describe, expect, it } from 'vitest';
import { chartTicks, parseChart } from '../chart';
import { toneAt } from '../chord';
import { inWindow, pitchAt, standardGuitar } from '../neck';
import { NETTLE } from './test-takes';
import { warmUp, WARM_UPS } from './warm-up';

const chart = parseChart(NETTLE);
const guitar = standardGuitar();
const landing = { string: 3, fret: 9, midi: 64 };

describe('warm-ups', () => {
	it.each(WARM_UPS)('stay under the hand and in the chord: %s', (kind) => {
		const notes = warmUp(kind, chart, guitar, 9, landing);
		expect(notes.length).toBeGreaterThan(8);
		for (const note of notes) {
			expect(pitchAt(guitar, note)).toBe(note.midi);
			expect(inWindow(guitar, 9, note)).toBe(true);
			expect(note.tick + note.durationTicks).toBeLessThanOrEqual(chartTicks(chart));
			const { chord } = chart.events.findLast((event) => event.startTick <= note.tick) ?? {};
			if (kind !== 'pulse') expect(chord && toneAt(chord, note.midi)).toBeTruthy();
		}
	});

	it('pulses one note ever more slowly at one tempo', () => {
		const notes = warmUp('pulse', chart, guitar, 9, landing);
		const inBar = [0, 1, 2, 3].map(
			(bar) => notes.filter(({ tick }) => Math.floor(tick / 1920) === bar).length
		);
		expect(inBar).toEqual([8, 4, 2, 1]);
		expect(warmUp('pulse', chart, guitar, 9, null)).toEqual([]);
	});

	it('plays every note twice, or goes up and down without striking the top twice', () => {
		const once = warmUp('shape', chart, guitar, 9, landing).slice(0, 8);
		const twice = warmUp('doubled', chart, guitar, 9, landing).slice(0, 8);
		expect(twice.map(({ midi }) => midi)).toEqual(
			once.slice(0, 4).flatMap(({ midi }) => [midi, midi])
		);
		expect(once.every(({ midi }, i) => i === 0 || midi !== once[i - 1].midi)).toBe(true);
		const pairs = warmUp('pairs', chart, guitar, 9, landing).slice(0, 4);
		expect(new Set(pairs.map(({ string }) => string)).size).toBeLessThanOrEqual(2);
	});
});

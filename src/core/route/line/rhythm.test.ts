import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { CHARTS, inKey, planned, requestFor, STEADY } from '../test-lines';
import { steadyOn } from './test-legal';

describe('the rhythm of a line', () => {
	it('shortens the note before a target that lies off the grid', () => {
		const chart = parseChart('key: C\n| Dm7 <G7 | Cmaj7 Am7 Dm7 G7 Em7 | A7 |');
		const { line, targets } = planned(requestFor(chart, 'nearest', 5), steadyOn('quarter'));
		const off = targets.filter((target) => target.tick % 480 !== 0);
		expect(off.length).toBeGreaterThan(2);
		for (const target of off) {
			const before = line.notes.filter((note) => note.tick < target.tick).at(-1);
			expect(before && before.tick + before.durationTicks).toBe(target.tick);
		}
	});

	it('strikes nothing that would sound for less than a thirty-second', () => {
		// A chord pushed by a sixteenth comes 40 ticks after a place of the triplet grid.
		const chart = parseChart('key: C\n| Dm7 | <<G7 | Cmaj7 | % |');
		const { line } = planned(requestFor(chart, 'nearest', 5), { ...STEADY, grid: 'triplet' });
		expect(line.notes.some((note) => note.tick === 1800)).toBe(true);
		expect(line.notes.map((note) => note.tick)).not.toContain(1760);
		expect(Math.min(...line.notes.map((note) => note.durationTicks))).toBeGreaterThanOrEqual(60);
	});

	it('strikes nothing sooner than half a place after a landing', () => {
		const at = (push: string) => {
			const chart = parseChart(`key: C\n| Dm7 | ${push}G7 | Cmaj7 | % |`);
			const { line } = planned(requestFor(chart, 'nearest', 5), { ...STEADY, grid: 'quarter' });
			return line.notes.map((note) => note.tick).filter((tick) => tick > 1440 && tick < 2400);
		};
		expect(at('')).toEqual([1920]);
		expect(at('<')).toEqual([1680, 1920]);
		expect(at('<<')).toEqual([1800]);
	});

	it('is silent where no chord sounds', () => {
		expect(planned(requestFor(parseChart('| N.C. |'), 'nearest', 5)).line.notes).toEqual([]);
		const chart = parseChart('key: C\n| C | N.C. | F | N.C. |');
		const { line } = planned(requestFor(chart, 'nearest', 5));
		const bars = line.notes.map((note) => Math.floor(note.tick / 1920));
		expect([...new Set(bars)]).toEqual([0, 2]);
		expect(line.notes.every((note) => (note.tick % 3840) + note.durationTicks <= 1920)).toBe(true);
	});

	it('lets some landings come early when anticipation is asked for, and ring over', () => {
		const { line, targets } = planned(requestFor(inKey(CHARTS.blues, 0), 'nearest', 6), {
			...STEADY,
			anticipate: true
		});
		const landings = line.notes.filter((note) => note.kind === 'target');
		const early = landings.filter((note, i) => note.tick < targets[i].tick);
		expect(early.length).toBeGreaterThan(2);
		landings.forEach((note, i) => {
			expect(targets[i].tick - note.tick).toBeLessThanOrEqual(240);
			expect(note.tick + note.durationTicks).toBeGreaterThan(targets[i].tick);
		});
		// Every second one of those that have room: on the first beat of a bar, two beats after the one before.
		const bars = new Set(inKey(CHARTS.blues, 0).played.map((bar) => bar.startTick));
		const roomy = landings.filter(
			(_, i) => i > 0 && bars.has(targets[i].tick) && targets[i].tick - targets[i - 1].tick >= 960
		);
		expect(roomy.filter((_, i) => i % 2 === 0)).toEqual(early);
	});
});

import { describe, expect, it } from 'vitest';
import { parseChart, transposeText } from '../../chart';
import { scaleInUse } from '../../harmony';
import { CHARTS, STEADY, planned, requestFor } from '../test-lines';
import { type Style } from '../types';

describe('a blend', () => {
	const { scale } = scaleInUse(parseChart(CHARTS.blues));
	it('keeps to the minor pentatonic, the third of each chord and approaches', () => {
		const { line, request } = planned(requestFor(parseChart(CHARTS.blues), 'blend', 6), {
			...STEADY,
			spice: 0
		});
		expect(request.scale?.name).toBe(scale?.name);
		for (const note of line.notes) {
			const inScale = scale?.notes.some((entry) => entry.pc === note.midi % 12);
			const third = note.role === '3' || note.role === 'b3';
			expect(inScale || third || note.kind === 'target').toBe(true);
		}
	});

	it('sounds the major third of the IV chord and curls the minor third', () => {
		let thirds = 0;
		let curls = 0;
		for (let position = 3; position <= 15; position += 3) {
			const { line } = planned(requestFor(parseChart(CHARTS.blues), 'blend', position));
			for (const note of line.notes) {
				if (note.chord === 1 && note.name === 'G' && note.role === '3') thirds++;
				const blue = note.role === null && note.technique === 'curl';
				if (blue) curls++;
			}
		}
		expect(thirds).toBeGreaterThan(3);
		expect(curls).toBeGreaterThan(3);
	});
});

describe('a mirror', () => {
	it('lands on one kind of tone everywhere and keeps its cell', () => {
		const style: Style = 'mirror';
		const chart = parseChart('key: Eb\n| Eb | B | Ab | E |');
		const { line, targets } = planned(requestFor(chart, style, 5), {
			...{ ...STEADY, spice: 0, scalePlan: 'follow' }
		});
		expect(new Set(targets.map((target) => target.role)).size).toBe(1);
		const roles = (bar: number) =>
			line.notes.filter((note) => Math.floor(note.tick / 1920) === bar).map((note) => note.role);
		const first = roles(0);
		for (const bar of [1, 2, 3]) {
			const same = roles(bar).filter((role, i) => role === first[i]).length;
			expect(same).toBeGreaterThanOrEqual(5);
		}
	});

	it('is the same chart in every key', () => {
		expect(transposeText(CHARTS.major, { steps: 1, semitones: 2 })).toContain('Em7');
	});
});

import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { spellLine } from './spelling';

/** The names of some pitches over one chord after the other. */
function named(text: string, ...notes: (readonly [tick: number, midi: number])[]): string {
	const chart = parseChart(text);
	const line = notes.map(([tick, midi]) => ({ tick, midi, chord: 0 }));
	return spellLine(
		chart,
		chart.events.map(() => null),
		line
	)
		.map(({ name }) => name)
		.join(' ');
}

describe('the names of a line', () => {
	it('follow where it goes; within one beat a pitch has one name', () => {
		const text = 'key: C\n| C | % |';
		expect(named(text, [0, 66], [240, 67], [480, 66], [720, 65])).toBe('F# G Gb F');
		expect(named(text, [0, 66], [120, 67], [240, 66], [360, 65])).toBe('F# G F# F');
		// In the second bar as in the first.
		expect(named(text, [1920, 66], [2160, 67], [2400, 66], [2640, 65])).toBe('F# G Gb F');
		expect(named(text, [1920, 66], [2040, 67], [2160, 66], [2280, 65])).toBe('F# G F# F');
	});

	it('lead back to the first note where they go round', () => {
		const chart = parseChart('key: C\n| C |');
		const line = [64, 65, 66].map((midi, i) => ({ tick: 480 * i, midi, chord: 0 }));
		const last = (round: boolean) => spellLine(chart, [null], line, round)[2].name;
		expect([last(true), last(false)]).toEqual(['Gb', 'F#']);
	});

	it('know the beats of each bar, wherever it begins', () => {
		// The second bar begins at 1680: its first beat goes to 2160.
		const text = 'key: C\ntime: 7/8\n| C | {4/4} C |';
		expect(named(text, [240, 66], [360, 67], [480, 66], [600, 65])).toBe('F# G Gb F');
		expect(named(text, [1680, 66], [1800, 67], [1920, 66], [2040, 65])).toBe('F# G F# F');
		expect(named(text, [1920, 66], [2040, 67], [2160, 66], [2280, 65])).toBe('F# G Gb F');
	});
});

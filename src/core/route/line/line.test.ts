import { describe, expect, it } from 'vitest';
import { parseChart } from '../../chart';
import { instrumentOf, lastPosition } from '../../neck';
import { LONG } from '../../test-runs';
import { CHARTS, STEADY, cellNamed, inKey, planned, requestFor } from '../test-lines';
import { STYLES } from '../types';
import { PER_QUARTER } from './cells';
import { LINE_GRIDS, expectLegal, shape, steadyOn } from './test-legal';
import { FORBIDDEN } from './line-prices';
import { LineWork } from './work';

describe('a planned line', () => {
	it('is legal in every style, on every grid, in many windows', () => {
		for (const [i, text] of Object.values(CHARTS).entries()) {
			for (const [k, style] of STYLES.entries()) {
				for (const [g, grid] of LINE_GRIDS.entries()) {
					// In the short form every chart and style on every grid or in every window, not in all pairs.
					const windows = LONG ? [1, 9] : [[1], [], [9]][(i + k + g) % 3];
					for (const position of windows) {
						const wishes = steadyOn(grid);
						expectLegal(planned(requestFor(inKey(text, 3), style, position), wishes), wishes);
					}
				}
			}
		}
	});

	it('is legal in other tunings, on every scale plan and cell', () => {
		const tuned = (tuning: string) => parseChart(`tuning: ${tuning}\n${CHARTS.blues}`);
		for (const chart of [
			tuned('D2 A2 D3 G3 A3 D4'),
			tuned('B1 E2 A2 D3 G3 B3 E4'),
			tuned('E1 A1 D2 G2')
		]) {
			for (const scalePlan of ['one', 'follow', 'alternate', 'arpeggio'] as const) {
				for (const cell of ['steady', 'breath', 'rest-first', 'leaning', 'x-.xx--x']) {
					const wishes = { ...STEADY, scalePlan, cellOf: () => cellNamed(cell) };
					const last = lastPosition(instrumentOf(chart).instrument);
					for (const position of [last]) {
						expectLegal(planned(requestFor(chart, 'nearest', position), wishes), wishes);
					}
				}
			}
		}
	});

	it('fills every place of a steady grid between the first target and the end', () => {
		for (const grid of LINE_GRIDS) {
			const { line } = planned(requestFor(inKey(CHARTS.minor, 0), 'nearest', 5), steadyOn(grid));
			expect(line.notes).toHaveLength(16 * PER_QUARTER[grid]);
		}
	});

	it('moves with the chart: n frets on, the same line', () => {
		for (const text of [CHARTS.blues, CHARTS.ladder, CHARTS.waltz]) {
			for (const style of STYLES) {
				const here = planned(requestFor(inKey(text, 0), style, 4));
				const on = planned(requestFor(inKey(text, 3), style, 7));
				const moved = here.line.notes.map((note) => [
					note.tick,
					note.string,
					note.fret + 3,
					note.kind
				]);
				expect(on.line.notes.map((n) => [n.tick, n.string, n.fret, n.kind])).toEqual(moved);
			}
		}
	});

	it('is the same every time, whatever was planned before', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'guide-tones', 6);
		const fresh = planned(request).line;
		const work = new LineWork();
		planned({ ...request, locks: [{ change: 4, string: 2, fret: 8 }] }, STEADY, work);
		planned(request, { ...STEADY, seed: 5 }, work);
		const again = planned(request, STEADY, work).line;
		expect(again.notes).toEqual(fresh.notes);
		expect(again.costs()).toEqual(fresh.costs());
		expect(again.options()).toEqual(fresh.options());
	});

	it('searches only what changed when one target moves', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'nearest', 6);
		const work = new LineWork();
		planned(request, STEADY, work);
		const whole = work.relaxations;
		planned(request, STEADY, work);
		expect(work.relaxations).toBe(whole);
	});

	it('names costs that add up to what was minimised', () => {
		for (const style of STYLES) {
			const { line } = planned(requestFor(inKey(CHARTS.blues, 0), style, 6), {
				...STEADY,
				seed: 3
			});
			const costs = Object.values(line.costs());
			expect(costs.every((cost) => cost >= 0)).toBe(true);
			expect(costs.reduce((sum, cost) => sum + cost, 0)).toBeLessThan(FORBIDDEN);
			// Ways of three notes echo nothing: all that was paid has a name of its own.
			const short = planned(requestFor(inKey(CHARTS.blues, 0), style, 6), steadyOn('quarter'));
			if (style !== 'mirror') expect(short.line.costs().echo).toBe(0);
		}
	});

	it('gives another take for another seed, with the same targets', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'nearest', 6);
		const takes = [0, 1, 2, 3].map((seed) => planned(request, { ...STEADY, seed }));
		expect(new Set(takes.map(({ line }) => JSON.stringify(shape(line.notes)))).size).toBe(4);
		for (const take of takes) expect(take.targets).toEqual(takes[0].targets);
	});

	it('has no chromatic note without spice, more with much', () => {
		const count = (spice: number) =>
			Object.values(CHARTS)
				.map((text) => planned(requestFor(parseChart(text), 'nearest', 7), { ...STEADY, spice }))
				.flatMap(({ request, line }) =>
					line.notes.filter(
						(note) =>
							note.role === null &&
							!request.scale?.notes.some((entry) => entry.pc === note.midi % 12)
					)
				).length;
		const [none, some, much] = [count(0), count(0.4), count(1)];
		expect(none).toBe(0);
		expect(some).toBeGreaterThan(2);
		expect(much).toBeGreaterThan(some);
	});

	it('plays chord tones alone where that is asked for', () => {
		const chart = inKey(CHARTS.ladder, 0);
		const lines = [
			planned(requestFor(chart, 'arpeggio', 5), { ...STEADY, spice: 1 }),
			planned(requestFor(chart, 'nearest', 5), { ...STEADY, spice: 1, scalePlan: 'arpeggio' })
		];
		for (const { line } of lines) expect(line.notes.every((note) => note.role !== null)).toBe(true);
	});

	it('follows a wish for direction', () => {
		const rising = (direction?: 'up' | 'down') => {
			const { line } = planned(requestFor(inKey(CHARTS.major, 0), 'nearest', 7), {
				...STEADY,
				direction
			});
			return line.notes.filter((note, i) => i > 0 && note.midi > line.notes[i - 1].midi).length;
		};
		expect(rising('up')).toBeGreaterThan(rising());
		expect(rising('down')).toBeLessThan(rising());
	});

	it('offers every way to arrive, and takes the one that the player wants', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'nearest', 6);
		const { line } = planned(request);
		const options = line.options();
		expect(options).toHaveLength(13);
		options.forEach((ways, i) => {
			expect(ways.length).toBeGreaterThanOrEqual(3);
			expect(ways[0].extra).toBe(0);
			expect(ways.some((way) => way.approach === line.arrivals[i])).toBe(true);
		});
		for (const { approach, notes } of options[2]) {
			const arrive = [{ change: 2, approach }];
			const wished = planned(request, { ...STEADY, arrive }).line;
			expect(wished.arrivals[2]).toBe(approach);
			const before = wished.notes.filter((note) => note.tick < 3840).slice(-notes.length);
			expect(before.map((note) => [note.string, note.fret, note.name])).toEqual(
				notes.map((note) => [note.string, note.fret, note.name])
			);
		}
	});

	it('names the notes of every way to arrive by their chord, their scale or the key', () => {
		for (const [text, position] of [
			[CHARTS.minor, 2],
			[CHARTS.ladder, 4]
		] as const) {
			const request = requestFor(inKey(text, 0), 'nearest', position);
			const { line } = planned(request);
			let compared = 0;
			line.options().forEach((ways, change) => {
				for (const { approach, notes } of ways) {
					const { line: wished } = planned(request, { ...STEADY, arrive: [{ change, approach }] });
					const target = change === 0 ? Infinity : request.chart.changes[change].tick;
					const before = wished.notes.filter((note) => note.tick < target).slice(-notes.length);
					for (const [i, note] of notes.entries()) {
						if (before[i]?.midi !== note.midi) continue;
						expect(note.name, `${approach} ${change}`).toBe(before[i].name);
						compared++;
					}
				}
			});
			expect(compared).toBeGreaterThan(15);
		}
	});

	it('takes up in the third bar of four what the first one played', () => {
		const chart = parseChart('key: C\n| Dm7 | G7 | Dm7 | G7 |');
		const { line } = planned(requestFor(chart, 'nearest', 5));
		const contour = (bar: number) => {
			const inside = line.notes.filter((note) => Math.floor(note.tick / 1920) === bar);
			return inside.slice(1, 6).map((note, i) => Math.sign(note.midi - inside[i].midi));
		};
		expect(contour(2)).toEqual(contour(0));
	});

	it('keeps what the player has set, and plans the rest', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'nearest', 6);
		const own = [
			{ tick: 2160, durationTicks: 120, string: 1, fret: 14 },
			{ tick: 2400, durationTicks: 960, string: 5, fret: 6, finger: 3 }
		];
		const frozen = [{ from: 1921, to: 3840, notes: own }];
		const { line } = planned(request, { ...STEADY, frozen });
		const inside = line.notes.filter((note) => note.tick > 1920 && note.tick < 3840);
		expect(inside).toMatchObject(own);
		// The first lies far outside the place: no finger is told there.
		expect(inside.map((note) => note.finger)).toEqual([null, 3]);
		const free = planned(request).line.notes.filter((note) => note.tick >= 5760);
		expect(shape(line.notes.filter((note) => note.tick >= 5760)).length).toBe(free.length);
	});

	it('keeps the player’s own fingers where the note is still played', () => {
		const request = requestFor(inKey(CHARTS.blues, 0), 'nearest', 6);
		const { tick, string, fret } = planned(request).line.notes[3];
		const fingers = [
			{ tick, string, fret, finger: 4 },
			{ tick: 480, string: 1, fret: 22, finger: 2 }
		];
		const { line } = planned(request, { ...STEADY, fingers });
		expect(line.notes.find((note) => note.tick === tick)?.finger).toBe(4);
	});

	it('warns of locks too far apart for the way between them, and of ways without room', () => {
		const chart = parseChart('key: C\n| Dm7 G7 C A7 | Dm7 |');
		const request = requestFor(chart, 'nearest', 5);
		const locks = [
			{ change: 0, string: 6, fret: 5 },
			{ change: 1, string: 1, fret: 7 }
		];
		const locked = planned({ ...request, locks }, steadyOn('quarter'));
		// A2 to B4 with no note between.
		const messages = locked.line.warnings.map((warning) => warning.message);
		expect(locked.line.warnings[0].change).toBe(1);
		expect(messages.join(' ')).toMatch(/26 semitones apart with room for no notes/);
		expect(messages.join(' ')).toMatch(/No room for a note before [A-G]\S* in bar 1 and 3 more/);
	});
});

import { NO_LINE, NO_ANCHORS } from '$lib/api/route-schema';
import { changeIndexAt, parseChart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { pitchAt, standardGuitar } from '$core/neck';
import { scalesAlong } from '$core/route';
import { runRoute } from '$lib/api/route';
import { describe, expect, it } from 'vitest';
import {
	addNote,
	editNotes,
	freePlaceAfter,
	movePitch,
	moveTime,
	nextPitch,
	placeFor,
	removeNotes,
	setPlace,
	type EditContext
} from './line-edit';
import { wayNotes, wayOf } from './ways';

const text = 'key: Bb blues\n| Bb7 | Eb7 | Bb7 | F7 |';
const chart = parseChart(text);
const made = runRoute({
	chart: text,
	instrument: undefined,
	route: {
		position: 6,
		style: 'nearest',
		line: { ...NO_LINE, grid: 'eighth' },
		anchors: NO_ANCHORS
	}
});
if ('error' in made) throw new Error('no plan');
const context: EditContext = {
	chart,
	instrument: standardGuitar(),
	position: 6,
	scales: scalesAlong(chart, scaleInUse(chart).scale, 'one'),
	line: made.value.notes,
	grid: 240
};
const note = (tick: number) => {
	const found = context.line.find((entry) => entry.tick === tick);
	if (!found) throw new Error(`no note at ${tick}`);
	return found;
};

describe('edits of a line', () => {
	it('touch one way and leave its other notes as they are', () => {
		const [[change, notes]] = movePitch(context, new Set([2400]), 1, 'semitone');
		expect(change).toBe(1);
		expect(notes).toHaveLength(7);
		for (const { offset, string, fret } of notes) {
			const before = note(1920 + offset);
			const pitch = pitchAt(context.instrument, { string, fret });
			expect(pitch - before.midi).toBe(offset === 480 ? 1 : 0);
		}
	});

	it('step through the scale and the chord', () => {
		const start = { ...note(240), midi: 63, chord: 0 };
		// Over B♭7 in B♭ minor pentatonic: E♭ F A♭ B♭ up, D D♭ B♭ down.
		const walk = (direction: 1 | -1) => {
			const pitches: number[] = [];
			let at = start;
			for (let i = 0; i < 3; i++) {
				at = { ...at, midi: nextPitch(context, at, direction, 'step') };
				pitches.push(at.midi);
			}
			return pitches;
		};
		expect(walk(1)).toEqual([65, 68, 70]);
		expect(walk(-1)).toEqual([62, 61, 58]);
		expect(nextPitch(context, start, 1, 'semitone')).toBe(64);
	});

	it('find a place in the window, on the same string first, else anywhere', () => {
		expect(placeFor(context, 62, { string: 3, fret: 6 })).toEqual({ string: 3, fret: 7 });
		expect(placeFor(context, 62, { string: 5, fret: 6 })).toEqual({ string: 3, fret: 7 });
		expect(placeFor(context, 80, { string: 1, fret: 10 })).toEqual({ string: 1, fret: 16 });
		expect(placeFor(context, 20, { string: 1, fret: 10 })).toBeNull();
	});

	it('move in time by the grid, never onto another note, a landing, or out of the way', () => {
		const thin = { ...context, line: context.line.filter((n) => ![2400, 2640].includes(n.tick)) };
		const moved = moveTime(thin, new Set([2160]), 1);
		expect([...moved.ticks]).toEqual([2400]);
		expect(moved.ways[0][1].map((n) => n.offset)).toContain(480);
		expect([...moveTime(thin, new Set([2160]), -1).ticks]).toEqual([2160]);
		expect([...moveTime(thin, new Set([2880]), 1).ticks]).toEqual([2880]);
		expect([...moveTime(thin, new Set([1920]), 1).ticks]).toEqual([1920]);
	});

	it('take out, add and place notes, shortening what rings into them', () => {
		const [[, fewer]] = removeNotes(context, new Set([2160, 2400]));
		expect(fewer.map((n) => n.offset)).toEqual([720, 960, 1200, 1440, 1680]);
		const thin = { ...context, line: context.line.filter((n) => n.tick !== 2400) };
		expect(freePlaceAfter(thin, 2160)).toBe(2400);
		expect(freePlaceAfter(context, 2160)).toBeNull();
		const [[, more]] = addNote(thin, { tick: 2400, string: 1, fret: 8 });
		expect(more.find((n) => n.offset === 480)).toMatchObject({
			string: 1,
			fret: 8,
			durationTicks: 240
		});
		const [[, placed]] = setPlace(context, 2400, { string: 1, fret: 9 });
		expect(placed.find((n) => n.offset === 480)).toMatchObject({ string: 1, fret: 9 });
	});

	it('a moved landing becomes the first note of its way', () => {
		const [[change, notes]] = movePitch(context, new Set([1920]), 1, 'semitone');
		expect(change).toBe(1);
		expect(notes[0].offset).toBe(0);
		expect(editNotes(context, new Set([0, 1920]), (n) => n)).toHaveLength(2);
	});
});

describe('ways', () => {
	it('go from change to change', () => {
		expect(wayOf(chart, 1)).toEqual({ from: 1920, to: 3840 });
		expect(wayOf(chart, 3)).toEqual({ from: 5760, to: 7680 });
		expect([0, 1919, 1920, 7000].map((tick) => changeIndexAt(chart, tick))).toEqual([0, 0, 1, 3]);
		expect(wayNotes(chart, context.line, 1)).toHaveLength(7);
	});
});

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
	setPlaying,
	type EditContext
} from './line-edit';
import { noteKey, tickOfKey } from './note-key';
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

/** The keys of the notes at some moments, and the moments of keys. */
const keys = (...at: number[]) =>
	new Set(context.line.filter(({ tick }) => at.includes(tick)).map(noteKey));
const ticks = (moved: { readonly keys: ReadonlySet<number> }) => [...moved.keys].map(tickOfKey);

describe('edits of a line', () => {
	it('touch one way and leave its other notes as they are', () => {
		const [[change, notes]] = movePitch(context, keys(2400), 1, 'semitone');
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
		const moved = moveTime(thin, keys(2160), 1);
		expect(ticks(moved)).toEqual([2400]);
		expect(moved.ways[0][1].map((n) => n.offset)).toContain(480);
		expect(ticks(moveTime(thin, keys(2160), -1))).toEqual([2160]);
		expect(ticks(moveTime(thin, keys(2880), 1))).toEqual([2880]);
		expect(ticks(moveTime(thin, keys(1920), 1))).toEqual([1920]);
	});

	it('take out, add and place notes, shortening what rings into them', () => {
		const [[, fewer]] = removeNotes(context, keys(2160, 2400));
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
		const [[, placed]] = setPlace(context, [...keys(2400)][0], { string: 1, fret: 9 });
		expect(placed.find((n) => n.offset === 480)).toMatchObject({ string: 1, fret: 9 });
	});

	it('leave the other notes of a moment, their lengths and how all are played', () => {
		const played = context.line.map((entry) =>
			entry.tick === 2160 ? { ...entry, technique: 'hammer-on' as const, bend: 2 } : entry
		);
		const low = { ...note(2160), string: 6, fret: 6, midi: 46, durationTicks: 960 };
		const both = { ...context, line: [...played, low].sort((a, b) => a.tick - b.tick) };
		const [[, lifted]] = movePitch(both, new Set([noteKey(low)]), 1, 'semitone');
		const at = lifted.filter(({ offset }) => offset === 240);
		expect(at).toHaveLength(2);
		expect(at.find(({ string }) => string === 6)).toMatchObject({ fret: 7, durationTicks: 960 });
		expect(at.find(({ string }) => string !== 6)).toMatchObject({
			technique: 'hammer-on',
			bend: 2
		});
		const [[, joined]] = addNote(context, { tick: 2160, string: 6, fret: 8 }, true);
		expect(joined.filter(({ offset }) => offset === 240)).toHaveLength(2);
		const [[, alone]] = addNote(context, { tick: 2160, string: 6, fret: 8 });
		expect(alone.filter(({ offset }) => offset === 240)).toHaveLength(1);
		const [[, bent]] = setPlaying(both, new Set([noteKey(low)]), (entry) => ({
			...entry,
			also: ['palm-mute']
		}));
		expect(bent.find(({ string }) => string === 6)).toMatchObject({ also: ['palm-mute'] });
	});

	it('keep an own landing with its way', () => {
		const own = { ...context, owns: (tick: number) => tick === 1920 };
		const [[, notes]] = movePitch(own, keys(2400), 1, 'semitone');
		expect(notes.map(({ offset }) => offset)).toContain(0);
	});

	it('a moved landing becomes the first note of its way', () => {
		const [[change, notes]] = movePitch(context, keys(1920), 1, 'semitone');
		expect(change).toBe(1);
		expect(notes[0].offset).toBe(0);
		expect(editNotes(context, keys(0, 1920), (n) => n)).toHaveLength(2);
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

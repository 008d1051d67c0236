import { QUARTER } from '../kernel';
import { chartTicks, eventAt } from '../chart';
import { toneAt, type Chord } from '../chord';
import { buildScale, chordAfter, keyOf, nameOver, type Scale } from '../harmony';
import { contourOf } from './contour';
import { layOut, type Group, type Sketch } from './lay-out';
import type { Motif, Phrase, PhraseContext } from './types';

/** How long a motif is until it can begin again, on a beat, in ticks. */
function lengthOf(motif: Motif): number {
	const first = motif.notes[0]?.offsetTicks ?? 0;
	const last = motif.notes[motif.notes.length - 1];
	const span = last ? last.offsetTicks + last.durationTicks - first : 0;
	return Math.max(1, Math.ceil(span / QUARTER)) * QUARTER;
}

/** A pitch moved by steps of a scale; one outside the scale keeps its distance to the note below it. */
export function moveByScale(midi: number, steps: number, scale: Scale): number {
	const classes = scale.notes.map((note) => note.pc).sort((a, b) => a - b);
	const pc = ((midi % 12) + 12) % 12;
	const below = classes.findLastIndex((other) => other <= pc);
	const index = below >= 0 ? below : classes.length - 1;
	const base = below >= 0 ? midi - (pc - classes[index]!) : midi - (pc + 12 - classes[index]!);
	const goal = index + steps;
	const octave = Math.floor(goal / classes.length);
	const at = ((goal % classes.length) + classes.length) % classes.length;
	return base + (classes[at]! - classes[index]!) + 12 * octave + (midi - base);
}

const EVEN = ['half-whole diminished', 'whole-half diminished', 'whole tone'];

/** The scale that notes moved by one interval are found in, which names them: the one in use, else an even one on the root. */
function evenScale(chord: Chord, inUse: Scale | null, pitches: readonly number[]): Scale | null {
	const holds = (scale: Scale) =>
		pitches.every(
			(pitch) =>
				toneAt(chord, ((pitch % 12) + 12) % 12) ||
				scale.notes.some(({ pc }) => pc === ((pitch % 12) + 12) % 12)
		);
	const scales = [inUse, ...EVEN.map((name) => buildScale(chord.root, name))];
	return scales.find((scale) => scale !== null && holds(scale)) ?? null;
}

/** How each time moves: the pitches of the first time, and the time's number from 0. */
type Move = (pitches: readonly number[], time: number) => number[];

/** A motif so many times in a row from a change on, each time moved. */
function again(
	motif: Motif,
	context: PhraseContext,
	times: number,
	move: Move,
	change: number,
	evenly = false
): Phrase {
	const { chart, scales, instrument, handAt } = context;
	const start = chart.changes[change]!;
	if (!start || motif.notes.length === 0) return { notes: [], problems: [] };
	const key = keyOf(chart);
	const total = chartTicks(chart);
	const length = lengthOf(motif);
	const event = start.to;
	const scale = scales[event.index] ?? null;
	const contour = contourOf(motif, event.chord, scale, chordAfter(chart, event.index));
	const position = handAt(change);
	/** The first time is laid where the hand holds it best; all others are moved from there. */
	const firstGroup: Group = {
		notes: contour.rise.map((rise, i) => sketch(i, rise, 0)),
		first: contour.first,
		position,
		wished: null,
		exact: false
	};
	function sketch(i: number, rise: number, time: number, name = contour.names[i]!): Sketch {
		const note = motif.notes[i]!;
		const tick = start.tick + note.offsetTicks + time * length;
		const sounding = eventAt(chart, tick % total);
		return {
			tick,
			durationTicks: note.durationTicks,
			rise,
			name,
			chord: sounding?.chord ?? null,
			event: sounding?.index ?? event.index,
			lands: chart.changes.some((other) => other.tick === tick % total)
		};
	}
	const base = layOut(instrument, [firstGroup]).notes[0]?.midi ?? 60;
	const original = contour.rise.map((rise) => base + rise);
	const all = Array.from({ length: times }, (_, time) => move(original, time)).flat();
	const found = evenly ? evenScale(event.chord, scale, all) : null;
	const groups = Array.from({ length: times }, (_, time): Group => {
		const pitches = time === 0 ? original : move(original, time);
		const notes = pitches.map((pitch, i) => {
			const at = sketch(i, pitch - pitches[0]!, time);
			if (time === 0 && !found) return at;
			const over = found ?? scales[at.event] ?? scale;
			const by = { chord: at.chord, scale: over, key };
			return { ...at, name: nameOver(pitch, by, pitches[i + 1] ?? null) };
		});
		const first = ((pitches[0]! % 12) + 12) % 12;
		return { notes, first, position, wished: pitches[0]!, exact: time > 0 };
	});
	const { notes, problems } = layOut(instrument, groups);
	const past = notes.findIndex((note) => note.tick >= total);
	const over =
		past < 0
			? []
			: [{ index: past, message: 'The chart is over here; the rest goes on over its beginning.' }];
	return { notes, problems: [...problems, ...over].sort((a, b) => a.index - b.index) };
}

/**
 * A motif moved through the scale in use: by one step, by thirds (2), down (−1) …
 * @param times how often it is played in all
 */
export const sequence = (
	motif: Motif,
	context: PhraseContext,
	by: number,
	times: number,
	change = 0
): Phrase => {
	const event = context.chart.changes[change]?.to.index ?? 0;
	const scale = context.scales[event] ?? null;
	return again(
		motif,
		context,
		times,
		(pitches, time) =>
			pitches.map((pitch) =>
				scale ? moveByScale(pitch, by * time, scale) : pitch + 2 * by * time
			),
		change
	);
};

/**
 * A motif moved by the same interval again and again: every tritone, minor third, whole tone.
 * @param times how often it is played in all
 */
export const symmetric = (
	motif: Motif,
	context: PhraseContext,
	bySemitones: number,
	times: number,
	change = 0
): Phrase =>
	again(
		motif,
		context,
		times,
		(pitches, time) => pitches.map((pitch) => pitch + bySemitones * time),
		change,
		true
	);

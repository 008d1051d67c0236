import { samePlace, highestFret, pitchAt, type Instrument } from '../instrument';
import type { Chord } from '../../chord';
import { buildScale, scaleChoices, type ChoiceContext, type Scale } from '../../harmony';
import { degreeOver, mod, pitchClass } from '../../pitch';
import { fingersHold } from '../fingers';
import { lastPosition, windowPlaces, type WindowPlace } from '../window';
import { scaleNoteAt, toPosition, type Position } from './types';

/** Strings that a pocket stays on. */
const TOP_STRINGS = 3;

/**
 * Scale steps above a root that a pocket starts with, the favourite first; it grows downward first, the
 * seventh, then the sixth, upward where the hand ends.
 */
const STARTS: readonly (readonly [number, number])[] = [
	[0, 2],
	[-1, 1],
	[-2, 0]
];
const LARGEST = 5;
/** How far it grows below and above the root. */
const GROWN: readonly [number, number] = [-2, 3];

/** Degrees of the five notes that a scale rests on, and in what order the others come to them. */
const RESTS: readonly { readonly degrees: readonly string[]; readonly later: readonly string[] }[] =
	[
		{ degrees: ['1', '2', '3', '5', '6'], later: ['b7', '7', '4', '#4'] },
		{ degrees: ['1', '2', '3', '5', 'b7'], later: ['6', 'b6', '4', '#4'] },
		{ degrees: ['1', 'b3', '4', '5', 'b7'], later: ['2', '6', 'b6', 'b2'] },
		{ degrees: ['1', '2', 'b3', '5', '6'], later: ['7', '4'] },
		{ degrees: ['1', 'b3', '4', 'b5', 'b7'], later: ['b6', '2', 'b2'] }
	];

/** Five notes of a scale, degrees from its tonic; and the rest of it, note by note. */
function restOf(scale: Scale): { five: readonly ScaleNote[]; later: readonly ScaleNote[] } | null {
	for (const { degrees, later } of RESTS) {
		const find = (wanted: readonly string[]) =>
			wanted.flatMap((degree) => scale.notes.find((note) => note.degree === degree) ?? []);
		const five = find(degrees);
		if (five.length === degrees.length) return { five, later: find(later) };
	}
	return null;
}

type ScaleNote = Scale['notes'][number];

/** Scales whose pockets players know, the plainest first. */
const PLAIN = ['major pentatonic', 'mixolydian', 'major', 'minor pentatonic', 'dorian', 'locrian'];

/**
 * The scale that a chord's pockets are made of, counted from its root: the scale in use where it holds the
 * chord's tones, else the plainest that does.
 */
export function pocketScale(chord: Chord, inUse: Scale, context: ChoiceContext = {}): Scale {
	const holds = ({ notes }: Scale) =>
		chord.tones.every((tone) => !tone.essential || notes.some(({ pc }) => pc === tone.pc));
	const plain = () => PLAIN.flatMap((name) => buildScale(chord.root, name) ?? []).find(holds);
	const scale = holds(inUse)
		? inUse
		: (plain() ?? scaleChoices(chord, inUse, context)[0]?.scale ?? inUse);
	const at = scale.notes.findIndex(({ pc }) => pc === pitchClass(chord.root));
	if (at < 0) return scale;
	const notes = [...scale.notes.slice(at), ...scale.notes.slice(0, at)];
	return {
		...{ tonic: notes[0]!.note, name: scale.name },
		notes: notes.map((note) => ({ ...note, degree: degreeOver(notes[0]!.note, note.note) }))
	};
}

/** Pitches of some notes from a number of steps below a root to a number above it; the root is step 0. */
function stepsRound(notes: readonly ScaleNote[], root: number, [low, high]: Span): number[] {
	const isNote = (midi: number) => notes.some(({ pc }) => pc === mod(midi, 12));
	const walk = (count: number, by: 1 | -1): number[] => {
		const found: number[] = [];
		for (let pitch = root + by; found.length < count; pitch += by) {
			if (isNote(pitch)) found.push(pitch);
		}
		return found;
	};
	return [...walk(-low, -1).reverse(), root, ...walk(high, 1)];
}

type Span = readonly [number, number];

/** Sets of notes round the root, each a few notes wider: five notes from three below to one above, then the rest. */
function aroundRoot(scale: Scale, root: number): number[][] {
	const rest = restOf(scale);
	if (!rest) return [];
	const { five, later } = rest;
	const sets = AROUND.map((span) => stepsRound(five, root, span));
	const widest = sets[sets.length - 1]!;
	const grown = [...widest];
	for (const note of later.slice(0, 2)) {
		const [low, high] = [widest[0]!, widest[widest.length - 1]!];
		for (let midi = low + 1; midi < high; midi++) {
			if (mod(midi, 12) === note.pc) grown.push(midi);
		}
		sets.push([...grown].sort((a, b) => a - b));
	}
	return sets.filter((set, i) => i === 0 || set.length > sets[i - 1]!.length);
}

/** Steps of the five notes below the root and above it, the smallest pocket first. */
const AROUND: readonly Span[] = [
	[-1, 1],
	[-2, 1],
	[-3, 1]
];
/** The most notes of a pocket. */
const MOST = 7;

type Hold = { readonly position: number; readonly places: readonly WindowPlace[] };

/** How far the first finger lies from the lowest fret that is played. */
const offIndex = ({ position, places }: Hold): number =>
	Math.abs(position - Math.min(...places.map(({ fret }) => fret)));

/** The hand that holds all the pitches with the fewest reaches and no finger jumping; null without one. */
function holdOf(
	windows: readonly Hold[],
	pitches: readonly number[],
	root: { readonly string: number; readonly fret: number }
): Hold | null {
	const holds = windows.flatMap(({ position, places }): (Hold & { reaches: number })[] => {
		const chosen = pitches.map((midi) =>
			places
				.filter((place) => place.midi === midi && place.string <= TOP_STRINGS)
				.sort(
					(a, b) =>
						Number(samePlace(b, root)) - Number(samePlace(a, root)) ||
						Number(a.reach) - Number(b.reach) ||
						b.string - a.string
				)
				.at(0)
		);
		const found = chosen.filter((place) => place !== undefined);
		const holdsRoot = found.some((p) => samePlace(p, root));
		if (found.length < pitches.length || !holdsRoot || !fingersHold(found)) return [];
		return [{ position, places: found, reaches: found.filter((place) => place.reach).length }];
	});
	return (
		holds
			.sort((a, b) => a.reaches - b.reaches || offIndex(a) - offIndex(b) || a.position - b.position)
			.at(0) ?? null
	);
}

function pocketsAt(
	instrument: Instrument,
	scale: Scale,
	windows: readonly Hold[],
	root: { readonly string: number; readonly fret: number }
): Position[] {
	const midi = pitchAt(instrument, root);
	const hold = (pitches: readonly number[]) => holdOf(windows, pitches, root);
	const held: Hold[] = [];
	let span = STARTS.find((start) => hold(stepsRound(scale.notes, midi, start)) !== null);
	while (span) {
		const [low, high]: Span = span;
		const here = hold(stepsRound(scale.notes, midi, span));
		if (!here) break;
		held.push(here);
		if (high - low + 1 >= LARGEST) break;
		const grown: Span[] = [
			[low - 1, high],
			[low, high + 1]
		];
		span = grown.find(
			(wider) =>
				wider[0] >= GROWN[0] &&
				wider[1] <= GROWN[1] &&
				hold(stepsRound(scale.notes, midi, wider)) !== null
		);
	}
	for (const pitches of aroundRoot(scale, midi)) {
		const here = pitches.length <= MOST ? hold(pitches) : null;
		if (!here) break;
		held.push(here);
	}
	const seen = new Set<string>();
	return held.flatMap(({ position, places }) => {
		const key = places.map(({ string, fret }) => `${string}-${fret}`).join('.');
		if (seen.has(key)) return [];
		seen.add(key);
		const notes = places.flatMap(({ string, fret, midi: pitch, finger, reach }) => {
			const note = scaleNoteAt(scale, pitch);
			return note
				? [{ string, fret, midi: pitch, name: note.name, degree: note.degree, finger, reach }]
				: [];
		});
		const below = notes.filter((note) => note.midi < midi).length;
		const id = `${root.string}-${root.fret}-${notes.length}${below > 0 ? `-${below}` : ''}`;
		return [toPosition('pocket', id, position, notes)];
	});
}

/**
 * Pockets: three to seven notes round each root on the thin strings, in one place of the hand. They move
 * with each chord's root and grow note by note: the two scale notes above the root, then the seventh and the
 * sixth below it; and on both sides of the root the five notes that the scale rests on, then those between
 * them, as far as the fingers hold.
 */
export function pockets(instrument: Instrument, scale: Scale): Position[] {
	const windows = Array.from({ length: lastPosition(instrument) }, (_, i) => ({
		position: i + 1,
		places: windowPlaces(instrument, i + 1)
	}));
	const found: Position[] = [];
	for (let string = 1; string <= Math.min(TOP_STRINGS, instrument.open.length); string++) {
		for (let fret = 0; fret <= highestFret(instrument); fret++) {
			const root = { string, fret };
			if (pitchAt(instrument, root) % 12 !== scale.notes[0]!.pc) continue;
			found.push(...pocketsAt(instrument, scale, windows, root));
		}
	}
	return found;
}

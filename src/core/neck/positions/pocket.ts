import type { Scale } from '../../harmony';
import { fingersHold } from '../fingers';
import { highestFret, pitchAt, type Instrument } from '../instrument';
import { lastPosition, windowPlaces, type WindowPlace } from '../window';
import { scaleNoteAt, toPosition, type Position } from './types';

/** Strings that a pocket stays on. */
const TOP_STRINGS = 3;

/** Scale steps round the root that a pocket starts with, the favourite first; 0 is the root. */
const STARTS: readonly (readonly [number, number])[] = [
	[0, 2],
	[-1, 1],
	[-2, 0]
];
const LARGEST = 5;

/** Scale pitches from two steps below a root to four above it, by step. */
function stepsRound(scale: Scale, root: number): (step: number) => number {
	const pitches = new Map([[0, root]]);
	for (const by of [1, -1] as const) {
		let pitch = root;
		for (let step = 1; step <= LARGEST - 1; step++) {
			do pitch += by;
			while (!scaleNoteAt(scale, pitch));
			pitches.set(by * step, pitch);
		}
	}
	return (step) => pitches.get(step) ?? root;
}

type Hold = { readonly position: number; readonly places: readonly WindowPlace[] };

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
						Number(b.string === root.string && b.fret === root.fret) -
							Number(a.string === root.string && a.fret === root.fret) ||
						Number(a.reach) - Number(b.reach) ||
						b.string - a.string
				)
				.at(0)
		);
		const found = chosen.filter((place) => place !== undefined);
		const holdsRoot = found.some((p) => p.string === root.string && p.fret === root.fret);
		if (found.length < pitches.length || !holdsRoot || !fingersHold(found)) return [];
		return [{ position, places: found, reaches: found.filter((place) => place.reach).length }];
	});
	return holds.sort((a, b) => a.reaches - b.reaches || a.position - b.position).at(0) ?? null;
}

function pocketsAt(
	instrument: Instrument,
	scale: Scale,
	windows: readonly Hold[],
	root: { readonly string: number; readonly fret: number }
): Position[] {
	const pitchOf = stepsRound(scale, pitchAt(instrument, root));
	const hold = ([low, high]: readonly [number, number]) => {
		const pitches = Array.from({ length: high - low + 1 }, (_, i) => pitchOf(low + i));
		return holdOf(windows, pitches, root);
	};
	let span = STARTS.find((start) => hold(start) !== null);
	const found: Position[] = [];
	while (span) {
		const here = hold(span);
		if (!here) break;
		const notes = here.places.flatMap((place) => {
			const note = scaleNoteAt(scale, place.midi);
			const { string, fret, midi, finger, reach } = place;
			return note
				? [{ string, fret, midi, name: note.name, degree: note.degree, finger, reach }]
				: [];
		});
		const id = `${root.string}-${root.fret}-${notes.length}`;
		found.push(toPosition('pocket', id, here.position, notes));
		if (notes.length >= LARGEST) break;
		// It grows downward first: the seventh, then the sixth; upward where the hand ends.
		const [low, high]: readonly [number, number] = span;
		const grown: (readonly [number, number])[] = [
			[low - 1, high],
			[low, high + 1]
		];
		span = grown.find((wider) => wider[0] >= -2 && wider[1] <= 3 && hold(wider) !== null);
	}
	return found;
}

/**
 * Pockets: three, four and five notes round each root on the top strings, in one place of the hand.
 * They move with each chord's root and grow note by note: first the two scale notes above the root,
 * then the seventh, then the sixth below it, as far as the fingers hold.
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
			if (pitchAt(instrument, root) % 12 !== scale.notes[0].pc) continue;
			found.push(...pocketsAt(instrument, scale, windows, root));
		}
	}
	return found;
}

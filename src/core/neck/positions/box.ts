import type { Scale } from '../../harmony';
import { mod } from '../../pitch';
import { lastPosition, windowPlaces, type WindowPlace } from '../window';
import type { Instrument } from '../instrument';
import { scaleNoteAt, toPosition, type Position } from './types';

/** Scale places of a window grouped by pitch, ascending. */
function byPitch(instrument: Instrument, scale: Scale, position: number): WindowPlace[][] {
	const groups = new Map<number, WindowPlace[]>();
	for (const place of windowPlaces(instrument, position)) {
		if (!scaleNoteAt(scale, place.midi)) continue;
		const group = groups.get(place.midi) ?? [];
		group.push(place);
		groups.set(place.midi, group);
	}
	return [...groups.entries()].sort(([a], [b]) => a - b).map(([, places]) => places);
}

/** How many scale pitches of a window lie only in reach of the outer fingers. */
export const reachesAt = (instrument: Instrument, scale: Scale, position: number): number =>
	byPitch(instrument, scale, position).filter((places) => places.every((place) => place.reach))
		.length;

/**
 * What a place costs: a reach much, going back to a thicker string some, leaving a string a little.
 * The index finger reaches back more readily than the little finger reaches on.
 */
const REACH = 100;
const REACH_ON = 104;
const BACK = 12;
const CROSS = 1;

/** One place per pitch: under a finger before a reach, then the way that keeps the hand still. */
function choosePlaces(groups: readonly WindowPlace[][], position: number): WindowPlace[] {
	let costs: number[] = [];
	const back: number[][] = [];
	groups.forEach((places, i) => {
		const before = groups[i - 1];
		const from: number[] = [];
		costs = places.map((place, p) => {
			const own = !place.reach ? 0 : place.fret < position ? REACH : REACH_ON;
			if (!before) return own;
			let best = Infinity;
			before.forEach((other, q) => {
				const toward = place.string - other.string;
				const cost = costs[q]! + own + (toward > 0 ? BACK * toward : -CROSS * toward);
				if (cost < best) [best, from[p]] = [cost, q];
			});
			return best;
		});
		back.push(from);
	});
	let at = costs.indexOf(Math.min(...costs));
	const chosen: WindowPlace[] = [];
	for (let i = groups.length - 1; i >= 0; i--) {
		chosen.unshift(groups[i]![at]!);
		at = back[i]![at]!;
	}
	return chosen;
}

/**
 * The box of a scale in one window: every pitch under the fingers, and every pitch between the lowest
 * and the highest of those that the window reaches, once each.
 * @returns null when no scale note lies under the fingers.
 */
export function boxAt(instrument: Instrument, scale: Scale, position: number): Position | null {
	const groups = byPitch(instrument, scale, position);
	const underFinger = (places: readonly WindowPlace[]) => places.some((place) => !place.reach);
	const first = groups.findIndex(underFinger);
	const last = groups.findLastIndex(underFinger);
	if (first < 0) return null;
	const notes = choosePlaces(groups.slice(first, last + 1), position).flatMap((place) => {
		const note = scaleNoteAt(scale, place.midi);
		if (!note) return [];
		const { string, fret, midi, finger, reach } = place;
		return [{ string, fret, midi, name: note.name, degree: note.degree, finger, reach }];
	});
	return toPosition('box', String(position), position, notes);
}

/**
 * Reaches in every place of one octave of a neck without an end, by position modulo 12. On a real neck open
 * strings and the last frets count otherwise; a layout is the same in every octave all the same.
 */
function octaveReaches(instrument: Instrument, scale: Scale): readonly number[] {
	let endless = endlessNecks.get(instrument);
	if (!endless) {
		endless = { ...instrument, frets: instrument.capo + 2 * OCTAVE + HAND };
		endlessNecks.set(instrument, endless);
	}
	const neck = endless;
	return Array.from({ length: OCTAVE }, (_, i) => reachesAt(neck, scale, OCTAVE + i));
}

const [OCTAVE, HAND] = [12, 5];
const endlessNecks = new WeakMap<Instrument, Instrument>();

/** Indices where a ring of numbers is a local minimum; a plateau gives `prefer` where it holds it, else its first. */
function ringMinima(values: readonly number[], prefer: readonly number[]): number[] {
	const at = (i: number) => values[mod(i, values.length)]!;
	const found: number[] = [];
	for (let start = 0; start < values.length; start++) {
		if (at(start - 1) === at(start)) continue;
		let end = start;
		while (at(end + 1) === at(start)) end++;
		if (at(start - 1) < at(start) || at(end + 1) < at(start)) continue;
		const plateau = Array.from({ length: end - start + 1 }, (_, i) =>
			mod(start + i, values.length)
		);
		found.push(plateau.find((i) => prefer.includes(i)) ?? plateau[0]!);
	}
	return found;
}

/**
 * Positions modulo 12 of the boxes: where the reaches are locally fewest; and, where none of them has it so,
 * the one that has the tonic on the thickest string under the first finger or the second, whichever asks for
 * fewer reaches.
 */
function boxRing(instrument: Instrument, scale: Scale): ReadonlySet<number> {
	const reaches = octaveReaches(instrument, scale);
	const thickest = instrument.open[instrument.open.length - 1]! + instrument.capo;
	const first = mod(scale.notes[0]!.pc - thickest, OCTAVE);
	const second = mod(first - 1, OCTAVE);
	const home = reaches[first]! <= reaches[second]! ? first : second;
	const ring = new Set(ringMinima(reaches, [home]));
	if (!ring.has(first) && !ring.has(second)) ring.add(home);
	return ring;
}

/**
 * The boxes of a scale: the positions with the locally fewest reaches, counted over the whole window, and
 * the one on the tonic; each in every octave that the neck holds, and the open place where its strings spare
 * reaches. For minor pentatonic in standard tuning these are the five familiar ones in every octave.
 */
export function boxes(instrument: Instrument, scale: Scale): Position[] {
	const ring = boxRing(instrument, scale);
	const last = lastPosition(instrument);
	const isOpen = last > 1 && reachesAt(instrument, scale, 1) < reachesAt(instrument, scale, 2);
	const positions = Array.from({ length: last }, (_, i) => i + 1).filter(
		(position) => ring.has(position % OCTAVE) || (position === 1 && isOpen)
	);
	return positions.flatMap((position) => boxAt(instrument, scale, position) ?? []);
}

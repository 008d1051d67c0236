import type { Scale } from '../../harmony';
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
				const cost = costs[q] + own + (toward > 0 ? BACK * toward : -CROSS * toward);
				if (cost < best) [best, from[p]] = [cost, q];
			});
			return best;
		});
		back.push(from);
	});
	let at = costs.indexOf(Math.min(...costs));
	const chosen: WindowPlace[] = [];
	for (let i = groups.length - 1; i >= 0; i--) {
		chosen.unshift(groups[i][at]);
		at = back[i][at];
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

/** Indices where a row of numbers is a local minimum; a plateau gives its first. */
function localMinima(values: readonly number[]): number[] {
	const found: number[] = [];
	for (let start = 0; start < values.length;) {
		let end = start;
		while (end + 1 < values.length && values[end + 1] === values[start]) end++;
		const left = start === 0 || values[start - 1] > values[start];
		const right = end === values.length - 1 || values[end + 1] > values[start];
		if (left && right) found.push(start);
		start = end + 1;
	}
	return found;
}

/**
 * The boxes of a scale: the positions with the locally fewest reaches, counted over the whole window.
 * For minor pentatonic in standard tuning these are the five familiar ones in every octave.
 */
export function boxes(instrument: Instrument, scale: Scale): Position[] {
	const positions = Array.from({ length: lastPosition(instrument) }, (_, i) => i + 1);
	const reaches = positions.map((position) => reachesAt(instrument, scale, position));
	return localMinima(reaches).flatMap((i) => boxAt(instrument, scale, positions[i]) ?? []);
}

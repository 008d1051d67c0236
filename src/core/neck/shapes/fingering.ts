import { clamp } from '../../kernel';
import { fingerJumps, rolls, type Fingered } from '../fingers';
import type { TonePlace } from './types';

/** A place as one finger base plays it; `stretched` when an outer finger leaves its fret. */
export type Played = TonePlace & Fingered & { readonly stretched: boolean };

/** The finger for a fret counted from a base, or null when the hand does not get there. */
export function play(place: TonePlace, base: number): Played | null {
	if (place.fret === 0) return { ...place, finger: null, stretched: false };
	const finger = place.fret - base + 1;
	if (finger < 0 || finger > 5) return null;
	const stretched = finger === 0 || finger === 5;
	return { ...place, finger: clamp(finger, 1, 4), stretched };
}

/** What a note more is worth: more than all awkwardness. */
export const NOTE_WORTH = 1000;

/** What makes a way through the places awkward. */
const COST = { stretch: 60, back: 25, skip: 10, roll: 8, sameFinger: 20 } as const;

function moveCost(a: Played, b: Played): number {
	const toward = a.string - b.string;
	let cost = toward < 0 ? COST.back * -toward : Math.max(0, toward - 1) * COST.skip;
	if (rolls(a, b)) cost += COST.roll;
	else if (a.finger !== null && a.finger === b.finger && a.string !== b.string) {
		cost += COST.sameFinger;
	}
	return cost;
}

/** One pitch of an arpeggio with its places; a pitch that is not required may be left out. */
export type Layer = { readonly required: boolean; readonly places: readonly Played[] };

/** A way up through the layers. */
export type Way = { readonly notes: readonly Played[]; readonly cost: number };

type State = { place: Played; layer: number; cost: number; from: State | null };

/**
 * The best way up through the pitches of an arpeggio, exactly: all required pitches, as many others
 * as leave every finger free, then the fewest stretches and the smoothest crossing of strings.
 * @returns null when the required pitches cannot be fingered.
 */
export function bestWay(layers: readonly Layer[]): Way | null {
	const states: State[] = [];
	// Layers since the last required one: an earlier state may not be skipped past it.
	let openFrom = 0;
	let needsBefore = false;
	layers.forEach((layer, i) => {
		for (const place of layer.places) {
			const own = -NOTE_WORTH + (place.stretched ? COST.stretch : 0);
			let best: State | null = needsBefore ? null : { place, layer: i, cost: own, from: null };
			for (const before of states) {
				if (before.layer < openFrom || before.layer === i) continue;
				if (fingerJumps(before.place, place)) continue;
				const cost = before.cost + own + moveCost(before.place, place);
				if (!best || cost < best.cost) best = { place, layer: i, cost, from: before };
			}
			if (best) states.push(best);
		}
		if (layer.required) {
			openFrom = i;
			needsBefore = true;
		}
	});
	const ends = states.filter((state) => !needsBefore || state.layer >= openFrom);
	if (ends.length === 0) return null;
	let end: State | null = ends.reduce((a, b) => (b.cost < a.cost ? b : a));
	const { cost } = end;
	const notes: Played[] = [];
	for (; end; end = end.from) notes.unshift(end.place);
	return { notes, cost };
}

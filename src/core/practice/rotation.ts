import { circleOf } from '../chart';
import type { Mode } from '../chord';
import { parseNote, pitchClass } from '../pitch';

const pc = (name: string): number => {
	const note = parseNote(name);
	return note ? pitchClass(note) : -1;
};

/** The keys of a mode round the circle, from home on by fourths: home first. ASCII tonics. */
export function keysFrom(home: string, mode: Mode): string[] {
	const circle = circleOf(mode);
	const at = circle.findIndex((tonic) => pc(tonic) === pc(home));
	if (at < 0) return [home];
	const turned = [...circle.slice(at), ...circle.slice(0, at)];
	// Home is written as the tune writes it.
	return [home, ...turned.slice(1)];
}

/** The next key of the circle that was not practised yet; null when all were. */
export const nextKey = (home: string, mode: Mode, practised: readonly string[]): string | null => {
	const known = new Set(practised.map(pc));
	return keysFrom(home, mode).find((tonic) => !known.has(pc(tonic))) ?? null;
};

/** The place nearest to the last one that was not practised yet; the lower of two. Null when all were. */
export function nextPlace(
	last: number,
	places: readonly number[],
	practised: readonly number[]
): number | null {
	const open = places.filter((place) => !practised.includes(place));
	if (open.length === 0) return null;
	return open.reduce((best, place) =>
		Math.abs(place - last) < Math.abs(best - last) ? place : best
	);
}

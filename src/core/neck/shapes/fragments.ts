import { isGuideTone, type Tone } from '../../chord';
import { byPitch, fingerPitches, tonePlaces, toShape, type Frame } from './arpeggio';
import type { Shape, TonePlace } from './types';

const MOST = 8;

/** A guide tone is among them, where the chord has one. */
const tells = (frame: Frame, places: readonly { readonly tone: Tone }[]): boolean =>
	places.some(({ tone }) => isGuideTone(tone.role)) ||
	!frame.chord.tones.some((tone) => isGuideTone(tone.role));

const kinds = (places: readonly { readonly tone: Tone }[]): number =>
	new Set(places.map(({ tone }) => tone.pc)).size;

const idOf = (shape: Shape): string =>
	shape.notes.map((note) => `${note.string}-${note.fret}`).join();

/** Three neighbouring strings with one note each, ascending: the shapes that can be swept. */
function sweeps(frame: Frame, places: readonly TonePlace[], low: number, enough: number): Shape[] {
	const on = (string: number) => places.filter((place) => place.string === string);
	const shapes: Shape[] = [];
	for (const a of on(low)) {
		for (const b of on(low - 1)) {
			for (const c of on(low - 2)) {
				const three = [a, b, c];
				if (a.midi >= b.midi || b.midi >= c.midi || c.midi - a.midi > 16) continue;
				if (kinds(three) < enough || !tells(frame, three)) continue;
				const back = three.some((place) => place.fret > 0 && place.fret < frame.position);
				if (back && three.some((place) => place.fret > frame.position + 3)) continue;
				const way = fingerPitches(
					frame,
					three.map((place) => ({ required: true, places: [place] }))
				);
				if (way) shapes.push(toShape(frame, 'fragment', way));
			}
		}
	}
	return shapes;
}

/** All the tones of a chord that lie under the fingers on two or three neighbouring strings. */
function stretches(
	frame: Frame,
	places: readonly TonePlace[],
	low: number,
	strings: number,
	enough: number
): Shape[] {
	const here = places.filter(
		(place) => place.string <= low && place.string > low - strings && !place.reach
	);
	const groups = byPitch(here);
	if (kinds(here) < enough || groups.length < 3 || !tells(frame, here)) return [];
	const way = fingerPitches(
		frame,
		groups.map((group) => ({ required: true, places: group.places }))
	);
	return way ? [toShape(frame, 'fragment', way)] : [];
}

/**
 * Two- and three-string fragments of a chord in one position, each with at least three different
 * tones (both of a power chord) and a guide tone among them; those to sweep included. The easiest and
 * fullest come first.
 */
export function fragments(frame: Frame, tones: readonly Tone[]): Shape[] {
	const places = tonePlaces(frame.instrument, tones, frame.position);
	const enough = Math.min(3, tones.length);
	const found = new Map<string, Shape>();
	for (let low = frame.instrument.open.length; low >= 2; low--) {
		const shapes = [
			...stretches(frame, places, low, 2, enough),
			...(low >= 3 ? stretches(frame, places, low, 3, enough) : []),
			...(low >= 3 ? sweeps(frame, places, low, enough) : [])
		];
		for (const shape of shapes) {
			if (shape.comfort !== 'far' && !found.has(idOf(shape))) found.set(idOf(shape), shape);
		}
	}
	const worth = (shape: Shape) =>
		new Set(shape.notes.map((note) => note.midi % 12)).size * 4 -
		shape.notes.filter((note) => note.reach).length * 3 -
		shape.rolls.length +
		(shape.rootString === null ? 0 : 2) +
		(shape.sweepable ? 3 : 0);
	return [...found.values()].sort((a, b) => worth(b) - worth(a)).slice(0, MOST);
}

import { toneAt, type Chord, type Role } from '../chord';
import type { Place, Instrument } from './instrument';
import { windowPlaces } from './window';

/** A bend from a place up to a chord tone; `semitones` 1, 2 or 3 (a half, a whole, one and a half tones). */
export type Bend = Place & {
	readonly semitones: number;
	readonly midi: number;
	readonly toRole: Role;
	/** A place in the window that already sounds the goal: the two together are a unison bend. */
	readonly unison: Place | null;
};

/** Strings thin enough to bend upward. */
const BENDING_STRINGS = 4;

/**
 * Bends in one position that land on a tone of the chord, from every fretted place of the thinnest
 * four strings. A quarter tone lands on no chord tone; the curl toward a major third is told with the
 * verdict of the minor third. A unison bend has its goal on the next thinner string.
 */
export function bends(instrument: Instrument, chord: Chord, position: number): Bend[] {
	const window = windowPlaces(instrument, position);
	return window
		.filter((place) => place.fret > 0 && place.string <= BENDING_STRINGS)
		.flatMap((place) =>
			[1, 2, 3].flatMap((semitones): Bend[] => {
				const goal = place.midi + semitones;
				const tone = toneAt(chord, goal);
				if (!tone) return [];
				const other = window.find(
					({ midi, string, fret }) => midi === goal && string === place.string - 1 && fret > 0
				);
				const unison = other ? { string: other.string, fret: other.fret } : null;
				const { string, fret, midi } = place;
				return [{ string, fret, midi, semitones, toRole: tone.role, unison }];
			})
		);
}

import { toneAt, type Chord, type Role } from '../chord';
import type { Place, Instrument } from './instrument';
import { windowPlaces } from './window';

/**
 * A bend from a place up to a chord tone; `semitones` 0.5 (a curl toward it), 1, 2 or 3 (a half, a whole, one
 * and a half tones).
 */
export type Bend = Place & {
	readonly semitones: number;
	readonly midi: number;
	readonly toRole: Role;
	/** A place in the window that already sounds the goal: the two together are a unison bend. */
	readonly unison: Place | null;
};

/** Strings thin enough to bend upward. */
const BENDING_STRINGS = 4;

/** The thinnest strings are plain; those beyond are wound and give less. */
const PLAIN_STRINGS = 3;

/** How far a place is bent at most: finger 1 has none behind it to help, a wound string does not go far. */
const furthest = ({ finger, string }: { finger: number | null; string: number }): number =>
	finger === 1 ? 1 : string > PLAIN_STRINGS ? 2 : 3;

/**
 * Bends in one position that land on a tone of the chord, from every fretted place of the thinnest
 * four strings: finger 1 bends a half tone at most, a wound string a whole tone. The minor third of a major
 * chord is also curled, a quarter tone toward the third. A unison bend has its goal on the next thinner
 * string.
 */
export function bends(instrument: Instrument, chord: Chord, position: number): Bend[] {
	const window = windowPlaces(instrument, position);
	const third = chord.tones.find((tone) => tone.role === '3');
	return window
		.filter((place) => place.fret > 0 && place.string <= BENDING_STRINGS)
		.flatMap((place) => {
			const { string, fret, midi } = place;
			const curl: Bend[] =
				third && (midi + 1) % 12 === third.pc
					? [{ string, fret, midi, semitones: 0.5, toRole: '3', unison: null }]
					: [];
			const full = [1, 2, 3].flatMap((semitones): Bend[] => {
				const goal = midi + semitones;
				const tone = toneAt(chord, goal);
				if (!tone || semitones > furthest(place)) return [];
				const other = window.find(
					(there) => there.midi === goal && there.string === string - 1 && there.fret > 0
				);
				const unison = other ? { string: other.string, fret: other.fret } : null;
				return [{ string, fret, midi, semitones, toRole: tone.role, unison }];
			});
			return [...curl, ...full];
		});
}

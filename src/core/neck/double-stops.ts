import { hasRole, toneAt, type Chord } from '../chord';
import { noteVerdict, readOver, type Scale, type Verdict } from '../harmony';
import {
	above,
	degreeInterval,
	mod,
	notation,
	pitchClass,
	type Notation,
	type Note
} from '../pitch';
import { widestMm } from './hand';
import type { Instrument, Place } from './instrument';
import { windowPlaces, type WindowPlace } from './window';

/** Two notes played together. `a` is the lower pitch; `roles` are read over the chord. */
export type DoubleStop = {
	readonly a: Place;
	readonly b: Place;
	/** `3rd`, `tritone`, `6th` … */
	readonly interval: string;
	readonly semitones: number;
	readonly roles: readonly [Notation, Notation];
	readonly verdict: Verdict;
	readonly treatment: string | null;
	/** Semitones that both are bent together into the chord; then the roles are those they arrive at. 0 for none. */
	readonly bend: number;
	/** Frets that the hand moves to hold them: 0, one toward the nut (−1) or the body (1). */
	readonly shift: number;
};

/** Intervals that players use, by semitones; unisons are left to open strings and to bends. */
const INTERVALS: Readonly<Record<number, string>> = {
	1: 'minor 2nd',
	2: 'major 2nd',
	3: 'minor 3rd',
	4: 'major 3rd',
	5: '4th',
	6: 'tritone',
	7: '5th',
	8: 'minor 6th',
	9: 'major 6th',
	10: 'minor 7th',
	12: 'octave',
	15: 'minor 10th',
	16: 'major 10th'
};

const WORSE: Record<Verdict, number> = { home: 0, colour: 1, passing: 2, clash: 3 };

type Sounding = WindowPlace & { readonly note: Note };

/** The tritone of a dominant and where it goes when the chord falls a fifth. */
function tritoneWords(chord: Chord): string {
	const third = chord.tones.find((tone) => tone.role === '3')?.name;
	const seventh = chord.tones.find((tone) => tone.role === 'b7')?.name;
	return `the tritone of ${chord.symbol}: ${third} rises a semitone, ${seventh} falls one when the chord resolves`;
}

function describe(
	chord: Chord,
	next: Chord | null,
	low: Sounding,
	high: Sounding
): DoubleStop | null {
	const semitones = high.midi - low.midi;
	const interval = INTERVALS[semitones];
	if (!interval) return null;
	const [first, second] = [noteVerdict(low.note, chord, next), noteVerdict(high.note, chord, next)];
	const worst = WORSE[first.verdict] >= WORSE[second.verdict] ? first : second;
	const roles: readonly [Notation, Notation] = [
		readOver(low.note, chord),
		readOver(high.note, chord)
	];
	const tritone =
		semitones === 6 && roles.includes(notation('3')) && roles.includes(notation('b7'));
	return {
		bend: 0,
		shift: 0,
		a: { string: low.string, fret: low.fret },
		b: { string: high.string, fret: high.fret },
		interval,
		semitones,
		roles,
		verdict: worst.verdict,
		treatment: tritone ? tritoneWords(chord) : worst.treatment
	};
}

/** Two notes are held at once: what one finger after another may stretch to is too much for them. */
const HELD = 1.1;

/**
 * Frets that the hand moves so that two fretted places lie under different fingers: 0, or one toward the
 * nut (−1) or the body (1); null where no hand holds them.
 */
function shiftFor(instrument: Instrument, a: WindowPlace, b: WindowPlace): number | null {
	if (a.fret === 0 || b.fret === 0) return 0;
	if (widestMm(instrument, [a, b]) > instrument.hand.comfortableMm * HELD) return null;
	if (a.finger !== b.finger || a.fret === b.fret) return 0;
	return a.finger === 1 ? -1 : 1;
}

/** Strings that bend well together, the thinner of two neighbours. */
const BENT_TOGETHER = [1, 2];

/**
 * Two notes on one fret of neighbouring thin strings that are bent together into two tones of the chord.
 */
function bentPairs(chord: Chord, places: readonly WindowPlace[]): DoubleStop[] {
	return BENT_TOGETHER.flatMap((thin) =>
		places.flatMap((b): DoubleStop[] => {
			const a = places.find(({ string, fret }) => string === thin + 1 && fret === b.fret);
			// Finger 1 alone does not bend two strings.
			if (b.string !== thin || !a || b.fret === 0 || b.finger === 1 || b.reach) return [];
			const semitones = b.midi - a.midi;
			const interval = INTERVALS[Math.abs(semitones)];
			if (!interval) return [];
			return [1, 2].flatMap((by): DoubleStop[] => {
				const tones = [toneAt(chord, a.midi + by), toneAt(chord, b.midi + by)];
				const [first, second] = tones;
				if (!first || !second) return [];
				const far = by === 1 ? 'a half tone' : 'a whole tone';
				return [
					{
						a: { string: a.string, fret: a.fret },
						b: { string: b.string, fret: b.fret },
						interval,
						semitones: Math.abs(semitones),
						roles: [notation(first.role), notation(second.role)],
						verdict: 'home',
						treatment: `bend both ${far}, to ${first.name} and ${second.name}`,
						bend: by,
						shift: 0
					}
				];
			});
		})
	);
}

/**
 * Double stops in one position: pairs on neighbouring strings, or skipping one, whose interval players
 * use and that a hand can hold; `shift` says where it must move by a fret for them. Both notes are chord
 * tones, or the minor third that a major chord curls; with a scale they may be its notes too, with the
 * worse of the two verdicts. Pairs that are bent together into the chord come last; the lower string pairs
 * first among the others.
 */
export function doubleStops(
	instrument: Instrument,
	chord: Chord,
	position: number,
	options: {
		readonly scale?: Scale | null;
		readonly next?: Chord | null;
	} = {}
): DoubleStop[] {
	const { scale = null, next = null } = options;
	// The minor third against a major chord is part of the sound: it is curled.
	const major = hasRole(chord, '3');
	const blue = major ? above(chord.root, degreeInterval('b3')) : null;
	const noteOf = (midi: number): Note | undefined =>
		chord.tones.find((tone) => tone.pc === mod(midi, 12))?.note ??
		scale?.notes.find((entry) => entry.pc === mod(midi, 12))?.note ??
		(blue && pitchClass(blue) === mod(midi, 12) ? blue : undefined);
	const window = windowPlaces(instrument, position);
	const places = window.flatMap((place): Sounding[] => {
		const note = noteOf(place.midi);
		return note ? [{ ...place, note }] : [];
	});
	const held = places.flatMap((a) =>
		places.flatMap((b) => {
			const apart = a.string - b.string;
			if (apart < 1 || apart > 2) return [];
			const shift = shiftFor(instrument, a, b);
			if (shift === null) return [];
			const [low, high] = a.midi <= b.midi ? [a, b] : [b, a];
			// Seconds are for neighbouring strings; two strings apart nobody looks for them.
			if (apart === 2 && high.midi - low.midi < 3) return [];
			const found = describe(chord, next, low, high);
			return found ? [{ ...found, shift }] : [];
		})
	);
	return instrument.slide ? held : [...held, ...bentPairs(chord, window)];
}

import type { Chord } from '../chord';
import { noteVerdict, readOver, type Scale, type Verdict } from '../harmony';
import { mod, type Note, notation, type Notation } from '../pitch';
import { comfortOf, MEDIUM_HAND, widestMm, type Hand } from './hand';
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
};

/** Intervals that players use, by semitones; seconds and unisons are left to open strings. */
const INTERVALS: Readonly<Record<number, string>> = {
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
	const verdicts = [low, high].map((place) => noteVerdict(place.note, chord, next));
	const [first, second] = verdicts;
	const worst = WORSE[first.verdict] >= WORSE[second.verdict] ? first : second;
	const roles: readonly [Notation, Notation] = [
		readOver(low.note, chord),
		readOver(high.note, chord)
	];
	const tritone =
		semitones === 6 && roles.includes(notation('3')) && roles.includes(notation('b7'));
	return {
		a: { string: low.string, fret: low.fret },
		b: { string: high.string, fret: high.fret },
		interval,
		semitones,
		roles,
		verdict: worst.verdict,
		treatment: tritone ? tritoneWords(chord) : worst.treatment
	};
}

/** Two fretted places under one hand: no wider than it takes, never both on one finger and two frets. */
function playable(instrument: Instrument, hand: Hand, a: WindowPlace, b: WindowPlace): boolean {
	if (a.fret === 0 || b.fret === 0) return true;
	if (a.finger === b.finger && a.fret !== b.fret) return false;
	return comfortOf(widestMm(instrument, [a, b]), hand) !== 'far';
}

/**
 * Double stops in one position: pairs on neighbouring strings, or skipping one, whose interval players
 * use and that a hand can hold. Both notes are chord tones; with a scale they may be its notes too,
 * with the worse of the two verdicts. The lower string pairs come first.
 */
export function doubleStops(
	instrument: Instrument,
	chord: Chord,
	position: number,
	options: {
		readonly scale?: Scale | null;
		readonly next?: Chord | null;
		readonly hand?: Hand;
	} = {}
): DoubleStop[] {
	const { scale = null, next = null, hand = MEDIUM_HAND } = options;
	const noteOf = (midi: number): Note | undefined =>
		chord.tones.find((tone) => tone.pc === mod(midi, 12))?.note ??
		scale?.notes.find((entry) => entry.pc === mod(midi, 12))?.note;
	const places = windowPlaces(instrument, position).flatMap((place): Sounding[] => {
		const note = noteOf(place.midi);
		return note ? [{ ...place, note }] : [];
	});
	return places.flatMap((a) =>
		places.flatMap((b) => {
			const apart = a.string - b.string;
			if (apart < 1 || apart > 2 || !playable(instrument, hand, a, b)) return [];
			const [low, high] = a.midi <= b.midi ? [a, b] : [b, a];
			return describe(chord, next, low, high) ?? [];
		})
	);
}

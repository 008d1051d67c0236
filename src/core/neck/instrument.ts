import type { Chart, Diagnostic } from '../chart';
import { parsePitch, pitchName, type Midi } from '../pitch';
import { MEDIUM_HAND, type Hand } from './hand';

/**
 * A fretted instrument. `open` holds the open pitches with the capo off, string 1 (thinnest) first;
 * `frets` is the number of frets from the nut, `capo` the fret it sits on.
 */
export type Instrument = {
	readonly name: string;
	readonly open: readonly Midi[];
	readonly labels: readonly string[];
	readonly frets: number;
	readonly capo: number;
	/** Nut to bridge, in mm. */
	readonly scaleLengthMm: number;
	/** Of the player who holds it: how far it reaches. */
	readonly hand: Hand;
	/** Drawn with the nut at the right. */
	readonly leftHanded?: boolean;
	/** Played with a slide: the frets that each position holds, straight across the strings. */
	readonly slide?: readonly (readonly number[])[];
};

/** A guitar of the player's own, as it is stored: it serves every chart in its tuning. */
export type OwnInstrument = {
	readonly name: string;
	/** 4 to 8 pitches from the thickest string. */
	readonly tuning: string;
	readonly frets: number;
	readonly scaleLengthMm: number;
	readonly leftHanded: boolean;
	/** A label for each string from the thickest, or null for the note names. */
	readonly labels: readonly string[] | null;
};

/** A place on the neck: string 1 … N (1 is thinnest), fret counted from the capo, 0 = open. */
export type Place = { readonly string: number; readonly fret: number };

/** True when two places are one; none is never one. */
export const samePlace = (a: Place | null | undefined, b: Place | null | undefined): boolean =>
	!!a && !!b && a.string === b.string && a.fret === b.fret;

/** Tunings by id, thickest string first. */
const PRESETS: Record<string, string> = {
	standard: 'E2 A2 D3 G3 B3 E4',
	'half-step-down': 'Eb2 Ab2 Db3 Gb3 Bb3 Eb4',
	'whole-step-down': 'D2 G2 C3 F3 A3 D4',
	'drop-d': 'D2 A2 D3 G3 B3 E4',
	'open-d': 'D2 A2 D3 F#3 A3 D4',
	'open-g': 'D2 G2 D3 G3 B3 D4',
	'open-e': 'E2 B2 E3 G#3 B3 E4',
	dadgad: 'D2 A2 D3 G3 A3 D4',
	'all-fourths': 'E2 A2 D3 G3 C4 F4',
	'seven-string': 'B1 E2 A2 D3 G3 B3 E4',
	baritone: 'B1 E2 A2 D3 F#3 B3',
	bass: 'E1 A1 D2 G2'
};

export const TUNING_IDS: readonly string[] = Object.keys(PRESETS);
const DEFAULT_FRETS = 22;
/** The usual length of an electric guitar's strings, in mm. */
export const USUAL_SCALE_MM = 648;

/**
 * Reads a tuning: a preset id, or 4 to 8 pitches with octaves from the thickest string.
 * @returns null when it is neither.
 * @example parseTuning('E2 A2 D3 G3 B3 E4')?.open[0] // 64
 */
export function parseTuning(
	text: string
): { name: string; open: readonly Midi[]; labels: readonly string[] } | null {
	const id = text.trim().toLowerCase().replace(/\s+/g, '-');
	const preset = Object.hasOwn(PRESETS, id);
	const words = (preset ? PRESETS[id]! : text).trim().split(/[\s,]+/);
	const open = words.map(parsePitch);
	if (words.length < 4 || words.length > 8 || open.some((pitch) => pitch === null)) return null;
	return {
		name: preset ? id : words.join(' '),
		open: (open as Midi[]).reverse(),
		labels: words.map((word) => word.replace(/-?\d$/, '')).reverse()
	};
}

/** Builds an instrument; `tuning` null is standard tuning. Null when the tuning cannot be read. */
export function buildInstrument(
	tuning: string | null = null,
	frets = DEFAULT_FRETS,
	capo = 0,
	scaleLengthMm = USUAL_SCALE_MM,
	hand = MEDIUM_HAND
): Instrument | null {
	const parsed = parseTuning(tuning ?? 'standard');
	return parsed && { ...parsed, frets, capo, scaleLengthMm, hand };
}

/** The usual guitar: six strings in standard tuning, 22 frets, no capo. */
export function standardGuitar(): Instrument {
	const guitar = buildInstrument();
	if (!guitar) throw new Error('the standard tuning cannot be read');
	return guitar;
}

/** An own instrument in the same tuning lends its frets, length, labels and the side it is played from. */
function ownInTuning(instrument: Instrument, own: readonly OwnInstrument[]): Instrument {
	const found = own.find(
		(entry) => parseTuning(entry.tuning)?.open.join() === instrument.open.join()
	);
	if (!found) return instrument;
	const { name, frets, scaleLengthMm, leftHanded, labels } = found;
	return {
		...instrument,
		...{ name, scaleLengthMm, leftHanded },
		// A capo leaves four frets at least.
		frets: Math.max(frets, instrument.capo + 4),
		labels: labels ? [...labels].reverse() : instrument.labels
	};
}

/**
 * The instrument that a chart's `tuning` and `capo` headers ask for, in the player's hand, and what is wrong with them.
 * One of the player's own in that tuning is taken where there is one.
 */
export function instrumentOf(
	chart: Chart,
	own: readonly OwnInstrument[] = [],
	hand = MEDIUM_HAND
): {
	instrument: Instrument;
	diagnostic: Diagnostic | null;
} {
	const { tuning, capo } = chart.headers;
	const instrument = buildInstrument(tuning?.text, DEFAULT_FRETS, capo, USUAL_SCALE_MM, hand);
	if (instrument) return { instrument: ownInTuning(instrument, own), diagnostic: null };
	return {
		instrument: { ...standardGuitar(), capo, hand },
		diagnostic: {
			...(tuning?.span ?? { line: 1, column: 1, length: 1 }),
			severity: 'error',
			message: `“${tuning?.text}” is not a tuning: give 4 to 8 pitches from the thickest string, as in “E2 A2 D3 G3 B3 E4”.`,
			suggestion: null
		}
	};
}

/** An instrument's tuning as text, thickest string first: `E2 A2 D3 G3 B3 E4`. */
export const tuningText = (instrument: Instrument): string =>
	[...instrument.open].reverse().map(pitchName).join(' ');

/** What decides where an instrument sounds which pitch, and what a hand reaches on it, in one text. */
export const instrumentKey = (instrument: Instrument): string => {
	const { open, frets, capo, scaleLengthMm, hand, slide } = instrument;
	return `${open.join()} ${frets} ${capo} ${scaleLengthMm} ${hand.comfortableMm} ${slide?.join(';') ?? ''}`;
};

/** The text of a preset's tuning. */
export const presetTuning = (id: string): string =>
	Object.hasOwn(PRESETS, id) ? PRESETS[id]! : '';

/** The highest fret that can be played, counted from the capo. */
export const highestFret = (instrument: Instrument): number => instrument.frets - instrument.capo;

/** The pitch of a place. */
export const pitchAt = (instrument: Instrument, place: Place): Midi =>
	instrument.open[place.string - 1]! + instrument.capo + place.fret;

import { QUARTER } from '../../kernel';
import { comfortOf, stretchMm, type Instrument } from '../../neck';
import type { LineNote, Technique } from './types';

/** Notes of at least so many ms are long enough for vibrato; for a trill twice that. */
const VIBRATO_MS = 600;

/** A slur between two notes on one string: up, down, or the same finger moving; never wider than the hand. */
function slur(instrument: Instrument, before: LineNote, note: LineNote): Technique | null {
	if (before.string !== note.string || before.tick + before.durationTicks !== note.tick)
		return null;
	const frets = note.fret - before.fret;
	if (frets === 0 || Math.abs(frets) > 4) return null;
	if (before.finger !== null && before.finger === note.finger) return 'slide';
	const fretted = before.fret > 0 && note.fret > 0;
	const mm = fretted ? stretchMm(instrument, before.fret, note.fret) : 0;
	if (comfortOf(mm, instrument.hand) !== 'easy') return null;
	return frets > 0 ? 'hammer-on' : 'pull-off';
}

/** Strings that bend easily, and frets a bend reaches. */
const BENDS_ON = 3;
const BENDS_FROM = 4;

/**
 * A target reached from one or two frets below on a thin string may be bent into; finger 1 has none behind
 * it and bends one fret at most.
 */
const bendsInto = (before: LineNote, note: LineNote): boolean =>
	before.string === note.string &&
	note.string <= BENDS_ON &&
	before.fret >= BENDS_FROM &&
	before.tick + before.durationTicks === note.tick &&
	note.fret - before.fret >= 1 &&
	note.fret - before.fret <= (before.finger === 1 ? 1 : 2);

/** A bend and a trill now and then: every third time that the hand allows one. */
const BEND_EVERY = 3;
const TRILL_EVERY = 3;

/** What decides how a note is played besides the hand. */
export type Traits = {
	/** A minor third against its major chord. */
	readonly blue: boolean;
	/** The scale or the chord has the next fret too, under the hand: a semitone to trill with. */
	readonly neighbour: boolean;
};

/** Frets that a slide moves at most in one go. */
const SLIDES = 7;

/** Under a slide: notes of one string slide into each other, long landings are shaken, nothing is hammered. */
function underSlide(note: LineNote, before: LineNote | undefined, long: boolean): Technique | null {
	const frets = before?.string === note.string ? Math.abs(note.fret - before.fret) : 0;
	const joined = before && before.tick + before.durationTicks === note.tick && before.fret > 0;
	if (note.fret === 0) return null;
	if (joined && frets > 0 && frets <= SLIDES) return 'slide';
	return note.kind === 'target' && long ? 'vibrato' : null;
}

/**
 * Writes techniques in where the hand allows them: the minor third against a major chord is curled;
 * targets reached by a step on one string are slid or bent into; weak notes are slurred; long targets get
 * vibrato, very long ones now and then a trill on a semitone. A note that is picked stays null. An open
 * string is neither curled nor shaken. Nothing is slurred out of a bend, and nothing wider than the hand. Under a slide notes of one string slide into each other.
 */
export function withTechniques(
	notes: readonly LineNote[],
	traits: readonly Traits[],
	msPerTick: number,
	instrument: Instrument
): LineNote[] {
	let [bends, trills] = [0, 0];
	/** The note before is bent: the finger lies lower than it sounds, and nothing is slurred from there. */
	let bent = false;
	return notes.map((note, i) => {
		const before = notes[i - 1];
		const long = note.durationTicks * msPerTick >= VIBRATO_MS;
		const half = QUARTER / 2;
		const technique = ((): Technique | null => {
			// An open string has no finger that could move it.
			if (traits[i]!.blue) return note.fret > 0 ? 'curl' : null;
			if (instrument.slide) return underSlide(note, before, long);
			if (before && !bent && note.kind === 'target' && bendsInto(before, note) && long) {
				if (bends++ % BEND_EVERY === 0) return 'bend';
			}
			const legato = before && !bent && slur(instrument, before, note);
			if (note.kind === 'target') {
				const near = before && Math.abs(note.fret - before.fret) === 1;
				if (legato && near && note.finger === before.finger) return 'slide';
				if (!long) return null;
				const trilled = traits[i]!.neighbour && note.durationTicks * msPerTick >= 2 * VIBRATO_MS;
				if (trilled && trills++ % TRILL_EVERY === 0) return 'trill';
				return note.fret > 0 ? 'vibrato' : null;
			}
			return legato && note.tick % QUARTER !== 0 && note.durationTicks <= half ? legato : null;
		})();
		bent = technique === 'bend';
		return technique === null ? note : { ...note, technique };
	});
}

import { QUARTER } from '../../chart';
import type { LineNote, Technique } from './types';

/** Notes of at least this many ms are long enough for vibrato; for a trill twice that. */
const VIBRATO_MS = 600;

/** A slur between two notes on one string: up, down, or the same finger moving. */
function slur(before: LineNote, note: LineNote): Technique | null {
	if (before.string !== note.string || before.tick + before.durationTicks !== note.tick)
		return null;
	const frets = note.fret - before.fret;
	if (frets === 0 || Math.abs(frets) > 4) return null;
	if (before.finger !== null && before.finger === note.finger) return 'slide';
	return frets > 0 ? 'hammer-on' : 'pull-off';
}

/** Strings that bend easily, and frets a bend reaches. */
const BENDS_ON = 3;
const BENDS_FROM = 4;

/** A target reached from one or two frets below on a thin string may be bent into. */
const bendsInto = (before: LineNote, note: LineNote): boolean =>
	before.string === note.string &&
	note.string <= BENDS_ON &&
	before.fret >= BENDS_FROM &&
	before.tick + before.durationTicks === note.tick &&
	note.fret - before.fret >= 1 &&
	note.fret - before.fret <= 2;

/** How often something that the hand allows is written in: a slur on weak notes, a bend now and then. */
const BEND_EVERY = 3;

/**
 * Writes techniques in where the hand allows them: the minor third against a major chord is curled;
 * targets reached by a step on one string are slid or bent into; weak notes are slurred; long targets get
 * vibrato. A note that is picked stays null.
 * @param blue whether a note is a minor third against its major chord
 */
export function withTechniques(
	notes: readonly LineNote[],
	blue: readonly boolean[],
	msPerTick: number
): LineNote[] {
	let bends = 0;
	return notes.map((note, i) => {
		const before = notes[i - 1];
		const long = note.durationTicks * msPerTick >= VIBRATO_MS;
		const half = QUARTER / 2;
		const technique = ((): Technique | null => {
			if (blue[i]) return 'curl';
			if (before && note.kind === 'target' && bendsInto(before, note) && long) {
				if (bends++ % BEND_EVERY === 0) return 'bend';
			}
			const legato = before && slur(before, note);
			if (note.kind === 'target') {
				const near = before && Math.abs(note.fret - before.fret) === 1;
				if (legato && near && note.finger === before.finger) return 'slide';
				return long ? 'vibrato' : null;
			}
			return legato && note.tick % QUARTER !== 0 && note.durationTicks <= half ? legato : null;
		})();
		return technique === null ? note : { ...note, technique };
	});
}

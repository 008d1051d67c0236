import { QUARTER } from '../../kernel';
import { toneAt, type Chord } from '../../chord';
import { arrivalOf, isDead, isReached, does } from '../playing';
import type { PlayedNote } from './types';

/** A note that goes on into a chord tone within so many ticks, an eighth, lands with it. */
const SOON = QUARTER / 2;

const sameString = (a: PlayedNote, b: PlayedNote): boolean =>
	a.string === undefined || b.string === undefined || a.string === b.string;

/**
 * The note that a struck one comes to as an ornament: itself where it is a chord tone, or where its bend arrives at one;
 * else the first chord tone into which it is slid, hammered, pulled or bent without another stroke, within an eighth.
 * @param notes in order of time
 * @returns an index into the notes; null where no chord tone is reached
 */
export function goesOnInto(
	notes: readonly PlayedNote[],
	note: number,
	chord: Chord
): number | null {
	const struck = notes[note]!;
	if (isDead(struck)) return null;
	const isTone = (one: PlayedNote) => toneAt(chord, arrivalOf(one)) !== undefined;
	if (isTone(struck)) return note;
	// A bend that is let down again comes back to its fret within its time.
	const down = does(struck, 'release') && struck.durationTicks <= 2 * SOON;
	if (down && toneAt(chord, struck.midi)) return note;
	let from = struck;
	for (let i = note + 1; i < notes.length && notes[i]!.tick <= struck.tick + SOON; i++) {
		const next = notes[i]!;
		if (!isReached(next) || !sameString(from, next) || next.tick <= from.tick) continue;
		// The string must have sounded on until then.
		if (from.tick + from.durationTicks < next.tick) return null;
		if (isTone(next)) return i;
		from = next;
	}
	return null;
}

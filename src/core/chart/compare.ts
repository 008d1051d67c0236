import type { Chord, Tone } from '../chord';
import { shortestMove } from '../pitch';

/** One voice that moves; `semitones` is signed, upward positive, at most 2 either way. */
type Move = { readonly from: Tone; readonly to: Tone; readonly semitones: number };

/** What happens to the tones of two neighbouring chords. */
type Comparison = {
	/** Tones of the new chord that the old one has too. */
	readonly common: readonly Tone[];
	/** Tones of the old chord within a whole tone of a new tone, nearest only; ties give both. */
	readonly moves: readonly Move[];
	/** Tones of the new chord that the old one lacks. */
	readonly fresh: readonly Tone[];
};

/**
 * Compares two chords by sound: what stays, what moves by a step, what is new.
 * @example compare(parseChord('Eb7'), parseChord('Bb7')).moves // Eb→D, Db→D, G→Ab
 */
export function compareChords(from: Chord, to: Chord): Comparison {
	const has = (chord: Chord, tone: Tone) => chord.tones.some((other) => other.pc === tone.pc);
	const common = to.tones.filter((tone) => has(from, tone));
	const fresh = to.tones.filter((tone) => !has(from, tone));
	const leaving = from.tones.filter((tone) => !has(to, tone));
	const moves = fresh.flatMap((tone) => {
		const all = leaving.map((old) => ({
			from: old,
			to: tone,
			semitones: shortestMove(old.pc, tone.pc)
		}));
		const least = Math.min(...all.map((move) => Math.abs(move.semitones)));
		return all.filter((move) => Math.abs(move.semitones) === least && least <= 2);
	});
	return { common, moves, fresh };
}

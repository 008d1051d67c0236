import type { Chord, Key, Tone } from '../chord';
import { above, degreeInterval, pitchClass } from '../pitch';
import { homeDegrees } from './home';

/**
 * The tones of a chord that leave its key. A signal, not an error: the leading tone of a minor key's
 * dominant and the third of a secondary dominant are among them.
 */
export function outsideTones(chord: Chord, key: Key): readonly Tone[] {
	const home = new Set(
		homeDegrees(key.mode).map((degree) => pitchClass(above(key.tonic, degreeInterval(degree))))
	);
	return chord.tones.filter((tone) => !home.has(tone.pc));
}

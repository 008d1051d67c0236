import { parseChord, type Chord, type Key } from '../chord';
import {
	above,
	degreeInterval,
	mod,
	notation,
	noteName,
	pitchClass,
	type Notation
} from '../pitch';
import { HOME_SETS, homeDegrees } from './home';
import { numeralOf } from './numeral-of';

/** A chord that a key offers, and the numeral it is known by there. */
export type KeyChord = {
	readonly chord: Chord;
	readonly numeral: Notation;
	/** It leads to a chord of the key, by a fifth. */
	readonly leads: boolean;
};

/** Sevenths in the order in which a degree takes them; a degree of a blues is a dominant seventh. */
const SEVENTHS = ['maj7', '7', 'm7', 'm7b5', 'dim7'];

/**
 * The seventh chords of a key from its tonic up, then the dominant sevenths that lead to each of them (applied
 * dominants; in minor modes the raised fifth degree's, too).
 * @example chordsOfKey({ tonic: { letter: 0, alter: 0 }, mode: 'major' })[1].chord.symbol // 'Dm7'
 */
export function chordsOfKey(key: Key): readonly KeyChord[] {
	const tonic = pitchClass(key.tonic);
	const inKey = (chord: Chord) =>
		chord.tones.every(({ pc }) => HOME_SETS[key.mode].has(mod(pc - tonic, 12)));
	const order = key.mode === 'blues' ? ['7', ...SEVENTHS] : SEVENTHS;
	const own = homeDegrees(key.mode).flatMap((degree) => {
		const root = noteName(above(key.tonic, degreeInterval(degree)));
		const chord = order
			.map((seventh) => parseChord(root + seventh))
			.find((one) => one && inKey(one));
		return chord ? [{ chord, numeral: numeralOf(chord, key), leads: false }] : [];
	});
	const known = new Set(own.map(({ chord }) => chord.symbol));
	const leading = own.flatMap(({ chord: goal, numeral }) => {
		if (goal.quality.roles.includes('b5')) return [];
		const fifth = noteName(above(goal.root, degreeInterval('5')));
		const chord = parseChord(`${fifth}7`);
		if (!chord || known.has(chord.symbol)) return [];
		const goalNumeral = numeral.replace(/(maj)?7$/, '');
		const name = notation(pitchClass(goal.root) === tonic ? 'V7' : `V7/${goalNumeral}`);
		return [{ chord, numeral: name, leads: true }];
	});
	return [...own, ...leading];
}

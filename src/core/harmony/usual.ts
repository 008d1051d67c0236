import { hasRole, type Chord, type Key } from '../chord';
import { mod, pitchClass } from '../pitch';
import { isDominant } from './evidence';
import { buildScale, type Scale } from './scale';

type Around = { readonly next: Chord | null; readonly key: Key | null; readonly inUse: Scale };

/** The chord that a dominant falls to by a fifth, if the next one is that. */
const goalOf = (chord: Chord, next: Chord | null): Chord | null =>
	next && mod(pitchClass(chord.root) - pitchClass(next.root), 12) === 7 ? next : null;

function overDominant(chord: Chord, { next, key, inUse }: Around): string[] {
	const fifth = hasRole(chord, '5');
	if (hasRole(chord, 'b9', '#9') && !fifth && hasRole(chord, 'b13', '#5', 'b5', '#11'))
		return ['altered'];
	if (hasRole(chord, 'b9')) {
		const goal = goalOf(chord, next);
		const minor = 'phrygian dominant';
		const major = ['half-whole diminished', 'mixolydian b2'];
		if (!goal || !hasRole(goal, '3', 'b3')) return [minor, ...major];
		return hasRole(goal, 'b3') ? [minor] : [...major];
	}
	if (hasRole(chord, '#9')) return ['half-whole diminished', 'altered'];
	if (hasRole(chord, '#11')) return ['lydian dominant'];
	if (hasRole(chord, 'b13')) return ['mixolydian b6'];
	if (hasRole(chord, '#5')) return ['whole tone', 'altered'];
	if (hasRole(chord, 'b5')) return ['whole tone', 'lydian dominant', 'altered'];
	const blues = key ? key.mode === 'blues' : /pentatonic|blues/.test(inUse.name);
	return blues ? ['mixolydian pentatonic', 'dominant pentatonic', 'mixolydian'] : [];
}

function onRoot(chord: Chord, around: Around): string[] {
	if (isDominant(chord)) return overDominant(chord, around);
	if (hasRole(chord, 'bb7')) return ['whole-half diminished'];
	if (hasRole(chord, 'b3') && hasRole(chord, 'b5') && hasRole(chord, 'b7')) {
		return hasRole(chord, '9') ? ['locrian natural 2'] : ['locrian', 'locrian natural 2'];
	}
	if (hasRole(chord, 'b3') && hasRole(chord, '7')) return ['melodic minor', 'harmonic minor'];
	if (hasRole(chord, '3') && hasRole(chord, '7')) {
		if (hasRole(chord, '#5')) return ['lydian augmented'];
		if (hasRole(chord, '#11', 'b5')) return ['lydian'];
	}
	return [];
}

/** Over a diminished seventh the harmonic scales of the chord that it leads to, the minor one first. */
const ofGoal = (chord: Chord, next: Chord | null): (Scale | null)[] =>
	next && hasRole(chord, 'bb7')
		? ['harmonic minor', 'harmonic major'].map((name) => buildScale(next.root, name))
		: [];

/**
 * The scales that players reach for over a kind of chord, whatever is in use: altered over an altered
 * dominant; over a lowered ninth the phrygian dominant (the goal's harmonic minor) where it falls to a
 * minor chord, half-whole or the goal's harmonic major where it falls to a major one; whole-half and the
 * goal's harmonic minor over a diminished seventh; locrian and locrian ♮2 over a half-diminished one; a
 * dominant of a blues its own mixolydian and its two pentatonics; lydian where the ♯11 is named.
 * Empty for chords that the scale in use serves best.
 */
export function usualScales(chord: Chord, around: Around): Scale[] {
	const own = onRoot(chord, around).map((name) => buildScale(chord.root, name));
	return [...own, ...ofGoal(chord, around.next)].filter((scale) => scale !== null);
}

import { hasRole, guideTones, isMinorMode, type Chord, type Key, type Mode } from '../chord';
import { compareChords } from '../chart';
import { mod, notation, pitchClass, type Notation } from '../pitch';
import { isDominant } from './evidence';
import { HOME_SETS } from './home';
import { numeralOf, numeralOn } from './numeral-of';

/** What a chord does in its key. */
type FunctionKind =
	| 'home'
	| 'away'
	| 'dominant'
	| 'secondary dominant'
	| 'tritone substitute'
	| 'passing diminished'
	| 'borrowed'
	| 'outside';

/**
 * A chord's part in the key: `kind`, its numeral (`V7/ii` for a secondary dominant), `words` for the
 * public API and `short` for under a chord symbol.
 */
export type ChordFunction = {
	readonly kind: FunctionKind;
	readonly numeral: Notation;
	readonly words: string;
	readonly short: string;
};

const degreeFrom = (from: number, chord: Chord): number => mod(pitchClass(chord.root) - from, 12);

/** True when every essential tone of a chord lies in a mode on a tonic. */
const liesIn = (chord: Chord, tonic: number, mode: Mode): boolean =>
	chord.tones.every((tone) => !tone.essential || HOME_SETS[mode].has(mod(tone.pc - tonic, 12)));

/** A dominant in shape: a major third with a minor seventh, or a plain major triad. */
const canLead = (chord: Chord): boolean =>
	hasRole(chord, '3') && !hasRole(chord, '7') && !hasRole(chord, '6') && !hasRole(chord, '#5');

type Context = {
	readonly chord: Chord;
	readonly key: Key;
	readonly next: Chord | null;
	readonly afterNext: Chord | null;
};

/** Where a chord of dominant shape leads: to the next chord, or past the minor chord on the same root that delays it. */
function goalOf({ chord, next, afterNext }: Context): Chord | null {
	const down = (to: Chord | null) => to !== null && degreeFrom(pitchClass(to.root), chord) === 7;
	if (down(next)) return next;
	const between =
		next !== null && hasRole(next, 'b3') && degreeFrom(pitchClass(next.root), chord) === 0;
	return between && down(afterNext) ? afterNext : null;
}

/** The degree of a goal as a bare numeral: `ii`, `V`, `VI`. */
function goalNumeral(goal: Chord, key: Key): string {
	const full = numeralOf({ ...goal, bass: null }, key);
	return /^[b#]*[iIvV]+/.exec(full)?.[0] ?? full;
}

const make = (
	kind: ChordFunction['kind'],
	numeral: Notation,
	words: string,
	short: string
): ChordFunction => ({ kind, numeral, words, short });

function dominantOfHome({ chord, key }: Context, numeral: Notation, degree: number) {
	const raised = key.mode === 'minor' && (degree === 7 || degree === 11);
	const leading = chord.tones.find((tone) => mod(tone.pc - pitchClass(key.tonic), 12) === 11);
	if (degree === 7 && hasRole(chord, '3')) {
		const words =
			raised && leading
				? `dominant with the raised leading tone ${leading.name}`
				: 'dominant, leads home';
		return make('dominant', numeral, words, 'leads home');
	}
	if (degree === 11 && hasRole(chord, 'b5')) {
		return make('dominant', numeral, 'leading-tone chord, leads home', 'leads home');
	}
	return null;
}

/** Secondary dominants and their tritone substitutes, named by where they lead. */
function applied(context: Context, numeral: Notation): ChordFunction | null {
	const { chord, key, next } = context;
	const tonic = pitchClass(key.tonic);
	const goal = goalOf(context);
	const degree = degreeFrom(tonic, chord);
	if (goal && canLead(chord) && degree !== 7 && degree !== 0) {
		const leaves = !liesIn(chord, tonic, key.mode);
		const target = goalNumeral(goal, key);
		// A triad of the key that happens to fall a fifth is no secondary dominant.
		if (leaves && pitchClass(goal.root) !== tonic) {
			const name = notation(
				`${numeralOn('5', { ...chord, bass: null }, { ...key, mode: 'major' })}/${target}`
			);
			const words = `secondary dominant of ${target} (${goal.symbol})`;
			return make('secondary dominant', name, words, `to ${target}`);
		}
	}
	// The tonic seventh that steps aside to IV is home in a blues, a secondary dominant elsewhere.
	if (goal && degree === 0 && isDominant(chord) && key.mode === 'major') {
		const target = goalNumeral(goal, key);
		return make(
			'secondary dominant',
			notation(`V7/${target}`),
			`secondary dominant of ${target} (${goal.symbol})`,
			`to ${target}`
		);
	}
	if (next && isDominant(chord) && degreeFrom(pitchClass(next.root), chord) === 1) {
		if (liesIn(chord, tonic, key.mode)) return null;
		const target = goalNumeral(next, key);
		const words = `tritone substitute of the dominant of ${target} (${next.symbol})`;
		return make('tritone substitute', numeral, words, `slips to ${target}`);
	}
	return null;
}

/** A diminished chord that is no leading-tone chord of home joins its neighbours by a semitone. */
function passing({ chord, key, next }: Context, numeral: Notation): ChordFunction | null {
	if (!hasRole(chord, 'b5') || !hasRole(chord, 'b3') || hasRole(chord, 'b7')) return null;
	if (!next) return make('passing diminished', numeral, 'passing diminished chord', 'passing');
	const target = goalNumeral(next, key);
	if (degreeFrom(pitchClass(next.root), chord) === 11) {
		const words = `leading-tone chord of ${target} (${next.symbol})`;
		return make('passing diminished', numeral, words, `to ${target}`);
	}
	const drift = compareChords(chord, next).moves.reduce((sum, move) => sum + move.semitones, 0);
	const words = `passing diminished chord into ${next.symbol}`;
	return make(
		'passing diminished',
		numeral,
		words,
		`${drift < 0 ? 'falls' : 'lifts'} to ${target}`
	);
}

const PARALLELS: Partial<Record<Mode, readonly Mode[]>> = {
	major: ['minor', 'mixolydian', 'dorian', 'lydian', 'phrygian'],
	mixolydian: ['minor', 'dorian', 'major'],
	lydian: ['major', 'minor', 'mixolydian'],
	blues: ['minor', 'phrygian'],
	minor: ['dorian', 'major', 'phrygian', 'mixolydian'],
	dorian: ['minor', 'major', 'mixolydian'],
	phrygian: ['minor', 'major'],
	locrian: ['phrygian', 'minor', 'major']
};

function borrowed({ chord, key }: Context, numeral: Notation): ChordFunction | null {
	const tonic = pitchClass(key.tonic);
	const from = PARALLELS[key.mode]?.find((mode) => liesIn(chord, tonic, mode));
	if (!from) return null;
	return make('borrowed', numeral, `borrowed from the parallel ${from}`, `from ${from}`);
}

/** Chords of the key by degree: home, or away with what they set up. */
function diatonic(context: Context, numeral: Notation): ChordFunction {
	const { chord, key, next } = context;
	const tonic = pitchClass(key.tonic);
	const degree = degreeFrom(tonic, chord);
	if (degree === 0) return make('home', numeral, 'tonic', 'home');
	if (
		next &&
		degreeFrom(tonic, next) === 7 &&
		hasRole(next, '3') &&
		(degree === 2 || degree === 5)
	) {
		return make('away', numeral, 'subdominant, sets up the dominant', 'sets up V');
	}
	const relatives = isMinorMode(key.mode) ? [3] : [9, 4];
	if (relatives.includes(degree) && guideTones(chord).length > 0) {
		return make('home', numeral, 'tonic substitute', 'near home');
	}
	if (degree === 10 && !isMinorMode(key.mode))
		return make('away', numeral, 'flat seventh of the mode', 'away');
	return make('away', numeral, 'subdominant', 'away');
}

/**
 * What a chord does in a key, seen from where it goes: numeral, function and words for both.
 * Secondary dominants and tritone substitutes are named when they resolve (a minor chord on the same root may come between);
 * a chord out of the key that does not resolve is borrowed from a parallel mode or simply outside.
 */
export function functionOf(
	chord: Chord,
	key: Key,
	next: Chord | null = null,
	afterNext: Chord | null = null
): ChordFunction {
	const context: Context = { chord, key, next, afterNext };
	const numeral = numeralOf(chord, key);
	const tonic = pitchClass(key.tonic);
	const degree = degreeFrom(tonic, chord);
	const home = dominantOfHome(context, numeral, degree);
	if (home) return home;
	const lead = applied(context, numeral);
	if (lead) return lead;
	if (liesIn(chord, tonic, key.mode)) return diatonic(context, numeral);
	if (degree === 0 && guideTones(chord).length > 0 && !hasRole(chord, 'b5')) {
		const matches = hasRole(chord, 'b3') === isMinorMode(key.mode);
		if (matches) return make('home', numeral, 'tonic', 'home');
	}
	return (
		passing(context, numeral) ??
		borrowed(context, numeral) ??
		make('outside', numeral, 'out of the key', 'outside')
	);
}

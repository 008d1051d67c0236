import { hasRole, roleWords, type Chord, type Tone } from '../chord';
import { intervalBetween, mod, notation, pitchClass, type Notation, type Note } from '../pitch';
import { isDominant } from './evidence';
import { readOver } from './read-over';

/** How a note sits on a chord: its own tone, a consonant extension, for motion only, or against it. */
export type Verdict = 'home' | 'colour' | 'passing' | 'clash';

/** A note over a chord: `role` as the chord hears it; `treatment` says what players do with it. */
export type NoteVerdict = {
	readonly verdict: Verdict;
	readonly role: Notation;
	readonly treatment: string | null;
};

/** A dominant that falls a fifth, or slips a semitone down: its altered tones are wanted. */
const resolves = (chord: Chord, next: Chord | null): boolean => {
	if (!next || !isDominant(chord)) return false;
	const fall = mod(pitchClass(chord.root) - pitchClass(next.root), 12);
	return fall === 7 || fall === 1;
};

const TENSIONS = new Set([1, 3, 6, 8]);

const toneWords = (tone: Tone): string => `${tone.name}, the ${roleWords(tone.role)}`;

/** The minor third against a major chord: curled, or hammered on to the major third. */
function againstThird(chord: Chord): NoteVerdict {
	const third = chord.tones.find((tone) => tone.role === '3');
	const goal = third ? toneWords(third) : 'the third';
	return {
		verdict: 'clash',
		role: notation('#9'),
		treatment: `curl it up a quarter tone toward ${goal}, or hammer on to it`
	};
}

/**
 * How a note sits on a chord, by the convention of the harmony books: a note a semitone above a
 * chord tone clashes with it (the fourth over major and dominant, ♭6 and ♭2 over minor, ♭2 over
 * half-diminished), the minor third clashes with a major chord, other neighbours a whole tone above
 * a chord tone colour it, the rest pass. Over a dominant that resolves, ♭9 ♯9 ♯11 ♭13 are colour.
 * A verdict is advice, never a prohibition; a held bass counts as a chord tone.
 * @param next the chord that follows, null when unknown
 */
export function noteVerdict(note: Note, chord: Chord, next: Chord | null = null): NoteVerdict {
	const pc = pitchClass(note);
	const role = readOver(note, chord);
	const own = chord.tones.find((tone) => tone.pc === pc);
	if (own) return { verdict: 'home', role, treatment: null };
	const above = mod(pc - pitchClass(chord.root), 12);
	if (resolves(chord, next) && TENSIONS.has(above)) {
		return { verdict: 'colour', role, treatment: 'a tension: let it resolve with the chord' };
	}
	if (above === 3 && hasRole(chord, '3')) return againstThird(chord);
	const below = chord.tones.find((tone) => tone.essential && mod(pc - tone.pc, 12) === 1);
	if (below) {
		return {
			verdict: 'clash',
			role,
			treatment: `let it fall a semitone to ${toneWords(below)}, or pass through on a weak beat`
		};
	}
	// Spelled as a fifth a lowered fifth passes; spelled as a fourth it is the lydian colour.
	if (above === 6) {
		const lydian = hasRole(chord, '3') && intervalBetween(chord.root, note).steps === 3;
		if (!lydian) return { verdict: 'passing', role, treatment: 'slide on to the fifth' };
	}
	if (hasRole(chord, '4') && above === 4) {
		return { verdict: 'passing', role, treatment: 'it resolves the suspended fourth' };
	}
	return { verdict: 'colour', role, treatment: null };
}

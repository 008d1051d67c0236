import type { Chord } from '../chord';
import { intervalBetween, mod, notation, pitchClass, type Notation, type Note } from '../pitch';

/** Names of the twelve intervals above a root when they are no chord tones. */
const OVER_MAJOR = ['R', 'b9', '9', '#9', '3', '11', '#11', '5', 'b13', '13', 'b7', '7'];
const OVER_MINOR = ['R', 'b9', '9', 'b3', '3', '11', 'b5', '5', 'b13', '13', 'b7', '7'];

/**
 * What a note is over a chord: the chord's own role, or the extension it adds (`9`, `#11`, `b13`).
 * A sixth over a chord without a seventh is `6`; a lowered fifth keeps that name when it is spelled so.
 * @example readOver(parseNote('G'), parseChord('Ab7')) // '7'
 */
export function readOver(note: Note, chord: Chord): Notation {
	return notation(nameOver(note, chord));
}

function nameOver(note: Note, chord: Chord): string {
	const pc = pitchClass(note);
	const own = chord.tones.find((tone) => tone.pc === pc);
	if (own) return own.role;
	const { roles } = chord.quality;
	const above = mod(pc - pitchClass(chord.root), 12);
	const minor = roles.includes('b3');
	const seventh = roles.some((role) => role.endsWith('7'));
	if (above === 9 && !seventh) return '6';
	if (above === 3 && !minor && !roles.includes('3')) return 'b3';
	const name = (minor ? OVER_MINOR : OVER_MAJOR)[above]!;
	if (above === 6) return intervalBetween(chord.root, note).steps === 4 ? 'b5' : '#11';
	if (above === 5 && minor && !seventh) return '4';
	return name;
}

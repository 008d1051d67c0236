import { hasRole, roleInterval, roleKind, type Chord, type Role } from '../chord';
import { noteVerdict, type Scale } from '../harmony';
import { above, pitchClass, type Note } from '../pitch';

/** A role that a note has over a chord, with the note spelled from the chord's root. */
export type Spelled = { readonly role: Role; readonly note: Note; readonly pc: number };

/** The letter steps of a role above the root: 9 and 2 are a second, 13 and 6 a sixth. */
const STEPS: Record<string, number> = { '2': 1, '4': 3, '6': 5, '9': 1, '11': 3, '13': 5 };
const stepsOf = (role: Role): number | undefined => STEPS[role.replace(/[b#]/g, '')];

const spell = (chord: Chord, role: Exclude<Role, 'bass'>): Spelled => {
	const note = above(chord.root, roleInterval(role));
	return { role, note, pc: pitchClass(note) };
};

/** Roles that stand for the same letter over a root, plain first. */
const SAME_LETTER: Record<number, readonly Exclude<Role, 'bass'>[]> = {
	1: ['9', 'b9', '#9', '2'],
	2: ['3', 'b3'],
	3: ['11', '#11', '4'],
	4: ['5', 'b5', '#5'],
	5: ['13', 'b13', '6'],
	6: ['7', 'b7', 'bb7']
};

/** The scale's own note a letter away from the root, if it has one under a role of that letter. */
function fromScale(chord: Chord, scale: Scale | null, letter: number): Spelled | null {
	for (const role of SAME_LETTER[letter] ?? []) {
		const spelled = spell(chord, role);
		const { letter: named } = spelled.note;
		if (scale?.notes.some(({ pc, note }) => pc === spelled.pc && note.letter === named))
			return spelled;
	}
	return null;
}

/**
 * What a role becomes over another chord: the chord's own third, fifth or seventh, its own extension where
 * its symbol names one; else what the scale in use has there unless it clashes; else the plain one. So a
 * third turns minor where the chord says so.
 * @example roleOver(parseChord('Dm7')!, '3', null).role // 'b3'
 */
export function roleOver(
	chord: Chord,
	role: Role,
	scale: Scale | null,
	next: Chord | null = null
): Spelled {
	const of = (wanted: (tone: Chord['tones'][number]) => boolean): Spelled | null => {
		const tones = chord.tones.filter((tone) => tone.role !== 'bass' && wanted(tone));
		// Of two altered tones the one that was asked for; else the first.
		const tone = tones.find((entry) => entry.role === role) ?? tones[0];
		return tone ? { role: tone.role, note: tone.note, pc: tone.pc } : null;
	};
	const kind = roleKind(role);
	if (kind === 'root' || role === 'bass') return spell(chord, 'R');
	const letter = stepsOf(role);
	if (letter !== undefined) {
		const own = of((tone) => stepsOf(tone.role) === letter);
		if (own) return own;
		const scaled = fromScale(chord, scale, letter);
		const harsh = scaled && noteVerdict(scaled.note, chord, next).verdict === 'clash';
		if (scaled && !harsh) return scaled;
		return spell(chord, role);
	}
	const own = of(
		(tone) => roleKind(tone.role) === kind && (kind !== 'seventh' || tone.role !== '6')
	);
	if (own) return own;
	const letterOfKind = kind === 'third' ? 2 : kind === 'fifth' ? 4 : 6;
	return fromScale(chord, scale, letterOfKind) ?? spell(chord, role);
}

/** The role of a pitch over a chord: the chord's own, else as the scale spells it, else the plain one. */
const BY_SEMITONES: readonly Exclude<Role, 'bass'>[] = [
	'R',
	'b9',
	'9',
	'b3',
	'3',
	'11',
	'#11',
	'5',
	'b13',
	'13',
	'b7',
	'7'
];

export function roleOfPitch(chord: Chord, midi: number): Role {
	const pc = midi % 12;
	const tone = chord.tones.find((entry) => entry.pc === pc && entry.role !== 'bass');
	if (tone) return tone.role;
	const semitones = (pc - pitchClass(chord.root) + 12) % 12;
	// Against a major third the minor one is a sharp ninth.
	const major = hasRole(chord, '3');
	return semitones === 3 && major ? '#9' : BY_SEMITONES[semitones]!;
}

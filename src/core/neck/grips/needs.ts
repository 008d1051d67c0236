import { guideTones, isGuideTone, type Chord, type Tone } from '../../chord';

/** What a grip of a chord has to sound. */
export type Needs = {
	/** Each of them sounds. */
	readonly all: ReadonlySet<number>;
	/** One of them sounds; empty for no such wish. */
	readonly one: ReadonlySet<number>;
	/** How many different tones there are at least. */
	readonly kinds: number;
};

const pcs = (tones: readonly Tone[]): ReadonlySet<number> => new Set(tones.map(({ pc }) => pc));

/** Tones that a hand with few fingers leaves to the band: the perfect fifth first, then what a higher extension says too. */
function canLack({ role }: Tone, chord: Chord): boolean {
	const roles: readonly string[] = chord.tones.map((tone) => tone.role);
	const tones = chord.tones.filter((tone) => tone.role !== 'bass').length;
	if (role === '5') return tones > 3;
	const thirteenth = roles.some((other) => other.endsWith('13'));
	if (role === '11') return thirteenth && !roles.includes('4');
	return role === '9' && thirteenth && roles.includes('b7');
}

/**
 * A grip of four strings or more holds every tone of the chord but a perfect fifth beside others, and of an
 * altered dominant one tension.
 */
export function fullNeeds(chord: Chord): Needs {
	const essential = chord.tones.filter((tone) => tone.essential);
	const all = pcs(essential.filter((tone) => !canLack(tone, chord)));
	const one = pcs(chord.tones.filter((tone) => !tone.essential));
	return { all, one, kinds: all.size + (one.size > 0 ? 1 : 0) };
}

/** Three strings hold a triad whole, of a larger chord its guide tones and one tone more. */
export function smallNeeds(chord: Chord): Needs {
	const essential = chord.tones.filter((tone) => tone.essential && tone.role !== 'bass');
	const none: ReadonlySet<number> = new Set();
	if (essential.length <= 3) return { all: pcs(essential), one: none, kinds: essential.length };
	const guides = guideTones(chord).filter((tone) => isGuideTone(tone.role));
	const bent = essential.filter(({ role }) => role === 'b5' || role === '#5');
	const added = essential.filter(({ role }) => role === '9' && guides.length === 1);
	return { all: pcs([...guides, ...bent, ...added].slice(0, 3)), one: none, kinds: 3 };
}

/** True when some pitch classes are all that is needed. */
export const meets = ({ all, one, kinds }: Needs, heard: ReadonlySet<number>): boolean =>
	heard.size >= kinds &&
	[...all].every((pc) => heard.has(pc)) &&
	(one.size === 0 || [...one].some((pc) => heard.has(pc)));

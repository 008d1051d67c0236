import { degreeInterval, type Interval } from '../pitch';

/** What a tone is in its chord; ASCII, as the public API writes it. */
export const ROLES = [
	'R',
	'2',
	'b3',
	'3',
	'4',
	'b5',
	'5',
	'#5',
	'6',
	'bb7',
	'b7',
	'7',
	'b9',
	'9',
	'#9',
	'11',
	'#11',
	'b13',
	'13',
	'bass'
] as const;
export type Role = (typeof ROLES)[number];

/** True for the name of a role. */
export const isRole = (text: unknown): text is Role => ROLES.some((role) => role === text);

/** The interval of a role above the chord's root. `bass` has none: it is named by the symbol. */
export const roleInterval = (role: Exclude<Role, 'bass'>): Interval =>
	degreeInterval(role === 'R' ? '1' : role);

/** The families that share a mark and a landing weight. */
export type RoleKind = 'root' | 'third' | 'fifth' | 'seventh' | 'extension' | 'bass';

const KIND: Record<Role, RoleKind> = {
	R: 'root',
	'2': 'third',
	b3: 'third',
	'3': 'third',
	'4': 'third',
	b5: 'fifth',
	'5': 'fifth',
	'#5': 'fifth',
	'6': 'seventh',
	bb7: 'seventh',
	b7: 'seventh',
	'7': 'seventh',
	b9: 'extension',
	'9': 'extension',
	'#9': 'extension',
	'11': 'extension',
	'#11': 'extension',
	b13: 'extension',
	'13': 'extension',
	bass: 'bass'
};

/**
 * The family of a role. A suspended tone counts with the thirds whose place it takes, the sixth of
 * a sixth chord with the sevenths: both are guide tones.
 */
export const roleKind = (role: Role): RoleKind => KIND[role];

/** Guide tones: third, seventh, suspended tone, sixth of a sixth chord. */
export const isGuideTone = (role: Role): boolean =>
	KIND[role] === 'third' || KIND[role] === 'seventh';

const WORDS: Record<Role, string> = {
	R: 'root',
	'2': 'suspended second',
	b3: 'minor third',
	'3': 'third',
	'4': 'suspended fourth',
	b5: 'flat fifth',
	'5': 'fifth',
	'#5': 'sharp fifth',
	'6': 'sixth',
	bb7: 'diminished seventh',
	b7: 'seventh',
	'7': 'major seventh',
	b9: 'flat ninth',
	'9': 'ninth',
	'#9': 'sharp ninth',
	'11': 'eleventh',
	'#11': 'sharp eleventh',
	b13: 'flat thirteenth',
	'13': 'thirteenth',
	bass: 'bass note'
};

/** The role in words, for sentences: "D, the third of B♭7". */
export const roleWords = (role: Role): string => WORDS[role];

import { isRole, parseChord, ROLES, type Chord, type Role } from '../../chord';
import { noteName, type Note } from '../../pitch';
import { all, child, el, numberAt, textAt, type XmlNode } from './xml';

/** The kinds of chord that the format names, with the text after the root that says the same. */
const KINDS: readonly (readonly [kind: string, suffix: string])[] = [
	['major', ''],
	['minor', 'm'],
	['augmented', 'aug'],
	['diminished', 'dim'],
	['dominant', '7'],
	['major-seventh', 'maj7'],
	['minor-seventh', 'm7'],
	['diminished-seventh', 'dim7'],
	['augmented-seventh', '7#5'],
	['half-diminished', 'm7b5'],
	['major-minor', 'mMaj7'],
	['major-sixth', '6'],
	['minor-sixth', 'm6'],
	['dominant-ninth', '9'],
	['major-ninth', 'maj9'],
	['minor-ninth', 'm9'],
	['dominant-11th', '11'],
	['major-11th', 'maj11'],
	['minor-11th', 'm11'],
	['dominant-13th', '13'],
	['major-13th', 'maj13'],
	['minor-13th', 'm13'],
	['suspended-second', 'sus2'],
	['suspended-fourth', 'sus4'],
	['power', '5']
];
const SUFFIX = new Map(KINDS);
const rolesOf = (suffix: string): readonly Role[] => parseChord(`C${suffix}`)?.quality.roles ?? [];

const LETTERS = 'CDEFGAB';
const ORDER = new Map(ROLES.map((role, i) => [role, i]));

/** A role as degree and alteration; a seventh counts from the dominant's, as the format has it. */
function degreeOf(role: Role): { value: number; alter: number } {
	const match = /^(bb|b|#)?(\d+)$/.exec(role);
	const value = Number(match?.[2] ?? 1);
	const alter = { bb: -2, b: -1, '#': 1 }[match?.[1] ?? ''] ?? 0;
	return { value, alter: value === 7 ? alter + 1 : alter };
}

/** What must be added to, altered in and taken from a kind to make a chord of it. */
type Edit = { readonly value: number; readonly alter: number; readonly type: string };

function editsFrom(base: readonly Role[], roles: readonly Role[]): Edit[] {
	const gone = base.filter((role) => !roles.includes(role));
	const added = roles.filter((role) => !base.includes(role));
	const edits: Edit[] = [];
	for (const role of added) {
		const { value, alter } = degreeOf(role);
		const other = gone.find((entry) => degreeOf(entry).value === value && value !== 7);
		if (other) {
			gone.splice(gone.indexOf(other), 1);
			edits.push({ value, alter: alter - degreeOf(other).alter, type: 'alter' });
		} else edits.push({ value, alter, type: 'add' });
	}
	for (const role of gone) edits.push({ value: degreeOf(role).value, alter: 0, type: 'subtract' });
	return edits;
}

function pitchNodes(prefix: 'root' | 'bass', note: Note) {
	return el(prefix, [
		el(`${prefix}-step`, LETTERS[note.letter]),
		note.alter === 0 ? null : el(`${prefix}-alter`, note.alter)
	]);
}

/**
 * The element of a chord, or of silence.
 * @param offset ticks after the place where the element stands
 */
export function harmonyNode(chord: Chord | null, offset: number) {
	const place = offset > 0 ? el('offset', offset) : null;
	if (!chord) {
		const root = el('root', [el('root-step', 'C', { text: '' })]);
		return el('harmony', [root, el('kind', 'none', { text: 'N.C.' }), place]);
	}
	const { roles } = chord.quality;
	let [kind, edits]: [string, Edit[]] = ['major', editsFrom(rolesOf(''), roles)];
	for (const [name, suffix] of KINDS) {
		const needed = editsFrom(rolesOf(suffix), roles);
		if (needed.length < edits.length) [kind, edits] = [name, needed];
	}
	const head = noteName(chord.root).length;
	const written = chord.symbol.slice(head).replace(/\/[A-G][b#]*$/, '');
	return el('harmony', [
		pitchNodes('root', chord.root),
		el('kind', kind, { text: written }),
		chord.bass ? pitchNodes('bass', chord.bass) : null,
		...edits.map(({ value, alter, type }) =>
			// The text has them already: a program shows the one or the other.
			el(
				'degree',
				[el('degree-value', value), el('degree-alter', alter), el('degree-type', type)],
				{ 'print-object': 'no' }
			)
		),
		place
	]);
}

const SIGNS = ['bb', 'b', '', '#', '##'];

function noteOf(node: XmlNode | undefined, prefix: 'root' | 'bass'): string | null {
	const step = textAt(node, `${prefix}-step`).toUpperCase();
	const sign = SIGNS[(numberAt(node, `${prefix}-alter`) ?? 0) + 2];
	return /^[A-G]$/.test(step) && sign !== undefined ? step + sign : null;
}

/** The role that a degree adds; seconds, fourths and sixths above a seventh are its extensions. */
function roleOf(value: number, alter: number, has: ReadonlySet<Role>): Role | null {
	// Without a third a second or a fourth is a suspended tone.
	const hangs = !has.has('3') && !has.has('b3');
	const up = hangs ? value : ({ 2: 9, 4: 11 }[value] ?? value);
	const seventh = has.has('b7') || has.has('7') || has.has('bb7');
	const number = up === 6 && seventh ? 13 : up;
	const sign = SIGNS[(number === 7 ? alter - 1 : alter) + 2];
	if (sign === undefined) return null;
	const text = `${sign}${number}`;
	return isRole(text) ? text : null;
}

function edited(base: readonly Role[], degrees: readonly XmlNode[]): Set<Role> | null {
	const roles = new Set(base);
	const drop = (value: number) => {
		for (const role of roles)
			if (role !== 'R' && degreeOf(role).value === value) roles.delete(role);
	};
	const taken = degrees.filter((degree) => textAt(degree, 'degree-type') === 'subtract');
	for (const degree of taken) drop(numberAt(degree, 'degree-value') ?? 0);
	for (const degree of degrees) {
		if (taken.includes(degree)) continue;
		const value = numberAt(degree, 'degree-value') ?? 0;
		const alter = numberAt(degree, 'degree-alter') ?? 0;
		const type = textAt(degree, 'degree-type');
		const role = roleOf(value, alter, roles);
		if (!role) return null;
		if (type === 'alter') drop(value);
		roles.add(role);
	}
	return roles;
}

const SPELLED_MODS: Partial<Record<Role, string>> = { '2': 'sus2', '4': 'sus4' };

/** The text after the root that makes these roles, from a kind's own and what is added or missing. */
function spellSuffix(suffix: string, roles: ReadonlySet<Role>): string | null {
	const key = (list: Iterable<Role>) =>
		[...list].sort((a, b) => (ORDER.get(a) ?? 0) - (ORDER.get(b) ?? 0)).join();
	const wanted = key(roles);
	const fits = (text: string) => {
		const chord = parseChord(`C${text}`);
		return chord !== null && key(chord.quality.roles) === wanted;
	};
	for (const base of [suffix, ...KINDS.map(([, text]) => text), '7alt']) {
		if (fits(base)) return base;
		const own = rolesOf(base);
		const mods = [...roles]
			.filter((role) => !own.includes(role))
			.map((role) => SPELLED_MODS[role] ?? (/^\d/.test(role) ? `add${role}` : role));
		const missing = own
			.filter((role) => !roles.has(role) && !mods.some((mod) => mod.endsWith(role)))
			.map((role) => `no${degreeOf(role).value}`);
		for (const text of [base + mods.join(''), base + [...mods, ...missing].join('')]) {
			if (fits(text)) return text;
		}
		const inside = mods.map((mod) => mod.replace('add', '')).join(',');
		if (inside !== '' && fits(`${base}(${inside})`)) return `${base}(${inside})`;
	}
	return null;
}

/**
 * The chord symbol that an element names: as it was written there where that says the same, else spelled
 * anew. `N.C.` is silence; null where it cannot be told.
 */
export function symbolOf(harmony: XmlNode): string | null {
	const kindNode = child(harmony, 'kind');
	const kind = kindNode?.text ?? '';
	if (kind === 'none') return 'N.C.';
	const root = noteOf(child(harmony, 'root'), 'root');
	if (!root) return null;
	const bass = noteOf(child(harmony, 'bass'), 'bass');
	const slash = bass ? `/${bass}` : '';
	const written = (kindNode?.attributes.text ?? '').replaceAll('♭', 'b').replaceAll('♯', '#');
	const asWritten = written === '' ? null : parseChord(root + written);
	const suffix = SUFFIX.get(kind);
	if (suffix === undefined) return asWritten ? root + written + slash : null;
	const roles = edited(rolesOf(suffix), all(harmony, 'degree'));
	if (!roles) return root + (asWritten ? written : suffix) + slash;
	const same =
		asWritten?.quality.roles.length === roles.size &&
		asWritten.quality.roles.every((role) => roles.has(role));
	if (same) return root + written + slash;
	const spelled = spellSuffix(suffix, roles);
	return spelled === null ? root + suffix + slash : root + spelled + slash;
}

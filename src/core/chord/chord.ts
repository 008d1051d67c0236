import {
	above,
	asciiAccidentals,
	noteName,
	parseNote,
	pitchClass,
	sameSound,
	notation,
	type Interval,
	type Notation,
	type Note,
	type PitchClass
} from '../pitch';
import { parseQuality, type Quality } from './quality';
import { isGuideTone, roleInterval, type Role } from './role';

/** A spelled tone of a chord. `essential` is false only for the tensions of an altered dominant. */
export type Tone = {
	readonly role: Role;
	readonly note: Note;
	readonly name: Notation;
	readonly pc: PitchClass;
	readonly essential: boolean;
};

/** A readable chord. `symbol` is ASCII; `bass` is the note after a slash, chord tone or not. */
export type Chord = {
	readonly symbol: Notation;
	readonly root: Note;
	readonly quality: Quality;
	readonly bass: Note | null;
	readonly tones: readonly Tone[];
};

/** Signs that look alike become one: minus signs and dashes, degree signs, the slashed o. */
export const normaliseSymbol = (text: string): string =>
	asciiAccidentals(text)
		.replace(/[−–—‑]/g, '-')
		.replace(/[º˚]/g, '°')
		.replaceAll('Ø', 'ø')
		.replace(/[△∆]/g, 'Δ');

function spellTones(root: Note, quality: Quality, bass: Note | null): Tone[] {
	const tones = quality.roles.map((role): Tone => {
		const note = above(root, roleInterval(role as Exclude<Role, 'bass'>));
		const essential = !quality.tensions.includes(role);
		return { role, note, name: noteName(note), pc: pitchClass(note), essential };
	});
	if (bass && !tones.some((tone) => sameSound(tone.note, bass))) {
		const name = noteName(bass);
		tones.push({ role: 'bass', note: bass, name, pc: pitchClass(bass), essential: true });
	}
	return tones;
}

/** Builds a chord from its parts; the symbol is the canonical one. */
export function buildChord(
	root: Note,
	quality: Quality,
	bass: Note | null,
	symbol: string = noteName(root) + quality.suffix + (bass ? `/${noteName(bass)}` : '')
): Chord {
	return { symbol: notation(symbol), root, quality, bass, tones: spellTones(root, quality, bass) };
}

const ROOT = /^[A-G](?:bb|b|##|#)?/;
const cache = new Map<string, Chord | null>();
const CACHE_LIMIT = 4096;
/** Longer than any chord that can be read and spelled with sense; such text is not worth keeping. */
const CACHED_LENGTH = 64;

function readChord(text: string): Chord | null {
	const rootText = ROOT.exec(text)?.[0];
	const root = rootText ? parseNote(rootText) : null;
	if (!root || !rootText) return null;
	const rest = text.slice(rootText.length);
	const slash = /\/([A-G](?:bb|b|##|#)?)$/.exec(rest);
	const bass = slash ? parseNote(slash[1]!) : null;
	const quality = parseQuality(slash ? rest.slice(0, slash.index) : rest);
	return quality && buildChord(root, quality, bass, text);
}

/**
 * Reads a chord symbol: root, quality, extensions, alterations, slash bass; ASCII or typographic.
 * Results are cached per text.
 * @returns null when it cannot be read; `suggestSymbol` names the nearest readable one.
 * @example parseChord('E°7')?.tones.map((tone) => tone.name) // ['E', 'G', 'Bb', 'Db']
 */
export function parseChord(text: string): Chord | null {
	const symbol = normaliseSymbol(text);
	const known = cache.get(symbol);
	if (known !== undefined) return known;
	const chord = readChord(symbol);
	if (symbol.length > CACHED_LENGTH) return chord;
	if (cache.size >= CACHE_LIMIT) cache.clear();
	cache.set(symbol, chord);
	return chord;
}

/** True when a chord has a tone of one of some roles. */
export const hasRole = (chord: Chord, ...roles: readonly Role[]): boolean =>
	roles.some((role) => chord.quality.roles.includes(role));

/** True when two chords have the same root, tones and bass: no change happens between them. */
export const sameChord = (a: Chord, b: Chord): boolean =>
	noteName(a.root) === noteName(b.root) &&
	a.quality.roles.join() === b.quality.roles.join() &&
	a.quality.tensions.length === b.quality.tensions.length &&
	(a.bass && noteName(a.bass)) === (b.bass && noteName(b.bass));

/** The tone of a chord that a pitch sounds, if any. */
export const toneAt = (chord: Chord, pitch: number): Tone | undefined =>
	chord.tones.find((tone) => tone.pc === pitch % 12);

/** Third, seventh, suspended tone, sixth of a sixth chord; without any of them root and fifth. */
export function guideTones(chord: Chord): readonly Tone[] {
	const guides = chord.tones.filter((tone) => isGuideTone(tone.role));
	return guides.length > 0
		? guides
		: chord.tones.filter((tone) => tone.role === 'R' || tone.role.endsWith('5'));
}

/** Moves a chord by an interval, root and bass alike; the spelling follows the interval. */
export function transposeChord(chord: Chord, interval: Interval): Chord {
	const bass = chord.bass && above(chord.bass, interval);
	return buildChord(above(chord.root, interval), chord.quality, bass);
}

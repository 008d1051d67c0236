import { hasRole, guideTones, isMinorMode, parseChord, type Chord, type Key } from '../chord';
import { scaleChoices } from './choices';
import { isDominant } from './evidence';
import {
	noteName,
	pitchClass,
	degreeInterval,
	mod,
	above,
	notation,
	type Notation,
	type Note
} from '../pitch';
import { readOver } from './read-over';
import { buildScale, type Scale } from './scale';
import { noteVerdict, type Verdict } from './verdict';

/** An arpeggio or cell whose tones all lie in a scale, and what a chord makes of it. */
export type Hidden = {
	/** A chord symbol (`Cm7`), or the root with the cell's degrees (`C 1 3 #4 7`). */
	readonly name: Notation;
	readonly kind: 'arpeggio' | 'cell';
	readonly notes: readonly Note[];
	/** What each tone is over the chord of the moment. */
	readonly roles: readonly Notation[];
	readonly verdicts: readonly Verdict[];
	/** Names of the notes that clash with the chord. */
	readonly clashes: readonly Notation[];
	readonly use: HiddenUse;
	/** The larger chord that it stands for when its root is left to the bass: `C7b9`; null for none. */
	readonly rootless: Notation | null;
};

/**
 * What an arpeggio is good for over a chord: it tells the chord (all its guide tones are in it), it
 * colours it (nothing clashes, or the sound is a usual one), or it does neither.
 */
type HiddenUse = 'tells' | 'colour' | 'rest';

/** Arpeggios that are looked for, the plainest name for a set of notes first, each with its worth. */
const QUALITIES: readonly (readonly [suffix: string, worth: number])[] = [
	...(['maj7', 'm7', '7', 'm7b5', 'mMaj7', 'dim7', 'maj7#5', '7#5'] as const).map(
		(suffix) => [suffix, 0.6] as const
	),
	...(['maj9', 'm9', '9'] as const).map((suffix) => [suffix, 0.2] as const),
	...(['', 'm', 'dim', 'aug'] as const).map((suffix) => [suffix, 0.6] as const),
	...(['6', 'm6', 'add9', 'madd9', '7sus4'] as const).map((suffix) => [suffix, -0.3] as const),
	...(['sus4', 'sus2'] as const).map((suffix) => [suffix, -0.6] as const)
];

/** Four-note cells that are no arpeggio, by degrees. */
const CELLS = ['1 2 3 5', '1 2 b3 5', '1 3 #4 7', '1 3 4 5', '1 b3 4 5', '1 3 4 b7', '1 b2 4 5'];

type Found = {
	name: Notation;
	kind: Hidden['kind'];
	notes: readonly Note[];
	pcs: readonly number[];
	rank: number;
	worth: number;
	/** How many tones the name would spell otherwise than the scale does. */
	respelled: number;
};

/** The notes of a scale by pitch class. */
type Spelling = ReadonlyMap<number, Note>;

/** Notes as the scale spells them; null where one is not in it. */
function spelledIn(spelling: Spelling, notes: readonly Note[]): Note[] | null {
	const found = notes.flatMap((note) => spelling.get(pitchClass(note)) ?? []);
	return found.length === notes.length ? found : null;
}

function arpeggiosOn(root: Note, spelling: Spelling): Found[] {
	return QUALITIES.flatMap(([suffix, worth], rank): Found[] => {
		const chord = parseChord(noteName(root) + suffix);
		const notes =
			chord &&
			spelledIn(
				spelling,
				chord.tones.map((tone) => tone.note)
			);
		if (!chord || !notes) return [];
		const respelled = chord.tones.filter((tone, i) => tone.name !== noteName(notes[i]!)).length;
		return [
			{
				name: chord.symbol,
				kind: 'arpeggio',
				notes,
				pcs: notes.map(pitchClass),
				rank,
				worth,
				respelled
			}
		];
	});
}

const cellsOn = (root: Note, spelling: Spelling): Found[] =>
	CELLS.flatMap((degrees, i): Found[] => {
		const tones = degrees.split(' ').map((degree) => above(root, degreeInterval(degree)));
		const notes = spelledIn(spelling, tones);
		if (!notes) return [];
		const rank = QUALITIES.length + i;
		const name = notation(`${noteName(root)} ${degrees}`);
		return [
			{ name, kind: 'cell', notes, pcs: notes.map(pitchClass), rank, worth: -0.5, respelled: 0 }
		];
	});

const WEIGHT: Record<Verdict, number> = { home: 1, colour: 1.4, passing: 0, clash: -2.5 };

/** Read over a chord: roles and verdicts of a list of notes. */
function readAll(
	notes: readonly Note[],
	chord: Chord,
	next: Chord | null = null
): { roles: Notation[]; verdicts: Verdict[] } {
	const read = notes.map((note) => noteVerdict(note, chord, next));
	return {
		roles: notes.map((note) => readOver(note, chord)),
		verdicts: read.map((v) => v.verdict)
	};
}

/** Larger chords whose upper tones alone are a usual sound, by the roles of those tones. */
const ROOTLESS: Readonly<Record<string, string>> = {
	'3,5,b7,b9': '7b9',
	'3,5,b7,9': '9',
	'3,5,7,9': 'maj9',
	'b3,5,b7,9': 'm9'
};

const USES: readonly HiddenUse[] = ['tells', 'colour', 'rest'];

function useOf(found: Found, verdicts: readonly Verdict[], chord: Chord): HiddenUse {
	if (guideTones(chord).every((tone) => found.pcs.includes(tone.pc))) return 'tells';
	const clashes = verdicts.filter((verdict) => verdict === 'clash').length;
	if (clashes === 0) return verdicts.includes('colour') ? 'colour' : 'rest';
	// The half-diminished seventh of the key over its other seventh chords: one note passes.
	const usual = /m7b5$/.test(found.name) && clashes === 1;
	const seventh = hasRole(chord, '7', 'b7');
	return usual && seventh && !isDominant(chord) ? 'colour' : 'rest';
}

/**
 * Every three-, four- and five-note arpeggio and four-note cell hidden in a scale, spelled as the scale
 * is and read over a chord note by note; the chord's own is left out. By use: first what tells the chord,
 * then what colours it, then the rest; fewer clashes first, four notes before three. Over a dominant the
 * diminished seventh on its third goes before everything else.
 * @example hiddenArpeggios(abMajor, parseChord('Ab')) // … Cm7: 3 5 7 9
 */
export function hiddenArpeggios(scale: Scale, chord: Chord, next: Chord | null = null): Hidden[] {
	const own = new Set(chord.tones.map((tone) => tone.pc));
	const heard = new Map(
		scale.notes.map(({ note, pc }) => [pc, noteVerdict(note, chord, next)] as const)
	);
	return foundIn(scale)
		.flatMap((found) => {
			const { name, kind, notes, pcs } = found;
			// A chord of even steps has the same notes on each of its roots.
			const even = pcs.length === own.size && /(dim7|aug)$/.test(name);
			const inside = pcs.every((pc) => own.has(pc));
			if (inside && (even || pcs[0] === pitchClass(chord.root))) return [];
			const read = pcs.flatMap((pc) => heard.get(pc) ?? []);
			const [roles, verdicts] = [read.map(({ role }) => role), read.map((one) => one.verdict)];
			const clashes = notes.map(noteName).filter((_, i) => verdicts[i] === 'clash');
			const upper = ROOTLESS[[...roles].sort(byRole).join()];
			const rootless = upper ? notation(noteName(chord.root) + upper) : null;
			const use = useOf(found, verdicts, chord);
			const entry: Hidden = { name, kind, notes, roles, verdicts, clashes, use, rootless };
			const sound = verdicts.reduce((sum, verdict) => sum + WEIGHT[verdict], 0);
			const leads = rootless?.endsWith('7b9') ?? false;
			return [{ entry, leads, worth: found.worth + sound }];
		})
		.sort(
			(a, b) =>
				Number(b.leads) - Number(a.leads) ||
				USES.indexOf(a.entry.use) - USES.indexOf(b.entry.use) ||
				a.entry.clashes.length - b.entry.clashes.length ||
				b.worth - a.worth
		)
		.map(({ entry }) => entry);
}

const kept = new WeakMap<Scale, readonly Found[]>();

/** What lies in a scale, whatever sounds with it: one name for each set of notes, the plainest one. */
function foundIn(scale: Scale): readonly Found[] {
	const known = kept.get(scale);
	if (known) return known;
	const spelling: Spelling = new Map(scale.notes.map((note) => [note.pc, note.note]));
	const seen = new Set<number>();
	const found = scale.notes
		.flatMap(({ note }) => [...arpeggiosOn(note, spelling), ...cellsOn(note, spelling)])
		.sort((a, b) => a.rank - b.rank || a.respelled - b.respelled)
		.filter(({ pcs }) => {
			const mask = pcs.reduce((bits, pc) => bits | (1 << pc), 0);
			return !seen.has(mask) && seen.add(mask);
		});
	kept.set(scale, found);
	return found;
}

const byRole = (a: string, b: string): number => Number(/\d+/.exec(a)) - Number(/\d+/.exec(b));

/**
 * The scale in which arpeggios are looked for over a chord: the one in use, but over the major V of a
 * minor home, whose third that scale lacks, the home's harmonic minor.
 */
export function hiddenScale(chord: Chord, inUse: Scale, key: Key | null): Scale {
	const third = chord.tones.find((tone) => tone.role === '3');
	const onFifth = key && mod(pitchClass(chord.root) - pitchClass(key.tonic), 12) === 7;
	if (!key || !third || !onFifth || !isMinorMode(key.mode)) return inUse;
	if (inUse.notes.some((note) => note.pc === third.pc)) return inUse;
	const raised = buildScale(chord.root, 'phrygian dominant');
	const holds =
		raised && chord.tones.every((tone) => raised.notes.some(({ pc }) => pc === tone.pc));
	return holds ? raised : (scaleChoices(chord, inUse, { key, limit: 1 })[0]?.scale ?? inUse);
}

/** One shape read over many chords: what it becomes on each. The chords keep their order. */
export const readOverChords = (notes: readonly Note[], chords: readonly Chord[]) =>
	chords.map((chord) => ({ chord, ...readAll(notes, chord) }));

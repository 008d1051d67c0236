import type { Chord, Key, Role, Tone } from '../chord';
import { mod, parseNote, pitchClass, shortestMove, type Notation, type Note } from '../pitch';
import { spelledDegree } from './numeral-of';
import { buildScale, libraryOn, maskOf, scaleFrom, type Scale } from './scale';
import { usualScales } from './usual';

/** One note changed: `from` rises or falls to `to`; null on one side when a note is added or left out. */
export type ScaleEdit = { readonly from: Notation | null; readonly to: Notation | null };

/** A scale for one chord, told as edits of the scale in use: "same box, E♭ rises to E". */
export type ScaleChoice = {
	/** Named from the chord's root where a usual name starts there; the scale in use keeps its own name. */
	readonly scale: Scale;
	/** The same notes named from home, or from the chord that follows; null where that is no name. */
	readonly relative: Scale | null;
	readonly edits: readonly ScaleEdit[];
	/** All tones of the chord lie in it, tensions of an altered dominant included. */
	readonly containsAll: boolean;
	/** Tones of the chord that it lacks. */
	readonly lacks: readonly Tone[];
};

/** What scales for a chord are chosen by. */
export type ChoiceContext = {
	/** The chord that follows, null when unknown. */
	readonly next?: Chord | null;
	readonly key?: Key | null;
	/** At most this many; 6 unless given. */
	readonly limit?: number;
	/** Notes that come in addition go before notes that are replaced: what the chord adds to a box. */
	readonly adds?: boolean;
};

const holds = (scale: Scale, pc: number): boolean => scale.notes.some((note) => note.pc === pc);

/** The tones of a chord that a scale lacks. */
const missing = (scale: Scale, chord: Chord): Tone[] =>
	chord.tones.filter((tone) => !holds(scale, tone.pc));

/** The edits that turn one scale into another: nearest notes are paired, at most a whole tone apart. */
function scaleEdits(from: Scale, to: Scale): ScaleEdit[] {
	const gone = from.notes.filter((note) => !holds(to, note.pc));
	const fresh = to.notes.filter((note) => !holds(from, note.pc));
	const edits: ScaleEdit[] = [];
	const distance = (a: number, b: number) => Math.abs(shortestMove(a, b));
	const rank = (pc: number) => mod(pc - pitchClass(from.tonic), 12);
	const pairs = gone
		.flatMap((old) => fresh.map((note) => ({ old, note, far: distance(old.pc, note.pc) })))
		.filter((pair) => pair.far <= 2)
		// Ties go by height above the tonic, however the scales are written.
		.sort(
			(a, b) =>
				a.far - b.far || rank(a.old.pc) - rank(b.old.pc) || rank(a.note.pc) - rank(b.note.pc)
		);
	const used = new Set<object>();
	for (const { old, note } of pairs) {
		if (used.has(old) || used.has(note)) continue;
		used.add(old).add(note);
		edits.push({ from: old.name, to: note.name });
	}
	for (const old of gone) if (!used.has(old)) edits.push({ from: old.name, to: null });
	for (const note of fresh) if (!used.has(note)) edits.push({ from: null, to: note.name });
	return edits;
}

/** A scale of some notes on one of them, by its name in the library or by its degrees. */
function fromNotes(notes: readonly Note[], tonic: Note): Scale | null {
	const pcs = notes.map(pitchClass);
	const found = scaleFrom(tonic, pcs);
	if (found) return found;
	const rising = [...notes]
		.map((note) => ({ note, at: mod(pitchClass(note) - pitchClass(tonic), 12) }))
		.sort((a, b) => a.at - b.at);
	const spelled = rising.map(({ note }) => spelledDegree(tonic, note)).join(' ');
	// A spelling that is no degree (a lowered octave) gives way to the plain one.
	return (
		buildScale(tonic, spelled) ?? buildScale(tonic, rising.map(({ at }) => PLAIN[at]).join(' '))
	);
}

const PLAIN = ['1', 'b2', '2', 'b3', '3', '4', '#4', '5', 'b6', '6', 'b7', '7'];

/**
 * The scale in use with as few notes moved as the chord needs: each missing chord tone takes the
 * place of a neighbour a semitone away that is no chord tone, or comes in addition. Its name may be
 * a list of degrees.
 */
function adapted(inUse: Scale, chord: Chord): Scale | null {
	const notes: Note[] = inUse.notes.map((note) => note.note);
	const isTone = (note: Note) => chord.tones.some((tone) => tone.pc === pitchClass(note));
	for (const tone of chord.tones) {
		if (notes.some((note) => pitchClass(note) === tone.pc)) continue;
		const near = notes
			.map((note, i) => ({ i, move: shortestMove(pitchClass(note), tone.pc), note }))
			.filter(({ move, note }) => Math.abs(move) === 1 && !isTone(note))
			// The same letter moves first (C to C♯), then anything before the scale's own tonic.
			.sort(
				(a, b) =>
					Number(b.note.letter === tone.note.letter) - Number(a.note.letter === tone.note.letter) ||
					Number(a.i === 0) - Number(b.i === 0) ||
					b.move - a.move
			)[0];
		if (near) notes[near.i] = tone.note;
		else notes.push(tone.note);
	}
	return fromNotes(
		notes,
		notes.some((note) => pitchClass(note) === pitchClass(inUse.tonic)) ? inUse.tonic : chord.root
	);
}

/** The scale in use with the chord's missing tones added and nothing replaced. */
function enlarged(inUse: Scale, chord: Chord): Scale | null {
	const added = missing(inUse, chord).map((tone) => tone.note);
	return added.length === 0
		? null
		: fromNotes([...inUse.notes.map(({ note }) => note), ...added], inUse.tonic);
}

/** The notes of a scale with the name that a player would give them over a chord. */
function named(scale: Scale, chord: Chord, inUse: Scale, next: Chord | null): Scale {
	if (maskOf(scale) === maskOf(inUse)) return inUse;
	const pcs = scale.notes.map((note) => note.pc);
	const from = [
		chord.root,
		inUse.tonic,
		...(next ? [next.root] : []),
		...scale.notes.map(({ note }) => note)
	];
	for (const tonic of from) {
		const found = pcs.includes(pitchClass(tonic)) ? scaleFrom(tonic, pcs) : null;
		if (found) return found;
	}
	return scale;
}

/** The same notes from home, else from the chord that follows. */
function relativeOf(scale: Scale, inUse: Scale, next: Chord | null): Scale | null {
	if (scale === inUse) return null;
	const pcs = scale.notes.map((note) => note.pc);
	for (const tonic of [inUse.tonic, ...(next ? [next.root] : [])]) {
		if (pitchClass(tonic) === pitchClass(scale.tonic) || !pcs.includes(pitchClass(tonic))) continue;
		const found = scaleFrom(tonic, pcs);
		if (found) return found;
	}
	return null;
}

/** Without these tones a scale does not tell its chord. */
const TELLING = new Set<Role>(['R', 'b3', '3', 'bb7', 'b7', '7']);

/**
 * True for a scale that says the opposite of its chord: one without the chord's root, third or seventh
 * or with both thirds, over a lowered ninth one with the natural ninth in its place.
 */
function denies(scale: Scale, chord: Chord): boolean {
	const root = pitchClass(chord.root);
	const above = (semitones: number) => holds(scale, mod(root + semitones, 12));
	const lacks = missing(scale, chord).map(({ role }) => role);
	const twoThirds = scale.notes.length >= 7 && above(3) && above(4);
	return lacks.some((role) => TELLING.has(role)) || (lacks.includes('b9') && above(2)) || twoThirds;
}

/** A nameless scale of seven notes and more is no help where another one holds the chord. */
const nameless = ({ scale }: Offer): boolean =>
	scale.notes.length >= 7 && scale.name.startsWith('1 ');

/** How far edits are to think: a note a semitone away, a whole tone, one that comes or goes. */
const movement = (edits: readonly ScaleEdit[]): number =>
	edits.reduce((sum, { from, to }) => sum + (from && to ? stepCost(from, to) : 2), 0);
const stepCost = (from: Notation, to: Notation): number => {
	const [a, b] = [parseNote(from), parseNote(to)];
	return a && b && Math.abs(shortestMove(pitchClass(a), pitchClass(b))) === 2 ? 1.5 : 1;
};

/** Nothing of the scale in use is taken away. */
const onlyAdds = ({ edits }: Offer): boolean => edits.every(({ from }) => from === null);

/** So many first places are kept for the usual scales of a kind of chord. */
const FIRST = 3;

/** The usual scales among the first three, which keep the order of edits; everything else behind them. */
function usualFirst(sorted: readonly Offer[], isUsual: (choice: Offer) => boolean): Offer[] {
	const usual = sorted.filter((choice) => choice.containsAll && isUsual(choice)).slice(0, FIRST);
	const others = sorted.filter((choice) => !usual.includes(choice));
	// The scale in use that already holds the chord stays where it is: nothing has to be changed.
	const [still] = others[0]?.containsAll && others[0].edits.length === 0 ? others : [];
	const room = others
		.filter((choice) => choice !== still)
		.slice(0, Math.max(0, FIRST - usual.length - (still ? 1 : 0)));
	const first = sorted.filter(
		(choice) => choice === still || usual.includes(choice) || room.includes(choice)
	);
	return [...first, ...sorted.filter((choice) => !first.includes(choice))];
}

/**
 * Scales for a chord, best first: those with all its tones before those without, then by how few
 * notes of the scale in use they change; one that lacks more than one tone is left out; the usual scales of the chord's kind (`usualScales`) are among
 * the first three. None denies its chord, but for the scale in use itself and what players use all the same.
 * @example scaleChoices(parseChord('F7'), cMinorPentatonic, { key: cBlues })[0] // F dominant pentatonic
 */
export function scaleChoices(
	chord: Chord,
	inUse: Scale,
	{ next = null, key = null, limit = 6, adds = false }: ChoiceContext = {}
): ScaleChoice[] {
	const usual = usualScales(chord, { next, key, inUse });
	const tonics = [inUse.tonic];
	if (pitchClass(chord.root) !== pitchClass(inUse.tonic)) tonics.push(chord.root);
	const library = tonics.flatMap(libraryOn);
	const larger = adds ? enlarged(inUse, chord) : null;
	const seen = new Set<number>();
	const drafts: Offer[] = [];
	for (const scale of [inUse, ...usual, ...library, adapted(inUse, chord), larger]) {
		if (!scale || seen.has(maskOf(scale))) continue;
		seen.add(maskOf(scale));
		const players = scale === inUse || scale === larger || usual.includes(scale);
		if (!players && (missing(scale, chord).length > 1 || denies(scale, chord))) continue;
		// Only what has no name where it stands is called by another note's here; the best are named below.
		const called = scale.name.startsWith('1 ') ? named(scale, chord, inUse, next) : scale;
		drafts.push(draftOf(called, chord, inUse));
	}
	const helped = drafts.some((choice) => choice.containsAll && !nameless(choice));
	const kept = drafts.filter(
		(choice) => choice.scale === inUse || !helped || !nameless(choice) || (adds && onlyAdds(choice))
	);
	const added = (choice: Offer) => Number(adds && onlyAdds(choice));
	kept.sort(
		(a, b) =>
			Number(b.containsAll) - Number(a.containsAll) ||
			added(b) - added(a) ||
			a.edits.length - b.edits.length ||
			movement(a.edits) - movement(b.edits)
	);
	const wanted = new Set(usual.map(maskOf));
	const ordered = adds ? kept : usualFirst(kept, ({ scale }) => wanted.has(maskOf(scale)));
	return ordered.slice(0, limit).map(({ scale }) => choiceOf(scale, chord, inUse, next));
}

/** One scale over a chord as an edit of the scale in use, named for the chord. */
export function choiceOf(
	scale: Scale,
	chord: Chord,
	inUse: Scale,
	next: Chord | null = null
): ScaleChoice {
	const called = named(scale, chord, inUse, next);
	return { ...draftOf(called, chord, inUse), relative: relativeOf(called, inUse, next) };
}

/** A choice before it is given its name. */
type Offer = Omit<ScaleChoice, 'relative'>;

function draftOf(scale: Scale, chord: Chord, inUse: Scale): Offer {
	const lacks = missing(scale, chord);
	const edits = scaleEdits(inUse, scale);
	return { scale, edits, containsAll: lacks.length === 0, lacks };
}

import type { Chord } from '../chord';
import { mod, pitchClass, shortestMove, type Notation, type Note } from '../pitch';
import { spelledDegree } from './numeral-of';
import { buildScale, SCALE_NAMES, type Scale } from './scale';

/** One note changed: `from` rises or falls to `to`; null on one side when a note is added or left out. */
export type ScaleEdit = { readonly from: Notation | null; readonly to: Notation | null };

/** A scale for one chord, told as edits of the scale in use: "same box, E♭ rises to E". */
export type ScaleChoice = {
	readonly scale: Scale;
	readonly edits: readonly ScaleEdit[];
	/** All tones of the chord lie in it, tensions of an altered dominant included. */
	readonly containsAll: boolean;
};

const holds = (scale: Scale, pc: number): boolean => scale.notes.some((note) => note.pc === pc);

/** The edits that turn one scale into another: nearest notes are paired, at most a whole tone apart. */
export function scaleEdits(from: Scale, to: Scale): ScaleEdit[] {
	const gone = from.notes.filter((note) => !holds(to, note.pc));
	const fresh = to.notes.filter((note) => !holds(from, note.pc));
	const edits: ScaleEdit[] = [];
	const distance = (a: number, b: number) => Math.abs(shortestMove(a, b));
	const pairs = gone
		.flatMap((old) => fresh.map((note) => ({ old, note, far: distance(old.pc, note.pc) })))
		.filter((pair) => pair.far <= 2)
		.sort((a, b) => a.far - b.far);
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
	const kept = notes.some((note) => pitchClass(note) === pitchClass(inUse.tonic));
	const tonic = kept ? inUse.tonic : chord.root;
	const degrees = notes
		.map((note) => ({
			degree: spelledDegree(tonic, note),
			at: mod(pitchClass(note) - pitchClass(tonic), 12)
		}))
		.sort((a, b) => a.at - b.at)
		.map(({ degree }) => degree);
	return buildScale(tonic, degrees.join(' '));
}

/** Bebop and chromatic scales are ways of filling, no home for a chord. */
const CHOICES = SCALE_NAMES.filter((name) => !/^(bebop|chromatic)/.test(name));

const setKey = (scale: Scale): string =>
	scale.notes
		.map((note) => note.pc)
		.sort((a, b) => a - b)
		.join();

const movement = (edits: readonly ScaleEdit[]): number =>
	edits.reduce((sum, edit) => sum + (edit.from && edit.to ? 1 : 2), 0);

/**
 * Scales for a chord, best first: those with all its tones before those without, then by how few
 * notes of the scale in use they change. Names on the scale's own tonic come before names on the
 * chord's root for the same notes, because the hand stays in the same box.
 * @param limit at most this many
 */
export function scaleChoices(chord: Chord, inUse: Scale, limit = 6): ScaleChoice[] {
	const tonics = [inUse.tonic];
	if (pitchClass(chord.root) !== pitchClass(inUse.tonic)) tonics.push(chord.root);
	const named = tonics.flatMap((tonic) => CHOICES.map((name) => buildScale(tonic, name)));
	const seen = new Set<string>();
	const choices: ScaleChoice[] = [];
	for (const scale of [inUse, ...named, adapted(inUse, chord)]) {
		if (!scale || seen.has(setKey(scale))) continue;
		seen.add(setKey(scale));
		const containsAll = chord.tones.every((tone) => holds(scale, tone.pc));
		choices.push({ scale, edits: scaleEdits(inUse, scale), containsAll });
	}
	const onTonic = (choice: ScaleChoice) =>
		Number(pitchClass(choice.scale.tonic) !== pitchClass(inUse.tonic));
	return choices
		.sort(
			(a, b) =>
				Number(b.containsAll) - Number(a.containsAll) ||
				a.edits.length - b.edits.length ||
				movement(a.edits) - movement(b.edits) ||
				onTonic(a) - onTonic(b)
		)
		.slice(0, limit);
}

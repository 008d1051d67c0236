import { parseChord, type Chord } from '../chord';
import {
	noteName,
	pitchClass,
	degreeInterval,
	above,
	notation,
	type Notation,
	type Note
} from '../pitch';
import { readOver } from './read-over';
import type { Scale } from './scale';
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
};

/** Arpeggios that are looked for, the plainest name for a set of notes first, each with its worth. */
const QUALITIES: readonly (readonly [suffix: string, worth: number])[] = [
	...(['maj7', 'm7', '7', 'm7b5', 'mMaj7', 'dim7', 'maj7#5', '7#5'] as const).map(
		(suffix) => [suffix, 0.6] as const
	),
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
	rank: number;
	worth: number;
};

function arpeggiosOn(root: Note, pcs: ReadonlySet<number>): Found[] {
	const name = noteName(root);
	return QUALITIES.flatMap(([suffix, worth], rank): Found[] => {
		const chord = parseChord(name + suffix);
		if (!chord || !chord.tones.every((tone) => pcs.has(tone.pc))) return [];
		const notes = chord.tones.map((tone) => tone.note);
		return [{ name: chord.symbol, kind: 'arpeggio', notes, rank, worth }];
	});
}

const cellsOn = (root: Note, pcs: ReadonlySet<number>): Found[] =>
	CELLS.flatMap((degrees, i): Found[] => {
		const notes = degrees.split(' ').map((degree) => above(root, degreeInterval(degree)));
		if (!notes.every((note) => pcs.has(pitchClass(note)))) return [];
		const rank = QUALITIES.length + i;
		return [
			{ name: notation(`${noteName(root)} ${degrees}`), kind: 'cell', notes, rank, worth: -0.5 }
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

/**
 * Every three- and four-note arpeggio and four-note cell hidden in a scale, read over a chord; the
 * chord's own is left out. Best first: tones that are home or colour count for it, clashes against
 * it, four notes before three.
 * @example hiddenArpeggios(abMajor, parseChord('Ab')) // … Cm7: 3 5 7 9
 */
export function hiddenArpeggios(scale: Scale, chord: Chord, next: Chord | null = null): Hidden[] {
	const pcs = new Set(scale.notes.map((note) => note.pc));
	const own = new Set(chord.tones.map((tone) => tone.pc));
	const seen = new Set<string>();
	return scale.notes
		.flatMap(({ note }) => [...arpeggiosOn(note, pcs), ...cellsOn(note, pcs)])
		.sort((a, b) => a.rank - b.rank)
		.flatMap(({ rank: _, worth, ...found }) => {
			const sounds = found.notes.map(pitchClass);
			const isOwn =
				sounds.every((pc) => own.has(pc)) && pitchClass(found.notes[0]) === pitchClass(chord.root);
			const key = [...sounds].sort((a, b) => a - b).join();
			// Two names for the same notes: the plainer one that came first is enough.
			if (isOwn || seen.has(key)) return [];
			seen.add(key);
			const entry: Hidden = { ...found, ...readAll(found.notes, chord, next) };
			const heard = entry.verdicts.reduce((sum, verdict) => sum + WEIGHT[verdict], 0);
			return [{ entry, worth: worth + heard }];
		})
		.sort((a, b) => b.worth - a.worth)
		.map(({ entry }) => entry);
}

/** One shape read over many chords: what it becomes on each. The chords keep their order. */
export const readOverChords = (notes: readonly Note[], chords: readonly Chord[]) =>
	chords.map((chord) => ({ chord, ...readAll(notes, chord) }));

import { roleKind, type Chord } from '../../chord';
import { shortestMove } from '../../pitch';
import type { Stretch } from './lattice';
import type { Moment } from './moments';
import { asPool, type Candidate, type Pool } from './pool';

/** Fewer notes than this are no cell. */
const CELL = 4;

/** A cell: the notes after a landing but the last, which leads on, as they lie over their chord. */
export type MirrorCell = {
	readonly chord: Chord;
	readonly notes: readonly { readonly after: number; readonly note: Candidate }[];
};

/** The cell that a stretch plays; null where it has too few notes to be one. */
export function cellOf(
	{ moments, fromTick }: Stretch,
	heard: readonly Candidate[]
): MirrorCell | null {
	if (heard.length < CELL) return null;
	const notes = heard
		.slice(0, -1)
		.map((note, i) => ({ after: moments[i]!.onset.tick - fromTick, note }));
	return { chord: moments[0]!.onset.event.chord, notes };
}

/** A note of the cell over another chord: moved with the root, a chord tone onto the chord's own one of its kind. */
function movedPitch({ midi, tone }: Candidate, shift: number, chord: Chord): number {
	const moved = midi + shift;
	const own = tone && chord.tones.find(({ role }) => roleKind(role) === roleKind(tone.role));
	return own ? moved + shortestMove(moved % 12, own.pc) : moved;
}

/** A stretch that plays a cell: notes that are moved have one choice; `lost` are the pitches that did not stand there. */
export type Mirrored = { readonly stretch: Stretch; readonly lost: readonly number[] };

const singles = new WeakMap<Pool, Map<number, Pool>>();

/** The pool with one pitch alone; null where it has none. */
function onlyPitch(pool: Pool, midi: number): Pool | null {
	let known = singles.get(pool);
	if (!known) singles.set(pool, (known = new Map()));
	const found = known.get(midi);
	if (found) return found;
	const candidates = pool.candidates.filter((entry) => entry.midi === midi && !entry.chromatic);
	if (candidates.length === 0) return null;
	const made = asPool(candidates);
	known.set(midi, made);
	return made;
}

/** Where a note goes that does not stand where the cell has it: a semitone up or down, then a whole tone. */
const BESIDE = [-1, 1, -2, 2];

/**
 * What a moment plays of the cell: the moved pitch where it stands there, else its neighbour, which is no
 * pitch that the cell has before or after it. A clash stands between beats, where the cell leaves it by a step.
 * @returns null where neither is in the pool
 */
function bind(
	{ onset, pool }: Moment,
	moved: readonly number[],
	at: number,
	landing: number
): { pool: Pool; exact: boolean } | null {
	const [before, wanted, after] = [moved[at - 1] ?? landing, moved[at]!, moved[at + 1]];
	const exact = onlyPitch(pool, wanted);
	const passes = onset.weight === 0 && Math.abs((after ?? Infinity) - wanted) <= 2;
	const clashes = (found: Pool) => found.candidates.every(({ verdict }) => verdict === 'clash');
	if (exact && (passes || !clashes(exact))) return { pool: exact, exact: true };
	for (const by of BESIDE) {
		const other = wanted + by;
		const found = other === before || other === after ? null : onlyPitch(pool, other);
		if (found && !clashes(found)) return { pool: found, exact: false };
	}
	return null;
}

/**
 * Moves a cell to the chord of a stretch: every note by the interval of the roots, toward where the landing
 * went; a chord tone onto the new chord's own tone of that kind (a major third becomes minor where the chord
 * says so). A note that is neither of the
 * chord nor of the scale there, or that clashes, gives way to its neighbour; one without a neighbour is left
 * to the search.
 * @param keep how many of the cell's notes are bound; the later ones are free
 */
export function mirrorInto(
	cell: MirrorCell,
	source: Stretch,
	stretch: Stretch,
	keep = cell.notes.length
): Mirrored {
	const here = stretch.moments[0]?.onset.event.chord;
	if (!here) return { stretch, lost: [] };
	const landed = stretch.from.candidates[0]!.midi - source.from.candidates[0]!.midi;
	const roots = pcOf(here) - pcOf(cell.chord);
	// The octave of the roots' interval that the landings went by.
	const shift = landed + shortestMove(((landed % 12) + 12) % 12, ((roots % 12) + 12) % 12);
	const moved = cell.notes.map(({ note }) => movedPitch(note, shift, here));
	const lost: number[] = [];
	const moments = stretch.moments.map((moment, k) => {
		const { onset } = moment;
		const last = k === stretch.moments.length - 1;
		const at = cell.notes.findIndex(({ after }) => after === onset.tick - stretch.fromTick);
		if (last || at < 0 || onset.own || onset.event.chord !== here) return moment;
		const bound = at < keep ? bind(moment, moved, at, stretch.from.candidates[0]!.midi) : null;
		if (!bound?.exact) lost.push(moved[at]!);
		return bound ? { ...moment, pool: bound.pool } : moment;
	});
	return { stretch: { ...stretch, moments }, lost };
}

const pcOf = (chord: Chord): number => chord.tones[0]!.pc;

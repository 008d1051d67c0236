import { displaced, type Fault, NEAR, overworked, repeated, sungBy, type Sung } from './faults';
import type { LineWork } from './work';
import type { Way } from './gap';
import type { Motion, Stretch } from './lattice';
import { asPool, type Candidate, type Pool } from './pool';
import type { Choice } from './vary';
import { turnAtTarget, type Strand } from './weave';
import { LINE } from './line-prices';

/** How many bars of a vamp differ from each other. */
const VAMP = 4;
/** How often a stretch is searched anew before it stays as it is. */
const TRIES = 16;

const relocated = new WeakMap<Pool, Map<string, Pool>>();

/** A pool of one candidate, at the place where the same pitch lies near it. */
function movedTo(pool: Pool, candidate: Candidate, there: Candidate): Pool {
	let known = relocated.get(pool);
	if (!known) relocated.set(pool, (known = new Map()));
	const key = `${there.string}:${there.fret}`;
	const found = known.get(key);
	if (found) return found;
	const { string, fret, finger, reach, price, furthest } = there;
	const made = asPool([{ ...candidate, string, fret, finger, reach, price, furthest }]);
	known.set(key, made);
	return made;
}

const derived = new WeakMap<Stretch, Map<string, Stretch>>();

/**
 * A stretch whose note at one moment is another one; where there is no other, the same at another place. The
 * same object each time, so that it is searched once.
 */
function changedAt(stretch: Stretch, { at, there }: Fault): Stretch | null {
	const moment = at.moment ?? -1;
	const here = stretch.moments[moment];
	if (!here || here.onset.own) return null;
	const { pool, barred = [] } = here;
	const alone = pool.candidates.length === 1;
	if (alone ? !there : barred.length + 1 >= pool.candidates.length) return null;
	let known = derived.get(stretch);
	if (!known) derived.set(stretch, (known = new Map()));
	const key = `${moment} ${at.note.string} ${at.note.fret} ${alone && there ? there.string : ''}`;
	const found = known.get(key);
	if (found) return found;
	const other =
		alone && there
			? { ...here, pool: movedTo(pool, at.note, there) }
			: { ...here, barred: [...barred, at.note] };
	const moments = stretch.moments.map((entry, k) => (k === moment ? other : entry));
	const made: Stretch = { ...stretch, moments };
	known.set(key, made);
	return made;
}

/** The way that a strand goes on by after what came before: the cheapest with the turn at the target. */
function cheapest(strand: Strand, before: readonly number[] | null): number | null {
	let best: number | null = null;
	let least = Infinity;
	for (const kind of strand.kinds) {
		const way = strand.ways[kind];
		if (!way) continue;
		const cost = way.cost + (before ? turnAtTarget(before, strand.pitches[kind]!) : 0);
		if (cost < least) [best, least] = [kind, cost];
	}
	return best;
}

const costOf = ({ strand, kind }: Choice): number => strand.ways[kind]?.cost ?? 0;

/**
 * Puts the notes of a stretch as chosen behind others, its first target among them.
 * @param done nothing of it is moved any more
 */
function sing(sung: Sung[], stretch: Stretch, { strand, kind }: Choice, done: boolean): void {
	const way = strand.ways[kind];
	const { fromTick: tick, from, position, moments } = stretch;
	const chord = moments[0]?.onset.event.symbol ?? '';
	sung.push({ tick, note: from.candidates[0]!, position, chord, moment: null });
	if (!way) return;
	for (let k = 0; k < moments.length; k++) {
		const { onset, pool, position } = moments[k]!;
		const note = pool.candidates[way.path[k]!]!;
		const moment = done || onset.own ? null : k;
		sung.push({ tick: onset.tick, note, position, chord: onset.event.symbol, moment });
	}
}

/** A stretch that is done; its notes are written out when a later one is held against them. */
type Past = {
	readonly stretch: Stretch;
	readonly choice: Choice;
	readonly way: Way | null;
	notes: readonly Sung[] | null;
};

function notesOf(past: Past): readonly Sung[] {
	if (past.notes) return past.notes;
	const notes: Sung[] = [];
	sing(notes, past.stretch, past.choice, true);
	return (past.notes = notes);
}

/** What came of a stretch, and what it depended on. */
type Memory = {
	readonly way: Way | null;
	readonly past: readonly Past[];
	readonly fresh: boolean;
	readonly stretch: Stretch;
	readonly choice: Choice;
	/** Nothing was at fault with it. */
	readonly sound: boolean;
};

/** Stretches that came through unchanged from the plan before are not gone through again. */
const memory = new WeakMap<Stretch, Memory>();

const wayOf = ({ strand, kind }: Choice): Way | null => strand.ways[kind] ?? null;

const isSame = (a: Past, b: Past): boolean => a.stretch === b.stretch && a.way === b.way;

/** Nothing was at fault with a stretch, and what stands before it is the same after a tick: it may only repeat what changed. */
function isSoundAfter(
	known: Memory,
	way: Way | null,
	past: readonly Past[],
	tick: number
): boolean {
	if (!known.sound || known.way !== way) return false;
	for (let back = 1; back <= past.length; back++) {
		const one = past[past.length - back]!;
		if (one.stretch.toTick <= tick) return true;
		const before = known.past[known.past.length - back];
		if (!before || !isSame(before, one)) return false;
	}
	return known.past.length === past.length;
}

const isAsBefore = (
	known: Memory,
	way: Way | null,
	past: readonly Past[],
	fresh: boolean
): boolean =>
	known.way === way &&
	known.fresh === fresh &&
	known.past.length === past.length &&
	known.past.every((entry, i) => isSame(entry, past[i]!));

/**
 * Goes along the line as it was woven and searches a stretch anew, without the note that is at fault, where
 * a player would stumble or hear the same again: one finger a fourth time in a row across strings at speed;
 * one pitch at two places within two beats; a half bar that repeats the one before; a bar that one of the
 * three before has over the same chords. What the player has set stays. Changes both lists.
 * @param fresh bars are not to be alike; a mirror's are
 */
export function mendLine(
	stretches: Stretch[],
	chosen: Choice[],
	motion: Motion,
	solve: (stretch: Stretch, motion: Motion, work: LineWork) => Strand,
	work: LineWork,
	fresh: boolean
): void {
	/** What stands before the stretch that is looked at, as far back as it is held against. */
	let past: Past[] = [];
	stretches.forEach((original, i) => {
		const before = i > 0 ? chosen[i - 1]!.strand.pitches[chosen[i - 1]!.kind]! : null;
		const start = original.fromTick - VAMP * (original.moments[0]?.onset.bar.lengthTicks ?? NEAR);
		past = past.filter(({ stretch }) => stretch.toTick > start);
		let [stretch, choice] = [original, chosen[i]!];
		const known = memory.get(original);
		if (known && isAsBefore(known, wayOf(choice), past, fresh)) {
			({ stretch, choice } = known);
		} else {
			const { toTick, to, toPosition: position } = original;
			const target: Sung = {
				tick: toTick,
				note: to.candidates[0]!,
				position,
				chord: '',
				moment: null
			};
			const sung: Sung[] = [];
			for (const one of past) {
				for (const note of notesOf(one)) if (note.tick >= start) sung.push(note);
			}
			const near = sungBy.lastAt(sung, original.fromTick - NEAR) + 1;
			const soundNear = known && isSoundAfter(known, wayOf(choice), past, original.fromTick - NEAR);
			let sound = false;
			for (let tries = 0; tries < TRIES; tries++) {
				const line = sung.slice();
				sing(line, stretch, choice, false);
				line.push(target);
				const fault =
					(tries === 0 && soundNear ? null : (overworked(line, near) ?? displaced(line, near))) ??
					repeated(line, stretch, original.toTick, fresh ? VAMP : 1);
				if (tries === 0) sound = fault === null;
				const other = fault && changedAt(stretch, fault);
				if (!other) break;
				const strand = solve(other, motion, work);
				const kind = cheapest(strand, before);
				const dearer = kind === null ? Infinity : costOf({ strand, kind }) - costOf(choice);
				if (kind === null || dearer >= LINE.unplayable) break;
				[stretch, choice] = [other, { strand, kind }];
			}
			memory.set(original, { way: wayOf(chosen[i]!), past, fresh, stretch, choice, sound });
		}
		[stretches[i], chosen[i]] = [stretch, choice];
		past = [...past, { stretch, choice, way: wayOf(choice), notes: null }];
	});
}

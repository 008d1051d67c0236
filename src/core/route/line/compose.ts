import { APPROACHES } from './approach';
import { contourOf, type Echo } from './echo';
import { relaxationsOf, type Way } from './gap';
import { isRestless, solveDirect, turnsWithin } from './calm-ways';
import { buildGap, type Motion, type Stretch } from './lattice';
import { mendLine } from './mend';
import { cellOf, mirrorInto } from './mirror';
import { type Candidate, poolId } from './pool';
import { type Choice, patternsOf, varyPatterns } from './vary';
import { kindsOf, type Strand, weave } from './weave';
import { LINE } from './line-prices';
import type { LineWork } from './work';

/** Everything that the ways of a stretch depend on, in a few characters. */
function stretchKey(stretch: Stretch, motion: Motion): string {
	const { from, to, fromTick, toTick, rested, moments, echo, take, arrive } = stretch;
	const { taste, direction, msPerTick } = motion;
	let key = `${poolId(from)} ${poolId(to)} ${toTick - fromTick} ${rested} ${take && fromTick} ${take} ${taste.spice} ${direction} ${msPerTick} ${arrive}`;
	for (const { onset, pool, spot, barred } of moments) {
		key += `|${onset.tick - fromTick} ${onset.weight} ${onset.rested} ${poolId(pool)} ${spot.ceiling}${onset.own ? ' own' : ''}`;
		for (const { string, fret } of barred ?? []) key += ` -${string}/${fret}`;
	}
	return echo ? `${key} ${JSON.stringify(echo)}` : key;
}

/** The ways that the player's wish leaves; all where the place has none of that class. */
function wished({ arrive }: Stretch, ways: readonly (Way | null)[]): readonly (Way | null)[] {
	const at = arrive === null ? -1 : APPROACHES.indexOf(arrive);
	return ways[at] ? ways.map((way, kind) => (kind === at ? way : null)) : ways;
}

/** What a calm way may cost more than a restless one. */
const CALM = 1500;

const cheapestOf = (ways: readonly (Way | null)[]): number =>
	Math.min(...ways.map((way) => way?.cost ?? Infinity));

/** The ways that do not turn too often; all where none of them is calm, or only at a price. */
function calm(
	ways: readonly (Way | null)[],
	pitches: readonly (readonly number[])[]
): readonly (Way | null)[] {
	const kept = ways.map((way, kind) => (way && !isRestless(pitches[kind]!) ? way : null));
	return cheapestOf(kept) <= cheapestOf(ways) + CALM ? kept : ways;
}

function strandOf(stretch: Stretch, all: readonly (Way | null)[]): Strand {
	const { from, to, moments } = stretch;
	const pitches = [...all, null].map((way) => {
		const made = [from.pitch[0]!];
		way?.path.forEach((c, i) => made.push(moments[i]!.pool.pitch[c]!));
		made.push(to.pitch[0]!);
		return made;
	});
	const set = moments.length > 0 && moments.every(({ onset }) => onset.own !== null);
	const ways = calm(wished(stretch, all), pitches);
	return { ways, kinds: kindsOf(ways), all, pitches, patterns: pitches.map(patternsOf), set };
}

/** The best ways of a stretch, searched once. */
export const solveStretch = (stretch: Stretch, motion: Motion, work: LineWork): Strand =>
	work.strandOf(stretch, () => search(stretch, motion, work));

const waits = new WeakMap<Stretch, Strand>();

/** A stretch that is not searched yet; the same object each time. */
function waiting(stretch: Stretch): Strand {
	let made = waits.get(stretch);
	if (!made) waits.set(stretch, (made = strandOf(stretch, NO_WAYS)));
	return made;
}

const NO_WAYS: readonly (Way | null)[] = APPROACHES.map(() => null);

function search(stretch: Stretch, motion: Motion, work: LineWork): Strand {
	const key = stretchKey(stretch, motion);
	const known = work.solved.get(key);
	if (known) return known;
	let ways: (Way | null)[] = [...NO_WAYS];
	if (stretch.moments.length > 0) {
		const gap = buildGap(stretch, motion);
		const solved = solveDirect(gap);
		work.relaxations += relaxationsOf(gap) * solved.searches;
		ways = solved.ways;
	}
	const strand = strandOf(stretch, ways);
	work.solved.set(key, strand);
	return strand;
}

/** The notes that a way puts on the moments of its stretch. */
export const notesOf = ({ moments }: Stretch, way: Way | null): Candidate[] =>
	way ? moments.map(({ pool }, i) => pool.candidates[way.path[i]!]!) : [];

/** Two stretches have the same rhythm: one may take up what the other plays. */
const sameRhythm = (a: Stretch, b: Stretch): boolean =>
	a.moments.length === b.moments.length &&
	a.moments.every(
		({ onset }, i) => onset.tick - a.fromTick === b.moments[i]!.onset.tick - b.fromTick
	);

/** Fewer notes than this are no motif. */
const MOTIF = 4;

/** Which earlier stretch each takes up: the one two bars before in the third bar of four. */
function echoSource(stretches: readonly Stretch[], i: number): number | null {
	const here = stretches[i]!;
	if (here.moments.length < MOTIF) return null;
	const bar = here.moments[0]!.onset.bar.index;
	if (bar % 4 !== 2) return null;
	const at = stretches.findIndex(
		(other) => other.moments.length > 0 && other.moments[0]!.onset.bar.index === bar - 2
	);
	return at >= 0 && sameRhythm(stretches[at]!, here) ? at : null;
}

const narrowed = new WeakMap<Strand, Map<number, Strand>>();

/** Keeps one class of a strand alone: what others take up must stay as it was heard. The same object each time. */
function onlyKind(strand: Strand, kind: number): Strand {
	let known = narrowed.get(strand);
	if (!known) narrowed.set(strand, (known = new Map()));
	let made = known.get(kind);
	if (!made) {
		const ways = strand.ways.map((way, at) => (at === kind ? way : null));
		known.set(kind, (made = { ...strand, ways, kinds: kindsOf(ways) }));
	}
	return made;
}

/** A line as it is solved: the way of each stretch, and the pitches of a mirrored cell that did not stand in it. */
export type Solved = {
	readonly chosen: Choice[];
	readonly adapted: ReadonlyMap<number, readonly number[]>;
};

/**
 * Solves every stretch, lets some take up what an earlier one plays, chooses the arrivals, and mends what a
 * player would stumble over.
 * @param mirror one cell is moved to every chord
 */
export function solveAll(
	stretches: Stretch[],
	motion: Motion,
	work: LineWork,
	mirror: boolean
): Solved {
	const sources = stretches.map((_, i) => (mirror ? null : echoSource(stretches, i)));
	const strands = stretches.map((stretch, i) => {
		if (i % 32 === 31) work.onProgress?.(i / stretches.length);
		// What takes up another stretch waits for that to be chosen.
		return sources[i] === null ? solveStretch(stretch, motion, work) : waiting(stretch);
	});
	let kinds = weave(strands);
	const bound = new Set<number>();
	const adapted = new Map<number, readonly number[]>();
	if (mirror) mirrorAll(stretches, strands, kinds, { motion, work, bound, adapted });
	else echoAll(stretches, strands, kinds, { motion, work, bound, sources });
	if (bound.size > 0) kinds = weave(strands);
	const fixed = (i: number) => mirror || strands[i]!.set || bound.has(i);
	const chosen = varyPatterns(strands, kinds, fixed);
	mendLine(stretches, chosen, motion, solveStretch, work, !mirror);
	return { chosen, adapted };
}

type Taking = {
	readonly motion: Motion;
	readonly work: LineWork;
	/** Stretches that take up another, or are taken up. */
	readonly bound: Set<number>;
};

const echoes = new WeakMap<Stretch, Map<string, Stretch>>();

/** A stretch that takes up a contour; the same object each time. */
function echoing(stretch: Stretch, echo: Echo): Stretch {
	let known = echoes.get(stretch);
	if (!known) echoes.set(stretch, (known = new Map()));
	const key = echo.steps.join();
	let made = known.get(key);
	if (!made) known.set(key, (made = { ...stretch, echo }));
	return made;
}

function echoAll(
	stretches: Stretch[],
	strands: Strand[],
	kinds: readonly number[],
	{ motion, work, bound, sources }: Taking & { readonly sources: readonly (number | null)[] }
): void {
	stretches.forEach((stretch, i) => {
		const source = sources[i]!;
		if (source === null) return;
		const heard = notesOf(stretches[source]!, strands[source]!.ways[kinds[source]!] ?? null);
		strands[source] = onlyKind(strands[source]!, kinds[source]!);
		stretches[i] = echoing(stretch, contourOf(heard));
		strands[i] = solveStretch(stretches[i], motion, work);
		bound.add(source).add(i);
	});
}

/** The widest leap of a line. */
const OCTAVE = 12;

/** A way that a hand plays, told by what the stretch costs when it is free, and that leaps no further than an octave. */
const isSung = ({ ways, pitches }: Strand, kind: number, free: number): boolean =>
	(ways[kind]?.cost ?? Infinity) - free < LINE.unplayable &&
	pitches[kind]!.every((pitch, i, all) => i === 0 || Math.abs(pitch - all[i - 1]!) <= OCTAVE);

/** The way that turns least, the cheapest of them: what is heard over every chord is plain. */
function calmest({ ways, kinds, pitches }: Strand): number | undefined {
	const restless = (kind: number) =>
		turnsWithin(pitches[kind]!) * LINE.turn * 2 + (ways[kind]?.cost ?? Infinity);
	return kinds.filter((kind) => ways[kind]).sort((a, b) => restless(a) - restless(b))[0];
}

/** Moves the cell of the first stretch that has one into all others; where no hand plays it, its end is let go. */
function mirrorAll(
	stretches: Stretch[],
	strands: Strand[],
	kinds: readonly number[],
	{ motion, work, bound, adapted }: Taking & { readonly adapted: Map<number, readonly number[]> }
): void {
	const at = stretches.findIndex(({ moments }) => moments.length >= MOTIF);
	if (at < 0) return;
	const source = stretches[at]!;
	const kind = calmest(strands[at]!) ?? kinds[at]!;
	const cell = cellOf(source, notesOf(source, strands[at]!.ways[kind] ?? null));
	if (!cell) return;
	strands[at] = onlyKind(strands[at]!, kind);
	bound.add(at);
	stretches.forEach((stretch, i) => {
		if (i === at) return;
		const free = cheapestOf(strands[i]!.ways);
		for (let keep = cell.notes.length; keep >= 0; keep--) {
			const { stretch: moved, lost } = mirrorInto(cell, source, stretch, keep);
			const strand = solveStretch(moved, motion, work);
			if (
				keep > 0 &&
				stretch.moments.length > 0 &&
				!strand.kinds.some((kind) => isSung(strand, kind, free))
			) {
				continue;
			}
			const kept = strand.ways.map((way, kind) => (isSung(strand, kind, free) ? way : null));
			const sung = kept.some((way) => way !== null);
			[stretches[i], strands[i]] = [
				moved,
				sung ? { ...strand, ways: kept, kinds: kindsOf(kept) } : strand
			];
			bound.add(i);
			if (lost.length > 0) adapted.set(i, lost);
			return;
		}
	});
}

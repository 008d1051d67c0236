import type { Chart } from '../../chart';
import type { Scale } from '../../harmony';
import { instrumentKey } from '../../neck';
import { scalesAlong } from '../scale-plan';
import type { Target } from '../types';
import { APPROACHES } from './approach';
import { contourOf, type Echo } from './echo';
import { isRestless, relaxationsOf, solveDirect, turnsWithin, type Way } from './gap';
import { buildGap, type Motion, type Stretch } from './lattice';
import { mendLine } from './mend';
import { cellOf, mirrorInto } from './mirror';
import { Pools } from './moments';
import { poolId, type Candidate } from './pool';
import { rhythmOf, type Onset } from './rhythm';
import { stretchesOf } from './stretches';
import type { LineRequest, LineWishes } from './types';
import { patternsOf, varyPatterns, type Choice } from './vary';
import { kindsOf, weave, type Strand } from './weave';
import { LINE } from './weights';

/**
 * What a plan of a line leaves for the next: pools, tables of moves and solved stretches, so that after
 * one change only what changed is searched again. It belongs to one chart; the answer never depends on it.
 */
export class LineWork {
	private signature = '';
	/** Hears how much of a long plan is done, 0 … 1. */
	onProgress: ((share: number) => void) | null = null;
	/** Triples of notes that searches have weighed so far. */
	relaxations = 0;
	pools: Pools | null = null;
	readonly solved = new Map<string, Strand>();
	/** Strands of stretches that came through unchanged, by identity; they hold under one motion. */
	private strands = new WeakMap<Stretch, Strand>();
	private motion = '';
	private frame: Frame | null = null;

	/** Starts afresh where the request differs in what every stretch depends on. */
	open(request: LineRequest): Pools {
		const { chart, instrument, scale, style, line } = request;
		const scales = scalesAlong(chart, scale, line.scalePlan, line.byHand, line.alternate);
		const kept = isStrict(request) ? keptAlong(request) : null;
		const used = style === 'arpeggio' ? scales.map(() => null) : scales;
		const notes = used.map((entry) => entry?.notes.map((note) => note.name).join(',') ?? '-');
		const signature = `${instrumentKey(instrument)} ${style === 'blend'} ${notes.join(' ')} ${namesOf(kept)}`;
		if (!this.pools || signature !== this.signature || this.solved.size > 4096) {
			this.signature = signature;
			this.solved.clear();
			this.pools = new Pools(chart, instrument, used, { blend: style === 'blend', kept });
			this.strands = new WeakMap();
			this.frame = null;
		}
		return this.pools;
	}

	/** The onsets of a line; those of the last plan where nothing of the rhythm changed. */
	rhythm(chart: Chart, targets: readonly Target[], line: LineWishes): readonly Onset[] {
		const key = rhythmKey(chart, targets, line);
		if (this.frame?.chart !== chart || this.frame.key !== key) {
			this.frame = { chart, key, onsets: rhythmOf(chart, targets, line), cut: null };
		}
		return this.frame.onsets;
	}

	/** The ways between targets; those that begin and end as in the last plan are the same objects. */
	stretches(
		request: LineRequest,
		targets: readonly Target[],
		onsets: readonly Onset[],
		pools: Pools,
		motion: Motion
	): Stretch[] {
		const { taste, direction, msPerTick } = motion;
		const name = `${msPerTick} ${isStrict(request)} ${direction} ${taste.spice} ${taste.seed} ${taste.strings} ${request.style} ${request.line.scalePlan} ${request.windows?.join() ?? ''}`;
		if (name !== this.motion) {
			this.motion = name;
			this.strands = new WeakMap();
			if (this.frame) this.frame.cut = null;
		}
		const before = this.frame?.cut ?? [];
		const made = stretchesOf(request, targets, onsets, pools, msPerTick, before);
		if (this.frame) this.frame.cut = made;
		return [...made];
	}

	/** The strand of a stretch that was solved under this motion, or what `solve` makes of it. */
	strandOf(stretch: Stretch, solve: () => Strand): Strand {
		const known = this.strands.get(stretch);
		if (known) return known;
		const strand = solve();
		this.strands.set(stretch, strand);
		return strand;
	}
}

/**
 * The way between landings keeps to the notes of its scales: where the player asks for these alone, and where
 * one scale without chromatic notes is asked for. A blend lives on the third that its scale lacks.
 */
const isStrict = ({ style, line }: LineRequest): boolean =>
	line.only === true ||
	(line.scalePlan === 'one' &&
		(line.spice ?? 0) === 0 &&
		style !== 'arpeggio' &&
		style !== 'blend');

/** The scales whose notes there are, by event; chord tones alone are those of the scale in use. */
function keptAlong({ chart, scale, line }: LineRequest): readonly (Scale | null)[] {
	const plan = line.scalePlan === 'arpeggio' ? 'one' : line.scalePlan;
	return scalesAlong(chart, scale, plan, line.byHand, line.alternate);
}

const namesOf = (scales: readonly (Scale | null)[] | null): string =>
	scales?.map((scale) => scale?.notes.map(({ pc }) => pc).join() ?? '-').join(' ') ?? '';

/** The rhythm of the last plan and how it was cut into ways. */
type Frame = {
	readonly chart: Chart;
	readonly key: string;
	readonly onsets: readonly Onset[];
	cut: readonly Stretch[] | null;
};

/** Everything besides the chart that the rhythm of a line depends on. */
function rhythmKey(chart: Chart, targets: readonly Target[], line: LineWishes): string {
	const { grid, anticipate, frozen, cellOf, airAt } = line;
	let key = `${grid} ${anticipate}`;
	let section: string | null | undefined;
	for (const bar of chart.played) {
		if (airAt?.(bar)) key += ` -${bar.index}`;
		if (bar.section === section) continue;
		section = bar.section;
		const { id, says } = cellOf(section);
		key += ` ${id} ${says}`;
	}
	for (const { change } of targets) key += ` ${change}`;
	return frozen && frozen.length > 0 ? `${key} ${JSON.stringify(frozen)}` : key;
}

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
	const kept = ways.map((way, kind) => (way && !isRestless(pitches[kind]) ? way : null));
	return cheapestOf(kept) <= cheapestOf(ways) + CALM ? kept : ways;
}

function strandOf(stretch: Stretch, all: readonly (Way | null)[]): Strand {
	const { from, to, moments } = stretch;
	const pitches = [...all, null].map((way) => {
		const made = [from.pitch[0]];
		way?.path.forEach((c, i) => made.push(moments[i].pool.pitch[c]));
		made.push(to.pitch[0]);
		return made;
	});
	const set = moments.length > 0 && moments.every(({ onset }) => onset.own !== null);
	const ways = calm(wished(stretch, all), pitches);
	return { ways, kinds: kindsOf(ways), all, pitches, patterns: pitches.map(patternsOf), set };
}

/** The best ways of a stretch, searched once. */
export const solveStretch = (stretch: Stretch, motion: Motion, work: LineWork): Strand =>
	work.strandOf(stretch, () => search(stretch, motion, work));

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
	way ? moments.map(({ pool }, i) => pool.candidates[way.path[i]]) : [];

/** Two stretches have the same rhythm: one may take up what the other plays. */
const sameRhythm = (a: Stretch, b: Stretch): boolean =>
	a.moments.length === b.moments.length &&
	a.moments.every(
		({ onset }, i) => onset.tick - a.fromTick === b.moments[i].onset.tick - b.fromTick
	);

/** Fewer notes than this are no motif. */
const MOTIF = 4;

/** Which earlier stretch each takes up: the one two bars before in the third bar of four. */
function echoSource(stretches: readonly Stretch[], i: number): number | null {
	const here = stretches[i];
	if (here.moments.length < MOTIF) return null;
	const bar = here.moments[0].onset.bar.index;
	if (bar % 4 !== 2) return null;
	const at = stretches.findIndex(
		(other) => other.moments.length > 0 && other.moments[0].onset.bar.index === bar - 2
	);
	return at >= 0 && sameRhythm(stretches[at], here) ? at : null;
}

/** Keeps one class of a strand alone: what others take up must stay as it was heard. */
const onlyKind = (strand: Strand, kind: number): Strand => {
	const ways = strand.ways.map((way, at) => (at === kind ? way : null));
	return { ...strand, ways, kinds: kindsOf(ways) };
};

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
		return sources[i] === null ? solveStretch(stretch, motion, work) : strandOf(stretch, NO_WAYS);
	});
	let kinds = weave(strands);
	const bound = new Set<number>();
	const adapted = new Map<number, readonly number[]>();
	if (mirror) mirrorAll(stretches, strands, kinds, { motion, work, bound, adapted });
	else echoAll(stretches, strands, kinds, { motion, work, bound, sources });
	if (bound.size > 0) kinds = weave(strands);
	const fixed = (i: number) => mirror || strands[i].set || bound.has(i);
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
		const source = sources[i];
		if (source === null) return;
		const heard = notesOf(stretches[source], strands[source].ways[kinds[source]] ?? null);
		strands[source] = onlyKind(strands[source], kinds[source]);
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
	pitches[kind].every((pitch, i, all) => i === 0 || Math.abs(pitch - all[i - 1]) <= OCTAVE);

/** The way that turns least, the cheapest of them: what is heard over every chord is plain. */
function calmest({ ways, kinds, pitches }: Strand): number | undefined {
	const restless = (kind: number) =>
		turnsWithin(pitches[kind]) * LINE.turn * 2 + (ways[kind]?.cost ?? Infinity);
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
	const source = stretches[at];
	const kind = calmest(strands[at]) ?? kinds[at];
	const cell = cellOf(source, notesOf(source, strands[at].ways[kind] ?? null));
	if (!cell) return;
	strands[at] = onlyKind(strands[at], kind);
	bound.add(at);
	stretches.forEach((stretch, i) => {
		if (i === at) return;
		const free = cheapestOf(strands[i].ways);
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

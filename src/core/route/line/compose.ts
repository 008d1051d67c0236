import type { Chart } from '../../chart';
import { instrumentKey } from '../../neck';
import { scalesAlong } from '../scale-plan';
import type { Target } from '../types';
import { APPROACHES } from './approach';
import { contourOf, mirrorOf, type Echo } from './echo';
import { relaxationsOf, solveGap, type Way } from './gap';
import { buildGap, type Motion, type Stretch } from './lattice';
import { Pools } from './moments';
import { poolId, type Candidate } from './pool';
import { rhythmOf, type Onset } from './rhythm';
import { stretchesOf } from './stretches';
import type { LineRequest, LineWishes } from './types';
import { patternsOf, varyPatterns, type Choice } from './vary';
import { kindsOf, weave, type Strand } from './weave';

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
		const scales = scalesAlong(chart, scale, line.scalePlan, line.byHand);
		const used = style === 'arpeggio' ? scales.map(() => null) : scales;
		const notes = used.map((entry) => entry?.notes.map((note) => note.name).join(',') ?? '-');
		const signature = `${instrumentKey(instrument)} ${style === 'blend'} ${notes.join(' ')}`;
		if (!this.pools || signature !== this.signature || this.solved.size > 4096) {
			this.signature = signature;
			this.solved.clear();
			this.pools = new Pools(chart, instrument, used, style === 'blend');
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
		const name = `${msPerTick} ${direction} ${taste.spice} ${taste.seed} ${taste.strings} ${request.style} ${request.line.scalePlan} ${request.windows?.join() ?? ''}`;
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
	for (const { onset, pool, spot } of moments) {
		key += `|${onset.tick - fromTick} ${onset.weight} ${onset.rested} ${poolId(pool)} ${spot.ceiling}${onset.own ? ' own' : ''}`;
	}
	return echo ? `${key} ${JSON.stringify(echo)}` : key;
}

/** The ways that the player's wish leaves; all where the place has none of that class. */
function wished({ arrive }: Stretch, ways: readonly (Way | null)[]): readonly (Way | null)[] {
	const at = arrive === null ? -1 : APPROACHES.indexOf(arrive);
	return ways[at] ? ways.map((way, kind) => (kind === at ? way : null)) : ways;
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
	const ways = wished(stretch, all);
	return { ways, kinds: kindsOf(ways), all, pitches, patterns: pitches.map(patternsOf), set };
}

/** The best ways of a stretch, searched once. */
export const solveStretch = (stretch: Stretch, motion: Motion, work: LineWork): Strand =>
	work.strandOf(stretch, () => search(stretch, motion, work));

function search(stretch: Stretch, motion: Motion, work: LineWork): Strand {
	const key = stretchKey(stretch, motion);
	const known = work.solved.get(key);
	if (known) return known;
	let ways: (Way | null)[] = APPROACHES.map(() => null);
	if (stretch.moments.length > 0) {
		const gap = buildGap(stretch, motion);
		work.relaxations += relaxationsOf(gap);
		ways = solveGap(gap);
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

/** Which earlier stretch each takes up: the one two bars before in the third bar of four; for a mirror always the first. */
function echoSource(stretches: readonly Stretch[], i: number, mirror: boolean): number | null {
	const here = stretches[i];
	if (here.moments.length < MOTIF) return null;
	if (mirror) {
		const first = stretches.findIndex((stretch) => stretch.moments.length >= MOTIF);
		return first >= 0 && first < i ? first : null;
	}
	const bar = here.moments[0].onset.bar.index;
	if (bar % 4 !== 2) return null;
	const at = stretches.findIndex(
		(other) => other.moments.length > 0 && other.moments[0].onset.bar.index === bar - 2
	);
	return at >= 0 && sameRhythm(stretches[at], here) ? at : null;
}

/** Solves every stretch, lets some take up what an earlier one plays, and chooses the arrivals. */
export function solveAll(
	stretches: Stretch[],
	motion: Motion,
	work: LineWork,
	mirror: boolean
): Choice[] {
	const strands = stretches.map((stretch, i) => {
		if (i % 32 === 31) work.onProgress?.(i / stretches.length);
		return solveStretch(stretch, motion, work);
	});
	let kinds = weave(strands);
	const sources = new Set<number>();
	stretches.forEach((stretch, i) => {
		const source = echoSource(stretches, i, mirror);
		if (source === null) return;
		const heard = notesOf(stretches[source], strands[source].ways[kinds[source]] ?? null);
		const echo: Echo = mirror ? mirrorOf(heard) : contourOf(heard);
		// What is taken up must stay as it was heard.
		const kept = strands[source].ways.map((way, kind) => (kind === kinds[source] ? way : null));
		strands[source] = { ...strands[source], ways: kept, kinds: kindsOf(kept) };
		sources.add(source);
		stretches[i] = { ...stretch, echo };
		strands[i] = solveStretch(stretches[i], motion, work);
	});
	if (sources.size > 0) kinds = weave(strands);
	const fixed = (i: number) =>
		mirror || strands[i].set || stretches[i].echo !== null || sources.has(i);
	return varyPatterns(strands, kinds, fixed);
}

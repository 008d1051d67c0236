import { scalesAlong } from '../scale-plan';
import { APPROACHES } from './approach';
import { contourOf, mirrorOf, type Echo } from './echo';
import { relaxationsOf, solveGap, type Way } from './gap';
import { buildGap, type Motion, type Stretch } from './lattice';
import { hash, Pools } from './moments';
import { poolId, type Candidate } from './pool';
import type { LineRequest } from './types';
import { varyPatterns, type Choice } from './vary';
import { weave, type Strand } from './weave';

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
	readonly solved = new Map<string, (Way | null)[]>();

	/** Starts afresh where the request differs in what every stretch depends on. */
	open(request: LineRequest): Pools {
		const { chart, instrument, scale, style, line } = request;
		const scales = scalesAlong(chart, scale, line.scalePlan, line.byHand);
		const used = style === 'arpeggio' ? scales.map(() => null) : scales;
		const notes = used.map((entry) => entry?.notes.map((note) => note.name).join(',') ?? '-');
		const signature = `${instrument.open.join()} ${instrument.frets} ${instrument.capo} ${style === 'blend'} ${notes.join(' ')}`;
		if (!this.pools || signature !== this.signature || this.solved.size > 4096) {
			this.signature = signature;
			this.solved.clear();
			this.pools = new Pools(chart, instrument, used, style === 'blend');
		}
		return this.pools;
	}
}

/** Everything that the ways of a stretch depend on, in a few characters. */
function stretchKey(stretch: Stretch, motion: Motion): string {
	const { from, to, fromTick, toTick, rested, moments, echo, take } = stretch;
	const { taste, direction, msPerTick } = motion;
	let key = `${poolId(from)} ${poolId(to)} ${toTick - fromTick} ${rested} ${take && fromTick} ${take} ${taste.spice} ${direction} ${msPerTick}`;
	for (const { onset, pool, spot } of moments) {
		key += `|${onset.tick - fromTick} ${onset.weight} ${onset.rested} ${poolId(pool)} ${spot.ceiling}`;
	}
	return echo ? `${key} ${JSON.stringify(echo)}` : key;
}

/** The best ways of a stretch, searched once. */
export function solveStretch(stretch: Stretch, motion: Motion, work: LineWork): (Way | null)[] {
	if (stretch.moments.length === 0) return APPROACHES.map(() => null);
	const key = stretchKey(stretch, motion);
	const known = work.solved.get(key);
	if (known) return known;
	const gap = buildGap(stretch, motion);
	work.relaxations += relaxationsOf(gap);
	const ways = solveGap(gap);
	work.solved.set(key, ways);
	return ways;
}

/** The notes that a way puts on the moments of its stretch. */
export const notesOf = ({ moments }: Stretch, way: Way | null): Candidate[] =>
	way ? moments.map(({ pool }, i) => pool.candidates[way.path[i]]) : [];

/** The ways that the player's wish leaves; all where the place has none of that class. */
function wished({ arrive }: Stretch, ways: (Way | null)[]): (Way | null)[] {
	const at = arrive === null ? -1 : APPROACHES.indexOf(arrive);
	return ways[at] ? ways.map((way, kind) => (kind === at ? way : null)) : ways;
}

function strandOf(stretch: Stretch, all: (Way | null)[]): Strand {
	const ways = wished(stretch, all);
	const known = new Map<number, readonly number[]>();
	const pitchesOf = (kind: number) => [
		stretch.from.pitch[0],
		...(ways[kind]?.path.map((c, i) => stretch.moments[i].pool.pitch[c]) ?? []),
		stretch.to.pitch[0]
	];
	return {
		ways,
		pitches: (kind) => {
			let pitches = known.get(kind);
			if (!pitches) known.set(kind, (pitches = pitchesOf(kind)));
			return pitches;
		},
		set: stretch.moments.length > 0 && stretch.moments.every(({ onset }) => onset.own !== null)
	};
}

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
		return strandOf(stretch, solveStretch(stretch, motion, work));
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
		strands[source] = strandOf(stretches[source], kept);
		sources.add(source);
		stretches[i] = { ...stretch, echo };
		strands[i] = strandOf(stretches[i], solveStretch(stretches[i], motion, work));
	});
	if (sources.size > 0) kinds = weave(strands);
	const fixed = (i: number) =>
		mirror || strands[i].set || stretches[i].echo !== null || sources.has(i);
	const another = new Map<number, Stretch>();
	const chosen = varyPatterns(strands, kinds, fixed, (i) => {
		const varied = { ...stretches[i], take: hash(stretches[i].take, i) | 1 };
		another.set(i, varied);
		return strandOf(varied, solveStretch(varied, motion, work));
	});
	chosen.forEach(({ strand }, i) => {
		const varied = another.get(i);
		if (varied && strand !== strands[i]) stretches[i] = varied;
	});
	return chosen;
}

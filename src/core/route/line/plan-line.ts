import { chartTicks } from '../../chart';
import { scalesAlong } from '../scale-plan';
import { phrasesOf } from '../targets/roam';
import { positionAt, type Target } from '../types';
import { APPROACHES, type Approach } from './approach';
import { contourOf, mirrorOf, type Echo } from './echo';
import { relaxationsOf, solveGap, type Way } from './gap';
import { withTechniques } from './hand';
import { buildGap, movesOf, type Motion, type Stretch } from './lattice';
import { addMove, threeCost, type Costs } from './motion';
import { addSpot, hash, Pools, restingPool, type Moment } from './moments';
import { poolId, type Candidate } from './pool';
import { rhythmOf, type Onset } from './rhythm';
import { nameOver } from './spelling';
import { LINE_TERMS, type LineNote, type LineRequest, type LineTerm } from './types';
import { varyPatterns, type Choice } from './vary';
import { repeatCost, sameIntervals, turnAtTarget, weave, type Strand } from './weave';
import { APPROACH } from './weights';

/** A line with how each target is reached; null where no note leads there. */
export type Line = {
	readonly notes: readonly LineNote[];
	readonly arrivals: readonly (Approach | null)[];
	readonly costs: Readonly<Record<LineTerm, number>>;
	readonly cost: number;
};

/** A hand that leaves its window needs this long before it plays again, in ms. */
const SHIFT_MS = 350;

/** Semitones that the way to the highest target of a phrase may rise above it. */
const PEAK = 5;

/**
 * What a plan of a line leaves for the next: pools, tables of moves and solved stretches, so that after
 * one change only what changed is searched again. It belongs to one chart; the answer never depends on it.
 */
export class LineWork {
	private signature = '';
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

/** The highest pitch of each change's phrase, and whether the change is where it stands. */
function ceilings(request: LineRequest, targets: readonly Target[]): Map<number, number> {
	const found = new Map<number, number>();
	for (const phrase of phrasesOf(request.chart)) {
		const inside = targets.filter((target) =>
			phrase.some((change) => change.index === target.change)
		);
		const highest = Math.max(...inside.map((target) => target.midi));
		const peak = inside.find((target) => target.midi === highest);
		for (const target of inside) {
			found.set(target.change, target === peak ? highest + PEAK : highest);
		}
	}
	return found;
}

/** Cuts the onsets into the ways between targets; the last way leads back to the first target. */
function stretchesOf(
	request: LineRequest,
	targets: readonly Target[],
	onsets: readonly Onset[],
	pools: Pools,
	msPerTick: number
): Stretch[] {
	const { line } = request;
	const chromatic =
		(line.spice ?? 0) > 0 && request.style !== 'arpeggio' && line.scalePlan !== 'arpeggio';
	const tops = ceilings(request, targets);
	const starts = onsets.flatMap((onset, i) => (onset.target === null ? [] : [i]));
	return starts.map((at, i): Stretch => {
		const end = starts[i + 1] ?? onsets.length;
		const last = i + 1 >= starts.length;
		const from = onsets[at];
		const to = onsets[starts[last ? 0 : i + 1]];
		const fromTarget = targets[from.target ?? 0];
		const toTarget = targets[to.target ?? 0];
		const position = positionAt(request, fromTarget.change);
		const toPosition = positionAt(request, toTarget.change);
		const toTick = last ? chartTicks(request.chart) + to.tick : to.tick;
		const between = onsets.slice(at + 1, end).filter((onset) => {
			if (onset.own) return true;
			if (position !== toPosition && (toTick - onset.tick) * msPerTick < SHIFT_MS) return false;
			return pools.free(onset, position, null).candidates.length > 0;
		});
		const ceiling = Math.max(
			tops.get(fromTarget.change) ?? Infinity,
			tops.get(toTarget.change) ?? Infinity
		);
		const moments = between.map((onset, k): Moment => {
			const left = between.length - k;
			const near = chromatic && left <= 2 && !onset.anchor;
			const free = () => pools.free(onset, position, near ? toTarget.midi : null);
			const pool = onset.own
				? pools.only(onset, position, onset.own)
				: onset.anchor
					? restingPool(free())
					: free();
			const spot = {
				weight: onset.weight,
				left,
				start: fromTarget.midi,
				target: toTarget.midi,
				ceiling
			};
			return { onset, pool, spot };
		});
		const before = moments.at(-1)?.onset ?? from;
		return {
			from: pools.only(from, position, fromTarget),
			fromTick: from.tick,
			to: pools.only(to, toPosition, toTarget),
			toTick,
			rested: before.end < toTick,
			moments,
			echo: null,
			take: line.seed ?? 0
		};
	});
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

function solveStretch(stretch: Stretch, motion: Motion, work: LineWork): (Way | null)[] {
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
const notesOf = ({ moments }: Stretch, way: Way | null): Candidate[] =>
	way ? moments.map(({ pool }, i) => pool.candidates[way.path[i]]) : [];

function strandOf(stretch: Stretch, ways: (Way | null)[]): Strand {
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
function solveAll(stretches: Stretch[], motion: Motion, work: LineWork, mirror: boolean): Choice[] {
	const strands = stretches.map((stretch) =>
		strandOf(stretch, solveStretch(stretch, motion, work))
	);
	let kinds = weave(strands);
	let echoes = 0;
	stretches.forEach((stretch, i) => {
		const source = echoSource(stretches, i, mirror);
		if (source === null) return;
		const heard = notesOf(stretches[source], strands[source].ways[kinds[source]] ?? null);
		const echo: Echo = mirror ? mirrorOf(heard) : contourOf(heard);
		stretches[i] = { ...stretch, echo };
		strands[i] = strandOf(stretches[i], solveStretch(stretches[i], motion, work));
		echoes++;
	});
	if (echoes > 0) kinds = weave(strands);
	const fixed = (i: number) => mirror || strands[i].set || stretches[i].echo !== null;
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

const NOTHING = Object.fromEntries(LINE_TERMS.map((term) => [term, 0])) as Costs;

/** The named costs of the line as it is chosen; their sum is what was minimised. */
function nameCosts(
	stretches: readonly Stretch[],
	chosen: readonly Choice[],
	motion: Motion
): Costs {
	const total: Costs = { ...NOTHING };
	let cost = 0;
	stretches.forEach((stretch, i) => {
		const { strand, kind } = chosen[i];
		const way = strand.ways[kind] ?? null;
		const { from, to, moments } = stretch;
		if (way) {
			const taste = { ...motion.taste, seed: stretch.take };
			const notes = notesOf(stretch, way);
			const layers = [from.candidates[0], ...notes, to.candidates[0]];
			movesOf(stretch, motion).forEach((move, k) => {
				addMove(total, layers[k], layers[k + 1], move);
				if (k === 0) return;
				total.contour += threeCost(layers[k - 1].midi, layers[k].midi, layers[k + 1].midi);
				const { spot, onset } = moments[k - 1];
				addSpot(total, layers[k], spot, taste, onset.tick);
			});
			total.approach += APPROACH[APPROACHES[kind]];
			cost += way.cost;
		}
		if (i === 0) return;
		const [before, after] = [chosen[i - 1], chosen[i]].map((c) => c.strand.pitches(c.kind));
		const turn = turnAtTarget(before, after);
		const older = chosen[i - 2]?.kind ?? APPROACHES.length;
		const again = strand.set
			? 0
			: sameIntervals(before, after) + repeatCost(older, chosen[i - 1].kind, kind);
		total.contour += turn;
		total.variety += again;
		cost += turn + again;
	});
	// What is left is the price of leaving an echoed contour.
	total.echo += cost - LINE_TERMS.reduce((sum, term) => sum + total[term], 0);
	return total;
}

/**
 * Fills the way between targets: a note on every place of the rhythm, the best for each way of arriving
 * (exact within a stretch), ways of arriving spread over the line, techniques written in. The same
 * request gives the same line everywhere.
 * @param work what earlier plans of the same chart left; only saves time
 */
export function planLine(
	request: LineRequest,
	targets: readonly Target[],
	work = new LineWork()
): Line {
	const { chart, line } = request;
	const pools = work.open(request);
	const onsets = rhythmOf(chart, targets, line);
	const msPerTick = 60_000 / (chart.headers.tempo * 480);
	const taste = {
		spice: line.spice ?? 0,
		seed: line.seed ?? 0,
		strings: request.instrument.open.length
	};
	const motion: Motion = { msPerTick, direction: line.direction ?? null, taste };
	const stretches = stretchesOf(request, targets, onsets, pools, msPerTick);
	const chosen = solveAll(stretches, motion, work, request.style === 'mirror');
	const costs = nameCosts(stretches, chosen, motion);
	const notes: LineNote[] = [];
	const blue: boolean[] = [];
	const own = new Map(
		(line.fingers ?? []).map((f) => [`${f.tick} ${f.string} ${f.fret}`, f.finger])
	);
	const struck = (onset: Onset, note: Candidate, kind: LineNote['kind']) => {
		const { string, fret, midi, tone } = note;
		const set = own.get(`${onset.tick} ${string} ${fret}`) ?? onset.own?.finger;
		notes.push({
			tick: onset.tick,
			durationTicks: onset.end - onset.tick,
			string,
			fret,
			midi,
			name: tone?.name ?? note.degree?.name ?? '',
			role: tone?.role ?? null,
			kind,
			finger: fret === 0 ? null : (set ?? note.finger),
			technique: null,
			chord: onset.event.index
		});
		blue.push(note.blue && onset.event.chord.quality.roles.includes('3'));
	};
	const byTick = new Map(onsets.map((onset) => [onset.tick, onset]));
	stretches.forEach((stretch, i) => {
		const { strand, kind: arrival } = chosen[i];
		const way = strand.ways[arrival] ?? null;
		const start = byTick.get(stretch.fromTick);
		if (start) struck(start, stretch.from.candidates[0], 'target');
		const encloses = APPROACHES[arrival] === 'enclosure';
		notesOf(stretch, way).forEach((note, k) => {
			const { onset } = stretch.moments[k];
			const left = stretch.moments.length - k;
			const foreign = !note.tone && !note.degree;
			const kind =
				encloses && left <= 2
					? 'enclosure'
					: note.tone
						? 'chord'
						: foreign
							? 'chromatic'
							: 'passing';
			struck(onset, note, kind);
		});
	});
	// Foreign notes are named for the note that they lead to, so from the end backward.
	for (let i = notes.length - 1; i >= 0; i--) {
		if (notes[i].name !== '') continue;
		const toward = notes[i + 1] ?? null;
		notes[i] = { ...notes[i], name: nameOver(notes[i].midi, null, null, toward) };
	}
	const arrivals = targets.map((_, i): Approach | null => {
		const at = i === 0 ? chosen.length - 1 : i - 1;
		return APPROACHES[chosen[at]?.kind ?? -1] ?? null;
	});
	const sum = LINE_TERMS.reduce((all, term) => all + costs[term], 0);
	return { notes: withTechniques(notes, blue, msPerTick), arrivals, costs, cost: sum };
}

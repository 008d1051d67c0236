import {
	samePlace,
	instrumentKey,
	inWindow,
	placeUnder,
	type Instrument,
	type Place
} from '../../neck';
import { chance } from '../../kernel';
import type { Chart } from '../../chart';
import { chordAfter, type Scale } from '../../harmony';
import {
	asPool,
	candidateFor,
	makePool,
	poolWhere,
	withChromatic,
	type Candidate,
	type Pool,
	type PoolKind
} from './pool';
import type { Target } from '../types';
import type { Costs } from './motion';
import type { Onset } from './rhythm';
import { LINE } from './line-prices';

/** A note of the way between two targets: what it may be, and what each choice costs by itself. */
export type Moment = {
	readonly onset: Onset;
	/** Where the hand is. */
	readonly position: number;
	readonly pool: Pool;
	readonly spot: Spot;
	/** Candidates of the pool that are not played here. */
	readonly barred?: readonly Candidate[];
};

/** Where a note stands on the way to its target. */
export type Spot = {
	readonly weight: number;
	/** Notes until the target: 1 for the last before it. */
	readonly left: number;
	readonly start: number;
	readonly target: number;
	/** Above this pitch a note would be the high point of its phrase in the wrong bar. */
	readonly ceiling: number;
};

export type Taste = { readonly spice: number; readonly seed: number; readonly strings: number };

/** A scale note, a clash or a tension on a beat; clashes between beats cost a little too. */
function beatCost({ tone, verdict, chromatic }: Candidate, weight: number): number {
	if (chromatic) return 0;
	if (verdict === 'clash') {
		return weight > 0 ? Math.round((LINE.clashOnBeat * weight) / 1000) : LINE.clashOffBeat;
	}
	if (!tone) return Math.round((LINE.scaleOnBeat * weight) / 1000);
	return tone.essential ? 0 : Math.round((LINE.tensionOnBeat * weight) / 1000);
}

function chromaticCost({ chromatic }: Candidate, { weight, left }: Spot, spice: number): number {
	if (!chromatic) return 0;
	const base =
		weight > 0
			? (LINE.chromaticOnBeat * weight) / 1000
			: LINE.chromaticOffBeat * (1.6 - 1.2 * spice);
	return Math.round((base * (left === 2 ? LINE.earlyChromatic : 100)) / 100);
}

/** Far from the way between the targets, above the phrase's high point, on the thickest strings. */
function rangeCost(
	candidate: Candidate,
	{ start, target, ceiling }: Spot,
	strings: number
): number {
	const { midi } = candidate;
	const [low, high] = start < target ? [start, target] : [target, start];
	let cost = candidate.string > strings - 2 ? LINE.lowString : 0;
	if (midi > high + LINE.roam) cost += LINE.roamPrice * (midi - high - LINE.roam);
	else if (midi < low - LINE.roam) cost += LINE.roamPrice * (low - LINE.roam - midi);
	return midi > ceiling ? cost + LINE.overHighest * (midi - ceiling) : cost;
}

const foretold = ({ midi }: Candidate, { left, target }: Spot): number =>
	left === 1 && midi === target ? LINE.foretold : 0;

/** Told by scale steps, so that a take is the same in every key. */
const takeCost = ({ rank }: Candidate, tick: number, seed: number): number =>
	seed === 0 ? 0 : Math.floor(chance(seed, tick, rank) * (LINE.takeMost + 1));

const fixedCosts = new WeakMap<Pool, Map<number, Int32Array>>();

/** What candidates cost wherever the targets are; remembered while the pool lives. */
function fixedCost(pool: Pool, spot: Spot, { spice }: Taste): Int32Array {
	let known = fixedCosts.get(pool);
	if (!known) fixedCosts.set(pool, (known = new Map()));
	// Weights are whole thousandths, spice at most 1.
	const name = 2 * spot.weight + Number(spot.left === 2) + (spice + 1) / 4;
	let costs = known.get(name);
	if (!costs) {
		costs = Int32Array.from(
			pool.candidates,
			(candidate) => beatCost(candidate, spot.weight) + chromaticCost(candidate, spot, spice)
		);
		known.set(name, costs);
	}
	return costs;
}

const spots = new WeakMap<Pool, Map<string, Int32Array>>();
const SPOTS_LIMIT = 512;

/**
 * Own costs of all candidates at a spot, in thousandths, remembered while the pool lives: they are not to be
 * changed. `tick` sets one take apart from another.
 */
export function spotCosts(pool: Pool, spot: Spot, taste: Taste, tick: number): Int32Array {
	if (taste.seed !== 0) return spotCostsOf(pool, spot, taste, tick);
	let known = spots.get(pool);
	if (!known) spots.set(pool, (known = new Map()));
	const { weight, left, start, target, ceiling } = spot;
	const near = Math.min(left, 3);
	const key = `${weight} ${near} ${start} ${target} ${ceiling} ${taste.spice} ${taste.strings}`;
	let found = known.get(key);
	if (!found) {
		if (known.size >= SPOTS_LIMIT) known.clear();
		known.set(key, (found = spotCostsOf(pool, spot, taste, tick)));
	}
	return found;
}

function spotCostsOf(pool: Pool, spot: Spot, taste: Taste, tick: number): Int32Array {
	const fixed = fixedCost(pool, spot, taste);
	const costs = new Int32Array(fixed.length);
	for (let c = 0; c < costs.length; c++) {
		const candidate = pool.candidates[c]!;
		let cost = fixed[c]! + rangeCost(candidate, spot, taste.strings) + foretold(candidate, spot);
		if (taste.seed !== 0) cost += takeCost(candidate, tick, taste.seed);
		costs[c] = cost;
	}
	return costs;
}

/** Adds the named parts of a candidate's own cost to a sum. */
export function addSpot(
	sum: Costs,
	candidate: Candidate,
	spot: Spot,
	taste: Taste,
	tick: number
): void {
	sum[candidate.verdict === 'clash' ? 'clashes' : 'beats'] += beatCost(candidate, spot.weight);
	sum.chromatic += chromaticCost(candidate, spot, taste.spice);
	sum.range += rangeCost(candidate, spot, taste.strings);
	sum.approach += foretold(candidate, spot);
	sum.take += takeCost(candidate, tick, taste.seed);
}

/** Pools of earlier plans; a chord in a window is the same in all of them. */
const known = new Map<string, Pool>();
const KNOWN_LIMIT = 4096;
/** Pools with a target's place by `32 * string + fret`. */
const pins = new WeakMap<Pool, Map<number, Pool>>();
const near = new WeakMap<Pool, Map<number, Pool>>();
const resting = new WeakMap<Pool, Pool>();

function remembered(name: string, make: () => Pool): Pool {
	const found = known.get(name);
	if (found) return found;
	if (known.size >= KNOWN_LIMIT) known.clear();
	const made = make();
	known.set(name, made);
	return made;
}

/** The chord tones of a pool, for the resting points of a long way. */
export function restingPool(pool: Pool): Pool {
	let found = resting.get(pool);
	if (!found) {
		found = poolWhere(pool, (candidate) => candidate.tone?.essential ?? false);
		resting.set(pool, found);
	}
	return found;
}

/** What a moment's pool depends on, with the pools made from it so far. */
type Known = {
	readonly kind: PoolKind;
	readonly name: string;
	pool: Pool | null;
	/** Single places by `32 * string + fret`. */
	readonly singles: Map<number, Pool>;
};

/** How pools are drawn: with a blend's third; from the notes of some scales alone, by event. */
type Draws = { readonly blend: boolean; readonly kept: readonly (Scale | null)[] | null };

/** Makes the pools of a plan; moments alike share theirs, and searches know them by identity. */
export class Pools {
	private readonly kinds = new Map<number, Known>();
	private readonly on: string;

	constructor(
		private readonly chart: Chart,
		private readonly instrument: Instrument,
		private readonly scales: readonly (Scale | null)[],
		private readonly draws: Draws
	) {
		this.on = `${instrumentKey(instrument)} ${draws.blend}`;
	}

	private of(event: Onset['event'], position: number): Known {
		const at = 32 * event.index + position;
		const found = this.kinds.get(at);
		if (found) return found;
		const { index, chord } = event;
		const next = chordAfter(this.chart, index);
		const scale = this.scales[index] ?? null;
		const { blend, kept } = this.draws;
		const among = kept?.[index] ?? null;
		const kind = { position, chord, next, scale, blend, among };
		const notes = scale ? scale.notes.map((note) => note.name).join() : '';
		const name = `${this.on} ${position} ${chord.symbol} ${next?.symbol ?? ''} ${notes} ${among ? among.notes.map((note) => note.pc).join() : ''}`;
		const made: Known = { kind, name, pool: null, singles: new Map() };
		this.kinds.set(at, made);
		return made;
	}

	/** What a note may be at an onset; with a target near also chromatic notes that lead to it. */
	free(onset: Onset, position: number, target: number | null): Pool {
		const known = this.of(onset.event, position);
		const { kind, name } = known;
		const pool = (known.pool ??= remembered(name, () => makePool(this.instrument, kind)));
		if (target === null) return pool;
		let row = near.get(pool);
		if (!row) near.set(pool, (row = new Map()));
		let found = row.get(target);
		if (!found) row.set(target, (found = withChromatic(this.instrument, kind, pool, target)));
		return found;
	}

	/** A pool whose note of a target's pitch lies where the target does: one pitch, one place. */
	pinned(pool: Pool, position: number, target: Target): Pool {
		const at = pool.pitch.indexOf(target.midi);
		if (at < 0) return pool;
		const other = pool.candidates[at];
		if (samePlace(other, target)) return pool;
		if (!inWindow(this.instrument, position, target)) return pool;
		let row = pins.get(pool);
		if (!row) pins.set(pool, (row = new Map()));
		const place = 32 * target.string + target.fret;
		let found = row.get(place);
		if (!found) {
			const there = placeUnder(this.instrument, position, target);
			found = asPool(
				pool.candidates.map((entry) => (entry === other ? { ...entry, ...there } : entry))
			);
			row.set(place, found);
		}
		return found;
	}

	/** One place alone: a target, or a note that the player set. */
	only(onset: Onset, position: number, place: Place): Pool {
		const { kind, name, singles } = this.of(onset.event, position);
		const at = 32 * place.string + place.fret;
		const found = singles.get(at);
		if (found) return found;
		const pool = remembered(`${name} = ${place.string} ${place.fret}`, () => {
			const under = placeUnder(this.instrument, position, place);
			// What the player plays need not resolve: chromatic or not, it stands.
			return asPool([{ ...candidateFor(kind, under), chromatic: false }]);
		});
		singles.set(at, pool);
		return pool;
	}
}

import type { Chart } from '../../chart';
import { chordAfter, type Scale } from '../../harmony';
import { pitchAt, type Instrument, type Place, type WindowPlace } from '../../neck';
import { candidateFor, makePool, poolWhere, type Candidate, type Pool, type PoolKind } from './pool';
import type { Onset } from './rhythm';
import { LINE } from './weights';

/** A note of the way between two targets: what it may be, and what each choice costs by itself. */
export type Moment = {
	readonly onset: Onset;
	readonly pool: Pool;
	readonly spot: Spot;
};

/** Where a note stands on the way to its target. */
export type Spot = {
	readonly weight: number;
	/** Notes until the target: 1 for the last before it. */
	readonly left: number;
	readonly start: number;
	readonly target: number;
	/** Above this pitch a note would top the highest target of its phrase. */
	readonly ceiling: number;
};

export type Taste = { readonly spice: number; readonly seed: number; readonly strings: number };

/** A small hash of whole numbers, the same on every machine. */
export function hash(...numbers: readonly number[]): number {
	let h = 0x811c9dc5;
	for (const n of numbers) {
		h = Math.imul(h ^ n, 0x01000193);
		h ^= h >>> 15;
	}
	h = Math.imul(h ^ (h >>> 13), 0x5bd1e995);
	return (h ^ (h >>> 15)) >>> 0;
}

/** Own costs of a candidate at a spot by name, in thousandths. */
export function spotTerms(candidate: Candidate, spot: Spot, taste: Taste, tick: number) {
	const { weight, left, start, target, ceiling } = spot;
	const { midi, tone, verdict, chromatic } = candidate;
	let beats = 0;
	let clashes = 0;
	let chromaticCost = 0;
	if (chromatic) {
		const share = left === 2 ? LINE.earlyChromatic : 100;
		const dear = 1.6 - 1.2 * taste.spice;
		const base =
			weight > 0 ? (LINE.chromaticOnBeat * weight) / 1000 : LINE.chromaticOffBeat * dear;
		chromaticCost = Math.round((base * share) / 100);
	} else if (verdict === 'clash') {
		clashes = weight > 0 ? Math.round((LINE.clashOnBeat * weight) / 1000) : LINE.clashOffBeat;
	} else if (!tone) beats = Math.round((LINE.scaleOnBeat * weight) / 1000);
	else if (!tone.essential) beats = Math.round((LINE.tensionOnBeat * weight) / 1000);
	const [low, high] = start < target ? [start, target] : [target, start];
	const astray = Math.max(0, midi - high - LINE.roam, low - midi - LINE.roam);
	const range =
		LINE.roamPrice * astray +
		LINE.overHighest * Math.max(0, midi - ceiling) +
		(candidate.string > taste.strings - 2 ? LINE.lowString : 0);
	return {
		beats,
		clashes,
		chromatic: chromaticCost,
		range,
		approach: left === 1 && midi === target ? LINE.foretold : 0,
		take: taste.seed === 0 ? 0 : hash(taste.seed, tick, midi) % (LINE.takeMost + 1)
	};
}

/** Own cost of a candidate at a spot: the sum of `spotTerms`. */
export function spotCost(candidate: Candidate, spot: Spot, taste: Taste, tick: number): number {
	const terms = spotTerms(candidate, spot, taste, tick);
	return (
		terms.beats + terms.clashes + terms.chromatic + terms.range + terms.approach + terms.take
	);
}

/** A place as the hand at a position meets it, inside its window or not. */
export function placeUnder(instrument: Instrument, position: number, place: Place): WindowPlace {
	const { fret } = place;
	const finger = fret === 0 ? null : Math.min(4, Math.max(1, fret - position + 1));
	const reach = fret > 0 && (fret < position || fret > position + 3);
	return { string: place.string, fret, midi: pitchAt(instrument, place), reach, finger };
}

/** Makes the pools of a plan; moments alike share theirs, and searches know them by identity. */
export class Pools {
	private readonly known = new Map<string, Pool>();
	private readonly anchors = new WeakMap<Pool, Pool>();
	private readonly singles = new Map<string, Pool>();
	private readonly after = new Map<number, ReturnType<typeof chordAfter>>();

	constructor(
		private readonly chart: Chart,
		private readonly instrument: Instrument,
		private readonly scales: readonly (Scale | null)[],
		private readonly blend: boolean
	) {}

	kind(event: Onset['event'], position: number): PoolKind {
		const { index, chord } = event;
		let next = this.after.get(index);
		if (next === undefined) this.after.set(index, (next = chordAfter(this.chart, index)));
		return { position, chord, next, scale: this.scales[index] ?? null, blend: this.blend };
	}

	private name({ position, chord, next, scale, blend }: PoolKind): string {
		const notes = scale ? scale.notes.map((note) => note.name).join() : '';
		return `${position} ${chord.symbol} ${next?.symbol ?? ''} ${notes} ${blend}`;
	}

	/** What a note may be at an onset; near a target also chromatic notes. */
	free(onset: Onset, position: number, target: number | null): Pool {
		const kind = this.kind(onset.event, position);
		const name = `${this.name(kind)} ${target ?? ''}`;
		let pool = this.known.get(name);
		if (!pool) this.known.set(name, (pool = makePool(this.instrument, kind, target)));
		return pool;
	}

	/** The chord tones of a pool, for the resting points of a long way. */
	resting(pool: Pool): Pool {
		let found = this.anchors.get(pool);
		if (!found) {
			found = poolWhere(pool, (candidate) => candidate.tone?.essential ?? false);
			this.anchors.set(pool, found);
		}
		return found;
	}

	/** One place alone: a target, or a note that the player set. */
	only(onset: Onset, position: number, place: Place): Pool {
		const kind = this.kind(onset.event, position);
		const name = `${this.name(kind)} = ${place.string} ${place.fret}`;
		let pool = this.singles.get(name);
		if (!pool) {
			const under = placeUnder(this.instrument, position, place);
			// What the player plays need not resolve: chromatic or not, it stands.
			const candidate = { ...candidateFor(kind, under), chromatic: false };
			pool = { candidates: [candidate], pitch: Int16Array.of(candidate.midi) };
			this.singles.set(name, pool);
		}
		return pool;
	}
}

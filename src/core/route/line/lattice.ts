import { approachIndex, APPROACHES, type Approach } from './approach';
import type { Gap } from './layers';
import { echoCost, type Echo } from './echo';
import { handCost, soundCost, type Move } from './motion';
import { spotCosts, type Moment, type Taste } from './moments';
import type { Pool } from './pool';
import { APPROACH, FAST_MS, FORBIDDEN } from './line-prices';

/** The way between two targets: the target before, the notes between, the target. */
export type Stretch = {
	readonly from: Pool;
	readonly fromTick: number;
	readonly to: Pool;
	readonly toTick: number;
	/** Where the hand is at the two targets. */
	readonly position: number;
	readonly toPosition: number;
	/** A rest lies before the target. */
	readonly rested: boolean;
	readonly moments: readonly Moment[];
	readonly echo: Echo | null;
	/** The way of arriving that the player wants, where there is one. */
	readonly arrive: Approach | null;
	/** Seed of this stretch's own variation; 0 for none. */
	readonly take: number;
};

export type Motion = {
	readonly msPerTick: number;
	readonly direction: 'up' | 'down' | null;
	readonly taste: Taste;
};

/** The moves of a stretch: into each note, then into the target. */
export function movesOf(stretch: Stretch, { msPerTick, direction }: Motion): Move[] {
	const { moments, to } = stretch;
	const target = to.candidates[0]!.midi;
	const moves = moments.map(({ onset, spot }, i): Move => {
		const before = i > 0 ? moments[i - 1]!.onset.tick : stretch.fromTick;
		return {
			ms: (onset.tick - before) * msPerTick,
			rested: onset.rested,
			target: spot.left === 1 ? target : null,
			landing: false,
			direction
		};
	});
	const last = moments.at(-1)?.onset.tick ?? stretch.fromTick;
	moves.push({
		ms: (stretch.toTick - last) * msPerTick,
		rested: stretch.rested,
		target,
		landing: true,
		direction: null
	});
	return moves;
}

const tables = new WeakMap<Pool, WeakMap<Pool, Map<number, Int32Array>>>();

/** Costs of all moves between two pools, remembered as long as both live: they depend on little besides. */
function moveTable(from: Pool, to: Pool, move: Move): Int32Array {
	let row = tables.get(from);
	if (!row) tables.set(from, (row = new WeakMap()));
	let known = row.get(to);
	if (!known) row.set(to, (known = new Map()));
	const { target, landing, rested, direction } = move;
	const way = direction === null ? 0 : direction === 'up' ? 1 : 2;
	const flags = Number(move.ms < FAST_MS) + 2 * Number(rested) + 4 * Number(landing) + 8 * way;
	const name = 32 * ((target ?? -1) + 1) + flags;
	const found = known.get(name);
	if (found) return found;
	const made = new Int32Array(from.pitch.length * to.pitch.length);
	let at = 0;
	for (let a = 0; a < from.pitch.length; a++) {
		for (let b = 0; b < to.pitch.length; b++) {
			const sound = soundCost(from.pitch[a]!, to.pitch[b]!, from.traits[a]!, to.traits[b]!, move);
			made[at++] =
				sound === FORBIDDEN
					? sound
					: sound + handCost(from.candidates[a]!, to.candidates[b]!, move);
		}
	}
	known.set(name, made);
	return made;
}

/** Adds what leaving an echoed contour costs to the moves into a note. */
function echoed(table: Int32Array, echo: Echo, i: number, from: Pool, to: Pool): Int32Array {
	const made = table.slice();
	let at = 0;
	for (const a of from.candidates) {
		for (const b of to.candidates) {
			if (made[at]! < FORBIDDEN) made[at]! += echoCost(echo, i, a, b);
			at++;
		}
	}
	return made;
}

const ARRIVAL_COST = APPROACHES.map((kind) => APPROACH[kind]);

const arrivalsOn = new WeakMap<Pool, WeakMap<Pool, Map<number, Uint8Array>>>();

/** The class of arrival of the last two notes before the target, by candidate; remembered as long as both pools live. */
function arrivals(before: Pool | null, last: Pool, target: number): Uint8Array {
	const first = before ?? last;
	// A lone note has nothing before it: its row is told apart by the sign.
	const name = before ? target : -1 - target;
	let row = arrivalsOn.get(first);
	if (!row) arrivalsOn.set(first, (row = new WeakMap()));
	let known = row.get(last);
	if (!known) row.set(last, (known = new Map()));
	let found = known.get(name);
	if (!found) known.set(name, (found = arrivalKinds(before, last, target)));
	return found;
}

function arrivalKinds(before: Pool | null, last: Pool, target: number): Uint8Array {
	const size = before?.pitch.length ?? 1;
	const kinds = new Uint8Array(size * last.pitch.length);
	let at = 0;
	for (let b = 0; b < size; b++) {
		for (const candidate of last.candidates) {
			const pitch = before ? before.pitch[b]! : null;
			kinds[at++] = approachIndex(pitch, candidate.midi, candidate.tone !== null, target);
		}
	}
	return kinds;
}

/** Builds the search's numbers for a stretch. */
export function buildGap(stretch: Stretch, motion: Motion): Gap {
	const { from, to, moments, echo, take } = stretch;
	const layers = [from, ...moments.map((moment) => moment.pool), to];
	const moves = movesOf(stretch, motion);
	const pairs: Int32Array[] = [new Int32Array(0)];
	moves.forEach((move, i) => {
		const table = moveTable(layers[i]!, layers[i + 1]!, move);
		const bound = echo && i < moments.length;
		pairs.push(bound ? echoed(table, echo, i, layers[i]!, layers[i + 1]!) : table);
	});
	const empty = new Int32Array(1);
	const taste = { ...motion.taste, seed: take };
	const own = [
		empty,
		...moments.map(({ pool, spot, onset, barred }) => {
			const known = spotCosts(pool, spot, taste, onset.tick);
			if (!barred) return known;
			const costs = known.slice();
			for (const candidate of barred) costs[pool.candidates.indexOf(candidate)] = FORBIDDEN;
			return costs;
		}),
		empty
	];
	const n = moments.length;
	const target = to.candidates[0]!.midi;
	const arrival =
		n === 0
			? new Uint8Array(0)
			: arrivals(n > 1 ? moments[n - 2]!.pool : null, moments[n - 1]!.pool, target);
	return {
		pitch: layers.map((layer) => layer.pitch),
		own,
		pairs,
		arrival,
		arrivalCost: ARRIVAL_COST
	};
}

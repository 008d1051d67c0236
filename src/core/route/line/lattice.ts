import { approachOf, APPROACHES } from './approach';
import type { Gap } from './gap';
import { echoCost, type Echo } from './echo';
import { moveCost, type Move } from './motion';
import { spotCost, type Moment, type Taste } from './moments';
import type { Candidate, Pool } from './pool';
import { APPROACH, FAST_MS, FORBIDDEN } from './weights';

/** The way between two targets: the target before, the notes between, the target. */
export type Stretch = {
	readonly from: Pool;
	readonly fromTick: number;
	readonly to: Pool;
	readonly toTick: number;
	/** A rest lies before the target. */
	readonly rested: boolean;
	readonly moments: readonly Moment[];
	readonly echo: Echo | null;
};

export type Motion = {
	readonly msPerTick: number;
	readonly direction: 'up' | 'down' | null;
	readonly taste: Taste;
};

/** The moves of a stretch: into each note, then into the target. */
export function movesOf(stretch: Stretch, { msPerTick, direction }: Motion): Move[] {
	const { moments, to } = stretch;
	const target = to.candidates[0].midi;
	const moves = moments.map(({ onset, spot }, i): Move => {
		const before = i > 0 ? moments[i - 1].onset.tick : stretch.fromTick;
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

/** Remembers the costs of moves between two pools: they depend on little besides. */
export class MoveTables {
	private readonly known = new WeakMap<Pool, WeakMap<Pool, Map<string, Int32Array>>>();

	of(from: Pool, to: Pool, move: Move): Int32Array {
		let row = this.known.get(from);
		if (!row) this.known.set(from, (row = new WeakMap()));
		let tables = row.get(to);
		if (!tables) row.set(to, (tables = new Map()));
		const { target, landing, rested, direction } = move;
		const name = `${move.ms < FAST_MS} ${rested} ${target} ${landing} ${direction}`;
		const found = tables.get(name);
		if (found) return found;
		const made = new Int32Array(from.pitch.length * to.pitch.length);
		let at = 0;
		for (const a of from.candidates) {
			for (const b of to.candidates) made[at++] = moveCost(a, b, move);
		}
		tables.set(name, made);
		return made;
	}
}

/** Adds what leaving an echoed contour costs to the moves into a note. */
function echoed(table: Int32Array, echo: Echo, i: number, from: Pool, to: Pool): Int32Array {
	const made = table.slice();
	let at = 0;
	for (const a of from.candidates) {
		for (const b of to.candidates) {
			if (made[at] < FORBIDDEN) made[at] += echoCost(echo, i, a, b);
			at++;
		}
	}
	return made;
}

const isChordTone = (candidate: Candidate): boolean => candidate.tone !== null;

/** The class of arrival of the last two notes before the target, by candidate. */
function arrivals(before: Pool | null, last: Pool, target: number): Uint8Array {
	const size = before?.pitch.length ?? 1;
	const kinds = new Uint8Array(size * last.pitch.length);
	let at = 0;
	for (let b = 0; b < size; b++) {
		for (const candidate of last.candidates) {
			const pitch = before ? before.pitch[b] : null;
			const kind = approachOf(pitch, candidate.midi, isChordTone(candidate), target);
			kinds[at++] = APPROACHES.indexOf(kind);
		}
	}
	return kinds;
}

/** Builds the search's numbers for a stretch. */
export function buildGap(stretch: Stretch, motion: Motion, tables: MoveTables): Gap {
	const { from, to, moments, echo } = stretch;
	const layers = [from, ...moments.map((moment) => moment.pool), to];
	const moves = movesOf(stretch, motion);
	const pairs: Int32Array[] = [new Int32Array(0)];
	moves.forEach((move, i) => {
		const table = tables.of(layers[i], layers[i + 1], move);
		const bound = echo && i < moments.length;
		pairs.push(bound ? echoed(table, echo, i, layers[i], layers[i + 1]) : table);
	});
	const empty = new Int32Array(1);
	const own = [
		empty,
		...moments.map(({ pool, spot, onset }) =>
			Int32Array.from(pool.candidates, (c) => spotCost(c, spot, motion.taste, onset.tick))
		),
		empty
	];
	const n = moments.length;
	const target = to.candidates[0].midi;
	const arrival =
		n === 0
			? new Uint8Array(0)
			: arrivals(n > 1 ? moments[n - 2].pool : null, moments[n - 1].pool, target);
	return {
		pitch: layers.map((layer) => layer.pitch),
		own,
		pairs,
		arrival,
		arrivalCost: APPROACHES.map((kind) => APPROACH[kind])
	};
}

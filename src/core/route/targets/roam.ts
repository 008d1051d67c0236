import type { Change, Chart } from '../../chart';
import { mod, pitchClass } from '../../pitch';
import { inWindow, lastPosition, shiftPrice } from '../../neck';
import { phrasesOf } from '../phrases';
import type { PlanRequest } from '../types';
import { planSteps, type Roam } from './candidates';
import { buildLattice } from './lattice';
import { solve } from './solve';
import { WEIGHTS } from './landing-prices';

const NEVER = 1e9;

/** What some changes cost by themselves in one position; never where a lock lies outside it. */
function costIn(request: PlanRequest, changes: readonly Change[], position: number): number {
	const { instrument, locks } = request;
	const here = new Set(changes.map((change) => change.index));
	for (const lock of locks) {
		if (here.has(lock.change) && !inWindow(instrument, position, lock)) return NEVER;
	}
	const part = { ...request, position, chart: { ...request.chart, changes } };
	const { steps } = planSteps(part);
	const missing = changes.filter((change) => !request.letPass.includes(change.index)).length;
	return solve(buildLattice(part, steps)).cost + WEIGHTS.unserved * (missing - steps.length);
}

/** What moving the hand costs under a wish. Climbing goes toward the body. */
function moveCost(from: number, to: number, { roam, wish }: Roam): number {
	const frets = to - from;
	if (Math.abs(frets) > roam) return NEVER;
	const plain = shiftPrice(frets);
	if (wish === 'climb' || wish === 'descend') {
		const along = wish === 'climb' ? frets : -frets;
		return along > 0 ? 0 : WEIGHTS.againstWish * (1 + Math.abs(frets));
	}
	return wish === 'stay' ? 2 * plain : plain;
}

/** The cheapest walk through positions: a cost per phrase and position, and one per move. */
function walk(costs: readonly (readonly number[])[], roam: Roam): number[] | null {
	let total = [...costs[0]!];
	const back: number[][] = [];
	for (const row of costs.slice(1)) {
		const from: number[] = [];
		total = row.map((cost, to) => {
			let best = 0;
			let least = Infinity;
			total.forEach((before, at) => {
				const sum = before + moveCost(at, to, roam);
				if (sum < least) [best, least] = [at, sum];
			});
			from[to] = best;
			return least + cost;
		});
		back.push(from);
	}
	const end = total.indexOf(Math.min(...total));
	if (total[end]! >= NEVER) return null;
	const path = [end];
	for (let i = back.length - 1; i >= 0; i--) path.unshift(back[i]![path[0]!]!);
	return path;
}

/** Where a cell that is moved to each root puts the hand, starting somewhere; the hand stays where the root is out of reach. */
function mirrored(chart: Chart, start: number, last: number, most: number): number[] {
	const home = pitchClass(chart.changes[0]!.to.chord.root);
	let at = start;
	return chart.changes.map(({ to }) => {
		const move = mod(pitchClass(to.chord.root) - home, 12);
		const places = [start + move - 12, start + move, start + move + 12].filter(
			(place) => place >= 1 && place <= last && Math.abs(place - at) <= most
		);
		places.sort((a, b) => Math.abs(a - at) - Math.abs(b - at) || a - b);
		at = places[0] ?? at;
		return at;
	});
}

/** Cost of a request whose windows are set. */
function costOf(request: PlanRequest): number {
	const { steps } = planSteps(request);
	const wanted = request.chart.changes.length - request.letPass.length;
	return solve(buildLattice(request, steps)).cost + WEIGHTS.unserved * (wanted - steps.length);
}

/**
 * Where the hand goes when it may move along the neck: one position a phrase (for a mirror one a
 * change), moving at most `roam` frets at a time, as cheap as phrases, moves and the player's wish
 * allow. Null when no walk holds every lock.
 * @returns the position at each change
 */
export function roamWindows(request: PlanRequest, roam: Roam): number[] | null {
	const last = lastPosition(request.instrument);
	const { chart, instrument, locks } = request;
	if (request.style === 'mirror') {
		let best: number[] | null = null;
		let least = Infinity;
		for (let start = 1; start <= last; start++) {
			const windows = mirrored(chart, start, last, roam.roam);
			if (!locks.every((lock) => inWindow(instrument, windows[lock.change]!, lock))) continue;
			const cost = costOf({ ...request, windows });
			if (cost < least) [best, least] = [windows, cost];
		}
		return best;
	}
	const phrases = phrasesOf(chart);
	if (phrases.length === 0) return [];
	const costs = phrases.map((changes) =>
		Array.from({ length: last }, (_, i) => costIn(request, changes, i + 1))
	);
	const path = walk(costs, roam);
	return path && phrases.flatMap((changes, i) => changes.map(() => path[i]! + 1));
}

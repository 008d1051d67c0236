import { DirectedGraph } from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { planTargets, rankLandings, type PlanRequest } from '../src/core/route';
import { STEADY, type LineGrid } from '../src/core/route/line/cells';
import { LineWork } from '../src/core/route/line/work';
import { solveGap } from '../src/core/route/line/gap';
import type { Gap } from '../src/core/route/line/layers';
import { buildGap } from '../src/core/route/line/lattice';
import { Pools } from '../src/core/route/line/moments';
import { threeCost } from '../src/core/route/line/motion';
import { planLine } from '../src/core/route/line/plan-line';
import { rhythmOf } from '../src/core/route/line/rhythm';
import { stretchesOf } from '../src/core/route/line/stretches';
import type { LineWishes } from '../src/core/route/line/types';
import { FORBIDDEN } from '../src/core/route/line/line-prices';

/** A steady line on a grid. */
export function steady(grid: LineGrid): LineWishes {
	return { grid, cellOf: () => STEADY, scalePlan: 'one', spice: 0.4 };
}

/** Plans targets and line; `work` from an earlier plan saves what did not change. */
export function planAll(request: PlanRequest, line: LineWishes, work = new LineWork()): LineWork {
	planLine({ ...request, line }, planTargets(request).targets, work);
	return work;
}

/** The lattices of all ways of a plan. */
export function gapsOf(request: PlanRequest, line: LineWishes): Gap[] {
	const { chart, instrument, scale } = request;
	const { targets } = planTargets(request);
	const pools = new Pools(
		chart,
		instrument,
		chart.events.map(() => scale),
		{ blend: false, kept: null }
	);
	const ms = 60_000 / (chart.headers.tempo * 480);
	const taste = { spice: line.spice ?? 0, seed: 0, strings: instrument.open.length };
	const onsets = rhythmOf(chart, targets, line);
	return stretchesOf({ ...request, line }, targets, onsets, pools, ms).map((stretch) =>
		buildGap(stretch, { msPerTick: ms, direction: null, taste })
	);
}

const node = (i: number, b: number, c: number): string => `${i}:${b}:${c}`;

/** A way's lattice as a graph: a node per pair of notes, an edge per three. */
export function gapGraph({ pitch, own, pairs, arrival, arrivalCost }: Gap): DirectedGraph {
	const graph = new DirectedGraph();
	const n = pitch.length - 2;
	graph.addNode('start');
	graph.addNode('end');
	const edge = (from: string, to: string, weight: number) => {
		if (weight >= FORBIDDEN) return;
		graph.mergeNode(to);
		graph.mergeEdge(from, to, { weight });
	};
	pitch[1].forEach((_, c) => edge('start', node(1, 0, c), pairs[1][c] + own[1][c]));
	for (let i = 2; i <= n; i++) {
		const [na, nb, nc] = [i === 2 ? 1 : pitch[i - 2].length, pitch[i - 1].length, pitch[i].length];
		for (let a = 0; a < na; a++) {
			for (let b = 0; b < nb; b++) {
				if (!graph.hasNode(node(i - 1, a, b))) continue;
				for (let c = 0; c < nc; c++) {
					const three = threeCost(pitch[i - 2][a], pitch[i - 1][b], pitch[i][c]);
					edge(node(i - 1, a, b), node(i, b, c), pairs[i][b * nc + c] + own[i][c] + three);
				}
			}
		}
	}
	const target = pitch[n + 1][0];
	const [nb, nc] = [n > 1 ? pitch[n - 1].length : 1, pitch[n].length];
	for (let b = 0; b < nb; b++) {
		for (let c = 0; c < nc; c++) {
			if (!graph.hasNode(node(n, b, c))) continue;
			const three = threeCost(pitch[n - 1][b], pitch[n][c], target);
			edge(node(n, b, c), 'end', pairs[n + 1][c] + three + arrivalCost[arrival[b * nc + c]]);
		}
	}
	return graph;
}

/** The library's own search over a way; its cost must be that of the cheapest way. */
export function searchGapGraph(graph: DirectedGraph): number {
	const path: string[] = dijkstra.bidirectional(graph, 'start', 'end', 'weight') ?? [];
	let cost = 0;
	for (let i = 1; i < path.length; i++)
		cost += graph.getEdgeAttribute(path[i - 1], path[i], 'weight');
	return cost;
}

export const cheapestWay = (gap: Gap): number =>
	Math.min(...solveGap(gap).map((way) => way?.cost ?? Infinity));

/** So many rounds are played before any is measured, as the other rows have it too. */
const WARM = 24;

/**
 * A plan again after one target has moved to its next best place, the others locked where they were,
 * against the plan itself; the median over every target of the chart and some rounds, each with what a
 * first plan left and nothing more.
 */
export function replanRatio(request: PlanRequest, line: LineWishes, rounds = 36): number {
	const { targets } = planTargets(request);
	const kept = targets.map(({ change, string, fret }) => ({ change, string, fret }));
	const moves = targets.flatMap(({ string, fret }, i) => {
		const others = kept.filter((_, k) => k !== i);
		const { change } = kept[i];
		const place = rankLandings({ ...request, locks: others }, change).find(
			(landing) => landing.string !== string || landing.fret !== fret
		);
		if (!place) return [];
		const lock = { change, string: place.string, fret: place.fret };
		return [{ ...request, locks: kept.map((other, k) => (k === i ? lock : other)) }];
	});
	const ratios: number[] = [];
	for (let round = -WARM; round < rounds; round++) {
		for (const moved of moves) {
			const work = new LineWork();
			const start = performance.now();
			planAll(request, line, work);
			const planned = performance.now();
			planAll(moved, line, work);
			const again = performance.now();
			if (round >= 0) ratios.push((again - planned) / (planned - start));
		}
	}
	return ratios.sort((a, b) => a - b)[Math.floor(ratios.length / 2)];
}

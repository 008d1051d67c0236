import { DirectedGraph } from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { tripleCosts, type Lattice } from '../src/core/route/targets/lattice';

/** Relaxations of the full second-order lattice: every triple of neighbouring candidates. */
export const relaxations = ({ sizes }: Lattice): number =>
	sizes.slice(2).reduce((sum, size, i) => sum + sizes[i] * sizes[i + 1] * size, 0);

/** The floor: so many bare relaxations on typed arrays, nothing else. */
export function bareLoop(count: number): number {
	const cost = new Int32Array(1024);
	let best = 0x7fffffff;
	for (let i = 0; i < count; i++) {
		const total = cost[i & 1023] + (i & 7);
		if (total < best) best = total;
		cost[(i + 1) & 1023] = total & 0xffff;
	}
	return best;
}

const node = (i: number, a: number, b: number): string => `${i}:${a}:${b}`;

/** The same lattice as a graph: a node per pair of targets, an edge per triple. */
export function buildGraph({ sizes, own, pairs, pitches }: Lattice): DirectedGraph {
	const graph = new DirectedGraph();
	graph.addNode('start');
	graph.addNode('end');
	for (let i = 1; i < sizes.length; i++) {
		for (let a = 0; a < sizes[i - 1]; a++) {
			for (let b = 0; b < sizes[i]; b++) graph.addNode(node(i, a, b));
		}
	}
	for (let a = 0; a < sizes[0]; a++) {
		for (let b = 0; b < sizes[1]; b++) {
			const weight = own[0][a] + own[1][b] + pairs[1][a * sizes[1] + b];
			graph.addEdge('start', node(1, a, b), { weight });
		}
	}
	for (let i = 2; i < sizes.length; i++) {
		for (let a = 0; a < sizes[i - 2]; a++) {
			for (let b = 0; b < sizes[i - 1]; b++) {
				for (let c = 0; c < sizes[i]; c++) {
					const three = tripleCosts(pitches[i - 2][a], pitches[i - 1][b], pitches[i][c]);
					const extra = (three.repetition ?? 0) + (three.turns ?? 0);
					const weight = own[i][c] + pairs[i][b * sizes[i] + c] + extra;
					graph.addEdge(node(i - 1, a, b), node(i, b, c), { weight });
				}
			}
		}
	}
	const last = sizes.length - 1;
	for (let a = 0; a < sizes[last - 1]; a++) {
		for (let b = 0; b < sizes[last]; b++) graph.addEdge(node(last, a, b), 'end', { weight: 0 });
	}
	return graph;
}

/** The library's own search; the cost of its path, to see that both found the same. */
export function searchGraph(graph: DirectedGraph): number {
	const path: string[] = dijkstra.bidirectional(graph, 'start', 'end', 'weight') ?? [];
	let cost = 0;
	for (let i = 1; i < path.length; i++)
		cost += graph.getEdgeAttribute(path[i - 1], path[i], 'weight');
	return cost;
}

import { Bench } from 'tinybench';
import { coverNeck, planTargets, rankCoverage } from '../src/core/route';
import { planSteps } from '../src/core/route/targets/candidates';
import { buildLattice } from '../src/core/route/targets/lattice';
import { solve } from '../src/core/route/targets/solve';
import { blues, long } from './charts';
import { bareLoop, buildGraph, eighthRelaxations, relaxations, searchGraph } from './floors';
import { pageRatio } from './server';

/** Median time of some work in ms. */
async function time(work: () => unknown, ms = 400): Promise<number> {
	const bench = new Bench({ time: ms, warmupTime: 100 });
	bench.add('work', () => void work());
	const [task] = await bench.run();
	if (!('latency' in task.result)) throw new Error('the work failed');
	return task.result.latency.p50;
}

/**
 * How much longer some work takes than its floor. Both are timed in turns, so that a busy moment of
 * the machine meets both; the median of the rounds counts.
 */
async function ratio(work: () => unknown, floor: () => unknown, ms = 150): Promise<number> {
	const rounds: number[] = [];
	for (let i = 0; i < 5; i++) rounds.push((await time(work, ms)) / (await time(floor, ms)));
	return rounds.sort((a, b) => a - b)[2];
}

let over = 0;
function row(name: string, ratio: number, limit: number): void {
	const ok = ratio <= limit;
	if (!ok) over++;
	console.log(
		`${name} | ${ratio.toPrecision(3)} | ${limit.toPrecision(3)} | ${ok ? 'ok' : 'over'}`
	);
}

/** Measures every row; returns how many are over their limit. */
export async function main(root: string): Promise<number> {
	const request = blues('nearest');
	const lattice = buildLattice(request, planSteps(request).steps);
	const count = relaxations(lattice);
	const graph = buildGraph(lattice);
	if (searchGraph(graph) !== solve(lattice).cost)
		throw new Error('the floors disagree on the best plan');

	const plan = () => planTargets(request);
	const search = () => solve(lattice);
	const [planMs, searchMs] = [await time(plan), await time(search)];
	console.log(
		`${count} relaxations; plan ${planMs.toFixed(3)} ms, search alone ${searchMs.toFixed(3)} ms`
	);
	row(
		'target search of 12 bars against a bare loop',
		await ratio(search, () => bareLoop(count)),
		2
	);
	row(
		'target plan of 12 bars against building and searching a graph',
		await ratio(plan, () => searchGraph(buildGraph(lattice)), 400),
		1 / 50
	);
	row(
		'target plan of 12 bars against the graph library’s search alone',
		await ratio(plan, () => searchGraph(graph)),
		1 / 3
	);

	const [few, many] = [long(16, 'nearest'), long(64, 'nearest')];
	row(
		'target plan of 64 bars against 16 bars',
		await ratio(
			() => planTargets(many),
			() => planTargets(few)
		),
		5
	);
	// A plan in eighths may take twice its bare loop; coverage is held to the loop itself.
	const eighths = eighthRelaxations(request);
	const cover = () => rankCoverage([...coverNeck({ ...request, style: 'guide-tones' })]);
	console.log(`coverage ${(await time(cover)).toFixed(1)} ms; ${eighths} relaxations in eighths`);
	row(
		'coverage of the whole neck for 12 bars against the bare loop of a plan in eighths',
		await ratio(cover, () => bareLoop(eighths)),
		10
	);
	row('server answer of a tune’s page against /healthz', await pageRatio(root), 10);
	return over;
}

import { Bench } from 'tinybench';
import { hearRecording } from '../src/core/practice/hear/recording';
import { everyPitch, record } from '../src/core/practice/hear/test-strings';
import { coverNeck, planTargets, rankCoverage } from '../src/core/route';
import { planSteps } from '../src/core/route/targets/candidates';
import { buildLattice } from '../src/core/route/targets/lattice';
import { solve } from '../src/core/route/targets/solve';
import { blues, long, sevenNotes } from './charts';
import { bareLoop, buildGraph, relaxations, searchGraph } from './floors';
import {
	cheapestWay,
	gapGraph,
	gapsOf,
	planAll,
	replanRatio,
	searchGapGraph,
	steady
} from './lines';
import { measureServer } from './server';
import { measureBrowser } from './browser';
import { withDemo } from './demo-server';

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

/** Median of three runs in ms, for floors that take seconds. */
function once(work: () => unknown): number {
	const times: number[] = [];
	for (let i = 0; i < 3; i++) {
		const start = performance.now();
		work();
		times.push(performance.now() - start);
	}
	return times.sort((a, b) => a - b)[1];
}

let over = 0;
function row(name: string, ratio: number, limit: number): void {
	const ok = ratio <= limit;
	if (!ok) over++;
	console.log(
		`${name} | ${ratio.toPrecision(3)} | ${limit.toPrecision(3)} | ${ok ? 'ok' : 'over'}`
	);
}

/** Time that the ear takes for a recording of every pitch, against how long it lasts. */
function hearingShare(): number {
	const rate = 48_000;
	const samples = record(everyPitch(1), { rate, hum: 0, noise: 0.003, level: 0.5, seed: 1 });
	const heard = once(() => {
		let last: unknown;
		for (const step of hearRecording(samples, rate)) last = step;
		return last;
	});
	return heard / ((1000 * samples.length) / rate);
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
	const eighths = steady('eighth');
	const guided = sevenNotes('guide-tones');
	const line = () => planAll(guided, eighths);
	const weighed = line().relaxations;
	const gaps = gapsOf(guided, eighths);
	const graphs = gaps.map(gapGraph);
	gaps.forEach((gap, i) => {
		if (searchGapGraph(graphs[i]) !== cheapestWay(gap)) throw new Error('the searches disagree');
	});
	console.log(
		`line of 12 bars in eighths ${(await time(line)).toFixed(2)} ms, ${weighed} relaxations`
	);
	row(
		'line of 12 bars in eighths against a bare loop',
		await ratio(line, () => bareLoop(weighed)),
		2
	);
	const searchAll = () => graphs.forEach(searchGapGraph);
	const lineMs = await time(line);
	row(
		'line of 12 bars in eighths against building and searching graphs',
		lineMs / once(() => gaps.forEach((gap) => searchGapGraph(gapGraph(gap)))),
		1 / 50
	);
	row(
		'line of 12 bars in eighths against the graph library’s search alone',
		lineMs / once(searchAll),
		1 / 3
	);
	const sixteenths = steady('sixteenth');
	row(
		'line of 64 bars in sixteenths against 16 bars',
		await ratio(
			() => planAll(many, sixteenths),
			() => planAll(few, sixteenths),
			400
		),
		5
	);
	row(
		'line of 512 bars in eighths against 64 bars',
		await ratio(
			() => planAll(long(512, 'nearest'), eighths),
			() => planAll(many, eighths),
			800
		),
		10
	);
	row('plan again after one target of 12 bars moves', replanRatio(guided, eighths), 1 / 4);
	const cover = () => rankCoverage([...coverNeck({ ...request, style: 'guide-tones' })]);
	console.log(`coverage ${(await time(cover)).toFixed(1)} ms`);
	row('coverage of the whole neck against a line in eighths', await ratio(cover, line), 10);
	row('hearing a recording against playing it', hearingShare(), 1 / 5);
	await withDemo(root, async (url) => {
		const served = await measureServer(url);
		row('server answer of a tune’s page against /healthz', served.pageRatio, 10);
		for (const { screen, kB } of served.scripts) row(`script of ${screen} at first, kB`, kB, 200);
		const { typing, opening } = await measureBrowser(url);
		row('a letter typed in a chart of 256 bars against 8', typing.share, 1.5);
		row('longest task of a letter in 256 bars against an empty page’s', typing.longest, 1);
		for (const { screen, longest } of opening)
			row(`longest task on opening ${screen} against an empty page’s`, longest, 1.5);
	});
	return over;
}

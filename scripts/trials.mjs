// npm run trials: what each price of the planner does to its lines. Every price in turn is set to nothing and doubled, the
// same charts are planned in the same places, and what of the lines changes is written into docs/prices.md. Some minutes.
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { bin, ensurePackages, root, run } from './lib.mjs';

ensurePackages();
run(bin('svelte-kit'), ['sync']);
const { createServer } = await import('vite');
const server = await createServer({
	configFile: false,
	root,
	logLevel: 'error',
	server: { middlewareMode: true, ws: false, watch: null },
	optimizeDeps: { noDiscovery: true }
});
const CORE = '/src/core';
const STYLES = ['nearest', 'guide-tones', 'roots', 'arpeggio'];
const GRIDS = ['eighth', 'sixteenth'];
const PLACES = [1, 4, 7, 10];

/** What is asked for seldom, and what it takes: the price of a shift decides only where the hand moves. */
const LEANS = [
	{ change: 1, wish: 'rest' },
	{ change: 2, wish: 'lean' }
];
const SELDOM = [
	{ style: 'mirror', position: 5, grid: 'eighth' },
	{ style: 'blend', position: 9, grid: 'eighth', scalePlan: 'arpeggio' },
	{ style: 'guide-tones', position: 5, grid: 'quarter' },
	{ style: 'arpeggio', position: 10, grid: 'quarter' },
	{ style: 'nearest', position: { roam: 5, wish: 'climb' }, grid: 'eighth' },
	{ style: 'mirror', position: { roam: 5, wish: 'climb' }, grid: 'eighth' },
	{ style: 'nearest', position: 5, grid: 'eighth', direction: 'up' },
	{ style: 'nearest', position: 5, grid: 'eighth', seed: 7 },
	{ style: 'nearest', position: 5, grid: 'eighth', leans: LEANS },
	{ style: 'guide-tones', position: 1, grid: 'eighth', hand: { comfortableMm: 60 } }
];

/** Lines of all charts and places, planned by modules that are read anew with changed prices. */
async function linesWith(change) {
	server.moduleGraph.invalidateAll();
	const load = (path) => server.ssrLoadModule(`${CORE}/${path}.ts`);
	const { HAND } = await load('neck/prices');
	const { LINE, APPROACH } = await load('route/line/line-prices');
	const { WEIGHTS } = await load('route/targets/landing-prices');
	const tables = { HAND, WEIGHTS, LINE, APPROACH };
	change(tables);
	const { CHARTS, STEADY, inKey, planned, requestFor } = await load('route/test-lines');
	const { lineMeasures } = await load('route/line/measures');
	const lines = [];
	for (const text of Object.values(CHARTS)) {
		const chart = inKey(text, 2);
		for (const position of PLACES) {
			for (const style of STYLES) {
				for (const grid of GRIDS) {
					const wishes = { ...STEADY, grid };
					const { line, targets } = planned(requestFor(chart, style, position), wishes);
					const { notes } = line;
					const pairs = notes.slice(1).map((note, i) => Math.abs(note.string - notes[i].string));
					const moves = targets.slice(1).map((at, i) => Math.abs(at.midi - targets[i].midi));
					const outside = ({ fret }) => fret > 0 && (fret < position || fret > position + 3);
					lines.push({
						places: notes.map(({ string, fret }) => `${string}/${fret}`),
						...lineMeasures(chart, notes, line.arrivals),
						reaches: mean(notes.map((note) => Number(outside(note)))),
						skips: mean(pairs.map((apart) => Number(apart > 1))),
						landingStep: mean(moves)
					});
				}
			}
		}
	}
	const { readyRoute } = await load('route/ready-route');
	const { planWhole } = await load('route/plan-lines');
	const { scaleInUse } = await load('harmony/in-use');
	const { standardGuitar } = await load('neck/instrument');
	const seldom = [];
	for (const text of Object.values(CHARTS)) {
		const chart = inKey(text, 0);
		for (const asked of SELDOM) {
			const { style, position, grid, scalePlan = 'one', direction, seed = 0, leans, hand } = asked;
			const instrument = { ...standardGuitar(), ...(hand ? { hand } : {}) };
			const ready = readyRoute({
				...{ chart, position, style, leans, instrument, locks: [], forbid: [], letPass: [] },
				scale: scaleInUse(chart).scale,
				holding: { slide: 0, block: false },
				scales: { scalePlan, byHand: [], alternate: null, only: false },
				way: { ...STEADY, grid, direction, seed }
			});
			const [{ notes }] = planWhole(ready.value.request, ready.value.line);
			seldom.push({ places: notes.map(({ string, fret }) => `${string}/${fret}`) });
		}
	}
	return { lines, seldom, tables };
}

const mean = (list) => list.reduce((sum, value) => sum + value, 0) / Math.max(1, list.length);

/** What is told of the lines, and how. */
const share = (value) => value.toFixed(3).replace(/^0/, '');
const TOLD = {
	turns: ['turns', share],
	returns: ['A B A', share],
	directGaps: ['direct', share],
	chordTonesOnBeats: ['on beats', share],
	resolvedApproaches: ['by step', share],
	thirds: ['thirds', share],
	chordHeard: ['heard', share],
	repeatedPatterns: ['again', share],
	approachEntropy: ['bits', (value) => value.toFixed(2)],
	reaches: ['reaches', share],
	skips: ['skips', share],
	landingStep: ['landing', (value) => value.toFixed(2)]
};
const meansOf = (lines) =>
	Object.entries(TOLD).map(([name, [, told]]) => told(mean(lines.map((line) => line[name]))));

/** The share of notes that lie elsewhere than in the usual lines. */
const moved = (usual, lines) =>
	mean(
		lines.map(({ places }, i) => mean(places.map((at, k) => Number(at !== usual[i].places[k]))))
	);

const { lines: usual, seldom: usualSeldom, tables } = await linesWith(() => {});
const rows = [['', '', 'as they are', '', '', ...meansOf(usual)]];
for (const [table, prices] of Object.entries(tables)) {
	for (const [name, price] of Object.entries(prices)) {
		if (price === 0) continue;
		for (const times of [0, 2]) {
			const times_ = (value) => Math.round(value * times);
			const { lines, seldom } = await linesWith((changed) => {
				changed[table][name] = Array.isArray(price) ? price.map(times_) : times_(price);
			});
			const label = times === 0 ? 'nothing' : 'doubled';
			const means = meansOf(lines);
			const same = (value, i) => (value === rows[0][i + 5] ? '' : value);
			const far = [share(moved(usual, lines)), share(moved(usualSeldom, seldom))];
			rows.push([table, name, label, ...far, ...means.map(same)]);
			console.log(rows.at(-1).join(' | '));
		}
	}
}
await server.close();

const head = [
	'list',
	'price',
	'set to',
	'moved',
	'seldom',
	...Object.values(TOLD).map(([title]) => title)
];
const line = (cells) => `| ${cells.join(' | ')} |`;
const table = [line(head), line(head.map(() => '---')), ...rows.map(line)].join('\n');
const file = join(root, 'docs', 'prices.md');
const MARK = '<!-- measured -->';
const [before] = readFileSync(file, 'utf8').split(MARK);
writeFileSync(file, `${before}${MARK}\n\n${table}\n`);

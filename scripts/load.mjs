// npm run load: 60 players plan, save, read, print, bring files in and back up for a minute on a server of their own;
// p99 of each kind of request, errors, memory.
// LOAD_SECONDS and LOAD_CLIENTS change the size; LOAD_POSTGRES=1 runs it on a PostgreSQL server of its own.
import { spawn } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, root } from './lib.mjs';

ensurePackages();
ensureBuild();
const SECONDS = Number(process.env.LOAD_SECONDS ?? 60);
const CLIENTS = Number(process.env.LOAD_CLIENTS ?? 60);
const CHART =
	'title: Load\nkey: Bb blues\nfeel: shuffle\n[Head]\n| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |\n';

const postgres = process.env.LOAD_POSTGRES
	? await (await import('./postgres.mjs')).startPostgres()
	: null;
const server = spawn(process.execPath, [join(root, 'scripts', 'start.mjs')], {
	env: {
		...process.env,
		...{ PORT: '0', HOST: '127.0.0.1' },
		...{ ARC_STEP_DATA: mkdtempSync(join(tmpdir(), 'arc-step-load-')) },
		...(postgres ? { DATABASE_URL: postgres.url } : {})
	}
});
let complaints = '';
server.stderr.on('data', (text) => (complaints += text));
const base = await new Promise((resolve, reject) => {
	server.stdout.on('data', (chunk) => {
		const ready = /ready at (\S+)/.exec(String(chunk));
		if (ready) resolve(ready[1]);
	});
	server.once('exit', (code) => reject(new Error(`the server ended with ${code}: ${complaints}`)));
});

/** Milliseconds of each kind of request. */
const times = new Map();
const errors = [];
/** Megabytes that the server holds. */
const memory = () =>
	Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${server.pid}/status`, 'utf8'))[1]) / 1024;

async function ask(kind, method, path, body) {
	const began = performance.now();
	try {
		const response = await fetch(base + path, {
			method,
			headers: body ? { 'content-type': 'application/json' } : {},
			body: body && JSON.stringify(body)
		});
		const text = await response.text();
		if (!response.ok) errors.push(`${kind}: ${response.status} ${text.slice(0, 200)}`);
		const list = times.get(kind) ?? [];
		list.push(performance.now() - began);
		times.set(kind, list);
		const json = response.headers.get('content-type')?.startsWith('application/json');
		return response.ok && json ? JSON.parse(text) : null;
	} catch (error) {
		errors.push(`${kind}: ${error.cause?.code ?? error.message}`);
		return null;
	}
}

const SONG = `{title: Load}\n{start_of_grid}\n${'| Am . . . | F . . . | C . . . | G . . . |\n'.repeat(16)}{end_of_grid}\n`;
const STYLES = ['roots', 'guide-tones', 'nearest', 'arpeggio', 'blend'];
/** One player: a tune of one's own, planned, saved and read again and again. */
async function play(client, until) {
	let tune = await ask('keep a tune', 'POST', '/api/v1/tunes', { chart: CHART });
	if (!tune) return;
	for (let i = 0; performance.now() < until; i++) {
		const style = STYLES[(client + i) % STYLES.length];
		const position = 1 + ((client + i) % 12);
		await ask('plan', 'POST', '/api/v1/plan', { chart: CHART, position, style, grid: 'eighth' });
		const chart = `${CHART}// ${client} ${i}\n`;
		const { id, version } = tune;
		tune = (await ask('save', 'PUT', `/api/v1/tunes/${id}`, { chart, version })) ?? tune;
		await ask('keep a route', 'POST', `/api/v1/tunes/${id}/routes`, {
			...{ name: `R ${i}`, position, style, anchors: { locks: [], letPass: [] } }
		});
		await ask('read a tune', 'GET', `/api/v1/tunes/${id}`);
		await ask('read a page', 'GET', `/tunes/${id}/chart`);
		const { routes = [] } = (await ask('list routes', 'GET', `/api/v1/tunes/${id}/routes`)) ?? {};
		if (i % 4 === client % 4 && routes.length > 0) {
			await ask('a page as PDF', 'GET', `/routes/${routes.at(-1).id}/route.pdf`);
		}
		if (i % 6 === client % 6) {
			await ask('bring a file in', 'POST', '/api/v1/import?preview=1', {
				name: 'a.cho',
				text: SONG
			});
		}
		if (client === 0 && i % 3 === 0) await ask('back up', 'GET', '/backup.json');
		// The notebook stays of one size, so that what grows is a leak.
		for (const route of routes.slice(0, -2)) {
			await ask('delete a route', 'DELETE', `/api/v1/routes/${route.id}`);
		}
	}
}

const began = performance.now();
const until = began + 1000 * SECONDS;
const held = [];
const watch = setInterval(() => held.push(memory()), 1000);
await Promise.all(Array.from({ length: CLIENTS }, (_, client) => play(client, until)));
clearInterval(watch);
const took = (performance.now() - began) / 1000;

const at = (list, share) => list[Math.min(list.length - 1, Math.floor(share * list.length))];
let all = 0;
console.log(`${CLIENTS} players, ${took.toFixed(0)} s, ${postgres ? 'PostgreSQL' : 'embedded'}`);
for (const [kind, list] of times) {
	list.sort((a, b) => a - b);
	all += list.length;
	const [half, late, most] = [0.5, 0.99, 1].map((share) => at(list, share).toFixed(0));
	console.log(
		`${kind} | ${list.length} requests | median ${half} ms | p99 ${late} ms | most ${most} ms`
	);
}
const mean = (list) => list.reduce((sum, value) => sum + value, 0) / list.length;
const [first, last] = [
	held.slice(held.length / 4, held.length / 2),
	held.slice(-held.length / 4)
].map(mean);
console.log(`${(all / took).toFixed(0)} requests a second, ${errors.length} errors`);
console.log(
	`memory: second quarter ${first.toFixed(0)} MB, last quarter ${last.toFixed(0)} MB, most ${Math.max(...held).toFixed(0)} MB`
);
for (const error of errors.slice(0, 5)) console.log(error);
if (complaints) console.log(complaints.slice(0, 2000));
server.kill('SIGTERM');
await new Promise((resolve) => server.once('exit', resolve));
await postgres?.stop();
process.exitCode = errors.length > 0 || complaints !== '' ? 1 : 0;

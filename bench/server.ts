import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Median time of a request in ms, after some to warm up. */
async function median(url: string): Promise<number> {
	const times: number[] = [];
	for (let i = 0; i < 60; i++) {
		const start = performance.now();
		const response = await fetch(url);
		await response.arrayBuffer();
		if (!response.ok) throw new Error(`${url}: ${response.status}`);
		if (i >= 20) times.push(performance.now() - start);
	}
	return times.sort((a, b) => a - b)[Math.floor(times.length / 2)];
}

/** The slowest of a tune's pages against the answer of `/healthz`, on a server of its own. */
export async function pageRatio(root: string): Promise<number> {
	const data = mkdtempSync(join(tmpdir(), 'arc-step-bench-'));
	const env = { ...process.env, PORT: '0', HOST: '127.0.0.1', ARC_STEP_DATA: data };
	const child = spawn(process.execPath, [join(root, 'scripts', 'demo.mjs')], { env });
	const url = await new Promise<string>((resolve, reject) => {
		child.stdout.on('data', (chunk) => {
			const ready = /ready at (\S+)/.exec(String(chunk));
			if (ready) resolve(ready[1]);
		});
		child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
	});
	try {
		const { tunes } = await (await fetch(`${url}/api/v1/tunes`)).json();
		const health = await median(`${url}/healthz`);
		const pages: number[] = [];
		for (const screen of ['chart', 'neck', 'route']) {
			pages.push(await median(`${url}/tunes/${tunes[0].id}/${screen}`));
		}
		return Math.max(...pages) / health;
	} finally {
		child.kill('SIGTERM');
	}
}

import { spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** Runs some work on a server of its own with the demo notebook; its address is given. */
export async function withDemo<T>(root: string, work: (url: string) => Promise<T>): Promise<T> {
	const data = mkdtempSync(join(tmpdir(), 'arc-step-bench-'));
	const env = { ...process.env, PORT: '0', HOST: '127.0.0.1', ARC_STEP_DATA: data };
	const child = spawn(process.execPath, [join(root, 'scripts', 'demo.mjs')], { env });
	try {
		const url = await new Promise<string>((resolve, reject) => {
			child.stdout.on('data', (chunk) => {
				const ready = /ready at (\S+)/.exec(String(chunk));
				if (ready) resolve(ready[1]);
			});
			child.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
		});
		return await work(url);
	} finally {
		child.kill('SIGTERM');
	}
}

import { expect } from '@playwright/test';
import { copyTemplate } from '../scripts/template.mjs';
import { spawn, type ChildProcess } from 'node:child_process';

export type Running = { process: ChildProcess; url: string; exited: Promise<number | null> };

/** A server that lives for seconds does without the second, better compilation of its database; a large one needs it. */
const QUICK = process.env.ARC_STEP_LARGE === '1' ? [] : ['--liftoff-only'];

/**
 * Starts the built server on a free port with a data folder of its own; its threads begin when they are needed.
 * @param within a command that runs it, as `unshare -n`
 * @throws Error with the exit code and what was said, when it does not start
 */
export async function start(
	data: string,
	env: Record<string, string> = {},
	within: readonly string[] = []
): Promise<Running> {
	copyTemplate(data);
	const [program, ...args] = [...within, process.execPath, ...QUICK, 'scripts/start.mjs'];
	const child = spawn(program, args, {
		env: {
			...process.env,
			...{ PORT: '0', ARC_STEP_DATA: data, ORIGIN: undefined, ARC_STEP_COLD: '1' },
			...env
		}
	});
	const exited = new Promise<number | null>((resolve) => child.once('exit', resolve));
	const url = await new Promise<string>((resolve, reject) => {
		let said = '';
		child.stdout.on('data', (chunk) => {
			said += chunk;
			const ready = /Arc Step is ready at (\S+)/.exec(said);
			if (ready) resolve(ready[1]);
		});
		let told = '';
		child.stderr.on('data', (chunk) => (told += chunk));
		void exited.then((code) => reject(new Error(`exit ${code}: ${told}`)));
	});
	return { process: child, url, exited };
}

/** Ends a server in the way that it is meant to be ended. */
export async function stop({ process, exited }: Running): Promise<void> {
	process.kill('SIGTERM');
	expect(await exited).toBe(0);
}

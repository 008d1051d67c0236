import { createHash } from 'node:crypto';
import { rmSync, statSync } from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartProblem } from './start-problem';

/** Another process holds the data folder. */
export class FolderInUse extends StartProblem {}

/**
 * A name for the folder that is the same for every path that leads to it. On Linux it is an abstract
 * socket address, on Windows a pipe: both vanish with the process that holds them, however it ends.
 */
function lockAddress(folder: string): { address: string; file: boolean } {
	const { dev, ino } = statSync(folder, { bigint: true });
	const name = `arc-step-${createHash('sha256').update(`${dev}:${ino}`).digest('hex').slice(0, 24)}`;
	if (process.platform === 'linux') return { address: `\0${name}`, file: false };
	if (process.platform === 'win32') return { address: `\\\\.\\pipe\\${name}`, file: false };
	return { address: join(tmpdir(), `${name}.sock`), file: true };
}

const listen = (address: string): Promise<Server> =>
	new Promise((resolve, reject) => {
		const server = createServer((socket) => socket.destroy());
		server.once('error', reject);
		server.listen(address, () => {
			// The lock alone must not keep the process alive.
			server.unref();
			resolve(server);
		});
	});

/** True when a process answers on a socket file; a file that a killed process left does not. */
const answers = (address: string): Promise<boolean> =>
	new Promise((resolve) => {
		const socket = connect(address);
		socket.once('connect', () => resolve(true)).once('error', () => resolve(false));
		socket.once('connect', () => socket.destroy());
	});

/**
 * Takes the exclusive lock of a data folder, which must exist.
 * @returns a function that gives the lock back.
 * @throws FolderInUse when another process holds it.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
	const { address, file } = lockAddress(folder);
	const take = () =>
		listen(address).catch((error: NodeJS.ErrnoException) => {
			if (error.code === 'EADDRINUSE') return null;
			throw error;
		});
	let server = await take();
	if (!server && file && !(await answers(address))) {
		rmSync(address, { force: true });
		server = await take();
	}
	if (!server) {
		throw new FolderInUse(
			`The data folder ${folder} is in use by another Arc Step process; stop that one first or set ARC_STEP_DATA to another folder.`
		);
	}
	const held = server;
	return () => new Promise((resolve) => held.close(() => resolve()));
}

import { randomBytes } from 'node:crypto';
import {
	closeSync,
	linkSync,
	openSync,
	readdirSync,
	realpathSync,
	rmSync,
	symlinkSync,
	unlinkSync
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { StartProblem } from './start-problem';

/** Another process holds the data folder. */
export class FolderInUse extends StartProblem {}

/*
 * A lock is a socket inside the folder on which its owner listens: whoever reaches the folder reaches it, also from
 * another network namespace or container, and it dies with the process, however that ends. The locks are numbered.
 * A name, once taken, stays until a later one stands: the owner is who listens on the highest number. Whoever
 * finds that one dead links a socket of its own, on which it listens already, to the next number; only one of
 * several can, since a name is linked once.
 */
const NAME = /^lock\.(\d+)$/;
const nameOf = (n: number): string => `lock.${n}`;

/** The numbers of the locks of a folder, the highest first. */
const numbersIn = (folder: string): number[] =>
	readdirSync(folder)
		.flatMap((name) => NAME.exec(name)?.[1] ?? [])
		.map(Number)
		.sort((a, b) => b - a);

/**
 * A short way to a folder: the address of a socket has room for about a hundred bytes only.
 * @returns the way, and what clears it away
 */
function shortWay(folder: string): { way: string; end: () => void } {
	if (Buffer.byteLength(folder) < 60) return { way: folder, end: () => undefined };
	if (process.platform === 'linux') {
		const handle = openSync(folder, 'r');
		return { way: `/proc/self/fd/${handle}`, end: () => closeSync(handle) };
	}
	const way = join(tmpdir(), `arc-step-${randomBytes(6).toString('hex')}`);
	symlinkSync(realpathSync(folder), way);
	return { way, end: () => unlinkSync(way) };
}

const listen = (address: string): Promise<Server> =>
	new Promise((resolve, reject) => {
		const server = createServer((socket) => socket.destroy());
		// Whoever knocks and cannot be let in (no descriptors) is told enough by that.
		server.on('error', reject);
		server.listen(address, () => {
			// The lock alone must not keep the process alive.
			server.unref();
			resolve(server);
		});
	});

/** What says that nobody listens on a socket any more; anything else is taken for somebody. */
const DEAD = new Set(['ECONNREFUSED', 'ENOENT']);

/** True unless it is certain that nobody listens on a socket. */
const answers = (address: string): Promise<boolean> =>
	new Promise((resolve) => {
		const socket = connect(address);
		socket.once('connect', () => resolve(true));
		socket.once('error', ({ code }: NodeJS.ErrnoException) => resolve(!DEAD.has(code ?? '')));
		socket.once('connect', () => socket.destroy());
	});

const inUse = (folder: string) =>
	new FolderInUse(
		`The data folder ${folder} is in use by another Arc Step process; stop that one first or set ARC_STEP_DATA to another folder.`
	);
const close = (server: Server): Promise<void> =>
	new Promise((resolve) => server.close(() => resolve()));

/** Links a socket that is listened on to the next number; false when another was quicker. */
function linkNext(folder: string, own: string, n: number): boolean {
	try {
		linkSync(join(folder, own), join(folder, nameOf(n)));
		return true;
	} catch (error) {
		if ((error as NodeJS.ErrnoException).code === 'EEXIST') return false;
		throw error;
	}
}

async function takeSocket(folder: string, way: string): Promise<Server> {
	const own = `lock-${randomBytes(6).toString('hex')}`;
	let server: Server;
	try {
		server = await listen(join(way, own));
	} catch (error) {
		const { code, message } = error as NodeJS.ErrnoException;
		throw new StartProblem(
			`The data folder ${folder} cannot be locked (${code ?? message}): its file system takes no sockets. Set ARC_STEP_DATA to a folder on a local disk.`
		);
	}
	try {
		for (;;) {
			const [highest = 0] = numbersIn(folder);
			if (highest > 0 && (await answers(join(way, nameOf(highest))))) throw inUse(folder);
			const mine = highest + 1;
			if (!linkNext(folder, own, mine)) continue;
			const [now] = numbersIn(folder);
			if (now > mine) {
				// While this one looked, others came and went: what it linked was an old number.
				rmSync(join(folder, nameOf(mine)), { force: true });
				continue;
			}
			for (const old of numbersIn(folder)) {
				if (old < mine) rmSync(join(folder, nameOf(old)), { force: true });
			}
			return server;
		}
	} catch (error) {
		await close(server);
		throw error;
	} finally {
		rmSync(join(folder, own), { force: true });
	}
}

/** On Windows a pipe does the same: it vanishes with the process that holds it. */
async function takePipe(folder: string): Promise<Server> {
	const name = Buffer.from(realpathSync(folder).toLowerCase()).toString('base64url').slice(-200);
	try {
		return await listen(`\\\\.\\pipe\\arc-step-${name}`);
	} catch (error) {
		throw (error as NodeJS.ErrnoException).code === 'EADDRINUSE' ? inUse(folder) : error;
	}
}

/**
 * Takes the exclusive lock of a data folder, which must exist.
 * @returns a function that gives the lock back.
 * @throws FolderInUse when another process holds it; StartProblem where the file system takes no sockets.
 */
export async function lockFolder(folder: string): Promise<() => Promise<void>> {
	if (process.platform === 'win32') {
		const pipe = await takePipe(folder);
		return () => close(pipe);
	}
	const { way, end } = shortWay(folder);
	try {
		const server = await takeSocket(folder, way);
		return () => close(server);
	} finally {
		end();
	}
}

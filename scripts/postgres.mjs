// A PostgreSQL server of the tests' own, from Debian's packages: a new folder, a free port, nothing on the disk waited for.
import { spawn, spawnSync } from 'node:child_process';
import {
	chownSync,
	existsSync,
	mkdtempSync,
	openSync,
	readdirSync,
	readFileSync,
	rmSync
} from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const ROOT = '/usr/lib/postgresql';

/** The folder of PostgreSQL's programs, the newest first; null where it is not installed. */
function findPrograms() {
	const versions = existsSync(ROOT) ? readdirSync(ROOT) : [];
	const folders = versions
		.sort((a, b) => Number(b) - Number(a))
		.map((version) => join(ROOT, version, 'bin'));
	return folders.find((folder) => existsSync(join(folder, 'initdb'))) ?? null;
}

function install() {
	if (!existsSync('/usr/bin/apt-get')) return;
	console.log('Installing PostgreSQL from Debian’s packages …');
	const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
	const sudo = process.getuid?.() === 0 ? [] : ['sudo', '-n'];
	for (const args of [
		['apt-get', 'update', '-qq'],
		['apt-get', 'install', '-y', '-qq', '--no-install-recommends', 'postgresql']
	]) {
		const [command, ...rest] = [...sudo, ...args];
		spawnSync(command, rest, { stdio: ['ignore', 'ignore', 'inherit'], env });
	}
}

const freePort = () =>
	new Promise((resolve) => {
		const server = createServer().listen(0, '127.0.0.1', () => {
			const { port } = server.address();
			server.close(() => resolve(port));
		});
	});

/** The user and group that the server runs as: it refuses to run as root. */
function runAs() {
	if (process.getuid?.() !== 0) return {};
	const ask = (flag) => Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout);
	return { uid: ask('-u'), gid: ask('-g') };
}

/**
 * Starts a server, installing Debian's package where there is none and apt is at hand.
 * @returns its address and functions that stop and remove it, or restart it; null where there is no PostgreSQL.
 */
export async function startPostgres() {
	if (!findPrograms()) install();
	const programs = findPrograms();
	if (!programs) return null;
	const folder = mkdtempSync(join(tmpdir(), 'arc-step-postgres-'));
	const as = runAs();
	if (as.uid !== undefined) chownSync(folder, as.uid, as.gid);
	const data = join(folder, 'data');
	const made = spawnSync(
		join(programs, 'initdb'),
		['-D', data, '-U', 'arc', '-A', 'trust', '-E', 'UTF8', '--locale=C', '--no-sync'],
		{ ...as, cwd: folder, encoding: 'utf8' }
	);
	if (made.status !== 0) throw new Error(`PostgreSQL could not be set up: ${made.stderr}`);
	const port = await freePort();
	const settings = ['fsync=off', 'full_page_writes=off', 'max_connections=200'].flatMap((one) => [
		'-c',
		one
	]);
	// Into a file: a full pipe would hold the server up while a command beside it is waited for.
	const log = join(folder, 'log');
	let server;
	const launch = async () => {
		server = spawn(
			join(programs, 'postgres'),
			['-D', data, '-p', String(port), '-h', '127.0.0.1', '-k', folder, ...settings],
			{ ...as, cwd: folder, stdio: ['ignore', 'ignore', openSync(log, 'w')] }
		);
		while (!readFileSync(log, 'utf8').includes('ready to accept connections')) {
			if (server.exitCode !== null)
				throw new Error(`PostgreSQL ended: ${readFileSync(log, 'utf8')}`);
			await new Promise((resolve) => setTimeout(resolve, 50));
		}
	};
	const signal = (name) =>
		new Promise((resolve) => {
			server.once('exit', resolve);
			server.kill(name);
		});
	const end = () => server.kill('SIGINT');
	process.once('exit', end);
	await launch();
	const stop = async () => {
		process.off('exit', end);
		await signal('SIGINT');
		rmSync(folder, { recursive: true, force: true });
	};
	/** Stops the server, with its clients cut off (`fast`) or as if it were killed (`immediate`), and starts it again. */
	const restart = async (how) => {
		await signal(how === 'fast' ? 'SIGINT' : 'SIGQUIT');
		await launch();
	};
	return { url: `postgres://arc@127.0.0.1:${port}/postgres`, stop, restart };
}

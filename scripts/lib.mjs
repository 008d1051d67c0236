// What the commands share: installing and building only when something changed. Plain Node, no packages.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
const windows = process.platform === 'win32';

/** Runs a command in the project's folder with its output shown; ends the process when it fails. */
export function run(command, args, options = {}) {
	const done = spawnSync(command, args, {
		cwd: root,
		stdio: 'inherit',
		shell: windows,
		...options
	});
	if (done.status !== 0 && !options.tolerate) process.exit(done.status ?? 1);
	return done;
}

/**
 * Runs a command in the project's folder beside others; resolves with its status and all that it said, which is
 * shown at once where `stdio` is `inherit`.
 */
export function runBeside(command, args, env = {}, stdio = 'pipe') {
	return new Promise((resolve) => {
		const child = spawn(command, args, {
			...{ cwd: root, shell: windows, stdio },
			env: { ...process.env, ...env }
		});
		let output = '';
		const take = (chunk) => (output += chunk);
		child.stdout?.on('data', take);
		child.stderr?.on('data', take);
		child.once('error', (error) => resolve({ status: 1, output: error.message }));
		child.once('close', (status) => resolve({ status: status ?? 1, output }));
	});
}

/** A program that a package installed. */
export const bin = (name) => join(root, 'node_modules', '.bin', windows ? `${name}.cmd` : name);

function* filesUnder(path) {
	if (!existsSync(path)) return;
	if (!statSync(path).isDirectory()) return yield path;
	for (const name of readdirSync(path).sort()) yield* filesUnder(join(path, name));
}

function fingerprint(paths) {
	const hash = createHash('sha256');
	for (const path of paths) {
		for (const file of filesUnder(join(root, path))) {
			// Tests are no part of what is built.
			if (/\.test\.ts$/.test(file)) continue;
			hash.update(file.slice(root.length)).update('\0').update(readFileSync(file)).update('\0');
		}
	}
	return hash.digest('hex');
}

const readStamp = (file) => (existsSync(file) ? readFileSync(file, 'utf8') : '');

/** Whether what npm says it installed, whoever called it, is what the lock file asks for. */
function isInstalled() {
	const read = (path) => JSON.parse(readFileSync(join(root, path), 'utf8')).packages;
	try {
		const there = read('node_modules/.package-lock.json');
		return Object.entries(read('package-lock.json')).every(
			// What is optional may be for another system.
			([path, { version, optional }]) => path === '' || optional || there[path]?.version === version
		);
	} catch {
		return false;
	}
}

/** Installs the packages of the lock file unless they are there already. */
export function ensurePackages() {
	if (isInstalled()) return;
	console.log('Installing packages …');
	run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
}

const SOURCES = [
	'src',
	'static/favicon.svg',
	'package-lock.json',
	'svelte.config.js',
	'vite.config.ts',
	'vite.pool.config.ts',
	'tsconfig.json',
	'scripts/fonts.mjs',
	'scripts/sounds.mjs',
	'scripts/build.mjs'
];
const buildStamp = join(root, 'build', '.stamp');

export const isBuilt = () => readStamp(buildStamp) === fingerprint(SOURCES);

/** Notes that the build belongs to the sources as they are. */
export function stampBuild() {
	mkdirSync(dirname(buildStamp), { recursive: true });
	writeFileSync(buildStamp, fingerprint(SOURCES));
}

/** Builds unless nothing changed since the last build. */
export function ensureBuild() {
	if (isBuilt()) return;
	console.log('Building …');
	run(process.execPath, [join(root, 'scripts', 'build.mjs')]);
}

// npm run mutants [-- folder …] [--sample=5] [stryker's own options]: mutation reports of core/neck, harmony, practice and
// route, each on the tests of its folder, in .mutants/<folder>.html. A whole folder takes hours (what is known from the run
// before is kept); --sample tries that share of the lines alone, in per cent, the same lines each time.
import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, root } from './lib.mjs';

ensurePackages();
const FOLDERS = ['neck', 'harmony', 'practice', 'route'];
const args = process.argv.slice(2);
const chosen = args.filter((arg) => FOLDERS.includes(arg));
const share = Number(args.find((arg) => arg.startsWith('--sample='))?.split('=')[1] ?? 0);
const options = args.filter((arg) => !FOLDERS.includes(arg) && !arg.startsWith('--sample='));
const stryker = join(root, 'node_modules', '@stryker-mutator', 'core', 'bin', 'stryker.js');

/** A number from 0 to 99 that a line keeps. */
function lot(text) {
	let hash = 2166136261;
	for (const sign of text) hash = Math.imul(hash ^ sign.codePointAt(0), 16777619);
	return ((hash ^ (hash >>> 15)) >>> 0) % 100;
}

/** Lines of a folder's code that are drawn, as stryker names them; comments and imports are no code. */
function drawn(folder) {
	const base = join('src', 'core', folder);
	const files = readdirSync(join(root, base), { recursive: true, encoding: 'utf8' }).filter(
		(file) => file.endsWith('.ts') && !/\.test\.ts$|(^|\/)(test-[^/]*|index)\.ts$/.test(file)
	);
	return files.flatMap((file) => {
		const path = join(base, file);
		return readFileSync(join(root, path), 'utf8')
			.split('\n')
			.flatMap((line, i) => {
				if (/^\s*($|\/\/|\/?\*|import |export (type|\*))/.test(line)) return [];
				return lot(`${path}:${line}:${i}`) < share ? [`${path}:${i + 1}-${i + 1}`] : [];
			});
	});
}

let failed = 0;
for (const folder of chosen.length > 0 ? chosen : FOLDERS) {
	const env = { ...process.env, ARC_MUTANTS: folder };
	const lines = share > 0 ? ['--mutate', drawn(folder).join(',')] : [];
	const run = spawnSync(process.execPath, [stryker, 'run', ...lines, ...options], {
		cwd: root,
		env,
		stdio: 'inherit'
	});
	if (run.status !== 0) failed++;
}
process.exit(failed > 0 ? 1 : 0);

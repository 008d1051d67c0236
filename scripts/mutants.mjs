// npm run mutants [-- folder … [-- stryker's own options]]: mutation reports of core/neck, harmony, practice and route,
// each on the tests of its folder, in .mutants/<folder>.html. Takes hours; what is known from the run before is kept.
import { spawnSync } from 'node:child_process';
import { join } from 'node:path';
import { ensurePackages, root } from './lib.mjs';

ensurePackages();
const FOLDERS = ['neck', 'harmony', 'practice', 'route'];
const args = process.argv.slice(2);
const folders = args.filter((arg) => FOLDERS.includes(arg));
const options = args.filter((arg) => !FOLDERS.includes(arg));
const stryker = join(root, 'node_modules', '@stryker-mutator', 'core', 'bin', 'stryker.js');
let failed = 0;
for (const folder of folders.length > 0 ? folders : FOLDERS) {
	const env = { ...process.env, ARC_MUTANTS: folder };
	const run = spawnSync(process.execPath, [stryker, 'run', ...options], {
		cwd: root,
		env,
		stdio: 'inherit'
	});
	if (run.status !== 0) failed++;
}
process.exit(failed > 0 ? 1 : 0);

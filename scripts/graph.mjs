// npm run graph: who imports whom in src, held to the order of .dependency-cruiser.mjs. Type imports count, in components
// too: dependency-cruiser sees their scripts as plain TypeScript.
import {
	cpSync,
	mkdirSync,
	readdirSync,
	readFileSync,
	renameSync,
	rmSync,
	writeFileSync
} from 'node:fs';
import { join } from 'node:path';
import { bin, ensurePackages, root, run } from './lib.mjs';

ensurePackages();
const mirror = join(root, 'node_modules', '.cache', 'graph');
rmSync(mirror, { recursive: true, force: true });
mkdirSync(mirror, { recursive: true });
cpSync(join(root, 'src'), join(mirror, 'src'), { recursive: true });
for (const name of readdirSync(join(mirror, 'src'), { recursive: true, encoding: 'utf8' })) {
	if (!name.endsWith('.svelte')) continue;
	const file = join(mirror, 'src', name);
	const scripts = readFileSync(file, 'utf8').matchAll(/<script[^>]*>([^]*?)<\/script>/g);
	writeFileSync(file, [...scripts].map(([, code]) => code).join('\n'));
	renameSync(file, `${file}.ts`);
}
writeFileSync(
	join(mirror, 'tsconfig.json'),
	JSON.stringify({
		compilerOptions: {
			baseUrl: '.',
			paths: { $core: ['src/core'], '$core/*': ['src/core/*'], '$lib/*': ['src/lib/*'] }
		}
	})
);
const config = join(root, '.dependency-cruiser.mjs');
const { status } = run(bin('depcruise'), ['--config', config, 'src', ...process.argv.slice(2)], {
	tolerate: true,
	cwd: mirror
});
process.exitCode = status ?? 1;

/**
 * The order of `src`: a folder imports only itself and what stands before it. `server` is the one that only the
 * routes may enter: what a screen reads of it, it reads as the types of `api`.
 */
const CORE = [
	...['kernel', 'pitch', 'chord', 'chart', 'harmony', 'neck'],
	...['route', 'phrase', 'band', 'practice', 'formats']
].map((name) => `src/core/${name}`);
const PURE = [...CORE, 'src/lib/words', 'src/lib/draw', 'src/lib/api'];
const BROWSER = ['workers', 'audio', 'input', 'state', 'ui'].map((name) => `src/lib/${name}`);

/** From each folder nothing else of `src` than what stands before it in `order`. */
const inOrder = (order) =>
	order.map((folder, i) => ({
		name: `order of ${folder}`,
		comment: `${folder} comes before what it imports: ${order.join(' → ')}.`,
		severity: 'error',
		from: { path: `^${folder}/` },
		to: {
			path: '^src/',
			pathNot: `^(${[...order.slice(0, i + 1), 'src/core/test-[a-z]+'].join('|')})([/.]|$)`
		}
	}));

export default {
	forbidden: [
		{
			name: 'no circles',
			comment: 'A file that comes back to itself has a part that belongs into a file of its own.',
			severity: 'error',
			from: { path: '^src/' },
			to: { circular: true }
		},
		{
			name: 'screens read types',
			comment: 'What a screen reads of the server has its type in src/lib/api.',
			severity: 'error',
			from: { path: '^src/routes/.*[.]svelte[.]ts$' },
			to: { path: '^src/lib/server/' }
		},
		...inOrder([...PURE, ...BROWSER]),
		...inOrder([...PURE, 'src/lib/server']).slice(-1)
	],
	options: {
		doNotFollow: { path: 'node_modules' },
		includeOnly: '^src/',
		tsPreCompilationDeps: true,
		tsConfig: { fileName: 'tsconfig.json' }
	}
};

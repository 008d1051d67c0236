import js from '@eslint/js';
import globals from 'globals';
import regexp from 'eslint-plugin-regexp';
import svelte from 'eslint-plugin-svelte';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** The core's folders in the one direction in which data flows: each may import only those before it. */
const FLOW = [
	'kernel',
	'pitch',
	'chord',
	'chart',
	'harmony',
	'neck',
	'route',
	'phrase',
	'band',
	'practice',
	'formats'
];

const OUTSIDE = {
	group: ['$lib', '$lib/*', '$app/*', 'svelte', 'svelte/*', 'node:*', '**/lib/**'],
	message: 'The core is pure computation: nothing of the app, of Node or of the browser.'
};
const DOORS = {
	// A folder may have folders of its own; from there the doors are one step further up.
	group: ['../*/*', '!../../*', '../../*/*', '$core/*/*'],
	message: 'Import a core folder by its index only.'
};

const coreRules = FLOW.map((folder, i) => ({
	files: [`src/core/${folder}/**/*.ts`],
	rules: {
		'no-restricted-imports': [
			'error',
			{
				patterns: [
					OUTSIDE,
					DOORS,
					...FLOW.slice(i + 1).map((later) => ({
						group: [`../${later}`, `../../${later}`, `$core/${later}`],
						message: `${folder} comes before ${later}: data flows ${FLOW.join(' → ')}.`
					}))
				]
			}
		],
		'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage'],
		'no-restricted-properties': [
			'error',
			{ object: 'Math', property: 'random', message: 'Seed randomness.' },
			{ object: 'Date', property: 'now', message: 'The core has no clock.' }
		]
	}
}));

// What the linter hands to its parser must be plain data.
const { typescript: _, ...kit } = svelteConfig.kit;
const shared = { ...svelteConfig, kit };

export default ts.config(
	{
		ignores: [
			'build/',
			'.svelte-kit/',
			'node_modules/',
			'drizzle/',
			'data/',
			'test-results/',
			'static/',
			'.mutants/'
		]
	},
	js.configs.recommended,
	...ts.configs.strict,
	...svelte.configs.recommended,
	{
		languageOptions: {
			globals: { ...globals.browser, ...globals.node },
			parserOptions: { jsDocParsingMode: 'none' }
		},
		rules: {
			'no-undef': 'off',
			'@typescript-eslint/no-unused-vars': [
				'error',
				{ argsIgnorePattern: '^_', varsIgnorePattern: '^_' }
			],
			'@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
			'no-restricted-imports': ['error', { patterns: [{ ...DOORS, group: ['$core/*/*'] }] }]
		}
	},
	{
		// What only the types tell: promises that nobody waits for, cases that nobody meets, needless casts.
		files: ['src/**/*.ts', 'src/**/*.svelte', 'e2e/**/*.ts', 'bench/**/*.ts'],
		languageOptions: { parserOptions: { projectService: true, extraFileExtensions: ['.svelte'] } },
		rules: {
			'@typescript-eslint/no-floating-promises': 'error',
			'@typescript-eslint/no-misused-promises': 'error',
			'@typescript-eslint/await-thenable': 'error',
			'@typescript-eslint/no-unnecessary-type-assertion': 'error',
			'@typescript-eslint/switch-exhaustiveness-check': [
				'error',
				{ considerDefaultExhaustiveForUnions: true }
			]
		}
	},
	{
		// An index may be out of range (noUncheckedIndexedAccess): where the code around it shows that it is not, it is
		// vouched for there and nowhere else.
		files: ['src/core/**/*.ts', 'src/lib/api/**/*.ts'],
		ignores: ['**/*.test.ts', '**/test-*.ts'],
		rules: {
			'@typescript-eslint/no-non-null-assertion': 'off',
			'no-restricted-syntax': [
				'error',
				{
					selector: 'TSNonNullExpression:not(:has(> MemberExpression[computed=true]))',
					message: 'Only an index is vouched for with “!”; else say what happens without a value.'
				}
			]
		}
	},
	{
		// Tests may share what a core folder's own tests are tried on.
		files: ['src/lib/**/*.test.ts', 'e2e/**/*.ts'],
		rules: {
			'no-restricted-imports': [
				'error',
				{ patterns: [{ ...DOORS, group: ['$core/*/*', '!$core/*/test-*'] }] }
			]
		}
	},
	{
		files: ['**/*.svelte', '**/*.svelte.ts'],
		languageOptions: {
			parserOptions: { parser: ts.parser, svelteConfig: shared, extraFileExtensions: ['.svelte'] }
		},
		rules: {
			// What a component hands to its events is known to svelte-check alone.
			'@typescript-eslint/no-unnecessary-type-assertion': 'off',
			// Maps and sets here are built inside one derivation and never changed after.
			'svelte/prefer-svelte-reactivity': 'off'
		}
	},
	{
		// Links are plain addresses: the app is served from the root of its own host.
		files: ['src/**'],
		rules: { 'svelte/no-navigation-without-resolve': 'off' }
	},
	{
		// Text of a player or a file is read in time that grows with its length, not with its square.
		files: ['src/**'],
		plugins: { regexp },
		rules: {
			'regexp/no-super-linear-backtracking': ['error', { report: 'potential' }],
			'regexp/no-super-linear-move': ['error', { report: 'potential' }]
		}
	},
	...coreRules
);

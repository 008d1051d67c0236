/** Changes the core's code in small ways, one at a time, and asks whether a test notices: `npm run mutants`. */
const folder = process.env.ARC_MUTANTS ?? '{route,harmony,practice,neck}';
const name = process.env.ARC_MUTANTS ?? 'core';

export default {
	mutate: [
		`src/core/${folder}/**/*.ts`,
		'!src/core/**/*.test.ts',
		'!src/core/**/test-*.ts',
		'!src/core/**/index.ts'
	],
	testRunner: 'vitest',
	vitest: { configFile: 'vitest.mutants.config.ts', related: false },
	coverageAnalysis: 'perTest',
	ignoreStatic: true,
	// A changed sentence is a changed sentence: what is said is read, not counted.
	mutator: { excludedMutations: ['StringLiteral'] },
	incremental: true,
	incrementalFile: `.mutants/${name}-known.json`,
	reporters: ['clear-text', 'html', 'json', 'progress'],
	htmlReporter: { fileName: `.mutants/${name}.html` },
	jsonReporter: { fileName: `.mutants/${name}.json` },
	clearTextReporter: { allowColor: false, logTests: false, reportTests: false },
	thresholds: { high: 90, low: 80, break: 80 },
	concurrency: Number(process.env.ARC_MUTANTS_AT_ONCE ?? 2),
	timeoutMS: 20_000,
	// A sandbox holds what the tests of the core read, and no more.
	ignorePatterns: [
		'build',
		'e2e',
		'bench',
		'docs',
		'static',
		'data',
		'drizzle',
		'src/routes',
		'src/lib',
		'!.svelte-kit'
	],
	checkers: [],
	disableTypeChecks: false,
	tempDirName: '.mutants/sandbox'
};

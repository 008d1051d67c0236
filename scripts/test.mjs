// npm test: the build and the unit tests, format, lint, types and unused code beside them, the browser tests; a plain
// count at the end.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join, relative } from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { bin, ensurePackages, isBuilt, root, run, runBeside } from './lib.mjs';
import { startPostgres } from './postgres.mjs';

ensurePackages();
ensureChromium();
const postgres = await startPostgres();
if (postgres) process.env.ARC_STEP_TEST_POSTGRES = postgres.url;
else console.log('No PostgreSQL was found: what is tested on it is skipped.');

const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
const unit = join(results, 'unit.json');
const server = join(results, 'server.json');
const browser = join(results, 'browser.json');
const failures = [];

async function step(name, program, args, env = {}) {
	console.log(`\n— ${name}`);
	const { status } = await runBeside(bin(program), args, env, 'inherit');
	if (status !== 0) failures.push(name);
}

/** A step beside others: what it says is shown when it has ended. */
async function quietStep(name, program, args, env = {}) {
	const command = program === process.execPath ? program : bin(program);
	const { status, output } = await runBeside(command, args, { ...ROOMY, ...env });
	console.log(`\n— ${name}\n${output.trim()}`);
	if (status !== 0) failures.push(name);
}

run(bin('svelte-kit'), ['sync']);
async function checks() {
	await quietStep('format', 'prettier', ['--check', '--cache', '--log-level', 'warn', '.']);
	await quietStep('lint', 'eslint', [
		'--cache',
		'--cache-location',
		'node_modules/.cache/eslint/',
		'.'
	]);
	await quietStep('types', 'svelte-check', [
		'--tsgo',
		'--tsconfig',
		'./tsconfig.json',
		'--fail-on-warnings'
	]);
	for (const part of ['src/core', 'src/lib/api'])
		await quietStep(`indices in ${part}`, 'tsgo', ['-p', part]);
	await quietStep('unused code', 'knip', []);
	await quietStep('directions', process.execPath, [join(root, 'scripts/graph.mjs')]);
}
const report = (file) => ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
/** These make much that is soon forgotten: with more room for it they need less time. */
const ROOMY = { NODE_OPTIONS: `${process.env.NODE_OPTIONS ?? ''} --max-semi-space-size=64` };
console.log('Building, checking the code and running the unit tests …');
/** The tests that open a database. */
function storing() {
	const tests = readdirSync(join(root, 'src'), { recursive: true, encoding: 'utf8' })
		.filter((file) => file.endsWith('.test.ts'))
		.map((file) => join('src', file));
	return tests.filter((file) => readFileSync(join(root, file), 'utf8').includes('test-database'));
}
async function units() {
	// The tests of what is stored run twice: on the embedded database and on a server.
	const embedded = { ARC_STEP_TEST_POSTGRES: '' };
	await quietStep('unit tests', 'vitest', ['run', ...report(unit)], embedded);
	const args = ['run', ...storing(), ...report(server)];
	if (postgres) await quietStep('stored on PostgreSQL', 'vitest', args);
}
async function build() {
	if (isBuilt()) return;
	const { status, output } = await runBeside(
		process.execPath,
		[join(root, 'scripts/build.mjs')],
		ROOMY
	);
	console.log(`\n— build\n${output.trim()}`);
	if (status !== 0) process.exit(status);
}
const built = build();
// What is left to check when the browser tests can begin goes on beside them.
const checked = built.then(checks);
await Promise.all([built, units()]);
await step('browser tests', 'playwright', ['test', '--reporter=list,json'], {
	PLAYWRIGHT_JSON_OUTPUT_FILE: browser
});
await checked;

await postgres?.stop();
const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const runs = [read(unit), read(server)];
const sum = (name) => runs.reduce((total, one) => total + (one?.[name] ?? 0), 0);
const browsers = read(browser)?.stats;
const passed = sum('numPassedTests') + (browsers ? browsers.expected + browsers.flaky : 0);
const failed = sum('numFailedTests') + (browsers?.unexpected ?? 0);
if (browsers?.flaky > 0) {
	console.log(`\n${browsers.flaky} browser tests passed only at the second try: look into them.`);
}
for (const one of runs.flatMap((told) => told?.testResults ?? [])) {
	const file = relative(root, one.name);
	if (one.status === 'failed' && one.message) console.log(`\n✘ ${file}\n${one.message}`);
	for (const test of one.assertionResults.filter((each) => each.status === 'failed'))
		console.log(
			`\n✘ ${file} › ${test.fullName}\n${test.failureMessages.join('\n').slice(0, 2000)}`
		);
}
if (failures.length > 0) console.log(`\nNot passed: ${failures.join(', ')}.`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failures.length > 0 || failed > 0 ? 1 : 0;

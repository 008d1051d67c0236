// npm test: format, lint, types, unused code, unit tests, build, browser tests; a plain count at the end.
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensureChromium } from './chromium.mjs';
import { bin, ensureBuild, ensurePackages, root, run, runQuietly } from './lib.mjs';

ensurePackages();
ensureChromium();

const results = join(root, 'test-results');
rmSync(results, { recursive: true, force: true });
mkdirSync(results);
const unit = join(results, 'unit.json');
const browser = join(results, 'browser.json');
const failures = [];

function step(name, program, args, env = {}) {
	console.log(`\n— ${name}`);
	const done = run(bin(program), args, { tolerate: true, env: { ...process.env, ...env } });
	if (done.status !== 0) failures.push(name);
}

/** A step beside others: what it says is shown when it has ended. */
async function quietStep(name, program, args) {
	const { status, output } = await runQuietly(bin(program), args);
	console.log(`\n— ${name}\n${output.trim()}`);
	if (status !== 0) failures.push(name);
}

run(bin('svelte-kit'), ['sync']);
async function checks() {
	await quietStep('format', 'prettier', ['--check', '--log-level', 'warn', '.']);
	await quietStep('lint', 'eslint', ['.']);
	await quietStep('types', 'svelte-check', ['--tsconfig', './tsconfig.json', '--fail-on-warnings']);
	await quietStep('unused code', 'knip', []);
}
const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${unit}`];
console.log('Checking the code and running the unit tests …');
await Promise.all([checks(), quietStep('unit tests', 'vitest', ['run', ...reporters])]);
console.log('\n— build');
ensureBuild();
step('browser tests', 'playwright', ['test', '--reporter=list,json'], {
	PLAYWRIGHT_JSON_OUTPUT_FILE: browser
});

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);
const units = read(unit);
const browsers = read(browser)?.stats;
const passed = (units?.numPassedTests ?? 0) + (browsers ? browsers.expected + browsers.flaky : 0);
const failed = (units?.numFailedTests ?? 0) + (browsers?.unexpected ?? 0);
if (browsers?.flaky > 0) {
	console.log(`\n${browsers.flaky} browser tests passed only at the second try: look into them.`);
}
if (failures.length > 0) console.log(`\nNot passed: ${failures.join(', ')}.`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exitCode = failures.length > 0 || failed > 0 ? 1 : 0;

// npm run screenshots: one picture of each main view, from the demo notebook, into docs/screenshots.
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM_FLAGS, ensureChromium } from './chromium.mjs';
import { ensureBuild, ensurePackages, root } from './lib.mjs';

ensurePackages();
ensureBuild();
const executablePath = ensureChromium();
const { chromium } = await import('@playwright/test');

const data = mkdtempSync(join(tmpdir(), 'arc-step-shots-'));
const server = spawn(process.execPath, [join(root, 'scripts', 'demo.mjs')], {
	env: { ...process.env, PORT: '0', ARC_STEP_DATA: data }
});
const base = await new Promise((resolve, reject) => {
	server.stdout.on('data', (chunk) => {
		const ready = /ready at (\S+)/.exec(String(chunk));
		if (ready) resolve(ready[1]);
	});
	server.once('exit', (code) => reject(new Error(`the server ended with ${code}`)));
});
const { tunes } = await (await fetch(`${base}/api/v1/tunes`)).json();
const { sets } = await (await fetch(`${base}/api/v1/sets`)).json();
const tunePath = (title) => `/tunes/${tunes.find((tune) => tune.title === title).id}`;
const ferry = tunePath('Tin Roof Ferry');
const harbours = tunePath('Two Harbours');

const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844 };

const VIEWS = [
	{ name: 'notebook', path: '/' },
	{ name: 'set-list', path: `/sets/${sets[0].id}` },
	{ name: 'chart', path: `${ferry}/chart`, act: (page) => page.locator('.cm-content').waitFor() },
	{ name: 'neck', path: `${ferry}/neck`, act: mapped, more: true },
	{ name: 'route', path: `${ferry}/route`, act: (page) => page.keyboard.press('.') },
	{
		name: 'route-stage',
		path: `${ferry}/route`,
		theme: 'dark',
		act: (page) => page.keyboard.press('.')
	},
	{ name: 'route-notation', path: `${ferry}/route`, act: inNotation, more: true },
	{ name: 'route-own', path: `${ferry}/route`, act: ownLine },
	{
		name: 'sheet',
		path: `${ferry}/sheet`,
		act: (page) => page.evaluate(() => document.fonts.ready)
	},
	{ name: 'stand', path: `${ferry}/route`, theme: 'dark', act: onStand },
	{ name: 'phrase', path: `${harbours}/phrase?position=6`, act: calledHere },
	{ name: 'drill', path: `${ferry}/drill?position=10`, act: passed },
	{
		name: 'drill-stage',
		path: `${ferry}/drill?position=6`,
		theme: 'dark',
		act: drilling
	},
	{ name: 'log', path: '/log', act: charted },
	{ name: 'settings', path: '/settings' },
	{ name: 'help', path: '/help' },
	{ name: 'route-tablet', path: `${ferry}/route`, size: { width: 820, height: 1180 } },
	{ name: 'notebook-phone', path: '/', size: PHONE },
	{ name: 'neck-phone', path: `${ferry}/neck`, size: PHONE, act: weighed }
];

/** The stand view while the second bar plays. */
async function onStand(page) {
	await page.keyboard.press('f');
	await page.locator('[data-part="stand"]').waitFor();
	await page.keyboard.press('Enter');
	await page.locator('[data-part="stand"] [data-part="barnumber"]', { hasText: '2' }).waitFor();
	await page.locator('[data-part="stand"] rect[data-part="sounding"]').waitFor();
}

/** The first motif of the library, called and answered. */
async function calledHere(page) {
	await page.getByRole('button', { name: /^Gangway/ }).waitFor();
	await page.keyboard.press('b');
	await page.getByRole('button', { name: 'Fill' }).click();
	await page.getByRole('menuitem', { name: 'Call, air, answer, hold' }).click();
}

/** A pass of the simulated player who begins, judged. */
async function passed(page) {
	await page.getByRole('button', { name: 'Understood' }).click();
	await page.getByRole('radio', { name: 'Begins' }).click();
	await page.locator('h1').click();
	await page.keyboard.press('Enter');
	await page.locator('h1', { hasText: 'changes land' }).waitFor({ timeout: 120_000 });
}

/** The same in the middle of a pass. */
async function drilling(page) {
	await page.getByRole('button', { name: 'Understood' }).click();
	await page.keyboard.press('Enter');
	await page
		.locator('[data-part="playing"] [data-part="fact"] b', { hasText: '7 of' })
		.waitFor({ timeout: 120_000 });
}

/** The log with its charts and the two takes drawn. */
async function charted(page) {
	await page.locator('[data-part="three"] svg').nth(2).waitFor();
	await page.getByText('follows the changes better.').waitFor();
}

/** The saved route engraved as notation and tab. */
async function inNotation(page) {
	await page.keyboard.press('v');
	await page.keyboard.press('v');
	await page
		.getByRole('region', { name: 'The plan in notation and tab' })
		.locator('svg')
		.first()
		.waitFor();
}

/** The line as text, with one landing spoiled so that the judge has something to say. */
async function ownLine(page) {
	await page.keyboard.press('r');
	await page.getByText(/changes land/).waitFor();
	await page.keyboard.press('o');
	const area = page.getByLabel('Your line as tab');
	await area.fill((await area.inputValue()).replace('G|-7', 'G|-8'));
	await area.evaluate((node) => node.scrollTo(0, 0));
}

/** The second change, with every place weighed. */
async function weighed(page) {
	await page.keyboard.press('.');
	await page.locator('h1', { hasText: 'lies best' }).waitFor();
}

/** The same, with the map of each chord in each place drawn. */
async function mapped(page) {
	await weighed(page);
	await page.locator('[data-part="heat"] path, [data-part="heat"] rect').nth(20).waitFor();
}

const browser = await chromium.launch({ executablePath, args: CHROMIUM_FLAGS });
const out = join(root, 'docs', 'screenshots');
mkdirSync(out, { recursive: true });
for (const { name, path, act, theme = 'light', size = DESK, more = false } of VIEWS) {
	const page = await browser.newPage({ viewport: size, colorScheme: theme });
	// A player who has been on every screen before.
	await page.addInitScript((everything) => {
		const seen = ['chart', 'neck', 'route', 'phrase', 'drill', 'log', 'sheet'];
		localStorage.setItem('arc-step-visits', JSON.stringify({ seen }));
		if (everything) localStorage.setItem('arc-step-preferences', '{"more":true}');
	}, more);
	await page.goto(base + path);
	await page.locator('html[data-ready]').waitFor();
	await act?.(page);
	if (path.endsWith('/route')) await page.locator('aside li').first().waitFor();
	await page.evaluate(() => document.fonts.ready);
	await page.evaluate(
		() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
	);
	// A notice is told for a while only.
	await page.locator('[data-sonner-toast]').first().waitFor({ state: 'detached', timeout: 20_000 });
	await page.screenshot({ path: join(out, `${name}.png`) });
	await page.close();
	console.log(`docs/screenshots/${name}.png`);
}
await browser.close();
server.kill('SIGTERM');

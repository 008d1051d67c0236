import { expect, runBefore, test, type Page } from './test';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { editorOf, go, newTune, typeChart, visit } from './helpers';
import { start } from './server';

const FORGETS = 'This browser keeps nothing here';

/** Everything that breaks on a page. */
function breaks(page: Page): string[] {
	const found: string[] = [];
	page.on('pageerror', (error) => found.push(error.message));
	return found;
}

test('where the browser denies its storage every page works, and says once that nothing is kept', async ({
	page,
	request
}) => {
	test.slow();
	const { id } = await newTune(request);
	const broken = breaks(page);
	await runBefore(page, () => {
		for (const name of ['localStorage', 'sessionStorage']) {
			Object.defineProperty(window, name, {
				configurable: true,
				get: () => {
					throw new DOMException('Access is denied for this document.', 'SecurityError');
				}
			});
		}
	});
	await visit(page, '/');
	for (const path of ['/log', '/settings', '/help']) await go(page, path);
	// What a screen does as it begins it does here, whether the page is loaded with it or was there before.
	for (const screen of ['neck', 'route', 'phrase', 'drill', 'sheet']) {
		await go(page, `/tunes/${id}/${screen}`);
		await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
	}
	await visit(page, `/tunes/${id}/chart`);
	await expect(page.getByText(FORGETS)).toHaveCount(1);
	// What is typed lasts while the app is open, and can be saved.
	await typeChart(page, 'title: Kept in mind\n| C | F |');
	await page.keyboard.press('Escape');
	await page.getByRole('link', { name: /Neck/ }).first().click();
	await expect(page).toHaveURL(/neck/);
	await page.goBack();
	await expect(editorOf(page)).toContainText('Kept in mind');
	expect(broken).toEqual([]);
});

test('a browser whose storage is full keeps choices as long as it is open', async ({ page }) => {
	const broken = breaks(page);
	await runBefore(page, () => {
		Storage.prototype.setItem = () => {
			throw new DOMException('The quota has been exceeded.', 'QuotaExceededError');
		};
	});
	await visit(page, '/settings');
	await page.keyboard.press('n');
	await expect(page.getByText(FORGETS)).toHaveCount(1);
	expect(broken).toEqual([]);
});

test('a part of the app that does not arrive is asked for again till it does', async ({
	page,
	request
}) => {
	const { id } = await newTune(request);
	await visit(page, `/tunes/${id}/route?position=6`);
	await page.reload();
	await visit(page, `/tunes/${id}/route?position=6`);
	await expect(page.getByText('The server does not answer.')).toHaveCount(0);
	let cut = true;
	const app = /\/_app\/immutable\/|\/healthz/;
	await page.route(app, (route) => (cut ? route.abort() : route.continue()));
	await page.getByRole('button', { name: 'Write' }).click();
	await expect(page.getByText('The server does not answer.')).toBeVisible();
	cut = false;
	await expect(page.getByRole('button', { name: 'Begin with an empty strip' })).toBeVisible();
	await expect(page.getByText('The server does not answer.')).toHaveCount(0);
	await page.unroute(app);
});

test('two tabs keep their own unsaved text; that of a closed one is found again', async ({
	page,
	context,
	request
}) => {
	test.slow();
	const { id } = await newTune(request, 'title: Two tabs\n| C | F |');
	const other = await context.newPage();
	const chart = `/tunes/${id}/chart`;
	await visit(page, chart);
	await visit(other, chart);
	await typeChart(page, 'title: First tab\n| C | G |');
	await typeChart(other, 'title: Second tab\n| C | A7 |');
	await page.reload();
	await expect(editorOf(page)).toContainText('First tab');
	await other.reload();
	await expect(editorOf(other)).toContainText('Second tab');
	// A third tab touches neither.
	const third = await context.newPage();
	await visit(third, chart);
	await expect(editorOf(third)).toContainText('Two tabs');
	await third.close();
	await other.close();
	const again = await context.newPage();
	await visit(again, chart);
	await expect(editorOf(again)).toContainText('Second tab');
	await page.reload();
	await expect(editorOf(page)).toContainText('First tab');
});

test('a server that is away is told; nothing typed is lost, and it goes on when it is back', async ({
	page
}) => {
	test.slow();
	const data = join(mkdtempSync(join(tmpdir(), 'arc-step-away-')), 'data');
	const first = await start(data);
	const { port } = new URL(first.url);
	const made = await page.request.post(`${first.url}/api/v1/tunes`, {
		data: { chart: 'title: Before\n| C |' }
	});
	const { id } = await made.json();
	await visit(page, `${first.url}/tunes/${id}/chart`);
	await typeChart(page, 'title: Typed while it was away\n| C | F |');
	first.process.kill('SIGKILL');
	await first.exited;
	await page.keyboard.press('ControlOrMeta+s');
	const told = page.getByText('The server does not answer.', { exact: true });
	await expect(told).toBeVisible();
	await expect(editorOf(page)).toContainText('Typed while it was away');
	const second = await start(data, { PORT: port });
	await expect(told).toHaveCount(0);
	await expect(editorOf(page)).toContainText('Typed while it was away');
	await page.keyboard.press('ControlOrMeta+s');
	await expect
		.poll(
			async () => (await (await page.request.get(`${first.url}/api/v1/tunes/${id}`)).json()).title
		)
		.toBe('Typed while it was away');
	second.process.kill('SIGTERM');
	expect(await second.exited).toBe(0);
});

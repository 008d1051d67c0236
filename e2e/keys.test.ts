import type { Page } from '@playwright/test';
import { KEY_MAPS } from '../src/lib/words/keys/all';
import { combosOf } from '../src/lib/words/keys/key-map';
import { choose, FERRY, newTune, visit } from './helpers';
import { expect, runBefore, test } from './test';

/** What every key has done since the page was opened, told by the page itself. */
async function listen(page: Page): Promise<void> {
	await runBefore(page, () => {
		const done: string[] = [];
		Object.assign(window, { done, print: () => undefined });
		addEventListener('arc-step:key', (event) => done.push((event as CustomEvent<string>).detail));
	});
}
const done = (page: Page) => page.evaluate(() => (window as unknown as { done: string[] }).done);

/** As Playwright names the keys. */
const pressed = (combo: string): string =>
	combo.replace('Mod', 'Control').replace(/^ $/, 'Space').replace(/\+ $/, '+Space');

/** Where the keys of a map work; the notebook's are pressed where nothing else is made of it. */
const WHERE: Readonly<Record<string, (page: Page, tune: string) => Promise<void>>> = {
	Everywhere: (page) => visit(page, '/help'),
	'Any screen of a tune': (page, tune) => visit(page, `/tunes/${tune}/neck`),
	'Stand view': async (page, tune) => {
		await visit(page, `/tunes/${tune}/neck?stand`);
		await page.locator('[data-part="stand"]').waitFor();
	},
	'Away from a tune': (page) => visit(page, '/'),
	Notebook: (page) => visit(page, '/'),
	Chart: (page, tune) => visit(page, `/tunes/${tune}/chart`),
	Neck: (page, tune) => visit(page, `/tunes/${tune}/neck`),
	Route: (page, tune) => visit(page, `/tunes/${tune}/route`),
	'Route, notes of the line': (page, tune) => visit(page, `/tunes/${tune}/route`),
	'Picked notes of a line, how they are played': async (page, tune) => {
		await visit(page, `/tunes/${tune}/route`);
		await page.locator('[data-part="note"]').first().waitFor();
		await page.keyboard.press('e');
		await page.getByRole('region', { name: 'How it is played' }).waitFor();
	},
	'Route, a line of your own': (page, tune) => visit(page, `/tunes/${tune}/route`),
	Phrase: (page, tune) => visit(page, `/tunes/${tune}/phrase`),
	'Phrase, while a motif is played in': async (page, tune) => {
		await visit(page, `/tunes/${tune}/phrase`);
		await page.keyboard.press('i');
		await page.getByRole('region', { name: 'Play it in' }).waitFor();
	},
	Drill: (page, tune) => visit(page, `/tunes/${tune}/drill`),
	Sheet: (page, tune) => visit(page, `/tunes/${tune}/sheet`),
	Log: (page) => visit(page, '/log')
};

/** What a key may have opened, so that those of the screen rest. */
const OVER = '[role="dialog"], [role="menu"], section[aria-label="Play it in"]';
/** What comes over the screen in its own time: the next key waits for it. */
const OPENS = new Set([...['Route compare', 'Route, a line of your own text', 'Notebook set']]);
/** What leads away once a part of the app has come: it is not waited for. */
const LATE = new Set(['Route motif']);
/** Whose keys lead away in their own time. */
const ALWAYS = new Set(['Notebook', 'Phrase, while a motif is played in']);

/** Tried where their states are: after a pass (with the drill), on a set of the test's own. */
const ELSEWHERE = ['Drill, after a pass', 'Set'];

test.describe('every key of every map does what it says', () => {
	for (const [where, map] of KEY_MAPS) {
		if (ELSEWHERE.includes(where)) continue;
		test(where, async ({ page, request }) => {
			test.slow();
			await listen(page);
			// What is stored is everybody's: here a key only has to be heard.
			const stores = (url: URL) => url.pathname.startsWith('/api/v1/');
			await page.route(stores, (route) =>
				route.request().method() === 'GET' ? route.continue() : route.fulfill({ status: 503 })
			);
			const tune = await newTune(request);
			const reach = WHERE[where];
			await reach(page, tune.id);
			const home = new URL(page.url()).pathname;
			let late = false;
			for (const [name, row] of Object.entries(map)) {
				for (const { combo } of combosOf(row)) {
					const left = new URL(page.url()).pathname !== home;
					const over = await page.locator(OVER).count();
					const still = ALWAYS.has(where);
					// What the last key has opened or left is put back.
					const opened = over > 0 !== (where === 'Stand view');
					if (left || late || still || opened) await reach(page, tune.id);
					late = LATE.has(`${where} ${name}`);
					await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
					await page.keyboard.press(pressed(combo));
					await expect
						.poll(() => done(page).catch(() => [`${name} ${combo}`]), {
							message: `${name} ${combo}`
						})
						.toContain(`${name} ${combo}`);
					if (OPENS.has(`${where} ${name}`)) await page.getByRole('dialog').first().waitFor();
				}
			}
			await page.unroute(stores);
		});
	}
});

test('the print of a set has its key', async ({ page, request }) => {
	await listen(page);
	const tune = await newTune(request);
	const set = await request.post('/api/v1/sets', {
		data: { name: 'Keys of a set', tuneIds: [tune.id] }
	});
	await visit(page, `/sets/${((await set.json()) as { id: string }).id}`);
	await page.keyboard.press('p');
	expect(await done(page)).toEqual(['print p']);
});

test('keys go on working after a click on whatever a screen has', async ({ page, request }) => {
	await listen(page);
	const tune = await newTune(request, FERRY);
	const place = () => page.locator('svg[aria-label^="Neck, position"]').getAttribute('aria-label');
	await visit(page, `/tunes/${tune.id}/neck`);
	const clicks = [
		page.getByRole('group', { name: 'Places' }).getByRole('button').nth(4),
		page.locator('[data-part="panels"]').getByRole('radio').nth(1),
		page.getByRole('group', { name: 'What the neck shows' }).getByRole('button').first(),
		page.getByRole('tab', { name: 'Double stops' }),
		page.locator('[data-part="panels"]').getByRole('radio').nth(1),
		page
			.getByRole('group', { name: /^Chords, bars/ })
			.getByRole('button')
			.nth(3)
	];
	for (const what of clicks) {
		await what.click();
		const before = await place();
		const count = (await done(page)).length;
		for (const key of ['ArrowRight', 'ArrowDown', 'w', 'w', 'ArrowUp', 'ArrowLeft'])
			await page.keyboard.press(key);
		await expect
			.poll(async () => (await done(page)).slice(count).map((entry) => entry.split(' ')[0]))
			.toEqual(['place', 'change', 'layerNow', 'layerNow', 'change', 'place']);
		expect(await place()).toBe(before);
	}

	// A slider on the route, and a list in the drill that was opened and chosen from.
	await visit(page, `/tunes/${tune.id}/route`);
	await page.keyboard.press('w');
	const slider = page.getByRole('slider', { name: 'Chromatic approaches' });
	await slider.click();
	let count = (await done(page)).length;
	for (const key of ['ArrowRight', 'w', 'l', 'o']) await page.keyboard.press(key);
	await expect
		.poll(async () => (await done(page)).slice(count).map((entry) => entry.split(' ')[0]))
		.toEqual(['across', 'making', 'lock', 'text']);

	await visit(page, `/tunes/${tune.id}/drill`);
	await choose(page.getByRole('combobox', { name: 'Who plays' }), 1);
	count = (await done(page)).length;
	for (const key of ['ArrowUp', 'ArrowDown', ']']) await page.keyboard.press(key);
	await expect
		.poll(async () => (await done(page)).slice(count).map((entry) => entry.split(' ')[0]))
		.toEqual(['tempo', 'tempo', 'place']);
});

test('what keys have reached keeps its own: text, and arrows where it says so', async ({
	page,
	request
}) => {
	await listen(page);
	const tune = await newTune(request, FERRY);
	await visit(page, `/tunes/${tune.id}/neck`);
	const places = page.getByRole('group', { name: 'Places' });
	await page.keyboard.press('Shift');
	await places.locator('[tabindex="0"]').focus();
	await page.keyboard.press('ArrowRight');
	await expect(places.locator('[tabindex="0"]')).toBeFocused();
	const scale = page.getByRole('gridcell').first();
	await scale.focus();
	await page.keyboard.press('ArrowRight');
	expect(await done(page)).toEqual([]);
	await page.keyboard.press('j');
	expect(await done(page)).toEqual(['best j']);
});

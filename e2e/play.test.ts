import { readFileSync } from 'node:fs';
import { expect, test, type Page } from './test';
import { parseMidi } from 'midi-file';
import { choose, expectAccessible, expectNoOverflow, go, lookFor, newTune, visit } from './helpers';

/** Short bars, so that a test need not wait. */
const QUICK = 'title: Quick Lanterns\nkey: C major\ntempo: 280\n\n| C | F | G7 | Am |\n';
const bar = (page: Page) => page.locator('[data-part="playing"] [data-part="fact"] b').first();
const play = (page: Page) => page.getByRole('button', { name: 'Play' });
const stop = (page: Page) => page.getByRole('button', { name: 'Stop' });

async function planned(page: Page, request: Parameters<typeof newTune>[0], chart = QUICK) {
	const tune = await newTune(request, chart);
	await request.post(`/api/v1/tunes/${tune.id}/routes`, {
		data: {
			name: 'Guide tones',
			position: 5,
			style: 'guide-tones',
			line: { grid: 'eighth' },
			anchors: { locks: [], letPass: [] }
		}
	});
	await visit(page, `/tunes/${tune.id}/route`);
	return tune;
}

test('a tune counts in, plays, follows its chords, changes tempo, loops and stops', async ({
	page,
	request
}) => {
	await planned(page, request);
	// Four beats of counting in are over in less than a second.
	const counted = await lookFor(page, '[data-part="playing"] [data-part="count"]');
	await page.keyboard.press('Space');
	await expect.poll(counted).toBe(true);
	await expect(bar(page)).toContainText('1 of 4');
	// What sounds is now, on every part of the screen, and the note of the line lights.
	await expect(page.locator('circle[data-part="sounding"]').first()).toBeVisible();
	await expect(bar(page)).toContainText('3 of 4');
	await expect(page.locator('aside')).toContainText('G');

	await page.keyboard.press('-');
	await page.keyboard.press('-');
	await expect(page.locator('[data-part="transport-tempo"]')).toContainText('252');
	await expect(stop(page)).toBeVisible();

	// The loop: bar 2 alone, from the panel.
	await page.locator('[data-part="transport-tempo"]').click();
	const panel = page.getByRole('dialog', { name: 'Tempo, band and click' });
	await panel.getByLabel('Loop from bar').fill('2');
	await panel.getByLabel('Loop from bar').press('Tab');
	await panel.getByLabel('to bar', { exact: true }).fill('2');
	await panel.getByLabel('to bar', { exact: true }).press('Tab');
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: 'Loop: bar 2' })).toBeVisible();
	await expect(bar(page)).toContainText('2 of 4');
	const seen = new Set<string>();
	for (let i = 0; i < 12; i++) {
		seen.add(((await bar(page).textContent()) ?? '').replace(/\s+/g, ' '));
		await page.evaluate(() => new Promise(requestAnimationFrame));
		await expect(page.locator('[data-part="playing"] [data-part="fact"]').first()).toBeVisible();
	}
	expect([...seen]).toEqual(['2 of 4']);

	await page.keyboard.press('Space');
	await expect(play(page)).toBeVisible();
	await expect(page.locator('circle[data-part="sounding"]')).toHaveCount(0);
	await expect(page.locator('[data-part="playing"]')).toHaveCount(0);
});

test('the space bar belongs to a control that keys have reached', async ({ page, request }) => {
	await planned(page, request);
	await page.getByRole('button', { name: /^Table/ }).focus();
	await page.keyboard.press('Shift+Tab');
	await page.keyboard.press('Tab');
	await page.keyboard.press('Space');
	await expect(page.getByRole('button', { name: 'Hide table' })).toBeVisible();
	await expect(play(page)).toBeVisible();
});

test('what is written on the chart is played before it is saved', async ({ page, request }) => {
	const tune = await newTune(request, QUICK);
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.locator('.cm-content').click();
	await page.keyboard.press('ControlOrMeta+End');
	await page.keyboard.insertText('| Dm7 | G7 |\n');
	await play(page).click();
	await expect(page.locator('[data-part="playing"]')).toContainText('of 6');
	await stop(page).click();
	await expect(page.locator('[data-part="playing"]')).toHaveCount(0);
});

test('a player taps a tempo and keeps it in the tune', async ({ page, request }) => {
	const tune = await planned(page, request);
	await page.locator('[data-part="transport-tempo"]').click();
	const panel = page.getByRole('dialog', { name: 'Tempo, band and click' });
	const slider = panel.getByRole('slider', { name: /^Tempo/ });
	await slider.press('Home');
	await slider.press('ArrowRight');
	await slider.press('ArrowRight');
	await expect(page.locator('[data-part="transport-tempo"]')).toContainText('32');
	await panel.getByRole('button', { name: 'Keep 32 in the tune' }).click();
	await expect(page.getByText('Tempo 32 kept in the tune.')).toBeVisible();
	const saved = await (await request.get(`/api/v1/tunes/${tune.id}`)).json();
	expect(saved.tempo).toBe(32);
	await panel.getByRole('button', { name: 'Drums: silent' }).click();
	await expect(panel.getByRole('button', { name: 'Drums: silent' })).toHaveAttribute(
		'aria-pressed',
		'true'
	);
	await expectAccessible(page, '[role=dialog]');
});

test('the stand view opens with F, goes by pedal, and closes', async ({ page, request }) => {
	await planned(page, request);
	await page.keyboard.press('f');
	const stand = page.getByRole('dialog', { name: /^Stand view: Quick Lanterns/ });
	await expect(stand).toBeVisible();
	await expect(stand).toContainText('Land on');
	await expect(page).toHaveURL(/stand/);
	const name = () => stand.getByRole('img').first().getAttribute('aria-label');
	const before = await name();
	await page.keyboard.press('PageDown');
	await expect.poll(name).not.toBe(before);
	await page.keyboard.press('ArrowLeft');
	await expect.poll(name).toBe(before);
	await expectAccessible(page, '[data-part="stand"]');
	await page.keyboard.press('Enter');
	await expect(stand.getByRole('button', { name: 'Stop' })).toBeVisible();
	await expect(stand.locator('rect[data-part="beat"]')).toBeVisible();
	await page.keyboard.press('Space');
	await expect(stand.getByRole('button', { name: 'Play' })).toBeVisible();
	// With F the band plays on under the screen, with Escape it stops.
	await page.keyboard.press('Space');
	await expect(stand.getByRole('button', { name: 'Stop' })).toBeVisible();
	await page.keyboard.press('f');
	await expect(stand).toHaveCount(0);
	await expect(stop(page)).toBeVisible();
	await page.keyboard.press('f');
	await expect(stand).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(stand).toHaveCount(0);
	await expect(stop(page)).toHaveCount(0);
	await expect(page).not.toHaveURL(/stand/);
	// From the notebook the same key opens it on the tune that was open last.
	await go(page, '/');
	await page.keyboard.press('f');
	await expect(stand).toBeVisible();
	for (const size of [
		{ width: 820, height: 1180 },
		{ width: 390, height: 760 }
	]) {
		await page.setViewportSize(size);
		await expectNoOverflow(page);
		await expect(stand.getByRole('button', { name: 'Leave the stand view' })).toBeInViewport();
	}
});

test('the backing is taken away as MIDI in another key and as a sound file', async ({
	page,
	request
}) => {
	await planned(page, request);
	await page.locator('[data-part="transport-tempo"]').click();
	await page.getByRole('button', { name: 'Take the backing away …' }).click();
	const dialog = page.getByRole('dialog', { name: 'Take the backing away' });
	await choose(dialog.getByRole('combobox', { name: 'Key' }), /^G(,|$)/);
	await dialog.getByLabel('Times through').fill('1');
	const saved = page.waitForEvent('download');
	await dialog.getByRole('button', { name: 'MIDI file' }).click();
	const midi = await saved;
	expect(midi.suggestedFilename()).toBe('Quick Lanterns in G 280.mid');
	const file = parseMidi(readFileSync(await midi.path()));
	const marks = file.tracks[0].flatMap((event) => (event.type === 'marker' ? [event.text] : []));
	expect(marks).toEqual(['G', 'C', 'D7', 'Em']);

	await choose(dialog.getByRole('combobox', { name: 'Key' }), /^C(,|$)/);
	const sound = page.waitForEvent('download');
	await dialog.getByRole('button', { name: 'Sound file (WAV)' }).click();
	const bytes = readFileSync(await (await sound).path());
	expect(bytes.subarray(0, 4).toString()).toBe('RIFF');
	// A bar of count-in, four bars, and the time to ring.
	const seconds = (bytes.length - 44) / (44_100 * 4);
	expect(seconds).toBeCloseTo((5 * 4 * 60) / 280 + 2.5, 1);

	await dialog.getByLabel('Times through').fill('20');
	await dialog.getByLabel('Tempo').fill('40');
	await dialog.getByRole('button', { name: 'Sound file (WAV)' }).click();
	await dialog.getByRole('button', { name: 'Cancel' }).click();
	await expect(dialog.getByRole('button', { name: 'Sound file (WAV)' })).toBeEnabled();
	await expectAccessible(page, '[data-part="backing"]');
});

test('the band keeps time as it is rendered by this browser', async ({ page }) => {
	await visit(page, '/settings');
	await page.getByRole('button', { name: 'Measure the timing' }).click();
	const figure = (id: string) => page.locator(`td[data-figure=${id}]`);
	await expect(figure('swing')).toBeVisible();
	const value = async (id: string) => Number.parseFloat((await figure(id).textContent()) ?? '');
	for (const id of ['largest', 'drift', 'seam', 'tempo'])
		expect(await value(id), id).toBeLessThan(1);
	expect(await value('swing')).toBeGreaterThan(61.95);
	expect(await value('swing')).toBeLessThan(62.05);
	expect(Number(await page.locator('table').getAttribute('data-onsets'))).toBeGreaterThan(150);
});

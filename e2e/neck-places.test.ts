import { choose, expectAccessible, newTune, visit } from './helpers';
import { expect, type Page, test } from './test';

const weighed = (page: Page) =>
	expect(page.getByRole('heading', { level: 1 })).toContainText(/lies best/);
const figure = (page: Page) => page.locator('[data-part="figure"][role="img"]');

test('places are ranked with reasons; the next key is one key away', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await weighed(page);
	await page.keyboard.press('k');
	const ranked = page.getByRole('radiogroup', { name: 'Places, best first' });
	await expect(ranked.getByRole('radio')).toHaveCount(19);
	await expect(
		ranked.getByRole('radio', { name: /: position 6\. .*\d+ % of roots/ })
	).toBeFocused();
	await ranked.getByRole('radio').first().click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('you are there');
	await expectAccessible(page, '[data-part="panels"]');
	// In the strip of places and in the ribbon the arrows belong to what has the focus.
	await page.getByRole('button', { name: /^Position 6,/ }).click();
	await page.keyboard.press('Tab');
	await page.keyboard.press('Shift+Tab');
	await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('button', { name: /^Position 7,/ })).toBeFocused();
	await page.getByRole('button', { name: 'Edim7, bar 6, beat 1' }).click();
	await page.keyboard.press('Tab');
	await page.keyboard.press('Shift+Tab');
	await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('button', { name: 'Bb7, bar 7, beat 1' })).toBeFocused();
	// A pedal is heard wherever the focus is.
	await page.keyboard.press('PageDown');
	await expect(page.getByRole('gridcell', { name: /of Cm7, next/ }).first()).toBeVisible();

	await page.locator('h1').click();
	await page.keyboard.press('Shift+Period');
	await expect(page.locator('dd', { hasText: 'E♭ blues' })).toBeVisible();
	await expect(page.getByRole('button', { name: 'Eb7, bar 1, beat 1' })).toBeVisible();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.locator('dd', { hasText: 'B♭ blues' })).toBeVisible();
	await page.keyboard.press('ControlOrMeta+Shift+z');
	await expect(page.locator('dd', { hasText: 'E♭ blues' })).toBeVisible();
	expect((await (await request.get(`/api/v1/tunes/${tune.id}`)).json()).chart).toContain(
		'key: Eb blues'
	);
});

test('left-handed, the map turns with the neck', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, '/settings');
	await page.getByRole('switch', { name: /Left-handed/ }).click();
	await visit(page, `/tunes/${tune.id}/neck?position=8`);
	await weighed(page);
	const middle = async (selector: string) => {
		const box = await page.locator(selector).first().boundingBox();
		if (!box) throw new Error(selector);
		return box.x + box.width / 2;
	};
	const third = await page.getByRole('button', { name: /^Position 3,/ }).boundingBox();
	const ninth = await page.getByRole('button', { name: /^Position 9,/ }).boundingBox();
	expect(third && ninth && third.x > ninth.x).toBe(true);
	// The frame stands on the eighth fret of the neck above.
	const fret = await middle('[data-place="3-8"]');
	expect(Math.abs((await middle('[data-part="frame"]')) - fret)).toBeLessThan(8);
	await page.keyboard.press('s');
	await expect(figure(page)).toBeVisible();
});

test('a long chart with many chords keeps its map in bounds', async ({ page, request }) => {
	const roots = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
	const bars = roots.flatMap((root) => [`${root}maj7 ${root}m7`, `${root}7 ${root}m7b5`]);
	const tune = await newTune(request, `title: Round\nkey: C\n\n| ${bars.join(' | ')} |\n`);
	await visit(page, `/tunes/${tune.id}/neck?position=5`);
	await weighed(page);
	await expect(page.locator('[data-part="chords"] li')).toHaveCount(24);
	await expect(page.getByRole('img', { name: /How each chord lies/ })).toBeVisible();
	// The ribbon turns its page with the chord that sounds.
	await page.keyboard.press(',');
	await page.keyboard.press(',');
	await expect(page.getByRole('button', { name: 'Bm7b5, bar 24, beat 3' })).toBeVisible();
});

test('a tune changed elsewhere is taken up, never overwritten', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	const chart = tune.chart.replace('Edim7', 'Ebm6');
	const other = await request.put(`/api/v1/tunes/${tune.id}`, {
		data: { chart, version: tune.version }
	});
	expect(other.status()).toBe(200);
	await page.getByRole('button', { name: /^Instrument/ }).click();
	await choose(page.getByRole('combobox', { name: 'Capo' }), 'fret 3');
	await expect(page.getByText('This tune was changed elsewhere')).toBeVisible();
	await expect(page.getByRole('button', { name: 'Ebm6, bar 6, beat 1' })).toBeVisible();
	expect((await (await request.get(`/api/v1/tunes/${tune.id}`)).json()).chart).toBe(chart);
});

import { expect, test } from './test';
import { editorOf, expectAccessible, newTune, visit } from './helpers';

test('home is ranked with reasons, and the player may overrule it', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Where\n\n| Am | F | C | G |\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	const ranking = page.getByRole('radiogroup', { name: 'Where is home?' });
	await expect(ranking.getByRole('radio')).toHaveCount(4);
	await expect(ranking.getByRole('radio').first()).toBeChecked();
	await expect(ranking.getByRole('radio').first()).toContainText('beats on its chord');
	await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(0)).toContainText(
		/^1\s*Am\s*(i|vi)/
	);
	await ranking.getByRole('radio').nth(1).click();
	await expect(editorOf(page)).toContainText(/key: (A minor|C)/);
	await page.keyboard.press('Escape');
	await page.locator('h1').click();
	await page.keyboard.press('t');
	await expect(ranking.getByRole('radio').nth(1)).not.toBeChecked();
	// A key that the ranking does not show, by typing.
	await page.keyboard.press('k');
	await page.keyboard.type('nonsense');
	await page.keyboard.press('Enter');
	await expect(page.getByText('“nonsense” is not a key')).toBeVisible();
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.type('G');
	await page.keyboard.press('Enter');
	await expect(editorOf(page)).toContainText('key: G');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Home is G');
	await page.getByRole('button', { name: 'key: auto' }).click();
	await expect(editorOf(page)).toContainText('key: auto');
	await expectAccessible(page);
});

test('a form replaces the bars in the key, and one step takes it back', async ({
	page,
	request
}) => {
	const tune = await newTune(request, 'title: Form\nkey: E minor\n\n| Em | Am |\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.getByRole('button', { name: /^Twelve-bar, minor/ }).click();
	await expect(page.locator('[data-part="verdict"] p')).toContainText('12 bars');
	await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(4)).toContainText('iv');
	await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(0)).toContainText('Em');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect(page.locator('[data-part="verdict"] p')).toContainText('2 bars');
	await expect(editorOf(page)).toContainText('| Em | Am |');
	// The offer is used up, and a new one goes with the screen that could take it back.
	await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(0);
	await page.getByRole('button', { name: /^Eight-bar/ }).click();
	await expect(page.getByRole('button', { name: 'Undo' })).toBeVisible();
	await page.getByRole('link', { name: 'Neck' }).click();
	await expect(page).toHaveURL(/\/neck/);
	await expect(page.getByRole('button', { name: 'Undo' })).toHaveCount(0);
});

test('an empty chart offers every form', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Empty\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	await expect(page.getByText('start from one of the 12 forms')).toBeVisible();
	await page.getByRole('button', { name: /^Vamp over a held bass/ }).click();
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Every symbol reads');
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByRole('status').first()).toHaveText('Saved');
});

test('under a chord stand numeral and function, or its tones', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	const bar = page.locator('[data-part="row"] [data-part="bar"]').nth(7);
	await expect(bar).toContainText('V7alt/ii');
	await expect(bar).toContainText('to ii');
	await page.locator('h1').click();
	await page.keyboard.press('m');
	await expect(bar).toContainText('B');
	await expect(bar).not.toContainText('to ii');
});

import { expect, test } from './test';
import { editorOf, newTune, visit } from './helpers';

const LINE = '| Cmaj7 | Am7 | Dm7 | G7 |\n';

test('bars of a long chart are drawn where they are looked at, and the others when the typing pauses', async ({
	page,
	request
}) => {
	const tune = await newTune(request, `title: Long\nkey: C\n\n${LINE.repeat(64)}`);
	await visit(page, `/tunes/${tune.id}/chart`);
	const bars = page.locator('[data-part="row"] [data-part="bar"]');
	await expect(bars).toHaveCount(256);
	await editorOf(page).getByText('Cmaj7').first().click();
	await page.keyboard.press('End');
	await page.keyboard.type(' Fmaj7 | Bb7 |');
	await page.keyboard.press('Escape');
	await expect(bars.nth(4)).toContainText('maj7');
	await expect(bars.nth(5)).toContainText('♭7');
	// The last row is far away, and has moved on all the same.
	await expect(bars).toHaveCount(258);
	await expect(bars.nth(257)).toContainText('G7');
	await expect(bars.nth(254)).toContainText('Cmaj7');
	await bars.nth(257).getByRole('button').click();
	await expect(page.locator('.cm-now')).toHaveText('G7');
});

test('a part that comes to life later stands there from the first drawing on', async ({
	page,
	request,
	browser
}) => {
	const tune = await newTune(request);
	const drawnOnly = await browser.newContext({ javaScriptEnabled: false });
	const still = await drawnOnly.newPage();
	for (const [screen, what] of [
		['chart', 'Where is home?'],
		['phrase', 'Rhythm'],
		['drill', 'Tempo ladder']
	] as const) {
		await still.goto(new URL(`/tunes/${tune.id}/${screen}`, test.info().project.use.baseURL).href);
		await expect(still.getByRole('heading', { name: what })).toBeVisible();
		await visit(page, `/tunes/${tune.id}/${screen}`);
		await expect(page.getByRole('heading', { name: what })).toHaveCount(1);
		await expect(page.locator('[inert] h2')).toHaveCount(0);
	}
	await drawnOnly.close();
});

test('on the way from screen to screen every part comes, and its keys work', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.keyboard.press('2');
	await expect(page.getByRole('tab', { name: 'Shapes' })).toBeVisible();
	await page.keyboard.press('d');
	await expect(page.getByRole('tab', { name: 'Double stops' })).toHaveAttribute(
		'aria-selected',
		'true'
	);
	await page.keyboard.press('1');
	await expect(page.getByRole('heading', { name: 'Where is home?' })).toBeVisible();
	await page.keyboard.press('k');
	await expect(page.getByRole('textbox', { name: 'Type a key' })).toBeFocused();
});

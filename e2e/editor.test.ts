import { expect, test } from './test';
import { editorOf, newTune, typeChart, visit } from './helpers';

test('symbols are completed while they are typed', async ({ page, request }) => {
	const tune = await newTune(request, 'title: T\n| C |\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	await editorOf(page).click();
	await page.keyboard.press('ControlOrMeta+End');
	await page.keyboard.type('| Bbmaj');
	const list = page.locator('.cm-tooltip-autocomplete');
	await expect(list.getByText('Bbmaj7', { exact: true })).toBeVisible();
	await list.getByText('Bbmaj7', { exact: true }).click();
	await page.keyboard.type(' |');
	await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(1)).toContainText('maj7');
});

test('F8 walks from problem to problem; every kind has words and a place', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await typeChart(page, 'key: Q\ntempo: 999\n\n| C | xyz |\n|  | G7\n');
	await page.keyboard.press('Escape');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('Three things do not read');
	await page.keyboard.press('ControlOrMeta+Home');
	const at = page.locator('[data-part="text"] small').first();
	for (const place of ['line 1, column 6', 'line 2, column 8', 'line 4, column 7']) {
		await page.keyboard.press('F8');
		await expect(at).toHaveText(place);
	}
	await expect(page.locator('.cm-doubt')).not.toHaveCount(0);
	// The tempo's suggestion is the nearest that is allowed.
	await page.getByRole('button', { name: 'Use 300' }).click();
	await expect(editorOf(page)).toContainText('tempo: 300');
	await expect(page.locator('[data-part="transport-tempo"]')).toContainText('300');
});

test('the grid and the text point at each other', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await editorOf(page).waitFor();
	const bars = page.locator('[data-part="row"] [data-part="bar"]');
	await bars.nth(9).getByRole('button').click();
	await expect(page.locator('.cm-now')).toHaveText('F7');
	await expect(page.locator('.cm-next')).toHaveText('Bb7');
	await expect(page.getByText('bar 10 to bar 11')).toBeVisible();
	await expect(
		page.getByRole('img', { name: 'From F7 to B♭7: 1 tone stays, 3 moves by a semitone' })
	).toBeVisible();
	await expect(page.locator('aside li', { hasText: 'bars 10 and 12, F7' })).toContainText(
		'leads to B♭'
	);
	// From the keyboard: along the bars, the text's marks follow, the focus stays.
	await page.keyboard.press('F6');
	await page.keyboard.press('ArrowUp');
	await expect(page.locator('.cm-now')).toHaveText('Edim7');
	await page.keyboard.press('ArrowRight');
	await expect(page.locator('.cm-now')).toHaveText('Bb7');
	await page.keyboard.press('F6');
	await expect(editorOf(page)).toBeFocused();
});

test('pushes, endings, silence and signatures are shown in the bars', async ({ page, request }) => {
	const tune = await newTune(
		request,
		'title: Signs\nkey: C\n\n|: C | <F |1. N.C. :|2. {3/4} G7 C |\n'
	);
	await visit(page, `/tunes/${tune.id}/chart`);
	const bars = page.locator('[data-part="row"] [data-part="bar"]');
	await expect(bars.nth(1)).toContainText('pushed an eighth early');
	await expect(bars.nth(2)).toContainText('1.');
	await expect(bars.nth(2)).toContainText('silence');
	await expect(bars.nth(3)).toContainText('2.');
	await expect(page.locator('[data-part="verdict"] p')).toContainText('6 bars');
});

test('the pages come from the server with their data', async ({ request }) => {
	const { tunes } = await (await request.get('/api/v1/tunes')).json();
	const ferry = tunes.find((tune: { title: string }) => tune.title === 'Tin Roof Ferry');
	for (const [path, ...words] of [
		['/', 'Thursday on the Corvane', 'Pylon Song', '13'],
		[`/tunes/${ferry.id}/chart`, 'Edim7', 'Every symbol reads', 'From outside home'],
		[`/tunes/${ferry.id}/neck`, 'In this place', 'third of Bb7'],
		[`/tunes/${ferry.id}/route`, 'All 13 changes land.', 'Target of bar 2']
	]) {
		const response = await request.get(path);
		expect(response.status(), path).toBe(200);
		const text = await response.text();
		for (const word of words) expect(text, path).toContain(word);
	}
});

test('the place strip and the slider move the hand; the scale says what it lacks', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await expect(page.getByRole('button', { name: /^D♭ rises to D/ })).toBeVisible();
	await page.getByRole('button', { name: /^Position 10,/ }).click();
	const slider = page.getByRole('slider', { name: 'Place of the hand' });
	await expect(slider).toHaveAttribute('aria-valuetext', 'position 10, frets 10 to 13');
	await slider.focus();
	await page.keyboard.press('Home');
	await expect(slider).toHaveAttribute('aria-valuenow', '1');
	await expect(page.getByRole('gridcell', { name: /open, D, third of Bb7/ })).toBeVisible();
	await page.keyboard.press('End');
	await expect(slider).toHaveAttribute('aria-valuenow', '19');
	await page.keyboard.press('ArrowRight');
	await expect(slider).toHaveAttribute('aria-valuenow', '19');
	await page.keyboard.press('ArrowLeft');
	await expect(slider).toHaveAttribute('aria-valuenow', '18');
	await page.getByRole('link', { name: 'Plan it here' }).click();
	await expect(page.locator('dd', { hasText: 'Position 18' })).toBeVisible();
});

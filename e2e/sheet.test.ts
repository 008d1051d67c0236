import { expect, test } from './test';
import { extractText, getDocumentProxy } from 'unpdf';
import { expectAccessible, expectNoOverflow, newTune, visit } from './helpers';

const textOf = async (bytes: Uint8Array) => {
	const document = await getDocumentProxy(new Uint8Array(bytes));
	const { text } = await extractText(document, { mergePages: false });
	const [, , width, height] = (await document.getPage(1)).view;
	return { pages: text, size: [Math.round(width), Math.round(height)] };
};
const lettersOf = (text: string) =>
	[...text.matchAll(/[A-Za-z0-9♭♯½]/g)]
		.map(([sign]) => sign)
		.sort()
		.join('');

test('the sheet is set, chosen, printed and taken away', async ({ page, request }) => {
	const tune = await newTune(request);
	const data = {
		...{ name: 'Sixth', position: 6, style: 'guide-tones' },
		line: { grid: 'eighth', cell: 'breath' },
		anchors: { locks: [], letPass: [] }
	};
	const route = await (await request.post(`/api/v1/tunes/${tune.id}/routes`, { data })).json();
	await visit(page, `/tunes/${tune.id}/route?route=${route.id}`);
	await page.keyboard.press('p');
	await expect(page).toHaveURL(new RegExp(`/sheet\\?route=${route.id}`));
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(/pages? for the music stand/);
	await expect(page.getByRole('img', { name: 'Tin Roof Ferry, page 1' })).toBeVisible();
	await expectAccessible(page);
	// The file has the same pages as the screen; the browser prints them, too.
	const file = await textOf(await (await request.get(`/routes/${route.id}/route.pdf`)).body());
	expect(file.size).toEqual([595, 842]);
	const drawn = await page.locator('[data-part="pages"] svg').allTextContents();
	expect(drawn).toHaveLength(file.pages.length);
	const printed = await textOf(await page.pdf({ preferCSSPageSize: true, printBackground: true }));
	expect(printed.size).toEqual([595, 842]);
	expect(printed.pages).toHaveLength(file.pages.length);
	printed.pages.forEach((text, i) => expect(lettersOf(text)).toBe(lettersOf(file.pages[i])));
	// Choosing changes the page and its address.
	await page.getByRole('radio', { name: 'Pictures' }).click();
	await expect(page).toHaveURL(/show=pictures/);
	await expect(page.locator('[data-part="pages"] [data-part="page"]')).toHaveCount(1);
	await page.getByRole('checkbox', { name: 'Left-handed pictures' }).check();
	await expect(page).toHaveURL(/left=1/);
	await page.getByRole('radio', { name: 'Letter' }).click();
	await expect(page.locator('[data-part="page"][data-paper="letter"]')).toHaveCount(1);
	const download = page.waitForEvent('download');
	await page.getByRole('link', { name: 'PDF', exact: true }).first().click();
	expect((await download).suggestedFilename()).toBe('Tin-Roof-Ferry-Sixth.pdf');
	for (const size of [
		{ width: 820, height: 1180 },
		{ width: 390, height: 844 }
	]) {
		await page.setViewportSize(size);
		await expectNoOverflow(page);
	}
});

test('a tune without a route has its chords on the page, at a place that can be moved', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await page.emulateMedia({ colorScheme: 'dark' });
	await visit(page, `/tunes/${tune.id}/sheet?position=3`);
	await expect(page.getByText('Position 3, frets 3 to 6')).toBeVisible();
	await page.keyboard.press(']');
	await expect(page.getByText('Position 4, frets 4 to 7')).toBeVisible();
	await expect(page.getByRole('link', { name: 'plan one here' })).toHaveAttribute(
		'href',
		`/tunes/${tune.id}/route?position=4`
	);
	await expectAccessible(page);
	expect(
		(await request.get(`/tunes/${tune.id}/sheet.pdf?position=4`)).headers()['content-type']
	).toBe('application/pdf');
	expect((await page.goto(`/tunes/${tune.id}/sheet?route=${tune.id}`))?.status()).toBe(404);
});

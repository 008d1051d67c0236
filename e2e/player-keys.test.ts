import { expect, test, type Page } from './test';
import { editorOf, go, newTune, visit } from './helpers';

/** Tabs until something that matches has the focus. */
async function tabTo(page: Page, selector: string): Promise<void> {
	for (let i = 0; i < 60; i++) {
		await page.keyboard.press('Tab');
		if (await page.evaluate((css) => document.activeElement?.matches(css) ?? false, selector))
			return;
	}
	throw new Error(`no way to ${selector} by Tab`);
}

// The whole job is done by keys in the dark theme and by mouse in the light one.
for (const theme of ['dark'] as const) {
	test(`the player’s job by keyboard alone, ${theme}`, async ({ page, request }) => {
		test.slow();
		await page.emulateMedia({ colorScheme: theme });
		await visit(page, '/');
		await page.keyboard.press('ArrowDown');
		await expect(page.locator('a[data-part="open"]').first()).toBeFocused();
		await page.keyboard.press('ArrowDown');
		await page.keyboard.press('Enter');
		await expect(page.locator('p[data-part="title"]')).toHaveText('Nettle Tea');

		const tune = await newTune(request);
		await go(page, `/tunes/${tune.id}/chart`);
		await editorOf(page).waitFor();
		// From anywhere into the text; a wrong symbol, the next problem, its suggestion.
		await page.keyboard.press('F6');
		await expect(editorOf(page)).toBeFocused();
		await page.keyboard.press('ControlOrMeta+End');
		await page.keyboard.type('| Gm77 |');
		await page.keyboard.press('Escape');
		await expect(page.locator('.cm-unread')).toHaveText('Gm77');
		await page.keyboard.press('ControlOrMeta+Home');
		await page.keyboard.press('F8');
		await page.keyboard.press('Tab');
		await expect(page.getByRole('heading', { level: 1 })).toContainText('Every symbol reads');
		await page.keyboard.press('ControlOrMeta+s');
		await expect(page.getByRole('status').first()).toHaveText('Saved');
		// Out of the text into the bars and along them.
		await page.keyboard.press('F6');
		await expect(page.locator('button[data-part="cell"][data-tense="now"]')).toBeFocused();
		await page.keyboard.press('ArrowLeft');
		await expect(page.locator('button[data-part="cell"][data-tense="now"]')).toContainText('F');
		await page.keyboard.press('Escape');

		await page.keyboard.press('2');
		await expect(page).toHaveURL(/\/neck/);
		const slider = page.getByRole('slider', { name: 'Place of the hand' });
		const start = Number(await slider.getAttribute('aria-valuenow'));
		await page.keyboard.press(']');
		await page.keyboard.press(']');
		await expect(slider).toHaveAttribute('aria-valuenow', String(start + 2));
		await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
		await page.keyboard.press('ArrowLeft');
		await expect(slider).toHaveAttribute('aria-valuenow', String(start + 1));
		await page.keyboard.press('.');
		await page.keyboard.press('PageDown');
		await page.keyboard.press(',');
		await tabTo(page, '[role="gridcell"]');
		const before = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
		await page.keyboard.press('ArrowDown');
		const after = await page.evaluate(() => document.activeElement?.getAttribute('aria-label'));
		expect(after).not.toBe(before);
		expect(after).toMatch(/^string \d, fret \d+, [A-G]/);

		await page.keyboard.press('3');
		await expect(page).toHaveURL(/\/route/);
		await page.keyboard.press('r');
		await expect(page.getByRole('heading', { level: 1 })).toContainText('changes land');
		await page.keyboard.press('.');
		await page.keyboard.press('a');
		await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
		await page.keyboard.press('r');
		await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
		await page.keyboard.press('.');
		await page.keyboard.press('x');
		await expect(page.getByRole('button', { name: 'Land here' })).toBeVisible();
		await page.keyboard.press('ControlOrMeta+z');
		await expect(page.getByRole('button', { name: 'Let it pass' })).toBeVisible();
		await page.keyboard.press('ControlOrMeta+s');
		await expect(page).toHaveURL(/route=[0-9a-f-]{36}/);
		await page.reload();
		await page.keyboard.press('.');
		await expect(page.getByRole('heading', { level: 1 })).toContainText('changes land');
	});
}

test('single keys rest while typing and when they are switched off', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await editorOf(page).click();
	await page.keyboard.press('ControlOrMeta+End');
	await page.keyboard.type('// 2 n');
	await expect(page).toHaveURL(/\/chart/);
	await go(page, '/settings');
	await page.getByRole('switch', { name: /Single-key/ }).click();
	await go(page, `/tunes/${tune.id}/neck`);
	await page.keyboard.press('3');
	await expect(page).toHaveURL(/\/neck/);
});

import { devices, expect, test as base, type Page } from '@playwright/test';
import { expectNoOverflow, newTune, visit } from './helpers';
import { askMore } from './test';

/** A phone in the hand: taps, no hover, no keys. */
const PHONE = {
	viewport: { width: 390, height: 844 },
	hasTouch: true,
	isMobile: true,
	userAgent: devices['Pixel 5'].userAgent
};
// They share a phone, one after another; no test asks what the one before has left in its storage.
const test = base.extend<object, { phone: { page?: Page } }>({
	phone: [
		async ({ browser: _ }, use) => {
			const phone: { page?: Page } = {};
			await use(phone);
			await phone.page?.context().close();
		},
		{ scope: 'worker' }
	],
	page: async ({ phone, browser }, use) => {
		if (!phone.page) {
			phone.page = await (await browser.newContext(PHONE)).newPage();
			await phone.page.addInitScript(askMore);
		}
		await use(phone.page);
	}
});
test.describe.configure({ mode: 'default' });

test('the whole job by touch', async ({ page, request }) => {
	test.slow();
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.locator('[data-part="row"] [data-part="bar"]').nth(4).getByRole('button').tap();
	await expect(page.locator('.cm-now')).toHaveText('Eb7');
	await page.getByRole('link', { name: 'Neck' }).tap();
	await expect(page).toHaveURL(/\/neck/);
	await page.getByRole('button', { name: /^Position 6,/ }).tap();
	// Only the frets round the hand are drawn, large enough to touch.
	const mark = await page.locator('[data-place="3-8"]').boundingBox();
	expect(mark?.width).toBeGreaterThan(30);
	await page.getByRole('button', { name: 'Edim7, bar 6, beat 1' }).tap();
	await expect(page.getByRole('gridcell', { name: /of Edim7, now/ }).first()).toBeVisible();
	await page.getByRole('link', { name: 'Route' }).tap();
	await expect(page).toHaveURL(/\/route/);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
	await page.locator('aside li button').nth(1).tap();
	await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
	await page.locator('[data-part="made"]').tap();
	await page.getByRole('radio', { name: /^Nearest/ }).tap();
	await page.getByRole('button', { name: 'Back to the change' }).tap();
	await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
	await page.getByRole('button', { name: 'Save' }).tap();
	await expect(page).toHaveURL(/route=[0-9a-f-]{36}/);
});

test('a line of one’s own by touch: on the neck, as text, compared', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.getByRole('button', { name: 'Write' }).tap();
	await expectNoOverflow(page);
	await page.getByRole('button', { name: 'Begin with an empty strip' }).tap();
	await page.locator('[data-place="3-7"]').tap();
	await page.getByRole('button', { name: 'Rest' }).tap();
	await page.locator('[data-place="2-6"]').tap();
	await page.getByRole('button', { name: 'Hold' }).tap();
	await expect(page.getByText(/^Next: bar/)).toHaveText('Next: bar 1, beat 3');
	await page.getByRole('button', { name: 'Take back' }).tap();
	await page.getByRole('button', { name: 'Done' }).tap();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('1 of 13 changes land.');
	await page.getByRole('button', { name: 'Write' }).tap();
	await expect(page.getByLabel('Your line as tab')).toHaveValue(/G\|-7/);
	await page.getByRole('button', { name: 'Write on the neck' }).tap();
	await expect(page.getByText(/^Next: bar/)).toBeVisible();
	await page.getByRole('button', { name: 'Done' }).tap();
	await page.getByRole('button', { name: 'Compare' }).tap();
	await expect(page.getByText(/of 13 landings (is|are) the same/)).toBeVisible();
	await expectNoOverflow(page);
});

test('the window follows a finger on the neck', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=5`);
	const slider = page.getByRole('slider', { name: 'Place of the hand' });
	const box = await slider.boundingBox();
	if (!box) throw new Error('no neck');
	const y = box.y + box.height / 2;
	await page.mouse.move(box.x + box.width * 0.4, y);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width * 0.75, y, { steps: 8 });
	await page.mouse.up();
	await expect(slider).not.toHaveAttribute('aria-valuenow', '5');
	// However the picture scrolls along, the window ends where the finger went, not beyond.
	expect(Number(await slider.getAttribute('aria-valuenow'))).toBeLessThan(10);
});

test('the neck screen by touch: a shape, a scale, a place', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await page
		.getByRole('radio', { name: /^B♭7, full/ })
		.first()
		.tap();
	await expect(page.locator('[data-part="figure"][role="img"]')).toHaveAccessibleName(/^B♭7/);
	await page.getByRole('tab', { name: /^Layouts/ }).tap();
	await page.getByRole('radio', { name: /^From position 8/ }).tap();
	await expect(page).toHaveURL(/position=8/);
	await page.getByRole('button', { name: /^D♭ rises to D/ }).tap();
	await expect(page.getByRole('button', { name: /^D♭ rises to D/ })).toHaveAttribute(
		'aria-pressed',
		'true'
	);
	await page.getByRole('button', { name: 'fingers' }).tap();
	await expect(page.getByRole('button', { name: 'fingers' })).toHaveAttribute(
		'aria-pressed',
		'true'
	);
	const wide = await page.evaluate(() => document.documentElement.scrollWidth);
	expect(wide).toBe(390);
});

test('where fingers point a list is the device’s own', async ({ page }) => {
	await visit(page, '/parts');
	const place = page.getByRole('region', { name: 'Paper' }).locator('select').first();
	await place.selectOption('3');
	await expect(place).toHaveValue('3');
	await expectNoOverflow(page);
});

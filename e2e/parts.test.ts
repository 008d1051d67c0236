import { test as onPhone } from '@playwright/test';
import { expectAccessible, expectNoOverflow, visit } from './helpers';
import { expect, test } from './test';

test('parts are shown on paper and on stage, and a list is worked by keys', async ({ page }) => {
	await visit(page, '/parts');
	await expectAccessible(page);
	await expectNoOverflow(page);
	const place = page
		.getByRole('region', { name: 'Paper' })
		.getByRole('combobox', { name: /^Place / })
		.first();
	await expect(place).toHaveText('position 6');
	await place.focus();
	// The list is fetched; what is pressed meanwhile opens it.
	await page.keyboard.press('ArrowDown');
	const option = page.getByRole('option', { name: 'position 11' });
	await expect(option).toBeVisible();
	await expectAccessible(page, '[role="listbox"]');
	await page.keyboard.press('ArrowDown');
	await page.keyboard.press('Enter');
	await expect(option).toHaveCount(0);
	await expect(place).toHaveText('position 11');
	await expect(place).toBeFocused();
	// One value, shown wherever it is chosen.
	await expect(
		page
			.getByRole('region', { name: 'Stage' })
			.getByRole('combobox', { name: /^Place / })
			.first()
	).toHaveText('position 11');
	await place.press('Space');
	await expect(option).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(option).toHaveCount(0);

	const share = page.getByRole('region', { name: 'Stage' }).getByRole('slider');
	await share.focus();
	await page.keyboard.press('ArrowRight');
	await expect(share).toHaveAttribute('aria-valuetext', '41 %');
});

// Another kind of browser than the one that tests share.
onPhone.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });
onPhone('where fingers point a list is the device’s own', async ({ page }) => {
	await visit(page, '/parts');
	const place = page.getByRole('region', { name: 'Paper' }).locator('select').first();
	await place.selectOption('3');
	await expect(place).toHaveValue('3');
	await expectNoOverflow(page);
});

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

	// One types to find; a letter opens the list, and what is not there is said.
	const finds = page
		.getByRole('region', { name: 'Paper' })
		.getByRole('combobox', { name: /^Find a place/ });
	await finds.focus();
	await page.keyboard.press('1');
	await expect(option).toBeVisible();
	await expect(page.getByRole('option')).toHaveCount(1);
	await expectAccessible(page, '[role="listbox"]');
	await page.keyboard.press('Enter');
	await expect(finds).toHaveText('position 11');
	await expect(finds).toBeFocused();
	await page.keyboard.press('ArrowDown');
	await page.keyboard.type('nowhere');
	await expect(page.getByText('Nothing is called “nowhere”.')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(finds).toHaveText('position 11');
	await expect(finds).toBeFocused();

	// A form tells what is wrong where it is, and takes what is right.
	const line = page.getByRole('region', { name: 'Paper' }).getByLabel(/^One line/);
	await line.press('Enter');
	await expect(page.getByText('Give it a title.')).toBeVisible();
	await expect(line).toBeFocused();
	await line.fill('Drill Rig');
	await line.press('Enter');
	await expect(line).toHaveValue('');
	await expect(page.getByRole('region', { name: 'Stage' }).getByLabel('Title')).toHaveValue(
		'Drill Rig'
	);

	// What a small control does is told to keys and to a pointer that rests.
	const small = page.getByRole('region', { name: 'Paper' }).getByRole('button', { name: 'Delete' });
	await page.getByRole('region', { name: 'Paper' }).getByRole('button', { name: 'Unlock' }).focus();
	await small.hover();
	await expect(page.getByRole('tooltip')).toHaveText('Delete this take');
	await expect(small).toHaveAccessibleDescription('Delete this take');
	await page.keyboard.press('Escape');
	await expect(page.getByRole('tooltip')).toHaveCount(0);

	const toggle = page
		.getByRole('region', { name: 'Paper' })
		.getByRole('button', { name: 'Table view' });
	await expect(toggle).toHaveAttribute('aria-pressed', 'true');
	await toggle.press('Space');
	await expect(toggle).toHaveAttribute('aria-pressed', 'false');

	await page
		.getByRole('region', { name: 'Paper' })
		.getByRole('button', { name: 'A dialog' })
		.click();
	const dialog = page.getByRole('dialog', { name: 'A dialog' });
	await expect(dialog).toBeVisible();
	await expectAccessible(page);
	await page.keyboard.press('Escape');
	await expect(dialog).toHaveCount(0);

	const share = page.getByRole('region', { name: 'Stage' }).getByRole('slider');
	await share.focus();
	await page.keyboard.press('ArrowRight');
	await expect(share).toHaveAttribute('aria-valuetext', '41 %');
});

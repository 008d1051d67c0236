import { expect, test } from './test';
import { editorOf, expectAccessible, newTune, typeChart, visit } from './helpers';

// The whole job is done by mouse in the light theme and by keys in the dark one.
for (const theme of ['light'] as const) {
	test.describe(`the player’s job by mouse, ${theme}`, () => {
		test.use({ colorScheme: theme });

		test('from the notebook to the chart', async ({ page }) => {
			await visit(page, '/');
			await expect(page.getByRole('heading', { name: 'Thursday on the Corvane' })).toBeVisible();
			for (const title of [
				...['Tin Roof Ferry', 'Nettle Tea', 'Two Harbours', 'Glass Buoy', 'Ladder to the Lamp'],
				...['Rope and Tar', 'Marsh Waltz', 'Pylon Song']
			]) {
				await expect(page.getByRole('link', { name: title, exact: true }).first()).toBeVisible();
			}

			await page.getByRole('link', { name: 'Tin Roof Ferry', exact: true }).first().click();
			await expect(page.getByRole('heading', { level: 1 })).toContainText('Home is B♭ blues');
		});

		test('change a chord, meet a wrong one, take the suggestion, save, reload', async ({
			page,
			request
		}) => {
			const tune = await newTune(request);
			await visit(page, `/tunes/${tune.id}/chart`);
			const bar8 = page.locator('[data-part="row"] [data-part="bar"]', {
				has: page.locator('[data-part="number"]', { hasText: /^8$/ })
			});
			await expect(bar8).toContainText('V7alt/ii');
			await bar8.getByRole('button').click();
			await page.keyboard.press('ControlOrMeta+Shift+ArrowLeft');
			await page.keyboard.type('G7atl');
			await page.keyboard.press('Escape');
			await expect(page.getByRole('heading', { level: 1 })).toContainText(
				'One thing does not read'
			);
			await expect(page.locator('.cm-unread')).toHaveText('G7atl');
			await expect(page.locator('.cm-message')).toContainText('“G7atl” is not a chord I can read.');
			await expect(page.locator('.cm-message')).toContainText('Line 9, column 23.');
			await expect(bar8).toContainText('not read');
			await expectAccessible(page);
			// Everything else keeps working.
			await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(8)).toContainText('C');
			await page.getByRole('button', { name: 'Use G7alt' }).click();
			await expect(page.getByRole('heading', { level: 1 })).toContainText('Every symbol reads');
			await page.locator('[data-part="row"] [data-part="bar"]').nth(1).getByRole('button').click();
			await page.keyboard.press('ControlOrMeta+Shift+ArrowLeft');
			await page.keyboard.type('Ebmaj7');
			await page.keyboard.press('Escape');
			await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(1)).toContainText(
				'maj7'
			);
			await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(1)).toContainText(
				'IVmaj7'
			);
			await page.getByRole('button', { name: 'Save' }).click();
			await expect(page.getByRole('status').first()).toHaveText('Saved');
			await page.reload();
			await expect(editorOf(page)).toContainText('Ebmaj7');
		});

		test('paste a chart of one’s own, save, reload', async ({ page, request }) => {
			const tune = await newTune(request);
			await visit(page, `/tunes/${tune.id}/chart`);
			await typeChart(
				page,
				'title: Low Water\nkey: A minor\n\n|: i | iv7 | V7/iv <iv | Am(maj9) :| x3'
			);
			await expect(page.locator('p[data-part="title"]')).toHaveText('Low Water');
			await expect(page.locator('[data-part="verdict"] p')).toContainText('12 bars');
			await expect(page.locator('[data-part="row"] [data-part="bar"]').nth(2)).toContainText('A7');
			await page.getByRole('button', { name: 'Save' }).click();
			await expect(page.getByRole('status').first()).toHaveText('Saved');
			await page.reload();
			await expect(editorOf(page)).toContainText('Am(maj9)');
		});

		test('choose a place by dragging the window and step through the chords', async ({
			page,
			request
		}) => {
			const tune = await newTune(request);
			await visit(page, `/tunes/${tune.id}/neck?position=6`);
			const slider = page.getByRole('slider', { name: 'Place of the hand' });
			await expect(slider).toHaveAttribute('aria-valuenow', '6');
			await expect(
				page.getByRole('gridcell', {
					name: 'string 3, fret 7, D, third of Bb7, now, not in the scale'
				})
			).toBeVisible();
			const box = await page.locator('svg', { has: slider }).boundingBox();
			if (!box) throw new Error('no neck');
			const at = (share: number) =>
				[box.x + box.width * share, box.y + box.height / 2 + 40] as const;
			await page.mouse.move(...at(0.45));
			await page.mouse.down();
			await page.mouse.move(...at(0.54), { steps: 6 });
			await page.mouse.up();
			await expect(slider).not.toHaveAttribute('aria-valuenow', '6');
			const there = Number(await slider.getAttribute('aria-valuenow'));
			expect(there).toBeGreaterThan(6);
			await expect(page).toHaveURL(new RegExp(`position=${there}`));
			await page.getByRole('button', { name: 'Edim7, bar 6, beat 1' }).click();
			await expect(page.getByRole('gridcell', { name: /of Edim7, now/ }).first()).toBeVisible();
			await expectAccessible(page);
		});

		test('plan, lock one, plan again, save, reload', async ({ page, request }) => {
			const tune = await newTune(request);
			await visit(page, `/tunes/${tune.id}/route?position=6`);
			await page.getByRole('button', { name: 'Plan', exact: false }).first().click();
			await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
			await expect(page.getByRole('button', { name: /^Target of bar/ }).first()).toBeVisible();
			await expect(page.locator('aside li').first()).toContainText('semitone');
			await expectAccessible(page);
			const places = page.locator('[data-part="landings"] button');
			const chosen = await places.nth(1).textContent();
			await places.nth(1).click();
			await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
			await page.locator('[data-part="made"]').click();
			await page.getByRole('radio', { name: /^Roots/ }).click();
			await page.getByRole('button', { name: 'Back to the change' }).click();
			await page.getByRole('button', { name: 'Plan', exact: false }).first().click();
			await expect(
				page.locator('[data-part="landings"] button[aria-pressed="true"]')
			).toContainText(chosen?.split('string')[0].trim() ?? 'nothing');
			await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
			await page.getByRole('button', { name: 'Save' }).click();
			await expect(page).toHaveURL(/route=[0-9a-f-]{36}/);
			const before = await page.getByRole('button', { name: /^Target of bar/ }).allTextContents();
			await page.reload();
			await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
			expect(await page.getByRole('button', { name: /^Target of bar/ }).allTextContents()).toEqual(
				before
			);
			await expect(page.getByRole('button', { name: 'Unlock' })).toBeVisible();
		});
	});
}

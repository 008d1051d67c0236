import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from './test';
import { choose, expectAccessible, go, newTune, visit } from './helpers';
import { start, stop } from './server';

test('the theme is chosen once and stays', async ({ page }) => {
	await visit(page, '/settings');
	await page.getByRole('radio', { name: /^Stage/ }).click();
	await expect(page.locator('html')).toHaveClass(/dark/);
	await visit(page, '/');
	await expect(page.locator('html')).toHaveClass(/dark/);
	await go(page, '/settings');
	await page.getByRole('radio', { name: /^Paper/ }).click();
	await expect(page.locator('html')).not.toHaveClass(/dark/);
});

test('marks show names or roles, by N or by the setting', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	const third = page.locator('[data-place="3-7"] text');
	await expect(third).toHaveText('D');
	await page.keyboard.press('n');
	await expect(third).toHaveText('3');
	await page.reload();
	await expect(third).toHaveText('3');
	await go(page, '/settings');
	await page.getByRole('radio', { name: /^Note names/ }).click();
	await go(page, `/tunes/${tune.id}/neck?position=6`);
	await expect(third).toHaveText('D');
});

test('plain names change what is shown and nothing else', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Flats\nkey: Db\n\n| Dbm | Ab |\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.getByRole('button', { name: /numerals or tones/ }).click();
	const bar = page.locator('[data-part="row"] [data-part="bar"]').first();
	await expect(bar).toContainText('F♭');
	await go(page, '/settings');
	await page.getByRole('switch', { name: /Plain names/ }).click();
	await go(page, `/tunes/${tune.id}/chart`);
	await expect(bar).toContainText('E');
	await expect(bar).not.toContainText('F♭');
	const answer = await request.post('/api/v1/analyze', { data: { chart: tune.chart } });
	expect((await answer.json()).chords[0].tones[1].name).toBe('Fb');
});

test('the neck turns over and round', async ({ page, request }) => {
	const tune = await newTune(request);
	const placeOf = async (place: string) => {
		const box = await page.locator(`[data-place="${place}"]`).boundingBox();
		if (!box) throw new Error(`no ${place}`);
		return box;
	};
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	expect((await placeOf('1-6')).y).toBeLessThan((await placeOf('6-6')).y);
	expect((await placeOf('3-6')).x).toBeLessThan((await placeOf('3-8')).x);
	await go(page, '/settings');
	await page.getByRole('switch', { name: /Thin string on top/ }).click();
	await page.getByRole('switch', { name: /Left-handed/ }).click();
	await go(page, `/tunes/${tune.id}/neck?position=6`);
	expect((await placeOf('1-6')).y).toBeGreaterThan((await placeOf('6-6')).y);
	expect((await placeOf('3-6')).x).toBeGreaterThan((await placeOf('3-8')).x);
	// The arrow keys follow the picture: right is toward the nut now.
	await page.keyboard.press('Shift');
	await page.locator('[data-place="3-8"]').focus();
	await page.keyboard.press('ArrowRight');
	await expect(page.locator('[data-place="3-7"]')).toBeFocused();
	await page.keyboard.press('ArrowUp');
	await expect(
		page.locator('[data-place="4-8"], [data-place="4-6"]').and(page.locator(':focus'))
	).toBeVisible();
});

test('help tells keys, marks, chart text and how to look after the hands', async ({ page }) => {
	await visit(page, '/');
	await page.keyboard.press('?');
	await expect(page).toHaveURL('/help');
	for (const name of ['Keys', 'Marks', 'Care', 'Chart text', 'Terms']) {
		await expect(page.getByRole('heading', { name, exact: true })).toBeVisible();
	}
	await expect(page.getByText(/Stop when anything hurts/)).toBeVisible();
});

test('the rail leads back to the tune that was open, with the hand where it was', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=9`);
	await page.keyboard.press(']');
	await expect(page).toHaveURL(/position=10/);
	await page.getByRole('link', { name: 'Help' }).click();
	// A key that is pressed while the page still comes goes to the screen that is left.
	await expect(page).toHaveURL('/help');
	await expect(page.getByText('colour says when, shape says what')).toBeVisible();
	await page.keyboard.press('3');
	await expect(page).toHaveURL(new RegExp(`/tunes/${tune.id}/route\\?position=10`));
	await expect(page.locator('dd', { hasText: 'Position 10' })).toBeVisible();
});

test('own instruments and scales are kept in the notebook', async ({ page, request }) => {
	await visit(page, '/settings');
	await page.getByRole('button', { name: 'Add an instrument' }).click();
	const form = page.locator('#instruments');
	await form.getByRole('button', { name: 'Keep it' }).click();
	await expect(form.getByText('Give it a name.')).toBeVisible();
	const name = `Harbour bass ${Date.now()}`;
	await form.getByRole('textbox', { name: 'Name' }).fill(name);
	await choose(form.getByRole('combobox', { name: 'Start from' }), /^Bass/);
	await form.getByRole('textbox', { name: /^Labels/ }).fill('E A D');
	await form.getByRole('button', { name: 'Keep it' }).click();
	await expect(form.getByText('This tuning has 4 strings')).toBeVisible();
	await form.getByRole('textbox', { name: /^Labels/ }).fill('IV III II I');
	await form.getByRole('spinbutton', { name: /^Nut to bridge/ }).fill('864');
	await expectAccessible(page);
	await form.getByRole('button', { name: 'Keep it' }).click();
	const row = form.locator('li', { hasText: name });
	await expect(row).toContainText('E1 A1 D2 G2 · 22 frets · 864 mm');
	await row.getByRole('button', { name: /^Change/ }).click();
	await form.getByRole('spinbutton', { name: 'Frets' }).fill('20');
	await form.getByRole('button', { name: 'Keep it' }).click();
	await expect(row).toContainText('20 frets');

	// Its tune is drawn with its strings.
	const tune = await newTune(request, 'title: Low\nkey: C\ntuning: bass\n\n| C | F |\n');
	await go(page, `/tunes/${tune.id}/neck?position=3`);
	await expect(page.getByRole('slider', { name: 'Place of the hand' })).toHaveAttribute(
		'aria-valuemax',
		'17'
	);
	await expect(page.locator('svg text', { hasText: /^IV$/ })).toBeVisible();

	await go(page, '/settings');
	await form.getByRole('button', { name: `Delete ${name}` }).click();
	await expect(row).toHaveCount(0);
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(row).toHaveCount(1);
	await form.getByRole('button', { name: `Delete ${name}` }).click();
	await expect(row).toHaveCount(0);

	const scales = page.locator('#scales');
	await scales.getByRole('textbox', { name: 'Name' }).fill('Lock gate');
	await scales.getByRole('textbox', { name: 'Degrees' }).fill('3 2 1');
	await scales.getByRole('button', { name: 'Add it' }).click();
	await expect(scales.getByText('Write degrees upward from 1')).toBeVisible();
	await scales.getByRole('textbox', { name: 'Degrees' }).fill('1 2 b3 5 6');
	await scales.getByRole('button', { name: 'Add it' }).click();
	await expect(scales.locator('li', { hasText: 'Lock gate' })).toContainText('1 2 ♭3 5 6');
	await go(page, `/tunes/${tune.id}/neck?position=3`);
	await page.getByRole('button', { name: /^Scale in use/ }).click();
	await choose(page.getByRole('combobox', { name: 'Scale' }), 'Lock gate');
	await expect(page.getByRole('button', { name: /^Scale in use: C Lock gate/ })).toBeVisible();
	await go(page, '/settings');
	await scales.getByRole('button', { name: 'Delete Lock gate' }).click();
	await expect(scales.locator('li', { hasText: 'Lock gate' })).toHaveCount(0);
});

test('the hand is kept in the notebook', async ({ page }) => {
	// A notebook of its own: with another hand every picture is another one.
	const server = await start(join(mkdtempSync(join(tmpdir(), 'arc-step-hand-')), 'data'));
	await visit(page, `${server.url}/settings`);
	await page.getByRole('radio', { name: /^Small/ }).click();
	const kept = async () => (await (await fetch(`${server.url}/api/v1/player`)).json()).handMm;
	await expect.poll(kept).toBe(85);
	await page.getByRole('spinbutton', { name: 'Or measured, mm' }).fill('20');
	await page.keyboard.press('Tab');
	await expect(page.getByText('From 60 to 180 mm.')).toBeVisible();
	await visit(page, `${server.url}/settings`);
	await expect(page.getByRole('radio', { name: /^Small/ })).toBeChecked();
	expect(await kept()).toBe(85);
	await stop(server);
});

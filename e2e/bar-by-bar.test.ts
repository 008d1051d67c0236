import { expect, test, type Page } from './test';
import { choose, expectAccessible, newTune, visit } from './helpers';

const TUNE = 'title: Slate Quay\nkey: A\ntempo: 92\n| A7 | D7 | A7 | % | D7 | % | A7 | E7 |\n';

const headline = (page: Page) => page.getByRole('heading', { level: 1 });
const row = (page: Page, name: 'Hand' | 'Scale') => page.getByRole('group', { name, exact: true });
const boxes = (page: Page, name: 'Hand' | 'Scale') => row(page, name).getByRole('button');

async function planned(page: Page, tune: { id: string }): Promise<void> {
	await visit(page, `/tunes/${tune.id}/route?position=5`);
	await page.keyboard.press('r');
	await expect(headline(page)).toHaveText('All 6 changes land.');
}

test('the hand goes elsewhere from a bar on, by keys, by its panel and by dragging', async ({
	page,
	request
}) => {
	const tune = await newTune(request, TUNE);
	await planned(page, tune);
	await expect(row(page, 'Hand')).toHaveCount(0);
	// The cursor is on the D7 of bar 2: four frets on from there.
	for (let i = 0; i < 4; i++) await page.keyboard.press('}');
	await expect(boxes(page, 'Hand')).toHaveText(['position 5', 'position 9']);
	await expect(boxes(page, 'Hand').nth(1)).toHaveAccessibleName('Hand, bars 2 to 8: position 9');
	// In the panel the same is said of every D7.
	await page.keyboard.press(';');
	await page.getByRole('button', { name: 'Position 9 for every D7' }).click();
	const turns = ['position 5', 'position 9', 'position 5', 'position 9'];
	await expect(boxes(page, 'Hand')).toHaveText(turns);
	await expectAccessible(page, '[data-part="rows"]');
	// The end of its first stretch is moved by an arrow, and dragged back.
	const end = row(page, 'Hand').getByRole('slider', { name: /^End of hand, bar 2/ });
	// Keys have come last, as when one tabs there.
	await page.keyboard.press('Shift');
	await end.focus();
	await page.keyboard.press('ArrowRight');
	await expect(boxes(page, 'Hand').nth(1)).toHaveAccessibleName('Hand, bars 2 to 3: position 9');
	const moved = row(page, 'Hand').getByRole('slider', { name: /^End of hand, bars 2 to 3/ });
	const from = await moved.boundingBox();
	const box = await boxes(page, 'Hand').nth(1).boundingBox();
	if (!from || !box) throw new Error('not drawn');
	await page.mouse.move(from.x + 8, from.y + 8);
	await page.mouse.down();
	await page.mouse.move(box.x + box.width / 2, from.y + 8, { steps: 4 });
	await page.mouse.up();
	await expect(boxes(page, 'Hand').nth(1)).toHaveAccessibleName('Hand, bar 2: position 9');
	// The landings lie where the hand is.
	const at = (fret: RegExp) =>
		page.getByRole('button', { name: new RegExp(`^Target of bar 2,.*${fret.source}`) });
	await expect(at(/fret (8|9|10|11|12|13)/)).toBeVisible();
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Route saved.')).toBeVisible();
	await page.goto('about:blank');
	await visit(page, `/tunes/${tune.id}/route`);
	await expect(boxes(page, 'Hand')).toHaveText(turns);
});

test('a bar takes a scale of its own, and the line lands while a chord goes on', async ({
	page,
	request
}) => {
	const tune = await newTune(request, TUNE);
	await planned(page, tune);
	await page.keyboard.press(';');
	await choose(page.getByLabel('The scale is'), 'D mixolydian');
	await expect(boxes(page, 'Scale')).toHaveText([/^A /, 'D mixolydian']);
	await page.getByRole('button', { name: 'This scale for every D7' }).click();
	await expect(boxes(page, 'Scale').first()).toHaveAccessibleName(/^Scale, bar 1: A /);
	await expect(boxes(page, 'Scale').nth(1)).toHaveAccessibleName('Scale, bar 2: D mixolydian');
	await page.keyboard.press('w');
	await page.getByRole('radio', { name: 'Every bar' }).click();
	await expect(headline(page)).toHaveText('All 8 changes land.');
	await page.getByRole('radio', { name: 'Every two' }).click();
	await expect(headline(page)).toHaveText('All 6 changes land.');
	await page.getByRole('radio', { name: 'Every bar' }).click();
	await choose(page.getByLabel('A landing comes'), 'on beat 4 of its bar');
	await expect(headline(page)).toHaveText('All 8 changes land.');
	await page.keyboard.press('w');
	await expect(page.getByRole('button', { name: /^Target of bar 2, beat 4:/ })).toBeVisible();
	await page.keyboard.press('w');
	await page.getByRole('checkbox', { name: /^Come home: land on A/ }).click();
	await expect(headline(page)).toHaveText('All 8 changes land.');
	await page.keyboard.press('w');
	await expect(page.getByRole('button', { name: /^Target of bar 2, beat 4: A,/ })).toBeVisible();
	// Saved and opened again it is the same; on another screen the chart has its six changes.
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Route saved.')).toBeVisible();
	await page.keyboard.press('2');
	await expect(page).toHaveURL(/\/neck/);
	await page.keyboard.press('3');
	await expect(headline(page)).toHaveText('All 8 changes land.');
	await page.goto('about:blank');
	await visit(page, `/tunes/${tune.id}/route`);
	await expect(headline(page)).toHaveText('All 8 changes land.');
	await expect(page.getByRole('button', { name: /^Target of bar 2, beat 4: A,/ })).toBeVisible();
});

import { expect, test, type APIRequestContext, type Page } from './test';
import { choose, expectAccessible, newTune, visit } from './helpers';

const notes = (page: Page) => page.locator('svg g[data-part="note"]');
/** Notes are told by their tick: half a bar of eighths on is 960. */
const note = (page: Page, tick: number) =>
	page.locator(`svg g[data-part="note"][data-tick="${tick}"]`);

async function plannedTune(page: Page, request: APIRequestContext): Promise<string> {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.keyboard.press('r');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
	return tune.id;
}

test('one key gives a line; notes are moved, taken out, added and brought back by keys', async ({
	page,
	request
}) => {
	await plannedTune(page, request);
	await expect(notes(page).first()).toBeVisible();
	await page.keyboard.press(',');
	await page.keyboard.press('e');
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	const picked = page.locator('svg g[data-part="note"][aria-pressed="true"]');
	await expect(picked).toHaveCount(1);
	const tick = Number(await picked.getAttribute('data-tick'));
	const before = await picked.getAttribute('aria-label');
	await page.keyboard.press('Shift+ArrowUp');
	await expect(picked).not.toHaveAttribute('aria-label', before ?? '');
	await expect(page.locator('svg text', { hasText: '· kept' })).toHaveCount(1);
	const count = await notes(page).count();
	await page.keyboard.press('Delete');
	await expect(notes(page)).toHaveCount(count - 1);
	await page.keyboard.press('i');
	await expect(notes(page)).toHaveCount(count);
	await expect(note(page, tick)).toHaveAttribute('aria-pressed', 'true');
	for (let i = 0; i < 3; i++) await page.keyboard.press('ControlOrMeta+z');
	await expect(note(page, tick)).toHaveAttribute('aria-label', before ?? '');
	await page.keyboard.press('Escape');
	await expect(picked).toHaveCount(0);
});

test('a note is dragged in pitch, and put on a place of the neck', async ({ page, request }) => {
	await plannedTune(page, request);
	const dragged = note(page, 720);
	await dragged.click();
	await expect(dragged).toHaveAttribute('aria-pressed', 'true');
	const before = await dragged.getAttribute('aria-label');
	const box = await dragged.locator('rect[data-part="reach"]').boundingBox();
	if (!box) throw new Error('the note is not drawn');
	const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
	await page.mouse.move(x, y);
	await page.mouse.down();
	await page.mouse.move(x, y - 26, { steps: 4 });
	await page.mouse.up();
	await expect(dragged).not.toHaveAttribute('aria-label', before ?? '');
	await page.getByRole('gridcell', { name: /^string 1, fret 6,/ }).click();
	await expect(dragged).toHaveAttribute('aria-label', /string 1, fret 6/);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
});

test('how the route is made: other notes, another way to arrive, kept ways, another take', async ({
	page,
	request
}) => {
	const id = await plannedTune(page, request);
	const line = () => notes(page).evaluateAll((all) => all.map((g) => g.getAttribute('aria-label')));
	const eighths = await line();
	await page.keyboard.press('t');
	await expect.poll(line).not.toEqual(eighths);
	await page.keyboard.press('w');
	await expect(page.getByRole('button', { name: 'Back to the change' })).toBeFocused();
	await expectAccessible(page);
	await page.getByRole('radio', { name: /^Alternate:/ }).click();
	await choose(page.getByRole('combobox', { name: 'IV takes' }), 'minor pentatonic');
	await expect.poll(line).not.toEqual(eighths);
	const minor = await line();
	await choose(page.getByRole('combobox', { name: 'IV takes' }), 'major pentatonic');
	await expect.poll(line).not.toEqual(minor);
	const major = await line();
	await page.getByLabel('Only these notes, landings too').check();
	await expect.poll(line).not.toEqual(major);
	await page.getByLabel('Only these notes, landings too').uncheck();
	await expect.poll(line).toEqual(major);
	await page.getByRole('radio', { name: /^One scale:/ }).click();
	await page.getByRole('radio', { name: 'Quarters' }).click();
	await page.getByRole('radio', { name: /^Steady/ }).click();
	await expect.poll(() => notes(page).count()).toBeLessThan(eighths.length);
	await page.getByLabel('Or one bar of your own').fill('x-x');
	await page.getByLabel('Or one bar of your own').press('Enter');
	await expect(page.getByText(/3 marks; a bar of this chart has 4/)).toBeVisible();
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Back to the change' }).click();
	const ways = page.locator('[data-part="arrive"] button');
	const other = ways.filter({ hasNot: page.locator('[data-part="dot"][data-on]') }).first();
	const name = (await other.locator('b').textContent()) ?? '';
	await other.click();
	await expect(page.locator('[data-part="arrive"] button[aria-pressed="true"] b')).toHaveText(name);
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Route saved.')).toBeVisible();
	const saved = await line();
	await page.goto('about:blank');
	await visit(page, `/tunes/${id}/route`);
	await expect.poll(line).toEqual(saved);
	await expect(page.locator('[data-part="arrive"] button[aria-pressed="true"] b')).toHaveText(name);
});

test('the judge finds what does not land, leads there and mends it with one key', async ({
	page,
	request
}) => {
	await plannedTune(page, request);
	// The landing of bar 2 goes up to a note that E♭7 does not have.
	await page.getByRole('button', { name: /^Target of bar 2,/ }).click();
	await page.keyboard.press('Shift+ArrowUp');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('12 of 13 changes land.');
	await page.keyboard.press('Escape');
	await page.keyboard.press('m');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
	await expect(page.getByRole('button', { name: /^Target of bar 2,/ })).toBeVisible();
});

test('the same route goes to the next key with one key', async ({ page, request }) => {
	const wrong: string[] = [];
	page.on('pageerror', (error) => wrong.push(error.message));
	await plannedTune(page, request);
	const frets = () =>
		notes(page).evaluateAll((all) =>
			all.map((g) => Number(/fret (\d+)/.exec(g.getAttribute('aria-label') ?? '')?.[1]))
		);
	const before = await frets();
	await page.keyboard.press('Shift+Period');
	await expect(page.locator('dd', { hasText: 'Position 11' })).toBeVisible();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
	await expect.poll(frets).toEqual(before.map((fret) => fret + 5));
	expect(wrong).toEqual([]);
});

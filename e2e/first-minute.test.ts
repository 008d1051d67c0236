import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { visit } from './helpers';
import { start, stop, type Running } from './server';
import { expect, showLess, test } from './test';

/** An empty notebook of the test's own. */
let data = '';
let server: Running;
test.describe.configure({ mode: 'serial' });
test.beforeAll(async () => {
	data = mkdtempSync(join(tmpdir(), 'arc-step-first-'));
	server = await start(data);
});
test.afterAll(async () => {
	await stop(server);
	rmSync(data, { recursive: true, force: true });
});

const head = { level: 1 } as const;

test('an empty notebook offers four ways to begin; the demo comes and goes with one button', async ({
	page
}) => {
	await showLess(page);
	await visit(page, `${server.url}/`);
	await expect(page.getByRole('heading', head)).toHaveText('An empty notebook.');
	for (const way of ['Write a chart', 'Take a form', 'Bring a file'])
		await expect(page.getByRole('button', { name: way })).toBeVisible();
	await page.getByRole('button', { name: 'Look at the demo' }).click();
	await expect(page.getByRole('link', { name: 'Tin Roof Ferry', exact: true })).toBeVisible();
	// A beginner sees less of each tune; one key shows the rest, and it stays.
	const tempo = page.getByRole('columnheader', { name: 'Tempo, clean' });
	await expect(tempo).toBeHidden();
	await page.keyboard.press('z');
	await expect(tempo).toBeVisible();

	await page.getByRole('button', { name: 'Take the demo away' }).click();
	await expect(page.getByRole('heading', head)).toHaveText('An empty notebook.');
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(page.getByRole('link', { name: 'Pylon Song', exact: true })).toBeVisible();
	await page.getByRole('button', { name: 'Take the demo away' }).click();
	await expect(page.getByRole('heading', head)).toHaveText('An empty notebook.');
});

test('C, then typing, writes chords; the route is there with the third key', async ({ page }) => {
	await showLess(page);
	await visit(page, `${server.url}/`);
	// Nothing is waited for: what is typed on the way to the editor stands in it.
	await page.keyboard.press('c');
	await page.keyboard.type('| Cm7 | F7 | Bbmaj7 | Ebmaj7 | Am7b5 | D7 | Gm6 | G7 |');
	const bars = page.getByRole('group', { name: 'Bars' }).getByRole('button');
	await expect(bars).toHaveCount(8);
	await expect(page).toHaveURL(/\/chart/);
	await expect(page.getByRole('heading', head)).toContainText('Every symbol reads.');
	await expect(page.locator('[data-part="first"]')).toBeVisible();

	await page.keyboard.press('Escape');
	await page.keyboard.press('3');
	await expect(page.getByRole('heading', head)).toHaveText('All 8 changes land.');
	await expect(page.locator('[data-part="verdict"]')).toContainText(
		/Position \d+ lies best: it is planned there\./
	);
	const notes = page.locator('[data-part="note"]');
	expect(await notes.count()).toBeGreaterThan(3);
	await expect(page.locator('[data-part="where"]')).toContainText('Change 2 of 8');

	// Another place plans by itself, and the strip is never empty on the way.
	const place = page.locator('svg[aria-label^="Neck, position"]');
	const before = await place.getAttribute('aria-label');
	const fewest = page.evaluate(
		() =>
			new Promise<number>((done) => {
				let few = Infinity;
				const look = (left: number) => {
					few = Math.min(few, document.querySelectorAll('[data-part="note"]').length);
					if (left > 0) requestAnimationFrame(() => look(left - 1));
					else done(few);
				};
				look(90);
			})
	);
	await page.keyboard.press(']');
	expect(await fewest).toBeGreaterThan(0);
	await expect(place).not.toHaveAttribute('aria-label', before ?? '');
	await expect(page.getByRole('heading', head)).toContainText('land');
	await page.keyboard.press('Control+s');
	await expect(page.getByText('Route saved.')).toBeVisible();

	// The neck opens on the first change of what was typed.
	await page.keyboard.press('2');
	const chords = page.getByRole('group', { name: /^Chords, bars/ });
	await expect(chords.locator('[data-tense="now"]')).toHaveAttribute('aria-label', /^Cm7/);
	await chords.getByRole('button', { name: /^Bbmaj7/ }).click();
	await expect(chords.locator('[data-tense="now"]')).toHaveAttribute('aria-label', /^Bbmaj7/);
	await expect(chords.locator('[data-tense="next"]')).toHaveAttribute('aria-label', /^Ebmaj7/);
	await chords.getByRole('button', { name: /^Cm7/ }).click();
	await expect(chords.locator('[data-tense="now"]')).toHaveAttribute('aria-label', /^Cm7/);
});

test('the tune is asked for its name; a chart that changes plans its route again by itself', async ({
	page
}) => {
	await visit(page, `${server.url}/`);
	await page.getByRole('link', { name: 'Untitled tune', exact: true }).click();
	await page.getByLabel('What is it called?').fill('Larch Hollow');
	await page.keyboard.press('Enter');
	await expect(page.getByLabel('What is it called?')).toBeHidden();
	await expect(page.locator('[data-part="title"]')).toHaveText('Larch Hollow');
	// The focus is back in the text, at its end.
	await page.keyboard.type(' A7 |');
	await expect(page.getByRole('group', { name: 'Bars' }).getByRole('button')).toHaveCount(9);

	await page.keyboard.press('Escape');
	await page.keyboard.press('3');
	await expect(page.locator('[data-part="verdict"]')).toContainText(
		'The chart has changed: this is planned anew.'
	);
	await expect(page.getByRole('heading', head)).toContainText('9 changes land');
	await page.keyboard.press('r');
	await expect(page.locator('[data-part="verdict"]')).not.toContainText('The chart has changed');
	expect(await page.locator('[data-part="note"]').count()).toBeGreaterThan(3);
});

test('a form, or a chart that is pasted, is as good a beginning', async ({ page }) => {
	await visit(page, `${server.url}/`);
	await page.keyboard.press('c');
	await expect(page.locator('.cm-content')).toBeFocused();
	await page.keyboard.insertText('title: Wren\nkey: Em\n\n| Em7 | A7 | Dmaj7 | B7b9 |\n');
	await expect(page.getByRole('group', { name: 'Bars' }).getByRole('button')).toHaveCount(4);
	await expect(page.getByLabel('What is it called?')).toBeHidden();
	await page.keyboard.press('Control+s');
	await expect(page.getByText('Saved.', { exact: true })).toBeVisible();
});

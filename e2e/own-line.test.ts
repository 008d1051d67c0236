import { expect, test, type APIRequestContext, type Page } from './test';
import { choose, expectAccessible, newTune, visit } from './helpers';

const headline = (page: Page) => page.getByRole('heading', { level: 1 });
const notes = (page: Page) => page.locator('svg g[data-part="note"]');

async function plannedTune(page: Page, request: APIRequestContext): Promise<string> {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.keyboard.press('r');
	await expect(headline(page)).toHaveText('All 13 changes land.');
	return tune.id;
}

const OWN = [
	'e|------------------------|',
	'B|------6--9--------------|',
	'G|7-----------8--7--8-----|',
	'D|------------------------|',
	'A|------------------------|',
	'E|------------------------|'
].join('\n');

test('a line of the player’s own is typed as tab, judged while it is typed, and kept', async ({
	page,
	request
}) => {
	const id = await plannedTune(page, request);
	await page.keyboard.press('o');
	const dialog = page.getByRole('dialog', { name: 'Your own line' });
	const area = dialog.getByLabel('Your line as tab');
	await expect(area).toHaveValue(/e\|.*\nB\|/);
	await expectAccessible(page, '[role="dialog"]');
	await area.fill(OWN.replace('9--', '25-'));
	await expect(dialog.getByText(/Fret 25 is not on this instrument/)).toBeVisible();
	await dialog.getByRole('button', { name: 'line 2, column 12' }).click();
	await expect(area).toBeFocused();
	await expect(dialog.getByRole('button', { name: 'Put it on the strip' })).toBeDisabled();
	await dialog.getByLabel('begins in bar').fill('2');
	await dialog.getByLabel('begins in bar').press('Tab');
	await area.fill(OWN);
	// D is no tone of the E♭7 in bar 2, but E♭ follows too late.
	await expect(dialog.getByText('12 of 13', { exact: false })).toBeVisible();
	await dialog.getByRole('button', { name: 'Put it on the strip' }).click();
	await expect(headline(page)).toHaveText('12 of 13 changes land.');
	await expect(page.locator('svg g[data-part="note"][data-tick="1920"]')).toHaveAttribute(
		'aria-label',
		/D, over E♭7, string 3, fret 7/
	);
	// The judge leads there and one key mends it; saved and opened again all is as it was.
	await page.keyboard.press('j');
	await page.keyboard.press('m');
	await expect(headline(page)).toHaveText('All 13 changes land.');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(headline(page)).toHaveText('12 of 13 changes land.');
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Route saved.')).toBeVisible();
	await page.goto('about:blank');
	await visit(page, `/tunes/${id}/route`);
	await expect(headline(page)).toHaveText('12 of 13 changes land.');
	await page.keyboard.press('o');
	await dialog.getByRole('radio', { name: 'Note names' }).click();
	await expect(dialog.getByLabel('Your line as note names')).toHaveValue(
		/\| D4 - F4 Ab4 Eb4 D4 Eb4 - \|/
	);
});

test('a line is written note by note on the neck and on the strip, by mouse and keys', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.keyboard.press('o');
	await page.getByRole('button', { name: 'Begin with an empty strip' }).click();
	await expect(headline(page)).toHaveText('0 of 13 changes land.');
	const next = page.getByText(/^Next: bar/);
	await expect(next).toHaveText('Next: bar 1, beat 1');
	await page.getByRole('gridcell', { name: /^string 3, fret 7,/ }).click();
	await expect(headline(page)).toHaveText('1 of 13 changes land.');
	await expect(next).toHaveText('Next: bar 1, beat 1.5');
	// From the place that has the focus, arrows go along the neck and Enter writes.
	await page.keyboard.press('ArrowUp');
	await page.keyboard.press('Enter');
	await page.keyboard.press('.');
	await page.keyboard.press('Enter');
	await expect(notes(page)).toHaveCount(2);
	await expect(next).toHaveText('Next: bar 1, beat 3');
	await page.keyboard.press('h');
	await expect(next).toHaveText('Next: bar 1, beat 3.5');
	await page.keyboard.press('Backspace');
	await expect(notes(page)).toHaveCount(1);
	const strip = page.getByRole('group', { name: /^Arc strip/ });
	const box = await strip.boundingBox();
	if (!box) throw new Error('no strip');
	await page.mouse.click(box.x + 0.2 * box.width, box.y + 130);
	await expect(notes(page)).toHaveCount(2);
	await page.keyboard.press('g');
	await expect(next).toHaveCount(0);
	await page.keyboard.press('j');
	await page.keyboard.press('m');
	await expect(headline(page)).toHaveText('2 of 13 changes land.');
});

test('the plan is shown as tab and in notation; a beat there is a note of the line', async ({
	page,
	request
}) => {
	const wrong: string[] = [];
	page.on('pageerror', (error) => wrong.push(error.message));
	await plannedTune(page, request);
	await page.keyboard.press('v');
	const tab = page.getByRole('region', { name: 'The plan as tab' });
	await expect(tab.locator('svg text', { hasText: /^7$/ }).first()).toBeVisible();
	await expect(tab.locator('[data-part="symbol"]')).toHaveCount(13);
	await expectAccessible(page, 'main');
	await page.keyboard.press('v');
	const score = page.getByRole('region', { name: 'The plan in notation and tab' });
	await expect(score.locator('[data-part="symbol"]', { hasText: 'Cm' }).first()).toBeVisible();
	await page.keyboard.press('e');
	await expect(score.locator('[data-part="pick"]')).toBeVisible();
	await score.locator('svg text', { hasText: /^8$/ }).first().click();
	await expect(page.getByRole('region', { name: 'The note that is picked' })).toContainText(
		'fret 8'
	);
	await page.keyboard.press('v');
	await expect(page.getByRole('group', { name: /^Arc strip/ })).toBeVisible();
	expect(wrong).toEqual([]);
});

test('fingers, rest, scales and places are the player’s to set', async ({ page, request }) => {
	await plannedTune(page, request);
	await page.keyboard.press('e');
	await page.keyboard.press('ArrowRight');
	const box = page.getByRole('region', { name: 'The note that is picked' });
	await box.getByRole('radio', { name: '4' }).click();
	await page.keyboard.press('Escape');
	await page.keyboard.press('t');
	await page.keyboard.press('ControlOrMeta+z');
	await page.keyboard.press('e');
	await page.keyboard.press('ArrowRight');
	await expect(box.getByRole('radio', { name: '4' })).toBeChecked();
	await page.keyboard.press('Escape');
	// Not this place: the landing goes elsewhere, and the list says what is left out.
	const landing = page.getByRole('button', { name: /^Target of bar 2,/ });
	const before = await landing.getAttribute('aria-label');
	const place = /string (\d), fret (\d+)/.exec(before ?? '');
	await page.locator('aside').getByRole('button', { name: 'Not this place' }).click();
	await expect(landing).not.toHaveAttribute('aria-label', before ?? '');
	await page.keyboard.press('w');
	await page
		.getByRole('button', { name: `string ${place?.[1]}, fret ${place?.[2]}: take in again` })
		.click();
	await page.getByRole('radio', { name: 'Alternate', exact: true }).click();
	await expect(page.locator('svg [data-part="stroke"]').first()).toBeAttached();
	await page.getByRole('button', { name: 'Back to the change' }).click();
	await expect(landing).toHaveAttribute('aria-label', before ?? '');
	await page.getByRole('tab', { name: 'Rest and scale' }).click();
	await page.getByRole('radio', { name: 'Rest', exact: true }).click();
	await expect(page.getByRole('radio', { name: 'Rest', exact: true })).toBeChecked();
	const scale = page.getByRole('combobox', { name: /^Notes over E♭7/ });
	await choose(scale, 2);
	await expectAccessible(page, 'aside');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(scale).toHaveText('as the route says');
});

test('other plans are weighed and taken; two routes stand beside each other', async ({
	page,
	request
}) => {
	const id = await plannedTune(page, request);
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Route saved.')).toBeVisible();
	await page.keyboard.press('b');
	const plans = page.getByRole('region', { name: 'Other plans' });
	await expect(plans.getByText('As it stands')).toBeVisible();
	await expectAccessible(page, 'aside');
	await plans.getByRole('button', { name: 'Take this plan' }).first().click();
	await expect(page.locator('svg [data-part="lock"]').first()).toBeAttached();
	await plans.getByRole('button', { name: 'Back to the change' }).click();
	await page.keyboard.press('c');
	const dialog = page.getByRole('dialog', { name: 'Two routes beside each other' });
	await expect(dialog.getByText(/of 13 landings (is|are) the same/)).toBeVisible();
	await expect(dialog.getByRole('row', { name: /chord tones on beats/ })).toContainText('%');
	await expectAccessible(page, '[role="dialog"]');
	await choose(dialog.getByRole('combobox', { name: /^Left / }), 1);
	await expect(dialog.getByText('13 of 13 landings are the same', { exact: false })).toBeVisible();
	await dialog.getByRole('button', { name: 'Close' }).click();
	await visit(page, `/tunes/${id}/route?position=6`);
});

test('the hand has a place of its own in one section', async ({ page, request }) => {
	const tune = await newTune(
		request,
		'key: Bb blues\n[Head]\n| Bb7 | Eb7 | Bb7 | % |\n[Tail]\n| Cm7 | F7 | Bb7 | F7 |\n'
	);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.keyboard.press('r');
	await expect(headline(page)).toHaveText('All 7 changes land.');
	await page.keyboard.press('w');
	await page.getByLabel('Position in Tail').fill('11');
	await page.getByLabel('Position in Tail').press('Enter');
	await page.getByRole('button', { name: 'Back to the change' }).click();
	await expect(page.getByRole('group', { name: 'Neck, position 6' })).toBeVisible();
	for (let i = 0; i < 3; i++) await page.keyboard.press('.');
	await expect(page.getByRole('group', { name: 'Neck, position 11' })).toBeVisible();
	// There the keys for the place move the section, not the route.
	await page.keyboard.press(']');
	await expect(page.getByRole('group', { name: 'Neck, position 12' })).toBeVisible();
	await page.keyboard.press(',');
	await page.keyboard.press(',');
	await expect(page.getByRole('group', { name: 'Neck, position 6' })).toBeVisible();
});

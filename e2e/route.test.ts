import { expect, test, type APIRequestContext, type Page } from './test';
import { newTune, visit } from './helpers';

const target = (page: Page, bar: number) =>
	page.getByRole('button', { name: new RegExp(`^Target of bar ${bar},`) });

async function newRoute(
	request: APIRequestContext,
	tuneId: string,
	over: Record<string, unknown> = {}
) {
	const response = await request.post(`/api/v1/tunes/${tuneId}/routes`, {
		data: {
			name: 'Position 6, guide tones',
			position: 6,
			style: 'guide-tones',
			anchors: { locks: [], letPass: [] },
			...over
		}
	});
	expect(response.status()).toBe(201);
	return response.json();
}

const verdict = (page: Page) => page.locator('[data-part="verdict"]');

test('a landing is chosen on the neck and locked there', async ({ page, request }) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id);
	await visit(page, `/tunes/${tune.id}/route`);
	await expect(page.locator('aside li').first()).toContainText('D♭, seventh');
	await page.getByRole('gridcell', { name: /^string 2, fret 8, G, third of Eb7, next/ }).click();
	await expect(page.locator('[data-part="landings"] button[aria-pressed="true"]')).toContainText(
		'G, third'
	);
	await expect(page.locator('[data-part="landings"] button[aria-pressed="true"]')).toContainText(
		'You locked it.'
	);
	await expect(target(page, 2)).toHaveAccessibleName(/locked$/);
	await page.keyboard.press('l');
	await expect(page.locator('[data-part="landings"] button[aria-pressed="true"]')).toContainText(
		'D♭, seventh'
	);
});

test('reasons say what moves, how the hand goes and what the ear learns', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id);
	await visit(page, `/tunes/${tune.id}/route`);
	await page.keyboard.press('.');
	const chosen = page.locator('[data-part="landings"] button[aria-pressed="true"]');
	await expect(chosen).toContainText(
		'D♭ rises a semitone to D, the third of B♭7, same string, next fret.'
	);
	await expect(chosen).toContainText('E♭7 has no D: it tells the change at once.');
	await page.getByRole('button', { name: /more places/ }).click();
	expect(await page.locator('aside li').count()).toBeGreaterThan(8);
});

test('the verdict leads to the widest moves, the strip follows', async ({ page, request }) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id, { style: 'roots' });
	await visit(page, `/tunes/${tune.id}/route`);
	const jump = page.locator('[data-part="verdict"] button').first();
	const bar = Number(/\d+/.exec((await jump.textContent()) ?? '')?.[0] ?? 1);
	await jump.click();
	await expect(page.locator('[data-part="where"]')).toContainText(`bar ${bar}, beat`);
	await expect(target(page, bar).first()).toBeVisible();
});

test('moving the place re-plans, gives far locks up and can be undone', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id, {
		anchors: { locks: [{ bar: 1, beat: 1, pass: 1, string: 6, fret: 6 }], letPass: [] }
	});
	await visit(page, `/tunes/${tune.id}/route`);
	await expect(target(page, 1)).toHaveAccessibleName(/string 6, fret 6, locked$/);
	await page.keyboard.press(']');
	await page.keyboard.press(']');
	await expect(page.getByText('1 lock lay outside position 8 and is open again.')).toBeVisible();
	await expect(target(page, 1)).not.toHaveAccessibleName(/locked$/);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(target(page, 1)).toHaveAccessibleName(/string 6, fret 6, locked$/);
	await page.keyboard.press('ControlOrMeta+Shift+z');
	await expect(target(page, 1)).not.toHaveAccessibleName(/locked$/);
});

test('several routes of a tune: open, begin a new one, delete, bring back', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id, { name: 'First', position: 1, style: 'roots' });
	await newRoute(request, tune.id, { name: 'Second' });
	await visit(page, `/tunes/${tune.id}/route`);
	const menu = page.getByRole('button', { name: 'Second' });
	await menu.click();
	await page.getByRole('menuitem', { name: 'First' }).click();
	await expect(page.locator('dd', { hasText: 'Position 1' })).toBeVisible();
	await page.getByRole('button', { name: 'First' }).click();
	await page.getByRole('menuitem', { name: 'New route' }).click();
	// A new one is planned at once, where the hand is.
	await expect(verdict(page)).toContainText('Planned where the hand is, in position');
	await page.getByRole('button', { name: 'New route' }).click();
	await page.getByRole('menuitem', { name: 'Second' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
	await page.getByRole('button', { name: 'Second' }).click();
	await page.getByRole('menuitem', { name: 'Delete this route' }).click();
	await expect(verdict(page)).toContainText('Planned where the hand is, in position');
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(page.getByRole('button', { name: 'Second' })).toBeVisible();
});

test('two tabs on one route: the stale save asks first', async ({
	page: first,
	context,
	request
}) => {
	const tune = await newTune(request);
	const route = await newRoute(request, tune.id);
	const second = await context.newPage();
	for (const page of [first, second])
		await visit(page, `/tunes/${tune.id}/route?route=${route.id}`);
	await first.keyboard.press('w');
	await first.getByRole('radio', { name: /^Roots/ }).click();
	await first.keyboard.press('ControlOrMeta+s');
	await expect(first.getByText('Route saved.')).toBeVisible();
	await second.keyboard.press('w');
	await second.getByRole('radio', { name: /^Nearest/ }).click();
	await second.keyboard.press('ControlOrMeta+s');
	const dialog = second.getByRole('dialog');
	await expect(dialog.getByLabel('Saved meanwhile')).toHaveValue(/Roots/);
	await dialog.getByRole('button', { name: 'Keep mine' }).click();
	await expect(second.getByText('Route saved.')).toBeVisible();
	expect(await (await request.get(`/api/v1/routes/${route.id}`)).json()).toMatchObject({
		style: 'nearest',
		version: 3
	});
});

test('repeats: each pass of a bar has its own landing and its own lock', async ({
	page,
	request
}) => {
	const tune = await newTune(request, 'title: Twice\nkey: C\n[A x2]\n| C | F |\n');
	await visit(page, `/tunes/${tune.id}/route?position=8`);
	await page.keyboard.press('r');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 4 changes land.');
	await target(page, 3).click();
	await page.keyboard.press('a');
	await expect(target(page, 3)).toHaveAccessibleName(/locked$/);
	await expect(target(page, 1)).not.toHaveAccessibleName(/locked$/);
	await page.getByRole('button', { name: 'Save' }).click();
	await expect(page).toHaveURL(/route=[0-9a-f-]{36}/);
	const { routes } = await (await request.get(`/api/v1/tunes/${tune.id}/routes`)).json();
	const saved = await (await request.get(`/api/v1/routes/${routes[0].id}`)).json();
	expect(saved.anchors.locks).toMatchObject([{ bar: 1, beat: 1, pass: 2 }]);
});

test('a pushed chord lands early, on the strip and in the plan', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Push\nkey: F mixolydian\n| F9 | <Eb9 | F9 |\n');
	await newRoute(request, tune.id, { position: 8 });
	await visit(page, `/tunes/${tune.id}/route`);
	const box = await target(page, 2).boundingBox();
	const barline = await page.getByText('bar 2', { exact: false }).first().boundingBox();
	expect(box && barline && box.x < barline.x).toBe(true);
	const plan = await request.post('/api/v1/plan', {
		data: { chart: tune.chart, position: 8, style: 'roots', grid: 'targets' }
	});
	expect((await plan.json()).plans[0].targets.map((entry: { tick: number }) => entry.tick)).toEqual(
		[0, 1680, 3840]
	);
});

test('the place decides: another place is planned anew, the old plan is a step back', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await newRoute(request, tune.id);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await expect(page.getByRole('link', { name: 'Open the plan' })).toBeVisible();
	await page.keyboard.press(']');
	await page.getByRole('link', { name: 'Plan it here' }).click();
	await expect(verdict(page)).toContainText('Planned where the hand is, in position 7.');
	await expect(page.locator('dd', { hasText: 'Position 7' })).toBeVisible();
	await page.keyboard.press('2');
	await expect(page.getByRole('link', { name: 'Plan it here' })).toBeVisible();
	await page.keyboard.press('[');
	await expect(page).toHaveURL(/position=6/);
	await page.keyboard.press('3');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 13 changes land.');
});

test('leaving the screen loses no lock that is not saved yet', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route?position=6`);
	await page.keyboard.press('r');
	await expect(page.locator('aside li').first()).toBeVisible();
	await page.keyboard.press('l');
	await expect(target(page, 2)).toHaveAccessibleName(/locked$/);
	await page.keyboard.press('1');
	await expect(page).toHaveURL(/\/chart/);
	await page.keyboard.press('3');
	await expect(page).toHaveURL(/\/route/);
	await expect(target(page, 2)).toHaveAccessibleName(/locked$/);
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page).toHaveURL(/route=[0-9a-f-]{36}/);
	await page.reload();
	await expect(target(page, 2)).toHaveAccessibleName(/locked$/);
	await expect(page.getByRole('button', { name: 'Save' })).toBeDisabled();
});

test('a key pressed while the next screen loads still moves the hand', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await page.keyboard.press('3');
	await page.keyboard.press(']');
	await expect(page).toHaveURL(/\/route\?.*position=7/);
	await expect(page.locator('dd', { hasText: 'Position 7' })).toBeVisible();
});

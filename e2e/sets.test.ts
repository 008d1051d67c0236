import { randomUUID } from 'node:crypto';
import { expect, test, type APIRequestContext, type Locator, type Page } from './test';
import { expectAccessible, expectNoOverflow, newTune, visit } from './helpers';

type Named = { id: string; name: string; tuneIds: string[] };

/** Two tunes in a set of a test's own. */
async function ownSet(request: APIRequestContext, name: string) {
	const tunes = [];
	for (const part of ['first', 'second']) {
		tunes.push(await newTune(request, `title: ${name} ${part}\nkey: C\n| C | F | G7 | C |\n`));
	}
	const tuneIds = tunes.map(({ id }) => id);
	const response = await request.post('/api/v1/sets', { data: { name, tuneIds } });
	expect(response.status()).toBe(201);
	const set = (await response.json()) as Named;
	const order = async () =>
		((await (await request.get(`/api/v1/sets/${set.id}`)).json()) as Named).tuneIds;
	return { ...set, order };
}
async function setNamed(request: APIRequestContext, name: string): Promise<Named> {
	const { sets } = (await (await request.get('/api/v1/sets')).json()) as { sets: Named[] };
	const found = sets.find((set) => set.name === name);
	if (!found) throw new Error(`no set ${name}`);
	return found;
}
async function boxOf(at: Locator) {
	const box = await at.boundingBox();
	if (!box) throw new Error('not shown');
	return box;
}
const rowsOf = (page: Page, name: string) =>
	page
		.locator('section', { has: page.getByRole('heading', { name, exact: true }) })
		.locator('tbody tr');

test('a set is made, filled by dragging and keys, renamed, deleted and brought back', async ({
	page,
	request
}) => {
	// Names of this run’s own: a test that is tried again finds the sets of its first try.
	const mark = randomUUID().slice(0, 6);
	const [harbour, morning, noon] = ['Harbour', 'Morning', 'Noon'].map((name) => `${name} ${mark}`);
	const other = await ownSet(request, harbour);
	await visit(page, '/');
	await page.keyboard.press('s');
	const dialog = page.getByRole('dialog');
	await dialog.getByRole('button', { name: 'Make the set' }).click();
	await expect(dialog.getByRole('alert').first()).toContainText('Give the set a name');
	await dialog.getByLabel('Name').fill(morning);
	await dialog.getByLabel('Note').fill('before the boats');
	await expectAccessible(page, '[role="dialog"]');
	await dialog.getByLabel('Note').press('Enter');
	await expect(dialog).toBeHidden();
	const heading = page.getByRole('heading', { name: morning, exact: true });
	await expect(heading).toBeVisible();
	const quay = await setNamed(request, morning);
	const orderOf = async () =>
		((await (await request.get(`/api/v1/sets/${quay.id}`)).json()) as Named).tuneIds;

	// By the mouse out of one set into the other.
	const grip = rowsOf(page, harbour).first().locator('[data-part="grip"]');
	await grip.scrollIntoViewIfNeeded();
	await heading.scrollIntoViewIfNeeded();
	const from = await boxOf(grip);
	const target = page.locator(`[data-set="${quay.id}"]`);
	await page.mouse.move(from.x + 8, from.y + from.height / 2);
	await page.mouse.down();
	await page.mouse.move(from.x + 12, from.y + from.height / 2 + 8, { steps: 3 });
	await expect(page.locator('tr[data-carried]')).toBeVisible();
	// The list makes room as it goes along: the way is gone step by step.
	await expect(async () => {
		const to = await boxOf(target);
		await page.mouse.move(to.x + 60, to.y + to.height / 2 - 4, { steps: 4 });
		await page.mouse.move(to.x + 64, to.y + to.height / 2, { steps: 2 });
		await expect(target.locator('tr')).toHaveCount(1, { timeout: 400 });
	}).toPass();
	await page.mouse.up();
	await expect(page.getByText(`${harbour} first is moved.`)).toBeVisible();
	await expect.poll(orderOf).toEqual([other.tuneIds[0]]);
	await expect.poll(other.order).toEqual([other.tuneIds[1]]);
	await page.getByRole('button', { name: 'Put it back' }).click();
	await expect.poll(other.order).toEqual(other.tuneIds);
	await expect.poll(orderOf).toEqual([]);

	// By keys inside the set and over its end.
	await expect(rowsOf(page, harbour)).toHaveCount(2);
	await page.getByRole('link', { name: `${harbour} first`, exact: true }).focus();
	await page.keyboard.press('Alt+ArrowDown');
	await expect.poll(other.order).toEqual([...other.tuneIds].reverse());
	await expect(page.getByRole('link', { name: `${harbour} first`, exact: true })).toBeFocused();
	await page.keyboard.press('ArrowUp');
	await expect(page.getByRole('link', { name: `${harbour} second`, exact: true })).toBeFocused();

	await page.getByRole('button', { name: `Change ${morning}` }).click();
	await dialog.getByLabel('Name').fill(noon);
	await dialog.getByRole('button', { name: 'Save it' }).click();
	await expect(page.getByRole('heading', { name: noon })).toBeVisible();
	await page.getByRole('button', { name: `Change ${noon}` }).click();
	await dialog.getByRole('button', { name: /Delete the set/ }).click();
	await expect(page.getByRole('heading', { name: noon })).toBeHidden();
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(page.getByRole('heading', { name: noon })).toBeVisible();
	await expectAccessible(page);
});

test('tunes are found while typing, by words and by chords in any key', async ({
	page,
	request
}) => {
	await newTune(
		request,
		'title: Zinc Lantern\nkey: E major\n[A]\n| F#m7 | B7 | Emaj7 | % | // ask for the high verse\n'
	);
	await visit(page, '/');
	await page.keyboard.press('/');
	const field = page.getByRole('combobox', { name: 'Find tunes' });
	await expect(field).toBeFocused();
	const lantern = page.getByRole('link', { name: 'Zinc Lantern', exact: true });
	const row = page.locator('tr', { has: lantern });
	for (const [query, told] of [
		['zinc lant', ''],
		['F♯m7 B7', 'bar 1: F♯m7 B7'],
		['Gbm7 Cb7 Emaj7', 'bar 1: F♯m7 B7 Emaj7'],
		['ii7 V7 Imaj7', 'bar 1: F♯m7 B7 Emaj7'],
		['high verse', 'in the chart: ask for the high verse']
	]) {
		await field.fill(query);
		await expect(page).toHaveURL((url) => url.searchParams.get('q') === query);
		await expect(row).toBeVisible();
		await expect(row).toContainText(told);
		await expect(field).toBeFocused();
	}
	await expect(page.getByRole('link', { name: 'Pylon Song', exact: true })).toHaveCount(0);
	// The first of what is found stands under the field, and Enter opens it.
	await expect(page.getByRole('option', { name: /Zinc Lantern/ })).toBeVisible();
	await expectAccessible(page);
	await field.press('Enter');
	await expect(page).toHaveURL(/chart/);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Home is E/);
	await visit(page, '/');
	await page.keyboard.press('/');
	await field.fill('no such words anywhere');
	await expect(page.getByText('No tune has “no such words anywhere”')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(page).toHaveURL('/');
	await expect(page.getByRole('link', { name: 'Pylon Song', exact: true }).first()).toBeVisible();
	// Without scripts the address alone finds as well.
	await visit(page, '/?q=zinc');
	await expect(lantern).toBeVisible();
});

test('a set list is read at any size, and printed', async ({ page, request }) => {
	const demo = await setNamed(request, 'Thursday on the Corvane');
	await page.setViewportSize({ width: 390, height: 844 });
	await visit(page, `/sets/${demo.id}`);
	await expect(page.getByRole('heading', { level: 2 })).toHaveCount(8);
	const first = page.getByRole('listitem').first();
	await expect(first).toContainText('Tin Roof Ferry');
	await expect(first).toContainText('B♭ blues');
	await expect(first).toContainText('104');
	await expect(first).toContainText(/position 6\s+first D, 3 of B♭7: string 3, fret 7/);
	// The rail leads to the tune that was open, never to a set as if it were one.
	await expect(page.locator(`nav a[href*="${demo.id}"]`)).toHaveCount(0);
	for (const size of [
		{ width: 390, height: 844 },
		{ width: 820, height: 1180 },
		{ width: 1280, height: 800 }
	]) {
		await page.setViewportSize(size);
		await expectNoOverflow(page);
		await expect(first).toBeVisible();
		if (size.width !== 820) await expectAccessible(page);
	}
	await page.emulateMedia({ media: 'print' });
	await expect(page.getByRole('link', { name: 'Notebook' })).toHaveCount(0);
	await expect(first).toBeVisible();
});

test('sets answer by version and refuse what is no tune', async ({ request }) => {
	const set = await ownSet(request, 'Tide table');
	const [a, b] = set.tuneIds;
	const put = (data: unknown) => request.put(`/api/v1/sets/${set.id}`, { data });
	const body = { name: 'Tide table', note: '', tuneIds: [b, a], version: 1 };
	expect((await put(body)).status()).toBe(200);
	const stale = await put(body);
	expect(stale.status()).toBe(409);
	expect((await stale.json()).current).toMatchObject({ version: 2, tuneIds: [b, a] });
	const wrong = await put({ ...body, version: 2, tuneIds: [a, set.id] });
	expect(wrong.status()).toBe(422);
	expect((await wrong.json()).issues[0].path).toBe('tuneIds.1');
	expect((await request.delete(`/api/v1/sets/${set.id}`)).status()).toBe(204);
	expect((await request.get(`/api/v1/sets/${set.id}`)).status()).toBe(404);
	const back = await request.post(`/api/v1/sets/${set.id}/undelete`);
	expect(await back.json()).toMatchObject({ id: set.id, tuneIds: [b, a], version: 2 });
	expect((await request.post(`/api/v1/sets/${set.id}/undelete`)).status()).toBe(404);
	for (const q of ['', 'x'.repeat(201)]) {
		expect((await request.get('/api/v1/search', { params: { q } })).status()).toBe(422);
	}
});

import { expect, test } from './test';
import { editorOf, newTune, typeChart, visit } from './helpers';

test('two tabs: the stale save shows both texts and loses neither', async ({
	page: first,
	context,
	request
}) => {
	const tune = await newTune(request);
	const second = await context.newPage();
	await visit(first, `/tunes/${tune.id}/chart`);
	await visit(second, `/tunes/${tune.id}/chart`);
	await typeChart(first, 'title: First\n| C |');
	await first.keyboard.press('ControlOrMeta+s');
	await expect(first.getByRole('status').first()).toHaveText('Saved');
	await typeChart(second, 'title: Second\n| G |');
	await second.keyboard.press('ControlOrMeta+s');
	const dialog = second.getByRole('dialog');
	await expect(dialog.getByLabel('Yours')).toHaveValue('title: Second\n| G |');
	await expect(dialog.getByLabel('Saved meanwhile')).toHaveValue('title: First\n| C |');
	await dialog.getByRole('button', { name: 'Take the saved one' }).click();
	await expect(editorOf(second)).toContainText('First');
	// One's own text is an undo away, and can be kept after all.
	await editorOf(second).click();
	await second.keyboard.press('ControlOrMeta+z');
	await expect(editorOf(second)).toContainText('Second');
	await second.keyboard.press('ControlOrMeta+s');
	await expect(second.getByRole('status').first()).toHaveText('Saved');
	const now = await (await request.get(`/api/v1/tunes/${tune.id}`)).json();
	expect(now).toMatchObject({ title: 'Second', version: 3 });
});

test('text that does not read is saved as it is, and leaving saves', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	const odd = 'title: Odd\n\nno bars here\n| ??? | C |\n';
	await typeChart(page, odd);
	await expect(page.locator('.cm-message')).toHaveCount(2);
	await page.getByRole('link', { name: 'Neck' }).click();
	await expect(page).toHaveURL(/\/neck/);
	expect((await (await request.get(`/api/v1/tunes/${tune.id}`)).json()).chart).toBe(odd);
});

test('unsaved text survives a closed page', async ({ page, context, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await typeChart(page, 'title: Nearly lost\n| Am |');
	await expect(page.getByRole('status').first()).toHaveText('Not saved yet');
	await page.close();
	const again = await context.newPage();
	await visit(again, `/tunes/${tune.id}/chart`);
	await expect(editorOf(again)).toContainText('Nearly lost');
});

test('an oversized chart is refused with a message and stays in the editor', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await typeChart(page, `| C |\n// ${'x'.repeat(66_000)}`);
	await page.keyboard.press('ControlOrMeta+Home');
	await expect(page.locator('.cm-message').first()).toContainText('at most 64 KiB');
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText(/at most 64 KiB can be saved/)).toBeVisible();
	await expect(page.getByRole('status').first()).toHaveText('Not saved yet');
});

test('transposing moves the text and one undo leads back', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await editorOf(page).waitFor();
	await page
		.getByRole('group', { name: 'Transpose the chart to' })
		.getByRole('button', { name: 'C', exact: true })
		.click();
	await expect(editorOf(page)).toContainText('key: C blues');
	await expect(editorOf(page)).toContainText('F#dim7');
	await editorOf(page).click();
	await page.keyboard.press('ControlOrMeta+z');
	await expect(editorOf(page)).toContainText('key: Bb blues');
});

test('an edited chart asks to plan again and keeps the locks that still stand', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	const created = await request.post(`/api/v1/tunes/${tune.id}/routes`, {
		data: {
			name: 'Mine',
			position: 6,
			style: 'nearest',
			anchors: { locks: [{ bar: 9, beat: 1, pass: 1, string: 2, fret: 8 }], letPass: [] }
		}
	});
	const route = await created.json();
	await request.put(`/api/v1/tunes/${tune.id}`, {
		data: { chart: tune.chart.replace('| Bb7 | Eb7 |', '| Bb7 Dm7 | Eb7 |'), version: 1 }
	});
	await visit(page, `/tunes/${tune.id}/route?route=${route.id}`);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('The chart has changed since.');
	await page.getByRole('button', { name: 'Plan again' }).click();
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('All 14 changes land.');
	await page.getByRole('button', { name: 'Table' }).click();
	await expect(page.getByRole('row', { name: /^9 Cm7 G, 5, locked 2, 8/ })).toBeVisible();
});

test('the page never blocks while a long chart is planned', async ({ page, request }) => {
	test.slow();
	const bar = '| Cm7 F7 Bb7 Eb7 | Am7b5 D7alt Gm6 G7 ';
	const tune = await newTune(
		request,
		`title: Long\nkey: Bb\n[A x4]\n${`${bar.repeat(4)}|\n`.repeat(30)}`
	);
	await visit(page, `/tunes/${tune.id}/route`);
	await page.evaluate(() => {
		const seen = globalThis as { drawn?: number };
		seen.drawn = 0;
		const tick = () => {
			seen.drawn = (seen.drawn ?? 0) + 1;
			requestAnimationFrame(tick);
		};
		requestAnimationFrame(tick);
	});
	await page.keyboard.press('r');
	await page.getByRole('heading', { name: 'All 3840 changes land.' }).waitFor();
	// The page drew itself all the while: planned beside it, a long chart takes many frames.
	const drawn = await page.evaluate(() => (globalThis as { drawn?: number }).drawn);
	expect(drawn).toBeGreaterThan(20);
});

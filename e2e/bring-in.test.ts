import { expect, test, type Page } from './test';
import {
	backupOf,
	editorOf,
	expectAccessible,
	expectNoOverflow,
	FERRY,
	made,
	newTune,
	typeChart,
	visit
} from './helpers';

type Dropped = { name: string; text: string };

/** Drops files onto the page, as from a folder beside it. */
const drop = (page: Page, files: readonly Dropped[]) =>
	page.evaluate((list) => {
		const data = new DataTransfer();
		for (const { name, text } of list) data.items.add(new File([text], name));
		const how = { dataTransfer: data, bubbles: true, cancelable: true };
		for (const kind of ['dragenter', 'dragover', 'drop']) {
			document.body.dispatchEvent(new DragEvent(kind, how));
		}
	}, files as Dropped[]);

const WORDS = 'Quay Song\n\n[Verse]\nEm    G\nout upon the quay\n';

test('files dropped anywhere are shown, kept and taken back', async ({ page, request }) => {
	await visit(page, '/log');
	await drop(page, [
		{ name: 'quay.txt', text: WORDS },
		{ name: 'ferry.txt', text: FERRY.replace('Tin Roof Ferry', 'Dropped Ferry') },
		{ name: 'broken.mid', text: 'no music' },
		{ name: 'take.wav', text: 'no sound' }
	]);
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByText('2 bars, 2 changes')).toBeVisible();
	await expect(dialog.getByText('One line of words is left out.')).toBeVisible();
	await expect(dialog.getByText('The file is no MIDI file, or it is damaged.')).toBeVisible();
	await expect(dialog.getByText('A recording is judged on the Drill screen')).toBeVisible();
	const before = (await (await request.get('/api/v1/tunes')).json()).tunes;
	expect(before.map(({ title }: { title: string }) => title)).not.toContain('Quay Song');
	await expectAccessible(page, '[role="dialog"]');
	await page.setViewportSize({ width: 390, height: 844 });
	await expectNoOverflow(page);
	await page.setViewportSize({ width: 1280, height: 800 });
	// One of the two is left out, the other kept with Enter.
	await dialog.getByRole('checkbox', { name: 'ferry.txt' }).uncheck();
	await dialog.getByRole('button', { name: 'Keep it' }).press('Enter');
	await expect(page.getByText('In the notebook: 1 tune.')).toBeVisible();
	const titles = async () =>
		(await (await request.get('/api/v1/tunes')).json()).tunes.map(
			({ title }: { title: string }) => title
		);
	expect(await titles()).toContain('Quay Song');
	expect(await titles()).not.toContain('Dropped Ferry');
	await page.keyboard.press('Escape');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect.poll(titles).not.toContain('Quay Song');
});

test('a line dropped onto its tune becomes a route of it', async ({ page, request }) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/route`);
	const rows = ['e|---------|', 'B|-6---9---|', ...Array.from('GDAE', (s) => `${s}|---------|`)];
	await drop(page, [{ name: 'my riff.tab', text: rows.join('\n') }]);
	await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
	await expect(page.getByText('In the notebook: 1 route.')).toBeVisible();
	const { routes } = await (await request.get(`/api/v1/tunes/${tune.id}/routes`)).json();
	expect(routes.map(({ name }: { name: string }) => name)).toEqual(['my riff']);
});

test('a chart dropped onto the chart of another tune opens beside it, never in it', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/chart`);
	await expect(editorOf(page)).toContainText('Tin Roof Ferry');
	await drop(page, [{ name: 'slip.txt', text: 'title: Slip and Chain\n\n| Am7 | D7 |\n' }]);
	await page.getByRole('dialog').getByRole('button', { name: 'Keep it' }).click();
	await expect(page).not.toHaveURL(new RegExp(tune.id));
	await expect(editorOf(page)).toContainText('Slip and Chain');
	await typeChart(page, 'title: Slip and Chain\n\n| Am7 | D7 | Gmaj7 |\n');
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByRole('status').first()).toHaveText('Saved');
	const chartOf = async (id: string) =>
		(await (await request.get(`/api/v1/tunes/${id}`)).json()).chart as string;
	const kept = /tunes\/([^/]+)/.exec(page.url())?.[1] ?? '';
	made.push(kept);
	expect(await chartOf(kept)).toContain('Gmaj7');
	expect(await chartOf(tune.id)).toBe(tune.chart);
	// And back: each screen shows what the tune in the address has.
	await page.goBack();
	await expect(editorOf(page)).toContainText('Tin Roof Ferry');
});

test('a backup is shown before it is restored', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Kept Safe\n| C |\n');
	const backup = JSON.stringify(await backupOf(request, tune.id));
	await visit(page, '/settings');
	await page.locator('input[type=file]').setInputFiles({
		name: 'notebook.json',
		mimeType: 'application/json',
		buffer: Buffer.from(backup)
	});
	const dialog = page.getByRole('dialog', { name: 'Restore a notebook' });
	await expect(dialog.getByRole('row', { name: /^tunes 0 0 1 0/ })).toBeVisible();
	await expectAccessible(page, '[role="dialog"]');
	await dialog.getByRole('radio', { name: 'Replace' }).click();
	await expect(dialog.getByText('What is in it alone is gone')).toBeVisible();
	await dialog.getByRole('radio', { name: 'Merge' }).click();
	await dialog.getByRole('button', { name: 'Merge', exact: true }).click();
	await expect(page.getByText('The notebook is restored.')).toBeVisible();
});

test('files are chosen with a key on the notebook', async ({ page }) => {
	await visit(page, '/');
	const file = { name: 'quay.txt', mimeType: 'text/plain', buffer: Buffer.from(WORDS) };
	// The browser is asked to hand over its chooser while the key is on its way: the key may come first.
	await expect(async () => {
		const chooser = page.waitForEvent('filechooser', { timeout: 10_000 });
		await page.keyboard.press('i');
		await (await chooser).setFiles(file);
	}).toPass();
	const dialog = page.getByRole('dialog');
	await expect(dialog.getByText('Quay Song')).toBeVisible();
	await dialog.getByRole('button', { name: 'Leave it' }).click();
	await expect(dialog).toBeHidden();
});

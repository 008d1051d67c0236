import { expect, test, violations } from './test';
import { expectAccessible, expectNoOverflow, go, newTune, visit } from './helpers';

const SIZES = {
	phone: { width: 390, height: 844 },
	tablet: { width: 820, height: 1180 },
	desk: { width: 1280, height: 800 }
};
const NOTEBOOK = [
	'/',
	'/log',
	'/settings',
	'/help',
	'/tunes/00000000-0000-4000-8000-000000000000/chart'
];
const TUNE = [
	...['chart', 'neck', 'route', 'phrase', 'drill', 'sheet'].map((screen) => `ferry/${screen}`),
	'waltz/route'
];

for (const [what, screens] of [
	['the notebook', NOTEBOOK],
	['a tune', TUNE]
] as const) {
	test(`every screen of ${what} at every size, in both themes, within its policy`, async ({
		page,
		request
	}) => {
		test.slow();
		const broken = await violations(page);
		const { tunes } = await (await request.get('/api/v1/tunes')).json();
		const called = (name: string) =>
			tunes.find(({ title }: { title: string }) => title === name).id as string;
		for (const screen of screens) {
			const path = screen
				.replace('ferry', `/tunes/${called('Tin Roof Ferry')}`)
				.replace('waltz', `/tunes/${called('Marsh Waltz')}`);
			// Loaded in the hand, then laid down, then on the desk: each size is looked at once, the theme changes colours alone.
			await page.setViewportSize(SIZES.phone);
			await page.emulateMedia({ colorScheme: 'light' });
			await visit(page, path);
			const inline = await page.evaluate(() =>
				[...document.querySelectorAll('*')].flatMap((element) =>
					element.getAttributeNames().filter((name) => name.startsWith('on'))
				)
			);
			expect(inline, path).toEqual([]);
			await expectNoOverflow(page);
			// Colours are those of the desk.
			await expectAccessible(page, undefined, undefined, ['color-contrast']);
			// The tablet shows the phone's parts at the desk's sizes: axe has nothing new to see there.
			await page.setViewportSize(SIZES.tablet);
			await expectNoOverflow(page);
			await page.setViewportSize(SIZES.desk);
			await expectNoOverflow(page);
			// The others are looked at in this theme where they are used, with more on them than here.
			if (path === '/help') await expectAccessible(page, undefined, ['color-contrast']);
			await page.emulateMedia({ colorScheme: 'dark' });
			await expectAccessible(page, undefined, ['color-contrast']);
			expect(broken, path).toEqual([]);
		}
	});
}

test('a tune that does not exist says so and leads home', async ({ page }) => {
	for (const path of [
		'/tunes/no-such-tune/chart',
		'/tunes/00000000-0000-4000-8000-000000000000/neck'
	]) {
		const response = await page.goto(path);
		expect(response?.status()).toBe(404);
		await expect(page.getByRole('heading', { level: 1 })).toHaveText('There is no such tune.');
	}
	await page.getByRole('link', { name: 'Back to the notebook' }).click();
	await expect(page.getByRole('heading', { name: 'Thursday on the Corvane' })).toBeVisible();
});

test('a route that does not exist says so', async ({ page, request }) => {
	const tune = await newTune(request);
	const response = await page.goto(`/tunes/${tune.id}/route?route=nope`);
	expect(response?.status()).toBe(404);
});

test('a tune is made, deleted and brought back', async ({ page }) => {
	await visit(page, '/');
	await page.getByRole('button', { name: 'New tune' }).click();
	await expect(page).toHaveURL(/\/chart/);
	await visit(page, '/');
	const count = () => page.getByRole('link', { name: 'Untitled tune', exact: true }).count();
	const before = await count();
	await page.getByRole('button', { name: 'Delete Untitled tune' }).last().click();
	await expect.poll(count).toBeLessThan(before);
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect.poll(count).toBe(before);
});

test('an unplannable chart and an empty one teach what to do', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Silence\n\n| N.C. |\n');
	await visit(page, `/tunes/${tune.id}/neck`);
	await expect(page.getByRole('link', { name: 'Write the chart' })).toBeVisible();
	await go(page, `/tunes/${tune.id}/route`);
	await expect(page.getByRole('link', { name: 'Write the chart' })).toBeVisible();
	const vamp = await newTune(request, 'title: Vamp\n\n| Dm9 | % |\n');
	await go(page, `/tunes/${vamp.id}/route`);
	await page.keyboard.press('r');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText('The one change lands.');
});

test('an open tuning is drawn with its own notes', async ({ page, request }) => {
	const tune = await newTune(
		request,
		'title: Slide\nkey: D\ntuning: D2 A2 D3 F#3 A3 D4\n\n| D | G |\n'
	);
	await visit(page, `/tunes/${tune.id}/neck?position=1`);
	await expect(
		page.getByRole('gridcell', { name: 'string 1, open, D, root of D, now, fifth of G, next' })
	).toBeVisible();
});

test('odd instruments are drawn whole, at both ends of the neck', async ({ page, request }) => {
	test.slow();
	await visit(page, '/help');
	for (const header of [
		'tuning: bass',
		'tuning: E3 E3 E3 E3',
		'tuning: F#1 B1 E2 A2 D3 G3 B3 E4',
		'tuning: dadgad\ncapo: 12'
	]) {
		const tune = await newTune(
			request,
			`title: Odd\nkey: D\n${header}\n\n| D7 | Gm(maj7) | C#dim7 |\n`
		);
		await go(page, `/tunes/${tune.id}/neck?position=1`);
		await expect(page.getByRole('heading', { level: 1 })).toContainText('lies best');
		const slider = page.getByRole('slider', { name: 'Place of the hand' });
		const last = (await slider.getAttribute('aria-valuemax')) ?? '1';
		for (const key of ['s', 'd', 'b', 'h', 'l', 'v']) await page.keyboard.press(key);
		await slider.focus();
		await page.keyboard.press('End');
		await expect(slider).toHaveAttribute('aria-valuenow', last);
		for (const key of ['s', 'd', 'b', 'h', 'l', 'v', 'c']) await page.keyboard.press(key);
		await expect(page.getByRole('heading', { level: 1 })).toContainText(
			new RegExp(`in ${last}\\.|you are there`)
		);
		await expectNoOverflow(page);
	}
});

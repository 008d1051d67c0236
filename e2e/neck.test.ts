import { choose, expectAccessible, newTune, visit } from './helpers';
import { expect, type Page, test } from './test';

const weighed = (page: Page) =>
	expect(page.getByRole('heading', { level: 1 })).toContainText(/lies best/);
const figure = (page: Page) => page.locator('[data-part="figure"][role="img"]');

test('the places are weighed: verdict, strip and map agree', async ({ page, request }) => {
	const tune = await newTune(request);
	const { best, positions } = await (
		await request.post('/api/v1/coverage', { data: { chart: tune.chart, style: 'guide-tones' } })
	).json();
	const other = best === 6 ? 7 : 6;
	await visit(page, `/tunes/${tune.id}/neck?position=${other}`);
	await weighed(page);
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(
		`Position ${best} lies best. You are in ${other}.`
	);
	const scores = positions.map((entry: { score: number }) => entry.score);
	const rank = 1 + scores.filter((score: number) => score > scores[other - 1]).length;
	await expect(page.getByText(`Rank ${rank} of 19:`)).toBeVisible();
	await expect(
		page.getByRole('button', { name: `Position ${other}, rank ${rank} of 19` })
	).toHaveAttribute('aria-pressed', 'true');
	// The figures behind the map, for those who do not see it.
	const table = page.getByRole('table', { name: 'How each chord lies in each place' });
	await expect(table.getByRole('row')).toHaveCount(1 + 19);
	await expect(table.getByRole('columnheader')).toHaveCount(2 + 7);
	await page.keyboard.press('j');
	await expect(page.getByRole('heading', { level: 1 })).toHaveText(
		`Position ${best} lies best, and you are there.`
	);
});

test('a click in the map moves the hand; fields stand under their frets', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await weighed(page);
	const map = page.getByRole('img', { name: /How each chord lies in each place/ });
	await expect(map.locator('path, rect').nth(100)).toBeAttached();
	// What comes in above may still move the map while it is measured.
	await expect(async () => {
		const under = await page.locator('[data-place="3-8"]').boundingBox();
		const box = await map.boundingBox();
		if (!under || !box) throw new Error('no map');
		await page.mouse.click(under.x + under.width / 2, box.y + box.height / 2);
		await expect(page).toHaveURL(/position=8/, { timeout: 5_000 });
	}).toPass();
});

test('defaults show now, next and the scale; the rest is a key each', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Layers\nkey: C\n\n| C | G |\n');
	await visit(page, `/tunes/${tune.id}/neck?position=5`);
	const layers = page.getByRole('group', { name: 'What the neck shows' });
	for (const name of ['scale', 'now', 'next']) {
		await expect(layers.getByRole('button', { name })).toHaveAttribute('aria-pressed', 'true');
	}
	await expect(layers.getByRole('button', { name: 'fingers' })).toHaveAttribute(
		'aria-pressed',
		'false'
	);
	const dash = page.getByRole('gridcell', { name: 'string 2, fret 6, F, scale note, clash (11)' });
	await expect(dash).toBeVisible();
	await page.keyboard.press('a');
	await expect(dash).toHaveCount(0);
	await expect(page.getByRole('gridcell', { name: /G, next/ }).first()).toBeVisible();
	await page.keyboard.press('e');
	await expect(page.getByRole('gridcell', { name: /G, next/ })).toHaveCount(0);
	await page.keyboard.press('w');
	await expect(page.getByRole('gridcell')).toHaveCount(0);
	await page.keyboard.press('w');
	await expect(page.locator('[data-part="place"] [data-part="finger"]')).toHaveCount(0);
	await page.keyboard.press('g');
	await expect(page.locator('[data-place="3-5"] [data-part="finger"]')).toHaveText('1');
	// What was chosen stays.
	await page.reload();
	await expect(layers.getByRole('button', { name: 'next' })).toHaveAttribute(
		'aria-pressed',
		'false'
	);
});

test('shapes are stepped through by arrows and stand out on the neck', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await page.keyboard.press('s');
	const now = page.getByRole('radiogroup', { name: 'Arpeggio shapes of B♭7, now' });
	await expect(now.getByRole('radio').first()).toBeFocused();
	await expect(now.getByRole('radio').first()).toBeChecked();
	await expect(figure(page)).toHaveAccessibleName(/^B♭7: B♭ string 6 fret 6/);
	await page.keyboard.press('ArrowRight');
	await expect(now.getByRole('radio').nth(1)).toBeChecked();
	// The arrows belong to the cards while these have the focus.
	await expect(page).toHaveURL(/position=6/);
	await expect(page.locator('[data-part="detail"]')).toContainText('mm between the outer frets');
	await expectAccessible(page);
	await page.keyboard.press('Escape');
	await expect(figure(page)).toHaveCount(0);
	// The same thing by mouse, chosen and let go.
	const card = page.getByRole('radio', { name: /^E♭7, root to root/ }).first();
	await card.click();
	await expect(figure(page)).toHaveAccessibleName(/^E♭7/);
	await card.click();
	await expect(figure(page)).toHaveCount(0);
});

test('double stops, bends, hidden arpeggios and layouts, one key each', async ({
	page,
	request
}) => {
	test.slow();
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await page.keyboard.press('d');
	await expect(figure(page)).toHaveAccessibleName(/3rd on string \d fret \d+ and string \d/);
	const first = await figure(page).getAttribute('aria-label');
	await page.keyboard.press('ArrowDown');
	await expect(figure(page)).not.toHaveAccessibleName(first ?? '');
	await expectAccessible(page, '[data-part="panels"]');
	await page.keyboard.press('r');
	await expect(figure(page)).toHaveAccessibleName(/^B♭7 at one time: B♭ string \d fret \d/);
	await page.keyboard.press('ArrowRight');
	await expect(page.locator('[data-part="detail"]')).toContainText('mm between the outer frets');
	await expectAccessible(page, '[data-part="panels"]');
	await page.keyboard.press('b');
	await expect(figure(page)).toHaveAccessibleName(/^(Bend|Curl) string \d fret \d+ .+ the /);
	await expectAccessible(page, '[data-part="panels"]');
	await page.keyboard.press('h');
	await expect(figure(page)).toHaveAccessibleName(/ over B♭7$/);
	await expect(page.locator('[data-part="reread"] li')).toHaveCount(7);
	await expectAccessible(page, '[data-part="panels"]');
	await page.keyboard.press('l');
	await expect(figure(page)).toHaveAccessibleName('B♭ minor pentatonic from position 6');
	await page.getByRole('radio', { name: /^So many a string/ }).click();
	await page
		.getByRole('radio', { name: /^From position/ })
		.last()
		.click();
	await expect(page).not.toHaveURL(/position=6/);
	await expectAccessible(page, '[data-part="panels"]');
	await page.keyboard.press('c');
	await expect(page.getByText('tones are a semitone away')).toBeVisible();
	await page.keyboard.press('v');
	await expect(page.getByText(/^Root B♭ on string/)).toBeVisible();
	await expectAccessible(page, '[data-part="panels"]');
});

test('a scale is chosen for one chord, and another for the whole chart', async ({
	page,
	request
}) => {
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	const third = page.locator('[data-place="3-7"]');
	await expect(third).toHaveAccessibleName(/not in the scale/);
	await page.keyboard.press('u');
	await expect(third).not.toHaveAccessibleName(/not in the scale/);
	const edit = page.getByRole('button', { name: /^D♭ rises to D/ });
	await expect(edit).toHaveAttribute('aria-pressed', 'true');
	await page.reload();
	await expect(edit).toHaveAttribute('aria-pressed', 'true');
	await edit.click();
	await expect(third).toHaveAccessibleName(/not in the scale/);

	await page.getByRole('button', { name: /^Scale in use/ }).click();
	await expectAccessible(page);
	await page.getByRole('textbox', { name: 'Or its degrees' }).fill('1 9');
	await page.getByRole('button', { name: 'Use it' }).click();
	await expect(page.getByText('Write degrees upward from 1')).toBeVisible();
	await choose(page.getByRole('combobox', { name: 'Scale' }), 'mixolydian');
	await expect(page.getByRole('button', { name: /^Scale in use: B♭ mixolydian/ })).toBeVisible();
	const saved = async () => (await (await request.get(`/api/v1/tunes/${tune.id}`)).json()).chart;
	await expect.poll(saved).toContain('scale: Bb mixolydian\n');
	await page.getByRole('button', { name: 'Undo' }).click();
	await expect.poll(saved).not.toContain('scale:');
});

test('the instrument is chosen per tune: tuning, capo, one’s own', async ({ page, request }) => {
	const name = `Long seven ${Date.now()}`;
	const made = await request.post('/api/v1/instruments', {
		data: {
			...{ name, tuning: 'A1 E2 A2 D3 G3 B3 E4', frets: 24 },
			...{ scaleLengthMm: 690, leftHanded: false, labels: ['A', 'E', 'A', 'D', 'G', 'B', 'e'] }
		}
	});
	expect(made.status()).toBe(201);
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await page.getByRole('button', { name: /^Instrument: Standard/ }).click();
	await page.getByRole('textbox', { name: 'Or any tuning' }).fill('E2 A2');
	await page.getByRole('button', { name: 'Use it' }).click();
	await expect(page.getByText('Write 4 to 8 pitches from the thickest string')).toBeVisible();
	await choose(page.getByRole('combobox', { name: 'Tuning' }), name);
	await expect(page.getByRole('button', { name: `Instrument: ${name}. Change it` })).toBeVisible();
	await weighed(page);
	// Seven strings, 24 frets: positions up to 21.
	await expect(page.getByRole('button', { name: /^Position 21, rank/ })).toBeVisible();
	await expect(page.getByRole('gridcell', { name: /^string 7/ }).first()).toBeVisible();
	await choose(page.getByRole('combobox', { name: 'Capo' }), 'fret 2');
	await expect(page.getByRole('button', { name: /capo 2/ })).toBeVisible();
	const { chart } = await (await request.get(`/api/v1/tunes/${tune.id}`)).json();
	expect(chart).toContain('tuning: A1 E2 A2 D3 G3 B3 E4\ncapo: 2\n');
	await request.delete(`/api/v1/instruments/${(await made.json()).id}`);
});

test('the whole screen by keys alone', async ({ page, request }) => {
	test.slow();
	const tune = await newTune(request);
	await visit(page, `/tunes/${tune.id}/neck?position=6`);
	await weighed(page);
	await page.keyboard.press('ArrowRight');
	await expect(page).toHaveURL(/position=7/);
	await page.keyboard.press('[');
	await expect(page).toHaveURL(/position=6/);
	await page.keyboard.press('ArrowDown');
	await expect(page.getByRole('gridcell', { name: /of Eb7, now/ }).first()).toBeVisible();
	await page.keyboard.press('PageUp');
	await expect(page.getByRole('gridcell', { name: /of Bb7, now/ }).first()).toBeVisible();
	// Tab reaches the shapes of both chords, then the layers; nothing traps the focus.
	await page.keyboard.press('s');
	await page.keyboard.press('Tab');
	await expect(
		page
			.getByRole('radiogroup', { name: 'Arpeggio shapes of E♭7, next' })
			.getByRole('radio')
			.first()
	).toBeFocused();
	await page.keyboard.press('Space');
	await expect(figure(page)).toHaveAccessibleName(/^E♭7/);
	await page.keyboard.press('Tab');
	await expect(
		page.getByRole('group', { name: 'What the neck shows' }).getByRole('button').first()
	).toBeFocused();
	// The tabs of the panels follow the arrows as well as their keys.
	await page.getByRole('tab', { name: /^Shapes/ }).focus();
	await page.keyboard.press('ArrowRight');
	await expect(page.getByRole('tab', { name: /^Grips/ })).toHaveAttribute('aria-selected', 'true');
	await page.keyboard.press('2');
	await expect(page).toHaveURL(/\/neck/);
	// The menus open, change the tune and close without a pointer.
	await page.getByRole('button', { name: /^Instrument/ }).focus();
	await page.keyboard.press('Enter');
	await expect(page.getByRole('combobox', { name: 'Tuning' })).toBeFocused();
	await page.keyboard.press('Escape');
	await expect(page.getByRole('button', { name: /^Instrument/ })).toBeFocused();
});

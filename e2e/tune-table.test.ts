import { choose, editorOf, expectAccessible, newTune, visit } from './helpers';
import { expect, test } from './test';

test('tunes are put in the order of a column, and back in that of their sets', async ({
	page,
	request
}) => {
	const made = [];
	for (const [title, key] of [
		['Quay Ladder', 'E'],
		['Amber Quay', 'A'],
		['Moth Quay', 'C']
	])
		made.push((await newTune(request, `title: ${title}\nkey: ${key}\n| ${key} |`)).id);
	const answer = await request.post('/api/v1/sets', {
		data: { name: `Quays ${Date.now()}`, note: '', tuneIds: made }
	});
	const set = await answer.json();
	await visit(page, '/?q=quay');
	const group = page.locator('section', { has: page.getByRole('heading', { name: set.name }) });
	const titles = group.locator('a[data-part="open"]');
	await expect(titles).toHaveText(['Quay Ladder', 'Amber Quay', 'Moth Quay']);
	const head = group.getByRole('columnheader', { name: 'Tune' });
	await expect(head).toHaveAttribute('aria-sort', 'none');
	await head.getByRole('link').click();
	await expect(titles).toHaveText(['Amber Quay', 'Moth Quay', 'Quay Ladder']);
	await expect(head).toHaveAttribute('aria-sort', 'ascending');
	// What was looked for stays; a tune keeps its number in the set, and nothing can be moved meanwhile.
	await expect(page).toHaveURL((url) => url.searchParams.get('q') === 'quay');
	await expect(group.locator('tbody tr').first()).toContainText('2');
	await visit(page, '/?by=tune');
	await expect(titles).toHaveText(['Amber Quay', 'Moth Quay', 'Quay Ladder']);
	await expect(group.getByRole('button', { name: /^Move / })).toHaveCount(0);
	await head.getByRole('link').click();
	await expect(titles).toHaveText(['Quay Ladder', 'Moth Quay', 'Amber Quay']);
	await expectAccessible(page);
	await page.getByRole('link', { name: 'In playing order' }).click();
	await expect(titles).toHaveText(['Quay Ladder', 'Amber Quay', 'Moth Quay']);
	await expect(group.getByRole('button', { name: /^Move / })).toHaveCount(3);

	// A column that is made wider is so in every set, and stays.
	const edge = page.getByRole('separator', { name: 'Width of Tune' });
	await expect(edge).toHaveCount(1);
	const width = () => head.evaluate((cell) => (cell as HTMLElement).offsetWidth);
	await edge.focus();
	await page.keyboard.press('ArrowRight');
	const wide = await width();
	await page.keyboard.press('ArrowRight');
	await expect.poll(width).toBe(wide + 16);
	await page.reload();
	await expect.poll(width).toBe(wide + 16);
	await edge.dblclick();
	await expect(edge).toHaveAttribute('aria-valuetext', 'as it fits');
	expect((await request.delete(`/api/v1/sets/${set.id}`)).status()).toBe(204);
});

test('another chord is chosen, or typed, where the cursor stands', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Swap\nkey: Bb major\n\n| Bbmaj7 | <Gm7 | F7 |\n');
	await visit(page, `/tunes/${tune.id}/chart`);
	await page.getByRole('button', { name: /Gm7/ }).click();
	await page.keyboard.press('Escape');
	const list = page.getByRole('combobox', { name: /^Write another chord here/ });
	await expect(list).toHaveText(/^Gm7 · vi7\s*$/);
	await choose(list, /^C7 · V7\/V$/);
	await expect(editorOf(page)).toContainText('| Bbmaj7 | <C7 | F7 |');
	await list.focus();
	await page.keyboard.press('e');
	await expect(page.getByRole('option').first()).toBeVisible();
	await page.keyboard.type('bm6');
	await expect(page.getByRole('option').first()).toHaveText(/^E♭m6\s*$/);
	await page.keyboard.press('Enter');
	await expect(editorOf(page)).toContainText('| Bbmaj7 | <Ebm6 | F7 |');
	await expect(list).toHaveText(/^E♭m6\s*$/);
	await expectAccessible(page);
});

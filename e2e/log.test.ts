import { expectAccessible, newTune, visit } from './helpers';
import { expect, test, type APIRequestContext } from './test';

const TAKES = 130;

/** Takes by ear, at 60 beats a minute and faster, of a tune that nobody else plays. */
async function longLog(request: APIRequestContext): Promise<string> {
	const { id } = await newTune(request, 'title: Long Shelf\nkey: C\n| C | F | G7 | C |');
	for (let i = 0; i < TAKES; i++) {
		const made = await request.post('/api/v1/takes', {
			data: {
				...{ tuneId: id, looped: null, tempo: 60 + i, input: 'hand', grade: 'clean', loops: 1 },
				...{ events: [], durationMs: 8000, day: '2026-03-02' },
				drill: {
					...{
						preset: null,
						range: null,
						routeId: null,
						position: 5,
						key: null,
						rules: {},
						loops: 1
					},
					ladder: { start: 60, step: 4, ceiling: 240, up: 3 }
				}
			}
		});
		expect(made.status()).toBe(201);
	}
	return id;
}

test('a long log is scrolled through, sorted, and its columns are made wider', async ({
	page,
	request
}) => {
	test.slow();
	const id = await longLog(request);
	await visit(page, `/log?tune=${id}&sort=tempo&order=up`);
	const table = page.getByRole('region', { name: 'Takes' }).getByRole('table');
	const tempo = (of: 'first' | 'last') =>
		table.locator('tbody tr:has(a)')[of]().locator('td').nth(4);
	await expect(table).toHaveAttribute('aria-rowcount', String(TAKES + 1));
	await expect(tempo('first')).toHaveText('60');
	// Rows are made where they are in sight.
	const drawn = table.locator('tbody tr[aria-rowindex]');
	await expect(async () => expect(await drawn.count()).toBeLessThan(TAKES / 2)).toPass();

	await page.getByRole('region', { name: 'Takes' }).evaluate((frame) => {
		frame.scrollTop = frame.scrollHeight;
	});
	await expect(tempo('last')).toHaveText(String(60 + TAKES - 1));
	await expect(table.locator('thead')).toBeInViewport();
	const end = table.locator('tbody tr', { hasText: 'Long Shelf' }).last();
	await end.getByRole('button', { name: /note of this take/ }).click();
	await page.getByLabel('Note of the take').fill('The last of them.');
	await page.keyboard.press('Enter');
	await expect(end).toContainText('The last of them.');
	await end.getByRole('button', { name: 'Delete this take' }).click();
	await expect(table).toHaveAttribute('aria-rowcount', String(TAKES));
	await expect(tempo('last')).toHaveText(String(60 + TAKES - 2));
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(table).toHaveAttribute('aria-rowcount', String(TAKES + 1));

	// Another order begins at its top.
	await table.getByRole('link', { name: 'Tempo' }).click();
	await expect(page).toHaveURL((url) => url.searchParams.get('order') === null);
	await expect(tempo('first')).toHaveText(String(60 + TAKES - 1));

	const edge = table.getByRole('separator', { name: 'Width of Tune' });
	const head = table.getByRole('columnheader', { name: /^Tune/ });
	const width = () => head.evaluate((cell) => (cell as HTMLElement).offsetWidth);
	const before = await width();
	await edge.focus();
	await page.keyboard.press('ArrowRight');
	await page.keyboard.press('ArrowRight');
	await expect.poll(width).toBe(before + 32);
	const box = await edge.boundingBox();
	if (!box) throw new Error('The edge is not drawn.');
	await page.mouse.move(box.x + 4, box.y + 8);
	await page.mouse.down();
	await page.mouse.move(box.x + 54, box.y + 8, { steps: 5 });
	await page.mouse.up();
	await expect.poll(width).toBe(before + 82);
	await expectAccessible(page);
	await page.reload();
	await expect.poll(width).toBe(before + 82);
	await edge.focus();
	await page.keyboard.press('Home');
	await expect.poll(width).toBeLessThan(before + 82);
	await expect(edge).toHaveAttribute('aria-valuetext', 'as it fits');
});

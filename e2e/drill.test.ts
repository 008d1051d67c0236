import { expect, test, type Page } from './test';
import {
	choose,
	FAKE_MIDI,
	expectAccessible,
	expectNoOverflow,
	go,
	newTune,
	visit
} from './helpers';

/** Four bars that are over in three and a half seconds. */
const QUICK = 'title: Quick Lanterns\nkey: C major\ntempo: 280\n\n| C | F | G7 | Am |\n';
const part = (page: Page, name: string) => page.locator(`[data-part="${name}"]`);
const heardBar = (page: Page) => part(page, 'playing').locator('[data-part="fact"] b').first();
const verdict = (page: Page) => page.getByRole('heading', { level: 1 });
const LADDER = { start: 280, step: 10, ceiling: 300, up: 1 };

/** Keeps a drill of a tune that is quickly over. */
async function keep(
	request: Parameters<typeof newTune>[0],
	tuneId: string,
	change: object = {}
): Promise<void> {
	const drill = {
		...{ preset: 'free', range: null, routeId: null, position: 5, key: null, rules: {}, loops: 1 },
		ladder: LADDER,
		...change
	};
	const response = await request.post('/api/v1/cards', { data: { tuneId, drill } });
	expect(response.status()).toBe(200);
}

test('from today to the log: a drill is started, played, judged, followed and kept', async ({
	page,
	request
}) => {
	test.slow();
	await visit(page, '/');
	await expect(verdict(page)).toContainText(/^Today: (three|four|five) drills/);
	const strip = page.locator('[data-part="strip"] a');
	const first = new URL(`http://x${await strip.first().getAttribute('href')}`);
	const title = await strip.first().locator('b').innerText();
	// The same drill, made short, so that a test need not wait for it.
	await keep(request, first.pathname.split('/')[2], {
		position: Number(first.searchParams.get('position')),
		key: first.searchParams.get('key'),
		range: { from: 0, to: 4 }
	});
	await visit(page, '/');
	await expect(strip.first()).toContainText(title);
	await page.getByRole('heading', { level: 2 }).first().click();
	await page.keyboard.press('Space');
	await expect(page).toHaveURL(/\/drill\?.*position=/);
	await expect(verdict(page)).toHaveText('Pass at 280.');
	// What sounds and what comes is read from afar.
	await expect(page.locator('[data-part="strips"] svg').first()).toBeVisible();
	await expect(verdict(page)).toContainText('changes land');
	await expect(page.getByRole('heading', { name: 'This pass' })).toBeVisible();
	await expect(page.getByRole('heading', { name: /^Next: / })).toBeVisible();
	await expectAccessible(page);
	// What started the drill out of today's list starts nothing again.
	await page.keyboard.press('f');
	await expect(page).toHaveURL(/stand/);
	await page.keyboard.press('f');
	await expect(page).not.toHaveURL(/stand|start/);
	await expect(verdict(page)).toContainText('changes land');
	await page.keyboard.press('Enter');
	await expect(verdict(page)).toContainText(/^(Loop|Pass) at \d+\./);
	// Stopped on the way, what was played is kept: a change has gone by in the third bar.
	// Looked for at every frame: asked from here, a pass of three seconds may be over between two looks.
	await page.waitForFunction(
		(where) => /^\s*[3-9]/.test(document.querySelector(where)?.textContent ?? ''),
		'[data-part="playing"] [data-part="fact"] b',
		{ polling: 'raf' }
	);
	await page.keyboard.press('Space');
	await expect(verdict(page)).not.toContainText(' at ');
	await page.keyboard.press('6');
	await expect(page).toHaveURL(/\/log/);
	const rows = part(page, 'last')
		.locator('tbody tr', { hasText: 'today' })
		.filter({ hasText: title });
	await expect(rows.filter({ hasText: '280' }).first()).toContainText(' of ');
	await expect(rows.filter({ hasText: '(part)' }).first()).toBeVisible();
});

test('a drill is made in three choices and kept with its place', async ({ page, request }) => {
	const tune = await newTune(request, QUICK);
	await visit(page, `/tunes/${tune.id}/drill?position=5`);
	await expect(part(page, 'rule')).toContainText(
		'Quick Lanterns · position 5 · guide tones on every change · eighths only · 196→280'
	);
	await page.keyboard.press('r');
	const dialog = page.getByRole('dialog', { name: 'What to drill' });
	await dialog.getByRole('radio', { name: /^Arpeggios only/ }).click();
	await dialog.getByRole('spinbutton', { name: 'Position' }).fill('8');
	await choose(dialog.getByRole('combobox', { name: 'Key, round the circle' }), /^F(,|$)/);
	await dialog.getByLabel('to bar').fill('2');
	await dialog.getByLabel('From tempo').fill('240');
	await expectAccessible(page, '[role="dialog"]');
	await dialog.getByRole('button', { name: 'Drill this' }).click();
	const line =
		'Quick Lanterns · bars 1–2 · in F · position 8 · a chord tone on every change · chord tones only · eighths only · 240→280';
	await expect(part(page, 'rule')).toContainText(line);
	await expect(part(page, 'strips')).toBeVisible();
	await go(page, `/tunes/${tune.id}/drill?position=8&key=F`);
	await expect(part(page, 'rule')).toContainText(line);
	// The same work in the next key, and another place.
	await page.keyboard.press('Shift+.');
	await expect(part(page, 'rule')).toContainText('in B♭');
	await page.keyboard.press('[');
	await expect(part(page, 'rule')).toContainText('position 7');
	await page.keyboard.press('ArrowUp');
	await expect(verdict(page)).toHaveText(/^Land every change at 2\d\d\.$/);
	// A rule that the tune does not have is told, and nothing is lost.
	await page.keyboard.press('r');
	await dialog.getByText('Rules one by one').click();
	await dialog.getByLabel('One fret only').fill('7');
	await dialog.getByRole('button', { name: 'Leave it as it was' }).click();
	await expect(part(page, 'rule')).not.toContainText('fret 7');
});

test('MIDI, letters, and the player’s own ear', async ({ page, request }) => {
	test.slow();
	const tune = await newTune(request, QUICK);
	// Slow enough for a machine that has other things to do.
	await keep(request, tune.id, { ladder: { start: 150, step: 10, ceiling: 150, up: 1 } });
	await visit(page, `/tunes/${tune.id}/drill?position=5`);
	await page.evaluate(FAKE_MIDI);
	const who = page.getByRole('combobox', { name: 'Who plays' });
	await choose(who, /MIDI/);
	await expect(page.getByText('Listens to Pebble Keys.')).toBeVisible();
	// A keyboard that never rests: C, which C, F and Am have, and G7 has not.
	await page.evaluate(() => {
		const { playMidi } = window as unknown as { playMidi: (...bytes: number[]) => void };
		const timer = setInterval(() => {
			playMidi(0x90, 72, 80);
			setTimeout(() => playMidi(0x80, 72, 0), 40);
		}, 60);
		setTimeout(() => clearInterval(timer), 20_000);
	});
	await verdict(page).click();
	await page.keyboard.press('Enter');
	await expect(verdict(page)).toHaveText('Pass at 150.');
	await expect(verdict(page)).toContainText('of 4 changes land');
	await expect(page.getByRole('row', { name: /^silent/ })).toContainText('0');
	await expect(part(page, 'slips')).toContainText('Bar 3, missed.');
	await expect(part(page, 'heard')).toHaveText('C5');

	await choose(who, /neck/i);
	await verdict(page).click();
	await page.keyboard.press('Space');
	await expect(verdict(page)).toHaveText('Pass at 150.');
	await expect(heardBar(page)).toContainText('of 4');
	for (let i = 0; i < 12; i++) await page.keyboard.press('a', { delay: 60 });
	await expect(verdict(page)).toContainText('changes land');
	await expect(part(page, 'heard')).not.toHaveText('–');

	// Nothing plugged in at all: the player says how it went.
	await page.keyboard.press('h');
	await expect(page.getByText(/^Logged: clean at/)).toBeVisible();
	await expect(page.getByText('3 passes now')).toBeVisible();
});

test('the simulated player is set by hand; a pass is heard again and noted; a drill may rest', async ({
	page,
	request
}) => {
	test.slow();
	const tune = await newTune(request, QUICK);
	await keep(request, tune.id);
	await visit(page, `/tunes/${tune.id}/drill?position=5`);
	await page.getByText('Set by hand').click();
	await page.getByLabel('Wrong notes').fill('100');
	await page.getByLabel('Left out').fill('0');
	await page.getByLabel('Seed of the next pass').fill('7');
	await expect(page.getByRole('radio', { name: 'Steady' })).not.toBeChecked();
	await verdict(page).click();
	await page.keyboard.press('Enter');
	await expect(verdict(page)).toHaveText('0 of 4 changes land.');
	await expect(page.getByRole('row', { name: /^missed/ })).toContainText('4');
	await expect(page.getByLabel('Seed of the next pass')).toHaveValue('8');
	// Back on the pedal: the pass itself sounds, and is not judged again.
	await page.keyboard.press('PageUp');
	await expect(heardBar(page)).toContainText('of 4');
	await expect(verdict(page)).toHaveText('0 of 4 changes land.');
	await expect(part(page, 'playing')).toHaveCount(0);
	await expect(page.getByText('1 pass now')).toBeVisible();
	await page.keyboard.press('m');
	await page.getByLabel('Note of the take').fill('Every thumb.');
	await page.keyboard.press('Enter');
	await expect(page.getByRole('button', { name: 'Every thumb.' })).toBeVisible();
	await go(page, '/log');
	await expect(part(page, 'last')).toContainText('Every thumb.');

	await go(page, '/');
	const strip = page.locator('[data-part="today"] [data-part="strip"]');
	const titles = await strip.locator('b').allInnerTexts();
	await strip
		.getByRole('button', { name: /out of the schedule$/ })
		.last()
		.click();
	await expect(page.getByText(/position \d+, rests\./)).toBeVisible();
	await page.getByRole('button', { name: 'Bring it back' }).click();
	await expect(strip.locator('b')).toHaveText(titles);
});

test('a recording is listened to and judged', async ({ page, request }) => {
	const { pluckString } = await import('../src/lib/audio/string');
	const { writeWav } = await import('../src/core/formats/wav');
	const tune = await newTune(request, QUICK);
	await keep(request, tune.id);
	const rate = 44_100;
	const lead = 1.3;
	const samples = new Float32Array(rate * 6);
	const bar = 240 / 280;
	[64, 69, 71, 60].forEach((midi, i) => {
		const how = { seconds: 0.6, fade: 0.1, left: 0.3, soft: 0.5, pickAt: 0.2 };
		samples.set(pluckString(midi, rate, how), Math.round((lead + i * bar) * rate));
	});
	await visit(page, `/tunes/${tune.id}/drill?position=5`);
	const picker = page.getByLabel('Recording of a take');
	await picker.setInputFiles({
		name: 'take.wav',
		mimeType: 'audio/wav',
		buffer: Buffer.from(writeWav([samples], rate))
	});
	await expect(verdict(page)).toHaveText('All 4 changes land.');
	await picker.setInputFiles({
		name: 'words.wav',
		mimeType: 'audio/wav',
		buffer: Buffer.from('no sound at all')
	});
	await expect(page.getByText('“words.wav” is no audio that this browser can read.')).toBeVisible();
});

test('the log is filtered, sorted, read as tables, and two takes are compared', async ({
	page
}) => {
	await visit(page, '/log');
	await expect(verdict(page)).toContainText(/^Landing (rose|fell|stays)/);
	await expect(page.getByText('follows the changes better.')).toBeVisible();
	await expect(page.locator('[data-part="three"] svg').first()).toBeVisible();
	await page.keyboard.press('f');
	await expect(page.getByLabel('Tune', { exact: true })).toBeFocused();
	await choose(page.getByRole('combobox', { name: /^Tune / }), 'Glass Buoy');
	await expect(page).toHaveURL(/tune=/);
	await choose(page.getByRole('combobox', { name: /^Place / }), 'Position 11');
	const rows = part(page, 'last').locator('tbody tr');
	await expect(rows.first()).toContainText('Glass Buoy');
	await expect(rows.first().locator('td').nth(2)).toHaveText('11');
	await page.getByRole('link', { name: 'Landed' }).click();
	await expect(part(page, 'last').locator('th', { hasText: 'Landed' })).toHaveAttribute(
		'aria-sort',
		'descending'
	);
	await verdict(page).click();
	await page.keyboard.press('t');
	await expect(page.getByRole('columnheader', { name: 'Week of' }).first()).toBeVisible();
	await expectAccessible(page);
	await expectNoOverflow(page);
	await page.keyboard.press('t');
	await rows
		.nth(0)
		.getByRole('button', { name: /^Compare/ })
		.click();
	await rows
		.nth(1)
		.getByRole('button', { name: /^Compare/ })
		.click();
	await expect(page).toHaveURL(/compare=/);
	// A note of one's own stays.
	await rows
		.nth(1)
		.getByRole('button', { name: /note of this take/ })
		.click();
	await page.getByLabel('Note of the take').fill('Thumb behind the neck.');
	await page.keyboard.press('Enter');
	await expect(rows.nth(1)).toContainText('Thumb behind the neck.');
	await expect(rows.nth(1).getByRole('button', { name: /note of this take/ })).toBeFocused();
	await page.reload();
	await expect(part(page, 'last')).toContainText('Thumb behind the neck.');
});

test('the words of care come once, and stay in the help', async ({ page, request }) => {
	const tune = await newTune(request, QUICK);
	await visit(page, `/tunes/${tune.id}/drill`);
	await page.getByRole('button', { name: 'Understood' }).click();
	await expect(page.getByText('Before you play.')).toHaveCount(0);
	await page.reload();
	await expect(verdict(page)).toBeVisible();
	await expect(page.getByText('Before you play.')).toHaveCount(0);
	await go(page, '/help#care');
	await expect(page.getByText('Pain that stays is for a clinician')).toBeVisible();
});

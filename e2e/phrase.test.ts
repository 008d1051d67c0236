import { expect, test, type Page } from './test';
import { expectAccessible, newTune, visit, FAKE_MIDI } from './helpers';

const HARBOURS = 'title: Two Quays\nkey: Eb major\ntempo: 200\n\n| Eb | % | B | % |\n';
const call = (page: Page, chord: string, says: string) =>
	page.getByRole('group', { name: new RegExp(`^${chord}, ${says}`) });

test('a motif is mirrored, answered, changed by keys and stored', async ({ page, request }) => {
	const tune = await newTune(request, HARBOURS);
	await visit(page, `/tunes/${tune.id}/phrase?position=6`);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('One call');
	await page.getByRole('button', { name: /^Gangway/ }).click();
	const first = call(page, 'E♭', 'the call');
	const mirrored = call(page, 'B', 'the call on B');
	await expect(first.getByRole('button').last()).toHaveAccessibleName(/^B♭, 5 of E♭/);
	await expect(mirrored.getByRole('button').nth(3)).toHaveAccessibleName(/^D♯, 3 of B/);
	await expect(call(page, 'E♭', 'answer').getByRole('button').last()).toHaveAccessibleName(
		/^E♭, R of E♭/
	);
	await page.getByRole('radio', { name: '3', exact: true }).click();
	await expect(call(page, 'B', 'answer').getByRole('button').last()).toHaveAccessibleName(
		/^D♯, 3 of B/
	);

	// The landing a step higher, the whole an eighth later, one note less; and back again.
	await page.getByRole('heading', { level: 1 }).click();
	await page.keyboard.press('ArrowUp');
	await expect(first.getByRole('button').last()).toHaveAccessibleName(/^C, 13 of E♭/);
	await page.keyboard.press('Delete');
	await expect(first.getByRole('button')).toHaveCount(4);
	await page.keyboard.press('ControlOrMeta+z');
	await page.keyboard.press('ControlOrMeta+z');
	await expect(first.getByRole('button')).toHaveCount(5);
	await expect(first.getByRole('button').last()).toHaveAccessibleName(/^B♭/);

	await page.keyboard.press('g');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('through the scale');
	await expect(call(page, 'E♭', 'sequence').getByRole('button')).toHaveCount(20);
	await page.keyboard.press('r');
	await expect(call(page, 'E♭', 'backward').getByRole('button').first()).toHaveAccessibleName(
		/^B♭/
	);
	await page.getByRole('button', { name: 'Go on with this one' }).click();
	await page.getByLabel('Name').fill('Gangway down');
	await page.getByLabel('Name').press('Tab');
	await page.getByRole('button', { name: 'Store as new' }).click();
	await expect(page.getByText('“Gangway down” is stored.')).toBeVisible();
	const { motifs } = await (await request.get('/api/v1/motifs')).json();
	const stored = motifs.find((motif: { name: string }) => motif.name === 'Gangway down');
	expect(stored.motif.notes.map((note: { step: string }) => note.step)).toEqual([
		'5',
		'3',
		'9',
		'R',
		'5'
	]);
	await page.getByRole('button', { name: 'Delete Gangway down' }).click();
	await expect(page.getByText('“Gangway down” is deleted.')).toBeVisible();
});

test('a phrase is heard, put in the line, and a motif is caught from there', async ({
	page,
	request
}) => {
	const tune = await newTune(request, HARBOURS);
	await visit(page, `/tunes/${tune.id}/phrase?position=6`);
	await page.getByRole('button', { name: /^Lamp On/ }).click();
	await page.getByRole('heading', { level: 1 }).click();
	await page.keyboard.press('h');
	await expect(page.getByRole('button', { name: 'Stop' }).first()).toBeVisible();
	await expect(
		page.locator('circle[data-part="ring"], circle[data-part="sounding"]').first()
	).toBeVisible();
	await page.keyboard.press('Space');

	await page.keyboard.press('Enter');
	await expect(page).toHaveURL(/\/route/);
	await expect(page.getByText('“Lamp On” stands in the line.')).toBeVisible();
	const notes = page.locator('[data-tick]');
	await expect(notes.and(page.locator('[data-tick="720"]'))).toHaveAccessibleName(/G, third of E♭/);

	await page.locator('[data-tick="720"]').click();
	await page.locator('[data-tick="1200"]').click({ modifiers: ['Shift'] });
	await page.keyboard.press('s');
	await expect(page).toHaveURL(/\/phrase/);
	await expect(page.getByLabel('Name')).toHaveValue('From E♭');
	await expect(call(page, 'E♭', 'the call').getByRole('button')).toHaveCount(3);
});

test('phrases and motifs over the API', async ({ request }) => {
	const motif = {
		basis: 'role',
		notes: [
			{ offsetTicks: 0, durationTicks: 240, step: '3' },
			{ offsetTicks: 240, durationTicks: 480, step: 'R' }
		]
	};
	const body = { chart: '| Cm7 | F7 |', position: 5, motif, operation: { kind: 'mirror' } };
	const mirrored = await request.post('/api/v1/phrase', { data: body });
	expect(mirrored.status()).toBe(200);
	const { notes, problems } = await mirrored.json();
	expect(notes.map((note: { name: string; role: string }) => [note.name, note.role])).toEqual([
		['Eb', 'b3'],
		['C', 'R'],
		['A', '3'],
		['F', 'R']
	]);
	expect(problems).toEqual([]);
	for (const bad of [
		{ ...body, operation: { kind: 'spin' } },
		{ ...body, motif: { ...motif, notes: [] } },
		{ ...body, position: 99 },
		{ ...body, surprise: 1 }
	]) {
		expect((await request.post('/api/v1/phrase', { data: bad })).status()).toBe(422);
	}

	const listed = await (await request.get('/api/v1/motifs')).json();
	const names = listed.motifs.map((entry: { name: string }) => entry.name);
	for (const name of ['Gangway', 'Two Knocks', 'Low Step', 'Heron', 'Rope Coil', 'Lamp On']) {
		expect(names).toContain(name);
	}
	const made = await request.post('/api/v1/motifs', { data: { name: 'Short Plank', motif } });
	expect(made.status()).toBe(201);
	const { id } = await made.json();
	const renamed = { name: 'Long Plank', motif, version: 1 };
	expect((await request.put(`/api/v1/motifs/${id}`, { data: renamed })).status()).toBe(200);
	const stale = await request.put(`/api/v1/motifs/${id}`, { data: renamed });
	expect(stale.status()).toBe(409);
	expect((await stale.json()).current.name).toBe('Long Plank');
	const wrong = { name: 'X', motif: { ...motif, basis: 'interval' } };
	expect((await request.post('/api/v1/motifs', { data: wrong })).status()).toBe(422);
	expect((await request.delete(`/api/v1/motifs/${id}`)).status()).toBe(204);
	expect((await request.get(`/api/v1/motifs/${id}`)).status()).toBe(404);
});

test('call and answer leaves bars of air in the line', async ({ page, request }) => {
	const tune = await newTune(request, 'title: Talk\nkey: C major\n\n| C | F | G7 | Am |\n');
	await visit(page, `/tunes/${tune.id}/route?position=5`);
	await page.keyboard.press('r');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('4 changes land');
	await page.keyboard.press('w');
	await page.getByRole('radio', { name: '1, then 1 of air' }).click();
	const notes = page.locator('g[data-part="note"][data-tick]');
	const bars = async () => {
		const ticks = await notes.evaluateAll((all) => all.map((note) => Number(note.dataset.tick)));
		return [...new Set(ticks.map((tick) => Math.floor(tick / 1920) + 1))];
	};
	await expect.poll(bars).toEqual([1, 3]);
	await expect(page.locator('[data-part="passWord"]').first()).toHaveText('air');
	await page.getByRole('button', { name: 'Back to the change' }).click();
	await page.keyboard.press('ControlOrMeta+z');
	await expect.poll(bars).toEqual([1, 2, 3, 4]);
});

test('a motif is written, told by semitones, and laid out bar by bar into the line', async ({
	page,
	request
}) => {
	const tune = await newTune(request, HARBOURS);
	await visit(page, `/tunes/${tune.id}/phrase?position=6`);
	await page.keyboard.press('t');
	const text = page.getByLabel(/In eighths/);
	await expect(text).toBeFocused();
	await expect(text).toHaveValue('. 5 R 9 3 . 5 -');
	await text.fill('R 3 x');
	await text.press('Tab');
	await expect(page.getByText(/Column 5: “x” cannot be read here/)).toBeVisible();
	await expect(text).toHaveValue('R 3 x');
	await text.fill('R - 3 - 5 -');
	await text.press('Tab');
	await expect(page.getByText(/Column 5/)).toBeHidden();
	const first = call(page, 'E♭', 'the call');
	await expect(first.getByRole('button')).toHaveCount(3);
	await page.getByRole('radio', { name: 'Semitones' }).click();
	await expect(text).toHaveValue('0 - 4 - 7 -');
	await expect(call(page, 'B', 'the call on B').getByRole('button').nth(1)).toHaveAccessibleName(
		/^D♯, 3 of B/
	);
	await page.getByRole('radio', { name: 'Roles' }).click();

	// Bars: the call, air, the answer, and back by keys; then a whole pattern.
	const bars = page.getByRole('region', { name: 'Where to play' });
	await bars.getByRole('button', { name: /^Bar 2/ }).click();
	for (let i = 0; i < 4; i++) await page.keyboard.press('c');
	await expect(bars.getByRole('button', { name: 'Bar 2, E♭: leave air' })).toBeVisible();
	await bars.getByRole('button', { name: 'Fill' }).click();
	await page.getByRole('menuitem', { name: 'Call, air, answer, hold' }).click();
	await expect(bars.getByRole('button', { name: 'Bar 4, B: hold, then air' })).toBeVisible();
	await expect(bars.getByText('two bars are yours, one is air, one holds')).toBeVisible();
	await expectAccessible(page);
	await page.reload();
	await expect(bars.getByRole('button', { name: 'Bar 3, B: answer' })).toBeVisible();
	await page.getByRole('button', { name: /^Two Knocks/ }).click();
	await page.getByRole('button', { name: 'Put in the line' }).click();
	await expect(page.getByText('“Two Knocks” stands in the line.')).toBeVisible();
	const ticks = page.locator('g[data-part="note"][data-tick]');
	const starts = () =>
		ticks.evaluateAll((all) => all.map((note) => Number((note as HTMLElement).dataset.tick)));
	// Landings on the changes are drawn apart.
	await expect.poll(starts).toEqual([240, 1200, 1440, 4080, 5040, 5280, 5760]);
	await expect(page.getByRole('heading', { level: 1 })).toContainText('All 2 changes land');
});

test('a motif is played in on the keys, the neck and MIDI', async ({ page, request }) => {
	const tune = await newTune(request, HARBOURS);
	await visit(page, `/tunes/${tune.id}/phrase?position=6`);
	await page.evaluate(FAKE_MIDI);
	await page.getByRole('heading', { level: 1 }).click();
	await page.keyboard.press('i');
	const panel = page.getByRole('region', { name: 'Play it in' });
	await expect(panel.getByText('0 notes')).toBeVisible();
	// Letters are notes now: A is the root, D the third; with Shift a semitone higher.
	for (const key of ['a', 'd', 'ArrowRight', '.', 'Shift+D']) await page.keyboard.press(key);
	await expect(panel.locator('[data-part="so-far"]')).toHaveText('R 3 - . 11');
	await page.keyboard.press('Backspace');
	await page.locator('[data-place="4-8"]').click();
	await expect(panel.locator('[data-part="so-far"]')).toHaveText('R 3 - . 5');
	await panel.getByRole('button', { name: 'Listen to MIDI' }).click();
	await expect(panel.getByText('Listening to Pebble Keys.')).toBeVisible();
	const midi = (...bytes: number[]) =>
		page.evaluate(
			(data) => (window as unknown as { playMidi: (...b: number[]) => void }).playMidi(...data),
			bytes
		);
	await midi(0x90, 63, 80);
	await midi(0x80, 63, 0);
	await expect(panel.locator('[data-part="so-far"]')).toHaveText('R 3 - . 5 R');
	await expectAccessible(page);
	await page.getByRole('heading', { level: 1 }).click();
	await page.keyboard.press('Enter');
	await expect(panel).toBeHidden();
	await expect(page.getByLabel('Name')).toHaveValue('Played in');
	await expect(call(page, 'E♭', 'the call').getByRole('button')).toHaveCount(4);
	await page.keyboard.press('ControlOrMeta+z');
	await expect(page.getByLabel('Name')).toHaveValue('Gangway');

	// While the band plays the player's own time counts.
	await page.keyboard.press('i');
	await page.keyboard.press('Space');
	await expect(panel.getByText(/The band plays/)).toBeVisible();
	await page.keyboard.press('a');
	await expect(panel.getByText('1 note')).toBeVisible();
	await page.keyboard.press('Escape');
	await expect(panel).toBeHidden();
	await expect(page.getByRole('button', { name: 'Play', exact: true })).toBeVisible();
});

test('MIDI that is refused or missing is told, and the rest goes on', async ({ page, request }) => {
	const tune = await newTune(request, HARBOURS);
	await visit(page, `/tunes/${tune.id}/phrase?position=6`);
	await page.evaluate(() => {
		navigator.requestMIDIAccess = () => Promise.reject(new DOMException('no', 'SecurityError'));
	});
	await page.getByRole('button', { name: /Play it in/ }).click();
	await page.getByRole('button', { name: 'Listen to MIDI' }).click();
	await expect(page.getByText('MIDI was refused.')).toBeVisible();
	await page.keyboard.press('a');
	await expect(page.getByText('1 note', { exact: true })).toBeVisible();
});

test('a slide stays on its fret, or moves with the chords', async ({ page, request }) => {
	const text = 'title: Tow Rope\nkey: D mixolydian\ntuning: open-d\n\n| D7 | G7 | A7 | D7 |\n';
	const tune = await newTune(request, text);
	await visit(page, `/tunes/${tune.id}/route?position=12`);
	await page.keyboard.press('r');
	await expect(page.getByRole('heading', { level: 1 })).toContainText('changes land');
	await page.keyboard.press('w');
	await page.getByRole('radio', { name: 'Slide, one fret' }).click();
	const notes = page.locator('g[data-part="note"][data-tick]');
	const frets = async () => {
		const names = await notes.evaluateAll((all) =>
			all.map((note) => /fret (\d+)/.exec(note.getAttribute('aria-label') ?? '')?.[1])
		);
		return [...new Set(names)].sort();
	};
	await expect.poll(frets).toEqual(['12']);
	await page.getByRole('radio', { name: 'With the root' }).click();
	await expect.poll(frets).toEqual(['12', '17', '7']);
	await page.getByRole('button', { name: 'Back to the change' }).click();
	await expect(page.getByRole('slider', { name: 'Place of the hand' })).toHaveAttribute(
		'aria-valuetext',
		/slide on fret/
	);
	await page.keyboard.press('ControlOrMeta+s');
	await expect(page.getByText('Saved', { exact: false }).first()).toBeVisible();
	await page.reload();
	await expect(page.getByText(/slide on one fret, moves with the root/).first()).toBeVisible();
});

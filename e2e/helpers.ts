import { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';
import axe from 'axe-core';

export const FERRY =
	'title: Tin Roof Ferry\nkey: Bb blues\ntime: 4/4\ntempo: 104\nfeel: shuffle\n\n[Head]\n' +
	'| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |\n';

type Tune = { id: string; version: number; chart: string; title: string };

/** Ids of the tunes that the test which runs has made. */
export const made: string[] = [];

/** A tune of a test's own, so that tests do not disturb each other. */
export async function newTune(request: APIRequestContext, chart = FERRY): Promise<Tune> {
	const response = await request.post('/api/v1/tunes', { data: { chart } });
	expect(response.status()).toBe(201);
	const tune: Tune = await response.json();
	made.push(tune.id);
	return tune;
}

/** Pages on which the last test left the app as it was opened: the next one may go on in it. */
export const asOpened = new WeakSet<Page>();

/** Whether another page can be opened in the app as it stands; what is open already would not be read again. */
function isInApp(page: Page, path: string): boolean {
	if (!asOpened.delete(page)) return false;
	const from = new URL(page.url());
	const to = new URL(path, from);
	return from.origin === to.origin && from.pathname !== to.pathname;
}

/**
 * Opens a page and waits until it takes input. The first page of a test is gone to in the app where the last
 * test left it, which takes a third of the work of loading it again.
 */
export async function visit(page: Page, path: string): Promise<void> {
	await (isInApp(page, path) ? go(page, path) : page.goto(path));
	await page.locator('html[data-ready]').waitFor();
	await page.evaluate(() => document.fonts.ready);
}

/** Opens a list and takes the line of that name, or the one at that place. */
export async function choose(list: Locator, line: string | RegExp | number): Promise<void> {
	await list.click();
	const lines = list.page().getByRole('option');
	await (
		typeof line === 'number'
			? lines.nth(line)
			: list.page().getByRole('option', { name: line, exact: true })
	).click();
	await expect(lines).toHaveCount(0);
}

/** Goes on to another page of the app as by a link, without loading the app again. */
export async function go(page: Page, path: string): Promise<void> {
	await page.evaluate((to) => {
		const link = document.createElement('a');
		link.href = to;
		document.body.append(link);
		link.click();
		link.remove();
	}, path);
	await page.waitForURL(path);
}

/** Looks from now on for what may be on the screen for a moment only; tells whether it was. */
export async function lookFor(page: Page, selector: string): Promise<() => Promise<boolean>> {
	const look = await page.evaluateHandle((wanted) => {
		const found = { seen: false };
		new MutationObserver(() => (found.seen ||= document.querySelector(wanted) !== null)).observe(
			document.body,
			{ subtree: true, childList: true }
		);
		return found;
	}, selector);
	return () => look.evaluate(({ seen }) => seen);
}

/** The chart editor, ready to type in. */
export const editorOf = (page: Page) => page.locator('.cm-content');

/** Replaces the whole text of the editor by keys. */
export async function typeChart(page: Page, text: string): Promise<void> {
	await editorOf(page).click();
	await page.keyboard.press('ControlOrMeta+a');
	await page.keyboard.insertText(text);
}

/** axe finds nothing, on the whole page or in one part of it, by all its rules, by some, or by all but some. */
export async function expectAccessible(
	page: Page,
	part?: string,
	rules?: readonly string[],
	without: readonly string[] = []
): Promise<void> {
	// No page holds frames, so one script in the page sees everything; it is sent once to each document.
	if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
	const told = await page.evaluate(
		async ([within, chosen, left]) => {
			// What fades in has other colours for a while: looked at is what stays.
			const frame = () => new Promise(requestAnimationFrame);
			await frame().then(frame);
			const fades = document.getAnimations().filter((one) => one.playState === 'running');
			const ending = fades.filter((one) => one.effect?.getComputedTiming().endTime !== Infinity);
			await Promise.allSettled(ending.map((one) => one.finished));
			const { run } = (window as unknown as { axe: typeof axe }).axe;
			const { violations } = await run(within ?? document, {
				// What passed is not told: telling it takes longer than looking.
				resultTypes: ['violations'],
				...(chosen ? { runOnly: chosen } : {}),
				rules: Object.fromEntries(left.map((rule) => [rule, { enabled: false }]))
			});
			return violations.map(
				({ id, help, nodes }) =>
					`${id}: ${help}\n  ${nodes.map((n) => n.html.slice(0, 160)).join('\n  ')}`
			);
		},
		[part ?? null, rules ? [...rules] : null, [...without]] as const
	);
	expect(told.join('\n')).toBe('');
}

/** Nothing sticks out at the side; what does is told. */
export async function expectNoOverflow(page: Page): Promise<void> {
	const out = await page.evaluate(() => {
		const over = document.documentElement.scrollWidth - window.innerWidth;
		if (over <= 0) return [];
		const wide = [...document.querySelectorAll('body *')].filter(
			(one) => one.getBoundingClientRect().right > window.innerWidth
		);
		const columns = [...document.querySelectorAll('th')].map(
			(one) => `${one.textContent}: ${one.offsetWidth}`
		);
		return [
			`${over} px stick out`,
			...columns,
			...wide.slice(-40).map((one) => `${one.outerHTML.slice(0, 90)} … ${one.textContent}`)
		];
	});
	expect(out.map((text) => text.slice(0, 200))).toEqual([]);
}

/** One MIDI keyboard that a test plays. */
export const FAKE_MIDI = `(() => {
	const input = {
		id: 'a', name: 'Pebble Keys', manufacturer: '', type: 'input', version: '1',
		state: 'connected', connection: 'open', onmidimessage: null, onstatechange: null,
		open: () => Promise.resolve(input), close: () => Promise.resolve(input),
		addEventListener: () => {}, removeEventListener: () => {}
	};
	const access = {
		inputs: new Map([['a', input]]), outputs: new Map(), sysexEnabled: false, onstatechange: null,
		addEventListener: () => {}, removeEventListener: () => {}
	};
	navigator.requestMIDIAccess = () => Promise.resolve(access);
	window.playMidi = (...bytes) =>
		input.onmidimessage({ data: new Uint8Array(bytes), timeStamp: performance.now(), target: input });
})();`;

/** A backup of one tune of a test's own: restoring it touches nothing that other tests work on. */
export async function backupOf(request: APIRequestContext, tuneId: string) {
	const whole = await (await request.get('/backup.json')).json();
	const tunes = whole.tunes.filter((tune: { id: string }) => tune.id === tuneId);
	const none = { routes: [], motifs: [], sets: [], instruments: [], cards: [], takes: [] };
	return { ...whole, ...none, tunes, player: null };
}

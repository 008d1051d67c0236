import { test as base, type Page } from '@playwright/test';
import { asOpened, made } from './helpers';

export { expect, type APIRequestContext, type Locator, type Page } from '@playwright/test';

/** What a test put into the page's scripts, taken out before the next one. */
const put: { dispose(): Promise<void> }[] = [];

/** Runs something before the app's own scripts, on every page that is opened until the test ends. */
export async function runBefore(page: Page, script: () => void): Promise<void> {
	asOpened.delete(page);
	put.push(await page.addInitScript(script));
}

/** A function of the test that its page may call. */
async function lend(page: Page, name: string, call: (text: string) => void): Promise<void> {
	asOpened.delete(page);
	put.push(await page.exposeFunction(name, call));
}

/** Everything that the browser refuses by the page’s policy, as it happens. */
export async function violations(page: Page): Promise<string[]> {
	const found: string[] = [];
	await lend(page, 'tellViolation', (text) => found.push(text));
	await runBefore(page, () =>
		addEventListener('securitypolicyviolation', (event) => {
			const tell = (window as unknown as { tellViolation: (text: string) => void }).tellViolation;
			tell(
				`${event.effectiveDirective} ${event.blockedURI} ${event.sourceFile}:${event.lineNumber}`
			);
		})
	);
	return found;
}

/** A player who has asked for more: tests of what a beginner sees take it away (see `showLess`). */
const EVERYTHING = '{"more":true}';

/** Run in a page before its scripts: a player who has asked for more. */
export const askMore = (): void => localStorage.setItem('arc-step-preferences', '{"more":true}');

/** The screens as a new player finds them, from the next page on that is opened. */
export const showLess = (page: Page): Promise<void> =>
	runBefore(page, () => localStorage.removeItem('arc-step-preferences'));

/** What the app keeps in a browser whose player chose and played nothing. */
const KEPT_ALWAYS =
	/^(arc-step-last-tune|arc-step-tab|arc-step-visits|mode-watcher-.*|sveltekit:.*|test)$/;

/** Whether the app stands on a page as it was opened: nothing is chosen, kept or told that a new one would not know. */
const isAsOpened = (page: Page, name: string) =>
	page.evaluate(
		([test, always, more]) => {
			const kept = [...Object.keys(localStorage), ...Object.keys(sessionStorage)];
			const told = document.querySelector('[data-sonner-toast], [role$="dialog"]');
			if (document.documentElement.dataset.ready === undefined || told) return false;
			// Nothing was chosen but that everything is shown.
			const chosen = localStorage.getItem('arc-step-preferences');
			if (chosen !== more) return false;
			const known = new RegExp(always);
			if (!kept.every((one) => known.test(one) || one === 'arc-step-preferences')) return false;
			sessionStorage.setItem('test', test);
			return true;
		},
		[name, KEPT_ALWAYS.source, EVERYTHING] as const
	);

/** Storage as a test begins with it, from the next document on. */
async function beginAnew(page: Page, name: string): Promise<void> {
	put.push(
		await page.addInitScript(
			([test, more]) => {
				if (sessionStorage.getItem('test') === test) return;
				localStorage.clear();
				sessionStorage.clear();
				sessionStorage.setItem('test', test);
				localStorage.setItem('arc-step-preferences', more);
			},
			[name, EVERYTHING] as const
		)
	);
}

/**
 * A page that is as good as new from the next document on that it opens: nothing of the last test is on it,
 * stored, allowed or listened to. Opening a document only to clear would take a fifth of a short test.
 */
async function clean(page: Page, name: string, base: string): Promise<void> {
	const context = page.context();
	const alone = put.length === 1 && context.pages().length === 1;
	// Those of a page that is gone went with it.
	for (const one of put.splice(0)) await one.dispose().catch(() => null);
	for (const other of context.pages()) if (other !== page) await other.close();
	page.removeAllListeners();
	asOpened.delete(page);
	if (alone && page.url().startsWith(base) && (await isAsOpened(page, name))) {
		asOpened.add(page);
		page.once('domcontentloaded', () => asOpened.delete(page));
	}
	await beginAnew(page, name);
	await context.clearCookies();
	await context.clearPermissions();
	await page.mouse.move(0, 0);
}

/**
 * Tests of the real interface. Those of one worker share a page, which each finds cleaned: a new one takes
 * longer than most tests, and what was fetched stays in the browser's cache, as it does for a player. Tests
 * that want another kind of browser take Playwright's `test` itself.
 */
export const test = base.extend<{ tidy: undefined }, { shared: { page?: Page } }>({
	shared: [
		async ({ browser: _ }, use) => {
			const shared: { page?: Page } = {};
			await use(shared);
			await shared.page?.context().close();
		},
		{ scope: 'worker' }
	],
	tidy: [
		async ({ request }, use) => {
			await use(undefined);
			// A notebook that grows with every test makes the tests of the notebook slow.
			for (const id of made.splice(0)) await request.delete(`/api/v1/tunes/${id}`);
		},
		{ auto: true }
	],
	page: async ({ shared, browser, baseURL, viewport, colorScheme }, use, { testId, retry }) => {
		if (shared.page && !shared.page.isClosed()) {
			await clean(shared.page, `${testId} ${retry}`, `${baseURL}/`);
		} else {
			await shared.page?.context().close();
			shared.page = await (await browser.newContext()).newPage();
			put.splice(0);
			await beginAnew(shared.page, `${testId} ${retry}`);
		}
		await shared.page.emulateMedia({ colorScheme, media: null, reducedMotion: null });
		if (viewport) await shared.page.setViewportSize(viewport);
		await use(shared.page);
	},
	context: async ({ page }, use) => use(page.context())
});

import { chromium, type Browser, type BrowserContext, type Page } from '@playwright/test';
import { median } from '../src/core/kernel';
import { CHROMIUM_FLAGS, ensureChromium } from '../scripts/chromium.mjs';

/** What was measured in the browser: shares of the main thread's time, tasks against those of an empty page. */
export type Browsed = {
	/** A letter in a long chart against one in a short one; its longest task against an empty page's. */
	readonly typing: { readonly share: number; readonly longest: number };
	/** The longest task of every screen. */
	readonly opening: readonly { readonly screen: string; readonly longest: number }[];
};

type TraceEvent = {
	readonly name: string;
	readonly ph: string;
	readonly pid: number;
	readonly tid: number;
	readonly dur?: number;
	/** Time of the processor alone: what else the machine did meanwhile is not in it. */
	readonly tdur?: number;
	readonly args?: { readonly name?: string };
};

/** The longest task of the page's main thread while some work is done, in ms. */
async function longestTask(browser: Browser, page: Page, work: () => Promise<void>) {
	await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', '__metadata'] });
	await work();
	const { traceEvents } = JSON.parse(String(await browser.stopTracing())) as {
		traceEvents: readonly TraceEvent[];
	};
	const main = new Set(
		traceEvents
			.filter((one) => one.name === 'thread_name' && one.args?.name === 'CrRendererMain')
			.map(({ pid, tid }) => `${pid} ${tid}`)
	);
	const tasks = traceEvents.filter(
		(one) => one.name.endsWith('RunTask') && main.has(`${one.pid} ${one.tid}`)
	);
	if (tasks.length === 0) throw new Error('the trace holds no task');
	return Math.max(...tasks.map(({ tdur, dur }) => (tdur ?? dur ?? 0) / 1000));
}

/** Nothing has changed on the page for a while. */
const settled = (page: Page) =>
	page.evaluate(
		() =>
			new Promise<void>((resolve) => {
				const done = () => {
					watch.disconnect();
					resolve();
				};
				let timer = setTimeout(done, 1500);
				const watch = new MutationObserver(() => {
					clearTimeout(timer);
					timer = setTimeout(done, 1500);
				});
				watch.observe(document, { subtree: true, childList: true });
			})
	);

/** The longest task on opening a page; of five openings the one between. */
async function opened(browser: Browser, context: BrowserContext, url: string): Promise<number> {
	const found: number[] = [];
	for (let i = 0; i < 5; i++) {
		const page = await context.newPage();
		const longest = await longestTask(browser, page, async () => {
			await page.goto(url);
			await settled(page);
		});
		found.push(longest);
		await page.close();
	}
	return median(found, 0);
}

const LINE = '| Cmaj7 | Am7 | Dm7 | G7 |\n';
const LETTERS = ' Fmaj7 | Bb7 | Em7 | A7 |';
/** Ms between two letters: a fast hand, so that nothing settles between them. */
const BETWEEN = 120;

/** Time of the main thread for a letter typed into a chart of so many bars, and its longest task, both in ms. */
async function typed(browser: Browser, context: BrowserContext, url: string, bars: number) {
	const answer = await context.request.post(`${url}/api/v1/tunes`, {
		data: { chart: `title: ${bars} bars\n\n${LINE.repeat(bars / 4)}` }
	});
	const tune = (await answer.json()) as { readonly id: string };
	const page = await context.newPage();
	await page.goto(`${url}/tunes/${tune.id}/chart`);
	await page.locator('.cm-line').nth(2).click();
	await page.keyboard.press('End');
	const session = await context.newCDPSession(page);
	await session.send('Performance.enable');
	const busy = async () => {
		const { metrics } = await session.send('Performance.getMetrics');
		return 1000 * (metrics.find(({ name }) => name === 'TaskDuration')?.value ?? 0);
	};
	const type = () => page.keyboard.type(LETTERS, { delay: BETWEEN });
	await type();
	await settled(page);
	const times: number[] = [];
	for (let i = 0; i < 3; i++) {
		const before = await busy();
		await type();
		times.push((await busy()) - before);
		await settled(page);
	}
	const longest = await longestTask(browser, page, type);
	await page.close();
	return { each: median(times, 0) / LETTERS.length, longest };
}

/** Measures the app in a browser against itself: a long chart against a short one, screens against an empty page. */
export async function measureBrowser(url: string): Promise<Browsed> {
	const browser = await chromium.launch({
		executablePath: ensureChromium(),
		args: CHROMIUM_FLAGS
	});
	try {
		const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
		const { tunes } = await (await fetch(`${url}/api/v1/tunes`)).json();
		const tune = `tunes/${tunes[0].id}`;
		const empty = await opened(browser, context, `${url}/no-such-page`);
		const opening: { screen: string; longest: number }[] = [];
		const screens = ['chart', 'neck', 'route', 'phrase', 'drill', 'sheet'];
		for (const path of ['', ...screens.map((one) => `${tune}/${one}`), 'log']) {
			const longest = await opened(browser, context, `${url}/${path}`);
			opening.push({ screen: path.split('/').at(-1) || 'home', longest: longest / empty });
		}
		const short = await typed(browser, context, url, 8);
		const long = await typed(browser, context, url, 256);
		console.log(
			`empty page ${empty.toFixed(0)} ms; a letter ${short.each.toFixed(1)} ms in 8 bars, ${long.each.toFixed(1)} ms in 256, its longest task ${long.longest.toFixed(0)} ms`
		);
		return { typing: { share: long.each / short.each, longest: long.longest / empty }, opening };
	} finally {
		await browser.close();
	}
}

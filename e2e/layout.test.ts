import type { Page } from '@playwright/test';
import { go, visit } from './helpers';
import { layoutFaults } from './layout';
import { expect, test } from './test';

const SIZES = [
	{ width: 1280, height: 800 },
	{ width: 820, height: 1180 },
	{ width: 390, height: 844 }
];
const SCREENS = ['chart', 'neck', 'route', 'phrase', 'drill', 'sheet'];

/** All faults of a page at every size, with the place where each was seen. */
async function faultsOf(page: Page, path: string): Promise<string[]> {
	const found: string[] = [];
	for (const size of SIZES) {
		await page.setViewportSize(size);
		// What is drawn to the width follows it in frames, and parts come to life one after the other.
		await page.waitForLoadState('networkidle');
		await page.evaluate(
			() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done)))
		);
		found.push(...(await layoutFaults(page)).map((fault) => `${path} at ${size.width}: ${fault}`));
	}
	return found;
}

test('what is cut, covered, laid over words or too wide is found', async ({ browser }) => {
	const page = await browser.newPage({ viewport: { width: 600, height: 400 } });
	const seen = async (html: string) => {
		await page.setContent(`<body style="margin:0;font:16px sans-serif">${html}`);
		return layoutFaults(page);
	};
	expect(
		await seen('<p>All well</p><div style="overflow:auto;width:60px"><nobr>scrolled words')
	).toEqual([]);
	expect(
		await seen('<div style="overflow:hidden;width:40px"><nobr>Ladder to the Lamp</nobr></div>')
	).toEqual(['cut at the side: Ladder to the Lamp']);
	expect(
		await seen('<div style="overflow:hidden;height:12px;line-height:20px">gypsy</div>')
	).toEqual(['cut above or below: gypsy']);
	expect(
		await seen('<p style="margin:0">Glass Buoy</p><p style="margin:-20px 0 0">Rope and Tar</p>')
	).toContain('words on words: Glass Buoy | Rope and Tar');
	expect(
		await seen('<p>Marsh Waltz</p><i style="position:absolute;inset:0;background:#fff"></i>')
	).toEqual(['under i: Marsh Waltz']);
	expect(await seen('<div style="width:700px">wide</div>')).toEqual([
		'the page is 100 px too wide'
	]);
	await page.close();
});

for (const theme of ['light', 'dark'] as const) {
	test(`nothing is cut or covered on any screen of the demo notebook, ${theme}`, async ({
		page,
		request
	}) => {
		test.slow();
		await page.emulateMedia({ colorScheme: theme });
		const { tunes } = await (await request.get('/api/v1/tunes')).json();
		const { sets } = await (await request.get('/api/v1/sets')).json();
		const demo = sets.find((set: { name: string }) => set.name === 'Thursday on the Corvane');
		const titled = (title: string) =>
			tunes.find((tune: { title: string }) => tune.title === title).id as string;
		await visit(page, '/');
		const paths = [
			...['/', '/log', '/settings', '/help', `/sets/${demo.id}`],
			...['Tin Roof Ferry', 'Two Harbours'].flatMap((title) =>
				SCREENS.map((screen) => `/tunes/${titled(title)}/${screen}`)
			),
			`/tunes/${titled('Tin Roof Ferry')}/route?stand=`
		];
		const found: string[] = [];
		const links = new Set<string>();
		for (const path of paths) {
			if (new URL(page.url()).pathname + new URL(page.url()).search !== path) await go(page, path);
			found.push(...(await faultsOf(page, path)));
			const hrefs = page.locator('a[href^="/"]');
			for (const href of await hrefs.evaluateAll((all) =>
				all.map((a) => a.getAttribute('href') ?? '')
			)) {
				links.add(href);
			}
		}
		expect(found).toEqual([]);
		if (theme === 'dark') return;
		// Tunes of other tests come and go; those of the demo stay, and a set must never be taken for a tune.
		const stay = new Set<string>([demo.id, ...demo.tuneIds]);
		const kept = [...links].filter((href) => {
			const id = /^\/(?:tunes|sets)\/([^/?]+)/.exec(href)?.[1];
			return id === undefined || stay.has(id);
		});
		expect(kept.length).toBeGreaterThan(30);
		for (const href of kept) expect((await request.get(href)).status(), href).toBeLessThan(400);
	});
}

/** A chart as hard on a page as one can be: long words everywhere, four chords a bar, many of them long. */
const HOSTILE = `title: The Long Way Round the Breakwater to the Ferry Landing in Fog, Reprise for Two Guitars
key: Db minor
tempo: 208
feel: sixteenths

[Head with a name that goes on and on]
| Dbm7b5 Gb7#9b13 Cbmaj7#11 Fb13#11 | Bbm7b5/E Eb7alt Abm(maj7) Db7#5#9 | Gbm11 Cb9sus4 Fbmaj9#11 Bb7b9b13 | Ebm7b5 Ab7#9#11 Dbm6/9 Gb13b9 |
| Cbmaj7#11 Fb7#9 Bbm7b5 Eb7b9b13 | Abm9 Db13#11 Gbmaj7#5 Cb7alt | Fbmaj13 Bbm11b5 Eb7#9#5 Abm(maj9) | Db7b9 G7alt Gbm7 Cb13 |
[Bridge]
| Fbmaj7 % Bbm7b5 Eb7alt | Abm7 Db7 Gbm7 Cb7 | Fbmaj7#11/Bb Bb7alt Ebm7b5 Ab7b9 | Dbm(maj7) Db7#9b13 Gbm(maj7) Cb7b5 |
`;

/** A panel full of text: twelve lines that do not read, each told at length, over eight strings. */
const TWELVE = `title: Twelve Lines That Nobody Reads
tuning: F#1 B1 E2 A2 D3 G3 B3 E4
capo: 2
${Array.from({ length: 12 }, (_, i) => `| Cmjx7unreadable${i}#11b9sus Fm | G7alt Ebmaj13#11/Bb |`).join('\n')}
`;

test.describe('nor of a notebook that is hard on pages', () => {
	let id = '';
	let twelve = '';
	let set = '';
	test.beforeAll(async ({ playwright, baseURL }) => {
		const request = await playwright.request.newContext({ baseURL });
		const post = async (path: string, data: unknown) => {
			const response = await request.post(path, { data });
			expect(response.ok(), `${path} ${await response.text()}`).toBe(true);
			return (await response.json()) as { id: string };
		};
		({ id } = await post('/api/v1/tunes', { chart: HOSTILE }));
		({ id: twelve } = await post('/api/v1/tunes', { chart: TWELVE }));
		({ id: set } = await post('/api/v1/sets', {
			name: 'Every last Sunday of the month in the net loft above the boat yard, in any rain',
			note: 'sound check at six, bring the long lead, the spare strings and a torch for the stairs',
			tuneIds: [id]
		}));
		await post(`/api/v1/tunes/${id}/routes`, {
			...{ name: 'Position 9, guide tones in sixteenths, as played on the last evening of summer' },
			...{ position: 9, style: 'guide-tones', line: { grid: 'sixteenth' } },
			anchors: { locks: [], letPass: [] }
		});
		await request.dispose();
	});
	test.afterAll(async ({ playwright, baseURL }) => {
		const request = await playwright.request.newContext({ baseURL });
		await request.delete(`/api/v1/sets/${set}`);
		await request.delete(`/api/v1/tunes/${id}`);
		await request.delete(`/api/v1/tunes/${twelve}`);
		await request.dispose();
	});

	for (const [name, theme, large] of [
		['in light', 'light', false],
		['in dark', 'dark', false],
		['in large text', 'light', true]
	] as const) {
		test(name, async ({ page }) => {
			test.slow();
			await page.emulateMedia({ colorScheme: theme });
			// As a browser does whose player has asked for larger text: its own sizes, and the breakpoints with them.
			const fonts = await page.context().newCDPSession(page);
			const size = (standard: number) =>
				fonts.send('Page.setFontSizes', { fontSizes: { standard, fixed: standard } });
			await size(large ? 20 : 16);
			await visit(page, '/help');
			const found: string[] = [];
			for (const path of [
				...SCREENS.map((screen) => `/tunes/${id}/${screen}`),
				...['chart', 'neck', 'route'].map((screen) => `/tunes/${twelve}/${screen}`),
				...[`/tunes/${id}/route?stand=`, `/sets/${set}`, '/', '/log']
			]) {
				await go(page, path);
				found.push(...(await faultsOf(page, path.replace(id, '…'))));
			}
			await size(16);
			expect(found).toEqual([]);
		});
	}
});

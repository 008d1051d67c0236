import { MEDIUM_HAND } from '$core/neck';
import { NO_LINE, NO_ANCHORS } from '../../api/route-schema';
import { must } from '$core/test-must';
import { extractText, getDocumentProxy } from 'unpdf';
import { beforeAll, describe, expect, it } from 'vitest';
import { parseChart } from '$core/chart';
import { TEXTS } from '$core/formats/test-pieces';
import { planInput } from '../../api/import-file';
import { DEMO_TUNES } from '../demo-tunes';
import { parseXml } from '$core/formats';
import { sheetPdf, sheetSvg, type SheetRequest } from './make';
import type { SheetOptions } from './options';
import { tempi } from './text-blocks';
import { fitted, linesOf, widthOf, write } from './type';

const USUAL: SheetOptions = { paper: 'a4', show: 'both', leftHanded: false, large: false };

/** A page of a tune, planned with a grid or without a route. */
function requestOf(
	chart: string,
	grid: 'targets' | 'eighth' | null,
	options: Partial<SheetOptions> = {},
	position = 6
): SheetRequest {
	const frame = {
		...{ chart, own: [], handMm: 100, position },
		set: { name: 'Thursday on the Corvane', number: 1, count: 8 },
		options: { ...USUAL, ...options }
	};
	if (!grid) return { ...frame, route: null };
	const line = { ...NO_LINE, grid };
	const input = {
		name: 'Sixth',
		position,
		style: 'guide-tones' as const,
		line,
		anchors: NO_ANCHORS
	};
	const { plan } = must(planInput(chart, input, { own: [], hand: MEDIUM_HAND }));
	const notes = plan.notes.length > 0 ? plan.notes : [];
	return { ...frame, route: { name: 'Sixth', style: 'guide-tones', line, plan, notes } };
}

/** The texts of every page, as another program reads them. */
async function read(pdf: Uint8Array) {
	const document = await getDocumentProxy(pdf);
	const { text } = await extractText(document, { mergePages: false });
	const page = await document.getPage(1);
	const operators = await page.getOperatorList();
	const [, , width, height] = page.view;
	// Pictures would be operators of their own: 85, 86 and 88 paint images.
	const images = operators.fnArray.filter((code: number) => [82, 83, 85, 86, 88].includes(code));
	return { pages: text, width, height, images: images.length };
}

describe('the printed page', () => {
	let pages: string[];
	let size: [number, number];
	let images: number;
	const request = requestOf(TEXTS.ferry, 'eighth');
	beforeAll(async () => {
		const made = await read(await sheetPdf(request));
		pages = made.pages;
		size = [Math.round(made.width), Math.round(made.height)];
		images = made.images;
	});

	it('is two sheets of A4, drawn and set, without a picture', () => {
		expect(pages).toHaveLength(2);
		expect(size).toEqual([595, 842]);
		expect(images).toBe(0);
	});

	it('has title, facts, chords with numerals, fret numbers and words in another program', () => {
		const all = pages.join('\n');
		for (const words of [
			'Tin Roof Ferry',
			'12-bar shuffle',
			'Position 6, frets 6 to 9',
			'Land on the third or the seventh, on every change',
			'The changes',
			'The chords in this place',
			'double outline: land here',
			'The route',
			'First the landings alone, then the line.',
			'Thursday on the Corvane, 1 of 8 · page 2 of 2',
			'Stop when anything hurts, tingles or goes numb.',
			'½ from',
			'start'
		]) {
			expect(all).toContain(words);
		}
		// Accidentals are signs, never letters.
		expect(all).toContain('♭');
		expect(all).toContain('♯iv');
		expect(all).not.toMatch(/\bBb7|Eb7\b/);
		expect(all).not.toContain('?');
	});

	it('has every fret of the line in its tab, landings among them', () => {
		const frets = (request.route?.notes ?? []).map(({ fret }) => String(fret));
		const words = pages[1].split(/[\s()]+/);
		for (const fret of new Set(frets)) {
			const told = words.filter((word) => word === fret).length;
			expect(told).toBeGreaterThanOrEqual(frets.filter((each) => each === fret).length);
		}
	});

	it('says the same in the browser as in the file', () => {
		const drawn = sheetSvg(request);
		expect(drawn).toHaveLength(2);
		const wordsOf = (text: string) =>
			[...text.replace(/\s+/g, '').matchAll(/[A-Za-z0-9♭♯½°]/g)]
				.map(([sign]) => sign)
				.sort()
				.join('');
		drawn.forEach((svg, i) => {
			const node = must(parseXml(svg));
			const texts = node.children.filter(
				({ name, attributes }) => name === 'text' && attributes['font-family'] !== 'Score'
			);
			expect(wordsOf(texts.map(({ text }) => text).join(''))).toBe(wordsOf(pages[i]));
		});
	});

	it.each<[string, Partial<SheetOptions>, number, string[], string[]]>([
		['pictures alone', { show: 'pictures' }, 1, ['The chords in this place'], ['The route']],
		['the plan alone', { show: 'tab' }, 1, ['The route', 'Practise'], ['The chords in this place']],
		['large print', { large: true }, 4, ['The route', 'Practise'], []]
	])('shows %s', (_, options, count, there, missing) => {
		const drawn = sheetSvg(requestOf(TEXTS.ferry, 'eighth', options));
		expect(drawn).toHaveLength(count);
		const words = drawn.join().replace(/<[^<>]*>/g, ' ');
		for (const each of there) expect(words).toContain(each);
		for (const each of missing) expect(words).not.toContain(each);
	});

	it('comes on Letter, too, and mirrored for the left hand', async () => {
		const usual = requestOf(TEXTS.minor, null, { paper: 'letter' }, 9);
		const made = await read(await sheetPdf(usual));
		expect([made.width, made.height]).toEqual([612, 792]);
		const frets = (svg: string) => [...svg.matchAll(/>(8|13)</g)].map(([, fret]) => fret);
		const left = requestOf(TEXTS.minor, null, { paper: 'letter', leftHanded: true }, 9);
		const xs = (svg: string) =>
			[...svg.matchAll(/<text x="([\d.]+)"[^>]*>(8|9|10|11|12|13)</g)]
				.slice(0, 6)
				.map(([, x]) => Number(x));
		const [one] = sheetSvg(usual);
		const [other] = sheetSvg(left);
		expect(frets(one)).toEqual(frets(other));
		expect(xs(one).every((x, i, all) => i === 0 || x > all[i - 1])).toBe(true);
		expect(xs(other).every((x, i, all) => i === 0 || x < all[i - 1])).toBe(true);
	});

	it.each(DEMO_TUNES.map(({ chart }) => [parseChart(chart).headers.title, chart] as const))(
		'keeps %s inside the paper',
		(_, chart) => {
			for (const grid of [null, 'eighth'] as const) {
				const request = requestOf(chart, grid, {}, 5);
				for (const svg of sheetSvg(request)) {
					const node = must(parseXml(svg));
					for (const { attributes, text, name } of node.children) {
						if (name !== 'text') continue;
						const [x, y] = [Number(attributes.x), Number(attributes.y)];
						expect([text, x > 30 && x < 570 && y > 20 && y < 825]).toEqual([text, true]);
					}
				}
			}
		}
	);

	it('keeps titles and names as they are, whatever they hold', () => {
		const chart =
			'title: <b>&"A very long name of a tune that goes on & on for ever and ever</b>\n| C |\n';
		const [svg] = sheetSvg(requestOf(chart, null));
		expect(svg).not.toContain('<b>');
		expect('error' in parseXml(svg)).toBe(false);
	});
});

describe('setting type', () => {
	it('measures, fits and breaks text, and sets signs in the font that has them', () => {
		expect(widthOf('mm', 'text', 10)).toBeCloseTo(2 * widthOf('m', 'text', 10), 1);
		expect(
			widthOf(fitted('a long name of a tune', 'title', 20, 90), 'title', 20)
		).toBeLessThanOrEqual(90);
		for (const line of linesOf('one two three four five six', 'text', 10, 60)) {
			expect(widthOf(line, 'text', 10)).toBeLessThanOrEqual(60);
		}
		const runs = write(0, 0, 'B♭ 日', 'text', 10);
		expect(runs.map((run) => run.kind === 'text' && [run.font, run.text])).toEqual([
			['text', 'B'],
			['plain', '♭'],
			['text', ' ?']
		]);
	});

	it('climbs to the tempo in steps that can be ticked', () => {
		expect(tempi(104)).toEqual([72, 76, 80, 84, 88, 92, 96, 100, 104]);
		for (let tempo = 30; tempo <= 300; tempo += 7) {
			const steps = tempi(tempo);
			expect(steps.at(-1)).toBe(tempo);
			expect(steps.length).toBeLessThanOrEqual(9);
			expect([...steps].sort((a, b) => a - b)).toEqual(steps);
		}
	});
});

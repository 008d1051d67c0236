import { keyName } from '$core/chart';
import { proseSigns } from '$core/chord';
import type { FileNote } from '$core/formats';
import { functionsAlong, keyOf } from '$core/harmony';
import { plural } from '../../words/words';
import { changesInk, isDense } from './changes-block';
import type { Block, SheetContent } from './content';
import { line, moved, type Ink, type Page } from './ink';
import type { SheetOptions } from './options';
import { pictureBlocks } from './picture-blocks';
import { routeInk } from './route-block';
import { heading, practiceBlock, titleBlock } from './text-blocks';
import { fitted, widthOf, write } from './type';

/** Width and height in points. */
const SIZES = { a4: [595.28, 841.89], letter: [612, 792] } as const;

const MARGIN = 42;
const FOOT = 26;
/** Large print is this much larger. */
const LARGER = 1.3;

/** Blocks that belong together: they begin a page of their own where they do not fit behind the others. */
type Part = readonly Block[];

const tall = (blocks: readonly Block[]): number =>
	blocks.reduce((sum, { height }) => sum + height + GAP, 0);

function changesPart(content: SheetContent, options: SheetOptions, width: number): Part {
	const { chart } = content;
	const key = keyOf(chart);
	const home = key ? `home is ${proseSigns(keyName(key).split(' ')[0])}` : '';
	const written = chart.bars.length;
	const played = chart.played.length;
	const times = played > written ? `${plural(written, 'bar')} written, ${played} played` : '';
	const functions = key ? functionsAlong(chart, key) : null;
	return [
		titleBlock(content, width),
		heading(width, 'The changes', [times, home].filter(Boolean).join('; ')),
		...changesInk(chart, functions, 0, width, options.large || isDense(chart) ? 2 : 4)
	];
}

function picturesPart(
	content: SheetContent,
	options: SheetOptions,
	width: number,
	perRow: number
): Part {
	const { windows } = content;
	const words = windows ? 'where the hand is when they first sound' : 'the hand does not move';
	const title = windows ? 'The chords' : 'The chords in this place';
	return [heading(width, title, words), ...pictureBlocks(content, options, width, perRow)];
}

/** Bars that stand in a row of the plan: fewer where notes are many. */
function barsPerRow({ chart }: SheetContent, notes: readonly FileNote[], large: boolean): number {
	const counts = chart.played.map(
		({ startTick, lengthTicks }) =>
			notes.filter(({ tick }) => tick >= startTick && tick < startTick + lengthTicks).length
	);
	const most = Math.max(...counts);
	const fitting = most <= 7 ? 4 : most <= 9 ? 3 : most <= 12 ? 2 : 1;
	return large ? Math.min(2, fitting) : fitting;
}

/** How large the staves are drawn: as usual, and where that saves a page. */
const SCALES = [0.5, 0.45] as const;

function routePart(
	content: SheetContent,
	options: SheetOptions,
	width: number,
	closer: 0 | 1
): Part {
	const { route, chart, instrument } = content;
	if (!route) return [];
	const { notes, landings } = route;
	const words = 'bold number: the landing; words: how to come in (½ a semitone, 1 a whole step)';
	const frame = { chart, instrument, notes, landings, width, scale: SCALES[closer] };
	const perRow = Math.min(4, closer + barsPerRow(content, notes, options.large));
	const rows = routeInk({ ...frame, barsPerRow: perRow });
	return [heading(width, 'The route', words), ...rows];
}

/** What the page holds, part by part; pictures are drawn large where the plan has a page of its own. */
function partsOf(
	content: SheetContent,
	options: SheetOptions,
	width: number,
	room: number
): Part[] {
	const changes = changesPart(content, options, width);
	const pictures = (perRow: number) =>
		options.show === 'tab' ? [] : picturesPart(content, options, width, perRow);
	const plan = (closer: 0 | 1) =>
		options.show === 'pictures' ? [] : routePart(content, options, width, closer);
	const route = plan(0);
	const practice = [heading(width, 'Practise', ''), practiceBlock(content, width)];
	const usual = options.large ? 3 : 4;
	const one = [...changes, ...pictures(usual), ...route, ...practice];
	if (tall(one) <= room || route.length === 0) return [one];
	// A bar more in a row may be what saves a page.
	const closer = [...changes, ...pictures(usual), ...plan(1), ...practice];
	if (tall(closer) <= room) return [closer];
	const wide = pictures(usual - 1);
	const first = [...changes, ...(tall([...changes, ...wide]) <= room ? wide : pictures(usual))];
	return [first, [...route, ...practice]];
}

const GAP = 4;

/** Lays parts on pages: a heading stays with what it heads, a row is never broken. */
function laidOut(parts: readonly Part[], margin: number, bottom: number): Ink[][] {
	const pages: Ink[][] = [];
	let y = Infinity;
	for (const part of parts) {
		const room = bottom - margin + 8;
		// A part that would be broken begins a page of its own, if one page holds it.
		if (y + tall(part) > bottom && tall(part) <= room) y = Infinity;
		part.forEach((block, i) => {
			const next = part[i + 1] as Block | undefined;
			const whole = block.height + (block.heads && next ? next.height + GAP : 0);
			if (y + whole > bottom) {
				pages.push([]);
				y = margin - 8;
			}
			pages.at(-1)?.push(...moved(block.ink, margin, y));
			y += block.height + GAP;
		});
	}
	return pages;
}

/**
 * Sets the page that lies on the music stand: title, chart with numerals, each chord in its place, the plan
 * as notation and tab with its landings marked, and tempi to tick. As many pages as it takes; the plan
 * begins a page of its own where it would be broken otherwise.
 */
export function setSheet(content: SheetContent, options: SheetOptions): Page[] {
	const [paperWidth, paperHeight] = SIZES[options.paper];
	const larger = options.large ? LARGER : 1;
	// Large print is the same page on a smaller sheet, enlarged.
	const [width, height] = [paperWidth / larger, paperHeight / larger];
	const margin = MARGIN / larger;
	const inner = width - 2 * margin;
	const bottom = height - margin - FOOT + 8;
	const parts = partsOf(content, options, inner, bottom - margin + 8);
	const pages = laidOut(parts, margin, bottom);
	const stop = 'Stop when anything hurts, tingles or goes numb.';
	const care = options.large ? stop : `Rest a few minutes in every half hour. ${stop}`;
	const { set, chart } = content;
	const name = chart.headers.title ?? 'Untitled tune';
	const where = set ? `${set.name}, ${set.number} of ${set.count}` : name;
	const low = height - margin + 4;
	const size = 7.5 / Math.sqrt(larger);
	const careWidth = widthOf(care, 'text', size);
	return pages.map((ink, i) => {
		const page = pages.length > 1 ? ` · page ${i + 1} of ${pages.length}` : '';
		const told = fitted(`Arc Step · ${where}${page}`, 'text', size, inner - careWidth - 16);
		const foot: Ink[] = [
			line(margin, low - 11, width - margin, low - 11, { width: 0.5, stroke: 0.4 }),
			...write(margin, low, care, 'text', size),
			...write(width - margin, low, told, 'text', size, { align: 'end' })
		];
		const all = [...ink, ...foot];
		return {
			width: paperWidth,
			height: paperHeight,
			ink: larger === 1 ? all : enlarged(all, larger)
		};
	});
}

/** The same marks, larger. */
const enlarged = (ink: readonly Ink[], by: number): Ink[] =>
	ink.map((mark): Ink =>
		mark.kind === 'text'
			? { ...mark, x: by * mark.x, y: by * mark.y, size: by * mark.size }
			: { ...mark, x: by * (mark.x ?? 0), y: by * (mark.y ?? 0), scale: by }
	);

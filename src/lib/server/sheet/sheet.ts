import { keyName, type Chart } from '$core/chart';
import { proseSigns, sameChord } from '$core/chord';
import type { FileNote } from '$core/formats';
import { functionsAlong, keyOf } from '$core/harmony';
import type { Hand, Instrument } from '$core/neck';
import { distinctChords, type Style } from '$core/route';
import { capital, plural } from '../../ui/words';
import { changesInk } from './changes-block';
import { box, line, moved, type Ink, type Page } from './ink';
import { pictureInk, roleInk, type Picture } from './neck-picture';
import type { SheetOptions } from './options';
import { routeInk, type Landing } from './route-block';
import { fitted, linesOf, widthOf, write } from './type';

/** Width and height in points. */
const SIZES = { a4: [595.28, 841.89], letter: [612, 792] } as const;

/** What stands on the page. */
export type SheetContent = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly hand: Hand;
	readonly position: number;
	/** Where the hand is at each change, where it moves. */
	readonly windows: readonly number[] | null;
	/** Null for a tune without a route. */
	readonly route: {
		readonly name: string;
		readonly style: Style;
		readonly grid: string;
		readonly notes: readonly FileNote[];
		readonly landings: readonly (Landing & { change: number; string: number; fret: number })[];
	} | null;
	/** The set that the tune stands in, its number there and how many there are. */
	readonly set: { readonly name: string; readonly number: number; readonly count: number } | null;
};

const MARGIN = 42;
const FOOT = 26;
/** Large print is this much larger. */
const LARGER = 1.3;

const LAND: Record<Style, string> = {
	roots: 'Land on the root, on every change',
	'guide-tones': 'Land on the third or the seventh, on every change',
	nearest: 'Land on the nearest chord tone, on every change',
	arpeggio: 'Chord tones alone, landings and ways',
	blend: 'Minor pentatonic of home, with the third of each chord',
	mirror: 'One cell moved to each chord'
};
const GRID: Readonly<Record<string, string>> = {
	targets: 'Landings alone',
	quarter: 'Quarters only',
	eighth: 'Eighths only',
	triplet: 'Triplets only',
	sixteenth: 'Sixteenths only'
};

/** A part of the page that is not broken. */
type Block = { readonly ink: readonly Ink[]; readonly height: number; readonly heads?: true };

const heading = (width: number, title: string, words: string): Block => {
	const wide = widthOf(title, 'title', 12.5);
	return {
		ink: [
			line(0, 0, width, 0, { width: 0.8 }),
			...write(0, 16, title, 'title', 12.5),
			...write(wide + 6, 16, words, 'text', 8.5, { fill: 0.15 })
		],
		height: 23,
		heads: true
	};
};

function titleBlock(content: SheetContent, width: number): Block {
	const { chart, position, route, windows } = content;
	const { title, tempo, feel } = chart.headers;
	const number = String(Math.round(10 * tempo) / 10);
	const right = width - widthOf(number, 'title', 25);
	const most = right - 120;
	const whole = title ?? 'Untitled tune';
	const size = Math.min(34, Math.max(16, (34 * (most - 18)) / widthOf(whole, 'title', 34)));
	const name = fitted(whole, 'title', size, most - 16);
	const key = keyOf(chart);
	const bars = chart.played.length;
	const capo = chart.headers.capo > 0 ? ` from the capo at ${chart.headers.capo}` : '';
	const facts = [
		key ? proseSigns(keyName(key)) : 'no key',
		`${bars}-bar ${feel === 'sixteenths' ? 'groove in sixteenths' : feel}`,
		windows
			? 'The hand moves'
			: `Position ${position}, frets ${position} to ${position + 3}${capo}`,
		route ? LAND[route.style] : ''
	].filter(Boolean);
	const ink: Ink[] = [
		...write(0, 31, name, 'title', size),
		...write(most, 32, 'Name', 'text', 8.5),
		line(most + 26, 33, right - 26, 33),
		...write(right - 17, 32, '♩', 'title', 25),
		...write(right, 32, number, 'title', 25),
		line(0, 41, width, 41, { width: 2.2 })
	];
	let at = 0;
	let y = 57;
	facts.forEach((fact, i) => {
		const wide = widthOf(fact, 'strong', 9.5);
		if (at > 0 && at + wide > width) [at, y] = [0, y + 13];
		else if (i > 0) {
			ink.push(line(at - 8, y - 8, at - 8, y + 3, { stroke: 0.6 }));
		}
		ink.push(...write(at, y, fact, 'strong', 9.5));
		at += wide + 16;
	});
	return { ink, height: y + 11 };
}

/** Each chord once, where the hand is when it first sounds, with every landing on it there. */
function picturesOf(content: SheetContent): Picture[] {
	const { chart, route, position, windows } = content;
	const key = keyOf(chart);
	const functions = key ? functionsAlong(chart, key) : null;
	return distinctChords({ chart }).map((chord) => {
		const changes = chart.changes.filter(({ to }) => sameChord(to.chord, chord));
		const at = windows && changes[0] ? (windows[changes[0].index] ?? position) : position;
		const landings = (route?.landings ?? []).filter(({ change }) =>
			changes.some((each) => each.index === change && (windows?.[change] ?? position) === at)
		);
		const event = chart.events.find((each) => each.chord && sameChord(each.chord, chord));
		const numeral = event ? (functions?.[event.index]?.numeral ?? '') : '';
		return { chord, numeral, landings, position: at };
	});
}

const LEGEND = [
	['R', 'root', false],
	['3', 'third or seventh', false],
	['5', 'fifth', false],
	['b9', 'tension', false],
	['3', 'double outline: land here', true]
] as const;

function legend(x: number, y: number, content: SheetContent): Ink[] {
	const { position, windows } = content;
	const ink = LEGEND.filter(([, , landing]) => !landing || content.route).flatMap(
		([role, words, landing], i) => [
			...roleInk(x + 7, y + 8 + 15 * i, role, 5, landing),
			...write(x + 20, y + 11 + 15 * i, words, 'text', 8.5)
		]
	);
	const last = y + 15 * (content.route ? 5 : 4);
	ink.push(box(x + 1, last + 4, 12, 8, { stroke: 0, width: 1.6 }));
	const frets = windows ? 'a finger each' : `frets ${position} to ${position + 3}, a finger each`;
	ink.push(...write(x + 20, last + 11, frets, 'text', 8.5));
	return ink;
}

/** The pictures in rows; the words of the marks stand behind the last one, or under it. */
function pictureBlocks(
	content: SheetContent,
	options: SheetOptions,
	width: number,
	perRow: number
): Block[] {
	const { instrument, hand } = content;
	const pictures = picturesOf(content);
	const gap = 14;
	const each = (width - gap * (perRow - 1)) / perRow;
	const strings = instrument.open.length;
	const height = 34 + Math.min(17, each / 9) * (strings - 1);
	const look = { width: each, height, instrument, hand, leftHanded: options.leftHanded };
	const blocks: Block[] = [];
	for (let i = 0; i < pictures.length || i % perRow !== 0; i += perRow) {
		const row = pictures.slice(i, i + perRow);
		if (row.length === 0) break;
		const ink = row.flatMap((picture, k) => pictureInk(k * (each + gap), 0, picture, look));
		const isLast = i + perRow >= pictures.length;
		if (isLast && row.length < perRow) ink.push(...legend(row.length * (each + gap), 4, content));
		blocks.push({ ink, height: height + 12 });
	}
	if (pictures.length % perRow === 0) blocks.push({ ink: legend(0, 0, content), height: 96 });
	return blocks;
}

/** Tempi to tick, from a slow one up to the tune's. */
export function tempi(tempo: number): number[] {
	const top = Math.round(tempo);
	const start = Math.max(30, Math.round((0.7 * top) / 4) * 4);
	const steps = Math.max(1, Math.min(8, Math.round((top - start) / 4)));
	return Array.from({ length: steps + 1 }, (_, i) =>
		Math.round(start + ((top - start) * i) / steps)
	);
}

function practiceBlock(content: SheetContent, width: number): Block {
	const { chart, position, route, windows } = content;
	const boxes = tempi(chart.headers.tempo);
	const each = 28.5;
	const start = width - each * boxes.length + 6;
	const grid = route ? GRID[route.grid] : null;
	const stay = windows ? 'let the hand move as marked' : `stay in position ${position}`;
	const bold = 'First the landings alone, then the line.';
	const rest = `${grid ? `${grid}, ` : ''}${stay}. Two clean choruses: tick, go on. One broken: a step back.`;
	const words = linesOf(`${bold} ${capital(rest)}`, 'text', 9.5, start - 24);
	const ink: Ink[] = [];
	let left = bold.length;
	words.forEach((text, i) => {
		const y = 11 + 13.5 * i;
		const head = text.slice(0, Math.max(0, left));
		const tail = text.slice(head.length);
		left -= text.length + 1;
		ink.push(...write(0, y, head, 'strong', 9.5));
		ink.push(...write(widthOf(head, 'strong', 9.5), y, tail, 'text', 9.5));
	});
	boxes.forEach((tempo, i) => {
		const x = start + each * i;
		ink.push(box(x, 2, 21, 21, { stroke: 0, width: 0.8 }));
		ink.push(...write(x + 10.5, 34, String(tempo), 'tab', 9, { align: 'middle' }));
	});
	return { ink, height: Math.max(40, 13.5 * words.length + 6) };
}

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
		...changesInk(chart, functions, 0, width, options.large ? 2 : 4)
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

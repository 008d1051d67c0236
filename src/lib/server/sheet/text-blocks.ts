import { clamp } from '$core/kernel';
import { keyName } from '$core/chart';
import { proseSigns } from '$core/chord';
import { keyOf } from '$core/harmony';
import type { Style } from '$core/route';
import { capital, withHome } from '../../words/words';
import type { Block, SheetContent } from './content';
import { box, line, type Ink } from './ink';
import { fitted, linesOf, widthOf, write } from './type';

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

/** The head of a part: its name, and a few words beside it. */
export const heading = (width: number, title: string, words: string): Block => {
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

/** The tune’s name over what must be known before the count-in. */
export function titleBlock(content: SheetContent, width: number): Block {
	const { chart, position, route, windows } = content;
	const { title, tempo, feel } = chart.headers;
	const number = String(Math.round(10 * tempo) / 10);
	const right = width - widthOf(number, 'title', 25);
	const most = right - 120;
	const whole = title ?? 'Untitled tune';
	const size = clamp((34 * (most - 18)) / widthOf(whole, 'title', 34), 16, 34);
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
		route ? withHome(LAND[route.style], key) : ''
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

/** Tempi to tick, from a slow one up to the tune's. */
export function tempi(tempo: number): number[] {
	const top = Math.round(tempo);
	const start = Math.max(30, Math.round((0.7 * top) / 4) * 4);
	const steps = Math.max(1, Math.min(8, Math.round((top - start) / 4)));
	return Array.from({ length: steps + 1 }, (_, i) =>
		Math.round(start + ((top - start) * i) / steps)
	);
}

/** How to practise it: one line, and tempi to tick. */
export function practiceBlock(content: SheetContent, width: number): Block {
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

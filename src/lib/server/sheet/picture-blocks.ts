import { sameChord } from '$core/chord';
import { functionsAlong, keyOf } from '$core/harmony';
import { distinctChords } from '$core/route';
import type { Block, SheetContent } from './content';
import { box, type Ink } from './ink';
import { pictureInk, roleInk, type Picture } from './neck-picture';
import type { SheetOptions } from './options';
import { write } from './type';

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
		const numeral = event ? (functions?.[event.index]?.numeral ?? null) : null;
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
export function pictureBlocks(
	content: SheetContent,
	options: SheetOptions,
	width: number,
	perRow: number
): Block[] {
	const { instrument } = content;
	const pictures = picturesOf(content);
	const gap = 14;
	const each = (width - gap * (perRow - 1)) / perRow;
	const strings = instrument.open.length;
	const height = 34 + Math.min(17, each / 9) * (strings - 1);
	const look = { width: each, height, instrument, leftHanded: options.leftHanded };
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

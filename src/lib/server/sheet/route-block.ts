import type { Notation } from '$core/pitch';
import type { Chart } from '$core/chart';
import { proseSigns, roleKind, signs, type Role } from '$core/chord';
import type { FileNote } from '$core/formats';
import type { Instrument } from '$core/neck';
import type { Approach } from '$core/route';
import { shapePath, labelShift } from '../../draw/role-shape';
import { engraveRows, type EngravedRow } from './engraving';
import { line, moved, type Ink } from './ink';
import { chordInk, widthOf, write } from './type';

/** A landing as the page marks it. */
export type Landing = {
	readonly tick: number;
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role;
	readonly approach: Approach | null;
};

/** How a landing is come to, in few words. */
const COMING: Record<Approach, string> = {
	'half-below': '½ from below',
	'half-above': '½ from above',
	step: '1 step',
	enclosure: 'enclosure',
	leap: 'leap',
	other: 'from afar'
};

/** Over the staves: the chords, and the arcs from landing to landing. */
const CHORDS = 14;
const ARCS = 29;
const WORDS = 10;
const MARK = 6.6;

/** Where a tick stands in a row: at its note, else at its share of the bar. */
function xOf(row: EngravedRow, chart: Chart, tick: number): number | null {
	const bar = row.bars.find(({ index }) => {
		const { startTick, lengthTicks } = chart.played[index];
		return tick >= startTick && tick < startTick + lengthTicks;
	});
	if (!bar) return null;
	const at = bar.beats.find((beat) => Math.abs(beat.tick - tick) < 10);
	if (at) return at.x;
	const { startTick, lengthTicks } = chart.played[bar.index];
	return bar.x + ((tick - startTick) / lengthTicks) * bar.width;
}

function markInk(x: number, y: number, { role, name }: Landing): Ink[] {
	const kind = roleKind(role);
	const root = kind === 'root';
	const label = signs(name);
	const size = label.length > 2 ? 5 : 6;
	return [
		{ kind: 'path', d: shapePath(kind, MARK + 2.4), x, y, fill: 1, stroke: 0, width: 1 },
		{ kind: 'path', d: shapePath(kind, MARK), x, y, fill: root ? 0 : 1, stroke: 0, width: 1.4 },
		...write(x, y + 0.36 * size + labelShift(kind) * MARK, label, 'strong', size, {
			...{ align: 'middle', fill: root ? 1 : 0 }
		})
	];
}

/** Tab numbers of landings stand out, the others step back. */
function weighted(ink: readonly Ink[], landings: readonly number[]): Ink[] {
	return ink.map((mark) => {
		if (mark.kind !== 'text' || mark.font !== 'tab') return mark;
		const middle = mark.x + widthOf(mark.text, 'tab', mark.size) / 2;
		const lands = landings.some((x) => Math.abs(x - middle) < 4);
		if (lands) return mark;
		const wide = widthOf(mark.text, 'count', mark.size);
		return { ...mark, font: 'count', x: middle - wide / 2 };
	});
}

type Frame = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly notes: readonly FileNote[];
	readonly landings: readonly Landing[];
	readonly width: number;
	readonly scale: number;
	readonly barsPerRow: number;
};

/** The plan, row by row: chords, arcs between landings, notation, tab, and how each landing is come to. */
export function routeInk(frame: Frame): { ink: Ink[]; height: number }[] {
	const { chart, instrument, notes, landings, width, scale, barsPerRow } = frame;
	const rows = engraveRows(chart, instrument, notes, chart.played, { width, scale, barsPerRow });
	const pitches = landings.map(({ midi }) => midi);
	const [low, high] = [Math.min(...pitches), Math.max(...pitches)];
	const rise = (midi: number) => (high === low ? 0.5 : (midi - low) / (high - low));
	const heightOf = (midi: number) => CHORDS + ARCS - 10 - 6 * rise(midi);
	return rows.map((row, r) => {
		const ink: Ink[] = [];
		const staff = CHORDS + ARCS;
		const [first] = row.bars;
		const last = row.bars.at(-1);
		const here = landings.flatMap((landing) => {
			const x = xOf(row, chart, landing.tick);
			return x === null ? [] : [{ landing, x, y: heightOf(landing.midi) }];
		});
		ink.push(
			...moved(
				weighted(
					row.ink,
					here.map(({ x }) => x)
				),
				0,
				staff
			)
		);
		for (const bar of row.bars) {
			const end = bar.x + bar.width - 3;
			ink.push(...write(end, 7, String(bar.index + 1), 'count', 6.5, { align: 'end', fill: 0.3 }));
		}
		let free = 0;
		for (const change of chart.changes) {
			const x = xOf(row, chart, change.tick);
			if (x === null) continue;
			const start = Math.max(free, x - 4);
			const chord = chordInk(start, 12, change.to.chord, 12);
			ink.push(...chord.ink);
			free = start + chord.width + 5;
		}
		// Arcs run from landing to landing, and on over the edges of the row.
		const before = landings.findLast(
			({ tick }) => first && tick < chart.played[first.index].startTick
		);
		const after = landings.find(
			({ tick }) =>
				last && tick >= chart.played[last.index].startTick + chart.played[last.index].lengthTicks
		);
		const stops = [
			...(before && r > 0
				? [{ x: (first?.x ?? 0) - 4, y: heightOf(before.midi), midi: before.midi }]
				: []),
			...here.map(({ x, y, landing }) => ({ x, y, midi: landing.midi })),
			...(after && last
				? [{ x: last.x + last.width, y: heightOf(after.midi), midi: after.midi }]
				: [])
		];
		stops.slice(1).forEach((to, i) => {
			const from = stops[i];
			const lift = 5 + Math.min(9, 1.6 * Math.abs(to.midi - from.midi));
			const [mx, my] = [(from.x + to.x) / 2, Math.min(from.y, to.y) - lift];
			const d = `M${from.x.toFixed(1)},${from.y.toFixed(1)}Q${mx.toFixed(1)},${my.toFixed(1)} ${to.x.toFixed(1)},${to.y.toFixed(1)}`;
			ink.push({ kind: 'path', d, stroke: 0, width: 0.9 });
		});
		for (const { landing, x, y } of here) {
			ink.push(line(x, y + 8, x, staff + 4, { width: 0.5, stroke: 0.3, dash: [1.2, 1.6] }));
			ink.push(...markInk(x, y, landing));
		}
		let taken = 0;
		for (const { landing, x } of here) {
			const firstOfAll = landing === landings[0];
			const words = firstOfAll ? 'start' : landing.approach ? COMING[landing.approach] : '';
			const start = Math.max(taken, x - 6);
			if (words === '' || start + widthOf(words, 'text', 7.5) > width + 6) continue;
			ink.push(...write(start, staff + row.height + 9, proseSigns(words), 'text', 7.5));
			taken = start + widthOf(words, 'text', 7.5) + 5;
		}
		return { ink, height: staff + row.height + WORDS + 2 };
	});
}

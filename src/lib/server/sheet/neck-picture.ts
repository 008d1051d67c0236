import { samePlace, fullArpeggio, highestFret, type Instrument, type Place } from '$core/neck';
import type { Notation } from '$core/pitch';
import { roleKind, signs, type Chord, type Role } from '$core/chord';
import { neckGeometry } from '../../draw/neck-geometry';
import { labelShift, shapePath } from '../../draw/role-shape';
import { box, line, type Ink } from './ink';
import { chordInk, write } from './type';

/** A chord in its place on the neck. */
export type Picture = {
	readonly chord: Chord;
	readonly numeral: Notation | null;
	/** Where the route lands on it. */
	readonly landings: readonly Place[];
	/** The fret of the index finger. */
	readonly position: number;
};

type Look = {
	readonly width: number;
	readonly height: number;
	readonly instrument: Instrument;
	readonly leftHanded: boolean;
};

const WHITE = 1;
const DOTS = [3, 5, 7, 9, 12, 15, 17, 19, 21];

/** A tone as it is marked everywhere, in black on white. */
export function roleInk(x: number, y: number, role: Role, r: number, landing: boolean): Ink[] {
	const kind = roleKind(role);
	const root = kind === 'root';
	const heavy = kind === 'third' || kind === 'seventh';
	const d = shapePath(kind, r);
	const ink: Ink[] = [];
	if (landing) {
		const outer = shapePath(kind, r + 2.6);
		ink.push({ kind: 'path', d: outer, x, y, fill: WHITE, stroke: 0, width: 1.2 });
	}
	const width = heavy ? 1.6 : 0.8;
	const fill = root ? 0 : kind === 'fifth' ? 0.9 : WHITE;
	ink.push({ kind: 'path', d, x, y, fill, stroke: 0, width });
	if (kind === 'bass') ink.push(line(x - r, y + r, x + r, y + r, { width: 1.2 }));
	const label = signs(role);
	const size = (label.length > 3 ? 0.62 : label.length > 2 ? 0.82 : 1) * r;
	const look = { align: 'middle', fill: root ? WHITE : 0 } as const;
	ink.push(...write(x, y + 0.36 * size + labelShift(kind) * r, label, 'strong', size, look));
	return ink;
}

/**
 * A chord's shape inside a place of the neck: tones by role, the route's landings with a second outline,
 * the shape's notes joined in the order in which they rise.
 */
export function pictureInk(x: number, y: number, picture: Picture, look: Look): Ink[] {
	const { width, height, instrument, leftHanded } = look;
	const { chord, numeral, landings, position } = picture;
	const title = chordInk(x, y + 11, chord, 13);
	const ink: Ink[] = [...title.ink];
	ink.push(
		...write(x + width, y + 10, numeral ? signs(numeral) : '', 'text', 8, {
			align: 'end',
			fill: 0.3
		})
	);
	const from = Math.max(0, position - 1);
	const to = Math.min(highestFret(instrument), position + 4);
	const [top, bottom] = [y + 22, y + height - 12];
	const strings = instrument.open.length;
	const nut = from === 0 ? 11 : 0;
	const geometry = neckGeometry({
		...{ width, height, strings, from, to, leftHanded, thinOnTop: true },
		...{ left: nut, right: 0, top, bottom }
	});
	const spot = (place: Place) => {
		const at = geometry.place(place.fret);
		return { x: x + at, y: geometry.string(place.string, at) };
	};
	const first = Math.max(1, from);
	// The frets under the four fingers stand in a frame; what lies beside them is a reach.
	const [left, right] = [geometry.wire(position - 1), geometry.wire(Math.min(to, position + 3))];
	const edges = [top - 5, bottom + 5];
	for (let fret = Math.max(0, first - 1); fret <= to; fret++) {
		const at = x + geometry.wire(fret);
		const look = fret === 0 ? { width: 2.2 } : { width: 0.6, stroke: 0.55 };
		ink.push(line(at, top - 2, at, bottom + 2, look));
	}
	for (const fret of DOTS.filter((each) => each >= first && each <= to)) {
		const d = 'M-1.6,0A1.6,1.6 0 1 1 1.6,0A1.6,1.6 0 1 1 -1.6,0Z';
		ink.push({ kind: 'path', d, x: x + geometry.place(fret), y: (top + bottom) / 2, fill: 0.75 });
	}
	for (let string = 1; string <= strings; string++) {
		const [a, b] = [geometry.wire(Math.max(0, first - 1)), geometry.wire(to)];
		const look = { width: 0.45 + 0.13 * string, stroke: 0.35 };
		ink.push(line(x + a, geometry.string(string, a), x + b, geometry.string(string, b), look));
	}
	for (const edge of edges) ink.push(line(x + left, edge, x + right, edge, { width: 1.8 }));
	for (const side of [left, right]) {
		ink.push(line(x + side, edges[0], x + side, edges[0] + 5, { width: 1.8 }));
		ink.push(line(x + side, edges[1] - 5, x + side, edges[1], { width: 1.8 }));
	}
	for (let fret = first; fret <= to; fret++) {
		const under = fret >= position && fret <= position + 3;
		const at = x + geometry.place(fret);
		ink.push(
			...write(at, y + height + 1, String(fret), under ? 'tab' : 'count', 6.5, { align: 'middle' })
		);
	}
	const shape = fullArpeggio(instrument, chord, position);
	const notes = shape?.notes ?? [];
	const spots = notes.map(spot);
	if (spots.length > 1) {
		const d = spots.map((at, i) => `${i === 0 ? 'M' : 'L'}${at.x.toFixed(2)},${at.y.toFixed(2)}`);
		ink.push({ kind: 'path', d: d.join(''), stroke: 0.45, width: 0.6 });
	}
	const r = Math.min(5.6, (bottom - top) / (strings - 1) / 2.1);
	const lands = (place: Place) => landings.some((each) => samePlace(each, place));
	notes.forEach((note, i) => {
		ink.push(...roleInk(spots[i].x, spots[i].y, note.role, r, lands(note)));
	});
	// A landing that the shape does not hold stands beside it.
	const more = landings.filter((each) => !notes.some((note) => samePlace(note, each)));
	for (const place of more) {
		const pc = (instrument.open[place.string - 1] + instrument.capo + place.fret) % 12;
		const tone = chord.tones.find((each) => each.pc === pc);
		const { x: cx, y: cy } = spot(place);
		const inside = place.fret >= from && place.fret <= to;
		if (tone && inside) ink.push(...roleInk(cx, cy, tone.role, r, true));
	}
	if (notes.length === 0 && more.length === 0) {
		ink.push(box(x, (top + bottom) / 2 - 7, width, 14, { fill: WHITE }));
		const none = 'no tone of it lies here';
		ink.push(...write(x + width / 2, (top + bottom) / 2 + 3, none, 'text', 8, { align: 'middle' }));
	}
	return ink;
}

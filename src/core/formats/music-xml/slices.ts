import type { PlayedBar } from '../../chart';
import { valuesOf, writable, type NoteValue } from '../note-values';
import type { FileNote } from '../piece';

/**
 * One written note or rest of a bar. Ticks from the bar line; `note` is an index, null for a rest;
 * `begins` and `ends` tell whether the note starts and stops with it, else it is tied.
 */
export type Slice = {
	readonly from: number;
	readonly to: number;
	readonly note: number | null;
	readonly begins: boolean;
	readonly ends: boolean;
	readonly value: NoteValue | null;
};

type Stretch = { from: number; to: number; note: number | null; begins: boolean; ends: boolean };

/** The notes of a bar and the rests between them; a note may begin before the bar or end after it. */
function stretchesOf(bar: PlayedBar, notes: readonly FileNote[]): Stretch[] {
	const length = bar.lengthTicks;
	const found: Stretch[] = [];
	let at = 0;
	notes.forEach((note, i) => {
		const start = note.tick - bar.startTick;
		const end = start + note.durationTicks;
		if (start >= length || end <= 0) return;
		const from = Math.max(0, start);
		const to = Math.min(length, end);
		if (from > at) found.push({ from: at, to: from, note: null, begins: true, ends: true });
		found.push({ from, to, note: i, begins: start >= 0, ends: end <= length });
		at = to;
	});
	if (at < length) found.push({ from: at, to: length, note: null, begins: true, ends: true });
	return found;
}

/** The values that a stretch is written with; one without a value where it lies off every grid. */
function valued({ from, to }: Stretch, bar: PlayedBar): (NoteValue | null)[] {
	if (writable(from) !== from || writable(to) !== to) return [null];
	const values = valuesOf(from, to, bar.signature, bar.lengthTicks);
	const sum = values.reduce((ticks, value) => ticks + value.ticks, 0);
	return values.length > 0 && sum === to - from ? values : [null];
}

/** A bar cut into written notes and rests, without a gap. */
export function slicesOf(bar: PlayedBar, notes: readonly FileNote[]): Slice[] {
	return stretchesOf(bar, notes).flatMap((stretch) => {
		const values = valued(stretch, bar);
		let at = stretch.from;
		return values.map((value, i): Slice => {
			const from = at;
			at = value ? at + value.ticks : stretch.to;
			const begins = stretch.begins && i === 0;
			const ends = stretch.ends && i === values.length - 1;
			return { from, to: at, note: stretch.note, begins, ends, value };
		});
	});
}

/** Flags of a value: one for an eighth, two for a sixteenth. */
const flags = (value: NoteValue | null): number =>
	value && value.unit >= 8 ? Math.log2(value.unit) - 2 : 0;

type Beam = 'begin' | 'continue' | 'end' | 'forward hook' | 'backward hook';

/** The beams of every slice, outermost first: notes of one pulse hang together. */
export function beamsOf(slices: readonly Slice[], pulse: number): Beam[][] {
	const beams: Beam[][] = slices.map(() => []);
	const level = slices.map((slice) => (slice.note === null ? 0 : flags(slice.value)));
	const group = slices.map((slice) => Math.floor(slice.from / pulse));
	const joined = (a: number, b: number, depth: number): boolean =>
		b >= 0 &&
		b < slices.length &&
		level[a]! >= depth &&
		level[b]! >= depth &&
		group[a] === group[b];
	slices.forEach((_, i) => {
		const alone = !joined(i, i - 1, 1) && !joined(i, i + 1, 1);
		for (let depth = 1; depth <= level[i]! && !alone; depth++) {
			const [before, after] = [joined(i, i - 1, depth), joined(i, i + 1, depth)];
			if (before && after) beams[i]!.push('continue');
			else if (before) beams[i]!.push('end');
			else if (after) beams[i]!.push('begin');
			else beams[i]!.push(joined(i, i - 1, 1) ? 'backward hook' : 'forward hook');
		}
	});
	return beams;
}

/** Where triplets begin and end: one bracket for each beat. */
export function tupletsOf(slices: readonly Slice[], quarter: number): ('start' | 'stop' | null)[] {
	const beat = (slice: Slice) => Math.floor(slice.from / quarter);
	return slices.map((slice, i) => {
		if (!slice.value?.triplet) return null;
		const same = (other: Slice | undefined) =>
			other?.value?.triplet === true && beat(other) === beat(slice);
		const [before, after] = [same(slices[i - 1]), same(slices[i + 1])];
		return !before && after ? 'start' : before && !after ? 'stop' : null;
	});
}

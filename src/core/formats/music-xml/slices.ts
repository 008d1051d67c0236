import type { PlayedBar } from '../../chart';
import { valuesOf, writable, type NoteValue } from '../note-values';
import type { FileNote } from '../piece';

/** A note of a slice, as an index; `begins` and `ends` tell whether it starts and stops with it, else it is tied. */
export type Sliced = { readonly note: number; readonly begins: boolean; readonly ends: boolean };

/** What is written at one place of a bar: notes, thick strings first, or a rest. Ticks from the bar line. */
export type Slice = {
	readonly from: number;
	readonly to: number;
	/** Empty for a rest. */
	readonly notes: readonly Sliced[];
	readonly value: NoteValue | null;
};

type Stretch = { from: number; to: number; notes: readonly Sliced[] };

/** A bar cut wherever a note begins or ends; a note may begin before the bar or end after it. */
function stretchesOf(bar: PlayedBar, notes: readonly FileNote[]): Stretch[] {
	const length = bar.lengthTicks;
	const sounding = notes.flatMap((note, index) => {
		const start = note.tick - bar.startTick;
		const end = start + note.durationTicks;
		return start >= length || end <= 0 ? [] : [{ index, start, end }];
	});
	const edges = new Set([0, length]);
	for (const { start, end } of sounding) {
		if (start > 0) edges.add(start);
		if (end < length) edges.add(end);
	}
	const cuts = [...edges].sort((a, b) => a - b);
	return cuts.slice(1).map((to, i): Stretch => {
		const from = cuts[i]!;
		const here = sounding.filter(({ start, end }) => start < to && end > from);
		return {
			from,
			to,
			notes: here.map(({ index, start, end }) => ({
				note: index,
				begins: start >= from,
				ends: end <= to
			}))
		};
	});
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
			const last = i === values.length - 1;
			const here = stretch.notes.map(({ note, begins, ends }) => ({
				...{ note, begins: begins && i === 0, ends: ends && last }
			}));
			return { from, to: at, notes: here, value };
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
	const level = slices.map((slice) => (slice.notes.length === 0 ? 0 : flags(slice.value)));
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

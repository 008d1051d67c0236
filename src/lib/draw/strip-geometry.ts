import { chartTicks, type Chart } from '$core/chart';

/** A stretch of played bars on a time axis in px. */
export type TimeAxis = {
	readonly from: number;
	readonly to: number;
	readonly startTick: number;
	readonly endTick: number;
	readonly x: (tick: number) => number;
	/** The tick at an x. */
	readonly tick: (x: number) => number;
};

/** Room at the right of the axis, so that the landing after the last bar is seen. */
const RIGHT = 34;

/**
 * The bars around a change, `bars` of them: one or two before it, so that the arc into it is seen
 * whole.
 */
export function timeAxis(
	chart: Chart,
	bar: number,
	width: number,
	left: number,
	bars: number
): TimeAxis {
	const count = chart.played.length;
	const from = Math.max(0, Math.min(bar - Math.ceil(bars / 2) - 1, count - bars));
	const to = Math.min(count, from + bars);
	const startTick = chart.played[from]?.startTick ?? 0;
	const endTick = chart.played[to]?.startTick ?? chartTicks(chart);
	const scale = (width - left - RIGHT) / Math.max(1, endTick - startTick);
	return {
		...{ from, to, startTick, endTick },
		x: (tick) => left + (tick - startTick) * scale,
		tick: (x) => startTick + (x - left) / scale
	};
}

/** Height of a pitch: all notes of the route fit between top and bottom, at most 13 px a semitone. */
export function pitchAxis(
	targets: readonly { readonly midi: number }[],
	top: number,
	bottom: number
): (midi: number) => number {
	const pitches = targets.map((target) => target.midi);
	if (pitches.length === 0) return () => (top + bottom) / 2;
	const [low, high] = [Math.min(...pitches), Math.max(...pitches)];
	const scale = Math.min(13, (bottom - top) / Math.max(1, high - low));
	const middle = (low + high) / 2;
	return (midi) => (top + bottom) / 2 - (midi - middle) * scale;
}

/** How far an arc bulges: 16 px and 7 px a semitone, so that flat means gliding. */
export const bulge = (semitones: number): number => 16 + 7 * Math.abs(semitones);

/** The arc between two points as a quadratic path; its top lies `height` above the chord's middle. */
export const arcPath = (x1: number, y1: number, x2: number, y2: number, height: number): string =>
	`M${x1.toFixed(1)},${y1.toFixed(1)}Q${((x1 + x2) / 2).toFixed(1)},${((y1 + y2) / 2 - 2 * height).toFixed(1)} ${x2.toFixed(1)},${y2.toFixed(1)}`;

/** Arrow of a move: rising, falling, staying. */
export const moveArrow = (semitones: number): string =>
	semitones > 0 ? '↗' : semitones < 0 ? '↘' : '→';

/** A move in figures for labels: `1 semitone`, `5 semitones`, `stays`. */
export const moveLabel = (semitones: number): string => {
	const size = Math.abs(semitones);
	return size === 0 ? 'stays' : size === 1 ? '1 semitone' : `${size} semitones`;
};

/** Where the hand goes: `stays on string 3`, `to string 4`. */
export const handLabel = (
	from: { string: number; fret: number },
	to: { string: number; fret: number }
): string =>
	from.string === to.string
		? from.fret === to.fret
			? 'same place'
			: `stays on string ${to.string}`
		: `to string ${to.string}`;

/** Height of the arc of `arcPath` at an x between its ends. */
export function arcAt(
	x1: number,
	y1: number,
	x2: number,
	y2: number,
	height: number,
	x: number
): number {
	const t = x2 === x1 ? 0 : (x - x1) / (x2 - x1);
	const top = (y1 + y2) / 2 - 2 * height;
	return (1 - t) ** 2 * y1 + 2 * t * (1 - t) * top + t ** 2 * y2;
}

import { QUARTER } from '../kernel';
import { type TimeSignature } from '../chart';

/**
 * A written note value: `unit` 1 is a whole note, 4 a quarter, 32 the shortest; `dots` lengthen it by half,
 * `triplet` shortens it to two thirds. `ticks` is what it lasts.
 */
export type NoteValue = {
	readonly unit: 1 | 2 | 4 | 8 | 16 | 32;
	readonly dots: 0 | 1;
	readonly triplet: boolean;
	readonly ticks: number;
};

const plain = (unit: NoteValue['unit'], dots: 0 | 1 = 0, triplet = false): NoteValue => ({
	unit,
	dots,
	triplet,
	ticks: ((4 * QUARTER) / unit) * (dots ? 1.5 : 1) * (triplet ? 2 / 3 : 1)
});

/** Values that may be written, longest first. */
const STRAIGHT = [
	plain(1),
	plain(2, 1),
	plain(2),
	plain(4, 1),
	plain(4),
	plain(8, 1),
	plain(8),
	plain(16),
	plain(32)
];
const TRIPLET = [plain(4, 0, true), plain(8, 0, true), plain(16, 0, true), plain(32, 0, true)];

/** What notes are grouped by: the quarter, or three eighths in 6/8, 9/8 and 12/8. */
const pulseOf = ({ beats, unit }: TimeSignature): number =>
	unit === 4 ? QUARTER : beats % 3 === 0 ? 1.5 * QUARTER : QUARTER / 2;

/** The nearest place that note values can be written on, straight or in triplets. */
export function writable(tick: number): number {
	const straight = Math.round(tick / 60) * 60;
	const triplet = Math.round(tick / 80) * 80;
	return Math.abs(tick - straight) <= Math.abs(tick - triplet) ? straight : triplet;
}

const isStraight = (tick: number) => tick % 60 === 0;

/** One value may stand here: it begins on a pulse, or stays inside one, or is a quarter off the beat. */
function allowed(value: NoteValue, from: number, to: number, pulse: number, bar: number): boolean {
	const end = from + value.ticks;
	if (Math.floor(from / pulse) === Math.floor((end - 1) / pulse)) return true;
	if (value.unit === 1) return from === 0 && end === bar;
	if (from % pulse === 0 && end % pulse === 0) return true;
	const syncopated = value.ticks === QUARTER && from % QUARTER === QUARTER / 2 && end === to;
	return pulse === QUARTER && (syncopated || (value.ticks === 720 && from % QUARTER === 0));
}

/**
 * Cuts a stretch of a bar into note values, to be tied: on the beat as long as may be, triplets inside
 * their beat.
 * @param from and `to`: ticks from the bar line, writable places
 */
export function valuesOf(
	from: number,
	to: number,
	signature: TimeSignature,
	bar: number
): NoteValue[] {
	const pulse = pulseOf(signature);
	const values: NoteValue[] = [];
	let at = from;
	while (at < to) {
		const edge = Math.min(to, (Math.floor(at / QUARTER) + 1) * QUARTER);
		const inTriplet = !isStraight(at) || (edge === to && !isStraight(to));
		const left = (inTriplet ? edge : to) - at;
		const fitting = inTriplet
			? TRIPLET.find((value) => value.ticks <= left)
			: STRAIGHT.find(
					(value) =>
						value.ticks <= left &&
						isStraight(at + value.ticks) &&
						allowed(value, at, to, pulse, bar)
				);
		// What is shorter than any value is heard as part of the last one.
		if (!fitting) break;
		values.push(fitting);
		at += fitting.ticks;
	}
	return values;
}

import { fretWire } from '$core/neck';

/** The drawn neck in px: `x` runs toward the body, fret spaces narrow as on the instrument. */
export type NeckGeometry = {
	readonly wire: (fret: number) => number;
	/** Middle of a fret's space, where a mark sits; an open string sits before the nut. */
	readonly place: (fret: number) => number;
	/** Height of a string at a distance from the left. */
	readonly string: (string: number, x: number) => number;
	readonly edge: (side: 'top' | 'bottom', x: number) => number;
	readonly fretAt: (x: number) => number;
	readonly mirror: (x: number) => number;
};

type Size = {
	readonly width: number;
	readonly height: number;
	readonly left: number;
	readonly right: number;
	readonly top: number;
	readonly bottom: number;
	readonly strings: number;
	/** First and last fret drawn; 0 is the nut. */
	readonly from: number;
	readonly to: number;
	readonly thinOnTop: boolean;
	readonly leftHanded: boolean;
};

/** Lays a stretch of the neck out to scale; strings fan out a little toward the body. */
export function neckGeometry(size: Size): NeckGeometry {
	const { width, left, right, top, bottom, strings, from, to, thinOnTop, leftHanded } = size;
	const first = from <= 0 ? 0 : fretWire(from - 1);
	const span = fretWire(to) - first;
	const inner = width - left - right;
	const mirror = (x: number): number => (leftHanded ? width - x : x);
	const straight = (fret: number): number => left + ((fretWire(fret) - first) / span) * inner;
	const wire = (fret: number): number => mirror(straight(fret));
	const place = (fret: number): number =>
		fret === 0 ? mirror(left - 13) : mirror((straight(fret - 1) + straight(fret)) / 2);
	const middle = (top + bottom) / 2;
	const fan = (x: number): number => 0.9 + (0.1 * (mirror(x) - left)) / inner;
	const string = (index: number, x: number): number => {
		const row = thinOnTop ? index - 1 : strings - index;
		const half = (bottom - top) / 2;
		return middle + ((2 * row) / (strings - 1) - 1) * half * fan(x);
	};
	const margin = (bottom - top) / (strings - 1) / 2.3;
	const edge = (side: 'top' | 'bottom', x: number): number => {
		const half = (bottom - top) / 2;
		return middle + (side === 'top' ? -1 : 1) * (half * fan(x) + margin);
	};
	const fretAt = (x: number): number => {
		const at = mirror(x);
		for (let fret = Math.max(1, from); fret <= to; fret++) if (at < straight(fret)) return fret;
		return to;
	};
	return { wire, place, string, edge, fretAt, mirror };
}

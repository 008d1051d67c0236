/** How dark something is printed: 0 is black, 1 is white. */
type Shade = number;

/** Faces that the page is set in. */
export type Face = 'title' | 'quiet' | 'text' | 'strong' | 'tab' | 'count' | 'score';

/** The font of a run: a face's own, or one that lends it signs. */
export type Font = Face | 'signs' | 'plain' | 'plainStrong';

/** One mark on the page, in points from its upper left corner; a path is moved by `x` and `y`. */
export type Ink =
	| {
			readonly kind: 'path';
			readonly d: string;
			readonly x?: number;
			readonly y?: number;
			/** Drawn so many times as large. */
			readonly scale?: number;
			readonly fill?: Shade;
			readonly stroke?: Shade;
			readonly width?: number;
			readonly dash?: readonly [number, number];
	  }
	| {
			readonly kind: 'text';
			readonly x: number;
			/** The base line. */
			readonly y: number;
			readonly text: string;
			readonly font: Font;
			readonly size: number;
			readonly fill?: Shade;
	  };

/** A page as it is drawn, its size in points. */
export type Page = {
	readonly width: number;
	readonly height: number;
	readonly ink: readonly Ink[];
};

const round = (value: number): string => String(Math.round(100 * value) / 100);

/** A straight line. */
export const line = (
	x1: number,
	y1: number,
	x2: number,
	y2: number,
	{
		width = 0.6,
		stroke = 0,
		dash
	}: { width?: number; stroke?: Shade; dash?: readonly [number, number] } = {}
): Ink => ({
	kind: 'path',
	d: `M${round(x1)},${round(y1)}L${round(x2)},${round(y2)}`,
	...{ width, stroke },
	...(dash ? { dash } : {})
});

/** A rectangle, filled or outlined. */
export const box = (
	x: number,
	y: number,
	w: number,
	h: number,
	look: { fill?: Shade; stroke?: Shade; width?: number }
): Ink => ({
	kind: 'path',
	d: `M${round(x)},${round(y)}h${round(w)}v${round(h)}h${round(-w)}Z`,
	...look
});

/** The same marks elsewhere on the page. */
export const moved = (ink: readonly Ink[], dx: number, dy: number): Ink[] =>
	ink.map((mark) =>
		mark.kind === 'text'
			? { ...mark, x: mark.x + dx, y: mark.y + dy }
			: { ...mark, x: (mark.x ?? 0) + dx, y: (mark.y ?? 0) + dy }
	);

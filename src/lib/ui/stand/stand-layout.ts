/** A rectangle in units of the stand's own drawing. */
export type Box = {
	readonly x: number;
	readonly y: number;
	readonly w: number;
	readonly h: number;
};

/** Where things stand, for a screen that lies, one that stands upright, and a phone. */
export type StandLayout = {
	readonly width: number;
	readonly height: number;
	readonly title: { readonly x: number; readonly y: number; readonly size: number };
	readonly bar: { readonly x: number; readonly y: number; readonly size: number };
	readonly now: {
		readonly x: number;
		readonly y: number;
		readonly room: number;
		readonly size: number;
	};
	readonly next: {
		readonly x: number;
		readonly y: number;
		readonly room: number;
		readonly size: number;
	};
	readonly count: { readonly x: number; readonly y: number; readonly size: number };
	readonly arc: { readonly y: number; readonly rise: number };
	readonly land: { readonly x: number; readonly y: number; readonly size: number };
	readonly neck: Box;
	readonly tab: Box;
	readonly line: { readonly x: number; readonly y: number; readonly w: number };
};

const LYING: StandLayout = {
	width: 1280,
	height: 800,
	title: { x: 48, y: 62, size: 30 },
	bar: { x: 1096, y: 72, size: 72 },
	now: { x: 48, y: 403, room: 520, size: 304 },
	next: { x: 910, y: 403, room: 330, size: 216 },
	count: { x: 690, y: 403, size: 216 },
	arc: { y: 156, rise: 44 },
	land: { x: 48, y: 482, size: 36 },
	neck: { x: 48, y: 506, w: 596, h: 226 },
	tab: { x: 700, y: 526, w: 532, h: 176 },
	line: { x: 48, y: 784, w: 1184 }
};

const UPRIGHT: StandLayout = {
	width: 820,
	height: 1180,
	title: { x: 36, y: 62, size: 30 },
	bar: { x: 640, y: 72, size: 64 },
	now: { x: 36, y: 386, room: 440, size: 290 },
	next: { x: 520, y: 386, room: 280, size: 170 },
	count: { x: 410, y: 572, size: 170 },
	arc: { y: 152, rise: 40 },
	land: { x: 36, y: 648, size: 36 },
	neck: { x: 36, y: 668, w: 748, h: 232 },
	tab: { x: 36, y: 994, w: 748, h: 126 },
	line: { x: 36, y: 1164, w: 748 }
};

const PHONE: StandLayout = {
	width: 390,
	height: 760,
	title: { x: 16, y: 44, size: 20 },
	bar: { x: 374, y: 316, size: 34 },
	now: { x: 16, y: 216, room: 210, size: 140 },
	next: { x: 240, y: 216, room: 134, size: 84 },
	count: { x: 120, y: 316, size: 84 },
	arc: { y: 104, rise: 18 },
	land: { x: 16, y: 362, size: 24 },
	neck: { x: 16, y: 376, w: 358, h: 176 },
	tab: { x: 16, y: 602, w: 358, h: 106 },
	line: { x: 16, y: 748, w: 358 }
};

/** The layout for a screen of this size in px. */
export function standLayout(width: number, height: number): StandLayout {
	if (width >= height) return LYING;
	return width < 600 ? PHONE : UPRIGHT;
}

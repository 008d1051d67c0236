/** `VITE_LONG=1`: long searches in full; without it a sample of them, a new one every time where chance is asked. */
export const LONG = Boolean(import.meta.env.VITE_LONG);

/** How often a property is tried: `all` times in full, an eighth of that, but 15 times at least, in the short form. */
export const runs = (all: number): number =>
	LONG ? all : Math.min(all, Math.max(15, Math.ceil(all / 8)));

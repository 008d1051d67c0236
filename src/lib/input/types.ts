import type { Meter } from '$core/practice';

/** What hears a player, whatever the instrument. `at` is a moment of `performance.now()`. */
export type NoteListener = {
	readonly strike: (midi: number, at: number, cents?: number) => void;
	/** `cents` where the whole note tells better than its beginning. */
	readonly release: (midi: number, at: number, cents?: number) => void;
	/** What goes in at this moment, for a meter. */
	readonly meter?: (meter: Meter) => void;
	/** The names of what is plugged in; called at once and whenever that changes. */
	readonly devices?: (names: readonly string[]) => void;
};

/**
 * Why an input cannot be heard: the browser has no such thing, the page is not served securely, the player
 * refused, nothing is plugged in, or it broke off.
 */
export type InputTrouble = 'missing' | 'insecure' | 'refused' | 'absent' | 'broken';

/** What an input stops by. */
export type OpenInput = { readonly close: () => void };

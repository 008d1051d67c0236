/** A player's hand: the stretch between index and little finger that stays comfortable, in mm. */
export type Hand = { readonly comfortableMm: number };

export const HANDS = { small: 85, medium: 105, large: 125 } as const;
export const MEDIUM_HAND: Hand = { comfortableMm: HANDS.medium };

/** How far a comfortable stretch may be passed before it is too far: by a quarter. */
const TOO_FAR = 1.25;

/** What of an instrument decides how far two frets are apart. */
type Strings = { readonly scaleLengthMm: number; readonly capo: number };

export type Comfort = 'easy' | 'stretch' | 'far';

/** Whether a stretch in mm is easy, a stretch, or too far for a hand. */
export const comfortOf = (mm: number, hand: Hand): Comfort =>
	mm <= hand.comfortableMm ? 'easy' : mm <= hand.comfortableMm * TOO_FAR ? 'stretch' : 'far';

/**
 * The real distance between two frets in mm, by the equal-tempered fret rule: L·(2^(−a/12) − 2^(−b/12)).
 * Frets are counted from the capo; order does not matter.
 */
export const stretchMm = (strings: Strings, a: number, b: number): number =>
	Math.abs(alongMm(strings, a) - alongMm(strings, b));

/** How far a fret lies from the nut, or from the capo, in mm. */
const alongMm = ({ scaleLengthMm, capo }: Strings, fret: number): number =>
	scaleLengthMm * (wire(capo) - wire(fret + capo));

const WIRES = Array.from({ length: 64 }, (_, fret) => 2 ** (-fret / 12));
const wire = (fret: number): number => WIRES[fret] ?? 2 ** (-fret / 12);

/** The largest distance between fretted places, in mm; open strings cost nothing. */
export function widestMm(strings: Strings, places: readonly { readonly fret: number }[]): number {
	let [low, high] = [Infinity, 0];
	for (const { fret } of places) {
		if (fret === 0) continue;
		low = Math.min(low, fret);
		high = Math.max(high, fret);
	}
	return high === 0 ? 0 : stretchMm(strings, low, high);
}

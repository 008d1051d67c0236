import type { Place } from '../instrument';

/** A way to hold several strings at one time: a finger for each place, null on an open string. */
export type Hold = { readonly fingers: readonly (number | null)[]; readonly cost: number };

/** What makes a grip awkward. */
const COST = { barre: 5, partBarre: 9, apart: 8, close: 2, late: 1 } as const;

/** The most strings that a finger other than the first lies across. */
const PART_BARRE = 3;

/**
 * One finger across several strings of one fret: nothing between them is open, muted or stopped nearer the
 * nut. Another finger than the first lies across neighbours alone, and thinner strings sound nothing lower,
 * which the bent finger would damp.
 */
function barreHolds(
	places: readonly Place[],
	finger: number,
	fret: number,
	ends: readonly [thick: number, thin: number]
): boolean {
	const [thick, thin] = ends;
	for (let string = thin; string <= thick; string++) {
		const there = places.find((place) => place.string === string);
		if (!there || there.fret < fret || (finger > 1 && there.fret > fret)) return false;
	}
	if (finger === 1) return true;
	if (thick - thin >= PART_BARRE) return false;
	return places.every((place) => place.string > thin || place.fret >= fret);
}

/**
 * Fingers some places that sound together, exactly: fingers 1 to 4 in the order of the frets and on one
 * fret from the thick strings to the thin ones, a barre where one finger lies across; neighbouring
 * fingers at most one fret further apart than they lie at rest. The easiest is taken.
 * @param places one a string
 * @returns null when no hand holds them
 */
export function holdGrip(places: readonly Place[]): Hold | null {
	const order = places
		.map((_, i) => i)
		.filter((i) => places[i]!.fret > 0)
		.sort((a, b) => places[a]!.fret - places[b]!.fret || places[b]!.string - places[a]!.string);
	const fingers: (number | null)[] = places.map(() => null);
	let best: Hold | null = null;
	/** `thick` is the string where the finger before lies first; one finger other than the first may lie across. */
	const put = (at: number, finger: number, thick: number, parts: number, cost: number): void => {
		if (best && cost >= best.cost) return;
		if (at === order.length) {
			best = { fingers: [...fingers], cost };
			return;
		}
		const { fret, string } = places[order[at]!]!;
		const before = at > 0 ? places[order[at - 1]!]!.fret : null;
		if (before === fret && barreHolds(places, finger, fret, [thick, string])) {
			const starts = thick === places[order[at - 1]!]!.string;
			const more = starts ? (finger === 1 ? COST.barre : COST.partBarre) : 0;
			const across = parts + (starts && finger > 1 ? 1 : 0);
			fingers[order[at]!] = finger;
			if (across <= 1) put(at + 1, finger, thick, across, cost + more);
		}
		for (let next = finger + 1; next <= 4; next++) {
			const apart = before === null ? 0 : fret - before - (next - finger);
			if (apart > 1) continue;
			const own = before === null ? (next - 1) * COST.late : -apart * COST.close;
			fingers[order[at]!] = next;
			put(at + 1, next, string, parts, cost + (apart > 0 ? COST.apart : own));
		}
		fingers[order[at]!] = null;
	};
	put(0, 0, 0, 0, 0);
	return best;
}

import { TEMPO, clamp } from '../kernel';

/**
 * A tempo ladder: quarter notes a minute from `start` in steps to `ceiling`; up a rung after `up` clean
 * passes in a row, down a rung after a broken one.
 */
export type Ladder = {
	readonly start: number;
	readonly step: number;
	readonly ceiling: number;
	readonly up: number;
};

/** Where a player stands on a ladder: the tempo, and clean passes in a row there. */
export type LadderPlace = { readonly tempo: number; readonly clean: number };

/** What may be set: the same bounds as the band's tempo. */
export const LADDER = {
	tempo: TEMPO,
	step: { least: 1, most: 40 },
	up: { least: 1, most: 8 }
} as const;

/** The tempos of a ladder, ascending; the ceiling is always the last. */
export function rungs({ start, step, ceiling }: Ladder): number[] {
	const tempos: number[] = [];
	for (let tempo = start; tempo < ceiling; tempo += step) tempos.push(tempo);
	return [...tempos, Math.max(start, ceiling)];
}

export const foot = (ladder: Ladder): LadderPlace => ({ tempo: ladder.start, clean: 0 });

/**
 * Where a player stands after a pass. A tempo between two rungs counts as the lower one on the way down
 * and leads to the higher one on the way up; nobody falls under the foot or rises over the ceiling.
 */
export function climb(ladder: Ladder, place: LadderPlace, clean: boolean): LadderPlace {
	const tempos = rungs(ladder);
	if (!clean) {
		const below = tempos.filter((tempo) => tempo < place.tempo).at(-1);
		return { tempo: below ?? tempos[0]!, clean: 0 };
	}
	const cleanNow = place.clean + 1;
	if (cleanNow < ladder.up) return { tempo: place.tempo, clean: cleanNow };
	const above = tempos.find((tempo) => tempo > place.tempo);
	return above === undefined ? { tempo: place.tempo, clean: cleanNow } : { tempo: above, clean: 0 };
}

/** A ladder for a tune: from about two thirds of its tempo up to it, in eight steps or so. */
export function ladderFor(tempo: number): Ladder {
	const { least, most } = LADDER.tempo;
	const ceiling = clamp(Math.round(tempo), least, most);
	const start = Math.max(least, 2 * Math.round((ceiling * 0.7) / 2));
	const step = Math.max(2, 2 * Math.round((ceiling - start) / 16));
	return { start: Math.min(start, ceiling), step, ceiling, up: 2 };
}

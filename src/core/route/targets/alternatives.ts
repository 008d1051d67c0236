import type { Lattice } from './lattice';
import { solve, type Path } from './solve';

/** Price of a pitch that an accepted plan lands on at the same change: about a third of a unit, then more. */
const FIRST_PRICE = 300;
const DEARER = 1.5;
const MOST_TRIES = 14;

/** How many landings two plans of so many targets must differ in to count as truly different. */
export const enoughDifferent = (targets: number): number => Math.max(2, Math.ceil(targets / 4));

/** Landings of two paths that sound different pitches. */
const difference = ({ pitches }: Lattice, a: readonly number[], b: readonly number[]): number =>
	a.reduce((count, c, i) => count + Number(pitches[i]![c] !== pitches[i]![b[i]!]), 0);

/** The lattice with a price on every pitch that a path of `known` takes at a step. */
function priced(lattice: Lattice, known: readonly (readonly number[])[], price: number): Lattice {
	const own = lattice.own.map((costs, i) => {
		const pitches = lattice.pitches[i]!;
		const used = known.map((path) => pitches[path[i]!]);
		return costs.map(
			(cost, c) => cost + price * used.filter((pitch) => pitch === pitches[c]).length
		);
	});
	return { ...lattice, own };
}

/**
 * Up to `count` paths, the best first, each landing on other pitches than every other in at least a
 * quarter of the steps (and two). Plain k-best is of no use: its plans differ in one note or two. Pitches
 * already used are priced, dearer and dearer until the plan differs enough. Fewer come back where the
 * place does not hold them.
 */
export function differentPaths(lattice: Lattice, count: number): number[][] {
	const found: number[][] = [solve(lattice).path];
	const enough = enoughDifferent(lattice.sizes.length);
	while (found.length < count) {
		let next: Path | null = null;
		let price = FIRST_PRICE;
		for (let i = 0; i < MOST_TRIES && !next; i++, price = Math.round(price * DEARER)) {
			const tried = solve(priced(lattice, found, price));
			if (found.every((path) => difference(lattice, tried.path, path) >= enough)) next = tried;
		}
		if (!next) break;
		found.push(next.path);
	}
	return found;
}

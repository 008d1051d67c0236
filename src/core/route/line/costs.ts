import { APPROACHES } from './approach';
import { notesOf } from './compose';
import { movesOf, type Motion, type Stretch } from './lattice';
import { addSpot } from './moments';
import { addMove, threeCost, type Costs } from './motion';
import { LINE_TERMS } from './types';
import type { Choice } from './vary';
import { repeatCost, sameIntervals, turnAtTarget } from './weave';
import { APPROACH } from './line-prices';

const NOTHING = Object.fromEntries(LINE_TERMS.map((term) => [term, 0])) as Costs;

/** The pitches of a choice, from target to target. */
const heard = ({ strand, kind }: Choice): readonly number[] => strand.pitches[kind]!;

/** The named costs of the line as it is chosen; their sum is what was minimised. */
export function nameCosts(
	stretches: readonly Stretch[],
	chosen: readonly Choice[],
	motion: Motion
): Costs {
	const total: Costs = { ...NOTHING };
	let cost = 0;
	stretches.forEach((stretch, i) => {
		const { strand, kind } = chosen[i]!;
		const way = strand.ways[kind] ?? null;
		const { from, to, moments } = stretch;
		if (way) {
			const taste = { ...motion.taste, seed: stretch.take };
			const notes = notesOf(stretch, way);
			const layers = [from.candidates[0], ...notes, to.candidates[0]];
			movesOf(stretch, motion).forEach((move, k) => {
				addMove(total, layers[k]!, layers[k + 1]!, move);
				if (k === 0) return;
				total.contour += threeCost(layers[k - 1]!.midi, layers[k]!.midi, layers[k + 1]!.midi);
				const { spot, onset } = moments[k - 1]!;
				addSpot(total, layers[k]!, spot, taste, onset.tick);
			});
			total.approach += APPROACH[APPROACHES[kind]!];
			cost += way.cost;
		}
		if (i === 0) return;
		const [before, after] = [heard(chosen[i - 1]!), heard(chosen[i]!)];
		const turn = turnAtTarget(before, after);
		const older = chosen[i - 2]?.kind ?? APPROACHES.length;
		const again = strand.set
			? 0
			: sameIntervals(before, after) + repeatCost(older, chosen[i - 1]!.kind, kind);
		total.contour += turn;
		total.variety += again;
		cost += turn + again;
	});
	// What is left is the price of leaving an echoed contour.
	total.echo += cost - LINE_TERMS.reduce((sum, term) => sum + total[term], 0);
	return total;
}

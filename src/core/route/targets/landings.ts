import { samePlace } from '../../neck';
import { checkRequest, planSteps } from './candidates';
import { buildLattice } from './lattice';
import { earReason, moveReason } from './reasons';
import { costsThrough } from './solve';
import { planTargets, settle } from '../plan';
import type { PlanRequest, Target } from '../types';

/**
 * A place to land on at one change. `extra` is what the best plan through it costs above the best of
 * all that the style allows; it may be negative where the style forbids something smoother.
 */
export type Landing = Pick<
	Target,
	'string' | 'fret' | 'midi' | 'name' | 'role' | 'reach' | 'finger'
> & {
	readonly extra: number;
	/** The style itself would land here; others are offered so that the player can overrule it. */
	readonly fits: boolean;
	/** Semitones from the target before; null at the first. */
	readonly semitones: number | null;
	/** The move into it and what the ear learns. */
	readonly reasons: readonly string[];
};

/**
 * Every place that a change could land on, what the style allows first and each kind best first: a
 * place is weighed by the best whole plan that goes through it, a lock on this change left out.
 */
export function rankLandings(request: PlanRequest, change: number): Landing[] {
	if (checkRequest(request).length > 0) return [];
	const locks = request.locks.filter((lock) => lock.change !== change);
	const letPass = request.letPass.filter((index) => index !== change);
	const open = settle({ ...request, locks, letPass });
	const asked = planSteps(open).steps;
	const at = asked.findIndex((step) => step.change.index === change);
	if (at < 0) return [];
	const fitting = asked[at]!.candidates;
	const { steps } = planSteps(open, change);
	const lattice = buildLattice(open, steps);
	const through = costsThrough(lattice, at);
	const { candidates } = steps[at]!;
	const fits = candidates.map((place) => fitting.some((other) => samePlace(other, place)));
	const least = Math.min(...through.filter((_, i) => fits[i]));
	// Moves are told from where the plan as it stands comes from.
	const from =
		at > 0 ? planTargets(request).targets.findLast((target) => target.change < change) : null;
	const before = from && steps[at - 1]!.candidates.find((place) => samePlace(place, from));
	// Where tones take turns a place stands there as often as there are ways to it.
	const best = new Map<string, number>();
	candidates.forEach(({ string, fret }, i) => {
		const known = best.get(`${string} ${fret}`);
		if (known === undefined || through[i]! < through[known]!) best.set(`${string} ${fret}`, i);
	});
	return [...best.values()]
		.map((i) => {
			const place = candidates[i]!;
			return {
				string: place.string,
				fret: place.fret,
				midi: place.midi,
				name: place.tone.name,
				role: place.tone.role,
				reach: place.reach,
				finger: open.instrument.slide ? null : place.finger,
				extra: (through[i]! - least) / 1000,
				fits: fits[i]!,
				semitones: before ? place.midi - before.midi : null,
				reasons: [
					moveReason(steps[at]!, before ?? null, place),
					earReason(open, steps[at]!, place)
				].filter((text) => text !== null)
			};
		})
		.sort((a, b) => Number(b.fits) - Number(a.fits) || a.extra - b.extra);
}

import { isRole, ROLES, type Role } from '$core/chord';
import { withStep, type Motif } from '$core/phrase';

/** Roles in the order of their height above the root, for stepping through them. */
const LADDER: readonly Role[] = ['R', '9', 'b3', '3', '11', '5', '6', 'b7', '7'];

/** The role above or below another one; round at the ends. */
function nextRole(role: Role, by: 1 | -1): Role {
	const at = LADDER.indexOf(role);
	if (at >= 0) return LADDER[(at + by + LADDER.length) % LADDER.length];
	const all = ROLES.filter((entry) => entry !== 'bass');
	const index = all.indexOf(role as (typeof all)[number]);
	return all[(index + by + all.length) % all.length];
}

/** A motif with one of its notes on the next role, degree or semitone. */
export function lifted(motif: Motif, note: number, by: 1 | -1): Motif {
	const { step } = motif.notes[note];
	if (motif.basis === 'interval') return withStep(motif, note, Number(step) + by);
	if (motif.basis === 'degree') {
		const number = Math.max(1, Number(String(step).replace(/[^\d]/g, '')) + by);
		return withStep(motif, note, String(number));
	}
	return isRole(step) ? withStep(motif, note, nextRole(step, by)) : motif;
}

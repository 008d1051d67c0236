import { ROLES, type Role } from '$core/chord';

/** Roles in the order of their height above the root, for stepping through them. */
const LADDER: readonly Role[] = ['R', '9', 'b3', '3', '11', '5', '6', 'b7', '7'];

/** The role above or below another one; round at the ends. */
export function nextRole(role: Role, by: 1 | -1): Role {
	const at = LADDER.indexOf(role);
	if (at >= 0) return LADDER[(at + by + LADDER.length) % LADDER.length];
	const all = ROLES.filter((entry) => entry !== 'bass');
	const index = all.indexOf(role as (typeof all)[number]);
	return all[(index + by + all.length) % all.length];
}

import { roleKind, type Role } from '../chord';
import { RESTLESSNESS } from './targets/landing-prices';

/**
 * How much a landing leans, 0 (at rest) … 1: the root rests, the fifth is open, the third tells the chord,
 * the seventh wants to move on, an extension floats.
 */
export const leanOf = (role: Role): number => RESTLESSNESS[roleKind(role)] / 1000;

import { LINE_TERMS, TERMS } from '$core/route';

/** Names of all terms of a plan's cost, landings first. */
export const ALL_TERMS = [...TERMS, ...LINE_TERMS] as const;

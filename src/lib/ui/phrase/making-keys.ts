import type { Making } from '$lib/state/phrase-desk.svelte';

/** The key of each thing that can be made of a motif. */
export const MAKING_KEYS: Record<Making, string> = {
	answer: 'W',
	sequence: 'G',
	symmetric: 'U',
	displace: 'D',
	reverse: 'R'
};

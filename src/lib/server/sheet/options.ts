export const PAPERS = ['a4', 'letter'] as const;
export const SHOWN = ['both', 'pictures', 'tab'] as const;

/** How the page is wanted. */
export type SheetOptions = {
	readonly paper: (typeof PAPERS)[number];
	/** Neck pictures, the plan, or both. */
	readonly show: (typeof SHOWN)[number];
	readonly leftHanded: boolean;
	readonly large: boolean;
};

export type { SheetContent } from './content';

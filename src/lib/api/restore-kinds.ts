/** What a notebook holds, in the order in which a restore tells it; apart from the schemas, for the browser. */
export const RESTORE_KINDS = [
	'tunes',
	'routes',
	'motifs',
	'sets',
	'instruments',
	'cards',
	'takes'
] as const;
export type RestoreKind = (typeof RESTORE_KINDS)[number];

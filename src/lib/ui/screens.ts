import { EVERYWHERE } from '$lib/words/keys/everywhere';

/** The screens of a tune in the order in which players work; `key` opens one from anywhere. */
export const tuneScreens = [
	{ key: EVERYWHERE.chart.key, path: 'chart', name: 'Chart' },
	{ key: EVERYWHERE.neck.key, path: 'neck', name: 'Neck' },
	{ key: EVERYWHERE.route.key, path: 'route', name: 'Route' },
	{ key: EVERYWHERE.phrase.key, path: 'phrase', name: 'Phrase' },
	{ key: EVERYWHERE.drill.key, path: 'drill', name: 'Drill' }
] as const;

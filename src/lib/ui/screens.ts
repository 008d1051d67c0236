/** The screens of a tune in the order in which players work; `key` opens one from anywhere. */
export const tuneScreens = [
	{ key: '1', path: 'chart', name: 'Chart' },
	{ key: '2', path: 'neck', name: 'Neck' },
	{ key: '3', path: 'route', name: 'Route' },
	{ key: '4', path: 'phrase', name: 'Phrase' },
	{ key: '5', path: 'drill', name: 'Drill' }
] as const;

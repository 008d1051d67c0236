/**
 * What makes a shift from one place into another awkward: another finger than the one that slides (the first is set down more
 * easily than the others), each fret of the way, a note out of the hand's reach, a beginning on another tone than the root.
 * A note in one sweep is worth a little. What each decides is shown by `prices.test.ts`.
 */
export const JOIN = { index: 6, other: 12, fret: 2, reach: 8, note: 2, rootless: 10 } as const;

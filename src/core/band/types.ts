/** What the band plays, the player's own line, and the click. */
export const PARTS = ['drums', 'bass', 'chords', 'line', 'click'] as const;
export type Part = (typeof PARTS)[number];

/** Who plays the chords. */
export const CHORD_VOICES = ['guitar', 'keys'] as const;
export type ChordVoice = (typeof CHORD_VOICES)[number];

/** Rounds after the first that differ from one another; then they come again. */
export const WAYS = 4;

/**
 * A note of the band in written ticks from the first beat. `midi` is the pitch, for drums the General MIDI
 * percussion key; `velocity` is 0 … 1.
 */
export type BandNote = {
	readonly part: Part;
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly velocity: number;
	/** Strings of a strummed chord follow one another: ms after the first, which is on the grid. */
	readonly delayMs?: number;
};

/** General MIDI percussion keys that the drummer uses; with brushes 38 is a tap and 40 a swirl. */
export const DRUMS = {
	kick: 36,
	rim: 37,
	snare: 38,
	swirl: 40,
	lowTom: 43,
	hat: 42,
	pedal: 44,
	midTom: 47,
	crash: 49,
	highTom: 50,
	ride: 51
} as const;

/** A stroke: ticks from the bar's start, percussion key, velocity. */
export type Hit = readonly [offset: number, key: number, velocity: number];

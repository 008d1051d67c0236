/** What a microphone, or a recording of one, is heard to play: one note at a time. */
export type HeardNote = {
	/** Seconds from the first sample. */
	readonly at: number;
	/** The pitch of the fret as far as it was heard: of a bent note the one that it was bent from. */
	readonly midi: number;
	/** How far it lies above the MIDI pitch: about 100 or 200 where the string is bent. */
	readonly cents: number;
};

export type Heard =
	| ({ readonly kind: 'strike' } & HeardNote)
	/** A note ends; `cents` is now known from all of its steady part. */
	| ({ readonly kind: 'release' } & HeardNote);

/** What the ear of the app hears at this moment, for a meter. Levels in dB under full scale. */
export type Meter = {
	readonly level: number;
	readonly floor: number;
	/** MIDI pitch with fraction; null where nothing clear sounds. */
	readonly pitch: number | null;
};

/** Lowest and highest pitch that a guitar is asked for: a fourth under E2, a third over E6. */
export const [LOWEST, HIGHEST] = [34, 92];

export const pitchOf = (hz: number): number => 69 + 12 * Math.log2(hz / 440);

export const decibels = (size: number): number => 20 * Math.log10(Math.max(1e-6, size));

import type { RoleKind } from '../../chord';
import type { Style } from '../types';

/**
 * Costs in thousandths, so that sums are exact integers and ties fall the same way everywhere.
 * Starting values come from trials: a semitone is the most telling step, a repeated pitch costs a
 * little, leaps of more than a fourth cost much.
 */
const VOICE_LEADING = [500, 0, 100, 600, 1000, 1600, 3000, 3200, 4500];

/** Cost of moving by a number of semitones; beyond a minor sixth 400 more for each. */
export const voiceLeading = (semitones: number): number =>
	semitones < VOICE_LEADING.length ? VOICE_LEADING[semitones]! : 4500 + 400 * (semitones - 8);

export const WEIGHTS = {
	thirdIdentical: 2500,
	backAndForth: 800,
	turn: 250,
	/** A tone of a chord that goes on, landed on again before the others had their turn: where the player chose it. */
	outOfTurn: 5000,
	registerPerSemitone: 120,
	/** What the hand pays for crossing strings counts this many hundredths: between landings it has time. */
	crossing: 33,
	lowString: 120,
	/** Landings prefer the essential tones of an altered dominant, unless that costs a leap. */
	tension: 1500,
	/** Mirror lands on the third by choice, then on the root, then on the fifth; per landing. */
	mirrorRoot: 300,
	mirrorFifth: 500,
	/** A phrase that goes against the wish to climb or descend: once, and for every fret. */
	againstWish: 2000,
	/** A wish for rest or lean counts the tone's distance from it this many times. */
	lean: 4,
	/** A change that a window cannot serve, when windows are compared. */
	unserved: 10_000
} as const;

/** What one style asks for. `telling` is the cost of a tone that the chord before has or its scale has. */
export type StyleWeights = {
	readonly role: Readonly<Record<RoleKind, number>>;
	/** Voice leading counts this many hundredths. */
	readonly voiceLeading: number;
	readonly telling: { readonly inChord: number; readonly inScale: number };
};

export const STYLE_WEIGHTS: Record<Style, StyleWeights> = {
	nearest: {
		role: { root: 450, third: 0, fifth: 500, seventh: 100, extension: 500, bass: 600 },
		voiceLeading: 100,
		telling: { inChord: 1200, inScale: 500 }
	},
	'guide-tones': {
		role: { root: 1600, third: 0, fifth: 1900, seventh: 0, extension: 600, bass: 1900 },
		voiceLeading: 100,
		telling: { inChord: 700, inScale: 500 }
	},
	arpeggio: {
		role: { root: 200, third: 0, fifth: 300, seventh: 200, extension: 600, bass: 600 },
		voiceLeading: 100,
		telling: { inChord: 1200, inScale: 500 }
	},
	blend: {
		role: { root: 300, third: 0, fifth: 400, seventh: 100, extension: 700, bass: 600 },
		voiceLeading: 100,
		telling: { inChord: 900, inScale: 200 }
	},
	mirror: {
		role: { root: 0, third: 0, fifth: 0, seventh: 0, extension: 600, bass: 600 },
		voiceLeading: 60,
		telling: { inChord: 0, inScale: 0 }
	},
	roots: {
		role: { root: 0, third: 2200, fifth: 1600, seventh: 3000, extension: 4000, bass: 1600 },
		voiceLeading: 45,
		telling: { inChord: 0, inScale: 0 }
	}
};

/**
 * How much a landing leans, in thousandths: the root is at rest, the fifth is open, the third tells the
 * chord, the seventh wants to move, an extension floats.
 */
export const RESTLESSNESS: Readonly<Record<RoleKind, number>> = {
	root: 0,
	fifth: 250,
	bass: 300,
	third: 400,
	seventh: 750,
	extension: 1000
};

/** How far each kind of tone is from rest at the end of the chart. */
export const UNREST: Readonly<Record<RoleKind, number>> = {
	root: 0,
	third: 100,
	fifth: 100,
	seventh: 500,
	extension: 500,
	bass: 300
};

import type { Approach } from './approach';

/** No path may go here; far above any sum, and eight times as much is still an integer of 32 bits. */
export const FORBIDDEN = 0x07ffffff;

/** Cost of an interval by semitones, in thousandths; a step costs nothing, a repeated note much. */
const STEPS = [7000, 120, 0, 700, 1000, 1500, 3000, 2200, 3200];
/** The same between two chord tones: thirds are the bones of an arpeggio. */
const CHORD_STEPS = [7000, 120, 0, 100, 150, 600, 1600, 1300, 2400, 2600, 2800, 3600, 3000];

export const stepCost = (semitones: number, bothChordTones: boolean): number => {
	const table = bothChordTones ? CHORD_STEPS : STEPS;
	return semitones < table.length
		? table[semitones]!
		: table[table.length - 1]! + 400 * (semitones - table.length + 1);
};

export const APPROACH: Record<Approach, number> = {
	'half-below': 0,
	'half-above': 150,
	step: 250,
	enclosure: 0,
	leap: 1900,
	other: 2500
};

/** From this many semitones on an interval is a leap. */
export const LEAP = 5;

export const LINE = {
	turn: 1000,
	/** Stepping back after a leap. */
	turnAfterLeap: 400,
	returns: 1300,
	leapAfterLeap: 1200,
	/** Scale note and clash on a beat, times the beat's weight; a tension of an altered dominant there. */
	scaleOnBeat: 1040,
	clashOnBeat: 2100,
	tensionOnBeat: 350,
	/** A clash between beats; and one that is left by a leap. */
	clashOffBeat: 250,
	clashLeft: 5000,
	chromaticOnBeat: 3500,
	chromaticOffBeat: 650,
	/** Chromatic notes cost this share in the second-last place before a target, in hundredths. */
	earlyChromatic: 45,
	/** The target's own pitch just before it. */
	foretold: 8000,
	/** Semitones from the way between two targets that are free, and the price of each beyond. */
	roam: 8,
	roamPrice: 160,
	/** Above the ceiling of a way, so that a phrase has one high point; per semitone. */
	overHighest: 260,
	lowString: 60,
	/** A finger that rolls to another string; what no hand does at speed. */
	roll: 250,
	unplayable: 60_000,
	againstDirection: 800,
	/** The way of arriving that the last gap had, and the one before; the same intervals again. */
	sameApproach: 900,
	sameAsBefore: 350,
	sameIntervals: 2500,
	/** Four intervals in a row that the line has had before. */
	samePattern: 700,
	/** Leaving the contour that is echoed, per scale step, and at most. */
	echoStep: 450,
	echoMost: 1800,
	takeMost: 600
} as const;

/** Notes closer than this are played at speed: no finger may jump between them. In ms. */
export const FAST_MS = 400;

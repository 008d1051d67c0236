import type { LineSettings } from '$lib/api/route-schema';
import { CELLS, type Grid, type Playing, type ScalePlan } from '$core/route';
import { bendWords } from '$lib/draw/played-signs';
import type { NoteAnswer } from '$lib/api/plan-schema';
import type { ALL_TERMS } from '$lib/api/terms';

/** How a line's wishes are called on the screen. */
export const GRID_WORDS: Record<Grid, string> = {
	targets: 'Landings',
	quarter: 'Quarters',
	eighth: 'Eighths',
	triplet: 'Triplets',
	sixteenth: 'Sixteenths'
};

export const SCALE_PLAN_WORDS: Record<ScalePlan, { name: string; says: string }> = {
	one: { name: 'One scale', says: 'The scale in use, over every chord.' },
	follow: { name: 'Follow', says: 'The nearest edit of it that holds each chord.' },
	alternate: {
		name: 'Alternate',
		says: 'Major and minor pentatonic of home, by chord; they change places on the repeat.'
	},
	arpeggio: { name: 'Chord tones', says: 'No scale: the tones of each chord.' }
};

/** How a note is played, in words. */
const TECHNIQUE_WORDS: Record<NonNullable<NoteAnswer['technique']>, string> = {
	'hammer-on': 'hammered on',
	'pull-off': 'pulled off',
	slide: 'slid into',
	bend: 'bent into',
	release: 'let down from a bend',
	'pre-bend': 'bent before it is struck',
	tap: 'tapped',
	'slide-from-below': 'slid into from below',
	'slide-from-above': 'slid into from above',
	curl: 'curled a little sharp',
	trill: 'trilled',
	vibrato: 'with vibrato'
};

/** What else is done with a note, in words. */
const ALSO_WORDS: Record<NonNullable<NoteAnswer['also']>[number], string> = {
	curl: 'curled a little sharp',
	trill: 'trilled',
	vibrato: 'with vibrato',
	release: 'let down again',
	'slide-away-up': 'slid away upward',
	'slide-away-down': 'slid away downward',
	'palm-mute': 'palm muted',
	dead: 'dead',
	'let-ring': 'left ringing',
	staccato: 'short',
	'down-stroke': 'down-stroke',
	'up-stroke': 'up-stroke'
};

/** How a note is played, in words; empty where it is simply struck. */
export function playedWords(note: Partial<Playing>): string {
	const { technique, also = [], bend, grace } = note;
	const words: string[] = [];
	if (bend !== undefined) words.push(`bent up ${bendWords(bend)} ${bend > 2 ? 'tones' : 'tone'}`);
	if (technique && !(technique === 'bend' && bend !== undefined)) {
		words.push(TECHNIQUE_WORDS[technique]);
	}
	if (grace !== undefined) words.push(`from fret ${grace}`);
	return [...words, ...also.map((one) => ALSO_WORDS[one])].join(', ');
}

/** What the terms of a plan's cost weigh. */
export const TERM_WORDS: Record<(typeof ALL_TERMS)[number], string> = {
	voiceLeading: 'distance between landings',
	telling: 'tones that tell the chord',
	role: 'the style’s tones',
	repetition: 'one pitch again',
	turns: 'landings back and forth',
	register: 'edge of the place',
	hand: 'reaches',
	strings: 'strings skipped',
	rest: 'rest and lean',
	shift: 'the hand moves',
	steps: 'intervals of the line',
	contour: 'turns of the line',
	beats: 'scale notes on beats',
	clashes: 'clashes',
	chromatic: 'chromatic notes',
	range: 'far from the way',
	fretting: 'fingers and stretches',
	crossing: 'strings crossed',
	approach: 'ways to arrive',
	variety: 'arrivals alike',
	echo: 'a pattern again',
	take: 'this take'
};

/** What a plan is measured by; `share` is told in per cent. */
export const MEASURE_WORDS: Readonly<Record<string, { words: string; share: boolean }>> = {
	semitoneMoves: { words: 'landings a semitone on', share: false },
	meanMove: { words: 'mean move, semitones', share: false },
	largestMove: { words: 'widest move, semitones', share: false },
	chordTonesOnBeats: { words: 'chord tones on beats', share: true },
	resolvedApproaches: { words: 'arrivals by step', share: true },
	turns: { words: 'turns a note', share: true },
	thirds: { words: 'thirds', share: true },
	repeatedPatterns: { words: 'patterns again', share: true },
	approachEntropy: { words: 'variety of arrivals, bit', share: false },
	largestLeap: { words: 'widest leap, semitones', share: false }
};

/** The name of a rhythm cell; one that the player wrote is told by its marks. */
export const cellWords = (cell: string): string =>
	CELLS.find((entry) => entry.id === cell)?.name ?? cell;

/** A line's wishes in a few words: `eighths, breathe after landing`. */
export function lineWords(line: LineSettings): string {
	if (line.grid === 'targets') return 'landings alone';
	const parts = [GRID_WORDS[line.grid].toLowerCase(), cellWords(line.cell).toLowerCase()];
	if (line.scalePlan !== 'one') parts.push(SCALE_PLAN_WORDS[line.scalePlan].name.toLowerCase());
	if (line.only) parts.push('only these notes');
	if (line.slide > 0) parts.push(line.slide === 1 ? 'slide on one fret' : 'slide on two frets');
	if (line.block) parts.push('moves with the root');
	if (line.roam) parts.push('the hand moves');
	return parts.join(', ');
}

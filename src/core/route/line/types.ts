import type { PlayedBar } from '../../chart';
import type { Role } from '../../chord';
import type { Place } from '../../neck';
import type { AlternateWish, HandScale, ScalePlan } from '../scale-plan';
import type { PlanRequest } from '../types';
import type { Approach } from './approach';
import type { Cell, LineGrid } from './cells';
import type { Notation } from '../../pitch';

export const KINDS = ['target', 'chord', 'passing', 'chromatic', 'enclosure'] as const;
type NoteKind = (typeof KINDS)[number];

/**
 * Ways of playing a note; struck anew where null. Out of the note before on its string, without a stroke: `hammer-on`,
 * `pull-off`, `slide`, `bend` (where no `bend` says how far it is bent itself), `release`. Struck in a way of its own:
 * `bend` with its amount, `pre-bend` (bent before it is struck), `tap`, `slide-from-below`, `slide-from-above` (from no
 * note). While it rings: `curl`, a quarter tone up toward the major third; `trill`; `vibrato`.
 */
export const TECHNIQUES = [
	'hammer-on',
	'pull-off',
	'slide',
	'bend',
	'release',
	'pre-bend',
	'tap',
	'slide-from-below',
	'slide-from-above',
	'curl',
	'trill',
	'vibrato'
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** What else is done with a note: while it rings, as it ends, to its sound, by the pick. */
export const ALSO = [
	'curl',
	'trill',
	'vibrato',
	'release',
	'slide-away-up',
	'slide-away-down',
	'palm-mute',
	'dead',
	'let-ring',
	'staccato',
	'down-stroke',
	'up-stroke'
] as const;
export type Also = (typeof ALSO)[number];

/** How a note is played. */
export type Playing = {
	readonly technique: Technique | null;
	readonly also?: readonly Also[];
	/** Semitones that it is bent up by from the pitch of its place; a quarter tone is a `curl`. */
	readonly bend?: number;
	/** Semitones to the upper note of its trill; left out it is the scale's neighbour. */
	readonly trill?: number;
	/** The fret of a grace note on its string, which goes before it and takes no time of its own. */
	readonly grace?: number;
};

/** A note of a line. Ticks from the first beat; `chord` is the event that sounds when it is struck. */
export type LineNote = Place &
	Playing & {
		readonly tick: number;
		readonly durationTicks: number;
		readonly midi: number;
		readonly name: Notation;
		readonly role: Role | null;
		readonly kind: NoteKind;
		readonly finger: number | null;
		readonly chord: number;
	};

/**
 * A note that the player has set, on any place of the neck; notes on different strings may share a time. `finger` where
 * the player's own one differs; a `technique` that is left out is for the hand to say, null is struck.
 */
export type OwnNote = Place &
	Partial<Playing> & {
		readonly tick: number;
		readonly durationTicks: number;
		readonly finger?: number | null;
	};

/** A stretch of time whose notes are the player's own and stay as they are. Ticks, end exclusive. */
export type Frozen = {
	readonly from: number;
	readonly to: number;
	readonly notes: readonly OwnNote[];
};

/** A finger of the player's own for a note that stands at this tick on this place. */
type OwnFinger = Place & { readonly tick: number; readonly finger: number };

/** How the way between targets is filled. */
export type LineWishes = {
	readonly grid: LineGrid;
	/** The rhythm cell of a section, by its name. */
	readonly cellOf: (section: string | null) => Cell;
	readonly scalePlan: ScalePlan;
	/** Bars that are left to the others: nothing is played there. */
	readonly airAt?: (bar: PlayedBar) => boolean;
	readonly byHand?: readonly HandScale[];
	/** What the IV and the V take where two pentatonics alternate. */
	readonly alternate?: AlternateWish | null;
	/** The notes of the scales alone: no other chord tone, nothing chromatic. */
	readonly only?: boolean;
	readonly anticipate?: boolean;
	/** 0 … 1: how readily chromatic notes lead into targets; 0 leaves them out. */
	readonly spice?: number;
	/** Another take for every other number; 0 is the plan itself. */
	readonly seed?: number;
	readonly direction?: 'up' | 'down';
	/** How the player wants to arrive at some changes, where the place allows it. */
	readonly arrive?: readonly { readonly change: number; readonly approach: Approach }[];
	readonly frozen?: readonly Frozen[];
	readonly fingers?: readonly OwnFinger[];
};

export type LineRequest = PlanRequest & { readonly line: LineWishes };

/** The named parts of a line's cost, in thousandths. */
export const LINE_TERMS = [
	'steps',
	'contour',
	'beats',
	'clashes',
	'chromatic',
	'range',
	'fretting',
	'crossing',
	'approach',
	'variety',
	'echo',
	'take'
] as const;
export type LineTerm = (typeof LINE_TERMS)[number];

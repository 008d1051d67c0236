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
 * Ways of playing a note: struck anew where null; out of the note before (`hammer-on`, `pull-off`,
 * `slide`, `bend`); or while it rings (`curl`, a quarter tone up toward the major third; `trill`;
 * `vibrato`).
 */
export const TECHNIQUES = [
	'hammer-on',
	'pull-off',
	'slide',
	'bend',
	'curl',
	'trill',
	'vibrato'
] as const;
export type Technique = (typeof TECHNIQUES)[number];

/** A note of a line. Ticks from the first beat; `chord` is the event that sounds when it is struck. */
export type LineNote = Place & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role | null;
	readonly kind: NoteKind;
	readonly finger: number | null;
	readonly technique: Technique | null;
	readonly chord: number;
};

/** A note that the player has set; `finger` where the player's own one differs. */
export type OwnNote = Place & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly finger?: number | null;
	/** How the player plays it, null is struck; left out it is for the hand to say. */
	readonly technique?: Technique | null;
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

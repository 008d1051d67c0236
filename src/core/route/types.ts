import type { Chart } from '../chart';
import type { Role, RoleKind } from '../chord';
import type { Scale } from '../harmony';
import type { Instrument, Place } from '../neck';
import type { Notation, Note } from '../pitch';

/** Landing styles: what the planner prefers to land on. */
export const STYLES = ['roots', 'guide-tones', 'nearest', 'arpeggio', 'blend', 'mirror'] as const;
export type Style = (typeof STYLES)[number];

/** How a landing should feel: the root is at rest, the seventh leans and wants to move on. */
export const LEANS = ['rest', 'lean'] as const;
type LeanWish = { readonly change: number; readonly wish: (typeof LEANS)[number] };

/** A target that the player has fixed. `change` is an index into the chart's changes. */
export type Lock = Place & { readonly change: number };

/** What a plan is made for. `letPass` names changes that get no target. */
export type PlanRequest = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly scale: Scale | null;
	readonly position: number;
	readonly style: Style;
	readonly locks: readonly Lock[];
	readonly forbid: readonly Place[];
	readonly letPass: readonly number[];
	/** The hand's position at each change, where it moves along the neck; else it stays in `position`. */
	readonly windows?: readonly number[];
	readonly leans?: readonly LeanWish[];
	/** Scales by event, whose notes alone are landed on; an event without one takes every tone. */
	readonly only?: readonly (Scale | null)[];
	/** Colours of these scales, by event, may be locked as landings; where `free` the planner may choose them, too. */
	readonly colours?: { readonly scales: readonly (Scale | null)[]; readonly free: boolean };
	/** The tonic of home: every change lands on it, whatever its chord. */
	readonly home?: Note;
	/** Mirror: the kind of tone that every change lands on. */
	readonly mirrored?: RoleKind;
};

/** The position of the hand at a change. */
export const positionAt = (request: PlanRequest, change: number): number =>
	request.windows?.[change] ?? request.position;

/** The named parts of a plan's cost, in thousandths. */
export const TERMS = [
	'voiceLeading',
	'telling',
	'role',
	'repetition',
	'turns',
	'register',
	'hand',
	'strings',
	'rest',
	'shift'
] as const;
export type Term = (typeof TERMS)[number];

/** The note chosen for a change. `reasons` are sentences with ASCII note names. */
export type Target = Place & {
	readonly change: number;
	readonly tick: number;
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role;
	readonly finger: number | null;
	readonly reach: boolean;
	readonly locked: boolean;
	readonly reasons: readonly string[];
};

export type PlanWarning = { readonly change: number | null; readonly message: string };

/** The hand's position from a change on. */
export type HandWindow = { readonly change: number; readonly position: number };

/**
 * A plan of one target per change. `cost` and `costs` are in units of the weights table; `windows` says
 * where the hand is, with one entry where it stays.
 */
export type Plan = {
	readonly position: number;
	readonly windows: readonly HandWindow[];
	readonly cost: number;
	readonly costs: Readonly<Record<Term, number>>;
	readonly targets: readonly Target[];
	readonly warnings: readonly PlanWarning[];
};

/** A part of a request that breaks a rule; `path` leads to it as in the public API. */
export type RequestIssue = {
	readonly path: readonly (string | number)[];
	readonly message: string;
};

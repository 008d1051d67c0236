import type { BarRange } from '$core/band';
import type { Judgement, JudgeRequest, NextStep, TakeSummary, WarmUp } from '$core/practice';
import type { TakeStored } from '$lib/api/practice-schema';
import type { RunningPass } from './running-pass';

/** A pass that is over: what was played, what came of it, and what to do next. */
export type DonePass = {
	readonly tempo: number;
	readonly looped: BarRange | null;
	/** What was played, and what it was judged by. */
	readonly request: JudgeRequest;
	readonly judgement: Judgement;
	readonly summary: TakeSummary;
	readonly next: NextStep;
	/** The player stopped before its end. */
	readonly stopped: boolean;
	/** What went into the log; null while it is on its way. */
	readonly stored: TakeStored | null;
	/** Why it could not be stored. */
	readonly trouble: string | null;
};

/** What plays that is no pass: a warm-up, or the last pass again. */
export type Aside = WarmUp | 'pass';

/** Where a drill stands: it is one of these, and what it knows then stands with it. */
export type DrillPhase =
	/** What is drilled is chosen, nothing was played yet. */
	| { readonly kind: 'choosing'; readonly aside: Aside | null }
	/** A pass plays. */
	| {
			readonly kind: 'running';
			readonly pass: RunningPass;
			/** What has been heard of it so far, judged as it falls. */
			readonly live: Judgement | null;
			/** Ms since its first beat. */
			readonly elapsed: number;
			/** The pass before it, which is shown again when this one ends in its count-in. */
			readonly before: DonePass | null;
	  }
	/** A pass is over and judged. */
	| { readonly kind: 'judged'; readonly done: DonePass; readonly aside: Aside | null };

/** What plays that is no pass. */
export const asideOf = (phase: DrillPhase): Aside | null =>
	phase.kind === 'running' ? null : phase.aside;

/** A drill after a pass, or before the first one. */
export const after = (done: DonePass | null): DrillPhase =>
	done ? { kind: 'judged', done, aside: null } : { kind: 'choosing', aside: null };

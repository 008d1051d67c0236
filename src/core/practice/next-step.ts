import { TEMPO } from '../kernel';
import type { BarRange } from '../band';
import type { Chart } from '../chart';
import { guideTones } from '../chord';
import { bendAdvice } from './bends';
import { climb, type Ladder, type LadderPlace } from './ladder';
import type { Slip, TakeSummary } from './summary';
import type { Judgement, Rules } from './types';

/** What to do next, in words and as something that one key can start. */
export type NextStep = {
	/** A few bars round the change that slipped, or the form again on the same rung or the next. */
	readonly kind: 'loop' | 'up' | 'again' | 'form';
	readonly range: BarRange | null;
	readonly tempo: number;
	/** One sentence: what, where, how fast. ASCII note names. */
	readonly text: string;
	/** Why: what went wrong, or right. */
	readonly reason: string;
};

const TIMES = ['', 'once', 'twice', 'three times', 'four times', 'five times'];
const times = (n: number): string => TIMES[n] ?? `${n} times`;

const HOW = {
	late: 'came late',
	early: 'came early',
	missed: 'was missed',
	silent: 'stayed silent'
};

/** The commonest way in which a change slipped. */
function mainFault(slip: Slip): keyof typeof HOW {
	const faults = ['missed', 'silent', 'late', 'early'] as const;
	return faults.reduce((most, fault) => (slip[fault] > slip[most] ? fault : most), faults[0]);
}

/** What the player plans to land on, by change. */
type Aims = ReadonlyMap<number, { readonly name: string; readonly role: string }>;

/** The tone that a change asks for: the planned one, else as the rules have it. */
function aim(chart: Chart, slip: Slip, rules: Rules, aims?: Aims) {
	const planned = aims?.get(slip.index);
	if (planned) return planned;
	const { chord } = chart.changes[slip.index]!.to;
	const tones =
		rules.landOn === 'roots' ? chord.tones.filter(({ role }) => role === 'R') : guideTones(chord);
	const tone = tones[0];
	return tone ? { name: tone.name, role: tone.role } : null;
}

/** A tempo some steps down, never under the least that the band plays. */
const slower = (tempo: number, { step }: Ladder): number => Math.max(TEMPO.least, tempo - step);

/** `the third of G7alt in bar 8 came late twice`; without an aim the chord itself. */
function slipWords(chart: Chart, slip: Slip, rules: Rules, aims?: Aims): string {
	const fault = mainFault(slip);
	// What came late need not be what was aimed for; what never came is what was aimed for.
	const came = fault === 'late' || fault === 'early';
	const role = came ? slip.struck : aim(chart, slip, rules, aims)?.role;
	const what = role
		? `the ${role === 'R' ? 'root' : role} of ${slip.to}`
		: came
			? `the landing on ${slip.to}`
			: slip.to;
	const often = slip.asked > 1 ? ` ${times(slip[fault])}` : '';
	return `${what} in bar ${slip.bar} ${HOW[fault]}${often}`;
}

/** The bars that lead into a change and the one it stands in, inside the range that is played. */
function barsRound(chart: Chart, slip: Slip, range: BarRange | null): BarRange {
	const [first, end] = [range?.from ?? 0, range?.to ?? chart.played.length];
	const bar = Math.min(Math.max(slip.bar - 1, first), end - 1);
	const from = slip.beat > 1 ? bar : Math.max(first, bar - 1);
	return { from, to: Math.min(end, Math.max(bar + 1, from + 1)) };
}

const barsText = ({ from, to }: BarRange): string =>
	to - from === 1 ? `bar ${from + 1}` : `bars ${from + 1}–${to}`;

/** What the player is on: the ladder, the bars that make the drill, and those that were played now. */
export type Practised = {
	readonly chart: Chart;
	readonly rules: Rules;
	readonly ladder: Ladder;
	readonly place: LadderPlace;
	/** The bars of the drill; null is the whole form. */
	readonly whole: BarRange | null;
	/** The bars of this pass where they are fewer: a loop out of an earlier step. */
	readonly looped: BarRange | null;
	/** Quarter notes a minute of this pass. */
	readonly tempo: number;
	readonly aims?: Aims;
};

/**
 * The one next step after a pass. Something slipped: loop the bars round the worst change, a step slower.
 * A loop that is clean: the form again, on its rung. A clean form: once more, or up a rung; at the top,
 * that it is done. Only a rule was broken: again at this tempo.
 */
export function nextStep(
	practised: Practised,
	judgement: Judgement,
	summary: TakeSummary
): NextStep {
	const { chart, rules, ladder, whole, looped, tempo, aims } = practised;
	const [worst] = summary.slips;
	if (worst) {
		const range = barsRound(chart, worst, looped ?? whole);
		const goal = slower(tempo, ladder);
		const tone = aim(chart, worst, rules, aims);
		const land = tone ? ` Land on ${tone.name}.` : '';
		return {
			kind: 'loop',
			range,
			tempo: goal,
			text: `Loop ${barsText(range)} at ${goal}.${land}`,
			reason: `${capital(slipWords(chart, worst, rules, aims))}.`
		};
	}
	const [first] = judgement.violations;
	if (first) {
		const range = looped ?? whole;
		const text = `Again at ${tempo}, by the rule.`;
		return { kind: 'again', range, tempo, text, reason: `Every change lands. ${first.message}` };
	}
	if (looped) {
		const { tempo: rung } = practised.place;
		const text = `Now the whole ${whole ? barsText(whole) : 'form'} at ${rung}.`;
		return { kind: 'form', range: whole, tempo: rung, text, reason: 'The loop is clean.' };
	}
	const after = climb(ladder, practised.place, true);
	if (after.tempo > practised.place.tempo) {
		const text = `Up to ${after.tempo}.`;
		return {
			kind: 'up',
			range: whole,
			tempo: after.tempo,
			text,
			reason: `Clean ${times(ladder.up)} at ${practised.place.tempo}.`
		};
	}
	const top = practised.place.tempo >= ladder.ceiling;
	return {
		kind: 'again',
		range: whole,
		tempo: after.tempo,
		text:
			top && after.clean >= ladder.up
				? `The aim of ${ladder.ceiling} is reached: take the next place or key.`
				: `Once more at ${after.tempo}.`,
		reason: 'A clean pass.'
	};
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** How far unbent notes lie off together, in cents, before it is worth a word. */
const OUT_OF_TUNE = 20;

/**
 * What to say about a take in a few sentences: what slips, how the timing leans, how bends come out, what
 * breaks the rules.
 * @param cents how far notes that are not bent lie off their pitch
 */
export function adviceOn(
	chart: Chart,
	rules: Rules,
	judgement: Judgement,
	summary: TakeSummary,
	cents: readonly number[] = []
): string[] {
	const advice: string[] = [];
	const { slips, biasMs, spreadMs } = summary;
	if (summary.asked > 0 && slips.length === 0) advice.push('Every change lands.');
	for (const slip of slips.slice(0, 2)) {
		const tone = aim(chart, slip, rules);
		const land = tone ? ` Land on ${tone.name}.` : '';
		advice.push(`${capital(slipWords(chart, slip, rules))}.${land}`);
	}
	if (biasMs !== null && Math.abs(biasMs) >= 15) {
		const side = biasMs > 0 ? 'late' : 'early';
		const help = biasMs > 0 ? 'Aim a little ahead.' : 'Wait for the beat.';
		advice.push(`Landings come ${Math.round(Math.abs(biasMs))} ms ${side} on average. ${help}`);
	} else if (spreadMs !== null && spreadMs >= 30) {
		advice.push(`Landings scatter by ${Math.round(spreadMs)} ms: play it slower with the click.`);
	}
	const out = cents.length >= 3 ? cents.reduce((sum, cent) => sum + cent, 0) / cents.length : 0;
	if (Math.abs(out) >= OUT_OF_TUNE) {
		const side = out > 0 ? 'sharp' : 'flat';
		advice.push(`Notes sound ${Math.round(Math.abs(out))} cents ${side}: check the tuning.`);
	}
	advice.push(...bendAdvice(judgement.bends));
	const [broken] = judgement.violations;
	if (broken) {
		const more = judgement.violations.length - 1;
		advice.push(broken.message + (more > 0 ? ` And ${more} more like it.` : ''));
	}
	return advice;
}

import type { BarRange } from '$core/band';
import type { Chart } from '$core/chart';
import { proseSigns, signs } from '$core/chord';
import { keyOf, nameOver, scaleInUse } from '$core/harmony';
import {
	bendAdvice,
	CHORD_KIND_WORDS,
	type HandGrade,
	type JudgedChange,
	type Judgement,
	type Result,
	type TakeSummary
} from '$core/practice';
import type { TargetAnswer } from '$lib/api/plan-schema';
import { prefs } from '$lib/state/prefs.svelte';
import { capital, plural } from '$lib/words/words';

/** What each result is called, and what it means. */
export const RESULT_WORDS: Record<Exclude<Result, 'passed'>, readonly [string, string]> = {
	landed: ['landed', 'on its moment'],
	held: ['held over', 'over the barline, still right'],
	leaning: ['leaning', 'on a colour of the scale'],
	early: ['early', 'let go before the change'],
	late: ['late', 'within a beat'],
	missed: ['missed', 'another note'],
	silent: ['silent', 'no note']
};

/** How a pass went, by the player's own ear. */
export const HAND_WORDS: Record<HandGrade, string> = {
	clean: 'Clean',
	nearly: 'Nearly',
	not: 'Not yet'
};

/** `+12`, `−74`: ms off its moment. */
const signed = (ms: number): string =>
	ms < 0 ? `−${Math.abs(Math.round(ms))}` : `+${Math.round(ms)}`;

/** What is written under a change in the lane of timing. */
export function laneWord({ result, errorMs }: JudgedChange): string {
	if (result === 'held') return 'held';
	if (result === 'missed' || result === 'silent') return result;
	if (result === 'leaning') return 'leans';
	return errorMs === null ? '' : signed(errorMs);
}

/** The kind of chord that makes most of what slips, where one does and others land. */
function worstKind(kinds: TakeSummary['kinds']): string {
	const slipped = ({ asked, landed }: TakeSummary['kinds'][number]) => asked - landed;
	const all = kinds.reduce((sum, kind) => sum + slipped(kind), 0);
	const worst = kinds.find((kind) => slipped(kind) >= 2 && slipped(kind) > 0.6 * all);
	if (!worst || kinds.length < 2) return '';
	return `Mostly chords of ${proseSigns(CHORD_KIND_WORDS[worst.kind])} slip:`;
}

/** The verdict on a pass: how many land, how the timing leans, what slips. */
export function passVerdict({ asked, landed, biasMs, spreadMs, slips, kinds }: TakeSummary): {
	head: string;
	rest: string;
	bars: number[];
} {
	const head =
		asked > 1 && landed === asked
			? `All ${asked} changes land.`
			: `${landed} of ${plural(asked, 'change')} ${asked === 1 ? 'lands' : 'land'}.`;
	const timing =
		biasMs === null || spreadMs === null
			? ''
			: `On average ${Math.round(Math.abs(biasMs))} ms ${biasMs < 0 ? 'early' : 'late'}, spread ${Math.round(spreadMs)} ms.`;
	const kind = worstKind(kinds);
	const bars = [...new Set(slips.map(({ bar }) => bar))].sort((a, b) => a - b).slice(0, 4);
	return { head, rest: [timing, kind].filter(Boolean).join(' '), bars };
}

/** A note as it is spelled over a chord, else as the scale in use spells it. */
const noteOf = (midi: number, chart: Chart, change: number): string => {
	const { chord } = chart.changes[change].to;
	const name = nameOver(midi, { chord, scale: scaleInUse(chart).scale, key: keyOf(chart) });
	return prefs.name(name);
};

/**
 * What went wrong at a change, in two parts: where and how, then the notes.
 * @param range the bars that were played; null is the whole form
 */
export function slipSentence(
	chart: Chart,
	{ index, result, midi, errorMs }: JudgedChange,
	target: TargetAnswer | undefined,
	range: BarRange | null = null
): readonly [string, string] {
	const { bar, to } = chart.changes[index];
	const symbol = signs(to.symbol);
	// What a loop begins with comes out of the count-in, or out of the loop's end.
	const before = chart.changes[index - 1];
	const inside = before && before.bar > (range?.from ?? 0);
	const move = inside ? `${symbol} out of ${signs(before.to.symbol)}` : symbol;
	const wanted = target ? prefs.name(target.name) : null;
	const played = midi === null ? '' : noteOf(midi, chart, index);
	const ms = Math.abs(Math.round(errorMs ?? 0));
	const head = `Bar ${bar}, ${result}.`;
	switch (result) {
		case 'early':
			return [head, `${played} came ${ms} ms before ${symbol} and was let go.`];
		case 'late':
			return [head, `${played} came ${ms} ms after ${move}.`];
		case 'missed':
			return [head, `${played} sounded; ${move} wants ${wanted ?? 'one of its tones'}.`];
		default:
			return [head, `No note on ${move}${wanted ? `; ${wanted} was due` : ''}.`];
	}
}

/** A sentence of the core with real signs. */
export const said = (text: string): string =>
	capital(
		proseSigns(text).replace(
			/\b(the|its) ([b#])(?=\d)/gi,
			(_, word: string, sign: string) => `${word} ${sign === 'b' ? '♭' : '♯'}`
		)
	);

/** Rules that were broken, one sentence a kind with how often. */
function brokenRules({ violations }: Judgement): string[] {
	const kinds = new Map<string, { message: string; count: number }>();
	for (const { rule, message } of violations) {
		const known = kinds.get(rule);
		kinds.set(rule, { message: known?.message ?? message, count: (known?.count ?? 0) + 1 });
	}
	return [...kinds.values()].map(({ message, count }) =>
		said(count > 1 ? `${message} And ${count - 1} more.` : message)
	);
}

/** What else there is to say of a pass, each in two parts: rules that were broken, bends out of tune. */
export const passRemarks = (judgement: Judgement): (readonly [string, string])[] => [
	...brokenRules(judgement)
		.slice(0, 2)
		.map((text) => ['Rule.', text] as const),
	...bendAdvice(judgement.bends).map((text) => ['Bends.', said(text)] as const)
];

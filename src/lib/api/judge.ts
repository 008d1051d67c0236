import { swingOf } from '$core/band';
import type { Chart } from '$core/chart';
import { isPosition, lastPosition, type Instrument } from '$core/neck';
import {
	adviceOn,
	isBent,
	judge,
	summarise,
	USUAL_TOLERANCE,
	type JudgeRequest,
	type Rules
} from '$core/practice';
import { scalesAlong } from '$core/route';
import type { Issue } from './chart-schema';
import type { JudgeAnswer, JudgeInput } from './practice-schema';
import { resolveHeld, type Outcome } from './resolve';

/** Changes that one request may have judged: some hours of the longest charts. */
const MOST_CHANGES = 40_000;

/** What is wrong with the rules of a drill for a chart and an instrument. */
export function ruleIssues(rules: Rules, chart: Chart, instrument: Instrument): Issue[] {
	const issues: Issue[] = [];
	const wrong = (path: string, message: string) => issues.push({ path: `rules.${path}`, message });
	const { position, strings, letPass, restBars, fret } = rules;
	if (position !== undefined && !isPosition(instrument, position)) {
		const last = lastPosition(instrument);
		wrong('position', `Position ${position} does not exist: this instrument has 1 to ${last}.`);
	}
	const count = instrument.open.length;
	strings?.forEach((string, i) => {
		if (string > count) wrong(`strings.${i}`, `There is no string ${string}: there are ${count}.`);
	});
	const high = instrument.frets - instrument.capo;
	if (fret !== undefined && fret > high) wrong('fret', `The highest fret is ${high}.`);
	const changes = chart.changes.length;
	letPass?.forEach((change, i) => {
		const most = `the chart has changes 0 to ${changes - 1}`;
		if (change >= changes) wrong(`letPass.${i}`, `There is no change ${change}: ${most}.`);
	});
	const bars = chart.played.length;
	restBars?.forEach((bar, i) => {
		if (bar > bars) wrong(`restBars.${i}`, `There is no bar ${bar}: ${bars} bars are played.`);
	});
	return issues.slice(0, 100);
}

/** Reads a request to judge a whole chart, or says what is wrong with it. */
function readJudge(input: JudgeInput): Outcome<JudgeRequest> {
	const setting = resolveHeld(input);
	if ('error' in setting) return setting;
	const { chart, scale, instrument } = setting.value;
	const { tempo, events, loops = 1, colours } = input;
	const rules = { ...input.rules, ...(colours === undefined ? {} : { colours }) };
	const issues = ruleIssues(rules, chart, instrument);
	if (chart.changes.length * loops > MOST_CHANGES) {
		const message = `${loops} times through this chart are more than ${MOST_CHANGES} changes: send fewer.`;
		issues.push({ path: 'loops', message });
	}
	if (issues.length > 0) return { error: issues };
	return {
		value: {
			chart,
			instrument,
			scales: scalesAlong(chart, scale, 'one'),
			swing: swingOf(chart.headers.feel),
			tempo,
			rules,
			range: null,
			loops,
			toleranceMs: input.toleranceMs ?? USUAL_TOLERANCE,
			latencyMs: input.latencyMs ?? 0,
			events
		}
	};
}

/** Judges a take; the answer of `POST /api/v1/judge`, the same in the browser and on the server. */
export function runJudge(input: JudgeInput): Outcome<JudgeAnswer> {
	const read = readJudge(input);
	if ('error' in read) return read;
	const request = read.value;
	const { chart, rules, events } = request;
	const judgement = judge(request);
	const cents = events.flatMap((event) => (isBent(event) ? [] : (event.cents ?? [])));
	const summary = summarise(chart, judgement, rules.colours);
	return {
		value: {
			changes: judgement.changes.map((change) => ({ ...change })),
			violations: judgement.violations.map((violation) => ({ ...violation })),
			landedShare: judgement.landedShare,
			medianErrorMs: judgement.medianErrorMs,
			clean: judgement.clean,
			advice: adviceOn(chart, rules, judgement, summary, cents)
		}
	};
}

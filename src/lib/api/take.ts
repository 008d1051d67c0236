import type { Chart } from '$core/chart';
import {
	positionsOf,
	instrumentOf,
	lastPosition,
	type Instrument,
	type OwnInstrument
} from '$core/neck';
import { keyOf, scaleInUse } from '$core/harmony';
import type { Role } from '$core/chord';
import { noteName } from '$core/pitch';
import {
	chordKind,
	drillLine,
	inKey,
	judge,
	passRequest,
	summarise,
	USUAL_TOLERANCE,
	type ChordKind,
	type JudgeRequest,
	type Result
} from '$core/practice';
import { ruleIssues } from './judge';
import type { CardDrill, TakeAnswer, TakeInput } from './practice-schema';
import type { Outcome } from './resolve';

/** What is judged: a take on the chart of its tune, and the player's own instruments. */
export type TakeRequest = {
	readonly chart: string;
	readonly title: string;
	readonly take: TakeInput;
	readonly own: readonly OwnInstrument[];
};

/** One change of a take as it is kept. */
export type KeptChange = {
	readonly loop: number;
	readonly change: number;
	readonly kind: ChordKind;
	readonly symbol: string;
	readonly bar: number;
	readonly result: Exclude<Result, 'passed'>;
	readonly role: Role | null;
	readonly errorMs: number | null;
};

/** A take as it is kept: the chart in the drill's key, the counts, every change. */
export type JudgedTake = {
	readonly chart: string;
	/** Tonic that the tune was heard in; empty without a key. */
	readonly key: string;
	readonly rule: string;
	readonly landed: number;
	readonly asked: number;
	readonly clean: boolean;
	readonly biasMs: number | null;
	readonly spreadMs: number | null;
	readonly changes: readonly KeptChange[];
};

/** What is wrong with a drill for a tune. */
export function drillIssues(
	chartText: string,
	drill: CardDrill,
	own: readonly OwnInstrument[]
): { path: string; message: string }[] {
	const { chart } = inKey(chartText, drill.key);
	const { instrument } = instrumentOf(chart, own);
	const issues = ruleIssues(drill.rules, chart, instrument).map((issue) => ({
		...issue,
		path: `drill.${issue.path}`
	}));
	const bars = chart.played.length;
	if (drill.range && drill.range.to > bars) {
		issues.push({
			path: 'drill.range',
			message: `The tune has ${bars} ${bars === 1 ? 'bar' : 'bars'}.`
		});
	}
	const last = lastPosition(instrument);
	if (drill.position > last) {
		const message = `Position ${drill.position} does not exist: this instrument has 1 to ${last}.`;
		issues.push({ path: 'drill.position', message });
	}
	return issues;
}

/** Judges a take of a drill, or says what is wrong with it. A take by hand has no changes of its own. */
export function runTake({ chart: text, title, take, own }: TakeRequest): Outcome<JudgedTake> {
	const { drill, looped, grade } = take;
	const issues = drillIssues(text, drill, own);
	const { chart, text: moved, tonic } = inKey(text, drill.key);
	if (looped && looped.to > chart.played.length) {
		issues.push({
			path: 'looped',
			message: `The tune has ${chart.played.length} ${chart.played.length === 1 ? 'bar' : 'bars'}.`
		});
	}
	if (chart.changes.length === 0) {
		issues.push({ path: 'tuneId', message: 'This tune has no chord to land on.' });
	}
	if (issues.length > 0) return { error: issues };
	const { instrument } = instrumentOf(chart, own);
	const rule = drillLine(title, drill, inKey(text, null).tonic);
	const kept = { chart: moved, key: tonic ?? '', rule };
	if (grade !== null) {
		const clean = grade === 'clean';
		const none = { landed: 0, asked: 0, biasMs: null, spreadMs: null, changes: [] };
		return { value: { ...kept, ...none, clean } };
	}
	const judgement = judge(
		passRequest(chart, instrument, drill, {
			looped,
			tempo: take.tempo,
			swing: take.swing ?? null,
			loops: take.loops,
			toleranceMs: take.toleranceMs ?? USUAL_TOLERANCE,
			latencyMs: take.latencyMs ?? 0,
			events: take.events,
			untilMs: take.untilMs
		})
	);
	const { landed, asked, biasMs, spreadMs } = summarise(chart, judgement, drill.rules.colours);
	const changes = judgement.changes.flatMap(
		({ index, loop, result, role, errorMs }): KeptChange[] => {
			if (result === 'passed') return [];
			const { to, bar } = chart.changes[index]!;
			const kind = chordKind(to.chord);
			return [{ loop, change: index, kind, symbol: to.symbol, bar, result, role, errorMs }];
		}
	);
	return { value: { ...kept, landed, asked, clean: judgement.clean, biasMs, spreadMs, changes } };
}

/** The request that judges a stored take anew, its first time through alone. */
export function firstTimeThrough(
	take: TakeAnswer,
	chart: Chart,
	instrument: Instrument
): JudgeRequest {
	const { pass, drill, tempo, events } = take;
	return passRequest(chart, instrument, drill, {
		looped: pass.looped,
		tempo,
		swing: pass.swing ?? null,
		loops: 1,
		toleranceMs: pass.toleranceMs ?? USUAL_TOLERANCE,
		latencyMs: 0,
		events,
		untilMs: pass.untilMs
	});
}

/** Where a tune can be practised: its own tonic and mode, and the boxes of its scale. */
export function rotationOf(chartText: string, own: readonly OwnInstrument[]) {
	const { chart } = inKey(chartText, null);
	const { instrument } = instrumentOf(chart, own);
	const { scale } = scaleInUse(chart);
	const key = keyOf(chart);
	const places = scale
		? positionsOf(instrument, scale, 'box')
				.map(({ position }) => position)
				.filter((position) => position <= 12)
		: [];
	return { places, key: key && { tonic: noteName(key.tonic), mode: key.mode } };
}

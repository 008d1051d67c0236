import type { Chart } from '$core/chart';
import { keyOf } from '$core/harmony';
import { isPosition, lastPosition, type Instrument } from '$core/neck';
import {
	handByBar,
	placesInBar,
	planWhole,
	readCell,
	readyRoute,
	scalesFrom,
	timedChart,
	type HandScale,
	type ReadyRoute,
	type RouteWish,
	type ScaleFrom,
	type TimedChart
} from '$core/route';
import { answerOf } from './plan-answer';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { asIssues, resolveScale, resolveSetting, type Outcome } from './resolve';

/** How readily chromatic notes come in where the request does not say. */
const USUAL_SPICE = 0.4;

function wayOf(chart: Chart, input: PlanInput): Outcome<RouteWish['way']> {
	const { grid } = input;
	if (grid === 'targets') return { value: null };
	const cell = readCell(input.cell ?? 'steady', placesInBar(chart, grid));
	if ('error' in cell) return { error: [{ path: 'cell', message: cell.error }] };
	const { anticipate = false, spice = USUAL_SPICE, seed = 0 } = input;
	return { value: { grid, cellOf: () => cell.value, anticipate, spice, seed } };
}

/** The chart by what the request says of its bars, or what of that cannot be. */
function timesOf(chart: Chart, input: PlanInput): Outcome<TimedChart> {
	const last = chart.bars.length;
	const unknown = (path: string, bar: number) =>
		bar <= last ? [] : [{ path, message: `There is no bar ${bar}: this chart has 1 to ${last}.` }];
	const { position, land = 'change', hand = [], scales = [] } = input;
	const issues = [
		...hand.flatMap(({ bar }, i) => unknown(`hand.${i}.bar`, bar)),
		...scales.flatMap(({ bar }, i) => unknown(`scales.${i}.bar`, bar))
	];
	if (hand.length > 0 && typeof position === 'object') {
		issues.push({ path: 'hand', message: 'A hand that roams has no places of its own.' });
	}
	if (input.home && !keyOf(chart)) {
		issues.push({
			path: 'home',
			message: 'Without a key there is no home: write key: in the chart.'
		});
	}
	if (issues.length > 0) return { error: issues };
	const base = typeof position === 'number' ? position : 0;
	return {
		value: timedChart(chart, {
			land,
			handAt: handByBar(base, { hand }) ?? undefined,
			scales: scales.map(({ bar, beat = 1 }) => ({ bar, beat }))
		})
	};
}

/** The scales from some written bars on, by event; or the one that is not in the library. */
function scalesBy(chart: Chart, scales: PlanInput['scales'] = []): Outcome<HandScale[]> {
	const from: ScaleFrom[] = [];
	for (const [i, { bar, beat = 1, ...input }] of scales.entries()) {
		const scale = resolveScale(chart, input);
		if ('error' in scale) {
			return { error: scale.error.map((issue) => ({ ...issue, path: `scales.${i}.name` })) };
		}
		if (scale.value) from.push({ bar, beat, scale: scale.value });
	}
	return { value: scalesFrom(chart, from) };
}

/** Where the hand cannot be. */
function handIssues(instrument: Instrument, hand: PlanInput['hand'] = []) {
	return hand.flatMap(({ position }, i) => {
		if (isPosition(instrument, position)) return [];
		const message = `Position ${position} does not exist: this instrument has 1 to ${lastPosition(instrument)}.`;
		return [{ path: `hand.${i}.position`, message }];
	});
}

/** Reads a request, or says what is wrong with it. */
function resolvePlan(input: PlanInput): Outcome<ReadyRoute & { readonly timed: TimedChart }> {
	const setting = resolveSetting(input);
	if ('error' in setting) return setting;
	const times = timesOf(setting.value.chart, input);
	if ('error' in times) return times;
	const { value: timed } = times;
	const { chart, changeOf } = timed;
	const byHand = scalesBy(chart, input.scales);
	if ('error' in byHand) return byHand;
	const impossible = handIssues(setting.value.instrument, input.hand);
	if (impossible.length > 0) return { error: impossible };
	const way = wayOf(chart, input);
	if ('error' in way) return way;
	const last = setting.value.chart.changes.length - 1;
	const unknown = [
		...(input.locks ?? []).map(({ change }, i) => ({ change, path: `locks.${i}.change` })),
		...(input.letPass ?? []).map((change, i) => ({ change, path: `letPass.${i}` }))
	].filter(({ change }) => change > last);
	if (unknown.length > 0) {
		const message = (change: number) =>
			`There is no change ${change}: this chart has 0 to ${last}.`;
		return { error: unknown.map(({ change, path }) => ({ path, message: message(change) })) };
	}
	/** A change that is let pass is not landed on as long as its chord lasts. */
	const all = (change: number) => changeOf.flatMap((of, index) => (of === change ? [index] : []));
	const ready = readyRoute({
		...setting.value,
		chart,
		holding: { slide: input.slide ?? 0, block: false },
		position: input.position,
		style: input.style,
		locks: (input.locks ?? []).map((lock) => ({ ...lock, change: changeOf.indexOf(lock.change) })),
		forbid: input.forbid ?? [],
		letPass: (input.letPass ?? []).flatMap(all),
		...(input.hand ? { hand: { hand: input.hand } } : {}),
		colours: input.colours ? 'all' : undefined,
		home: input.home,
		scales: {
			scalePlan: input.scalePlan ?? 'one',
			alternate: input.alternate ?? null,
			only: input.only ?? false,
			byHand: byHand.value
		},
		way: way.value
	});
	return 'error' in ready ? { error: asIssues(ready.error) } : { value: { ...ready.value, timed } };
}

/** Plans a route; the answer of `POST /api/v1/plan`. */
export function runPlan(input: PlanInput): Outcome<PlanAnswer> {
	const ready = resolvePlan(input);
	if ('error' in ready) return ready;
	const { request, line, timed } = ready.value;
	const plans = planWhole(request, line, input.alternatives ?? 1);
	const warnings = (plans[0]?.plan.warnings ?? []).map(({ change, message }) => ({
		change: change === null ? null : timed.changeOf[change]!,
		message
	}));
	return { value: { plans: plans.map((whole) => answerOf(whole, timed)), warnings } };
}

import type { RouteInput, LineSettings } from './route-schema';
import type { Chart } from '$core/chart';
import { scaleInUse, type Scale } from '$core/harmony';
import { toneAt } from '$core/chord';
import { inWindow, pitchAt, samePlace, type Instrument, type Place } from '$core/neck';
import {
	airBars,
	airChanges,
	blendScale,
	changeOfAnchor,
	colourOver,
	handAlong,
	handStretches,
	positionAt,
	type HandStretch,
	heldInstrument,
	LineWork,
	placesInBar,
	planWhole,
	rankLandings,
	readCell,
	readyRoute,
	scalesAlong,
	STEADY,
	type ArrivalOption,
	type Frozen,
	type Landing,
	type OwnLine,
	type LineWishes,
	type ReadyRoute,
	type RouteWish,
	type TimedChart
} from '$core/route';
import { answerOf } from './plan-answer';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { asIssues, resolveChart, resolveInstrument, type Outcome } from './resolve';
import { chartOf, frozenOf, landingOf, scalesOf, settleOwn, waitingNotes } from './route-anchors';

/** A route to be planned: what the player wishes, on a chart and an instrument. */
export type RouteRequest = {
	readonly chart: string;
	readonly instrument: PlanInput['instrument'];
	readonly route: Omit<RouteInput, 'name'>;
};

/**
 * A planned route, by the changes and chords of the chart that it lands on (see `chartOf`), with how each target can be reached
 * where a line leads there.
 */
export type PlannedRoute = PlanAnswer['plans'][number] & {
	readonly warnings: readonly string[];
	readonly arrivals: readonly (readonly ArrivalOption[])[];
	/** Where the hand is, as it was planned or read off own notes. */
	readonly hands: readonly HandStretch[];
};

/** A chart that is planned on again and again: read once, with what earlier plans of it left. */
export class PlanDesk {
	readonly chart: Outcome<Chart>;
	readonly work = new LineWork();
	private timed: { readonly key: string; readonly chart: TimedChart } | null = null;

	constructor(readonly text: string) {
		this.chart = resolveChart(text);
	}

	/** The chart by the moments that a route lands on; the same one as long as these are the same. */
	timedFor(chart: Chart, route: RouteRequest['route']): TimedChart {
		const key = JSON.stringify(landingOf(route));
		if (this.timed?.key !== key) this.timed = { key, chart: chartOf(chart, route) };
		return this.timed.chart;
	}
}

type Told<T> = { readonly value: T; readonly warnings: readonly string[] };

/** The cell of each section; one that does not fit the grid gives way to steady notes. */
function cellsOf(
	chart: Chart,
	grid: LineWishes['grid'],
	{ cell, cells }: LineSettings
): Told<LineWishes['cellOf']> {
	const places = placesInBar(chart, grid);
	const warnings: string[] = [];
	const read = (text: string) => {
		const found = readCell(text, places);
		if ('value' in found) return found.value;
		if (!warnings.includes(found.error)) warnings.push(found.error);
		return STEADY;
	};
	const usual = read(cell);
	const own = new Map(cells.map((entry) => [entry.section, read(entry.cell)]));
	return { value: (section) => own.get(section ?? '') ?? usual, warnings };
}

/** What is fixed, by change; anchors that the chart no longer has do not bind. */
function bound<T extends Parameters<typeof changeOfAnchor>[1], R>(
	chart: Chart,
	list: readonly T[],
	make: (entry: T, change: number) => R
): R[] {
	return list.flatMap((entry) => {
		const change = changeOfAnchor(chart, entry)?.index;
		return change === undefined ? [] : [make(entry, change)];
	});
}

/** How the way between landings is filled; null where landings alone are planned. */
function wayOf(
	chart: Chart,
	{ line, anchors }: RouteRequest['route'],
	own: readonly Frozen[]
): Told<RouteWish['way']> {
	const { grid } = line;
	if (grid === 'targets') return { value: null, warnings: [] };
	const { value: cellOf, warnings } = cellsOf(chart, grid, line);
	const air = airBars(chart, line.talk);
	const way: RouteWish['way'] = {
		grid,
		cellOf,
		...(line.talk.length > 0 ? { airAt: (bar) => air[bar.index] ?? false } : {}),
		anticipate: line.anticipate,
		spice: line.spice,
		seed: line.seed,
		direction: line.direction ?? undefined,
		frozen: own,
		fingers: bound(chart, anchors.fingers, ({ offset, string, fret, finger }, change) => ({
			...{ tick: chart.changes[change]!.tick + offset, string, fret, finger }
		})),
		arrive: bound(chart, anchors.arrive, ({ approach }, change) => ({ change, approach }))
	};
	return { value: way, warnings };
}

/** Changes that are let pass, whatever own notes stand there. */
const passedBy = (chart: Chart, { letPass }: RouteRequest['route']['anchors']): number[] =>
	bound(
		chart,
		letPass.filter(({ own }) => !own),
		(_, change) => change
	);

/** What the planner is to do about the changes that own notes decide, and about locks that do not hold now. */
function fixedBy(
	chart: Chart,
	held: Instrument,
	{ anchors, line }: RouteRequest['route'],
	own: readonly Frozen[],
	handAt: (change: number) => number,
	scales: readonly (Scale | null)[]
): Told<Pick<RouteWish, 'locks' | 'letPass'>> {
	const warnings: string[] = [];
	const inHand = (change: number, place: Place) =>
		line.roam !== null || inWindow(held, handAt(change), place);
	/** A tone of the chord, or a colour that leans or lands. */
	const isTone = (change: number, place: Place) => {
		const { chord, index } = chart.changes[change]!.to;
		const midi = pitchAt(held, place);
		if (toneAt(chord, midi)) return true;
		return line.colours !== 'miss' && colourOver(chart, scales, index, midi) !== null;
	};
	const starts = new Map(chart.changes.map(({ tick, index }) => [tick, index]));
	const struck = new Map<number, Place[]>();
	for (const note of own.flatMap(({ notes }) => notes)) {
		const change = starts.get(note.tick);
		if (change !== undefined) struck.set(change, [...(struck.get(change) ?? []), note]);
	}
	// An own landing that the hand holds leads the plan there; any other stands all the same.
	const unasked = new Set(passedBy(chart, anchors));
	const landings = [...struck].flatMap(([change, places]) => {
		if (unasked.has(change)) return [];
		const top = places.reduce((a, b) => (pitchAt(held, a) >= pitchAt(held, b) ? a : b));
		const { string, fret } = top;
		const free = line.roam === null && !line.only;
		const forbidden = anchors.forbid.some((place) => samePlace(place, top));
		return free && !forbidden && isTone(change, top) && inHand(change, top)
			? [{ change, string, fret }]
			: [];
	});
	const locks = bound(chart, anchors.locks, ({ string, fret }, change) => {
		return { change, string, fret };
	}).filter((lock) => {
		if (struck.has(lock.change)) return false;
		const holds = isTone(lock.change, lock) && inHand(lock.change, lock);
		const { bar, to } = chart.changes[lock.change]!;
		const where = `The lock on ${to.symbol} in bar ${bar} (string ${lock.string}, fret ${lock.fret})`;
		if (!holds) {
			warnings.push(
				isTone(lock.change, lock)
					? `${where} lies outside this place and waits.`
					: `${where} is no tone of the chord and waits.`
			);
		}
		return holds;
	});
	const landed = new Set(landings.map(({ change }) => change));
	const passed = bound(chart, anchors.letPass, (_, change) => change);
	const letPass = [...passed, ...struck.keys()].filter((change) => !landed.has(change));
	return { value: { locks: [...locks, ...landings], letPass }, warnings };
}

/** The request that a route's wishes make. */
function wishOf(chart: Chart, instrument: Instrument, asked: RouteRequest['route']) {
	const route = { ...asked, anchors: settleOwn(chart, asked.anchors) };
	const { position, style, anchors, line } = route;
	const own = frozenOf(chart, anchors);
	const { scale } = scaleInUse(chart);
	const holding = { slide: line.slide, block: line.block && line.roam === null };
	const hand = line.roam ? {} : { places: line.places, hand: line.hand };
	const byHand = scalesOf(chart, anchors, line);
	const inUse = style === 'blend' ? blendScale(chart, scale) : scale;
	const along = scalesAlong(
		...([chart, inUse, line.scalePlan === 'arpeggio' ? 'one' : line.scalePlan, byHand] as const),
		line.alternate
	);
	const held = heldInstrument({ chart, instrument, scale }, line, position);
	const windows = handAlong(chart, held, position, { block: holding.block, ...hand }) ?? [position];
	const handAt = (change: number) => windows[change] ?? windows[0]!;
	const { value: fixed, warnings: waits } = fixedBy(chart, held, route, own, handAt, along);
	const locked = new Set(fixed.locks.map(({ change }) => change));
	const silent = airChanges(chart, line.talk).filter((change) => !locked.has(change));
	const { value: way, warnings } = wayOf(chart, route, own);
	const lost = waitingNotes(chart, anchors);
	const waiting =
		lost === 0
			? []
			: [
					`${lost === 1 ? 'One note' : `${lost} notes`} of your own lie in bars that the chart does not have: they are kept and wait.`
				];
	const wish: RouteWish = {
		...{ chart, instrument, scale, style, holding, hand, way },
		colours: line.colours === 'miss' ? undefined : line.colours === 'land' ? 'all' : 'locks',
		home: line.home,
		position: line.roam
			? { roam: line.roam.frets, ...(line.roam.wish ? { wish: line.roam.wish } : {}) }
			: position,
		locks: fixed.locks,
		letPass: [...new Set([...fixed.letPass, ...silent])],
		// A place that is left out binds only where the hand is near it.
		forbid: anchors.forbid.filter(
			(place) => line.roam !== null || windows.some((window) => inWindow(held, window, place))
		),
		leans: bound(chart, anchors.leans, ({ wish }, change) => ({ change, wish })),
		scales: {
			scalePlan: line.scalePlan,
			alternate: line.alternate,
			only: line.only,
			byHand
		}
	};
	return {
		wish,
		own: { ways: own, passed: passedBy(chart, anchors) },
		warnings: [...warnings, ...waits, ...waiting]
	};
}

/** Reads a route's wishes: what the planner works on, and what of them cannot be. */
function resolveRoute(
	{ instrument, route }: RouteRequest,
	desk: PlanDesk
): Outcome<Told<ReadyRoute & { readonly own: OwnLine }>> {
	if ('error' in desk.chart) return desk.chart;
	const { chart } = desk.timedFor(desk.chart.value, route);
	const resolved = resolveInstrument(chart, instrument);
	if ('error' in resolved) return resolved;
	const { wish, own, warnings } = wishOf(chart, resolved.value, route);
	const ready = readyRoute(wish);
	if ('error' in ready) return { error: asIssues(ready.error) };
	return { value: { value: { ...ready.value, own }, warnings } };
}

/** Plans a route: in the page's worker and when it is saved. */
export function runRoute(
	request: RouteRequest,
	desk = new PlanDesk(request.chart)
): Outcome<PlannedRoute> {
	const resolved = resolveRoute(request, desk);
	if ('error' in resolved) return resolved;
	const { value: ready, warnings } = resolved.value;
	const whole = planWhole(ready.request, ready.line, 1, desk.work, ready.own)[0]!;
	const told = whole.plan.warnings.map((warning) => warning.message);
	const arrivals = whole.line?.options() ?? [];
	const { request: made, own } = ready;
	const hands = handStretches(
		made,
		(change) => positionAt(made, change),
		own.ways,
		request.route.position
	);
	return { value: { ...answerOf(whole), warnings: [...warnings, ...told], arrivals, hands } };
}

/** Up to `count` truly different plans of a route, cheapest first. */
export function runAlternatives(
	request: RouteRequest,
	count: number,
	desk = new PlanDesk(request.chart)
): Outcome<PlanAnswer['plans']> {
	const resolved = resolveRoute(request, desk);
	if ('error' in resolved) return resolved;
	const { request: ready, line, own } = resolved.value.value;
	return {
		value: planWhole(ready, line, count, desk.work, own).map((whole) => answerOf(whole))
	};
}

/** Where one change of a route could land, best first; empty where the route cannot be planned. */
export function runLandings(
	request: RouteRequest,
	change: number,
	desk = new PlanDesk(request.chart)
): Landing[] {
	const resolved = resolveRoute(request, desk);
	return 'error' in resolved ? [] : rankLandings(resolved.value.value.request, change);
}

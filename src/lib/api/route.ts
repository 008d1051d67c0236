import type { Chart } from '$core/chart';
import { scaleInUse } from '$core/harmony';
import { inWindow, standardGuitar, withSlide, type Instrument } from '$core/neck';
import {
	airBars,
	airChanges,
	blockWindows,
	chordsPlayed,
	changeOfAnchor,
	placesInBar,
	rankLandings,
	readCell,
	type ArrivalOption,
	type Landing,
	type LineWishes,
	type LineWork
} from '$core/route';
import type { LineSettings, RouteInput } from './notebook-schema';
import { answerOf, prepare, runWhole, type Extras } from './plan';
import type { PlanAnswer, PlanInput } from './plan-schema';
import { resolveChart, resolveInstrument, type Outcome } from './resolve';
import { frozenOf, scalesOf } from './route-anchors';

/** A route to be planned: what the player wishes, on a chart and an instrument. */
export type RouteRequest = {
	readonly chart: string;
	readonly instrument: PlanInput['instrument'];
	readonly route: Omit<RouteInput, 'name'>;
};

/** A planned route, with how each target can be reached where a line leads there. */
export type PlannedRoute = PlanAnswer['plans'][number] & {
	readonly warnings: readonly string[];
	readonly arrivals: readonly (readonly ArrivalOption[])[];
};

/** The cell of each section; one that does not fit the grid gives way to steady notes. */
function cellsOf(
	chart: Chart,
	{ grid, cell, cells }: LineSettings
): { cellOf: LineWishes['cellOf']; warnings: string[] } | null {
	if (grid === 'targets') return null;
	const places = placesInBar(chart, grid);
	const warnings: string[] = [];
	const read = (text: string) => {
		const found = readCell(text, places);
		if (typeof found !== 'string') return found;
		if (!warnings.includes(found)) warnings.push(found);
		return readCell('steady', places) as Exclude<typeof found, string>;
	};
	const usual = read(cell);
	const own = new Map(cells.map((entry) => [entry.section, read(entry.cell)]));
	return { cellOf: (section) => own.get(section ?? '') ?? usual, warnings };
}

/** Where the hand is at each change, where it moves as a block or single sections have their places. */
function windowsOf(
	chart: Chart,
	{ position, line }: RouteRequest['route'],
	instrument: Instrument
): number[] | undefined {
	if (line.roam) return undefined;
	if (line.block) return blockWindows(chart, instrument, position);
	if (line.places.length === 0) return undefined;
	const places = new Map(line.places.map((entry) => [entry.section, entry.position]));
	return chart.changes.map(({ bar }) => {
		const { section } = chart.played[bar - 1];
		return places.get(section ?? '') ?? position;
	});
}

/** The request that a route's wishes make; anchors that the chart no longer has do not bind. */
function toInput({ chart: text, instrument, route }: RouteRequest, chart: Chart) {
	const { position, style, anchors, line } = route;
	const at = <T extends Parameters<typeof changeOfAnchor>[1]>(entry: T) =>
		changeOfAnchor(chart, entry)?.index;
	const bound = <T extends Parameters<typeof changeOfAnchor>[1], R>(
		list: readonly T[],
		make: (entry: T, change: number) => R
	): R[] =>
		list.flatMap((entry) => {
			const change = at(entry);
			return change === undefined ? [] : [make(entry, change)];
		});
	const cells = cellsOf(chart, line);
	const resolved = resolveInstrument(chart, instrument);
	const guitar = 'value' in resolved ? resolved.value : standardGuitar();
	const slideFrom = line.block ? position : undefined;
	const { scale } = scaleInUse(chart);
	const played = line.slide
		? withSlide(guitar, line.slide, { scale, from: slideFrom, chords: chordsPlayed(chart) })
		: guitar;
	const windows = windowsOf(chart, route, played);
	const held = (place: { string: number; fret: number }) =>
		line.roam !== null || (windows ?? [position]).some((window) => inWindow(played, window, place));
	const locked = new Set(bound(anchors.locks, (_, change) => change));
	const silent = airChanges(chart, line.talk).filter((change) => !locked.has(change));
	const air = airBars(chart, line.talk);
	const input: PlanInput = {
		chart: text,
		instrument,
		style,
		...(line.slide ? { slide: line.slide } : {}),
		position: line.roam
			? { roam: line.roam.frets, ...(line.roam.wish ? { wish: line.roam.wish } : {}) }
			: position,
		grid: line.grid,
		scalePlan: line.scalePlan,
		alternate: line.alternate,
		only: line.only,
		anticipate: line.anticipate,
		spice: line.spice,
		seed: line.seed,
		locks: bound(anchors.locks, ({ string, fret }, change) => ({ change, string, fret })),
		letPass: [...new Set([...bound(anchors.letPass, (_, change) => change), ...silent])],
		// A place that is left out binds only where the hand is near it.
		forbid: anchors.forbid.filter(held)
	};
	const extras: Extras = {
		windows,
		slideFrom,
		leans: bound(anchors.leans, ({ wish }, change) => ({ change, wish })),
		line: {
			...(cells ? { cellOf: cells.cellOf } : {}),
			...(line.talk.length > 0 ? { airAt: (bar) => air[bar.index] } : {}),
			direction: line.direction ?? undefined,
			byHand: scalesOf(chart, anchors),
			frozen: frozenOf(chart, anchors),
			fingers: bound(anchors.fingers, ({ offset, string, fret, finger }, change) => ({
				tick: chart.changes[change].tick + offset,
				string,
				fret,
				finger
			})),
			arrive: bound(anchors.arrive, ({ approach }, change) => ({ change, approach }))
		}
	};
	return { input, extras, warnings: cells?.warnings ?? [] };
}

/** Plans a route: in the page's worker and when it is saved. */
export function runRoute(request: RouteRequest, work?: LineWork): Outcome<PlannedRoute> {
	const read = resolveChart(request.chart);
	if ('issues' in read) return read;
	const { input, extras, warnings } = toInput(request, read.value);
	const made = runWhole(input, { extras, work });
	if ('issues' in made) return made;
	const [whole] = made.value;
	const told = whole.plan.warnings.map((warning) => warning.message);
	const arrivals = whole.line?.options() ?? [];
	return { value: { ...answerOf(whole), warnings: [...warnings, ...told], arrivals } };
}

/** Up to `count` truly different plans of a route, cheapest first. */
export function runAlternatives(
	request: RouteRequest,
	count: number,
	work?: LineWork
): Outcome<PlanAnswer['plans']> {
	const read = resolveChart(request.chart);
	if ('issues' in read) return read;
	const { input, extras } = toInput(request, read.value);
	const made = runWhole({ ...input, alternatives: count }, { extras, work });
	return 'issues' in made ? made : { value: made.value.map(answerOf) };
}

/** Where one change of a route could land, best first; empty where the route cannot be planned. */
export function runLandings(request: RouteRequest, change: number): Landing[] {
	const read = resolveChart(request.chart);
	if ('issues' in read) return [];
	const { input, extras } = toInput(request, read.value);
	const ready = prepare(input, extras);
	return 'issues' in ready ? [] : rankLandings(ready.value.request, change);
}

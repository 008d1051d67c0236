import type { RouteInput } from '../../api/route-schema';
import { parseChart } from '$core/chart';
import type { FileNote } from '$core/formats';
import { inWindow, instrumentOf, lastPosition, type OwnInstrument } from '$core/neck';
import { arrivalsOf, changeOfAnchor } from '$core/route';
import type { PlanSnapshot } from '../../api/notebook-schema';
import type { SheetOptions } from './options';
import type { SheetContent } from './content';
import { setSheet } from './sheet';
import { toPdf } from './to-pdf';
import { toSvg } from './to-svg';

/** What a page is made of, as it is kept. */
export type SheetRequest = {
	readonly chart: string;
	readonly own: readonly OwnInstrument[];
	readonly handMm: number;
	/** The fret of the index finger. */
	readonly position: number;
	readonly route: {
		readonly name: string;
		readonly style: RouteInput['style'];
		readonly line: RouteInput['line'];
		readonly plan: PlanSnapshot;
		/** The notes that are engraved: the line, or its landings alone. */
		readonly notes: readonly FileNote[];
	} | null;
	readonly set: SheetContent['set'];
	readonly options: SheetOptions;
};

/** Where the hand is at each change; null where it stays. */
function windowsOf(
	request: SheetRequest,
	{ chart, instrument }: Pick<SheetContent, 'chart' | 'instrument'>
): number[] | null {
	const { route, position } = request;
	const moves = route && (route.line.roam || route.line.block || route.line.places.length > 0);
	if (!moves) return null;
	const places = chart.changes.map((change) => {
		const target = route.plan.targets.findLast(({ tick }) => tick <= change.tick);
		if (!target || target.fret === 0 || inWindow(instrument, position, target)) return position;
		return Math.max(1, Math.min(lastPosition(instrument), target.fret - 1));
	});
	return places.some((place) => place !== position) ? places : null;
}

function contentOf(request: SheetRequest): SheetContent {
	const { route, set } = request;
	const chart = parseChart(request.chart);
	const hand = { comfortableMm: request.handMm };
	const { instrument } = instrumentOf(chart, request.own, hand);
	const position = Math.max(1, Math.min(lastPosition(instrument), request.position));
	const windows = windowsOf(request, { chart, instrument });
	if (!route) return { chart, instrument, position, windows, set, route };
	const { plan, notes, name, style, line } = route;
	const arrivals = line.grid === 'targets' ? [] : arrivalsOf(plan.notes, chart);
	const landings = plan.targets.flatMap((target, i) => {
		const change = changeOfAnchor(chart, target);
		const { tick, midi, name: told, role, string, fret } = target;
		const approach = arrivals[i] ?? null;
		return change
			? [{ change: change.index, tick, midi, name: told, role, string, fret, approach }]
			: [];
	});
	const planned = { name, style, grid: line.grid, notes, landings };
	return { chart, instrument, position, windows, set, route: planned };
}

const titleOf = ({ chart }: SheetContent): string => chart.headers.title ?? 'Untitled tune';

/** The pages as SVG, one text each. */
export function sheetSvg(request: SheetRequest): string[] {
	const content = contentOf(request);
	const pages = setSheet(content, request.options);
	const label = (i: number) => `${titleOf(content)}, page ${i + 1} of ${pages.length}`;
	return pages.map((page, i) => toSvg(page, label(i)));
}

/** The pages as a PDF. */
export function sheetPdf(request: SheetRequest): Promise<Uint8Array<ArrayBuffer>> {
	const content = contentOf(request);
	const subject = request.route?.name ?? 'A page for the music stand';
	return toPdf(setSheet(content, request.options), { title: titleOf(content), subject });
}

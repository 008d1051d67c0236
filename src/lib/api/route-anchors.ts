import type { Anchors, LineSettings } from './route-schema';
import { changeIndexAt, chartTicks, type Chart } from '$core/chart';
import { buildScale, type Scale } from '$core/harmony';
import { parseNote } from '$core/pitch';
import {
	anchorOf,
	changeOfAnchor,
	handByBar,
	sameAnchor,
	scalesFrom,
	tickOfAnchor,
	timedChart,
	type Frozen,
	type HandScale,
	type TimedChart
} from '$core/route';

type Way = Anchors['frozen'][number];

/** The anchor of a lead-in: own notes before the first chord stand from the first beat on. */
export function leadIn(chart: Chart): Pick<Way, 'bar' | 'beat' | 'pass'> {
	const first = chart.played[0];
	return { bar: (first?.written ?? 0) + 1, beat: 1, pass: first?.pass ?? 1 };
}

/** The anchor of the way after a change; of the lead-in for −1. */
const anchorAt = (chart: Chart, change: number) => {
	const found = chart.changes[change];
	return found ? anchorOf(found) : leadIn(chart);
};

/** Where the way that begins at a tick ends: at the next change. */
const endOfWay = (chart: Chart, from: number): number =>
	chart.changes[changeIndexAt(chart, from) + 1]?.tick ?? chartTicks(chart);

/** True where each way begins at a change, or is the lead-in, and holds its notes until the next. */
function isSettled(chart: Chart, way: Way): boolean {
	const from = tickOfAnchor(chart, way);
	// What has no place in the chart any more waits for one.
	if (from === null) return true;
	if (!changeOfAnchor(chart, way) && (from > 0 || (chart.changes[0]?.tick ?? 0) <= 0)) return false;
	const [to, end] = [endOfWay(chart, from), chartTicks(chart)];
	return way.notes.every(({ offset }) => from + offset < to || from + offset >= end);
}

/**
 * Fits own notes to a chart whose changes are others than when they were written: each stays at its moment and belongs
 * to the way that it is in now. Changes that come into own ways are left to the own notes. Ways whose bars are gone wait.
 * @returns the anchors themselves where nothing is to be done
 */
export function settleOwn(chart: Chart, anchors: Anchors): Anchors {
	if (anchors.frozen.every((way) => isSettled(chart, way))) return anchors;
	const waiting = anchors.frozen.filter((way) => tickOfAnchor(chart, way) === null);
	const end = chartTicks(chart);
	const ways = new Map<number, Way['notes']>();
	const known = new Set<number>();
	for (const way of anchors.frozen) {
		const from = tickOfAnchor(chart, way);
		if (from === null) continue;
		const change = changeOfAnchor(chart, way);
		if (change) known.add(change.index);
		if (change && !ways.has(change.index)) ways.set(change.index, []);
		for (const note of way.notes) {
			const tick = Math.min(from + note.offset, end - 1);
			const index = changeIndexAt(chart, tick);
			const start = chart.changes[index]?.tick ?? 0;
			const notes = ways.get(index) ?? [];
			const offset = from + note.offset - start;
			if (!notes.some((other) => other.offset === offset && other.string === note.string)) {
				ways.set(index, [...notes, { ...note, offset }]);
			}
		}
	}
	const frozen = [...ways]
		.sort(([a], [b]) => a - b)
		.map(([change, notes]): Way => ({ ...anchorAt(chart, change), notes }));
	const come = [...ways.keys()].filter((change) => change >= 0 && !known.has(change));
	const passed = come
		.map((change) => anchorAt(chart, change))
		.filter((anchor) => !anchors.letPass.some((other) => sameAnchor(other, anchor)))
		.map((anchor) => ({ ...anchor, own: true }));
	return {
		...anchors,
		frozen: [...frozen, ...waiting],
		letPass: [...anchors.letPass, ...passed]
	};
}

/** How many own notes wait for bars that the chart does not have. */
export const waitingNotes = (chart: Chart, { frozen }: Anchors): number => {
	const end = chartTicks(chart);
	return frozen.reduce((sum, way) => {
		const from = tickOfAnchor(chart, way);
		const out = way.notes.filter(({ offset }) => from === null || from + offset >= end);
		return sum + out.length;
	}, 0);
};

/** Own ways: from their change, or the first beat, to the next change. Settle them first. */
export function frozenOf(chart: Chart, anchors: Anchors): Frozen[] {
	return anchors.frozen.flatMap((way) => {
		const from = tickOfAnchor(chart, way);
		if (from === null) return [];
		const notes = way.notes.map(({ offset, ...note }) => ({ ...note, tick: from + offset }));
		return [{ from, to: endOfWay(chart, from), notes }];
	});
}

/** What of a route decides when its line lands. */
export type Landing = {
	readonly position: number;
	readonly line: Pick<
		LineSettings,
		'land' | 'beat' | 'top' | 'hand' | 'scales' | 'places' | 'roam' | 'block'
	>;
};

export const landingOf = ({ position, line }: Landing): Landing => {
	const { land, beat, top, hand, scales, places, roam, block } = line;
	return { position, line: { land, beat, top, hand, scales, places, roam, block } };
};

/** The chart by the moments that a route lands on, and parted where its hand or its scale goes elsewhere. */
export function chartOf(chart: Chart, { position, line }: Landing): TimedChart {
	const { land, beat, top, hand, scales } = line;
	const handAt = handByBar(position, { places: line.places, hand });
	return timedChart(chart, {
		...{ land, beat, top, scales },
		handAt: hand.length > 0 && !line.roam && !line.block && handAt ? handAt : undefined
	});
}

/** Notes that are kept by the chords of the chart as it is written, by those of the chart that they land on. */
export function ontoTimed<T extends { readonly tick: number; readonly chord: number }>(
	{ chart, eventOf }: TimedChart,
	notes: readonly T[]
): readonly T[] {
	if (eventOf.every((of, index) => of === index)) return notes;
	return notes.map((note) => {
		const pieces = chart.events.filter(({ index }) => eventOf[index] === note.chord);
		const now = pieces.findLast(({ startTick }) => startTick <= note.tick) ?? pieces[0];
		return { ...note, chord: now?.index ?? note.chord };
	});
}

/** Scales set by hand, by event: those of single changes until the next, then those from a bar on. */
export function scalesOf(chart: Chart, anchors: Anchors, line: LineSettings): HandScale[] {
	const single = anchors.scales.flatMap((entry) => {
		const change = changeOfAnchor(chart, entry);
		const scale = scaleNamed(entry);
		if (!change || !scale) return [];
		const until = chart.changes[change.index + 1]?.to.index ?? chart.events.length;
		return chart.events
			.slice(change.to.index, until)
			.map(({ index }): HandScale => ({ event: index, scale }));
	});
	const from = line.scales.map(({ scale, ...at }) => ({
		...at,
		scale: scale && scaleNamed(scale)
	}));
	return [...single, ...scalesFrom(chart, from)];
}

/** A scale of the library by its names. */
function scaleNamed({
	tonic,
	name
}: {
	readonly tonic: string;
	readonly name: string;
}): Scale | null {
	const note = parseNote(tonic);
	return note && buildScale(note, name);
}

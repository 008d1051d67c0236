import { sameChord } from '../chord';
import { asciiAccidentals, notation } from '../pitch';
import { shareStarts } from './cells';
import type { Report } from './diagnose';
import {
	beatTicks,
	type Cell,
	type Change,
	type ChordEvent,
	type PlayedBar,
	type WrittenBar
} from './types';

type Sounding = Exclude<Cell, { kind: 'hold' }>;
type Laid = { cell: Sounding; bar: PlayedBar; written: number; start: number; end: number };

/** The written shares in playing order; a hold lengthens the chord before it. */
function layOut(bars: readonly WrittenBar[], played: readonly PlayedBar[]): Laid[] {
	const drafts: Laid[] = [];
	for (const bar of played) {
		const { cells, signature } = bars[bar.written]!;
		const starts = shareStarts(cells.length, signature);
		cells.forEach((cell, i) => {
			const start = bar.startTick + starts[i]!;
			const end = bar.startTick + starts[i + 1]!;
			const last = drafts.at(-1);
			if (cell.kind !== 'hold') drafts.push({ cell, bar, written: start, start, end });
			else if (last) last.end = end;
		});
	}
	return drafts;
}

function push(drafts: Laid[], report: Report): void {
	const said = new Set<Cell>();
	const warn = (cell: Sounding, message: string) => {
		if (!said.has(cell)) report.warn(cell.span, message);
		said.add(cell);
	};
	drafts.forEach((draft, i) => {
		const { cell } = draft;
		if (cell.push === 0) return;
		const early = draft.written - cell.push;
		const before = drafts[i - 1];
		if (early < 0) {
			warn(cell, 'This push would sound before the chart begins; the chord starts with it.');
			draft.start = 0;
		} else if (before && early <= before.start) {
			warn(cell, 'This push is longer than the chord before it and is left out.');
		} else {
			draft.start = early;
			if (before) before.end = early;
		}
	});
}

/** ASCII symbol of a cell: as written, but a numeral becomes the chord that it stands for. */
const symbolOf = (cell: Sounding): string => {
	if (cell.kind !== 'chord') return cell.text;
	return /^[A-G]/.test(cell.text) ? asciiAccidentals(cell.text) : cell.chord.symbol;
};

/** Chords and silences in time, pushes applied. */
export function schedule(
	bars: readonly WrittenBar[],
	played: readonly PlayedBar[],
	report: Report
): ChordEvent[] {
	const drafts = layOut(bars, played);
	push(drafts, report);
	return drafts.map(({ cell, bar, written, start, end }, index) => ({
		index,
		kind: cell.kind,
		chord: cell.kind === 'chord' ? cell.chord : null,
		symbol: symbolOf(cell),
		bar: bar.index + 1,
		beat: 1 + (written - bar.startTick) / beatTicks(bar.signature),
		pass: bar.pass,
		startTick: start,
		durationTicks: end - start,
		span: cell.span
	}));
}

/** The moments when the sounding chord becomes another; a silence between two chords makes one. */
export function findChanges(events: readonly ChordEvent[], played: readonly PlayedBar[]): Change[] {
	const changes: Change[] = [];
	let sounding: Change['to'] | null = null;
	for (const event of events) {
		if (!event.chord) {
			sounding = null;
			continue;
		}
		const to = { ...event, chord: event.chord, symbol: notation(event.symbol) };
		if (!sounding || !sameChord(sounding.chord, to.chord)) {
			changes.push({
				index: changes.length,
				tick: event.startTick,
				bar: event.bar,
				beat: event.beat,
				source: played[event.bar - 1]!.written + 1,
				pass: event.pass,
				from: sounding,
				to
			});
		}
		sounding = to;
	}
	return changes;
}

import { barAt, chartTicks, type Chart, type ChordEvent, type PlayedBar } from '../../chart';
import { QUARTER } from '../../kernel';
import type { Chord } from '../../chord';
import type { Target } from '../types';
import { PER_QUARTER, type Mark } from './cells';
import { beatWeight } from '../pulse';
import type { LineWishes, OwnNote } from './types';

type SoundingEvent = ChordEvent & { readonly chord: Chord };

/**
 * A moment when a note of the line is struck. `end` is where it stops; `weight` how much the moment asks
 * for a chord tone, in thousandths; `target` an index into the targets, `own` a note that the player set.
 */
export type Onset = {
	readonly tick: number;
	readonly end: number;
	readonly event: SoundingEvent;
	readonly bar: PlayedBar;
	readonly weight: number;
	readonly target: number | null;
	readonly own: OwnNote | null;
	/** A rest comes before this note. */
	readonly rested: boolean;
	/** The first place of a bar under a chord that is held on: a resting point on a long way. */
	readonly anchor: boolean;
};

/** A note this much before a target would be a grace note: it is left out. */
const SHORTEST = QUARTER / 8;

type Marked = { tick: number; mark: Mark };

/** The marks of the cells over the whole chart. */
function marksOf(chart: Chart, wishes: LineWishes): Marked[] {
	const perQuarter = PER_QUARTER[wishes.grid];
	const step = QUARTER / perQuarter;
	return chart.played.flatMap((bar) => {
		const cell = wishes.cellOf(bar.section);
		const air = wishes.airAt?.(bar) ?? false;
		const slots = Math.ceil(bar.lengthTicks / step);
		return Array.from({ length: slots }, (_, i) => ({
			tick: bar.startTick + i * step,
			mark: air ? '.' : cell.mark(i, perQuarter, slots)
		}));
	});
}

/** How long a landing is held, and from when the line goes on, by the way to the next one. */
function breathOf(way: number, bar: number): { hold: number; rest: number } {
	if (way >= 2 * bar) return { hold: bar / 2, rest: bar };
	return way >= Math.min(bar, 3 * QUARTER)
		? { hold: QUARTER, rest: QUARTER }
		: { hold: 0, rest: 0 };
}

/** Where a way ends for the player: at its end, or where the first bar of air within it begins. */
function airFrom(chart: Chart, wishes: LineWishes, from: PlayedBar, until: number): number {
	if (!wishes.airAt) return until;
	for (let i = from.index + 1; i < chart.played.length; i++) {
		const bar = chart.played[i]!;
		if (bar.startTick >= until) return until;
		if (wishes.airAt(bar)) return bar.startTick;
	}
	return until;
}

/** Lets landings ring where the cell of their section breathes; on long ways also every second bar. */
function breathe(
	marks: Marked[],
	chart: Chart,
	wishes: LineWishes,
	starts: readonly number[]
): void {
	const total = chartTicks(chart);
	const spans = starts.flatMap((tick, i) => {
		const bar = barAt(chart, tick);
		if (!wishes.cellOf(bar.section).breathes) return [];
		const until = airFrom(chart, wishes, bar, starts[i + 1] ?? total);
		const spans = [];
		for (let from = tick; from < until; from += 2 * bar.lengthTicks) {
			spans.push({ from, ...breathOf(until - from, bar.lengthTicks) });
		}
		return spans;
	});
	let at = 0;
	for (const entry of marks) {
		while (at + 1 < spans.length && spans[at + 1]!.from <= entry.tick) at++;
		const span = spans[at];
		if (!span || entry.tick <= span.from) continue;
		const since = entry.tick - span.from;
		if (since < span.hold) entry.mark = '-';
		else if (since < span.rest) entry.mark = '.';
	}
}

/**
 * When each target is struck: on its change, or with anticipation the place before: every second target
 * on the first beat of a bar with room before it.
 */
function startsOf(chart: Chart, targets: readonly Target[], wishes: LineWishes): number[] {
	const early = Math.min(QUARTER / 2, QUARTER / PER_QUARTER[wishes.grid]);
	let nth = 0;
	return targets.map((target, i) => {
		const { tick } = target;
		const bar = barAt(chart, tick);
		const room = i > 0 && tick - targets[i - 1]!.tick >= 2 * QUARTER;
		if (!wishes.anticipate || !room || bar.startTick !== tick) return tick;
		return nth++ % 2 === 0 ? tick - early : tick;
	});
}

type OpenOnset = { tick: number; until: number | null; target: number | null; own: OwnNote | null };

/** Every note that is struck, in order: targets first, then the player's own, then the grid. */
function drafts(
	marks: readonly Marked[],
	starts: readonly number[],
	changes: readonly number[],
	step: number,
	wishes: LineWishes
): OpenOnset[] {
	const frozen = wishes.frozen ?? [];
	const inside = (tick: number) => frozen.some((span) => tick >= span.from && tick < span.to);
	// A landing of the player's own line ends where the player lets it end.
	const own = new Map(
		frozen.flatMap(({ notes }) => notes.map((note) => [note.tick, note.tick + note.durationTicks]))
	);
	const list: OpenOnset[] = starts.map((tick, target) => {
		return { tick, until: own.get(tick) ?? null, target, own: null };
	});
	// A landing that comes early rings over its change.
	const taken = new Set([...starts, ...changes]);
	for (const span of frozen) {
		for (const own of span.notes) {
			if (taken.has(own.tick) || own.tick < span.from || own.tick >= span.to) continue;
			taken.add(own.tick);
			list.push({ tick: own.tick, until: own.tick + own.durationTicks, target: null, own });
		}
	}
	let next = 0;
	for (const { tick, mark } of marks) {
		if (mark !== 'x' || taken.has(tick) || inside(tick) || tick < starts[0]!) continue;
		while (next < starts.length && starts[next]! <= tick) next++;
		const after = tick - (starts[next - 1] ?? -Infinity);
		const before = (starts[next] ?? Infinity) - tick;
		if (after < step / 2 || before < SHORTEST) continue;
		list.push({ tick, until: null, target: null, own: null });
	}
	return list.sort((a, b) => a.tick - b.tick);
}

/**
 * The rhythm of a line: one onset per target and per note between them. Notes never overlap; nothing is
 * struck before the first target or while no chord sounds.
 */
export function rhythmOf(chart: Chart, targets: readonly Target[], wishes: LineWishes): Onset[] {
	if (targets.length === 0) return [];
	const marks = marksOf(chart, wishes);
	const starts = startsOf(chart, targets, wishes);
	breathe(marks, chart, wishes, starts);
	const step = QUARTER / PER_QUARTER[wishes.grid];
	const changes = targets.map((target) => target.tick);
	const list = drafts(marks, starts, changes, step, wishes);
	const silences = (wishes.frozen ?? []).filter(({ notes }) => notes.length === 0);
	const { events } = chart;
	const total = chartTicks(chart);
	const onsets: Onset[] = [];
	let event = 0;
	let mark = 0;
	let soundsUntil = 0;
	list.forEach((draft, i) => {
		while (event + 1 < events.length && events[event + 1]!.startTick <= draft.tick) event++;
		const target = draft.target === null ? null : targets[draft.target];
		const sounding = target ? chart.changes[target.change]!.to : events[event]!;
		if (!sounding.chord) return;
		const bar = barAt(chart, draft.tick);
		const next = list[i + 1]?.tick ?? total;
		while (mark < marks.length && marks[mark]!.tick <= draft.tick) mark++;
		let end = Math.min(next, draft.until ?? next);
		if (draft.until === null) {
			for (let k = mark; k < marks.length && marks[k]!.tick < end; k++) {
				if (marks[k]!.mark === '.') end = marks[k]!.tick;
			}
			// It stops where the player leaves air;
			for (const { from } of silences) if (from > draft.tick && from < end) end = from;
		}
		// and every note where the chords fall silent.
		for (let k = event + 1; k < events.length && events[k]!.startTick < end; k++) {
			if (!events[k]!.chord) end = events[k]!.startTick;
		}
		const long = end - draft.tick >= QUARTER || end < next;
		const own = beatWeight(bar.signature, draft.tick - bar.startTick);
		onsets.push({
			tick: draft.tick,
			end,
			event: sounding as SoundingEvent,
			bar,
			weight: long ? Math.max(own, 1000) : own,
			target: draft.target,
			own: draft.own,
			rested: soundsUntil < draft.tick,
			anchor: draft.target === null && draft.tick === bar.startTick
		});
		soundsUntil = end;
	});
	return onsets;
}

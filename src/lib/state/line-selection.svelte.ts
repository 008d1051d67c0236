import { changeIndexAt, barAt } from '$core/chart';
import { QUARTER } from '$core/kernel';
import { PER_QUARTER } from '$core/route';
import type { Place } from '$core/neck';
import type { NoteAnswer } from '$lib/api/plan-schema';
import {
	addNote,
	editNotes,
	freePlaceAfter,
	movePitch,
	moveTime,
	removeNotes,
	setPlace,
	type EditContext
} from './line-edit';
import type { OpenTune } from './open-tune.svelte';
import type { RoutePlan } from './route-plan.svelte';
import { waysOver } from './own-line';
import { wayNotes, wayOf, type WayNote } from './ways';

/**
 * The notes of the line that are picked out, by their ticks, and what can be done with them. The last one
 * picked leads: steps go on from it.
 */
export class LineSelection {
	private picked: ReadonlySet<number> = $state.raw(new Set());
	private lead: number | null = $state(null);
	/** What was copied: a way, by ticks after its change, or a bar, by ticks after its bar line. */
	private copied: { readonly bar: boolean; readonly notes: readonly WayNote[] } | null =
		$state.raw(null);

	constructor(
		private readonly open: OpenTune,
		private readonly plan: RoutePlan
	) {}

	readonly notes: readonly NoteAnswer[] = $derived.by(() =>
		this.plan.line.filter((note) => this.picked.has(note.tick))
	);
	readonly leading: NoteAnswer | null = $derived(
		this.notes.find((note) => note.tick === this.lead) ?? this.notes[0] ?? null
	);

	has(tick: number): boolean {
		return this.picked.has(tick);
	}

	get size(): number {
		return this.notes.length;
	}

	get canPaste(): boolean {
		return this.copied !== null;
	}

	clear(): void {
		this.picked = new Set();
		this.lead = null;
	}

	/** Picks one note; with `add` beside those that are picked (again: lets it go); with `range` all between. */
	pick(tick: number, { add = false, range = false } = {}): void {
		if (range && this.lead !== null) {
			const [from, to] = [Math.min(this.lead, tick), Math.max(this.lead, tick)];
			this.picked = new Set(
				this.plan.line.map((note) => note.tick).filter((at) => at >= from && at <= to)
			);
			return;
		}
		const next = new Set(add ? this.picked : []);
		if (add && next.has(tick)) next.delete(tick);
		else next.add(tick);
		this.picked = next;
		this.lead = tick;
	}

	/** Picks the next or previous note of the line; from nothing the first on the way of the cursor. */
	step(by: 1 | -1): NoteAnswer | null {
		const { line } = this.plan;
		const { leading } = this;
		const from = this.open.change?.tick ?? 0;
		const at = leading
			? line.findIndex((note) => note.tick === leading.tick) + by
			: line.findIndex((note) => note.tick >= from);
		const note = line[at] ?? leading;
		if (note) this.pick(note.tick);
		return note ?? null;
	}

	/** Picks the next or previous note beside those that are picked. */
	extend(by: 1 | -1): void {
		const { line } = this.plan;
		const at = line.findIndex((note) => note.tick === this.leading?.tick);
		const note = line[at + by];
		if (at < 0 || !note) return;
		this.picked = new Set([...this.picked, note.tick]);
		this.lead = note.tick;
	}

	/** Picks every note on the way of the leading one, or of the cursor. */
	pickWay(): void {
		const change = this.leading
			? changeIndexAt(this.open.chart, this.leading.tick)
			: this.open.cursor;
		const { from, to } = wayOf(this.open.chart, change);
		const ticks = this.plan.line
			.map((note) => note.tick)
			.filter((tick) => tick >= from && tick < to);
		this.picked = new Set(ticks);
		this.lead = ticks[0] ?? null;
	}

	private context(): EditContext {
		const { chart, held: instrument, cursor } = this.open;
		const { grid } = this.plan.wishes.line;
		return {
			chart,
			instrument,
			position: this.plan.handAt(cursor),
			scales: this.plan.scales,
			line: this.plan.line,
			grid: grid === 'targets' ? QUARTER : QUARTER / PER_QUARTER[grid]
		};
	}

	movePitch(direction: 1 | -1, by: 'step' | 'semitone'): void {
		if (this.size > 0) this.plan.setWays(movePitch(this.context(), this.picked, direction, by));
	}

	moveTime(places: number): void {
		if (this.size === 0) return;
		const { ways, ticks } = moveTime(this.context(), this.picked, places);
		const lead = this.leading?.tick ?? null;
		const order = [...this.picked];
		this.plan.setWays(ways);
		this.lead = lead === null ? null : ([...ticks][order.indexOf(lead)] ?? null);
		this.picked = ticks;
	}

	/** Puts one note on a place, and elsewhere in time where it is dragged there. */
	drop(tick: number, place: Place | null, places: number): void {
		const moved = moveTime(this.context(), new Set([tick]), places);
		const [to] = moved.ticks;
		const context = this.context();
		const ways = place
			? setPlace(context, tick, place).map(([change, notes]): [number, WayNote[]] => {
					const { from } = wayOf(context.chart, change);
					return [
						change,
						notes.map((note) =>
							note.offset === tick - from ? { ...note, offset: to - from } : note
						)
					];
				})
			: moved.ways;
		this.plan.setWays(ways);
		this.pick(to);
	}

	remove(): void {
		if (this.size === 0) return;
		const at = this.leading?.tick ?? 0;
		const ways = removeNotes(this.context(), this.picked);
		const before = this.plan.line.findLast((note) => note.tick < at && !this.picked.has(note.tick));
		const landings = this.notes.filter((note) => note.kind === 'target');
		this.plan.setWays(
			ways,
			landings.map((note) => changeIndexAt(this.open.chart, note.tick))
		);
		if (before) this.pick(before.tick);
		else this.clear();
	}

	/** Adds a note like the leading one on the next free place of the grid. */
	insert(): void {
		const { leading } = this;
		if (!leading) return;
		const context = this.context();
		const tick = freePlaceAfter(context, leading.tick);
		if (tick === null) return;
		this.plan.setWays(addNote(context, { tick, string: leading.string, fret: leading.fret }));
		this.pick(tick);
	}

	/** Adds a note at a moment. */
	add(tick: number, place: Place): void {
		const context = this.context();
		const at = Math.round(tick / context.grid) * context.grid;
		this.plan.setWays(addNote(context, { tick: at, ...place }));
		this.pick(at);
	}

	/** Lets one note ring for so many ticks; notes that it would ring over give way. */
	stretch(tick: number, durationTicks: number): void {
		const over = this.plan.line
			.filter((note) => note.tick > tick && note.tick < tick + durationTicks)
			.filter((note) => note.kind !== 'target')
			.map((note) => note.tick);
		const ways = editNotes(this.context(), new Set([tick, ...over]), (note) =>
			note.tick === tick ? { ...note, durationTicks } : null
		);
		this.plan.setWays(ways);
	}

	/** Remembers the notes on the way of the cursor. */
	copy(): number {
		const notes = wayNotes(this.open.chart, this.plan.line, this.open.cursor);
		this.copied = { bar: false, notes };
		return notes.length;
	}

	/** The bar of the leading note, or of the cursor. */
	private get bar() {
		const { chart, change } = this.open;
		return barAt(chart, this.leading?.tick ?? change?.tick ?? 0);
	}

	/** Remembers the notes that begin in the bar of the leading note, or of the cursor. */
	copyBar(): number {
		const { startTick, lengthTicks } = this.bar;
		const notes = this.plan.line
			.filter((note) => note.tick >= startTick && note.tick < startTick + lengthTicks)
			.map(({ tick, durationTicks, string, fret }) => ({
				...{ offset: tick - startTick, durationTicks, string, fret }
			}));
		this.copied = { bar: true, notes };
		return notes.length;
	}

	/** Puts the remembered notes on the way of the cursor, or on its bar, as many as there is time for. */
	paste(): void {
		const { copied } = this;
		if (!copied) return;
		const { chart, cursor } = this.open;
		const { startTick, lengthTicks } = this.bar;
		const { from, to } = copied.bar
			? { from: startTick, to: startTick + lengthTicks }
			: wayOf(chart, cursor);
		const notes = copied.notes
			.filter((note) => note.offset < to - from)
			.map((note) => ({
				...note,
				durationTicks: Math.min(note.durationTicks, to - from - note.offset)
			}));
		if (!copied.bar) return this.plan.setWays([[cursor, notes]]);
		const typed = notes.map(({ offset, ...note }) => ({ ...note, tick: from + offset }));
		void this.plan.write(waysOver(chart, this.plan.line, { from, to }, typed));
	}
}

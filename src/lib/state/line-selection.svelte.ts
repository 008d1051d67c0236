import { changeIndexAt, barAt } from '$core/chart';
import { QUARTER } from '$core/kernel';
import { PER_QUARTER, playingOf, type Playing } from '$core/route';
import type { Place } from '$core/neck';
import type { NoteAnswer } from '$lib/api/plan-schema';
import {
	addNote,
	editNotes,
	freePlaceAfter,
	movePitch,
	moveTime,
	removeNotes,
	setPlaying,
	type EditContext
} from './line-edit';
import type { OpenTune } from './open-tune.svelte';
import type { RoutePlan } from './route-plan.svelte';
import { noteKey, tickOfKey, type Struck } from './note-key';
import { wayNotes, wayOf, type WayNote } from './ways';

/** A note, or every note of a moment. */
type At = number | Struck;

/**
 * The notes of the line that are picked out, each by its moment and string, and what can be done with them. The last one
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
		this.plan.line.filter((note) => this.picked.has(noteKey(note)))
	);
	readonly leading: NoteAnswer | null = $derived(
		this.notes.find((note) => noteKey(note) === this.lead) ?? this.notes[0] ?? null
	);

	has(note: Struck): boolean {
		return this.picked.has(noteKey(note));
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

	/** The keys of a note, or of all notes of a moment, the highest first. */
	private keysAt(at: At): number[] {
		if (typeof at !== 'number') return [noteKey(at)];
		const there = this.plan.line.filter((note) => note.tick === at);
		return there.sort((a, b) => b.midi - a.midi).map(noteKey);
	}

	/**
	 * Picks a note, or the notes of a moment; with `add` beside those that are picked (again: lets them go); with `range`
	 * all between.
	 */
	pick(at: At, { add = false, range = false } = {}): void {
		const keys = this.keysAt(at);
		const [first] = keys;
		if (first === undefined) return;
		if (range && this.lead !== null) {
			const ticks = [tickOfKey(this.lead), tickOfKey(first)];
			const [from, to] = [Math.min(...ticks), Math.max(...ticks)];
			this.picked = new Set(
				this.plan.line.filter(({ tick }) => tick >= from && tick <= to).map(noteKey)
			);
			return;
		}
		const next = new Set(add ? this.picked : []);
		const all = add && keys.every((key) => next.has(key));
		for (const key of keys) {
			if (all) next.delete(key);
			else next.add(key);
		}
		this.picked = next;
		this.lead = first;
	}

	/** The moments of the line, in order. */
	private get moments(): number[] {
		return [...new Set(this.plan.line.map(({ tick }) => tick))];
	}

	/** Picks what is struck next or before; from nothing the first on the way of the cursor. */
	step(by: 1 | -1): NoteAnswer | null {
		const { leading, moments } = this;
		const from = this.open.change?.tick ?? 0;
		const at = leading
			? moments.indexOf(leading.tick) + by
			: moments.findIndex((tick) => tick >= from);
		const tick = moments[at] ?? leading?.tick;
		if (tick !== undefined) this.pick(tick);
		return this.leading;
	}

	/** Picks what is struck next or before, beside what is picked. */
	extend(by: 1 | -1): void {
		const { leading, moments } = this;
		if (!leading) return;
		const tick = moments[moments.indexOf(leading.tick) + by];
		if (tick === undefined) return;
		const keys = this.keysAt(tick);
		this.picked = new Set([...this.picked, ...keys]);
		this.lead = keys[0] ?? null;
	}

	/** Picks every note on the way of the leading one, or of the cursor. */
	pickWay(): void {
		const change = this.leading
			? changeIndexAt(this.open.chart, this.leading.tick)
			: this.open.cursor;
		this.pickBetween(wayOf(this.open.chart, change));
	}

	/** Picks every note that begins in a bar: of the leading note, or of the cursor. */
	pickBar(): void {
		const { startTick, lengthTicks } = this.bar;
		this.pickBetween({ from: startTick, to: startTick + lengthTicks });
	}

	private pickBetween({ from, to }: { readonly from: number; readonly to: number }): void {
		const keys = this.plan.line.filter(({ tick }) => tick >= from && tick < to).map(noteKey);
		this.picked = new Set(keys);
		this.lead = keys[0] ?? null;
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
			owns: (tick) => this.plan.ownsAt(tick),
			grid: grid === 'targets' ? QUARTER : QUARTER / PER_QUARTER[grid]
		};
	}

	movePitch(direction: 1 | -1, by: 'step' | 'semitone'): void {
		if (this.size > 0) this.plan.setWays(movePitch(this.context(), this.picked, direction, by));
	}

	moveTime(places: number): void {
		if (this.size === 0) return;
		const { ways, keys } = moveTime(this.context(), this.picked, places);
		const lead = this.leading ? noteKey(this.leading) : null;
		const order = [...this.picked];
		this.plan.setWays(ways);
		this.lead = lead === null ? null : ([...keys][order.indexOf(lead)] ?? null);
		this.picked = keys;
	}

	/** Puts one note on a place, and elsewhere in time where it is dragged there. */
	drop(at: At, place: Place | null, places: number): void {
		const [key] = this.keysAt(at);
		const note = this.plan.line.find((entry) => noteKey(entry) === key);
		if (key === undefined || !note) return;
		const context = this.context();
		const [to] = moveTime(context, new Set([key]), places).keys;
		const goal = place ?? note;
		const tick = tickOfKey(to ?? key);
		this.plan.setWays(
			editNotes(context, new Set([key]), (entry) => ({
				...entry,
				...{ tick, string: goal.string, fret: goal.fret }
			}))
		);
		this.pick({ tick, string: goal.string });
	}

	/** Says how the picked notes are played. */
	play(how: (note: NoteAnswer) => Partial<Playing>): void {
		if (this.size > 0) this.plan.setWays(setPlaying(this.context(), this.picked, how));
	}

	remove(): void {
		if (this.size === 0) return;
		const at = this.leading?.tick ?? 0;
		const ways = removeNotes(this.context(), this.picked);
		const before = this.plan.line.findLast((note) => note.tick < at && !this.has(note));
		const landings = this.notes.filter((note) => note.kind === 'target');
		this.plan.setWays(
			ways,
			landings.map((note) => changeIndexAt(this.open.chart, note.tick))
		);
		if (before) this.pick(before);
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
		this.pick({ tick, string: leading.string });
	}

	/** Adds a note at a moment; with `together` to what is struck there. */
	add(tick: number, place: Place, together = false): void {
		const context = this.context();
		const at = Math.round(tick / context.grid) * context.grid;
		this.plan.setWays(addNote(context, { tick: at, ...place }, together));
		this.pick({ tick: at, string: place.string });
	}

	/** Lets what is struck at a moment ring for so many ticks; notes that it would ring over give way. */
	stretch(tick: number, durationTicks: number): void {
		const own = this.keysAt(tick);
		const over = this.plan.line
			.filter((note) => note.tick > tick && note.tick < tick + durationTicks)
			.filter((note) => note.kind !== 'target')
			.map(noteKey);
		const ways = editNotes(this.context(), new Set([...own, ...over]), (note) =>
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
			.map((note) => ({
				...{ offset: note.tick - startTick, durationTicks: note.durationTicks },
				...{ string: note.string, fret: note.fret },
				...playingOf(note)
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
		void this.plan.write(this.plan.laid({ from, to }, typed));
	}
}

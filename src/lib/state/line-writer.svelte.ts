import { changeIndexAt, chartTicks, eventAt } from '$core/chart';
import { QUARTER } from '$core/kernel';
import type { Chord } from '$core/chord';
import type { Scale } from '$core/harmony';
import type { Place } from '$core/neck';
import { PER_QUARTER } from '$core/route';
import type { LineSelection } from './line-selection.svelte';
import type { OpenTune } from './open-tune.svelte';
import type { RoutePlan } from './route-plan.svelte';

/**
 * Writes a line note by note: the caret says when the next note comes, a place on the neck or a pitch on
 * the strip says which. Every note is a step that can be undone.
 */
export class LineWriter {
	/** Tick of the next note; null while nothing is being written. */
	caret: number | null = $state(null);

	constructor(
		private readonly open: OpenTune,
		private readonly plan: RoutePlan,
		private readonly selection: LineSelection
	) {}

	get on(): boolean {
		return this.caret !== null;
	}

	/** Ticks of one place of the grid. */
	get grid(): number {
		const { grid } = this.plan.wishes.line;
		return grid === 'targets' ? QUARTER / 2 : QUARTER / PER_QUARTER[grid];
	}

	private get event() {
		return this.caret === null ? null : eventAt(this.open.chart, this.caret);
	}

	/** The chord that sounds at the caret. */
	get chord(): Chord | null {
		return this.event?.chord ?? null;
	}

	/** The chord of the next change after the caret. */
	get nextChord(): Chord | null {
		const { caret } = this;
		const next = this.open.chart.changes.find((change) => caret !== null && change.tick > caret);
		return next?.to.chord ?? this.open.chart.changes[0]?.to.chord ?? null;
	}

	/** The scale in use at the caret. */
	get scale(): Scale | null {
		return this.plan.scales[this.event?.index ?? 0] ?? null;
	}

	/** Begins at the picked note, or at the change that is looked at. */
	start(): void {
		const from = this.selection.leading?.tick ?? this.open.change?.tick;
		if (from === undefined) return;
		if (this.plan.wishes.line.grid === 'targets') this.plan.setLine({ grid: 'eighth' });
		this.goTo(from);
	}

	stop(): void {
		this.caret = null;
	}

	private goTo(tick: number): void {
		const first = this.open.chart.changes[0]?.tick ?? 0;
		const last = chartTicks(this.open.chart) - this.grid;
		this.caret = Math.max(first, Math.min(last, tick));
		const change = changeIndexAt(this.open.chart, this.caret);
		if (change >= 0 && change !== this.open.cursor) this.open.cursor = change;
	}

	/** Moves the caret by places of the grid. */
	move(places: number): void {
		if (this.caret !== null) this.goTo(this.caret + places * this.grid);
	}

	/**
	 * Puts a note at the caret, or at a moment, and goes on behind it; with `together` it joins what was written last, on
	 * another string.
	 */
	put(place: Place, tick = this.caret, together = false): void {
		if (tick === null) return;
		const at = Math.round(tick / this.grid) * this.grid;
		const last = together ? this.plan.line.findLast((entry) => entry.tick < at)?.tick : undefined;
		this.selection.add(last ?? at, place, together);
		this.goTo(last === undefined ? at + this.grid : at);
	}

	/** Lets the note before the caret ring one place longer. */
	hold(): void {
		const { caret, grid } = this;
		if (caret === null) return;
		const note = this.plan.line.findLast((entry) => entry.tick < caret);
		if (!note) return;
		this.selection.stretch(note.tick, caret + grid - note.tick);
		this.goTo(caret + grid);
	}

	/** Takes the note before the caret back. */
	back(): void {
		const { caret } = this;
		if (caret === null) return;
		const note = this.plan.line.findLast((entry) => entry.tick < caret);
		if (!note) return;
		this.selection.pick(note.tick);
		this.selection.remove();
		this.selection.clear();
		this.goTo(note.tick);
	}
}

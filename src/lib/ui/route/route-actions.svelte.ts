import { clamp } from '$core/kernel';
import { lastPosition, samePlace, pitchAt, type Place } from '$core/neck';
import { changeIndexAt } from '$core/chart';
import { intervalBetween } from '$core/pitch';
import type { Landing } from '$core/route';
import { hear } from '$lib/state/hear';
import { placeFor } from '$lib/state/line-edit';
import type { LineSelection } from '$lib/state/line-selection.svelte';
import type { LineWriter } from '$lib/state/line-writer.svelte';
import type { OpenTune } from '$lib/state/open-tune.svelte';
import type { RoutePlan } from '$lib/state/route-plan.svelte';
import { toNextKey } from '$lib/state/tune-headers';
import { weakSpots, type WeakSpot } from './weak-spots';
import { plural } from '$lib/words/words';
import { toast } from 'svelte-sonner';

/** What stands in the inspector: the change, hand and scale of its bar, how the route is made, or other plans. */
export type Side = 'change' | 'bar' | 'making' | 'plans';

/** What the keys and buttons of the Route screen do. */
export class RouteActions {
	/** The candidates of the selected change, ranked in the worker. */
	landings: readonly Landing[] = $state.raw([]);
	/** The change that the list is for; until its own list comes a change still shows the last one. */
	private rankedFor = -1;
	readonly weak: readonly WeakSpot[] = $derived.by(() =>
		weakSpots(this.open.chart, this.plan.check, (change) => this.plan.isLetPass(change))
	);
	/** A place that the player has gone to look at: at a change, or while writing wherever the caret is (null). */
	private looked: { readonly change: number | null; readonly position: number } | null =
		$state.raw(null);
	/** Where the hand is at the cursor: a hand that may move is not always in the route's own place. */
	readonly hand: number = $derived.by(() => {
		const { looked, open, writer } = this;
		const here = looked && (looked.change === open.cursor || (looked.change === null && writer.on));
		return here ? looked.position : this.plan.handAt(open.cursor);
	});

	constructor(
		private readonly open: OpenTune,
		private readonly plan: RoutePlan,
		private readonly selection: LineSelection,
		readonly writer: LineWriter
	) {}

	/** Ranks the landings of the cursor's change; an answer that comes late is dropped. */
	async rank(): Promise<void> {
		const { plan, open } = this;
		const change = open.cursor;
		const wanted = [plan.wishes, open.saved] as const;
		if (!plan.planned) return;
		const found = await plan.landings(change);
		const still = change === open.cursor && wanted[0] === plan.wishes && wanted[1] === open.saved;
		if (!found || !still) return;
		this.landings = found;
		this.rankedFor = change;
	}

	showWeak(spot: WeakSpot): void {
		this.open.cursor = spot.change;
		if (this.plan.line.some((note) => note.tick === spot.tick)) this.selection.pick(spot.tick);
		const mends = spot.fix !== null || spot.silent;
		toast(
			spot.text,
			mends ? { action: { label: 'Mend (M)', onClick: () => this.mend(spot) } } : {}
		);
	}

	/** Jumps to the next weak spot after the cursor. */
	nextWeak(): void {
		const { selection, open, weak } = this;
		const from = selection.leading?.tick ?? open.change?.tick ?? 0;
		const spot = weak.find((entry) => entry.tick > from) ?? weak[0];
		if (spot) this.showWeak(spot);
	}

	/** Applies the smallest fix of a change; where nothing sounds the plan lands there. */
	mend(
		spot = this.weak.find(
			(entry) => entry.change === this.open.cursor && (entry.fix !== null || entry.silent)
		)
	): void {
		if (!spot) return;
		const { fix } = spot;
		if (!fix) {
			if (this.plan.isOwn(spot.change)) this.plan.landAgain(spot.change);
			return;
		}
		const { held: instrument } = this.open;
		const near = { string: 3, fret: this.hand };
		const place = fix.place ?? placeFor({ instrument, position: this.hand }, fix.toMidi, near);
		if (place) this.plan.lockAt(spot.change, place);
	}

	/** Arrows move what is picked; without a pick, up and down take hold of the landing. */
	lift(direction: 1 | -1, by: 'step' | 'semitone'): void {
		const { plan, selection, open } = this;
		if (plan.line.length === 0) return;
		const target = plan.target(open.cursor);
		if (selection.size === 0 && target) selection.pick(target.tick);
		selection.movePitch(direction, by);
		hear(selection.leading?.midi);
	}

	/** The next change, or while writing the next place of the grid. */
	along(by: 1 | -1): void {
		if (this.writer.on) this.writer.move(by);
		else this.open.step(by);
	}

	/** Left and right: the caret while writing, else the next note that is picked, else the change. */
	across(by: 1 | -1): void {
		const { open, selection, writer } = this;
		if (writer.on) return writer.move(by);
		if (selection.size === 0) return open.step(by);
		this.reach(selection.step(by)?.tick);
	}

	/** Picks a note of the line, or lets go of what is picked. */
	pick(): void {
		const { selection } = this;
		if (selection.size > 0) return selection.clear();
		this.reach(selection.step(1)?.tick);
	}

	private reach(tick: number | undefined): void {
		if (tick === undefined) return;
		hear(this.selection.leading?.midi);
		const change = changeIndexAt(this.open.chart, tick);
		if (change >= 0 && change !== this.open.cursor) this.open.cursor = change;
	}

	/** A place of the neck was chosen: for the note that is written or picked, or to land on. */
	choosePlace(place: Place, together = false): void {
		const { open, plan, selection, writer } = this;
		hear(pitchAt(open.held, place));
		const at = { string: place.string, fret: place.fret };
		if (writer.on) return writer.put(at, undefined, together);
		const picked = selection.leading;
		if (picked && (picked.kind !== 'target' || plan.ownsAt(picked.tick)))
			selection.drop(picked, at, 0);
		else if (plan.planned) plan.lockAt(open.cursor, at);
	}

	chooseLanding(landing: Place & { readonly midi: number }): void {
		hear(landing.midi);
		this.plan.lockAt(this.open.cursor, landing);
	}

	/** Moves the hand from the bar of the cursor on. */
	moveFrom(by: 1 | -1): void {
		const { open, plan } = this;
		const from = plan.wishes.line.roam ? this.hand : plan.handWanted;
		const position = clamp(from + by, 1, lastPosition(open.held));
		if (open.change) plan.setHand(open.change.source, position);
	}

	/** The neck shows another place than the hand is in. */
	private look(position: number): void {
		this.looked = { change: this.writer.on ? null : this.open.cursor, position };
	}

	moveTo(position: number): void {
		const { open, plan } = this;
		const last = open.position;
		open.moveTo(position);
		const wanted = open.position;
		// While writing, and where the hand is read off own notes, the neck goes where it is asked to.
		if (this.writer.on || plan.isFrozen(open.cursor)) this.look(wanted);
		// With a place of its own the section moves, not the route.
		const given = plan.setPosition(wanted);
		if (plan.wishes.position !== wanted) open.moveTo(last);
		if (given === 0) return;
		toast(
			`${plural(given, 'lock')} lay outside position ${wanted} and ${given === 1 ? 'is' : 'are'} open again.`,
			{ action: { label: 'Undo', onClick: () => plan.undo() } }
		);
	}

	/** The best landing after the one that is chosen, any other pitch first. */
	async nextBest(): Promise<void> {
		const { open, plan } = this;
		const change = open.cursor;
		const list = this.rankedFor === change ? this.landings : await plan.landings(change);
		if (!list || change !== open.cursor) return;
		const chosen = plan.target(change);
		const at = list.findIndex((entry) => samePlace(entry, chosen));
		const found = list[(at + 1) % Math.max(1, list.length)];
		if (found) this.chooseLanding(found);
	}

	/** Leaves the place that the cursor lands on out of every landing. */
	forbid(): void {
		const target = this.plan.target(this.open.cursor);
		if (!target) return;
		this.plan.toggleForbidden(target);
		toast(`String ${target.string}, fret ${target.fret} is left out of every landing.`, {
			action: { label: 'Undo', onClick: () => this.plan.undo() }
		});
	}

	/** Copies the way of the cursor, or the whole bar. */
	copy(what: 'way' | 'bar' = 'way'): void {
		const count = what === 'bar' ? this.selection.copyBar() : this.selection.copy();
		toast(`${plural(count, 'note')} copied from this ${what}. Ctrl V puts them on another.`, {
			duration: 2500
		});
	}

	/** The same route in the next key of the circle: the tune moves, and the hand with it. */
	async nextKey(): Promise<void> {
		const { open, plan } = this;
		const before = open.key;
		await toNextKey(open);
		const after = open.key;
		if (!before || !after || before === after) return;
		this.selection.clear();
		plan.transpose(intervalBetween(before.tonic, after.tonic));
	}
}

import { firstWishes, type Wishes, type LineSettings, type Anchors } from '$lib/api/route-schema';
import { lastPosition, type Place } from '$core/neck';
import {
	airChanges,
	anchorOf,
	changeOfAnchor,
	handAlong,
	handByBar,
	heldInstrument,
	type Approach,
	type Style
} from '$core/route';
import type { NoteAnswer } from '$lib/api/plan-schema';
import type { Chart } from '$core/chart';
import { chartOf, frozenOf, landingOf } from '$lib/api/route-anchors';
import * as edit from './anchor-edit';
import { shortestMove, type Interval } from '$core/pitch';
import { higher, moveAnchors } from './anchor-move';
import { History } from './history.svelte';
import type { OpenTune } from './open-tune.svelte';

/** Entries in order of their bars, without those that say what is said already. */
function settled<T extends { readonly bar: number; readonly beat?: number }>(
	entries: readonly T[],
	told: (entry: T) => unknown
): T[] {
	const order = [...entries].sort((a, b) => a.bar - b.bar || (a.beat ?? 1) - (b.beat ?? 1));
	return order.filter((entry, i) => told(entry) !== (i > 0 ? told(order[i - 1]) : null));
}

/** What the player wants of a route, with undo: every change of it is one step. */
export abstract class RouteWishes {
	readonly history: History<Wishes>;
	readonly wishes: Wishes = $derived.by(() => this.history.current);

	constructor(protected readonly open: OpenTune) {
		this.history = new History<Wishes>(firstWishes(open.position));
	}

	/** The wishes are others now: what was made from them must follow. */
	protected abstract changed(): void;

	isLocked(change: number): boolean {
		return edit.entryAt(this.wishes.anchors.locks, this.open, change) !== undefined;
	}

	/** The player wants no landing here; what sounds at the change is not judged. */
	isLetPass(change: number): boolean {
		const entry = edit.entryAt(this.wishes.anchors.letPass, this.open, change);
		return (entry !== undefined && !entry.own) || this.isAir(change);
	}

	private readonly air = $derived.by(
		() => new Set(airChanges(this.open.chart, this.wishes.line.talk))
	);

	/** The change falls into bars that are left to the others, and no lock holds it. */
	isAir(change: number): boolean {
		return this.air.has(change) && !this.isLocked(change) && !this.isOwn(change);
	}

	/** The player's own notes stand in for a landing here, and are judged. */
	isOwn(change: number): boolean {
		return edit.entryAt(this.wishes.anchors.letPass, this.open, change)?.own ?? false;
	}

	/** The way from a change to the next holds the player's own notes. */
	isFrozen(change: number): boolean {
		return edit.entryAt(this.wishes.anchors.frozen, this.open, change) !== undefined;
	}

	private readonly ownTicks = $derived.by(() => {
		const ways = frozenOf(this.open.chart, this.wishes.anchors);
		return new Set(ways.flatMap(({ notes }) => notes.map(({ tick }) => tick)));
	});

	/** What stands at a tick is the player's own. */
	ownsAt(tick: number): boolean {
		return this.ownTicks.has(tick);
	}

	/** How the player wants to arrive at a change, if at all in a special way. */
	arriveWish(change: number): Approach | null {
		return edit.entryAt(this.wishes.anchors.arrive, this.open, change)?.approach ?? null;
	}

	/** The scale that the player has set over a change. */
	scaleWish(change: number): { tonic: string; name: string } | null {
		return edit.entryAt(this.wishes.anchors.scales, this.open, change) ?? null;
	}

	/** The player's own finger for a note of the line. */
	ownFinger(note: NoteAnswer): number | null {
		return edit.fingerOf(this.wishes.anchors, this.open, note);
	}

	/** Whether the player wants a landing to rest or to lean. */
	leanWish(change: number): 'rest' | 'lean' | null {
		return edit.entryAt(this.wishes.anchors.leans, this.open, change)?.wish ?? null;
	}

	protected anchor(change: number) {
		const at = this.open.chart.changes[change];
		return at ? anchorOf(at) : null;
	}

	/** Takes a step that can be undone; once there is a plan it is made again at once. */
	wish(change: Partial<Wishes>): void {
		this.history.push({ ...this.wishes, ...change });
		this.follow();
	}

	/** The tune is seen as it is played: how the neck is held, and when the line lands. */
	protected hold(wishes: Wishes): void {
		this.open.slide = wishes.line.slide;
		this.open.block = wishes.line.block;
		const landing = landingOf(wishes);
		const read = (chart: Chart) => chartOf(chart, landing);
		this.open.landAs({ key: JSON.stringify(landing), read });
	}

	private follow(): void {
		this.hold(this.wishes);
		this.open.moveTo(this.wishes.position);
		this.changed();
	}

	undo(): void {
		this.history.undo();
		this.follow();
	}

	redo(): void {
		this.history.redo();
		this.follow();
	}

	setStyle(style: Style): void {
		if (style !== this.wishes.style) this.wish({ style });
	}

	setLine(change: Partial<LineSettings>): void {
		const line = { ...this.wishes.line, ...change };
		if (JSON.stringify(line) !== JSON.stringify(this.wishes.line)) this.wish({ line });
	}

	/** Another line between the same landings. */
	anotherTake(): void {
		this.setLine({ seed: this.wishes.line.seed + 1 });
	}

	/** Changes what is fixed, in one step that can be undone. */
	protected fix(anchors: Anchors): void {
		this.wish({ anchors });
	}

	/** The section that the cursor is in, where it has a place of its own. */
	private ownPlace() {
		const bar = this.open.change?.bar ?? 1;
		const section = this.open.chart.played[bar - 1]?.section ?? '';
		return this.wishes.line.places.find((entry) => entry.section === section);
	}

	/** Where the player wants the hand at the cursor, before anything is planned. */
	get handWanted(): number {
		const { position, line } = this.wishes;
		const bar = this.open.chart.played[(this.open.change?.bar ?? 1) - 1];
		return (bar && handByBar(position, line)?.(bar)) ?? position;
	}

	/** What the player says of the hand in the cursor's bar, where it has a place of its own. */
	private handEntry() {
		const bar = this.open.change?.source ?? 1;
		const { hand } = this.wishes.line;
		const entry = hand.findLast((one) => one.bar <= bar);
		return entry && entry.position !== null ? entry : undefined;
	}

	/** Moves the hand; locks that lie outside the new place are given up. Returns how many. */
	setPosition(position: number): number {
		const { anchors, line } = this.wishes;
		const bar = line.roam ? undefined : this.handEntry();
		if (bar) {
			this.setHand(bar.bar, position);
			return 0;
		}
		const own = line.roam ? undefined : this.ownPlace();
		if (own) {
			const { section } = own;
			this.setPlace(section, position);
			return 0;
		}
		if (position === this.wishes.position) return 0;
		const still = { ...line, roam: null };
		const placed = line.places.length > 0 || line.hand.length > 0;
		const moved = placed ? anchors : this.within(still, position);
		this.wish({ position, line: still, anchors: moved });
		return anchors.locks.length - moved.locks.length;
	}

	/** With slide or fingers, and how the hand moves; locks that it then does not reach are given up. */
	setHolding(change: Partial<Pick<LineSettings, 'slide' | 'block' | 'roam'>>): void {
		const { line, position, anchors } = this.wishes;
		const held = { ...line, ...change };
		if (JSON.stringify(held) === JSON.stringify(line)) return;
		// Sections with places of their own, and a hand that roams, are placed anew by the plan.
		const own = held.places.length > 0 || held.hand.length > 0;
		const placed = held.roam !== null || (own && !held.block);
		this.wish({ line: held, anchors: placed ? anchors : this.within(held, position) });
	}

	/** What is fixed, without the locks that lie outside the hand's places. */
	private within({ slide, block }: LineSettings, position: number): Anchors {
		const { chart } = this.open;
		const held = heldInstrument(this.open, { slide, block }, position);
		const windows = handAlong(chart, held, position, { block }) ?? [];
		return edit.locksWithin(
			this.wishes.anchors,
			{ chart, instrument: held },
			(index) => windows[index] ?? position
		);
	}

	/** Where the hand is in one section; null where it is elsewhere. Its locks open again. */
	setPlace(section: string, position: number | null): void {
		const { line, anchors } = this.wishes;
		const rest = line.places.filter((entry) => entry.section !== section);
		const places = position === null ? rest : [...rest, { section, position }];
		const { chart } = this.open;
		const locks = anchors.locks.filter((lock) => {
			const change = changeOfAnchor(chart, lock);
			return change && (chart.played[change.bar - 1].section ?? '') !== section;
		});
		this.wish({
			line: { ...line, roam: null, block: false, places },
			anchors: { ...anchors, locks }
		});
	}

	/** Puts the hand somewhere from a written bar on; null where it was without this. */
	setHand(bar: number, position: number | null): void {
		const { hand } = this.wishes.line;
		this.setHands([...hand.filter((entry) => entry.bar !== bar), { bar, position }]);
	}

	/** Where the hand is from which written bar on. Entries that change nothing are left out. */
	setHands(hand: LineSettings['hand']): void {
		const { line } = this.wishes;
		const told = settled(hand, (entry) => entry.position);
		this.wish({ line: { ...line, roam: null, block: false, hand: told } });
	}

	/** The scale from a written bar on; null for what stood there without this. */
	setScaleFrom(bar: number, scale: { tonic: string; name: string } | null): void {
		const { scales } = this.wishes.line;
		this.setScales([
			...scales.filter((e) => e.bar !== bar || e.beat !== 1),
			{ bar, beat: 1, scale }
		]);
	}

	setScales(scales: LineSettings['scales']): void {
		const told = settled(scales, ({ scale }) => scale && `${scale.tonic} ${scale.name}`);
		this.setLine({ scales: told });
	}

	/**
	 * Moves the whole route along the neck with the tune's key: everything fixed keeps its shape.
	 * @param interval from the old key to the new one
	 * @returns how many own notes had to go to another string, or an octave off
	 */
	transpose(interval: Interval): number {
		const { instrument } = this.open;
		const semitones = shortestMove(0, interval.semitones);
		const { position, anchors, line } = this.wishes;
		const [low, high] = [1, lastPosition(instrument)];
		const placed = [...line.places, ...line.hand].map((entry) => entry.position ?? position);
		const all = [position, ...placed];
		const shift = [semitones, semitones - 12, semitones + 12]
			.sort((a, b) => Math.abs(a) - Math.abs(b))
			.find((frets) => all.every((at) => at + frets >= low && at + frets <= high));
		if (shift === undefined) return 0;
		const places = line.places.map((entry) => ({ ...entry, position: entry.position + shift }));
		const hand = line.hand.map((entry) => ({
			...entry,
			position: entry.position === null ? null : entry.position + shift
		}));
		const scales = line.scales.map(({ scale, ...at }) => ({
			...at,
			scale: scale && { ...scale, tonic: higher(scale.tonic, interval) }
		}));
		const moved = moveAnchors(anchors, this.open, shift, interval);
		this.wish({
			position: position + shift,
			line: { ...line, places, hand, scales },
			anchors: moved.anchors
		});
		return moved.refingered;
	}

	/** Fixes a change to a place, which must sound a tone of its chord; the rest adapts. */
	lockAt(change: number, place: Place): void {
		const anchors = edit.lockAt(this.wishes.anchors, this.open, change, place);
		if (anchors) this.fix(anchors);
	}

	/** Fixes several changes at once, as when another plan is taken over. */
	lockAll(targets: readonly ({ readonly change: number } & Place)[]): void {
		let { anchors } = this.wishes;
		for (const target of targets) {
			anchors = edit.lockAt(anchors, this.open, target.change, target) ?? anchors;
		}
		this.fix(anchors);
	}

	/** Leaves the landing on a change to the plan again. */
	landAgain(change: number): void {
		this.fix(edit.landAgain(this.wishes.anchors, this.open, change));
	}

	toggleLetPass(change: number): void {
		this.fix(edit.toggleLetPass(this.wishes.anchors, this.open, change));
	}

	/** Asks for a way of arriving at a change; the one that is asked for already is given up. */
	setArrival(change: number, approach: Approach): void {
		this.fix(edit.toggleArrival(this.wishes.anchors, this.open, change, approach));
	}

	setLean(change: number, wish: 'rest' | 'lean' | null): void {
		if (wish !== this.leanWish(change))
			this.fix(edit.setLean(this.wishes.anchors, this.open, change, wish));
	}

	setScale(change: number, scale: { tonic: string; name: string } | null): void {
		this.fix(edit.setScale(this.wishes.anchors, this.open, change, scale));
	}

	setFinger(notes: readonly NoteAnswer[], finger: number | null): void {
		this.fix(edit.setFinger(this.wishes.anchors, this.open, notes, finger));
	}

	/** Leaves a place of the neck out of every landing, or takes it in again. */
	toggleForbidden(place: Place): void {
		this.fix(edit.toggleForbidden(this.wishes.anchors, place));
	}
}

import {
	anchorOf,
	arrivalsOf,
	blendScale,
	changeAt,
	checkLine,
	sameAnchor,
	scalesAlong,
	type Approach,
	type ArrivalOption,
	type Check,
	type HandWindow,
	type Landing,
	type Style
} from '$core/route';
import { chartTicks, type Chart } from '$core/chart';
import { toneAt } from '$core/chord';
import { highestFret, inWindow, lastPosition, pitchAt, type Place } from '$core/neck';
import type { Scale } from '$core/harmony';
import { noteName } from '$core/pitch';
import { scalesOf } from '$lib/api/route-anchors';
import type { Anchors, LineSettings, RouteAnswer, RouteInput } from '$lib/api/notebook-schema';
import type { NoteAnswer, TargetAnswer } from '$lib/api/plan-schema';
import { instrumentInputOf } from '$lib/api/resolve';
import type { RouteRequest } from '$lib/api/route';
import { FIRST_LINE, NO_ANCHORS } from '$lib/api/route-defaults';
import type { Planner } from '$lib/workers/planner';
import { Refusal, send } from './api';
import { History } from './history.svelte';
import type { OpenTune } from './open-tune.svelte';
import { keepWishes, keptWishes } from './route-draft';
import { wayNotes, without, withoutFirst, type WayNote } from './ways';

/** What the player decides about a route; everything else follows from it. */
export type Wishes = Pick<RouteInput, 'name' | 'position' | 'style' | 'line' | 'anchors'>;

export const STYLE_NAMES: Record<Style, { name: string; short: string; says: string }> = {
	'guide-tones': {
		name: 'Guide tones',
		short: 'Guide tones',
		says: 'Thirds and sevenths: they tell the chord.'
	},
	nearest: {
		name: 'Nearest chord tone',
		short: 'Nearest',
		says: 'Any chord tone, the smoothest way.'
	},
	roots: { name: 'Roots', short: 'Roots', says: 'Every root: sure, but it jumps.' },
	arpeggio: {
		name: 'Arpeggio only',
		short: 'Arpeggio',
		says: 'Every note a chord tone, landings and ways alike.'
	},
	blend: {
		name: 'Blend',
		short: 'Blend',
		says: 'Minor pentatonic of home, with the third of each chord where it falls.'
	},
	mirror: {
		name: 'Mirror',
		short: 'Mirror',
		says: 'One cell moved to each chord, the same kind of tone every time.'
	}
};

/** The route that is open: wishes with undo, the plan made from them, and what is saved. */
export class RoutePlan {
	readonly history: History<Wishes>;
	targets: readonly TargetAnswer[] = $state.raw([]);
	/** The notes of the line, landings among them; empty where landings alone are planned. */
	line: readonly NoteAnswer[] = $state.raw([]);
	/** Where the hand is from which change on. */
	windows: readonly HandWindow[] = $state.raw([]);
	arrivals: readonly (readonly ArrivalOption[])[] = $state.raw([]);
	warnings: readonly string[] = $state.raw([]);
	/** How much of a long plan is done, 0 … 1. */
	progress = $state(0);
	planning = $state(false);
	saving = $state(false);
	saved: RouteAnswer | null = $state.raw(null);
	conflict: RouteAnswer | null = $state.raw(null);
	/** The wishes that the targets were planned for. */
	private plannedFor: Wishes | null = $state.raw(null);
	readonly wishes: Wishes = $derived.by(() => this.history.current);
	readonly planned: boolean = $derived(this.targets.length > 0);
	/** The chart was edited after this route was planned. */
	readonly outdated: boolean = $derived.by(
		() =>
			this.saved !== null &&
			this.saved.tuneVersion < this.open.saved.version &&
			this.plannedFor === null
	);
	readonly dirty: boolean = $derived.by(() => {
		if (!this.planned) return false;
		if (!this.saved || this.plannedFor !== null) {
			const { saved, wishes } = this;
			const same = saved && JSON.stringify(wishesOf(saved)) === JSON.stringify(wishes);
			return !same || saved.tuneVersion < this.open.saved.version;
		}
		return JSON.stringify(wishesOf(this.saved)) !== JSON.stringify(this.wishes);
	});

	/** How each landing is reached by the line; null where no note leads there. */
	readonly arrivalKinds: readonly (Approach | null)[] = $derived.by(() =>
		arrivalsOf(this.line, this.open.chart)
	);
	/** The scale that each event of the chart draws on under this route's wishes. */
	readonly scales: readonly (Scale | null)[] = $derived.by(() => {
		const { chart, scale } = this.open;
		const { style, line } = this.wishes;
		const used = style === 'blend' ? blendScale(chart, scale) : scale;
		return scalesAlong(chart, used, line.scalePlan, scalesOf(chart, this.bound()));
	});
	/** The judgement of what is there: the line, or the landings where they stand alone. */
	readonly check: Check | null = $derived.by(() => {
		if (!this.planned && this.line.length === 0) return null;
		const { chart, instrument, position } = this.open;
		const { scales } = this;
		const roams = this.windows.length > 1;
		const notes = this.line.length > 0 ? this.line : ringing(chart, this.targets);
		return checkLine({ chart, instrument, scales, position: roams ? null : position, notes });
	});

	constructor(
		private readonly open: OpenTune,
		private readonly planner: () => Planner,
		route: RouteAnswer | null
	) {
		this.history = new History<Wishes>({
			name: '',
			position: open.position,
			style: 'guide-tones',
			line: FIRST_LINE,
			anchors: NO_ANCHORS
		});
		this.load(route);
	}

	/** Keeps what is not saved yet, so that leaving the screen loses no lock. */
	keep(): void {
		const { position } = this.wishes;
		const unsaved = this.dirty ? this.wishes : null;
		keepWishes(this.open.saved.id, this.saved?.id ?? null, position, unsaved);
	}

	/** Puts the unsaved wishes of an earlier visit back and plans them; call in the browser. */
	async recover(): Promise<boolean> {
		const kept = keptWishes(this.open.saved.id, this.saved?.id ?? null, this.open.position);
		if (!kept) return false;
		this.history.push(kept);
		this.open.moveTo(kept.position);
		await this.plan();
		return true;
	}

	/** Puts a saved route in place, or an empty one at the hand's place. */
	load(route: RouteAnswer | null): void {
		this.saved = route;
		this.conflict = null;
		this.plannedFor = null;
		this.warnings = [];
		this.arrivals = [];
		this.windows = [];
		this.line = route && route.tuneVersion === this.open.saved.version ? route.plan.notes : [];
		if (!route) {
			this.targets = [];
			const { position } = this.open;
			this.history.reset({
				name: '',
				position,
				style: 'guide-tones',
				line: FIRST_LINE,
				anchors: NO_ANCHORS
			});
			return;
		}
		this.open.moveTo(route.position);
		this.history.reset(wishesOf(route));
		this.targets = route.plan.targets.flatMap((target) => {
			const change = changeAt(this.open.chart, target);
			const place = { string: target.string, fret: target.fret };
			const tone = change && toneAt(change.to.chord, pitchAt(this.open.instrument, place));
			if (!change || !tone) return [];
			const { tick } = change;
			return [{ ...target, change: change.index, tick, name: tone.name, role: tone.role }];
		});
	}

	private readonly byChange = $derived(
		new Map(this.targets.map((target) => [target.change, target]))
	);

	target(change: number): TargetAnswer | undefined {
		return this.byChange.get(change);
	}

	isLocked(change: number): boolean {
		return this.lockOf(change) !== undefined;
	}

	isLetPass(change: number): boolean {
		return this.has(this.wishes.anchors.letPass, change);
	}

	/** The way from a change to the next holds the player's own notes. */
	isFrozen(change: number): boolean {
		return this.has(this.wishes.anchors.frozen, change);
	}

	private has(list: readonly Parameters<typeof sameAnchor>[0][], change: number): boolean {
		const anchor = this.anchor(change);
		return anchor !== null && list.some((other) => sameAnchor(other, anchor));
	}

	private anchor(change: number) {
		const at = this.open.chart.changes[change];
		return at ? anchorOf(at) : null;
	}

	private lockOf(change: number) {
		const anchor = this.anchor(change);
		return anchor ? this.wishes.anchors.locks.find((lock) => sameAnchor(lock, anchor)) : undefined;
	}

	/** How the player wants to arrive at a change, if at all in a special way. */
	arriveWish(change: number): Approach | null {
		const anchor = this.anchor(change);
		const found = this.wishes.anchors.arrive.find(
			(entry) => anchor !== null && sameAnchor(entry, anchor)
		);
		return found?.approach ?? null;
	}

	/** The ways to arrive at a change that the place allows, best first. */
	arrivalsAt(change: number): readonly ArrivalOption[] {
		const at = this.targets.findIndex((target) => target.change === change);
		return this.arrivals[at] ?? [];
	}

	/** What is fixed, with the scales that the player has chosen for single chords on the neck. */
	private bound(): Anchors {
		const { chart, chordScales } = this.open;
		const chosen = chart.changes.flatMap((change) => {
			const scale = chordScales.of(change.to.symbol);
			return scale ? [{ ...anchorOf(change), tonic: noteName(scale.tonic), name: scale.name }] : [];
		});
		const { anchors } = this.wishes;
		const kept = anchors.scales.filter(
			(entry) => !chosen.some((other) => sameAnchor(entry, other))
		);
		return { ...anchors, scales: [...kept, ...chosen] };
	}

	/** The request that the wishes make. */
	request(): RouteRequest {
		const { saved, player, chart } = this.open;
		const { position, style, line } = this.wishes;
		const instrument = instrumentInputOf(chart, player.instruments);
		const route = { position, style, anchors: this.bound(), line };
		return { chart: saved.chart, instrument, route };
	}

	/** Plans the wishes. Throws nothing: what is wrong comes back as warnings. */
	async plan(): Promise<void> {
		const { wishes } = this;
		this.planning = true;
		this.progress = 0;
		try {
			const outcome = await this.planner().plan(this.request(), (share) => {
				this.progress = share;
			});
			if (!outcome) return;
			if ('issues' in outcome) {
				this.warnings = outcome.issues.map((issue) => issue.message);
				return;
			}
			const { targets, notes, windows, arrivals, warnings } = outcome.value;
			this.targets = targets;
			this.line = wishes.line.grid === 'targets' ? [] : notes;
			this.windows = windows;
			this.arrivals = arrivals;
			this.warnings = warnings;
			this.plannedFor = wishes;
		} finally {
			this.planning = false;
		}
	}

	/** Learns the ways to arrive of a line that was loaded, without making it anew. */
	async learnArrivals(): Promise<void> {
		if (this.line.length === 0 || this.arrivals.length > 0 || this.outdated) return;
		const { line } = this;
		const outcome = await this.planner().plan(this.request());
		if (!outcome || 'issues' in outcome || this.line !== line) return;
		const same = outcome.value.notes.length === line.length;
		if (same && outcome.value.notes.every((note, i) => note.tick === line[i].tick)) {
			this.arrivals = outcome.value.arrivals;
		}
	}

	landings(change: number): Promise<Landing[] | null> {
		return this.planner().landings(this.request(), change);
	}

	/** Takes a step that can be undone; once there is a plan it is made again at once. */
	private wish(change: Partial<Wishes>): void {
		this.history.push({ ...this.wishes, ...change });
		this.follow();
	}

	private follow(): void {
		this.open.moveTo(this.wishes.position);
		if (this.planned) void this.plan();
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
	private fix(change: Partial<Anchors>): void {
		this.wish({ anchors: { ...this.wishes.anchors, ...change } });
	}

	/** Moves the hand; locks that lie outside the new place are given up. Returns how many. */
	setPosition(position: number): number {
		if (position === this.wishes.position) return 0;
		const { anchors } = this.wishes;
		const locks = anchors.locks.filter((lock) => inWindow(this.open.instrument, position, lock));
		const line = { ...this.wishes.line, roam: null };
		this.wish({ position, line, anchors: { ...anchors, locks } });
		return anchors.locks.length - locks.length;
	}

	/** Moves the whole route along the neck with the tune's key: everything fixed keeps its shape. */
	transpose(semitones: number): void {
		const { instrument } = this.open;
		const { position, anchors } = this.wishes;
		const [low, high] = [1, lastPosition(instrument)];
		const shift = [semitones, semitones - 12, semitones + 12]
			.sort((a, b) => Math.abs(a) - Math.abs(b))
			.find((frets) => position + frets >= low && position + frets <= high);
		if (shift === undefined) return;
		const on = <T extends Place>(places: readonly T[]): T[] =>
			places
				.map((place) => ({ ...place, fret: place.fret + shift }))
				.filter((place) => place.fret >= 0 && place.fret <= highestFret(instrument));
		this.wish({
			position: position + shift,
			anchors: {
				...anchors,
				locks: on(anchors.locks),
				fingers: on(anchors.fingers),
				frozen: anchors.frozen.map((way) => ({ ...way, notes: on(way.notes) })),
				scales: []
			}
		});
	}

	/** Fixes a change to a place, which must sound a tone of its chord; the rest adapts. */
	lockAt(change: number, place: Place): void {
		const anchor = this.anchor(change);
		const chord = this.open.chart.changes[change]?.to.chord;
		if (!anchor || !chord || !toneAt(chord, pitchAt(this.open.instrument, place))) return;
		const { locks, letPass, frozen } = this.wishes.anchors;
		this.fix({
			locks: [...without(locks, anchor), { ...anchor, string: place.string, fret: place.fret }],
			letPass: without(letPass, anchor),
			frozen: withoutFirst(frozen, anchor)
		});
	}

	unlock(change: number): void {
		const anchor = this.anchor(change);
		if (anchor) this.fix({ locks: without(this.wishes.anchors.locks, anchor) });
	}

	toggleLock(change: number): void {
		const target = this.target(change);
		if (this.isLocked(change)) this.unlock(change);
		else if (target) this.lockAt(change, target);
	}

	toggleLetPass(change: number): void {
		const anchor = this.anchor(change);
		if (!anchor) return;
		const { locks, letPass, frozen } = this.wishes.anchors;
		if (this.isLetPass(change)) {
			this.fix({ letPass: without(letPass, anchor), frozen: withoutFirst(frozen, anchor) });
		} else this.fix({ locks: without(locks, anchor), letPass: [...letPass, anchor] });
	}

	/** Asks for a way of arriving at a change; the one that is asked for already is given up. */
	setArrival(change: number, approach: Approach): void {
		const anchor = this.anchor(change);
		if (!anchor) return;
		const rest = without(this.wishes.anchors.arrive, anchor);
		const same = this.arriveWish(change) === approach;
		this.fix({ arrive: same ? rest : [...rest, { ...anchor, approach }] });
	}

	/** Keeps the way after a change as it is, or lets it be planned again. */
	toggleFrozen(change: number): void {
		const anchor = this.anchor(change);
		if (!anchor) return;
		const { frozen } = this.wishes.anchors;
		if (this.isFrozen(change)) this.fix({ frozen: without(frozen, anchor) });
		else this.setWay(change, wayNotes(this.open.chart, this.line, change));
	}

	/** Sets the notes of the way after a change; they stay as they are when the rest is planned. */
	setWay(change: number, notes: readonly WayNote[]): void {
		this.setWays([[change, notes]]);
	}

	/**
	 * Sets several ways in one step. A first note on a change that is no tone of its chord stands in for its
	 * landing; the changes of `silent` lose theirs.
	 */
	setWays(
		ways: readonly (readonly [number, readonly WayNote[]])[],
		silent: readonly number[] = []
	): void {
		let { frozen, locks, letPass } = this.wishes.anchors;
		for (const [change, notes] of ways) {
			const anchor = this.anchor(change);
			if (!anchor) continue;
			const first = notes.find((note) => note.offset === 0);
			if (!first && silent.includes(change)) {
				locks = without(locks, anchor);
				letPass = [...without(letPass, anchor), anchor];
			}
			if (first) {
				const { chord } = this.open.chart.changes[change].to;
				const lands = toneAt(chord, pitchAt(this.open.instrument, first)) !== undefined;
				locks = without(locks, anchor);
				letPass = without(letPass, anchor);
				if (lands) locks = [...locks, { ...anchor, string: first.string, fret: first.fret }];
				else letPass = [...letPass, anchor];
				const kept = lands ? notes.filter((note) => note.offset > 0) : notes;
				frozen = [...without(frozen, anchor), { ...anchor, notes: [...kept] }];
			} else frozen = [...without(frozen, anchor), { ...anchor, notes: [...notes] }];
		}
		this.fix({ frozen, locks, letPass });
	}

	get name(): string {
		const { position, style } = this.wishes;
		return `Position ${position}, ${STYLE_NAMES[style].name.toLowerCase()}`;
	}

	/**
	 * Saves the route, planned once more on the tune as it is saved.
	 * @returns false when it was saved elsewhere meanwhile (see `conflict`).
	 * @throws Refusal when the server refuses or does not answer.
	 */
	async save(): Promise<boolean> {
		this.saving = true;
		const body: Wishes = { ...this.wishes, anchors: this.bound(), name: this.name };
		try {
			const { saved } = this;
			this.saved = saved
				? await send<RouteAnswer>('PUT', `/api/v1/routes/${saved.id}`, {
						...body,
						version: saved.version
					})
				: await send<RouteAnswer>('POST', `/api/v1/tunes/${this.open.saved.id}/routes`, body);
			this.history.current = wishesOf(this.saved);
			if (!saved) keepWishes(this.open.saved.id, null, body.position, null);
			return true;
		} catch (error) {
			if (!(error instanceof Refusal) || error.status !== 409 || !error.current) throw error;
			this.conflict = error.current as RouteAnswer;
			return false;
		} finally {
			this.saving = false;
		}
	}

	/** Saves over the route that was saved meanwhile. */
	async keepMine(): Promise<boolean> {
		if (this.conflict) this.saved = this.conflict;
		this.conflict = null;
		return this.save();
	}
}

const wishesOf = ({ name, position, style, line, anchors }: RouteAnswer): Wishes => ({
	name,
	position,
	style,
	line,
	anchors
});

/** Landings as notes that ring until the next, for the judgement. */
const ringing = (chart: Chart, targets: readonly TargetAnswer[]) =>
	targets.map((target, i) => ({
		...target,
		durationTicks: Math.max(1, (targets[i + 1]?.tick ?? chartTicks(chart)) - target.tick)
	}));

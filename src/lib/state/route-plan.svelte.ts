import { ontoTimed, settleOwn } from '$lib/api/route-anchors';
import { wishesOf, firstWishes, type Wishes } from '$lib/api/route-schema';
import {
	arrivalsOf,
	checkLine,
	type Approach,
	type ArrivalOption,
	type Check,
	type HandStretch,
	type Landing
} from '$core/route';
import type { Scale } from '$core/harmony';
import type { RouteAnswer } from '$lib/api/notebook-schema';
import type { NoteAnswer, PlanAnswer, TargetAnswer } from '$lib/api/plan-schema';
import type { RouteRequest } from '$lib/api/route';
import type { Planner } from '$lib/workers/planner';
import * as edit from './anchor-edit';
import { boundAnchors, requestOf, scalesUnder } from './plan-request';
import { ringing } from './ringing';
import { Refusal, store } from './api';
import type { OpenTune } from './open-tune.svelte';
import { waysOver, type OwnWays } from './own-line';
import { savedTargets } from './played-route';
import { provisionalLine } from './provisional';
import { keepWishes, keptWishes } from './route-draft';
import { RouteWishes } from './route-wishes.svelte';
import { STYLE_NAMES } from '$lib/words/styles';
import { wayNotes, type WayNote } from './ways';

/** The route that is open: wishes with undo, the plan made from them, and what is saved. */
export class RoutePlan extends RouteWishes {
	targets: readonly TargetAnswer[] = $state.raw([]);
	/** The notes of the line, landings among them; empty where landings alone are planned. */
	line: readonly NoteAnswer[] = $state.raw([]);
	/** Where the hand is, as it is planned or read off own notes; empty before the first plan. */
	hands: readonly HandStretch[] = $state.raw([]);
	arrivals: readonly (readonly ArrivalOption[])[] = $state.raw([]);
	warnings: readonly string[] = $state.raw([]);
	/** How much of a long plan is done, 0 … 1. */
	progress = $state(0);
	planning = $state(false);
	/** Why there is a plan that nobody asked for. */
	told: 'best' | 'here' | 'chart' | 'scale' | null = $state(null);
	/** The best place for a first route is looked for. */
	seeking = $state(false);
	/** The notes of a saved line whose chart has changed since: shown faintly until there is a new one. */
	old: readonly NoteAnswer[] = $state.raw([]);
	saving = $state(false);
	saved: RouteAnswer | null = $state.raw(null);
	conflict: RouteAnswer | null = $state.raw(null);
	/** The wishes that the targets were planned for. */
	private plannedFor: Wishes | null = $state.raw(null);
	readonly planned: boolean = $derived(
		this.targets.length > 0 || this.line.length > 0 || this.plannedFor !== null
	);
	/** The chart was edited after this route was planned. */
	readonly outdated: boolean = $derived.by(
		() =>
			this.saved !== null &&
			this.saved.tuneVersion < this.open.saved.version &&
			this.plannedFor === null
	);
	readonly dirty: boolean = $derived.by(() => {
		if (!this.planned) return false;
		const { saved, wishes } = this;
		const same = saved !== null && JSON.stringify(wishesOf(saved)) === JSON.stringify(wishes);
		const planned = this.plannedFor !== null ? this.open.saved.version : 0;
		return !same || saved.tuneVersion < planned;
	});

	/** The hand is in more than one place along the route. */
	readonly roams: boolean = $derived(
		new Set(this.hands.map((stretch) => stretch.position)).size > 1
	);
	/** Own notes take the hand elsewhere. */
	readonly ownHand: boolean = $derived(this.roams && this.hands.some((stretch) => stretch.own));
	/** How each landing is reached by the line; null where no note leads there. */
	readonly arrivalKinds: readonly (Approach | null)[] = $derived.by(() =>
		arrivalsOf(this.line, this.open.chart)
	);
	/** The scale that each event of the chart draws on under this route's wishes. */
	readonly scales: readonly (Scale | null)[] = $derived.by(() =>
		scalesUnder(this.open, this.wishes)
	);
	/** The judgement of what is there: the line, or the landings where they stand alone. */
	readonly check: Check | null = $derived.by(() => {
		if (!this.planned && this.line.length === 0) return null;
		const { chart, held: instrument, position } = this.open;
		const { scales } = this;
		const notes = this.line.length > 0 ? this.line : ringing(chart, this.targets);
		const { colours, home } = this.wishes.line;
		const place = this.roams ? null : position;
		const tonic = home ? this.open.key?.tonic : undefined;
		const line = { notes, colours, home: tonic };
		return checkLine({ chart, instrument, scales, position: place, ...line });
	});

	constructor(
		open: OpenTune,
		private readonly planner: () => Planner,
		route: RouteAnswer | null
	) {
		super(open);
		this.load(route);
	}

	/** What is shown was made for other wishes. */
	readonly stale: boolean = $derived.by(
		() => this.planning && this.plannedFor !== null && this.plannedFor !== this.wishes
	);

	/** Once there is a plan, every change of the wishes makes it anew. */
	protected changed(): void {
		this.told = null;
		if (this.planned) void this.plan();
	}

	/** Where the hand is at a change. */
	handAt(change: number): number {
		const { position, chart } = this.open;
		const tick = chart.changes[change]?.tick ?? 0;
		if (!this.roams && !this.hands.some((stretch) => stretch.own)) return position;
		return this.hands.findLast((stretch) => stretch.tick <= tick)?.position ?? position;
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
		this.hold(kept);
		this.open.moveTo(kept.position);
		await this.plan();
		return true;
	}

	/** Puts a saved route in place, or an empty one at the hand's place. */
	load(route: RouteAnswer | null): void {
		this.saved = route;
		this.conflict = null;
		this.plannedFor = null;
		this.told = null;
		this.warnings = [];
		this.arrivals = [];
		this.hands = [];
		const wishes = route ? wishesOf(route) : firstWishes(this.open.position);
		this.hold(wishes);
		const current = route?.tuneVersion === this.open.saved.version;
		const { timed } = this.open;
		const kept = route?.plan.notes ?? [];
		const notes = timed ? ontoTimed(timed, kept) : kept;
		this.line = current ? notes : [];
		this.old = current ? [] : notes;
		if (!route) {
			this.targets = [];
			this.history.reset(wishes);
			return;
		}
		this.open.moveTo(route.position);
		this.history.reset({ ...wishes, anchors: settleOwn(this.open.chart, wishes.anchors) });
		this.targets = savedTargets(route, this.open.chart, this.open.instrument);
	}

	private readonly byChange = $derived(
		new Map(this.targets.map((target) => [target.change, target]))
	);

	target(change: number): TargetAnswer | undefined {
		return this.byChange.get(change);
	}

	/** The ways to arrive at a change that the place allows, best first. */
	arrivalsAt(change: number): readonly ArrivalOption[] {
		const at = this.targets.findIndex((target) => target.change === change);
		return this.arrivals[at] ?? [];
	}

	/** The request that the wishes make. */
	request(): RouteRequest {
		return requestOf(this.open, this.wishes);
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
			if ('error' in outcome) {
				this.warnings = outcome.error.map((issue) => issue.message);
				return;
			}
			const { targets, notes, hands, arrivals, warnings } = outcome.value;
			this.targets = targets;
			this.line = wishes.line.grid === 'targets' && wishes.anchors.frozen.length === 0 ? [] : notes;
			this.hands = hands;
			this.arrivals = arrivals;
			this.warnings = warnings;
			this.plannedFor = wishes;
			this.told = null;
			this.old = [];
		} finally {
			this.planning = false;
		}
	}

	/** Learns the hand's places and the ways to arrive of a line that was loaded, without making it anew. */
	async learnArrivals(): Promise<void> {
		if (this.line.length === 0 || this.hands.length > 0 || this.outdated) return;
		const { line } = this;
		const outcome = await this.planner().plan(this.request());
		if (!outcome || 'error' in outcome || this.line !== line) return;
		this.hands = outcome.value.hands;
		const same = outcome.value.notes.length === line.length;
		if (same && outcome.value.notes.every((note, i) => note.tick === line[i].tick)) {
			this.arrivals = outcome.value.arrivals;
		}
	}

	landings(change: number): Promise<Landing[] | null> {
		return this.planner().landings(this.request(), change);
	}

	/** Up to five truly different plans for these wishes, cheapest first. */
	async alternatives(): Promise<PlanAnswer['plans']> {
		const outcome = await this.planner().alternatives(this.request(), 5);
		return outcome && 'value' in outcome ? outcome.value : [];
	}

	toggleLock(change: number): void {
		const target = this.target(change);
		if (this.isLocked(change)) this.fix(edit.unlock(this.wishes.anchors, this.open, change));
		else if (target) this.lockAt(change, target);
	}

	/** Keeps the way after a change as it is, or lets it be planned again. */
	toggleFrozen(change: number): void {
		if (this.isFrozen(change)) this.fix(edit.thaw(this.wishes.anchors, this.open, change));
		else this.setWays([[change, wayNotes(this.open.chart, this.line, change)]]);
	}

	/** Sets the notes of several ways, which stay as they are when the rest is planned (see `setWays`). */
	setWays(
		ways: readonly (readonly [number, readonly WayNote[]])[],
		silent: readonly number[] = []
	): void {
		this.show(ways, silent);
		this.fix(edit.setWays(this.wishes.anchors, this.open, ways, silent));
	}

	/** Shows edited ways at once, before they are planned. */
	private show(
		ways: readonly (readonly [number, readonly WayNote[]])[],
		silent: readonly number[]
	): void {
		const { chart, held: instrument } = this.open;
		const context = { chart, instrument, scales: this.scales };
		this.line = provisionalLine(context, this.line, ways, silent);
	}

	/** Puts own notes in place of what stands between two ticks; with them the route becomes a line. */
	async write({ ways, silent, air }: OwnWays): Promise<void> {
		const { line, anchors } = this.wishes;
		this.show(ways, silent);
		const next: Wishes = {
			...this.wishes,
			line: line.grid === 'targets' ? { ...line, grid: 'eighth' } : line,
			anchors: edit.setWays(anchors, this.open, ways, silent, air)
		};
		this.history.push(next);
		await this.plan();
	}

	/** Own notes laid over stretches of the line. */
	laid(
		over: Parameters<typeof waysOver>[2],
		notes: Parameters<typeof waysOver>[3],
		air: readonly number[] = []
	): OwnWays {
		return waysOver(this.open.chart, this.line, over, notes, air, (tick) => this.ownsAt(tick));
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
		const anchors = boundAnchors(this.open, this.wishes.anchors);
		const body: Wishes = { ...this.wishes, anchors, name: this.name };
		try {
			const { saved } = this;
			const fresh = `/api/v1/tunes/${this.open.saved.id}/routes`;
			this.saved = await store<RouteAnswer>(saved, '/api/v1/routes', body, fresh);
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

import { anchorOf, changeAt, sameAnchor, type Landing, type Style } from '$core/route';
import { toneAt } from '$core/chord';
import { inWindow, pitchAt, type Place } from '$core/neck';
import type { RouteAnswer, RouteInput } from '$lib/api/notebook-schema';
import type { PlanInput, TargetAnswer } from '$lib/api/plan-schema';
import { instrumentInputOf } from '$lib/api/resolve';
import type { Planner } from '$lib/workers/planner';
import { Refusal, send } from './api';
import { History } from './history.svelte';
import type { OpenTune } from './open-tune.svelte';
import { keepWishes, keptWishes } from './route-draft';

/** What the player decides about a route; everything else follows from it. */
export type Wishes = Pick<RouteInput, 'name' | 'position' | 'style' | 'anchors'>;

const EMPTY = { locks: [], letPass: [] };
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
	roots: { name: 'Roots', short: 'Roots', says: 'Every root: sure, but it jumps.' }
};

/** The route that is open: wishes with undo, the plan made from them, and what is saved. */
export class RoutePlan {
	readonly history: History<Wishes>;
	targets: readonly TargetAnswer[] = $state.raw([]);
	warnings: readonly string[] = $state.raw([]);
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

	constructor(
		private readonly open: OpenTune,
		private readonly planner: () => Planner,
		route: RouteAnswer | null
	) {
		this.history = new History<Wishes>({
			name: '',
			position: open.position,
			style: 'guide-tones',
			anchors: EMPTY
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
		if (!route) {
			this.targets = [];
			const { position } = this.open;
			this.history.reset({ name: '', position, style: 'guide-tones', anchors: EMPTY });
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
		const anchor = this.anchor(change);
		return (
			anchor !== null && this.wishes.anchors.letPass.some((other) => sameAnchor(other, anchor))
		);
	}

	private anchor(change: number) {
		const at = this.open.chart.changes[change];
		return at ? anchorOf(at) : null;
	}

	private lockOf(change: number) {
		const anchor = this.anchor(change);
		return anchor ? this.wishes.anchors.locks.find((lock) => sameAnchor(lock, anchor)) : undefined;
	}

	/** The request that the wishes make; anchors that the chart no longer has do not bind. */
	input(): PlanInput & { position: number } {
		const { chart } = this.open;
		const { position, style, anchors } = this.wishes;
		const locks = anchors.locks.flatMap((lock) => {
			const change = changeAt(chart, lock);
			return change ? [{ change: change.index, string: lock.string, fret: lock.fret }] : [];
		});
		const letPass = anchors.letPass.flatMap((anchor) => changeAt(chart, anchor)?.index ?? []);
		const { saved, player } = this.open;
		const instrument = instrumentInputOf(chart, player.instruments);
		const { chart: text } = saved;
		return { chart: text, instrument, position, style, grid: 'targets', locks, letPass };
	}

	/** Plans the wishes. Throws nothing: what is wrong comes back as warnings. */
	async plan(): Promise<void> {
		const { wishes } = this;
		this.planning = true;
		try {
			const outcome = await this.planner().plan(this.input());
			if (!outcome) return;
			if ('issues' in outcome) {
				this.warnings = outcome.issues.map((issue) => issue.message);
				return;
			}
			this.targets = outcome.value.plans[0].targets;
			this.warnings = outcome.value.warnings.map((warning) => warning.message);
			this.plannedFor = wishes;
		} finally {
			this.planning = false;
		}
	}

	landings(change: number): Promise<Landing[] | null> {
		return this.planner().landings(this.input(), change);
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

	/** Moves the hand; locks that lie outside the new place are given up. Returns how many. */
	setPosition(position: number): number {
		if (position === this.wishes.position) return 0;
		const { anchors } = this.wishes;
		const locks = anchors.locks.filter((lock) => inWindow(this.open.instrument, position, lock));
		this.wish({ position, anchors: { ...anchors, locks } });
		return anchors.locks.length - locks.length;
	}

	/** Fixes a change to a place, which must sound a tone of its chord; the rest adapts. */
	lockAt(change: number, place: Place): void {
		const anchor = this.anchor(change);
		const chord = this.open.chart.changes[change]?.to.chord;
		if (!anchor || !chord || !toneAt(chord, pitchAt(this.open.instrument, place))) return;
		const { locks, letPass } = this.wishes.anchors;
		this.wish({
			anchors: {
				locks: [
					...locks.filter((lock) => !sameAnchor(lock, anchor)),
					{ ...anchor, string: place.string, fret: place.fret }
				],
				letPass: letPass.filter((other) => !sameAnchor(other, anchor))
			}
		});
	}

	unlock(change: number): void {
		const anchor = this.anchor(change);
		if (!anchor) return;
		const { locks, letPass } = this.wishes.anchors;
		this.wish({ anchors: { letPass, locks: locks.filter((lock) => !sameAnchor(lock, anchor)) } });
	}

	toggleLock(change: number): void {
		const target = this.target(change);
		if (this.isLocked(change)) this.unlock(change);
		else if (target) this.lockAt(change, target);
	}

	toggleLetPass(change: number): void {
		const anchor = this.anchor(change);
		if (!anchor) return;
		const { locks, letPass } = this.wishes.anchors;
		this.wish({
			anchors: this.isLetPass(change)
				? { locks, letPass: letPass.filter((other) => !sameAnchor(other, anchor)) }
				: {
						locks: locks.filter((lock) => !sameAnchor(lock, anchor)),
						letPass: [...letPass, anchor]
					}
		});
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
		const body: Wishes = { ...this.wishes, name: this.name };
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

const wishesOf = ({ name, position, style, anchors }: RouteAnswer): Wishes => ({
	name,
	position,
	style,
	anchors
});

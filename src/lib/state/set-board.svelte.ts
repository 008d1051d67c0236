import type { SetAnswer } from '$lib/api/notebook-schema';
import { Refusal, send } from './api';

/** What the board needs of a tune. */
type Tune = { readonly id: string; readonly title: string };

/** Tunes that stand together: in a set, or (`set` null) outside all of them. */
export type Group<T extends Tune> = {
	readonly set: Omit<SetAnswer, 'tuneIds' | 'createdAt' | 'updatedAt'> | null;
	readonly tunes: readonly T[];
};
type Order = ReadonlyMap<string, readonly string[]>;

/** The board of groups as the notebook tells it. */
export function groupsOf<T extends Tune>(
	tunes: readonly T[],
	sets: readonly SetAnswer[]
): Group<T>[] {
	const byId = new Map(tunes.map((tune) => [tune.id, tune]));
	const inSets = new Set(sets.flatMap(({ tuneIds }) => tuneIds));
	return [
		...sets.map(({ id, name, note, version, tuneIds }) => ({
			set: { id, name, note, version },
			tunes: tuneIds.flatMap((tuneId) => byId.get(tuneId) ?? [])
		})),
		{ set: null, tunes: tunes.filter(({ id }) => !inSets.has(id)) }
	];
}

/**
 * The tunes of the notebook in their sets, which the player arranges by dragging or by keys. What is dropped
 * is saved set by set, each by its version; a save that is refused shows what stands there by now.
 */
export class SetBoard<T extends Tune> {
	groups: readonly Group<T>[] = $state.raw([]);
	/** Something is being dragged. */
	dragging = $state(false);
	private all: readonly T[] = [];
	private saved: Order = new Map();
	private waiting = 0;
	private queue: Promise<unknown> = Promise.resolve();

	/**
	 * @param ondone called when an arrangement is saved, with what puts it back
	 * @param onrefused called with the reason when it is not; the board should be shown anew
	 */
	constructor(
		private readonly ondone: (told: string, undo: () => Promise<void>) => void,
		private readonly onrefused: (reason: string) => void
	) {}

	/** Shows what the notebook holds, but not in the middle of what the player does. */
	show(tunes: readonly T[], sets: readonly SetAnswer[]): void {
		if (this.dragging || this.waiting > 0) return;
		this.all = tunes;
		this.groups = groupsOf(tunes, sets);
		this.saved = this.order();
	}

	/** Lays the tunes of a group while they are dragged; a tune stands in a set once. */
	lay(setId: string | null, tunes: readonly T[]): void {
		const once = tunes.filter(({ id }, i) => tunes.findIndex((tune) => tune.id === id) === i);
		this.groups = this.groups.map((group) =>
			(group.set?.id ?? null) === setId ? { ...group, tunes: once } : group
		);
	}

	/**
	 * Moves a tune by one place, at an end into the next group.
	 * @param by 1 is down, -1 up
	 * @returns whether there was anywhere to go
	 */
	step(tuneId: string, setId: string | null, by: 1 | -1): boolean {
		const at = this.groups.findIndex(({ set }) => (set?.id ?? null) === setId);
		const { tunes } = this.groups[at];
		const from = tunes.findIndex(({ id }) => id === tuneId);
		if (from < 0) return false;
		const to = from + by;
		// Outside the sets the order is that of writing.
		if (setId !== null && to >= 0 && to < tunes.length) {
			const moved = [...tunes];
			[moved[from], moved[to]] = [moved[to], moved[from]];
			this.lay(setId, moved);
			return true;
		}
		const next = this.groups.at(at + by < 0 ? this.groups.length : at + by);
		if (!next) return false;
		this.lay(
			setId,
			tunes.filter(({ id }) => id !== tuneId)
		);
		const others = next.tunes.filter(({ id }) => id !== tuneId);
		this.lay(next.set?.id ?? null, by > 0 ? [tunes[from], ...others] : [...others, tunes[from]]);
		return true;
	}

	/** Saves what was laid; sets that are as they were are left alone. */
	save(told: string): Promise<void> {
		const inSets = new Set(
			this.groups.flatMap(({ set, tunes }) => (set ? tunes.map(({ id }) => id) : []))
		);
		this.lay(
			null,
			this.all.filter(({ id }) => !inSets.has(id))
		);
		const before = this.saved;
		const after = this.order();
		this.saved = after;
		const changed = [...after].filter(
			([id, tunes]) => tunes.join() !== (before.get(id) ?? []).join()
		);
		if (changed.length === 0) return Promise.resolve();
		this.waiting++;
		const run = async () => {
			try {
				for (const [id, tuneIds] of changed) await this.put(id, tuneIds);
				this.waiting--;
				this.ondone(told, () => this.putBack(before, changed));
			} catch (error) {
				this.waiting--;
				this.onrefused(error instanceof Refusal ? error.message : String(error));
			}
		};
		return (this.queue = this.queue.then(run)) as Promise<void>;
	}

	private async putBack(
		before: Order,
		changed: readonly (readonly [string, readonly string[]])[]
	): Promise<void> {
		for (const [id] of changed) await this.put(id, before.get(id) ?? []);
	}

	private async put(id: string, tuneIds: readonly string[]): Promise<void> {
		const set = this.groups.find((group) => group.set?.id === id)?.set;
		if (!set) return;
		const { name, note, version } = set;
		const answer = await send<SetAnswer>('PUT', `/api/v1/sets/${id}`, {
			...{ name, note, version, tuneIds }
		});
		this.groups = this.groups.map((group) =>
			group.set?.id === id ? { ...group, set: { ...group.set, version: answer.version } } : group
		);
	}

	private order(): Order {
		return new Map(
			this.groups.flatMap(({ set, tunes }) =>
				set ? [[set.id, tunes.map(({ id }) => id)] as const] : []
			)
		);
	}
}

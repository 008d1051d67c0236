/**
 * Undo and redo over immutable states, without limit.
 * @example const h = new History({ n: 0 }); h.push({ n: 1 }); h.undo(); // h.current.n is 0
 */
export class History<T> {
	private past: T[] = $state.raw([]);
	private future: T[] = $state.raw([]);
	current: T;

	constructor(start: T) {
		this.current = $state.raw(start);
	}

	get canUndo(): boolean {
		return this.past.length > 0;
	}

	get canRedo(): boolean {
		return this.future.length > 0;
	}

	push(next: T): void {
		this.past = [...this.past, this.current];
		this.future = [];
		this.current = next;
	}

	/** Puts a state in place without a step to undo, as after loading. */
	reset(state: T): void {
		this.past = [];
		this.future = [];
		this.current = state;
	}

	undo(): void {
		const before = this.past.at(-1);
		if (before === undefined) return;
		this.past = this.past.slice(0, -1);
		this.future = [this.current, ...this.future];
		this.current = before;
	}

	redo(): void {
		const [after] = this.future;
		if (after === undefined) return;
		this.future = this.future.slice(1);
		this.past = [...this.past, this.current];
		this.current = after;
	}
}

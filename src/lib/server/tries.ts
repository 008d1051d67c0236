/** Tries in a window of time: a few from each address, more from all together. */
export class Tries {
	private from = new Map<string, number[]>();

	constructor(
		private readonly each = 5,
		private readonly all = 60,
		private readonly windowMs = 60_000
	) {}

	/**
	 * Counts a try.
	 * @param now milliseconds
	 * @returns 0, or the seconds to wait when there were too many; such a try does not count
	 */
	take(address: string, now = Date.now()): number {
		const since = now - this.windowMs;
		for (const [key, times] of this.from) {
			const left = times.filter((time) => time > since);
			if (left.length > 0) this.from.set(key, left);
			else this.from.delete(key);
		}
		const own = this.from.get(address) ?? [];
		const every = [...this.from.values()].flat().sort((a, b) => a - b);
		const full = own.length >= this.each ? own : every.length >= this.all ? every : null;
		if (full) return Math.max(1, Math.ceil((full[0] - since) / 1000));
		this.from.set(address, [...own, now]);
		return 0;
	}

	/** Forgets the tries of an address that succeeded. */
	forget(address: string): void {
		this.from.delete(address);
	}
}

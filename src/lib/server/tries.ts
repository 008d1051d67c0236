import { isIPv6 } from 'node:net';

/** Addresses that are remembered at most; beyond them the one that tried longest ago is forgotten. */
const MOST_ADDRESSES = 10_000;

/** Who tries: an address, of IPv6 its network, of which one machine may have every address. */
const whoOf = (address: string): string =>
	isIPv6(address) && !address.includes('.') ? address.split(':').slice(0, 4).join(':') : address;

/** A few tries from each address in a window of time: who guesses slows down nobody else. */
export class Tries {
	private from = new Map<string, number[]>();

	constructor(
		private readonly each = 5,
		private readonly windowMs = 60_000
	) {}

	/**
	 * Counts a try.
	 * @param now milliseconds
	 * @returns 0, or the seconds to wait when there were too many; such a try does not count
	 */
	take(address: string, now = Date.now()): number {
		const who = whoOf(address);
		const since = now - this.windowMs;
		const own = (this.from.get(who) ?? []).filter((time) => time > since);
		// Who tried last stands at the end.
		this.from.delete(who);
		const full = own.length >= this.each;
		this.from.set(who, full ? own : [...own, now]);
		const [oldest] = this.from.keys();
		if (this.from.size > MOST_ADDRESSES) this.from.delete(oldest);
		return full ? Math.max(1, Math.ceil((own[0] - since) / 1000)) : 0;
	}

	/** Forgets the tries of an address that succeeded. */
	forget(address: string): void {
		this.from.delete(whoOf(address));
	}
}

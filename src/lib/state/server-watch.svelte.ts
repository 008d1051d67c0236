/** How often a server that does not answer is asked again, in ms. */
const AGAIN_MS = 2000;

/** Whether the server answers; while it does not it is asked again and again, until it is back. */
class ServerWatch {
	away = $state(false);
	private readonly waiting = new Set<() => void>();

	/** Something got no answer. */
	lost(): void {
		if (this.away) return;
		this.away = true;
		void this.ask();
	}

	/** Calls back whenever the server is there again. @returns what ends that */
	onback(call: () => void): () => void {
		this.waiting.add(call);
		return () => this.waiting.delete(call);
	}

	private async ask(): Promise<void> {
		const answer = await fetch('/healthz', { cache: 'no-store' }).catch(() => null);
		if (!answer?.ok) {
			setTimeout(() => void this.ask(), AGAIN_MS);
			return;
		}
		this.away = false;
		for (const call of this.waiting) call();
	}
}

export const serverWatch = new ServerWatch();

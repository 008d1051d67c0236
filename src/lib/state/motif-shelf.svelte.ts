import type { Motif } from '$core/phrase';
import type { MotifAnswer } from '$lib/api/notebook-schema';
import { send, store } from './api';

/** The stored motifs, and the one that is worked on. */
export class MotifShelf {
	motifs: readonly MotifAnswer[] = $state.raw([]);
	/** The stored motif that the one on the desk came from. */
	from: MotifAnswer | null = $state.raw(null);

	constructor(motifs: readonly MotifAnswer[]) {
		this.motifs = motifs;
	}

	/** Stores a motif: over the one that it came from, or as a new one. Throws Refusal. */
	async store(name: string, motif: Motif, fresh: boolean): Promise<void> {
		const over = fresh ? null : this.from;
		const saved = await store<MotifAnswer>(over, '/api/v1/motifs', { name, motif });
		this.motifs = this.motifs.some((entry) => entry.id === saved.id)
			? this.motifs.map((entry) => (entry.id === saved.id ? saved : entry))
			: [...this.motifs, saved];
		this.from = saved;
	}

	async remove(motif: MotifAnswer): Promise<void> {
		await send('DELETE', `/api/v1/motifs/${motif.id}`);
		this.motifs = this.motifs.filter((entry) => entry.id !== motif.id);
		if (this.from?.id === motif.id) this.from = null;
	}

	/** Undoes a deletion; what lies on the desk stays there. */
	async bringBack(motif: MotifAnswer): Promise<void> {
		const back = await send<MotifAnswer>('POST', `/api/v1/motifs/${motif.id}/undelete`);
		this.motifs = [...this.motifs, back].sort(
			(a, b) => a.createdAt.localeCompare(b.createdAt) || a.id.localeCompare(b.id)
		);
	}
}

import type { Result } from '$core/kernel';
import type { CardAnswer, CardDrill } from '$lib/api/practice-schema';
import { Refusal, send } from '../api';

/** The cards of a tune as the Drill screen knows them: one for each place and key that was drilled. */
export class DrillCards {
	constructor(
		private readonly tuneId: string,
		private cards: readonly CardAnswer[]
	) {}

	/** @param key a tonic; null is the tune's own key */
	at(position: number, key: string | null): CardAnswer | undefined {
		return this.cards.find((card) => card.position === position && card.key === (key ?? ''));
	}

	/** A card as the server has it now. */
	keep(card: CardAnswer): void {
		this.cards = [...this.cards.filter(({ id }) => id !== card.id), card];
	}

	/** Keeps a drill with the card of its place and key. @returns the card, or why it could not be kept */
	async save(drill: CardDrill): Promise<Result<CardAnswer, string>> {
		try {
			const body = { tuneId: this.tuneId, drill };
			const card = await send<CardAnswer>('POST', '/api/v1/cards', body);
			this.keep(card);
			return { value: card };
		} catch (error) {
			return { error: error instanceof Refusal ? error.message : 'The drill could not be kept.' };
		}
	}
}

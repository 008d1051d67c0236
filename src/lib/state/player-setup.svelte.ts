import { offeringBack } from './deletion';
import type { InstrumentAnswer, PlayerAnswer, PlayerInput } from '$lib/api/notebook-schema';
import type { InstrumentRecord } from '$lib/api/own-schema';
import { toast } from 'svelte-sonner';
import { Refusal, send } from './api';

const ROOT = '/api/v1/instruments';

/** The player's hand, own scales and own instruments, as the server keeps them. */
export class PlayerStore {
	player: PlayerAnswer;
	instruments: readonly InstrumentAnswer[] = $state.raw([]);

	constructor(player: PlayerAnswer, instruments: readonly InstrumentAnswer[]) {
		this.player = $state.raw(player);
		this.instruments = instruments;
	}

	/** Saves the hand and the scales; true when that is done. A newer setting from elsewhere is taken first. */
	async savePlayer(change: Partial<PlayerInput>): Promise<boolean> {
		const { handMm, scales, version } = this.player;
		const body = { handMm, scales, ...change, version };
		return this.try(
			async () => {
				this.player = await send<PlayerAnswer>('PUT', '/api/v1/player', body);
			},
			(newer) => (this.player = newer as PlayerAnswer)
		);
	}

	async addInstrument(record: InstrumentRecord): Promise<boolean> {
		return this.try(async () => {
			const added = await send<InstrumentAnswer>('POST', ROOT, record);
			this.instruments = [...this.instruments, added];
		});
	}

	async changeInstrument(old: InstrumentAnswer, record: InstrumentRecord): Promise<boolean> {
		const put = (entry: InstrumentAnswer) => {
			this.instruments = this.instruments.map((other) => (other.id === entry.id ? entry : other));
		};
		const body = { ...record, version: old.version };
		return this.try(
			async () => put(await send<InstrumentAnswer>('PUT', `${ROOT}/${old.id}`, body)),
			(newer) => put(newer as InstrumentAnswer)
		);
	}

	/** Takes an instrument away; a toast brings it back. */
	removeInstrument(old: InstrumentAnswer): Promise<boolean> {
		return offeringBack(
			`${old.name} is gone.`,
			async () => {
				await send('DELETE', `${ROOT}/${old.id}`);
				this.instruments = this.instruments.filter((entry) => entry.id !== old.id);
			},
			async () => {
				const back = await send<InstrumentAnswer>('POST', `${ROOT}/${old.id}/undelete`);
				this.instruments = [...this.instruments, back].sort((a, b) =>
					a.createdAt.localeCompare(b.createdAt)
				);
			}
		);
	}

	private async try(work: () => Promise<void>, take?: (newer: unknown) => void): Promise<boolean> {
		try {
			await work();
			return true;
		} catch (error) {
			if (!(error instanceof Refusal)) throw error;
			if (error.status === 409 && error.current && take) {
				take(error.current);
				toast(
					'This was changed elsewhere; the newest is shown now. Do it again if you still want it.'
				);
			} else toast(error.message);
			return false;
		}
	}
}

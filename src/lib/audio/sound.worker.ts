import { expose, transfer } from 'comlink';
import { writeWav } from '$core/formats';
import { playBacking, type BackingRequest } from './backing';
import { fetchBank, type Bank } from './bank';
import { mix } from './mix';
import { renderVoice, type Voice } from './voices';

/** A note of a voice that is wanted as samples. */
export type VoiceKey = {
	readonly voice: Voice;
	readonly midi: number;
	readonly layer: number;
};

export type SoundWorker = {
	voices: (keys: readonly VoiceKey[], rate: number) => Promise<Float32Array<ArrayBuffer>[]>;
	wav: (
		request: BackingRequest,
		progress: (share: number) => unknown
	) => Promise<Uint8Array<ArrayBuffer>>;
};

let bank: Promise<Bank> | null = null;
const loaded = (): Promise<Bank> => {
	bank ??= fetchBank().catch((error: unknown) => {
		bank = null;
		throw error;
	});
	return bank;
};

/** Samples a second of a rendered file, and seconds that the last chord has to ring. */
const WAV_RATE = 44_100;
const RING = 2.5;

const worker: SoundWorker = {
	async voices(keys, rate) {
		const sounds = await loaded();
		const rendered = keys.map(({ voice, midi, layer }) =>
			renderVoice(sounds, voice, midi, layer, rate)
		);
		return transfer(
			rendered,
			rendered.map((samples) => samples.buffer)
		);
	},
	async wav(request, progress) {
		const sounds = await loaded();
		const { notes, seconds, voice } = playBacking(request);
		const { faders } = request;
		const mixed = { notes, seconds: seconds + RING, rate: WAV_RATE, chords: voice, faders };
		for (const step of mix(sounds, mixed)) {
			await progress(step.share);
			if (step.sides) {
				const bytes = writeWav(step.sides, WAV_RATE);
				return transfer(bytes, [bytes.buffer]);
			}
		}
		throw new Error('Nothing was mixed.');
	}
};
expose(worker);

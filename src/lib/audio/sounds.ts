import { proxy, wrap, type Remote } from 'comlink';
import type { BackingRequest } from './backing';
import type { SoundWorker, VoiceKey } from './sound.worker';

type Opened = { readonly worker: Worker; readonly remote: Remote<SoundWorker> };

function open(): Opened {
	const worker = new Worker(new URL('./sound.worker.ts', import.meta.url), { type: 'module' });
	return { worker, remote: wrap<SoundWorker>(worker) };
}

let voices: Opened | null = null;

/** Renders notes of the band's voices beside the page; samples in the order of the keys. */
export function renderVoices(
	keys: readonly VoiceKey[],
	rate: number
): Promise<Float32Array<ArrayBuffer>[]> {
	voices ??= open();
	return voices.remote.voices(keys, rate);
}

/** A rendering that can be given up. `done` is null when it was. */
export type Rendering = {
	readonly done: Promise<Uint8Array<ArrayBuffer> | null>;
	readonly cancel: () => void;
};

/** Renders a backing to a WAV file in a worker of its own, which says how far it is. */
export function renderWav(request: BackingRequest, progress: (share: number) => void): Rendering {
	const { worker, remote } = open();
	let giveUp: (value: null) => void = () => {};
	const given = new Promise<null>((resolve) => (giveUp = resolve));
	const done = Promise.race([remote.wav(request, proxy(progress)), given]).finally(() =>
		worker.terminate()
	);
	return { done, cancel: () => giveUp(null) };
}

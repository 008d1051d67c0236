import { proxy, transfer, wrap, type Remote } from 'comlink';
import type { PlayedEvent } from '$core/practice';
import type { HeardPiece, HearWorker } from './hear.worker';

function open(): { readonly worker: Worker; readonly remote: Remote<HearWorker> } {
	const worker = new Worker(new URL('./hear.worker.ts', import.meta.url), { type: 'module' });
	return { worker, remote: wrap<HearWorker>(worker) };
}

/** Listens to a port beside the page. @returns what stops it */
export function hearPort(
	port: MessagePort,
	rate: number,
	tell: (piece: HeardPiece) => void
): () => void {
	const { worker, remote } = open();
	void remote.listen(transfer(port, [port]), rate, proxy(tell));
	return () => worker.terminate();
}

/** A recording that is listened to. `done` is null when it was given up. */
export type Hearing = {
	readonly done: Promise<readonly PlayedEvent[] | null>;
	readonly cancel: () => void;
};

/** Finds the notes of a recording in a worker of its own. @param samples one channel; they are given away */
export function hearSamples(
	samples: Float32Array<ArrayBuffer>,
	rate: number,
	progress: (share: number) => void
): Hearing {
	const { worker, remote } = open();
	let giveUp: (value: null) => void = () => {};
	const given = new Promise<null>((resolve) => (giveUp = resolve));
	const heard = remote.recording(transfer(samples, [samples.buffer]), rate, proxy(progress));
	const done = Promise.race([heard, given]).finally(() => worker.terminate());
	return { done, cancel: () => giveUp(null) };
}

import { expose } from 'comlink';
import {
	hearRecording,
	NoteTracker,
	type Heard,
	type Meter,
	type PlayedEvent
} from '$core/practice';

/** What was heard in a piece; `begins` is the second of the audio clock of the first sample. */
export type HeardPiece = {
	readonly heard: readonly Heard[];
	readonly meter: Meter;
	readonly begins: number;
};

export type HearWorker = {
	/** Listens to the samples that come out of a port. */
	listen: (port: MessagePort, rate: number, tell: (piece: HeardPiece) => unknown) => void;
	/** Finds the notes of a whole recording; says the share that is done. */
	recording: (
		samples: Float32Array,
		rate: number,
		progress: (share: number) => unknown
	) => Promise<readonly PlayedEvent[]>;
};

/** Pieces between two words about the level. */
const METER_EVERY = 8;

const worker: HearWorker = {
	listen(port, rate, tell) {
		const tracker = new NoteTracker(rate);
		let begins: number | null = null;
		let pieces = 0;
		port.onmessage = ({ data }: MessageEvent<number | Float32Array>) => {
			if (typeof data === 'number') {
				begins = data;
				return;
			}
			const heard = tracker.feed(data);
			if (heard.length > 0 || pieces++ % METER_EVERY === 0) {
				void tell({ heard, meter: tracker.meter, begins: begins ?? 0 });
			}
		};
	},
	async recording(samples, rate, progress) {
		let events: readonly PlayedEvent[] = [];
		for (const step of hearRecording(samples, rate)) {
			await progress(step.share);
			events = step.events ?? events;
		}
		return events;
	}
};
expose(worker);

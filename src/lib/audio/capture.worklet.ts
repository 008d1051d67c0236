/** What an audio worklet knows; the types of the page do not. */
declare const currentTime: number;
declare const registerProcessor: (name: string, processor: unknown) => void;
declare class AudioWorkletProcessor {
	readonly port: MessagePort;
}

/** Samples that are gathered before they are sent on. */
const PIECE = 512;

/**
 * Sends what goes in to the port that it is given: pieces of samples, and at first the second of the audio
 * clock of the very first one.
 */
class Capture extends AudioWorkletProcessor {
	private out: MessagePort | null = null;
	private piece = new Float32Array(PIECE);
	private filled = 0;
	private begun = false;

	constructor() {
		super();
		this.port.onmessage = ({ data }: MessageEvent<MessagePort>) => (this.out = data);
	}

	process([[samples]]: Float32Array[][]): boolean {
		const { out } = this;
		if (!out || !samples) return true;
		if (!this.begun) {
			this.begun = true;
			out.postMessage(currentTime);
		}
		for (const sample of samples) {
			this.piece[this.filled++] = sample;
			if (this.filled < PIECE) continue;
			out.postMessage(this.piece, [this.piece.buffer]);
			this.piece = new Float32Array(PIECE);
			this.filled = 0;
		}
		return true;
	}
}
registerProcessor('arc-step-capture', Capture);

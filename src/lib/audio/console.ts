import { PARTS, type Part } from '$core/band';
import { Convolver, Gain, Panner, WaveShaper, type BaseContext } from 'tone';
import { DESK, faderGain, soften, type Faders } from './desk';
import { roomResponse } from './room';

/** Seconds in which a fader moves to its place: no click, no wait. */
const GLIDE = 0.03;
/** The last step takes in this much before it bends peaks down. */
const HEADROOM = 4;

/** The desk live: one channel a part, the room, the soft end of the mix. */
export class Console {
	private readonly channels: Record<Part, Gain>;
	private readonly nodes: { dispose: () => unknown }[] = [];

	constructor(
		private readonly context: BaseContext,
		faders: Faders
	) {
		const end = new WaveShaper({
			context,
			mapping: (x: number) => soften(x * HEADROOM),
			length: 8192
		});
		const into = new Gain({ context, gain: 1 / HEADROOM });
		into.chain(end, context.destination);
		const [left, right] = roomResponse(context.sampleRate);
		const response = context.createBuffer(2, left.length, context.sampleRate);
		response.copyToChannel(left, 0);
		response.copyToChannel(right, 1);
		const room = new Convolver({ context, normalize: false, url: response });
		room.connect(into);
		this.nodes.push(end, into, room);
		const channel = (part: Part): Gain => {
			const fader = new Gain({ context, gain: faderGain(faders, part) });
			// A panner of equal power takes 3 dB off the middle; the desk counts from the middle.
			const level = new Gain({ context, gain: Math.SQRT2 });
			const pan = new Panner({ context, pan: DESK[part].pan });
			const send = new Gain({ context, gain: DESK[part].room });
			fader.chain(level, pan, into);
			fader.chain(send, room);
			this.nodes.push(fader, level, pan, send);
			return fader;
		};
		this.channels = Object.fromEntries(PARTS.map((part) => [part, channel(part)])) as Record<
			Part,
			Gain
		>;
	}

	/** Where the notes of a part go. */
	channel(part: Part): Gain {
		return this.channels[part];
	}

	set(faders: Faders): void {
		const now = this.context.currentTime;
		for (const part of PARTS) {
			const { gain } = this.channels[part];
			gain.cancelScheduledValues(now);
			gain.setTargetAtTime(faderGain(faders, part), now, GLIDE / 3);
		}
	}

	dispose(): void {
		for (const node of this.nodes) node.dispose();
	}
}

import { pluck } from './pluck';

/** Loudness of a touched note, 0 … 1: well under a guitar in the room. */
const LEVEL = 0.32;

let context: AudioContext | null = null;
const buffers = new Map<number, AudioBuffer>();
let sounding: GainNode | null = null;

function bufferOf(audio: AudioContext, midi: number): AudioBuffer {
	const known = buffers.get(midi);
	if (known) return known;
	const samples = pluck(midi, audio.sampleRate);
	const buffer = audio.createBuffer(1, samples.length, audio.sampleRate);
	buffer.copyToChannel(samples, 0);
	buffers.set(midi, buffer);
	return buffer;
}

/**
 * Sounds one short plucked note; the one before is damped. Call it out of a click or a key, or the browser
 * keeps silent. Without sound in the browser nothing happens.
 */
export function touch(midi: number): void {
	if (typeof AudioContext === 'undefined' || midi < 12 || midi > 108) return;
	context ??= new AudioContext({ latencyHint: 'interactive' });
	const audio = context;
	if (audio.state === 'suspended') void audio.resume();
	const now = audio.currentTime;
	sounding?.gain.setTargetAtTime(0, now, 0.015);
	const gain = audio.createGain();
	gain.gain.value = LEVEL;
	const source = audio.createBufferSource();
	source.buffer = bufferOf(audio, midi);
	source.connect(gain).connect(audio.destination);
	source.onended = () => gain.disconnect();
	source.start();
	sounding = gain;
}

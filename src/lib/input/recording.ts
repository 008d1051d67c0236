import type { PlayedEvent } from '$core/practice';
import { hearSamples, type Hearing } from '$lib/workers/hearing';

/** The most that is read of a file: half an hour of stereo. */
const MOST_BYTES = 400 * 1024 * 1024;

/** Why a recording cannot be judged. */
export class RecordingTrouble extends Error {}

const isMidi = (bytes: Uint8Array): boolean =>
	String.fromCharCode(...bytes.subarray(0, 4)) === 'MThd';

/** The notes of a MIDI file, whatever its tracks, in ms from its start. */
async function readMidi(bytes: Uint8Array): Promise<PlayedEvent[]> {
	const { parseMidi } = await import('midi-file');
	const { readNotes } = await import('$core/formats');
	try {
		return readNotes(parseMidi(bytes));
	} catch {
		throw new RecordingTrouble('This MIDI file is broken: its tracks cannot be read.');
	}
}

/** One channel out of many. */
function mono(buffer: AudioBuffer): Float32Array<ArrayBuffer> {
	const samples = new Float32Array(buffer.length);
	for (let channel = 0; channel < buffer.numberOfChannels; channel++) {
		const data = buffer.getChannelData(channel);
		for (let i = 0; i < samples.length; i++) samples[i] += data[i] / buffer.numberOfChannels;
	}
	return samples;
}

/** A file that is being listened to. */
export type ReadingFile = {
	/** Null when it was given up. @throws RecordingTrouble */
	readonly done: Promise<readonly PlayedEvent[] | null>;
	readonly cancel: () => void;
};

/**
 * Finds the notes of a file: of a MIDI file those that it names, of any audio that this browser decodes
 * those that are heard.
 * @param progress told the share that is done, 0 … 1
 */
export function readRecording(file: File, progress: (share: number) => void): ReadingFile {
	let hearing: Hearing | null = null;
	let given = false;
	const done = (async () => {
		if (file.size > MOST_BYTES) {
			throw new RecordingTrouble('This file has more than 400 MiB: cut it to one take.');
		}
		const data = await file.arrayBuffer();
		const bytes = new Uint8Array(data);
		if (isMidi(bytes)) return readMidi(bytes);
		const context = new OfflineAudioContext(1, 1, 44_100);
		let buffer: AudioBuffer;
		try {
			buffer = await context.decodeAudioData(data);
		} catch {
			throw new RecordingTrouble(
				`“${file.name}” is no audio that this browser can read. Try WAV or MIDI.`
			);
		}
		if (given) return null;
		hearing = hearSamples(mono(buffer), buffer.sampleRate, progress);
		return hearing.done;
	})();
	return {
		done,
		cancel: () => {
			given = true;
			hearing?.cancel();
		}
	};
}

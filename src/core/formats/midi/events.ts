import type { Result } from '../../kernel';
import { strFromU8, strToU8 } from 'fflate';
import { parseMidi, type MidiData, type MidiEvent } from 'midi-file';

/** A text as the bytes of a file's text event: the format knows bytes alone, and they are read as UTF-8. */
export const toBytes = (text: string): string => strFromU8(strToU8(text), true);

/** The text of a text event; one that is no UTF-8 is taken byte by byte. */
export function fromBytes(bytes: string): string {
	try {
		return new TextDecoder('utf-8', { fatal: true }).decode(strToU8(bytes, true));
	} catch {
		return bytes;
	}
}

/** An event at its time from the start, in the file's own ticks, and the track it stands in. */
export type Timed = { readonly tick: number; readonly track: number; readonly event: MidiEvent };

/** Every event of all tracks in order; those of one moment in the order of their tracks. */
export function merged({ tracks }: MidiData): Timed[] {
	return tracks
		.flatMap((events, track) => {
			let tick = 0;
			return events.map((event): Timed => ({ tick: (tick += event.deltaTime), track, event }));
		})
		.sort((a, b) => a.tick - b.tick);
}

/** Reads the bytes of a file; a sentence where they are no MIDI file or a damaged one. */
export function parseFile(bytes: Uint8Array): Result<MidiData, string> {
	try {
		const data = parseMidi(bytes);
		const ends = data.tracks.every((track) => track.every(({ deltaTime }) => deltaTime >= 0));
		if (ends && data.tracks.length > 0 && data.tracks.length === data.header.numTracks)
			return { value: data };
	} catch {
		// The library tells what it stumbled over in its own terms.
	}
	return { error: 'The file is no MIDI file, or it is damaged.' };
}

/** General MIDI's channel of drums, from 0. */
export const DRUMS = 9;

/** Semitones of a full bend until a file says otherwise. */
const USUAL_RANGE = 2;

/** Follows what a file says of each channel's pitch bend. */
export class Bends {
	private readonly parameter = new Map<number, [number, number]>();
	private readonly range = new Map<number, number>();
	private readonly value = new Map<number, number>();

	/** Takes an event in; true when a channel's pitch has moved. */
	take(event: MidiEvent): boolean {
		if (event.type === 'controller') this.control(event.channel, event.controllerType, event.value);
		if (event.type !== 'pitchBend') return false;
		this.value.set(event.channel, event.value);
		return true;
	}

	private control(channel: number, type: number, value: number): void {
		const [high, low] = this.parameter.get(channel) ?? [127, 127];
		if (type === 101) this.parameter.set(channel, [value, low]);
		if (type === 100) this.parameter.set(channel, [high, value]);
		// The registered parameter 0 is the range, in semitones.
		if (type === 6 && high === 0 && low === 0 && value > 0) this.range.set(channel, value);
	}

	/** Cents that a channel sounds above its keys. */
	cents(channel: number): number {
		const range = this.range.get(channel) ?? USUAL_RANGE;
		return ((this.value.get(channel) ?? 0) / 8192) * range * 100;
	}
}

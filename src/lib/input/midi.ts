import type { OpenInput } from './types';
import type { Result } from '$core/kernel';
import type { Input, NoteMessageEvent, WebMidi } from 'webmidi';

/** What hears the keys of MIDI devices. Pitches are MIDI numbers. */
export type MidiListener = {
	/** `at` is the moment by `performance.now()`, as the device told it. */
	readonly strike: (midi: number, at: number) => void;
	readonly release: (midi: number, at: number) => void;
	/** The names of the devices that are there; called at once and whenever one comes or goes. */
	readonly devices: (names: readonly string[]) => void;
};

/** Why no MIDI comes: the browser has none (or the page is not served securely), or it was refused. */
export type MidiTrouble = 'missing' | 'refused';

/** True where this page may ask for MIDI at all. */
export const hasMidi = (): boolean =>
	typeof navigator !== 'undefined' && 'requestMIDIAccess' in navigator && isSecureContext;

/** True where MIDI was allowed before, so that nobody is asked again. */
export async function midiAllowed(): Promise<boolean> {
	if (!hasMidi()) return false;
	try {
		const name = 'midi' as PermissionName;
		return (await navigator.permissions.query({ name })).state === 'granted';
	} catch {
		return false;
	}
}

/**
 * Listens to every MIDI device, also to those that are plugged in later.
 * @returns what stops it, or why there is none
 */
export async function openMidi(listener: MidiListener): Promise<Result<OpenInput, MidiTrouble>> {
	if (!hasMidi()) return { error: 'missing' };
	const { WebMidi: midi } = await import('webmidi');
	try {
		if (!midi.enabled) await midi.enable();
	} catch {
		return { error: 'refused' };
	}
	return { value: { close: listen(midi, listener) } };
}

function listen(midi: typeof WebMidi, { strike, release, devices }: MidiListener): () => void {
	let heard: Input[] = [];
	const on = ({ note, timestamp }: NoteMessageEvent) => strike(note.number, timestamp);
	const off = ({ note, timestamp }: NoteMessageEvent) => release(note.number, timestamp);
	const deaf = () => {
		for (const input of heard) {
			input.removeListener('noteon', on);
			input.removeListener('noteoff', off);
		}
	};
	const refresh = () => {
		deaf();
		heard = [...midi.inputs];
		for (const input of heard) {
			input.addListener('noteon', on);
			input.addListener('noteoff', off);
		}
		devices(heard.map((input) => input.name));
	};
	midi.addListener('connected', refresh);
	midi.addListener('disconnected', refresh);
	refresh();
	return () => {
		midi.removeListener('connected', refresh);
		midi.removeListener('disconnected', refresh);
		deaf();
	};
}

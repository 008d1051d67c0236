import type { MidiData } from 'midi-file';
import type { PlayedEvent } from '../practice';

/** Microseconds of a quarter note until a file says otherwise: 120 a minute. */
const USUAL_TEMPO = 500_000;

/** General MIDI's channel of drums, from 0. */
const DRUMS = 9;

/** To a thousandth of a ms. */
const exact = (ms: number): number => Math.round(1000 * ms) / 1000;

type Timed = { readonly tick: number; readonly event: MidiData['tracks'][number][number] };

/** Every event of all tracks at its absolute tick, in order. */
function merged({ tracks }: MidiData): Timed[] {
	return tracks
		.flatMap((track) => {
			let tick = 0;
			return track.map((event) => ({ tick: (tick += event.deltaTime), event }));
		})
		.sort((a, b) => a.tick - b.tick);
}

/**
 * The notes of a MIDI file as a performance: in ms from its start, all tracks together, without drums.
 * Changes of tempo are followed; a note that never ends rings to the end of the file.
 * @param data what `midi-file` parsed
 */
export function readNotes(data: MidiData): PlayedEvent[] {
	const { ticksPerBeat, framesPerSecond, ticksPerFrame } = data.header;
	const fixed =
		ticksPerBeat === undefined ? 1000 / ((framesPerSecond ?? 25) * (ticksPerFrame ?? 40)) : null;
	let perTick = fixed ?? USUAL_TEMPO / 1000 / (ticksPerBeat ?? 480);
	let [ms, before] = [0, 0];
	const notes: PlayedEvent[] = [];
	const open = new Map<number, { timeMs: number; midi: number }>();
	const close = (key: number) => {
		const note = open.get(key);
		if (!note) return;
		open.delete(key);
		notes.push({ ...note, durationMs: Math.max(1, exact(ms - note.timeMs)) });
	};
	for (const { tick, event } of merged(data)) {
		ms += (tick - before) * perTick;
		before = tick;
		if (event.type === 'setTempo' && fixed === null) {
			perTick = event.microsecondsPerBeat / 1000 / (ticksPerBeat ?? 480);
		}
		if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
		if (event.channel === DRUMS) continue;
		const key = 128 * event.channel + event.noteNumber;
		close(key);
		if (event.type === 'noteOn' && event.velocity > 0) {
			open.set(key, { timeMs: exact(ms), midi: event.noteNumber });
		}
	}
	for (const key of [...open.keys()]) close(key);
	return notes.sort((a, b) => a.timeMs - b.timeMs);
}

import type { MidiData } from 'midi-file';
import { QUARTER } from '../../kernel';
import type { PlayedEvent } from '../../practice';
import { Bends, DRUMS, merged } from './events';

/** Microseconds of a quarter note until a file says otherwise: 120 a minute. */
const USUAL_TEMPO = 500_000;

/** To a thousandth of a ms. */
const exact = (ms: number): number => Math.round(1000 * ms) / 1000;

/** A stretch of a note between two moves of its pitch. */
type Level = { readonly ms: number; readonly cents: number };
type Open = { timeMs: number; midi: number; channel: number; levels: Level[] };

/** Within so many cents a note is heard on the pitch of its key. */
const PLAIN = 30;
/** The share of a note that a bend is held for at least. */
const HELD = 0.25;

/** How far a note is bent: where its pitch stays longest, away from its key; 0 where it hardly leaves it. */
function bendOf({ levels, timeMs }: Open, end: number): number {
	const spans = new Map<number, number>();
	levels.forEach(({ ms, cents }, i) => {
		const until = levels[i + 1]?.ms ?? end;
		const near = Math.round(cents);
		spans.set(near, (spans.get(near) ?? 0) + until - ms);
	});
	const away = [...spans].filter(([cents]) => Math.abs(cents) > PLAIN);
	const total = away.reduce((sum, [, ms]) => sum + ms, 0);
	if (total < HELD * (end - timeMs)) return 0;
	const [longest] = away.sort((a, b) => b[1] - a[1] || Math.abs(b[0]) - Math.abs(a[0]));
	return longest ? Math.max(-400, Math.min(400, longest[0])) : 0;
}

/**
 * The notes of a MIDI file as a performance: in ms from its start, all tracks together, without drums.
 * Changes of tempo are followed; a note that never ends rings to the end of the file. A bend is told in
 * cents from the pitch of its key.
 * @param data what `midi-file` parsed
 */
export function readNotes(data: MidiData): PlayedEvent[] {
	const { ticksPerBeat, framesPerSecond, ticksPerFrame } = data.header;
	const fixed =
		ticksPerBeat === undefined ? 1000 / ((framesPerSecond ?? 25) * (ticksPerFrame ?? 40)) : null;
	let perTick = fixed ?? USUAL_TEMPO / 1000 / (ticksPerBeat ?? QUARTER);
	let [ms, before] = [0, 0];
	const notes: PlayedEvent[] = [];
	const bends = new Bends();
	const open = new Map<number, Open>();
	const close = (key: number) => {
		const note = open.get(key);
		if (!note) return;
		open.delete(key);
		const cents = bendOf(note, ms);
		notes.push({
			timeMs: note.timeMs,
			durationMs: Math.max(1, exact(ms - note.timeMs)),
			midi: note.midi,
			...(cents === 0 ? {} : { cents })
		});
	};
	for (const { tick, event } of merged(data)) {
		ms += (tick - before) * perTick;
		before = tick;
		if (event.type === 'setTempo' && fixed === null) {
			perTick = event.microsecondsPerBeat / 1000 / (ticksPerBeat ?? QUARTER);
		}
		if (bends.take(event) && event.type === 'pitchBend') {
			for (const note of open.values()) {
				if (note.channel === event.channel) {
					note.levels.push({ ms, cents: bends.cents(event.channel) });
				}
			}
		}
		if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
		const { channel, noteNumber } = event;
		if (channel === DRUMS) continue;
		const key = 128 * channel + noteNumber;
		close(key);
		if (event.type === 'noteOn' && event.velocity > 0) {
			const levels = [{ ms, cents: bends.cents(channel) }];
			open.set(key, { timeMs: exact(ms), midi: noteNumber, channel, levels });
		}
	}
	for (const key of [...open.keys()]) close(key);
	return notes.sort((a, b) => a.timeMs - b.timeMs);
}

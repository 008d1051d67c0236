import { QUARTER, msPerTick } from '../../kernel';
import { writeMidi, type MidiEvent } from 'midi-file';
import { toBytes } from './events';
import type { CurvePoint, Part, TimedNote } from '../../band';
import { chartTicks, type Chart, type TimeSignature } from '../../chart';
import { keyOf } from '../../harmony';
import { isMinorMode } from '../../chord';
import { fifthsOf } from '../key-signature';

/** A tune as it was played, to be written as a MIDI file. Notes are in seconds from the start. */
export type MidiTune = {
	readonly chart: Chart;
	readonly notes: readonly TimedNote[];
	/** Quarter notes a minute. */
	readonly tempo: number;
	readonly choruses: number;
	readonly countInBars: number;
	readonly chords: 'guitar' | 'keys';
	/** Texts that go along at the start. */
	readonly texts?: readonly string[];
};

/** General MIDI: channel from 0, program from 0, name of the track. */
const TRACKS: Record<Part, { channel: number; program: number | null; name: string }> = {
	line: { channel: 0, program: 29, name: 'Line' },
	chords: { channel: 1, program: 27, name: 'Chords' },
	bass: { channel: 2, program: 33, name: 'Bass' },
	drums: { channel: 9, program: null, name: 'Drums' },
	click: { channel: 9, program: null, name: 'Click' }
};
const KEYS_PROGRAM = 4;
/** Percussion keys of the click: woodblocks. */
const WOODBLOCK = { high: 76, low: 77 };

/** Semitones that a full bend reaches, set at the start of the line's track. */
export const BEND_RANGE = 12;
/** Ticks between two steps of a bend. */
const BEND_STEP = 10;

type Timed = { readonly tick: number; readonly order: number; readonly event: MidiEvent };

const meta = (tick: number, event: MidiEvent): Timed => ({ tick, order: 0, event });

/** Where every chorus begins, count-in included. */
const chorusStarts = (tune: MidiTune, counted: number, length: number): number[] =>
	Array.from({ length: tune.choruses }, (_, i) => counted + i * length);

/** Ticks of the whole file. */
const lengthOf = ({ chart, countInBars, choruses }: MidiTune): number =>
	countInBars * chart.played[0]!.lengthTicks + choruses * chartTicks(chart);

function conductor(tune: MidiTune): Timed[] {
	const { chart, tempo, countInBars } = tune;
	const { played } = chart;
	const counted = countInBars * played[0]!.lengthTicks;
	const events: Timed[] = [
		meta(0, {
			deltaTime: 0,
			type: 'trackName',
			text: toBytes(chart.headers.title ?? 'Untitled tune')
		}),
		...(tune.texts ?? []).map((text) =>
			meta(0, { deltaTime: 0, type: 'text', text: toBytes(text) })
		),
		meta(0, { deltaTime: 0, type: 'setTempo', microsecondsPerBeat: Math.round(60e6 / tempo) })
	];
	const key = keyOf(chart);
	if (key) {
		const scale = isMinorMode(key.mode) ? 1 : 0;
		events.push(meta(0, { deltaTime: 0, type: 'keySignature', key: fifthsOf(key), scale }));
	}
	let written: TimeSignature | null = null;
	const time = (tick: number, sign: TimeSignature) => {
		if (written && written.beats === sign.beats && written.unit === sign.unit) return;
		written = sign;
		events.push(
			meta(tick, {
				deltaTime: 0,
				type: 'timeSignature',
				numerator: sign.beats,
				denominator: sign.unit,
				metronome: 24,
				thirtyseconds: 8
			})
		);
	};
	time(0, played[0]!.signature);
	for (const start of chorusStarts(tune, counted, chartTicks(chart))) {
		for (const bar of played) time(start + bar.startTick, bar.signature);
		for (const event of chart.events) {
			const text = event.kind === 'silence' ? 'N.C.' : event.symbol;
			events.push(
				meta(start + event.startTick, { deltaTime: 0, type: 'marker', text: toBytes(text) })
			);
		}
	}
	return events;
}

const bend = (cents: number): number =>
	Math.max(-8192, Math.min(8191, Math.round((cents / 100 / BEND_RANGE) * 8192)));

/** Pitch bends along a curve: at its points, and in small steps between them. */
function bends(curve: readonly CurvePoint[], start: number, toTick: number, channel: number) {
	const events: Timed[] = [];
	let last = 0;
	const put = (tick: number, cents: number) => {
		const value = bend(cents);
		if (value === last) return;
		last = value;
		events.push({ tick, order: 1, event: { deltaTime: 0, type: 'pitchBend', channel, value } });
	};
	curve.forEach(([seconds, cents], i) => {
		const tick = Math.round(start + seconds * toTick);
		const before = curve[i - 1];
		if (before) {
			const from = start + before[0] * toTick;
			const span = tick - from;
			for (let at = BEND_STEP; at < span; at += BEND_STEP) {
				put(Math.round(from + at), before[1] + ((cents - before[1]) * at) / span);
			}
		}
		put(tick, cents);
	});
	return { events, bent: last !== 0 };
}

function setRange(channel: number): Timed[] {
	const controls = [
		[101, 0],
		[100, 0],
		[6, BEND_RANGE],
		[38, 0],
		[101, 127],
		[100, 127]
	] as const;
	return controls.map(([controllerType, value]) =>
		meta(0, { deltaTime: 0, type: 'controller', channel, controllerType, value })
	);
}

/** Channels that take a note each where several of one part sound at once and one of them is bent. */
const SPARE = [3, 4, 5, 6, 7, 8, 11] as const;

/** Two notes of one key sound at once, as on two strings. */
function hasUnisons(notes: readonly TimedNote[]): boolean {
	const until = new Map<number, number>();
	return notes.some(({ midi, seconds, duration }) => {
		const twice = (until.get(midi) ?? -1) > seconds + 1e-9;
		until.set(midi, Math.max(until.get(midi) ?? -1, seconds + duration));
		return twice;
	});
}

/** The channel of each note: the part's own, but for what sounds together with a note that is bent, or is the same. */
function channelsOf(notes: readonly TimedNote[], part: Part, channel: number): number[] {
	const bent = notes.some((note) => note.curve.length > 0);
	if (part !== 'line' || (!bent && !hasUnisons(notes))) return notes.map(() => channel);
	const free = new Map<number, number>();
	return notes.map((note) => {
		const all = [channel, ...SPARE];
		const found = all.find((one) => (free.get(one) ?? -1) <= note.seconds + 1e-9) ?? channel;
		free.set(found, note.seconds + note.duration);
		return found;
	});
}

function track(part: Part, tune: MidiTune): Timed[] {
	const { channel, name, program } = TRACKS[part];
	const toTick = 1000 / msPerTick(tune.tempo);
	const events: Timed[] = [meta(0, { deltaTime: 0, type: 'trackName', text: name })];
	if (program !== null) {
		const programNumber = part === 'chords' && tune.chords === 'keys' ? KEYS_PROGRAM : program;
		events.push(meta(0, { deltaTime: 0, type: 'programChange', channel, programNumber }));
	}
	const notes = tune.notes.filter((note) => note.part === part);
	const strings = channelsOf(notes, part, channel);
	for (const used of new Set(strings)) {
		if (used !== channel && program !== null) {
			const own: MidiEvent = {
				...{ deltaTime: 0, type: 'programChange', channel: used, programNumber: program }
			};
			events.push(meta(0, own));
		}
		const bent = notes.some((note, i) => strings[i] === used && note.curve.length > 0);
		if (bent) events.push(...setRange(used));
	}
	// When each note's own key is struck again on its channel.
	const struck = new Map<number, number>();
	const again: number[] = [];
	for (let i = notes.length - 1; i >= 0; i--) {
		const key = 128 * strings[i]! + notes[i]!.midi;
		again[i] = struck.get(key) ?? Infinity;
		struck.set(key, Math.round(notes[i]!.seconds * toTick));
	}
	notes.forEach((note, i) => {
		const start = Math.round(note.seconds * toTick);
		const most = again[i]!;
		const long = Math.max(1, Math.round((note.seconds + note.duration) * toTick) - start);
		// A key that is struck again is let go first.
		const end = Math.max(start + 1, Math.min(start + long, most));
		const noteNumber =
			part === 'click' ? (note.midi > 80 ? WOODBLOCK.high : WOODBLOCK.low) : note.midi;
		const velocity = Math.max(1, Math.min(127, Math.round(note.velocity * 127)));
		const channel = strings[i]!;
		const { events: moves, bent } = bends(note.curve, start, toTick, channel);
		events.push(
			{
				tick: start,
				order: 2,
				event: { deltaTime: 0, type: 'noteOn', channel, noteNumber, velocity }
			},
			...moves,
			{
				tick: end,
				order: -1,
				event: { deltaTime: 0, type: 'noteOff', channel, noteNumber, velocity: 64 }
			}
		);
		if (bent) {
			events.push({
				tick: end,
				order: 0,
				event: { deltaTime: 0, type: 'pitchBend', channel, value: 0 }
			});
		}
	});
	return events;
}

/** Events in order with the time since the one before; the track ends at `end` at the earliest. */
function inOrder(events: Timed[], end = 0): MidiEvent[] {
	const sorted = [...events].sort((a, b) => a.tick - b.tick || a.order - b.order);
	let before = 0;
	const timed = sorted.map(({ tick, event }) => {
		const deltaTime = tick - before;
		before = tick;
		return { ...event, deltaTime };
	});
	return [...timed, { deltaTime: Math.max(0, end - before), meta: true, type: 'endOfTrack' }];
}

/**
 * A MIDI file (format 1, 480 ticks a quarter) of a tune as the band plays it: tempo, key and time
 * signatures, chord names as markers, one track a part; the line's bends as pitch bends with their range.
 */
export function writeMidiTune(tune: MidiTune): Uint8Array<ArrayBuffer> {
	const parts = [...new Set(tune.notes.map((note) => note.part))];
	const order: readonly Part[] = ['line', 'chords', 'bass', 'drums', 'click'];
	const tracks = [
		// The first track lasts as long as the bars do.
		inOrder(conductor(tune), lengthOf(tune)),
		...order.filter((part) => parts.includes(part)).map((part) => inOrder(track(part, tune)))
	];
	return Uint8Array.from(
		writeMidi({
			header: { format: 1, numTracks: tracks.length, ticksPerBeat: QUARTER },
			tracks
		})
	);
}

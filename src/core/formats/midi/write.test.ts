import { parseMidi, type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { bandFor, playWhole, strokesOfLine, swingOf, PARTS } from '../../band';
import { parseChart } from '../../chart';
import { BEND_RANGE, writeMidiTune } from './write';
import { writeWav } from '../wav';

const chart = parseChart(
	'title: Lantern Walk\nkey: Eb major\ntime: 4/4\ntempo: 90\n| Eb | {3/4} Cm7 | {4/4} <Bb7 | N.C. |'
);
const band = bandFor(chart, { feel: 'straight' });
const line: Parameters<typeof strokesOfLine>[0] = [
	{ tick: 0, durationTicks: 480, midi: 70, technique: null },
	{ tick: 480, durationTicks: 480, midi: 72, technique: 'slide' },
	{ tick: 960, durationTicks: 480, midi: 67, technique: null }
];
const played = playWhole({
	score: {
		band,
		strokes: strokesOfLine(line),
		click: { beats: 'every', subdivision: 1, accents: true },
		swing: swingOf('straight')
	},
	tempo: 90,
	choruses: 2,
	countInBars: 1,
	parts: PARTS
});
const bytes = writeMidiTune({
	chart,
	notes: played.notes,
	tempo: 90,
	choruses: 2,
	countInBars: 1,
	chords: 'keys'
});
const file = parseMidi(bytes);
const timed = (track: readonly MidiEvent[]) => {
	let tick = 0;
	return track.map((event) => ({ tick: (tick += event.deltaTime), event }));
};
const named = (name: string) =>
	timed(
		file.tracks.find((track) =>
			track.some((event) => event.type === 'trackName' && event.text === name)
		) ?? []
	);
const COUNT = 1920;

describe('a tune as a MIDI file', () => {
	const conductor = timed(file.tracks[0]);
	const all = <T extends MidiEvent['type']>(type: T) =>
		conductor.filter(
			(entry): entry is { tick: number; event: Extract<MidiEvent, { type: T }> } =>
				entry.event.type === type
		);

	it('has tempo, key and every change of the time signature', () => {
		expect(file.header.ticksPerBeat).toBe(480);
		expect(all('setTempo')[0].event.microsecondsPerBeat).toBe(Math.round(60e6 / 90));
		expect(all('keySignature')[0].event).toMatchObject({ key: -3, scale: 0 });
		const signs = all('timeSignature').map(({ tick, event }) => [tick, event.numerator]);
		const length = 3 * 1920 + 1440;
		expect(signs).toEqual([
			[0, 4],
			[COUNT + 1920, 3],
			[COUNT + 3360, 4],
			[COUNT + length + 1920, 3],
			[COUNT + length + 3360, 4]
		]);
	});

	it('names every chord where it sounds', () => {
		const marks = all('marker').map(({ tick, event }) => [tick - COUNT, event.text]);
		expect(marks.slice(0, 4)).toEqual([
			[0, 'Eb'],
			[1920, 'Cm7'],
			[3360 - 240, 'Bb7'],
			[5280, 'N.C.']
		]);
		expect(marks).toHaveLength(8);
	});

	it('has one track a part with the notes of the band at their ticks', () => {
		for (const part of ['bass', 'drums', 'chords'] as const) {
			const name = part[0].toUpperCase() + part.slice(1);
			const on = named(name).filter(({ event }) => event.type === 'noteOn');
			const wanted = played.notes.filter((note) => note.part === part);
			expect(on).toHaveLength(wanted.length);
			const got = on.map(
				({ tick, event }) => `${tick} ${'noteNumber' in event && event.noteNumber}`
			);
			const due = wanted.map((note) => `${Math.round(note.seconds * 1.5 * 480)} ${note.midi}`);
			expect(got.sort()).toEqual(due.sort());
		}
	});

	it('lets go of every key that it strikes', () => {
		for (const track of file.tracks) {
			const down = new Map<string, number>();
			for (const { event } of timed(track)) {
				if (event.type !== 'noteOn' && event.type !== 'noteOff') continue;
				const key = `${event.channel} ${event.noteNumber}`;
				const held = (down.get(key) ?? 0) + (event.type === 'noteOn' ? 1 : -1);
				expect(held).toBeGreaterThanOrEqual(0);
				expect(held).toBeLessThanOrEqual(1);
				down.set(key, held);
			}
			expect([...down.values()].every((held) => held === 0)).toBe(true);
		}
	});

	it('writes a slide as a pitch bend, with its range, and takes it back', () => {
		const track = named('Line');
		const range = track.filter(
			({ event }) => event.type === 'controller' && event.controllerType === 6
		);
		expect(range.map(({ event }) => 'value' in event && event.value)).toEqual([BEND_RANGE]);
		const bends = track.flatMap(({ tick, event }) =>
			event.type === 'pitchBend' ? [[tick - COUNT, event.value]] : []
		);
		expect(bends).toContainEqual([480, Math.round((2 / BEND_RANGE) * 8192)]);
		expect(bends.find(([tick]) => tick === 960)?.[1]).toBe(0);
		const struck = track.filter(({ event }) => event.type === 'noteOn');
		expect(struck).toHaveLength(4);
	});

	it('names the piano when the chords are played on one', () => {
		const programs = named('Chords').flatMap(({ event }) =>
			event.type === 'programChange' ? [event.programNumber] : []
		);
		expect(programs).toEqual([4]);
	});
});

describe('a WAV file', () => {
	it('says what it holds and holds it', () => {
		const left = Float32Array.from([0, 0.5, -1, 2]);
		const right = Float32Array.from([0.25, 0, 0, -2]);
		const wav = writeWav([left, right], 44_100);
		const view = new DataView(wav.buffer);
		const text = (at: number) => String.fromCharCode(...wav.slice(at, at + 4));
		expect([text(0), text(8), text(12), text(36)]).toEqual(['RIFF', 'WAVE', 'fmt ', 'data']);
		expect(view.getUint32(4, true)).toBe(wav.length - 8);
		expect(view.getUint16(22, true)).toBe(2);
		expect(view.getUint32(24, true)).toBe(44_100);
		expect(view.getUint32(40, true)).toBe(16);
		const samples = Array.from({ length: 8 }, (_, i) => view.getInt16(44 + 2 * i, true));
		expect(samples).toEqual([0, 8192, 16384, 0, -32767, 0, 32767, -32767]);
	});
});

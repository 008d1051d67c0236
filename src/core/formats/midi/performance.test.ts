import { parseMidi, writeMidi, type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { readNotes } from './performance';

type Event = MidiEvent & { deltaTime: number };
const note = (
	type: 'noteOn' | 'noteOff',
	deltaTime: number,
	noteNumber: number,
	channel = 0
): Event => ({
	type,
	deltaTime,
	channel,
	noteNumber,
	velocity: type === 'noteOn' ? 90 : 0
});
const file = (...tracks: Event[][]) =>
	parseMidi(
		new Uint8Array(
			writeMidi({
				header: { format: 1, numTracks: tracks.length, ticksPerBeat: 480 },
				tracks: tracks.map((track) => [...track, { type: 'endOfTrack', deltaTime: 0, meta: true }])
			})
		)
	);
const tempo = (deltaTime: number, microsecondsPerBeat: number): Event => ({
	type: 'setTempo',
	meta: true,
	deltaTime,
	microsecondsPerBeat
});

describe('a MIDI file as a performance', () => {
	it('has its notes in ms, at 120 a minute until it says otherwise', () => {
		const events = readNotes(file([note('noteOn', 480, 60), note('noteOff', 240, 60)]));
		expect(events).toEqual([{ timeMs: 500, durationMs: 250, midi: 60 }]);
	});

	it('follows changes of tempo over all tracks', () => {
		const conductor = [tempo(0, 1_000_000), tempo(960, 500_000)];
		const player = [
			note('noteOn', 480, 64),
			note('noteOff', 960, 64),
			note('noteOn', 0, 67),
			note('noteOff', 480, 67)
		];
		expect(readNotes(file(conductor, player))).toEqual([
			{ timeMs: 1000, durationMs: 1500, midi: 64 },
			{ timeMs: 2500, durationMs: 500, midi: 67 }
		]);
	});

	it('leaves drums out, ends what is struck again and what never ends', () => {
		const events = readNotes(
			file([
				note('noteOn', 0, 36, 9),
				note('noteOn', 0, 60),
				note('noteOn', 480, 60),
				note('noteOn', 480, 62, 1),
				note('noteOff', 480, 60)
			])
		);
		expect(events).toEqual([
			{ timeMs: 0, durationMs: 500, midi: 60 },
			{ timeMs: 500, durationMs: 1000, midi: 60 },
			{ timeMs: 1000, durationMs: 500, midi: 62 }
		]);
	});

	const bend = (deltaTime: number, value: number): Event => ({
		type: 'pitchBend',
		deltaTime,
		channel: 0,
		value
	});
	const control = (controllerType: number, value: number): Event => ({
		type: 'controller',
		deltaTime: 0,
		channel: 0,
		controllerType,
		value
	});

	it('tells a bend in cents from the pitch of its key, in the usual range or the file’s own', () => {
		const usual = readNotes(
			file([note('noteOn', 0, 60), bend(120, 4096), bend(120, 8191), note('noteOff', 480, 60)])
		);
		expect(usual).toEqual([{ timeMs: 0, durationMs: 750, midi: 60, cents: 200 }]);
		const range = [control(101, 0), control(100, 0), control(6, 12)];
		const wide = readNotes(
			file([...range, note('noteOn', 0, 60), bend(120, 683), note('noteOff', 480, 60)])
		);
		expect(wide[0].cents).toBe(100);
	});

	it('tells no bend of a note that is only shaken, or touched late', () => {
		const shaken = [1, -1, 1, -1].map((side) => bend(60, side * 900));
		const events = readNotes(
			file([note('noteOn', 0, 60), ...shaken, bend(60, 0), note('noteOff', 400, 60)])
		);
		expect(events[0].cents).toBeUndefined();
		const late = readNotes(
			file([note('noteOn', 0, 60), bend(900, 8191), note('noteOff', 60, 60), bend(0, 0)])
		);
		expect(late[0].cents).toBeUndefined();
	});
});

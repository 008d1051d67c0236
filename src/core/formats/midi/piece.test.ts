import fc from 'fast-check';
import JZZ from 'jzz';
import jzzSmf from 'jzz-midi-smf';
import { parseMidi, writeMidi, type MidiData, type MidiEvent } from 'midi-file';
import { describe, expect, it } from 'vitest';
import { chartTicks, parseChart } from '../../chart';
import { sameMusic } from '../embedded';
import { linesOn, onePiece, pieceOf, plannedPiece, TEXTS, toRead } from '../test-pieces';
import { readMidi, writeMidiPiece } from '.';
import { runs } from '../../test-runs';

/** The file again, its events changed. */
function edited(bytes: Uint8Array, edit: (event: MidiEvent, track: number) => MidiEvent | null) {
	const data: MidiData = parseMidi(bytes);
	const tracks = data.tracks.map((events, t) => {
		let owed = 0;
		return events.flatMap((event) => {
			const made = edit(event, t);
			if (!made) {
				owed += event.deltaTime;
				return [];
			}
			const kept = { ...made, deltaTime: event.deltaTime + owed };
			owed = 0;
			return [kept];
		});
	});
	return Uint8Array.from(writeMidi({ header: data.header, tracks }));
}
const isOwnText = (event: MidiEvent) => event.type === 'text';

describe('MIDI, written and read again', () => {
	it.each(Object.entries(TEXTS))(
		'the chart %s: its text, and without it the same music',
		(_, text) => {
			const bytes = writeMidiPiece(pieceOf(text));
			expect(onePiece(readMidi(bytes)).chart).toBe(text);
			const bare = onePiece(readMidi(edited(bytes, (event) => (isOwnText(event) ? null : event))));
			const [own, found] = [parseChart(text), parseChart(bare.chart ?? '')];
			expect([bare.chart, sameMusic(own, found)]).toEqual([bare.chart, true]);
		}
	);

	it.each([
		['blues', 240],
		['waltz', 120],
		['turning', 20],
		['tuned', 160]
	] as const)('any line over %s', (name, unit) => {
		fc.assert(
			fc.property(linesOn(TEXTS[name], unit), (piece) => {
				const read = onePiece(readMidi(writeMidiPiece(piece, ['line'])));
				expect(read.notes).toEqual(piece.notes.map(toRead));
				expect(read.lineName).toBe('A line');
			}),
			{ numRuns: runs(40) }
		);
	});

	it.each([
		['ferry', 'eighth'],
		['ladder', 'eighth'],
		['minor', 'sixteenth'],
		['waltz', 'triplet']
	] as const)(
		'without its own text the pitches and times of %s in %ss, swing taken out',
		(name, grid) => {
			const piece = plannedPiece(TEXTS[name], grid);
			const { feel } = piece.chart.headers;
			const bytes = writeMidiPiece({
				...piece,
				notes: piece.notes.map((note) => ({ ...note, technique: null }))
			});
			const bare = edited(bytes, (event) =>
				event.type === 'text' && event.text.startsWith('arc-step-line') ? null : event
			);
			const read = onePiece(readMidi(bare));
			expect(parseChart(read.chart ?? '').headers.feel).toBe(feel);
			expect(read.notes.map(({ tick, midi }) => [tick, midi])).toEqual(
				piece.notes.map(({ tick, midi }) => [tick, midi])
			);
		}
	);

	it('reads bends in the range that the file sets, and hammered notes as such', () => {
		const piece = pieceOf('key: C\n| C | F |', [
			{
				tick: 0,
				durationTicks: 480,
				string: 3,
				fret: 7,
				midi: 62,
				name: 'D',
				finger: 3,
				technique: null
			},
			{
				tick: 480,
				durationTicks: 960,
				string: 3,
				fret: 9,
				midi: 64,
				name: 'E',
				finger: 3,
				technique: 'bend'
			},
			{
				tick: 1920,
				durationTicks: 480,
				string: 2,
				fret: 5,
				midi: 64,
				name: 'E',
				finger: 1,
				technique: null
			},
			{
				tick: 2400,
				durationTicks: 480,
				string: 2,
				fret: 7,
				midi: 66,
				name: 'F#',
				finger: 3,
				technique: 'hammer-on'
			}
		]);
		const bare = edited(writeMidiPiece(piece), (event) => (isOwnText(event) ? null : event));
		const read = onePiece(readMidi(bare));
		expect(read.notes.map(({ tick, midi, technique }) => [tick, midi, technique])).toEqual([
			[0, 62, null],
			[480, 64, 'bend'],
			[1920, 64, null],
			[2400, 66, 'hammer-on']
		]);
	});

	it('leaves its own line when the notes say something else', () => {
		const piece = plannedPiece(TEXTS.minor, 'eighth');
		const bytes = writeMidiPiece(piece);
		let first = true;
		const moved = edited(bytes, (event, track) => {
			if (track !== 1 || event.type !== 'noteOn' || !first) return event;
			first = false;
			return { ...event, noteNumber: event.noteNumber + 1 };
		});
		const read = onePiece(readMidi(moved));
		expect(read.notes[0].midi).toBe(piece.notes[0].midi + 1);
		expect(read.notes[0].place).toBeNull();
	});

	it('says which tracks it leaves out and refuses what has nothing to say', () => {
		const bytes = writeMidiPiece(plannedPiece(TEXTS.minor, 'eighth'));
		const reading = readMidi(edited(bytes, (event) => (isOwnText(event) ? null : event)));
		if ('error' in reading) throw new Error(reading.error);
		expect(reading.value.leftOut).toEqual([
			'Other tracks are left out: “Chords”, “Bass”. The line is “Line”.'
		]);
		const empty = writeMidi({
			header: { format: 0, numTracks: 1, ticksPerBeat: 480 },
			tracks: [[]]
		});
		for (const [data, why] of [
			[Uint8Array.from(empty), 'neither notes nor chord names'],
			[new Uint8Array([1, 2, 3]), 'no MIDI file'],
			[bytes.slice(0, 400), 'damaged']
		] as const) {
			const read = readMidi(data);
			expect('error' in read && read.error).toContain(why);
		}
	});
});

describe('MIDI in another program', () => {
	jzzSmf(JZZ);
	const smfClass = (
		JZZ.MIDI as unknown as { SMF: new (bytes: string) => Iterable<unknown> & { ppqn: number } }
	).SMF;
	it.each([
		['ferry', 'eighth'],
		['waltz', 'triplet']
	] as const)('%s has equal notes, times, tempo and chord names', (name, grid) => {
		const piece = { ...plannedPiece(TEXTS[name], grid) };
		const plain = { ...piece, notes: piece.notes.map((note) => ({ ...note, technique: null })) };
		const smf = new smfClass(String.fromCharCode(...writeMidiPiece(plain)));
		expect(smf.ppqn).toBe(480);
		const [conductor, line] = [...smf] as {
			tt: number;
			[at: number]: number;
			getBPM(): number;
			ff?: number;
			dd?: string;
		}[][];
		const markers = conductor
			.filter((event) => event.ff === 6)
			.map((event) => [event.tt, event.dd]);
		expect(markers).toEqual(piece.chart.events.map(({ startTick, symbol }) => [startTick, symbol]));
		const tempo = conductor.find((event) => event.ff === 0x51);
		expect(tempo?.getBPM()).toBeCloseTo(piece.chart.headers.tempo, 2);
		const struck = line.filter((event) => event[0] === 0x90 && event[2] > 0);
		const straight = struck.filter((event) => event.tt % 480 === 0);
		const onBeat = piece.notes.filter((note) => note.tick % 480 === 0);
		expect(struck.map((event) => event[1])).toEqual(piece.notes.map((note) => note.midi));
		expect(straight.map((event) => event.tt)).toEqual(onBeat.map((note) => note.tick));
		const end = Math.max(...conductor.map((event) => event.tt));
		expect(end).toBe(chartTicks(piece.chart));
	});
});

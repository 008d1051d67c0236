import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { chartTicks } from '../chart';
import { playingOf } from '../route';
import { readTab, writeMusicXml, writeTab } from '.';
import { runs } from '../test-runs';
import { readMidi, writeMidiPiece } from './midi';
import { readMusicXml } from './music-xml';
import type { ReadNote } from './piece';
import { licksOn } from './test-licks';
import { onePiece, TEXTS, toRead } from './test-pieces';
import type { PlayedText } from './types';

const plain = ({ tick, durationTicks, string, fret, ...rest }: PlayedText) => ({
	...{ tick, durationTicks, string, fret },
	...playingOf(rest)
});

const read = ({ tick, durationTicks, midi, place, finger, ...rest }: ReadNote) => ({
	...{ tick, durationTicks, midi, place, finger },
	...playingOf(rest)
});

describe('any line of several notes at a time, with every way of playing', () => {
	it.each([
		['eighths', TEXTS.blues, 240],
		['sixteenths in a waltz', TEXTS.waltz, 120],
		['triplets in an open tuning with a capo', TEXTS.tuned, 160]
	])('as tab comes back as it was: %s', (_, text, unit) => {
		fc.assert(
			fc.property(licksOn(text, unit), ({ chart, instrument, notes }) => {
				const text = writeTab(chart, instrument, notes);
				const back = readTab(text, chart, instrument);
				expect(back.problems).toEqual([]);
				expect(back.notes.map(plain)).toEqual(notes.map(plain));
				expect(back.notes.every((note) => note.tick < chartTicks(chart))).toBe(true);
			})
		);
	});

	it('as a MIDI file comes back as it was', () => {
		fc.assert(
			fc.property(licksOn(TEXTS.blues, 120), (piece) => {
				const { notes } = onePiece(readMidi(writeMidiPiece(piece)));
				expect(notes.map(read)).toEqual(piece.notes.map((note) => read(toRead(note))));
			}),
			{ numRuns: runs(25) }
		);
	});

	it.each([
		['eighths', TEXTS.blues, 240],
		['sixteenths in a waltz', TEXTS.waltz, 120],
		['triplets in an open tuning with a capo', TEXTS.tuned, 160]
	])('as MusicXML comes back as it was: %s', (_, text, unit) => {
		fc.assert(
			fc.property(licksOn(text, unit), (piece) => {
				const { notes } = onePiece(readMusicXml(writeMusicXml(piece)));
				expect(notes.map(read)).toEqual(piece.notes.map((note) => read(toRead(note))));
			})
		);
	});
});

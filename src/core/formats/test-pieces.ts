import { must } from '../test-must';
import type { FileReading, FileNote, Piece, ReadNote, ReadPiece } from './piece';
import fc from 'fast-check';
import { chartTicks, parseChart } from '../chart';
import { instrumentOf, pitchAt } from '../neck';
import { pitchName } from '../pitch';
import { scaleInUse } from '../harmony';
import { STEADY, placeHand, planWhole, playing, type LineWishes, type Technique } from '../route';

/** Charts with everything that a file may lose. */
export const TEXTS = {
	blues:
		'key: Bb blues\ntempo: 104\nfeel: shuffle\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |',
	minor: 'key: F# minor\ntempo: 88\n| F#m | D | E | C#7 |',
	waltz:
		'key: G minor\ntime: 3/4\ntempo: 120\n| Gm6 | Am7b5 | D7b9 | Gm6 | Cm6 | Gm6 | Am7b5 | D7b9 |',
	ladder:
		'key: Ab\ntempo: 132\nfeel: swing\n| Bbm7 Eb7alt | Abmaj7 F7alt | Bbm7 Eb7b9 | Abmaj7 F7#9 |',
	ferry:
		'title: Tin Roof Ferry\nkey: Bb blues\nscale: Bb minor pentatonic\ntempo: 104\nfeel: shuffle\n\n[Head]\n| Bb7 | Eb7 | Bb7 | % | // the quick change\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |\n',
	repeats:
		'title: Lantern & <Walk>\nkey: Eb\ntime: 4/4\ntempo: 90.5\nfeel: swing\n\n[Head x2]\n| Eb | Ab/C Bb7 |\n\n[Tail]\n|: Cm7 | 1. Fm7 | Bb7 :| 2. Bb7sus4 | Eb N.C. |\n',
	pushed:
		'title: Pylon Song\nkey: F mixolydian\ntempo: 98\nfeel: sixteenths\n\n[Vamp]\n| F9 | F9 <Eb9 | <<F9 . . Eb9 | N.C. |\n',
	turning: 'key: D minor\ntime: 3/4\n| Dm | {6/8} Gm6 | {5/4} A7b9 . . . Dm | {4/4} Dm |\n',
	tuned:
		'title: Rope and Tar\nkey: D blues\ntuning: D2 A2 D3 F#3 A3 D4\ncapo: 2\n| D7 | G7 | D7 | A7 |\n'
} as const;

/** A tune with its line. */
export function pieceOf(text: string, notes: readonly FileNote[] = []): Piece {
	const chart = parseChart(text);
	const { instrument } = instrumentOf(chart);
	return { chart, text, instrument, notes, lineName: 'A line' };
}

/** A line as the planner writes it, techniques and fingers included. */
export function plannedPiece(text: string, grid: LineWishes['grid'], position = 6): Piece {
	const piece = pieceOf(text);
	const { chart, instrument } = piece;
	const { scale } = scaleInUse(chart);
	const none = { locks: [], forbid: [], letPass: [] };
	const placed = must(
		placeHand({ chart, instrument, scale, position, style: 'guide-tones', ...none })
	);
	const [{ notes }] = planWhole(placed, {
		grid,
		cellOf: () => STEADY,
		scalePlan: 'one',
		anticipate: grid === 'eighth',
		spice: 0.6
	});
	return { ...piece, notes };
}

const UP: readonly (Technique | null)[] = ['hammer-on', 'slide', 'bend'];
const DOWN: readonly (Technique | null)[] = ['pull-off', 'slide'];
const ALONE: readonly (Technique | null)[] = [null, null, null, 'vibrato', 'trill', 'curl'];

/** Any line that hands could play: rests, ties over bar lines, every technique where it makes sense. */
export const linesOn = (text: string, unit: number): fc.Arbitrary<Piece> => {
	const piece = pieceOf(text);
	const end = chartTicks(piece.chart);
	return fc
		.array(
			fc.record({
				gap: fc.constantFrom(0, 0, 0, 1, 2),
				long: fc.integer({ min: 1, max: 9 }),
				string: fc.integer({ min: 1, max: piece.instrument.open.length }),
				stay: fc.boolean(),
				fret: fc.integer({ min: 1, max: 18 }),
				finger: fc.constantFrom(null, 1, 2, 3, 4),
				how: fc.nat(5)
			}),
			{ minLength: 1, maxLength: 30 }
		)
		.map((parts) => {
			const notes: FileNote[] = [];
			let tick = 0;
			for (const part of parts) {
				tick += part.gap * unit;
				const durationTicks = part.long * unit;
				if (tick + durationTicks > end) break;
				const before = notes.at(-1);
				const joined = part.stay && part.gap === 0 && before !== undefined;
				const string = joined ? before.string : part.string;
				const fret =
					joined && part.fret % 5 < 4 ? Math.max(1, before.fret - 2 + (part.fret % 5)) : part.fret;
				const moved = joined ? fret - before.fret : 0;
				// What is bent is not bent, hammered or slid on from there.
				const list =
					moved === 0 ||
					Math.abs(moved) > 2 ||
					before?.technique === 'bend' ||
					before?.technique === 'curl'
						? ALONE
						: moved > 0
							? UP
							: DOWN;
				const technique = list[part.how % list.length];
				const midi = pitchAt(piece.instrument, { string, fret });
				const name = pitchName(midi).replace(/-?\d{1,2}$/, '');
				// A bent string is held by the finger that bends it.
				const finger = part.finger;
				notes.push({ tick, durationTicks, string, fret, midi, name, finger, technique });
				tick += durationTicks;
			}
			return { ...piece, notes };
		})
		.filter(({ notes }) => notes.length > 0);
};

/** What a file is to give back of a note. */
export const toRead = ({
	tick,
	durationTicks,
	midi,
	string,
	fret,
	finger,
	...rest
}: FileNote): ReadNote => ({
	tick,
	durationTicks,
	midi,
	place: { string, fret },
	finger,
	...playing(rest)
});

/** The one piece that was read. */
export function onePiece(reading: FileReading): ReadPiece {
	if ('error' in reading) throw new Error(reading.error);
	if (reading.value.pieces.length !== 1) throw new Error(`${reading.value.pieces.length} pieces`);
	return reading.value.pieces[0];
}

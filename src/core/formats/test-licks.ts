import fc from 'fast-check';
import { chartTicks } from '../chart';
import { highestFret, pitchAt } from '../neck';
import { pitchName } from '../pitch';
import { playing, type Also, type Technique } from '../route';
import type { FileNote, Piece } from './piece';
import { pieceOf } from './test-pieces';

/** How a note may be played that another note on its string leads to without a gap. */
const OUT_OF: readonly (Technique | null)[] = [
	...[null, null, 'hammer-on', 'pull-off', 'slide', 'tap'],
	...['slide-from-below', 'slide-from-above', 'vibrato', 'trill', 'curl']
] as (Technique | null)[];
/** How any note may be played. */
const ALONE: readonly (Technique | null)[] = [
	...[null, null, null, 'tap', 'slide-from-below', 'slide-from-above', 'vibrato', 'trill', 'curl']
] as (Technique | null)[];
const ALSO: readonly (readonly Also[])[] = [
	[],
	[],
	[],
	['vibrato'],
	['palm-mute'],
	['staccato'],
	['let-ring'],
	['dead'],
	['down-stroke'],
	['up-stroke'],
	['slide-away-up'],
	['slide-away-down'],
	['vibrato', 'let-ring', 'down-stroke'],
	['palm-mute', 'staccato', 'up-stroke']
];

/**
 * Any line that a player may write: notes on any strings at one time, each with its own length and its own ways of being
 * played, anywhere on the neck.
 */
export const licksOn = (text: string, unit: number): fc.Arbitrary<Piece> => {
	const piece = pieceOf(text);
	const { instrument } = piece;
	const end = chartTicks(piece.chart);
	const part = fc.record({
		gap: fc.constantFrom(0, 0, 1, 3),
		long: fc.integer({ min: 1, max: 7 }),
		string: fc.integer({ min: 1, max: instrument.open.length }),
		fret: fc.integer({ min: 0, max: highestFret(instrument) - 4 }),
		how: fc.nat(20),
		also: fc.nat(20),
		bend: fc.constantFrom(0, 0, 0, 0, 1, 2, 3, 4),
		before: fc.boolean(),
		down: fc.boolean(),
		trill: fc.constantFrom(0, 1, 2),
		grace: fc.constantFrom(0, 0, 0, 0, 0, -2, -1, 1, 2)
	});
	return fc
		.array(part, { minLength: 1, maxLength: 30 })
		.map((parts): Piece => {
			/** When each string is free again, and the last note on it. */
			const free = new Map<number, FileNote>();
			const notes: FileNote[] = [];
			for (const {
				gap,
				long,
				string,
				fret,
				how,
				also,
				bend,
				before,
				down,
				trill,
				grace
			} of parts) {
				const last = free.get(string);
				const from = last ? last.tick + last.durationTicks : 0;
				const tick = from + gap * unit;
				if (tick >= end) continue;
				const durationTicks = Math.min(long * unit, end - tick);
				const list = last && gap === 0 ? OUT_OF : ALONE;
				const technique = list[how % list.length];
				const rest = ALSO[also % ALSO.length];
				const dead = rest.includes('dead');
				const struck = technique === null || ['vibrato', 'trill', 'curl'].includes(technique);
				const bent = bend > 0 && struck && !dead && fret > 0;
				const trilled = !dead && (technique === 'trill' || rest.includes('trill'));
				const played = playing({
					technique: bent ? (before ? 'pre-bend' : 'bend') : dead ? null : technique,
					also: bent && down ? [...rest, 'release'] : rest,
					...(bent ? { bend } : {}),
					...(trilled && trill > 0 ? { trill } : {}),
					...(grace !== 0 && fret + grace >= 0 && struck && !dead ? { grace: fret + grace } : {})
				});
				const midi = pitchAt(instrument, { string, fret });
				const note: FileNote = {
					...{ tick, durationTicks, string, fret, midi, finger: null },
					name: pitchName(midi).replace(/-?\d{1,2}$/, ''),
					...played
				};
				free.set(string, note);
				notes.push(note);
			}
			return { ...piece, notes: notes.sort((a, b) => a.tick - b.tick || b.string - a.string) };
		})
		.filter(({ notes }) => notes.length > 0);
};

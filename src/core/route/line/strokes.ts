import { QUARTER } from '../../kernel';
import type { Place } from '../../neck';
import type { Technique } from './types';

/**
 * How the pick moves: strict alternation keeps down-strokes on the beat through rests; economy goes on in
 * one direction where the next string lies that way.
 */
type Picking = 'alternate' | 'economy';
type Stroke = 'down' | 'up';

type Picked = Place & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly technique: Technique | null;
};

/** Notes that come out of the one before are not picked. */
const SLURRED: readonly (Technique | null)[] = ['hammer-on', 'pull-off', 'slide', 'bend'];

/**
 * The stroke of each note; null where a note is slurred.
 * @param unit ticks of one place of the grid: strokes alternate by places
 */
export function strokesOf(
	notes: readonly Picked[],
	picking: Picking,
	unit: number
): (Stroke | null)[] {
	let last: { stroke: Stroke; string: number; end: number } | null = null;
	return notes.map((note) => {
		if (SLURRED.includes(note.technique)) {
			if (last) last = { ...last, string: note.string, end: note.tick + note.durationTicks };
			return null;
		}
		const inBeat = Math.round((note.tick % QUARTER) / unit);
		// Three in a beat alternate across the beat, as the hand does.
		const place = QUARTER / unit === 3 ? Math.round(note.tick / unit) : inBeat;
		const counted: Stroke = place % 2 === 0 ? 'down' : 'up';
		const flows = last !== null && note.tick - last.end < QUARTER / 2;
		let stroke = counted;
		if (picking === 'economy' && last && flows) {
			const across = note.string - last.string;
			if (across === 0) stroke = last.stroke === 'down' ? 'up' : 'down';
			else if (Math.abs(across) === 1) stroke = across < 0 ? 'down' : 'up';
			else stroke = last.stroke === 'down' ? 'up' : 'down';
		}
		last = { stroke, string: note.string, end: note.tick + note.durationTicks };
		return stroke;
	});
}

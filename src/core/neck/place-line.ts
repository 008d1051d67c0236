import { highestFret, pitchAt, type Instrument, type Place } from './instrument';
import { fingerJumps } from './fingers';
import { crossingPrice, HAND, shiftPrice } from './prices';
import { inWindow, placeUnder } from './window';

type Fingered = Place & { readonly finger: number | null; readonly cost: number };

function candidates(instrument: Instrument, position: number, midi: number): Fingered[] {
	const found: Fingered[] = [];
	for (let string = 1; string <= instrument.open.length; string++) {
		const fret = midi - pitchAt(instrument, { string, fret: 0 });
		if (fret < 0 || fret > highestFret(instrument)) continue;
		const inside = inWindow(instrument, position, { string, fret });
		const away = fret < position ? position - fret : Math.max(0, fret - position - 3);
		const { finger, price } = placeUnder(instrument, position, { string, fret });
		// Outside the hand goes there and back.
		const cost = inside ? price : 2 * shiftPrice(away);
		found.push({ string, fret, finger, cost });
	}
	return found;
}

function move(a: Fingered, b: Fingered): number {
	const jump = fingerJumps(a, b) ? HAND.jump : 0;
	const outside = a.finger === null || b.finger === null;
	const frets =
		outside && a.fret > 0 && b.fret > 0 ? HAND.shiftFret * Math.abs(a.fret - b.fret) : 0;
	return crossingPrice(Math.abs(a.string - b.string)) + jump + frets;
}

/**
 * The easiest places for a line of pitches: inside the position where it holds them, on neighbouring
 * strings, without a finger that jumps; found exactly, the first of equals.
 * @returns a place for each pitch, null for one that the instrument does not have
 */
export function placeLine(
	instrument: Instrument,
	position: number,
	pitches: readonly number[]
): (Place | null)[] {
	const rows = pitches.map((midi) => candidates(instrument, position, midi));
	const back: number[][] = [];
	let total: number[] = [];
	let before: Fingered[] = [];
	for (const row of rows) {
		if (row.length === 0) {
			back.push([]);
			continue;
		}
		const from: number[] = [];
		total = row.map((candidate, at) => {
			let [least, best] = [before.length === 0 ? 0 : Infinity, 0];
			before.forEach((other, k) => {
				const sum = total[k]! + move(other, candidate);
				if (sum < least) [least, best] = [sum, k];
			});
			from[at] = best;
			return least + candidate.cost;
		});
		before = row;
		back.push(from);
	}
	let at = total.indexOf(Math.min(...total));
	const path: (Place | null)[] = [];
	for (let i = rows.length - 1; i >= 0; i--) {
		if (rows[i]!.length === 0) path.push(null);
		else {
			const { string, fret } = rows[i]![at]!;
			path.push({ string, fret });
			at = back[i]![at]!;
		}
	}
	return path.reverse();
}

import { highestFret, lastPosition, type Instrument, type Place } from '../neck';

/** A note as the hand meets it. Ticks. */
type Met = Place & { readonly tick: number; readonly durationTicks: number };

/** From a tick on the hand is in a position. */
export type HandPlace = { readonly tick: number; readonly position: number };

/** What the hand pays for a note beside its four fingers, for one that it cannot reach, and for moving. */
const PRICE = {
	reach: 3,
	outside: 40,
	outsideFret: 4,
	shift: 12,
	shiftFret: 1,
	away: 0.1
} as const;

/** What a moment's frets cost a hand, or a slide, in a position; open strings need none. */
function priceAt(
	{ slide }: Instrument,
	frets: readonly number[],
	position: number,
	usual: number
): number {
	let price = PRICE.away * Math.abs(position - usual);
	for (const fret of frets) {
		const bar = slide?.[position];
		if (bar) {
			if (!bar.includes(fret))
				price += PRICE.outside + PRICE.outsideFret * Math.abs(fret - position);
			continue;
		}
		const off = fret < position ? position - fret : Math.max(0, fret - position - 3);
		if (off === 1) price += PRICE.reach;
		else if (off > 1) price += PRICE.outside + PRICE.outsideFret * off;
	}
	return price;
}

/**
 * Reads off a line where the hand is: the positions that meet every note with the fewest and smallest shifts, found by
 * dynamic programming. A line of open strings alone is played in position 1.
 * @param notes in order of time; several may share a tick
 * @param usual where the hand is if the notes leave it a choice
 * @returns the first place at the first note, then each shift at the note that asks for it; empty without notes
 */
export function handPlaces(instrument: Instrument, notes: readonly Met[], usual = 1): HandPlace[] {
	const moments: { tick: number; frets: number[] }[] = [];
	for (const { tick, fret } of notes) {
		let last = moments.at(-1);
		if (last?.tick !== tick) moments.push((last = { tick, frets: [] }));
		if (fret > 0 && fret <= highestFret(instrument)) last.frets.push(fret);
	}
	const fretted = moments.filter(({ frets }) => frets.length > 0);
	if (fretted.length === 0) return moments[0] ? [{ tick: moments[0].tick, position: 1 }] : [];
	const most = lastPosition(instrument);
	let cost = new Float64Array(most + 1);
	const from = fretted.map(() => new Uint8Array(most + 1));
	fretted.forEach(({ frets }, i) => {
		const next = new Float64Array(most + 1);
		// The cheapest way into each position: stay, or come from the nearest of the cheap ones on either side.
		const into = from[i]!;
		for (let position = 1; position <= most; position++) into[position] = position;
		if (i > 0) {
			for (let position = 1; position <= most; position++) {
				let least = cost[position]!;
				for (let other = 1; other <= most; other++) {
					const moved = cost[other]! + PRICE.shift + PRICE.shiftFret * Math.abs(other - position);
					if (other !== position && moved < least) {
						least = moved;
						into[position] = other;
					}
				}
				next[position] = least;
			}
		}
		for (let position = 1; position <= most; position++) {
			next[position] = next[position]! + priceAt(instrument, frets, position, usual);
		}
		cost = next;
	});
	let at = 1;
	for (let position = 2; position <= most; position++)
		if (cost[position]! < cost[at]!) at = position;
	const path = new Array<number>(fretted.length);
	for (let i = fretted.length - 1; i >= 0; i--) {
		path[i] = at;
		at = from[i]![at]!;
	}
	const places: HandPlace[] = [];
	path.forEach((position, i) => {
		// What comes before the first fretted note is met in its place.
		const tick = i === 0 ? moments[0]!.tick : fretted[i]!.tick;
		if (places.at(-1)?.position !== position) places.push({ tick, position });
	});
	return places;
}

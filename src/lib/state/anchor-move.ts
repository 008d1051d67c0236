import type { Anchors } from '$lib/api/route-schema';
import { highestFret, pitchAt, type Instrument, type Place } from '$core/neck';
import { above, noteName, parseNote, type Interval } from '$core/pitch';
import type { AnchorContext } from './anchor-edit';
import type { WayNote } from './ways';

/** An own note so many frets along the neck; on another string, or by an octave, where the neck ends. */
function moveNote(
	instrument: Instrument,
	note: WayNote,
	frets: number,
	taken: ReadonlySet<number>
): WayNote {
	const highest = highestFret(instrument);
	const on = (place: Place): WayNote => {
		const { grace, ...rest } = note;
		const led = grace === undefined ? undefined : grace + place.fret - note.fret;
		const kept = led !== undefined && led >= 0 && led <= highest ? { grace: led } : {};
		return {
			...rest,
			...place,
			...kept,
			finger: note.finger && place.fret > 0 ? note.finger : null
		};
	};
	const fret = note.fret + frets;
	// An open string that is stopped now, or the other way round, is played by another hand.
	if (fret >= 0 && fret <= highest) {
		const moved = on({ string: note.string, fret });
		return note.fret === 0 || fret === 0 ? { ...moved, finger: null } : moved;
	}
	const goal = pitchAt(instrument, note) + frets;
	for (const octave of [0, fret < 0 ? 12 : -12]) {
		const places = instrument.open
			.map((open, i): Place => ({ string: i + 1, fret: goal + octave - open - instrument.capo }))
			.filter(({ string, fret: at }) => at >= 0 && at <= highest && !taken.has(string))
			.sort((a, b) => Math.abs(a.string - note.string) - Math.abs(b.string - note.string));
		if (places[0]) return { ...on(places[0]), finger: null };
	}
	return {
		...on({ string: note.string, fret: Math.max(0, Math.min(highest, fret)) }),
		finger: null
	};
}

/** Own ways so many frets along the neck: no note is lost, and those that had to go elsewhere are counted. */
function moveWays(
	instrument: Instrument,
	frozen: Anchors['frozen'],
	frets: number
): { frozen: Anchors['frozen']; refingered: number } {
	let refingered = 0;
	const moved = frozen.map((way) => {
		const strings = new Map<number, Set<number>>();
		const stays = (note: WayNote) => {
			const fret = note.fret + frets;
			return fret >= 0 && fret <= highestFret(instrument);
		};
		const at = (offset: number) => {
			const found = strings.get(offset) ?? new Set<number>();
			strings.set(offset, found);
			return found;
		};
		for (const note of way.notes) if (stays(note)) at(note.offset).add(note.string);
		const notes = way.notes.map((note) => {
			const taken = at(note.offset);
			const next = moveNote(instrument, note, frets, taken);
			if (!stays(note)) {
				refingered += 1;
				taken.add(next.string);
			}
			return next;
		});
		return { ...way, notes };
	});
	return { frozen: moved, refingered };
}

/** A tonic by an interval higher, spelled by its letters. */
export function higher(tonic: string, interval: Interval): string {
	const note = parseNote(tonic);
	return note ? noteName(above(note, interval)) : tonic;
}

/**
 * Everything fixed, so many frets along the neck. Own notes that would leave it go on on other strings, or an octave
 * off; locks, fingers and places left out that would leave it are given up.
 */
export function moveAnchors(
	anchors: Anchors,
	{ instrument }: Pick<AnchorContext, 'instrument'>,
	frets: number,
	interval: Interval
): { anchors: Anchors; refingered: number } {
	const on = <T extends Place>(places: readonly T[]): T[] =>
		places
			.map((place) => ({ ...place, fret: place.fret + frets }))
			.filter((place) => place.fret >= 0 && place.fret <= highestFret(instrument));
	const { frozen, refingered } = moveWays(instrument, anchors.frozen, frets);
	const moved = {
		...anchors,
		locks: on(anchors.locks),
		forbid: on(anchors.forbid),
		fingers: on(anchors.fingers),
		frozen,
		scales: anchors.scales.map((scale) => ({ ...scale, tonic: higher(scale.tonic, interval) }))
	};
	return { anchors: moved, refingered };
}

import { placeLine, type Instrument, type Place } from '../neck';

/** A pitch that sounds from one tick to another. */
type Bare = { readonly tick: number; readonly end: number; readonly midi: number };

/** Places for notes that are struck together: each on its own string, as near to the hand as they go. */
function placesTogether(
	instrument: Instrument,
	position: number,
	pitches: readonly number[],
	taken: ReadonlySet<number>
): (Place | null)[] {
	const highest = instrument.frets - instrument.capo;
	const order = pitches.map((midi, i) => ({ midi, i })).sort((a, b) => b.midi - a.midi);
	let best: { cost: number; places: (Place | null)[] } | null = null;
	const search = (k: number, cost: number, used: ReadonlySet<number>, places: (Place | null)[]) => {
		if (best && cost >= best.cost) return;
		const note = order[k];
		if (!note) {
			best = { cost, places: [...places] };
			return;
		}
		instrument.open.forEach((open, s) => {
			const fret = note.midi - open - instrument.capo;
			if (fret < 0 || fret > highest || used.has(s + 1)) return;
			const off = fret === 0 ? 1 : Math.max(0, position - fret, fret - position - 3);
			const next = [...places];
			next[note.i] = { string: s + 1, fret };
			search(k + 1, cost + off, new Set([...used, s + 1]), next);
		});
		// What has no string of its own is told.
		search(k + 1, cost + 1000, used, places);
	};
	search(
		0,
		0,
		taken,
		pitches.map(() => null)
	);
	return (best as { places: (Place | null)[] } | null)?.places ?? pitches.map(() => null);
}

/**
 * A place for every note: a line of single notes as easily as it goes, notes together each on a string of its own; null
 * where there is none.
 * @param found in order of time, in ticks
 */
export function placeNotes(
	instrument: Instrument,
	position: number,
	found: readonly Bare[]
): (Place | null)[] {
	const groups = new Map<number, number[]>();
	found.forEach(({ tick }, i) => groups.set(tick, [...(groups.get(tick) ?? []), i]));
	const single = [...groups.values()].flatMap((group) => (group.length === 1 ? group : []));
	const line = placeLine(
		instrument,
		position,
		single.map((i) => found[i]!.midi)
	);
	const places: (Place | null)[] = found.map(() => null);
	single.forEach((i, k) => (places[i] = line[k] ?? null));
	let ringing: number[] = [];
	for (const [tick, group] of groups) {
		// Strings that still ring are taken.
		ringing = ringing.filter((i) => found[i]!.end > tick);
		const taken = new Set(ringing.flatMap((i) => places[i]?.string ?? []));
		const free = group.every((i) => !taken.has(places[i]?.string ?? 0));
		if (group.length > 1 || !free) {
			const pitches = group.map((i) => found[i]!.midi);
			const together = placesTogether(instrument, position, pitches, taken);
			group.forEach((i, k) => (places[i] = together[k] ?? null));
		}
		ringing.push(...group);
	}
	return places;
}

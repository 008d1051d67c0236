import { toneAt, type Chord } from '../chord';
import { placeLine, placeUnder, windowPlaces, type Instrument } from '../neck';
import { plainName, type Notation } from '../pitch';
import type { LineNote } from '../route';
import type { PhraseProblem } from './types';

/** A note that is to be laid out: when, what it is called, how far above its group's first note. */
export type Sketch = {
	readonly tick: number;
	readonly durationTicks: number;
	readonly rise: number;
	readonly name: Notation;
	readonly chord: Chord | null;
	readonly event: number;
	/** It stands where a chord begins. */
	readonly lands: boolean;
};

/** Notes that keep together: they move by octaves as one. */
export type Group = {
	readonly notes: readonly Sketch[];
	/** Pitch class of the first note. */
	readonly first: number;
	readonly position: number;
	/** The pitch that the first note should have, or be near to; null where any will do. */
	readonly wished: number | null;
	/** The wish is exact: any other octave is told as a problem. */
	readonly exact: boolean;
};

const range = (instrument: Instrument, position: number): Set<number> =>
	new Set(windowPlaces(instrument, position).map((place) => place.midi));

/** The pitch of the first note that keeps most of a group in the window, then nearest to the wish. */
function firstPitch(group: Group, reach: ReadonlySet<number>): number {
	const pitches = [...reach];
	const [low, high] = [Math.min(...pitches), Math.max(...pitches)];
	const wished = group.wished ?? (low + high) / 2;
	let [best, least] = [low, Infinity];
	for (let pitch = low - 24; pitch <= high + 24; pitch++) {
		if (((pitch % 12) + 12) % 12 !== group.first) continue;
		const outside = group.notes.filter(({ rise }) => !reach.has(pitch + rise)).length;
		const middle =
			group.notes.reduce((sum, { rise }) => sum + pitch + rise, 0) / group.notes.length;
		const away = group.wished === null ? Math.abs(middle - wished) : Math.abs(pitch - wished);
		const cost = outside * 1000 + away;
		if (cost < least) [best, least] = [pitch, cost];
	}
	return best;
}

/** The pitch in the window that is nearest to one outside it: an octave away, else a tone of the chord. */
function intoWindow(pitch: number, sketch: Sketch, reach: ReadonlySet<number>): number | null {
	const octaves = [-12, 12, -24, 24, -36, 36].map((by) => pitch + by).filter((at) => reach.has(at));
	if (octaves.length > 0) return octaves[0]!;
	const { chord } = sketch;
	const near = [...reach]
		.filter((at) => chord === null || toneAt(chord, at))
		.sort((a, b) => Math.abs(a - pitch) - Math.abs(b - pitch));
	return near[0] ?? null;
}

type Settled = Sketch & { readonly midi: number; readonly position: number };

/**
 * Lays groups out in the hand's places: every note inside the window where it can be, else the nearest
 * playable one, which is told.
 */
export function layOut(instrument: Instrument, groups: readonly Group[]) {
	const problems: PhraseProblem[] = [];
	const settled: Settled[] = [];
	const ranges = new Map<number, Set<number>>();
	let last: number | null = null;
	for (const group of groups) {
		if (group.notes.length === 0) continue;
		const reach = ranges.get(group.position) ?? range(instrument, group.position);
		ranges.set(group.position, reach);
		const first: number = firstPitch({ ...group, wished: group.wished ?? last }, reach);
		last = first;
		const at = settled.length;
		if (group.exact && group.wished !== null && first !== group.wished) {
			const octaves = Math.abs(first - group.wished) / 12;
			const way = first > group.wished ? 'higher' : 'lower';
			problems.push({
				index: at,
				message: `From here on ${octaves === 1 ? 'an octave' : `${octaves} octaves`} ${way}, to stay in position ${group.position}.`
			});
		}
		for (const sketch of group.notes) {
			const pitch = first + sketch.rise;
			const { position } = group;
			if (reach.has(pitch)) {
				settled.push({ ...sketch, midi: pitch, position });
				continue;
			}
			const moved = intoWindow(pitch, sketch, reach);
			const index = settled.length;
			if (moved === null) {
				problems.push({
					index,
					message: `${sketch.name} has no place in position ${position}; left out.`
				});
				continue;
			}
			const octave = (moved - pitch) % 12 === 0;
			const name = octave ? sketch.name : nameOf(moved, sketch.chord);
			const where = octave
				? `played ${Math.abs(moved - pitch) === 12 ? 'an octave' : 'two octaves'} ${moved > pitch ? 'higher' : 'lower'}`
				: `${name} is played instead`;
			problems.push({ index, message: `${sketch.name} is not in position ${position}; ${where}.` });
			settled.push({ ...sketch, name, midi: moved, position });
		}
	}
	return { notes: placed(instrument, settled), problems };
}

const nameOf = (midi: number, chord: Chord | null): Notation =>
	(chord && toneAt(chord, midi)?.name) ?? plainName(midi % 12);

/** Strings, frets and fingers: one run of notes in one place at a time. */
function placed(instrument: Instrument, settled: readonly Settled[]): LineNote[] {
	const notes: LineNote[] = [];
	for (let from = 0; from < settled.length;) {
		const { position } = settled[from]!;
		let to = from;
		while (to < settled.length && settled[to]!.position === position) to++;
		const run = settled.slice(from, to);
		const places = placeLine(
			instrument,
			position,
			run.map((note) => note.midi)
		);
		run.forEach((note, i) => {
			const place = places[i];
			if (!place) return;
			const tone = note.chord && toneAt(note.chord, note.midi);
			notes.push({
				string: place.string,
				fret: place.fret,
				tick: note.tick,
				durationTicks: note.durationTicks,
				midi: note.midi,
				name: note.name,
				role: tone ? tone.role : null,
				kind: tone ? (note.lands ? 'target' : 'chord') : 'passing',
				finger: instrument.slide ? null : placeUnder(instrument, position, place).finger,
				technique: null,
				chord: note.event
			});
		});
		from = to;
	}
	return notes;
}

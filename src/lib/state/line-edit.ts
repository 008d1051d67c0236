import { clamp } from '$core/kernel';
import { changeIndexAt, chartTicks, type Chart } from '$core/chart';
import { toneAt, type Chord } from '$core/chord';
import type { Scale } from '$core/harmony';
import { highestFret, windowPlaces, type Instrument, type Place } from '$core/neck';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { wayOf, type WayNote } from './ways';

/** What an edit of a line needs to know. */
export type EditContext = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly position: number;
	readonly scales: readonly (Scale | null)[];
	readonly line: readonly NoteAnswer[];
	/** Ticks of one place of the grid. */
	readonly grid: number;
};

/** New notes for some ways, by the change that each begins with. */
export type EditedWays = [number, WayNote[]][];

type Edited = { tick: number; durationTicks: number; string: number; fret: number };

/** The place for a pitch nearest to another: in the hand's window where it holds it, else anywhere. */
export function placeFor(
	{ instrument, position }: Pick<EditContext, 'instrument' | 'position'>,
	midi: number,
	near: Place
): Place | null {
	const inside = windowPlaces(instrument, position).filter((place) => place.midi === midi);
	inside.sort(
		(a, b) =>
			Math.abs(a.string - near.string) - Math.abs(b.string - near.string) ||
			Number(a.reach) - Number(b.reach)
	);
	if (inside[0]) return { string: inside[0].string, fret: inside[0].fret };
	const anywhere = instrument.open.flatMap((open, i): Place[] => {
		const fret = midi - open - instrument.capo;
		return fret >= 0 && fret <= highestFret(instrument) ? [{ string: i + 1, fret }] : [];
	});
	const far = (place: Place) => Math.abs(place.fret - near.fret);
	anywhere.sort((a, b) => far(a) - far(b));
	return anywhere[0] ?? null;
}

/** The pitch classes of a chord and a scale together; null where there is neither. */
export function pitchesOf(chord: Chord | null, scale: Scale | null): Set<number> | null {
	if (!chord && !scale) return null;
	const pcs = [...(chord?.tones ?? []), ...(scale?.notes ?? [])].map((tone) => tone.pc);
	return new Set(pcs);
}

/** The next pitch up or down that the chord or the scale has at a note; or simply the next semitone. */
export function nextPitch(
	{ chart, scales }: Pick<EditContext, 'chart' | 'scales'>,
	note: NoteAnswer,
	direction: 1 | -1,
	by: 'step' | 'semitone'
): number {
	if (by === 'semitone') return note.midi + direction;
	const chord = chart.events[note.chord]?.chord ?? null;
	const scale = scales[note.chord] ?? null;
	for (let midi = note.midi + direction; Math.abs(midi - note.midi) <= 12; midi += direction) {
		const inScale = scale?.notes.some((degree) => degree.pc === midi % 12) ?? false;
		if (inScale || (chord && toneAt(chord, midi))) return midi;
	}
	return note.midi + direction;
}

/**
 * Applies an edit to some notes of a line (told by their ticks) and gives the ways that it touches, whole:
 * the other notes stay as they are. An edit that gives null takes the note out. Notes stay on their way
 * and never on top of each other; `added` joins as new.
 */
export function editNotes(
	{ chart, line }: Pick<EditContext, 'chart' | 'line'>,
	ticks: ReadonlySet<number>,
	edit: (note: NoteAnswer) => Edited | null,
	added: readonly Edited[] = []
): EditedWays {
	const touched = new Set<number>();
	for (const tick of ticks) touched.add(changeIndexAt(chart, tick));
	for (const note of added) touched.add(changeIndexAt(chart, note.tick));
	touched.delete(-1);
	return [...touched].map((change) => {
		const { from, to } = wayOf(chart, change);
		const byTick = new Map<number, Edited>();
		const inside = line.filter((note) => note.tick >= from && note.tick < to);
		// A landing that is not touched stays the planner's.
		for (const note of inside) {
			if (!ticks.has(note.tick) && note.kind !== 'target') byTick.set(note.tick, note);
		}
		for (const note of inside) {
			const made = ticks.has(note.tick) ? edit(note) : null;
			if (made) byTick.set(clamp(made.tick, from, to - 1), made);
		}
		for (const note of added) {
			if (note.tick >= from && note.tick < to) byTick.set(note.tick, note);
		}
		const landing = inside.find((note) => note.kind === 'target' && !ticks.has(note.tick));
		const starts = [...byTick.keys(), ...(landing ? [landing.tick] : [])].sort((a, b) => a - b);
		// Where nothing is struck on the next change a note may ring over it.
		const after = line.find((note) => note.tick >= to)?.tick ?? chartTicks(chart);
		const notes = [...byTick]
			.sort(([a], [b]) => a - b)
			.map(([tick, note]): WayNote => {
				const next = starts.find((start) => start > tick) ?? after;
				return {
					offset: tick - from,
					durationTicks: Math.max(1, Math.min(note.durationTicks, next - tick)),
					string: note.string,
					fret: note.fret
				};
			});
		return [change, notes];
	});
}

/** Moves notes by a scale step or a semitone. Notes that would leave the instrument stay. */
export function movePitch(
	context: EditContext,
	ticks: ReadonlySet<number>,
	direction: 1 | -1,
	by: 'step' | 'semitone'
): EditedWays {
	return editNotes(context, ticks, (note) => ({
		...note,
		...(placeFor(context, nextPitch(context, note, direction, by), note) ?? {})
	}));
}

/** Puts one note on a place. */
export const setPlace = (context: EditContext, tick: number, place: Place): EditedWays =>
	editNotes(context, new Set([tick]), (note) => ({ ...note, ...place }));

/**
 * Moves notes in time by places of the grid; landings stay on their change, and a note that would land on
 * another, or leave its way, stays where it is. Also says where each moved note went.
 */
export function moveTime(
	context: EditContext,
	ticks: ReadonlySet<number>,
	places: number
): { ways: EditedWays; ticks: Set<number> } {
	const { chart, line, grid } = context;
	const moved = new Map<number, number>();
	const kept = new Set(line.filter((note) => !ticks.has(note.tick)).map((note) => note.tick));
	for (const note of line) {
		if (!ticks.has(note.tick)) continue;
		const { from, to } = wayOf(chart, changeIndexAt(chart, note.tick));
		const tick = note.tick + places * grid;
		const free = note.kind !== 'target' && tick > from && tick < to && !kept.has(tick);
		moved.set(note.tick, free ? tick : note.tick);
	}
	// Where one of them cannot move and another would fall on it, all stay.
	const goals = [...moved.values()];
	const clash = new Set(goals).size < goals.length;
	const goal = (tick: number) => (clash ? tick : (moved.get(tick) ?? tick));
	const ways = editNotes(context, ticks, (note) => ({ ...note, tick: goal(note.tick) }));
	return { ways, ticks: new Set([...ticks].map(goal)) };
}

/** Takes notes out. */
export const removeNotes = (context: EditContext, ticks: ReadonlySet<number>): EditedWays =>
	editNotes(context, ticks, () => null);

/** The first free place of the grid after a note on its way; null when there is none. */
export function freePlaceAfter({ chart, line, grid }: EditContext, tick: number): number | null {
	const { to } = wayOf(chart, changeIndexAt(chart, tick));
	const taken = new Set(line.map((note) => note.tick));
	for (let at = (Math.floor(tick / grid) + 1) * grid; at < to; at += grid) {
		if (!taken.has(at)) return at;
	}
	return null;
}

/** Adds a note; one that stands there already gives way. */
export const addNote = (
	context: EditContext,
	note: { readonly tick: number } & Place
): EditedWays =>
	editNotes(
		context,
		new Set(context.line.some((n) => n.tick === note.tick) ? [note.tick] : []),
		() => null,
		[{ ...note, durationTicks: context.grid }]
	);

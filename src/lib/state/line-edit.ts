import { clamp } from '$core/kernel';
import { changeIndexAt, chartTicks, type Chart } from '$core/chart';
import { toneAt, type Chord } from '$core/chord';
import type { Scale } from '$core/harmony';
import { highestFret, windowPlaces, type Instrument, type Place } from '$core/neck';
import type { NoteAnswer } from '$lib/api/plan-schema';
import { playing, playingOf, type Playing } from '$core/route';
import { noteKey, tickOfKey } from './note-key';
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
	/** Whether what stands at a tick is the player's own. */
	readonly owns?: (tick: number) => boolean;
};

/** New notes for some ways, by the change that each begins with. */
export type EditedWays = [number, WayNote[]][];

type Edited = Place &
	Partial<Playing> & {
		readonly tick: number;
		readonly durationTicks: number;
		readonly finger?: number | null;
	};

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

/** What of a note is the player's own once it is edited: its finger and how it is played stay with it. */
const asWay = (note: Edited, from: number, durationTicks: number): WayNote => ({
	offset: note.tick - from,
	durationTicks,
	string: note.string,
	fret: note.fret,
	...(note.finger == null || note.fret === 0 ? {} : { finger: note.finger }),
	...playingOf(note)
});

/**
 * Applies an edit to some notes of a line (told by their keys) and gives the ways that it touches, whole: the other notes
 * stay as they are, with their lengths and ways of being played. An edit that gives null takes the note out. Notes stay
 * on their way and never on top of each other; `added` joins as new and ends what sounds there, or with `together` joins it.
 */
export function editNotes(
	{ chart, line, owns }: Pick<EditContext, 'chart' | 'line' | 'owns'>,
	keys: ReadonlySet<number>,
	edit: (note: NoteAnswer) => Edited | null,
	added: readonly Edited[] = [],
	together = false
): EditedWays {
	const touched = new Set<number>();
	for (const key of keys) touched.add(changeIndexAt(chart, tickOfKey(key)));
	for (const note of added) touched.add(changeIndexAt(chart, note.tick));
	return [...touched].map((change) => {
		const { from, to } = wayOf(chart, change);
		const made = new Map<number, { note: Edited; moved: boolean }>();
		const inside = line.filter((note) => note.tick >= from && note.tick < to);
		const isEdited = (note: NoteAnswer) => keys.has(noteKey(note));
		// A landing that is not touched stays the planner's, unless it is the player's own.
		const isLeft = (note: NoteAnswer) => note.kind === 'target' && !owns?.(note.tick);
		const put = (note: Edited, moved: boolean) => made.set(noteKey(note), { note, moved });
		for (const note of inside) if (!isEdited(note) && !isLeft(note)) put(note, false);
		for (const note of inside) {
			const next = isEdited(note) ? edit(note) : null;
			if (!next) continue;
			const tick = clamp(next.tick, from, to - 1);
			put({ ...next, tick }, tick !== note.tick);
		}
		for (const note of added) if (note.tick >= from && note.tick < to) put(note, !together);
		const landing = inside.find((note) => isLeft(note) && !isEdited(note));
		const all = [...made.values()].sort((a, b) => a.note.tick - b.note.tick);
		const notes = all.map(({ note, moved }): WayNote => {
			// What was moved, or came in, is cut by what comes next and cuts what sounds; else each string rings by itself.
			const ends = all
				.filter(({ note: other }) => other.tick > note.tick)
				.filter((other) => moved || other.moved || other.note.string === note.string)
				.map(({ note: other }) => other.tick);
			if (landing && landing.tick > note.tick) ends.push(landing.tick);
			const after = line.find(
				(other) => other.tick >= to && (moved || other.string === note.string)
			);
			const until = Math.min(...ends, after?.tick ?? chartTicks(chart));
			return asWay(note, from, Math.max(1, Math.min(note.durationTicks, until - note.tick)));
		});
		return [change, notes];
	});
}

/** Moves notes by a scale step or a semitone. Notes that would leave the instrument, or fall on another, stay. */
export function movePitch(
	context: EditContext,
	keys: ReadonlySet<number>,
	direction: 1 | -1,
	by: 'step' | 'semitone'
): EditedWays {
	const goals = new Map<number, Place>();
	for (const note of context.line) {
		if (!keys.has(noteKey(note))) continue;
		const place = placeFor(context, nextPitch(context, note, direction, by), note);
		if (place) goals.set(noteKey(note), place);
	}
	return editNotes(context, keys, (note) => {
		const place = goals.get(noteKey(note));
		const taken = context.line.some((other) => {
			if (other.tick !== note.tick || other === note) return false;
			const there = goals.get(noteKey(other)) ?? other;
			return there.string === place?.string;
		});
		return taken ? note : { ...note, ...(place ?? {}) };
	});
}

/** Puts one note on a place. */
export const setPlace = (context: EditContext, key: number, place: Place): EditedWays =>
	editNotes(context, new Set([key]), (note) => ({ ...note, ...place }));

/** Says how notes are played. */
export const setPlaying = (
	context: EditContext,
	keys: ReadonlySet<number>,
	how: (note: NoteAnswer) => Partial<Playing>
): EditedWays =>
	editNotes(context, keys, (note) => {
		const { tick, durationTicks, string, fret, finger } = note;
		return { tick, durationTicks, string, fret, finger, ...playing(how(note)) };
	});

/**
 * Moves notes in time by places of the grid; planned landings stay on their change, and a note that would land on
 * another, or leave its way, stays where it is. Also says where each moved note went.
 */
export function moveTime(
	context: EditContext,
	keys: ReadonlySet<number>,
	places: number
): { ways: EditedWays; keys: Set<number> } {
	const { chart, line, grid, owns } = context;
	const moved = new Map<number, number>();
	const kept = new Set(line.filter((note) => !keys.has(noteKey(note))).map(({ tick }) => tick));
	for (const note of line) {
		if (!keys.has(noteKey(note))) continue;
		const { from, to } = wayOf(chart, changeIndexAt(chart, note.tick));
		const tick = note.tick + places * grid;
		const own = owns?.(note.tick) ?? false;
		const bound = note.kind === 'target' && !own;
		const free = !bound && tick >= (own ? from : from + 1) && tick < to && !kept.has(tick);
		moved.set(note.tick, free ? tick : note.tick);
	}
	// Where one of them cannot move and another would fall on it, all stay.
	const goals = [...moved.values()];
	const clash = new Set(goals).size < goals.length;
	const goal = (tick: number) => (clash ? tick : (moved.get(tick) ?? tick));
	const ways = editNotes(context, keys, (note) => ({ ...note, tick: goal(note.tick) }));
	const shifted = [...keys].map((key) => key + 8 * (goal(tickOfKey(key)) - tickOfKey(key)));
	return { ways, keys: new Set(shifted) };
}

/** Takes notes out. */
export const removeNotes = (context: EditContext, keys: ReadonlySet<number>): EditedWays =>
	editNotes(context, keys, () => null);

/** The first free place of the grid after a note on its way; null when there is none. */
export function freePlaceAfter({ chart, line, grid }: EditContext, tick: number): number | null {
	const { to } = wayOf(chart, changeIndexAt(chart, tick));
	const taken = new Set(line.map((note) => note.tick));
	for (let at = (Math.floor(tick / grid) + 1) * grid; at < to; at += grid) {
		if (!taken.has(at)) return at;
	}
	return null;
}

/** Adds a note; what stands there gives way, or with `together` only what stands on its string. */
export function addNote(
	context: EditContext,
	note: { readonly tick: number } & Place,
	together = false
): EditedWays {
	const there = context.line.filter(
		({ tick, string }) => tick === note.tick && (!together || string === note.string)
	);
	const beside = context.line.find(({ tick }) => together && tick === note.tick);
	return editNotes(
		context,
		new Set(there.map(noteKey)),
		() => null,
		[{ ...note, durationTicks: beside?.durationTicks ?? context.grid }],
		together
	);
}

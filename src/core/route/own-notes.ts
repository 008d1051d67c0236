import { chartTicks, eventIndexAt, type Chart } from '../chart';
import type { Scale } from '../harmony';
import { toneAt } from '../chord';
import { notation } from '../pitch';
import { pitchAt, placeUnder, type Instrument } from '../neck';
import type { Frozen, LineNote, LineWishes, OwnNote } from './line/types';
import { handPlaces, type HandPlace } from './hand-places';
import { arrivalOf, isDead, playingOf } from './playing';
import { spellLine } from './spelling';
import type { Target } from './types';

/** What own notes are laid over. */
type Setting = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	/** The scale that each event of the chart draws on. */
	readonly scales: readonly (Scale | null)[];
	readonly fingers: LineWishes['fingers'];
	/** The place that the plan is made for. */
	readonly position: number;
};

/** Own notes in order of time, thick strings first. */
const inOrder = (frozen: readonly Frozen[], end: number): OwnNote[] =>
	frozen
		.flatMap(({ notes }) => notes)
		.filter(({ tick }) => tick < end)
		.sort((a, b) => a.tick - b.tick || b.string - a.string);

/** Where the hand is at a tick, as it was read off the notes. */
const handAt = (places: readonly HandPlace[], tick: number): number =>
	places.findLast((place) => place.tick <= tick)?.position ?? places[0]?.position ?? 1;

/**
 * Own notes as notes of the line: on their places, with their lengths and as they are played; fingers where the hand that
 * was read off them has one, none where two notes of a moment would share it on different frets.
 */
function ownLine(
	{ chart, instrument, fingers, position }: Setting,
	notes: readonly OwnNote[]
): LineNote[] {
	const places = handPlaces(instrument, notes, position);
	const wanted = new Map((fingers ?? []).map((f) => [`${f.tick} ${f.string} ${f.fret}`, f.finger]));
	const end = chartTicks(chart);
	const line = notes.map((note): LineNote => {
		const { tick, string, fret } = note;
		const event = chart.events[eventIndexAt(chart, tick)];
		const chord = event && event.startTick <= tick ? event.chord : null;
		const midi = pitchAt(instrument, { string, fret });
		const tone = chord && !isDead(note) ? toneAt(chord, arrivalOf({ ...note, midi })) : undefined;
		const finger =
			fret === 0
				? null
				: (note.finger ??
					wanted.get(`${tick} ${string} ${fret}`) ??
					placeUnder(instrument, handAt(places, tick), { string, fret }).finger);
		return {
			...{ tick, string, fret, midi, name: notation(''), role: tone?.role ?? null },
			durationTicks: Math.max(1, Math.min(note.durationTicks, end - tick)),
			...playingOf(note),
			kind: tone ? 'chord' : 'passing',
			finger: instrument.slide ? null : finger,
			technique: note.technique ?? null,
			chord: Math.max(0, event?.index ?? 0)
		};
	});
	const together = new Map<number, LineNote[]>();
	for (const note of line) together.set(note.tick, [...(together.get(note.tick) ?? []), note]);
	return line.map((note) => {
		const others = together.get(note.tick) ?? [];
		const shared = others.some((other) => other.finger === note.finger && other.fret > note.fret);
		return shared && note.finger !== null ? { ...note, finger: null } : note;
	});
}

/** The highest own note that sounds a tone of the chord it is struck with, by change. */
function landed(chart: Chart, line: readonly LineNote[]): Map<number, LineNote> {
	const changes = new Map(chart.changes.map((change) => [change.tick, change]));
	const found = new Map<number, LineNote>();
	for (const note of line) {
		const change = changes.get(note.tick);
		if (!change || isDead(note) || !toneAt(change.to.chord, arrivalOf(note))) continue;
		const known = found.get(change.index);
		if (!known || arrivalOf(known) < arrivalOf(note)) found.set(change.index, note);
	}
	return found;
}

/** A kind of note that the scale of its moment tells: a tone, a note on the way, or one from outside. */
function kindOf({ scales }: Setting, note: LineNote): LineNote['kind'] {
	if (note.kind !== 'passing') return note.kind;
	const scale = scales[note.chord];
	const pc = arrivalOf(note) % 12;
	return !scale || scale.notes.some((entry) => entry.pc === pc) ? 'passing' : 'chromatic';
}

/** The player's own notes, and the changes that are let pass whatever sounds there. */
export type OwnLine = { readonly ways: readonly Frozen[]; readonly passed: readonly number[] };

/** A line and its landings, with own notes in it. */
type WithOwn = { readonly notes: readonly LineNote[]; readonly targets: readonly Target[] };

/**
 * Lays own notes into a planned line, just as they are: wherever on the neck, several at a time. What was planned inside
 * their ways gives way, but for landings that they leave to the plan; planned notes end where an own one begins. A change
 * on which an own note sounds a tone of the chord is landed on with it.
 */
export function withOwnNotes(
	setting: Setting,
	planned: WithOwn,
	{ ways: frozen, passed }: OwnLine
): WithOwn {
	if (frozen.length === 0) return planned;
	const { chart, scales } = setting;
	const own = ownLine(setting, inOrder(frozen, chartTicks(chart)));
	const starts = new Set(own.map(({ tick }) => tick));
	const landings = landed(chart, own);
	for (const change of passed) landings.delete(change);
	const struck = new Set(
		chart.changes.filter(({ tick }) => starts.has(tick)).map(({ index }) => index)
	);
	const targets = planned.targets.filter(({ change }) => !struck.has(change));
	const kept = new Set(targets.map(({ tick }) => tick));
	const inside = (tick: number) => frozen.some(({ from, to }) => tick >= from && tick < to);
	const ticks = [...starts].sort((a, b) => a - b);
	const free = planned.notes.flatMap((note): LineNote[] => {
		if (starts.has(note.tick)) return [];
		if (inside(note.tick) && !(note.kind === 'target' && kept.has(note.tick))) return [];
		const end = note.tick + note.durationTicks;
		const next = ticks.find((tick) => tick > note.tick && tick < end);
		return [next === undefined ? note : { ...note, durationTicks: next - note.tick }];
	});
	const landing = new Set(landings.values());
	const told = own.map((note) => ({
		...note,
		kind: landing.has(note) ? ('target' as const) : kindOf(setting, note)
	}));
	const all = [...free, ...told].sort((a, b) => a.tick - b.tick || b.string - a.string);
	const notes = spellLine(chart, scales, all, true);
	const made = [...landings].flatMap(([index, note]): Target[] => {
		const change = chart.changes[index]!;
		const { chord } = change.to;
		const midi = arrivalOf(note);
		const tone = toneAt(chord, midi);
		if (!tone) return [];
		const { string, fret, tick, finger } = note;
		const target: Target = {
			...{ change: index, tick, string, fret, midi, finger },
			name: tone.name,
			role: tone.role,
			reach: false,
			locked: true,
			reasons: ['Your own note.']
		};
		return [target];
	});
	return { notes, targets: [...targets, ...made].sort((a, b) => a.change - b.change) };
}

/**
 * What the planner is to know of own notes: one at a time, the highest, so that it arrives at them and goes on from them.
 */
export const leadingOf = (frozen: readonly Frozen[]): Frozen[] =>
	frozen.map(({ from, to, notes }) => {
		const highest = new Map<number, OwnNote>();
		for (const note of notes) {
			const known = highest.get(note.tick);
			if (note.tick >= from && note.tick < to && (!known || note.string < known.string)) {
				highest.set(note.tick, note);
			}
		}
		return { from, to, notes: [...highest.values()].sort((a, b) => a.tick - b.tick) };
	});

/** The notes of a line one at a time: the highest of each moment. */
export function topLine<T extends { readonly tick: number; readonly midi: number }>(
	notes: readonly T[]
): T[] {
	const top: T[] = [];
	for (const note of notes) {
		const last = top.at(-1);
		if (last?.tick !== note.tick) top.push(note);
		else if (note.midi > last.midi) top[top.length - 1] = note;
	}
	return top;
}

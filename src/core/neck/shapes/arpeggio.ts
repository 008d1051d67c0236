import type { Chord, Tone } from '../../chord';
import { rolls } from '../fingers';
import { comfortOf, widestMm } from '../hand';
import type { Instrument } from '../instrument';
import { windowPlaces } from '../window';
import { bestWay, NOTE_WORTH, play, type Layer, type Played, type Way } from './fingering';
import { formOf } from './form';
import type { Shape, ShapeNote, TonePlace } from './types';

/** Tensions of an altered dominant that a shape takes, two at a time, the sweetest pair first. */
const TENSION_PAIRS: readonly (readonly string[])[] = [
	['b9', 'b13'],
	['#9', 'b13'],
	['b9', '#11'],
	['#9', '#11'],
	['#11', 'b13']
];

/** The tone sets that shapes of a chord may be made of: one, or one for each pair of tensions. */
function toneSets(chord: Chord): readonly (readonly Tone[])[] {
	const essential = chord.tones.filter((tone) => tone.essential);
	if (essential.length === chord.tones.length) return [essential];
	return TENSION_PAIRS.map((pair) => [
		...essential,
		...chord.tones.filter((tone) => !tone.essential && pair.includes(tone.role))
	]);
}

/** Every place of a window that sounds one of the tones. */
export function tonePlaces(
	instrument: Instrument,
	tones: readonly Tone[],
	position: number
): TonePlace[] {
	return windowPlaces(instrument, position).flatMap((place) => {
		const tone = tones.find((entry) => entry.pc === place.midi % 12);
		const { string, fret, midi, reach } = place;
		return tone ? [{ string, fret, midi, reach, tone }] : [];
	});
}

/** What a shape is made from. */
export type Frame = {
	readonly instrument: Instrument;
	readonly chord: Chord;
	readonly position: number;
};

/** Where finger 1 may lie, counted from the position. */
const BASES = [0, -1, 1];

/** How much better a less usual pair of tensions has to lie. */
const LESS_SWEET = 30;

/** Moving the hand by a fret must save a stretch to be worth it. */
const MOVED_BASE = 5;

/** A way with the fret that finger 1 is counted from. */
export type Fingering = Way & { readonly base: number };

/** The pitches of a shape, each with the places that may sound it; one that is not required may be left out. */
export type Pitches = readonly {
	readonly required: boolean;
	readonly places: readonly TonePlace[];
}[];

/**
 * Fingers a list of pitches from every base that can hold the required ones: the position, the fret
 * below it and the one above.
 * @returns the easiest first
 */
export function fingerings({ position }: Pick<Frame, 'position'>, pitches: Pitches): Fingering[] {
	return BASES.flatMap((move): Fingering[] => {
		const base = position + move;
		if (base < 1) return [];
		const layers: Layer[] = [];
		for (const { required, places } of pitches) {
			const played = places
				.map((place) => play(place, base))
				.filter((place): place is Played => place !== null);
			if (played.length > 0) layers.push({ required, places: played });
			else if (required) return [];
		}
		const way = bestWay(layers);
		if (!way || way.notes.length === 0) return [];
		return [{ notes: way.notes, cost: way.cost + (move === 0 ? 0 : MOVED_BASE), base }];
	}).sort((x, y) => x.cost - y.cost);
}

/** The easiest fingering of a list of pitches; null when the required ones cannot be fingered. */
export const fingerPitches = (frame: Frame, pitches: Pitches): Fingering | null =>
	fingerings(frame, pitches)[0] ?? null;

/**
 * The full shape of some tones. Every pitch under the four fingers is in it. One between the lowest and
 * the highest of them that no finger covers is reached, one fret back where that fret has it, else one
 * fret on (or where a finger would jump, and left out where it would there too). Beyond them a reach is taken only while the hand stays easy and
 * nothing else is lost for it, back before on.
 */
function fingerFull(frame: Frame, tones: readonly Tone[]): Fingering | null {
	const { instrument, position } = frame;
	const groups = byPitch(tonePlaces(instrument, tones, position));
	const under = groups.filter(({ places }) => places.some((place) => !place.reach));
	if (under.length === 0) return null;
	const [low, high] = [under[0]!.midi, under[under.length - 1]!.midi];
	const chosen = groups.map(({ midi, places }) => {
		const covered = places.filter((place) => !place.reach);
		const back = places.filter(({ fret }) => fret < position);
		const required = covered.length > 0;
		return { midi, required, places: required ? covered : back.length > 0 ? back : places };
	});
	const isInside = ({ midi }: { midi: number }) => midi >= low && midi <= high;
	const inside = chosen.filter(isInside);
	let best = fingerPitches(frame, inside);
	if (!best) return null;
	let held = new Set(best.notes.map((note) => note.midi));
	if (held.size < inside.length) {
		// What cannot be reached back may be reached on.
		const anywhere = (midi: number) => groups.find((group) => group.midi === midi)?.places ?? [];
		const wider = inside.map((entry) =>
			held.has(entry.midi) ? entry : { ...entry, places: anywhere(entry.midi) }
		);
		const way = fingerPitches(frame, wider);
		if (way && way.notes.length > best.notes.length) {
			best = way;
			held = new Set(way.notes.map((note) => note.midi));
			chosen.splice(
				0,
				chosen.length,
				...chosen.map((entry) => wider.find(({ midi }) => midi === entry.midi) ?? entry)
			);
		}
	}
	const kept = chosen
		.filter((entry) => held.has(entry.midi))
		.map((entry) => ({ ...entry, required: true }));
	const beyond = chosen.filter((entry) => !isInside(entry));
	beyond.sort((a, b) => a.places[0]!.fret - b.places[0]!.fret);
	for (const { midi, places } of beyond) {
		const pitches = [...kept, { midi, places, required: true }].sort((a, b) => a.midi - b.midi);
		const way = fingerPitches(frame, pitches);
		if (!way || comfortOf(widestMm(instrument, way.notes), instrument.hand) !== 'easy') continue;
		best = way;
		kept.push({ midi, places, required: true });
	}
	return best;
}

/** Closes fingered notes into a shape. */
export function toShape(frame: Frame, kind: Shape['kind'], { notes, base }: Fingering): Shape {
	const { instrument, chord } = frame;
	const shapeNotes = notes.map(({ string, fret, midi, tone, finger, reach }): ShapeNote => ({
		...{ string, fret, midi, name: tone.name, role: tone.role },
		...{ finger, reach }
	}));
	const root = shapeNotes.find((note) => note.role === 'R');
	const mm = widestMm(instrument, shapeNotes);
	return {
		kind,
		form: formOf(instrument, chord, root),
		rootString: root?.string ?? null,
		fingerBase: base,
		notes: shapeNotes,
		sweepable:
			shapeNotes.length > 2 &&
			shapeNotes.every((note, i) => i === 0 || note.string === shapeNotes[i - 1]!.string - 1),
		rolls: shapeNotes.flatMap((note, i) =>
			i > 0 && rolls(shapeNotes[i - 1]!, note) ? [[i - 1, i] as const] : []
		),
		shifts: [],
		stretchMm: Math.round(mm * 10) / 10,
		comfort: comfortOf(mm, instrument.hand)
	};
}

/** Places grouped by pitch, ascending. */
export function byPitch(places: readonly TonePlace[]): { midi: number; places: TonePlace[] }[] {
	const groups = new Map<number, TonePlace[]>();
	for (const place of places) {
		const group = groups.get(place.midi);
		if (group) group.push(place);
		else groups.set(place.midi, [place]);
	}
	return [...groups].sort(([a], [b]) => a - b).map(([midi, list]) => ({ midi, places: list }));
}

/** A full shape with the tones that it was made of. */
export type FullShape = { readonly shape: Shape; readonly tones: readonly Tone[] };

/**
 * The full arpeggio of a chord in one position (`fingerFull` says what is in it). An altered dominant
 * takes the two tensions that lie best.
 * @returns null when no tone lies under the fingers.
 */
export function fullShape(
	instrument: Instrument,
	chord: Chord,
	position: number
): FullShape | null {
	const frame = { instrument, chord, position };
	let best: { fingering: Fingering; tones: readonly Tone[] } | null = null;
	let least = Infinity;
	for (const [i, tones] of toneSets(chord).entries()) {
		const fingering = fingerFull(frame, tones);
		if (!fingering) continue;
		// Other pairs of tensions must lie clearly better than the sweeter ones before them.
		const awkward = fingering.cost + NOTE_WORTH * fingering.notes.length + LESS_SWEET * i;
		if (awkward < least) {
			best = { fingering, tones };
			least = awkward;
		}
	}
	return best && { shape: toShape(frame, 'full', best.fingering), tones: best.tones };
}

import type { Chord, Tone } from '../../chord';
import { rolls } from '../fingers';
import { comfortOf, MEDIUM_HAND, widestMm, type Hand } from '../hand';
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
	readonly hand: Hand;
};

/** Ways to hold the hand: which reaches it uses, and how far finger 1 moves from the position. */
const HOLDS = [
	{ back: false, forward: false, move: 0 },
	{ back: true, forward: false, move: 0 },
	{ back: true, forward: false, move: -1 },
	{ back: false, forward: true, move: 0 },
	{ back: false, forward: true, move: 1 },
	{ back: true, forward: true, move: 0 }
] as const;

/** How much better a less usual pair of tensions has to lie. */
const LESS_SWEET = 30;

/** Moving the hand by a fret must save a stretch to be worth it. */
const MOVED_BASE = 5;

type Fingering = Way & { readonly base: number };

/**
 * Fingers a list of pitches from the base that makes it easiest. Reaches are added as far as the hand
 * takes them: never further than it can stretch, unless the pitches require it.
 */
export function fingerPitches(
	frame: Frame,
	pitches: readonly { readonly required: boolean; readonly places: readonly TonePlace[] }[]
): Fingering | null {
	const { instrument, position, hand } = frame;
	const reaches = pitches.flatMap(({ places }) => places.filter((place) => place.reach));
	const backs = reaches.some((place) => place.fret < position);
	const forwards = reaches.some((place) => place.fret > position);
	let best: Fingering | null = null;
	let bestFar = true;
	for (const { back, forward, move } of HOLDS) {
		const base = position + move;
		if (base < 1 || (back && !backs) || (forward && !forwards)) continue;
		const layers: Layer[] = [];
		let possible = true;
		for (const { required, places } of pitches) {
			const played = places
				.filter((place) => !place.reach || (place.fret < position ? back : forward))
				.map((place) => play(place, base))
				.filter((place): place is Played => place !== null);
			if (played.length > 0) layers.push({ required, places: played });
			else if (required) possible = false;
		}
		const way = possible ? bestWay(layers) : null;
		if (!way || way.notes.length === 0) continue;
		const far =
			way.notes.some((note) => note.reach) &&
			comfortOf(widestMm(instrument, way.notes), hand) === 'far';
		const cost = way.cost + (move === 0 ? 0 : MOVED_BASE);
		if (best && far && !bestFar) continue;
		if (!best || (bestFar && !far) || cost < best.cost) {
			best = { notes: way.notes, cost, base };
			bestFar = far;
		}
	}
	return best;
}

/** Closes fingered notes into a shape. */
export function toShape(frame: Frame, kind: Shape['kind'], { notes, base }: Fingering): Shape {
	const { instrument, chord, hand } = frame;
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
			shapeNotes.every((note, i) => i === 0 || note.string === shapeNotes[i - 1].string - 1),
		rolls: shapeNotes.flatMap((note, i) =>
			i > 0 && rolls(shapeNotes[i - 1], note) ? [[i - 1, i] as const] : []
		),
		stretchMm: Math.round(mm * 10) / 10,
		comfort: comfortOf(mm, hand)
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
 * The full arpeggio of a chord in one position: every pitch under the fingers, and those reaches that
 * stay playable. An altered dominant takes the two tensions that lie best.
 * @returns null when no tone lies under the fingers.
 */
export function fullShape(
	instrument: Instrument,
	chord: Chord,
	position: number,
	hand: Hand = MEDIUM_HAND
): FullShape | null {
	const frame = { instrument, chord, position, hand };
	let best: { fingering: Fingering; tones: readonly Tone[] } | null = null;
	let least = Infinity;
	for (const [i, tones] of toneSets(chord).entries()) {
		const pitches = byPitch(tonePlaces(instrument, tones, position)).map(({ places }) => {
			const under = places.filter((place) => !place.reach);
			return { required: under.length > 0, places: under.length > 0 ? under : places };
		});
		const fingering = fingerPitches(frame, pitches);
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

/** The root-to-root octaves of a chord in one position: every tone between two roots, each reachable. */
export function octaveShapes(frame: Frame, tones: readonly Tone[]): Shape[] {
	const groups = byPitch(tonePlaces(frame.instrument, tones, frame.position));
	const lowest = groups[0]?.midi ?? 0;
	const root = tones[0].pc;
	const shapes: Shape[] = [];
	for (const { midi } of groups) {
		if (midi % 12 !== root || !groups.some((group) => group.midi === midi + 12)) continue;
		const within = groups.filter((group) => group.midi >= midi && group.midi <= midi + 12);
		// Every tone of the chord must be there: in an odd tuning some pitches exist nowhere.
		if (within.length < tones.length + 1 || midi < lowest) continue;
		const fingering = fingerPitches(
			frame,
			within.map(({ places }) => ({ required: true, places }))
		);
		if (!fingering) continue;
		const shape = toShape(frame, 'octave', fingering);
		if (shape.comfort !== 'far' || shape.notes.every((note) => !note.reach)) shapes.push(shape);
	}
	return shapes;
}

import type { Tone } from '../../chord';
import { comfortOf, widestMm } from '../hand';
import { fingersHold } from '../fingers';
import { byPitch, fingerings, tonePlaces, toShape, type Fingering, type Frame } from './arpeggio';
import type { Shape, TonePlace } from './types';

/** The most paths that are listed; beyond them they differ in nothing that a player would look for. */
const MOST = 32;

/** The most ways that are followed at a time: more come only where neighbouring strings sound nearly alike. */
const MOST_WAYS = 256;

/** How many places of a way lie outside the four fingers, and how often it goes on to another string. */
const effort = (way: readonly TonePlace[]): number =>
	way.reduce(
		(sum, { reach, string }, i) =>
			sum + (reach ? 3 : 0) + (i > 0 && string !== way[i - 1]!.string ? 1 : 0),
		0
	);

/**
 * Every choice of one place for each pitch that keeps to its string or goes on to thinner ones and that no
 * stretch rules out; of very many the easiest.
 */
function climbs({ instrument }: Frame, groups: readonly (readonly TonePlace[])[]): TonePlace[][] {
	let ways: TonePlace[][] = [[]];
	for (const places of groups) {
		ways = ways
			.flatMap((way) =>
				places
					.filter((place) => way.length === 0 || place.string <= way[way.length - 1]!.string)
					.map((place) => [...way, place])
			)
			.filter((way) => comfortOf(widestMm(instrument, way), instrument.hand) !== 'far');
		if (ways.length > MOST_WAYS) {
			ways = ways.sort((a, b) => effort(a) - effort(b)).slice(0, MOST_WAYS);
		}
	}
	return ways;
}

/** From each root up to the next root, and to the seventh where the chord has one: pitches in between, each once. */
function spans(frame: Frame, tones: readonly Tone[]): TonePlace[][][] {
	const groups = byPitch(tonePlaces(frame.instrument, tones, frame.position));
	const essential = tones.filter((tone) => tone.essential);
	const seventh = essential.find(({ role }) => role.endsWith('7'));
	return groups.flatMap(({ midi }) => {
		if (midi % 12 !== tones[0]!.pc) return [];
		const goals = [midi + 12];
		if (seventh) goals.push(midi + ((seventh.pc - tones[0]!.pc + 12) % 12));
		return goals.flatMap((goal) => {
			if (!groups.some((group) => group.midi === goal)) return [];
			const within = groups.filter((group) => group.midi >= midi && group.midi <= goal);
			// Every tone of the chord must be there: in an odd tuning some pitches exist nowhere.
			const wanted = tones.filter(({ pc }) => (pc - (midi % 12) + 12) % 12 <= goal - midi).length;
			if (within.length < wanted + (goal === midi + 12 ? 1 : 0)) return [];
			return [within.map(({ places }) => places)];
		});
	});
}

/** What fingers one after another over four frets that are not neighbours cost. */
const SPREAD = 50;

/**
 * A spread hand: one finger for each fret that is used, in order, where no base gives every note its own
 * (4, 5, 7, 8 under fingers 1 to 4). Null for more than four frets, or where a finger would jump.
 */
function spread(places: readonly TonePlace[]): Fingering | null {
	const frets = [...new Set(places.map(({ fret }) => fret))].filter((fret) => fret > 0);
	frets.sort((a, b) => a - b);
	if (frets.length === 0 || frets.length > 4) return null;
	const notes = places.map((place) => {
		const at = frets.indexOf(place.fret);
		// The outer frets belong to the outer fingers.
		const finger = at < 0 ? null : at === frets.length - 1 && at > 0 ? 4 : at + 1;
		return { ...place, finger, stretched: false };
	});
	return fingersHold(notes) ? { notes, cost: SPREAD, base: frets[0]! } : null;
}

/** How a path is judged: easy hands first, few reaches, one back before one on. */
const awkward = ({ position }: Frame, { comfort, notes }: Shape, cost: number): number =>
	cost +
	(comfort === 'easy' ? 0 : 30) +
	notes.reduce((sum, { reach, fret }) => sum + (reach ? (fret < position ? 10 : 40) : 0), 0);

/**
 * The ways through one position from a root to the next root, and from a root to the seventh, that a hand
 * plays without a stretch that is too far: each choice of places, and each base that fingers it (a root
 * under the third finger or the fourth). The easiest of every octave comes first, as `octave`; all others
 * are `path`s, the easier ones first.
 */
export function paths(frame: Frame, tones: readonly Tone[]): Shape[] {
	const octaves: { shape: Shape; cost: number }[] = [];
	const others: { shape: Shape; cost: number }[] = [];
	for (const groups of spans(frame, tones)) {
		const found = climbs(frame, groups).flatMap((places) => {
			const pitches = places.map((place) => ({ required: true, places: [place] }));
			const held = fingerings(frame, pitches);
			const wide = held.length === 0 ? spread(places) : null;
			return [...held, ...(wide ? [wide] : [])].map((way, i) => {
				const shape = toShape(frame, 'path', way);
				// Another finger for the same places is told after the first.
				return { shape, cost: awkward(frame, shape, way.cost) + (i > 0 ? 40 : 0) };
			});
		});
		found.sort((a, b) => a.cost - b.cost);
		const notes = found[0]?.shape.notes;
		if (notes && notes[notes.length - 1]!.midi - notes[0]!.midi === 12) {
			const first = found.shift();
			if (first) octaves.push({ ...first, shape: { ...first.shape, kind: 'octave' } });
		}
		others.push(...found);
	}
	others.sort((a, b) => a.cost - b.cost);
	return [...octaves, ...others].slice(0, MOST).map(({ shape }) => shape);
}

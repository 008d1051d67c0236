import type { Tone } from '../../chord';
import { fingerJumps } from '../fingers';
import { comfortOf, widestMm } from '../hand';
import { highestFret, type Place } from '../instrument';
import { isPosition } from '../window';
import { fullShape, type Frame } from './arpeggio';
import { formOf } from './form';
import type { Shape, ShapeNote, Shift } from './types';
import { reachPrice, shiftPrice } from '../prices';

/** The nearest and the farthest place that a shape is carried on into, in frets. */
const [NEAR, FAR] = [2, 5];
/** The most shapes that are carried on from one place. */
const MOST = 4;
/** The fewest notes on either side of a shift, and of a climb two a string. */
const [FEWEST, FEWEST_CLIMB] = [2, 6];

/** Beside what the hand pays, in the same thousandths: beginning on another tone than the root; what a note more is worth. */
export const JOIN = { rootless: 1250, note: 250 };

/** Parts of a joined shape, each under one place of the hand. */
function parts(notes: readonly ShapeNote[], shifts: readonly Shift[]): ShapeNote[][] {
	const cuts = [0, ...shifts.map(({ afterNote }) => afterNote + 1), notes.length];
	return cuts.slice(1).map((end, i) => notes.slice(cuts[i], end));
}

function joinedShape(
	{ instrument, chord }: Frame,
	notes: readonly ShapeNote[],
	shifts: readonly Shift[],
	base: number
): Shape {
	const mm = Math.max(...parts(notes, shifts).map((part) => widestMm(instrument, part)));
	const root = notes.find(({ role }) => role === 'R');
	return {
		...{ kind: 'joined', form: formOf(instrument, chord, root), rootString: root?.string ?? null },
		...{ fingerBase: base, notes, sweepable: false, rolls: [], shifts },
		...{ stretchMm: Math.round(mm * 10) / 10, comfort: comfortOf(mm, instrument.hand) }
	};
}

/** What the reaches among some notes of a full shape cost, from its own place of the hand. */
const reaches = ({ instrument }: Frame, { notes, fingerBase }: Shape, from: number, to?: number) =>
	notes
		.slice(from, to)
		.reduce(
			(sum, note) => sum + (note.reach ? reachPrice(instrument, fingerBase, note.fret) : 0),
			0
		);

/** The ways from one full shape into another of the same tones, each on the string where the hand shifts. */
function carries(frame: Frame, from: Shape, to: Shape): { shape: Shape; cost: number }[] {
	const root = from.notes.findIndex(({ role }) => role === 'R');
	const top = from.notes[from.notes.length - 1]!.midi;
	return from.notes.flatMap((last, i) => {
		const next = to.notes.findIndex(({ midi }) => midi > last.midi);
		const first = to.notes[next];
		// From the lowest root, or from the lowest tone where the root lies too near the shift.
		const start = root >= 0 && i - root + 1 >= FEWEST ? root : 0;
		if (i - start + 1 < FEWEST || to.notes.length - next < FEWEST || !first) return [];
		if (first.string !== last.string || first.fret <= last.fret) return [];
		// A tone in between that neither place holds would be a hole.
		if (from.notes[i + 1] && from.notes[i + 1]!.midi < first.midi) return [];
		if (to.notes[to.notes.length - 1]!.midi <= top || first.finger === null) return [];
		const notes = [...from.notes.slice(start, i + 1), ...to.notes.slice(next)];
		const shift: Shift = {
			...{ afterNote: i - start, frets: to.fingerBase - from.fingerBase },
			...{ string: first.string, finger: first.finger }
		};
		const slides = first.finger === last.finger;
		const cost =
			shiftPrice(first.fret - last.fret, slides ? 'slid' : first.finger === 1 ? 'first' : 'other') +
			(start === root ? 0 : JOIN.rootless) +
			reaches(frame, from, start, i + 1) +
			reaches(frame, to, next) -
			JOIN.note * notes.length;
		return [{ shape: joinedShape(frame, notes, [shift], from.fingerBase), cost }];
	});
}

const placesOf = ({ notes }: Shape): string =>
	notes.map(({ string, fret }) => `${string}:${fret}`).join();

/**
 * Arpeggios over two places: from the lowest root of this one (or its lowest tone) up through its full shape, and on one string
 * into the full shape of a place two to five frets on. The best join for each of those places, the easiest
 * first; both parts sound the same tones.
 */
export function carriedOn(frame: Frame, here: Shape, tones: readonly Tone[]): Shape[] {
	const { instrument, chord, position } = frame;
	const kinds = tones.map(({ role }) => role).join();
	const found: { shape: Shape; cost: number }[] = [];
	for (let far = NEAR; far <= FAR; far++) {
		if (!isPosition(instrument, position + far)) break;
		const there = fullShape(instrument, chord, position + far);
		if (!there || there.tones.map(({ role }) => role).join() !== kinds) continue;
		const [best] = carries(frame, here, there.shape).sort((a, b) => a.cost - b.cost);
		if (!best || best.shape.comfort === 'far') continue;
		// Two places may lead to the same notes: they are one shape.
		const known = found.some(({ shape }) => placesOf(shape) === placesOf(best.shape));
		if (!known) found.push(best);
	}
	return found
		.sort((a, b) => a.cost - b.cost)
		.slice(0, MOST)
		.map(({ shape }) => shape);
}

/** The finger for the upper of two notes on one string, the lower under the first. */
const upperFinger = (frets: number): number => Math.min(4, frets + 1);

/**
 * An arpeggio two notes a string, up the neck: the tones in order of pitch from each tone that lies under
 * the fingers on the thickest string, the hand moved along for each pair. From the root first; none that
 * asks for a stretch that is too far.
 */
export function twoAString(frame: Frame, tones: readonly Tone[]): Shape[] {
	const { instrument, position } = frame;
	const thickest = instrument.open.length;
	const starts: Place[] = [0, 1, 2, 3].map((i) => ({ string: thickest, fret: position + i }));
	const shapes = starts.flatMap(({ fret }) => {
		const shape = climbFrom(frame, tones, fret);
		return shape && shape.comfort !== 'far' ? [shape] : [];
	});
	return shapes.sort((a, b) => fromRoot(b) - fromRoot(a));
}

const fromRoot = ({ notes }: Shape): number => (notes[0]!.role === 'R' ? 1 : 0);

function climbFrom(frame: Frame, tones: readonly Tone[], start: number): Shape | null {
	const { instrument } = frame;
	const [thickest, last] = [instrument.open.length, highestFret(instrument)];
	let midi = instrument.open[thickest - 1]! + start;
	const notes: ShapeNote[] = [];
	const shifts: Shift[] = [];
	let base = start;
	for (let string = thickest; string >= 1; string--) {
		const open = instrument.open[string - 1]!;
		const pair: { fret: number; midi: number; tone: Tone }[] = [];
		for (; pair.length < 2 && midi - open <= last; midi++) {
			const tone = tones.find(({ pc }) => pc === midi % 12);
			if (tone) pair.push({ fret: midi - open, midi, tone });
		}
		const [low, high] = pair;
		if (!low || !high || low.fret < 1) break;
		if (notes.length > 0 && low.fret !== base) {
			const shift = { afterNote: notes.length - 1, frets: low.fret - base, string, finger: 1 };
			shifts.push(shift);
		}
		base = low.fret;
		for (const { fret, midi, tone } of pair) {
			notes.push({
				...{ string, fret, midi, name: tone.name, role: tone.role },
				...{ finger: fret === base ? 1 : upperFinger(fret - base), reach: fret > base + 3 }
			});
		}
	}
	const whole = notes[0]?.fret === start && notes.length >= FEWEST_CLIMB && shifts.length > 0;
	if (!whole) return null;
	// Where the hand stays, no finger may jump.
	const moved = new Set(shifts.map(({ afterNote }) => afterNote));
	const jumps = notes.some(
		(note, i) => i > 0 && !moved.has(i - 1) && fingerJumps(notes[i - 1]!, note)
	);
	return jumps ? null : joinedShape(frame, notes, shifts, start);
}

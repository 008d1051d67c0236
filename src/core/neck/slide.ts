import type { Chord } from '../chord';
import type { Scale } from '../harmony';
import { mod, pitchClass } from '../pitch';
import { highestFret, pitchAt, type Instrument } from './instrument';

/** How far a second fret may lie from the first, in frets. */
const SLIDE_NEAR = 3;
/** The second fret where no scale says which one adds most: a whole tone on. */
const PLAIN = 2;

/** The finger that wears the slide. */
export const SLIDE_FINGER = 4;

/** Pitch classes of the scale that some frets sound, straight across the strings. */
const kindsOn = (instrument: Instrument, scale: Scale, frets: readonly number[]): number => {
	const heard = frets.flatMap((fret) =>
		instrument.open.map((_, i) => pitchAt(instrument, { string: i + 1, fret }) % 12)
	);
	return scale.notes.filter((note) => heard.includes(note.pc)).length;
};

/** The third of a chord, by pitch class; null where it has none. */
const thirdOf = (chord: Chord): number | null =>
	chord.tones.find(({ role }) => role === '3' || role === 'b3')?.pc ?? null;

/** How many of some thirds, as often as they come, one of some frets sounds. */
const thirdsOn = (
	instrument: Instrument,
	thirds: readonly (number | null)[],
	frets: readonly number[]
): number => thirds.filter((pc) => pc !== null && soundsOn(instrument, pc, frets)).length;

const soundsOn = (instrument: Instrument, pc: number, frets: readonly number[]): boolean =>
	frets.some((fret) =>
		instrument.open.some((_, i) => pitchAt(instrument, { string: i + 1, fret }) % 12 === pc)
	);

/** The frets, at most three on, that a second one may be. */
const secondFrets = (instrument: Instrument, fret: number): number[] =>
	Array.from({ length: SLIDE_NEAR }, (_, i) => fret + i + 1).filter(
		(other) => other <= highestFret(instrument)
	);

/**
 * The fret, at most three on, that holds the thirds of most chords beside a fret, and of these the one that
 * adds the most notes of a scale; null at the end of the neck.
 */
export function secondFret(
	instrument: Instrument,
	scale: Scale | null,
	fret: number,
	chords: readonly Chord[] = []
): number | null {
	const others = secondFrets(instrument, fret);
	if (!scale && chords.length === 0) return others[PLAIN - 1] ?? others.at(-1) ?? null;
	const thirds = chords.map(thirdOf);
	const found = others
		.map((other) => ({
			...{ other, thirds: thirdsOn(instrument, thirds, [fret, other]) },
			kinds: scale ? kindsOn(instrument, scale, [fret, other]) : 0
		}))
		.sort((a, b) => b.thirds - a.thirds || b.kinds - a.kinds)[0];
	return found?.other ?? null;
}

/** How far apart two frets lie that move together from root to root: by the thirds that they hold on the way. */
function blockApart(instrument: Instrument, { scale, from, chords }: Slide): number {
	const start = barFret(from ?? 1);
	const roots = chords.map((chord) => pitchClass(chord.root) - pitchClass(chords[0]!.root));
	const held = (apart: number) =>
		chords.filter((chord, i) => {
			const third = thirdOf(chord);
			// The octave does not matter: the thirds are told by pitch class.
			const there = mod(start + roots[i]!, 12);
			return third !== null && soundsOn(instrument, third, [there, there + apart]);
		}).length;
	const adds = (apart: number) => (scale ? kindsOn(instrument, scale, [start, start + apart]) : 0);
	const near = secondFrets(instrument, start).map((fret) => fret - start);
	near.sort((a, b) => held(b) - held(a) || adds(b) - adds(a));
	return near[0] ?? 0;
}

/** The fret that a position lies on under a slide: its own, but the first is that of the open strings. */
export const barFret = (position: number): number => (position === 1 ? 0 : position);

/** What decides the second fret of a slide. */
type Slide = {
	readonly scale: Scale | null;
	/** Where both frets move as a block: the position that they start from. */
	readonly from: number | null;
	/** The chords that are played, as often as they come; the first is where a block starts. */
	readonly chords: readonly Chord[];
};

/**
 * An instrument played with a slide: a position holds one fret straight across, or two, and no other; the
 * first is that of the open strings.
 * @param frets 1: the position's fret; 2: with the fret near it that holds the thirds of most chords, and
 * then adds the most notes of the scale
 */
export function withSlide(
	instrument: Instrument,
	frets: 1 | 2,
	{ scale = null, from = null, chords = [] }: Partial<Slide> = {}
): Instrument {
	const apart = from === null ? null : blockApart(instrument, { scale, from, chords });
	const slide = Array.from({ length: highestFret(instrument) + 1 }, (_, position): number[] => {
		const fret = barFret(position);
		if (frets === 1) return [fret];
		const second = apart ? fret + apart : secondFret(instrument, scale, fret, chords);
		return second === null || second > highestFret(instrument) ? [fret] : [fret, second];
	});
	return { ...instrument, slide };
}

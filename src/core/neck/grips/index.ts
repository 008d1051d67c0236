import type { Chord, Role, Tone } from '../../chord';
import { noteName, pitchClass, type Notation, type Note } from '../../pitch';
import { comfortOf, widestMm, type Comfort } from '../hand';
import type { Instrument, Place } from '../instrument';
import { formOfGrip, type Form } from '../shapes';
import { SLIDE_FINGER } from '../slide';
import { windowPlaces } from '../window';
import { holdGrip, type Hold } from './hold';
import { fullNeeds, meets, smallNeeds } from './needs';

/** One string of a grip. `role` is what the note is in the chord, or the cell's degree. */
type GripNote = Place & {
	readonly midi: number;
	readonly name: Notation;
	readonly role: Role;
	readonly finger: number | null;
};

/** Notes that sound at one time, one a string, the thickest string first. */
export type Grip = {
	/** The movable form that it keeps the outline of; null in tunings and for chords without one. */
	readonly form: Form | null;
	readonly notes: readonly GripNote[];
	/** Strings that do not sound, the thickest first. */
	readonly muted: readonly number[];
	readonly stretchMm: number;
	readonly comfort: Comfort;
};

type Sound = Place & { readonly midi: number; readonly reach: boolean; readonly tone: GripTone };
type GripTone = Pick<Tone, 'role' | 'name' | 'pc'>;

/** The most strings of a grip, and the most of those of four strings and more, and of three, that are listed. */
const MOST_STRINGS = 6;
const MOST = { full: 16, small: 12 } as const;
/** The widest grip in frets. */
const SPAN = 5;

/** What else than its fingers makes a grip less welcome; a string more is worth a little. */
const COST = { reach: 14, mute: 6, twice: 3, rub: 25, mm: 0.12, string: 5 } as const;

/** Sevenths and colours sound once; root, third and fifth may be doubled. */
const MAY_DOUBLE = /^(R|b?3|[b#]?5|4|2|bass)$/;

/**
 * Every way to sound one place a string or leave the string out. Inside, one string may be left out, beside
 * the thickest that sounds: there its finger damps it.
 */
function* voicings(
	byString: readonly (readonly Sound[])[],
	[fewest, most]: readonly [number, number],
	instrument: Instrument
): Generator<Sound[]> {
	const picked: Sound[] = [];
	function* from(index: number, gaps: number): Generator<Sound[]> {
		if (index < 0 || picked.length === most) return;
		for (const sound of byString[index]!) {
			if (picked.some((other) => other.midi >= sound.midi)) {
				// A thinner string below a thicker one happens in re-entrant tunings alone; a unison is no voice.
				if (picked.some((other) => other.midi === sound.midi)) continue;
				if (picked[0]!.midi > sound.midi) continue;
			}
			if (!MAY_DOUBLE.test(sound.tone.role)) {
				if (picked.some((other) => other.tone.pc === sound.tone.pc)) continue;
			}
			picked.push(sound);
			const fretted = picked.map(({ fret }) => fret).filter((fret) => fret > 0);
			const span = Math.max(...fretted) - Math.min(...fretted);
			if (span <= SPAN && comfortOf(widestMm(instrument, picked), instrument.hand) !== 'far') {
				if (picked.length >= fewest) yield [...picked];
				yield* from(index - 1, gaps);
			}
			picked.pop();
		}
		if (picked.length === 0) yield* from(index - 1, 0);
		else if (picked.length === 1 && gaps === 0) yield* from(index - 1, 1);
	}
	yield* from(byString.length - 1, 0);
}

/** An open string damps nothing. */
const damped = ([low, next]: readonly Sound[]): boolean =>
	low !== undefined && (low.string === (next?.string ?? 0) + 1 || low.fret > 0);

/** A semitone over an octave under the root, as between a major seventh and a root on top, is no sweet sound. */
function rubs(voicing: readonly Sound[]): number {
	let count = 0;
	for (const low of voicing) {
		for (const high of voicing) {
			if (high.midi - low.midi === 13 && high.tone.role === 'R') count++;
		}
	}
	return count;
}

type Found = { readonly voicing: readonly Sound[]; readonly hold: Hold; readonly cost: number };

function judge(instrument: Instrument, voicing: readonly Sound[]): Found | null {
	const slide = instrument.slide !== undefined;
	if (slide && new Set(voicing.map(({ fret }) => fret)).size > 1) return null;
	const hold = slide
		? { fingers: voicing.map(({ fret }) => (fret > 0 ? SLIDE_FINGER : null)), cost: 0 }
		: holdGrip(voicing);
	if (!hold) return null;
	const gap = voicing[0]!.string - voicing[voicing.length - 1]!.string + 1 - voicing.length;
	if (slide && gap > 0) return null;
	const cost =
		hold.cost +
		COST.reach * voicing.filter(({ reach }) => reach).length +
		COST.mute * gap +
		COST.twice * (voicing.length - new Set(voicing.map(({ tone }) => tone.pc)).size) +
		COST.rub * rubs(voicing) +
		COST.mm * widestMm(instrument, voicing) -
		COST.string * voicing.length;
	return { voicing, hold, cost };
}

const placeOf = ({ string, fret }: Place): string => `${string}:${fret}`;

/** A grip inside a larger one that is as easy is not told again, unless each of its tones sounds just once. */
function notInside(found: readonly Found[]): Found[] {
	const sets = found.map(({ voicing }) => new Set(voicing.map(placeOf)));
	return found.filter(({ voicing }) => {
		if (new Set(voicing.map(({ tone }) => tone.pc)).size === voicing.length) return true;
		return !sets.some(
			(other) => other.size > voicing.length && voicing.every((sound) => other.has(placeOf(sound)))
		);
	});
}

function toGrip(
	{ instrument, chord }: { instrument: Instrument; chord: Chord | null },
	{ voicing, hold }: Found
): Grip {
	const mm = widestMm(instrument, voicing);
	const sounding = new Set(voicing.map(({ string }) => string));
	return {
		form: chord && formOfGrip(instrument, chord, voicing),
		notes: voicing.map(({ string, fret, midi, tone }, i) => ({
			...{ string, fret, midi, name: tone.name, role: tone.role, finger: hold.fingers[i]! }
		})),
		muted: instrument.open
			.map((_, i) => instrument.open.length - i)
			.filter((string) => !sounding.has(string)),
		stretchMm: Math.round(mm * 10) / 10,
		comfort: comfortOf(mm, instrument.hand)
	};
}

/** The sounds of some tones in a position, by string from the thinnest. */
function soundsIn(
	instrument: Instrument,
	position: number,
	tones: readonly GripTone[]
): readonly (readonly Sound[])[] {
	const byString: Sound[][] = instrument.open.map(() => []);
	for (const { string, fret, midi, reach } of windowPlaces(instrument, position)) {
		const tone = tones.find((entry) => entry.pc === midi % 12);
		if (tone) byString[string - 1]!.push({ string, fret, midi, reach, tone });
	}
	return byString;
}

/** True when a voicing reaches back and on at once: it belongs to another place. */
const bothWays = (voicing: readonly Sound[], position: number): boolean =>
	voicing.some(({ reach, fret }) => reach && fret < position) &&
	voicing.some(({ reach, fret }) => reach && fret > position);

/**
 * The grips of a chord in one position: on four to six strings with the bass (the root, or the note after
 * the slash) lowest and every tone but a fifth that can be spared; and on three strings in every inversion,
 * a triad whole, of a larger chord its guide tones with one more. The string beside the bass
 * may be left out, its finger damps it; sevenths and colours are not doubled; the hand is never asked for a stretch that is too
 * far. The larger first, each kind by ease. With a slide, what lies straight across.
 * @returns at most 28; an empty list where the place holds none
 */
export function grips(instrument: Instrument, chord: Chord, position: number): Grip[] {
	const byString = soundsIn(instrument, position, chord.tones);
	const [needs, few] = [fullNeeds(chord), smallNeeds(chord)];
	const bass = pitchClass(chord.bass ?? chord.root);
	const slide = instrument.slide !== undefined;
	const found: { full: Found[]; small: Found[] } = { full: [], small: [] };
	for (const voicing of voicings(byString, [3, MOST_STRINGS], instrument)) {
		const small = voicing.length === 3;
		const heard = new Set(voicing.map(({ tone }) => tone.pc));
		if (!meets(small ? few : needs, heard)) continue;
		const grounded = voicing[0]!.tone.pc === bass;
		const open = voicing[0]!.string - voicing[voicing.length - 1]!.string >= voicing.length;
		if (small ? open && !grounded : !grounded && !slide) continue;
		if (!damped(voicing) || bothWays(voicing, position)) continue;
		const judged = judge(instrument, voicing);
		if (judged) found[small ? 'small' : 'full'].push(judged);
	}
	const frame = { instrument, chord };
	const sorted = (list: readonly Found[], most: number) =>
		[...list].sort((a, b) => a.cost - b.cost).slice(0, most);
	return [...sorted(notInside(found.full), MOST.full), ...sorted(found.small, MOST.small)].map(
		(entry) => toGrip(frame, entry)
	);
}

/**
 * The voicings of a cell in one position: each of its notes once, on as many neighbouring strings.
 * @param notes two to six notes; roles are told by the caller
 */
export function cellGrips(
	instrument: Instrument,
	notes: readonly { readonly note: Note; readonly role: Role }[],
	position: number
): Grip[] {
	const tones = notes.map(({ note, role }) => ({
		...{ role, name: noteName(note), pc: pitchClass(note) }
	}));
	const byString = soundsIn(instrument, position, tones);
	const size = tones.length;
	const found: Found[] = [];
	for (const voicing of voicings(byString, [size, size], instrument)) {
		if (new Set(voicing.map(({ tone }) => tone.pc)).size < size) continue;
		if (voicing[0]!.string - voicing[size - 1]!.string >= size) continue;
		if (bothWays(voicing, position)) continue;
		const judged = judge(instrument, voicing);
		if (judged) found.push(judged);
	}
	const frame = { instrument, chord: null };
	return found.sort((a, b) => a.cost - b.cost).map((entry) => toGrip(frame, entry));
}

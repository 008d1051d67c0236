import { hasRole, isMinorMode, type Chord, type Mode } from '../chord';
import type { Chart, ChordEvent } from '../chart';
import { mod, pitchClass, type Note, type PitchClass } from '../pitch';
import { HOME_SETS } from './home';

/** What speaks for one home: everything that the ranking weighs, in shares (0 … 1), counts and beats. */
export type Evidence = {
	readonly tonic: PitchClass;
	readonly mode: Mode;
	/** Share of the chord-tone time whose notes lie in the mode. */
	readonly inside: number;
	/** The scale holds every chord tone, the leading tone under a minor key's dominant allowed. */
	readonly holdsAll: boolean;
	/** How long the tonic chord sounds: a chord on the tonic with the mode's own third, or with none. */
	readonly onTonicTicks: number;
	/** The same, each chord counted by how well it is at rest there. */
	readonly restTicks: number;
	readonly totalTicks: number;
	/** The tonic chord sounds somewhere. */
	readonly sounds: boolean;
	readonly opens: boolean;
	readonly closes: boolean;
	/** The last chord leads to the tonic, which opens the chart: the loop comes home. */
	readonly leadsBack: boolean;
	/** Arrivals V–I (or the mode's own way home), those set up by a ii counted apart; bars of both. */
	readonly arrivals: readonly Arrival[];
	readonly heldBass: boolean;
	/** The tone that tells the mode from plain major or minor sounds in the chart, and its rival does not. */
	readonly colour: 'heard' | 'silent' | 'denied' | 'none';
	/** A dominant resolves to the major key whose signature this mode shares: the mode is its detour. */
	readonly rivalArrives: boolean;
	/** I and IV are both dominant sevenths. */
	readonly blues: 'I and IV' | 'I' | 'no';
};

type Arrival = { readonly from: ChordEvent; readonly to: ChordEvent; readonly setUp: boolean };

type Sounding = ChordEvent & { readonly chord: Chord };

/** What the evidence of all homes is read from; made once per chart. */
export type Survey = {
	readonly events: readonly Sounding[];
	/** The distinct chords with the time that each sounds in all. */
	readonly chords: readonly { readonly chord: Chord; readonly ticks: number }[];
	/** Indices of the events on each root. */
	readonly onRoot: readonly (readonly number[])[];
	readonly total: number;
	readonly bass: PitchClass | null;
	/** Ticks in which each pitch class sounds. */
	readonly sounding: readonly number[];
	/** A dominant arrives at the major chord on a pitch class; found when first asked for. */
	readonly arrivesAt: (tonic: PitchClass) => boolean;
	/** How the chart writes a pitch class as a root, or else as a bass. */
	readonly written: ReadonlyMap<PitchClass, Note>;
	/** How far the roots as they are written lean to sharps (positive) or flats. */
	readonly lean: number;
};

export const isDominant = (chord: Chord): boolean => hasRole(chord, '3') && hasRole(chord, 'b7');

/** Reads a chart once for all candidates. */
export function survey(chart: Chart): Survey {
	const events = chart.events.filter((event): event is Sounding => event.chord !== null);
	const total = events.reduce((sum, event) => sum + event.durationTicks, 0);
	const basses = events.map(({ chord }) => pitchClass(chord.bass ?? chord.root));
	const slashes = events.filter(({ chord }) => chord.bass).length;
	const held = slashes > 0 && basses.every((pc) => pc === basses[0]) ? (basses[0] ?? null) : null;
	const sounding = new Array<number>(12).fill(0);
	for (const { chord, durationTicks } of events) {
		for (const tone of chord.tones) if (tone.essential) sounding[tone.pc]! += durationTicks;
	}
	const onRoot: number[][] = Array.from({ length: 12 }, () => []);
	const ticks = new Map<string, { chord: Chord; ticks: number }>();
	events.forEach(({ chord, symbol, durationTicks }, i) => {
		onRoot[pitchClass(chord.root)]!.push(i);
		const known = ticks.get(symbol) ?? { chord, ticks: 0 };
		known.ticks += durationTicks;
		ticks.set(symbol, known);
	});
	const written = new Map<PitchClass, Note>();
	const write = (note: Note) => {
		if (!written.has(pitchClass(note))) written.set(pitchClass(note), note);
	};
	for (const { chord } of events) write(chord.root);
	for (const { chord } of events) if (chord.bass) write(chord.bass);
	const lean = events.reduce((sum, { chord }) => sum + Math.sign(chord.root.alter), 0);
	const chords = [...ticks.values()];
	const known = new Map<PitchClass, boolean>();
	const given = { events, chords, onRoot, total, bass: held, sounding, written, lean };
	const arrivesAt = (tonic: PitchClass): boolean => {
		const arrives = known.get(tonic) ?? arrivalsOf(given, tonic, 'major').length > 0;
		known.set(tonic, arrives);
		return arrives;
	};
	return { ...given, arrivesAt };
}

/**
 * True when a chord on the tonic is the mode's own: its third is the mode's (a blues takes both), or it
 * has none, as a power chord or a suspended one; its fifth is not lowered, but in locrian.
 */
function isTonicChord(chord: Chord, mode: Mode): boolean {
	if (mode === 'locrian')
		return hasRole(chord, 'b3') && hasRole(chord, 'b5') && !hasRole(chord, 'bb7');
	if (hasRole(chord, 'b3')) return (isMinorMode(mode) || mode === 'blues') && !hasRole(chord, 'b5');
	return !hasRole(chord, '3') || !isMinorMode(mode);
}

/** How much a chord is at rest on the tonic: 1 the mode's own chord, 0 another chord. */
function tonicFit(chord: Chord, mode: Mode): number {
	if (!isTonicChord(chord, mode)) return 0;
	if (isMinorMode(mode)) return 1;
	if (mode === 'blues') return isDominant(chord) ? 1 : hasRole(chord, 'b3') ? 0.25 : 0.5;
	if (mode === 'mixolydian') return hasRole(chord, '7') ? 0.1 : hasRole(chord, 'b7') ? 1 : 0.9;
	// A dominant seventh on the first degree of a major key wants to go on.
	return hasRole(chord, 'b7') && hasRole(chord, '3') ? 0.25 : 1;
}

/** A chord that fits its mode less than this is no place to arrive at. */
const RESTS = 0.5;

/** The leading tone of a minor key belongs to it while its dominant sounds. */
const leadingAllowed = (chord: Chord, tonic: PitchClass, mode: Mode): boolean => {
	if (mode !== 'minor') return false;
	const degree = mod(pitchClass(chord.root) - tonic, 12);
	return (degree === 7 && hasRole(chord, '3')) || (degree === 11 && hasRole(chord, 'b5'));
};

function insideShare(given: Survey, tonic: PitchClass, mode: Mode): number {
	const home = HOME_SETS[mode];
	let sum = 0;
	for (const { chord, ticks } of given.chords) {
		const tones = chord.tones.filter((tone) => tone.essential);
		const leading = leadingAllowed(chord, tonic, mode);
		const inside = tones.filter((tone) => {
			const degree = mod(tone.pc - tonic, 12);
			return home.has(degree) || (leading && degree === 11);
		});
		sum += (ticks * inside.length) / tones.length;
	}
	return given.total === 0 ? 0 : sum / given.total;
}

/** Modes as steps above the tonic of the major key with the same signature, in semitones. */
export const ABOVE_PARENT: Record<Mode, number> = {
	major: 0,
	blues: 0,
	dorian: 2,
	phrygian: 4,
	lydian: 5,
	mixolydian: 7,
	minor: 9,
	locrian: 11
};

/** Degrees from whose chord each mode comes home where it opens the chart, besides the dominant. */
const OWN_WAY: Partial<Record<Mode, number>> = { mixolydian: 10, dorian: 10, phrygian: 1 };

function arrivalsOf(
	given: Pick<Survey, 'events' | 'onRoot'>,
	tonic: PitchClass,
	mode: Mode
): Arrival[] {
	const { events } = given;
	const opens = pitchClass(events[0]!.chord.root) === tonic;
	return given.onRoot[tonic]!.flatMap((i) => {
		const to = events[i]!;
		if (tonicFit(to.chord, mode) < RESTS) return [];
		const from = events[(i + events.length - 1) % events.length]!;
		const degree = mod(pitchClass(from.chord.root) - tonic, 12);
		const dominant = degree === 7 && hasRole(from.chord, '3');
		const raised = degree === 11 && hasRole(from.chord, 'b5') && isMinorMode(mode);
		if (!dominant && !raised && !(opens && degree === OWN_WAY[mode])) return [];
		const before = events[(i + events.length - 2) % events.length]!;
		const setUp =
			dominant &&
			mod(pitchClass(before.chord.root) - tonic, 12) === 2 &&
			hasRole(before.chord, 'b3');
		return [{ from, to, setUp }];
	});
}

/** The degree that sets a mode apart, and the degree that would deny it. */
const TELLING: Partial<Record<Mode, readonly [number, number]>> = {
	dorian: [9, 8],
	phrygian: [1, 2],
	lydian: [6, 5],
	mixolydian: [10, 11],
	major: [11, 10],
	minor: [8, 9],
	locrian: [6, 7]
};

function colourOf(given: Survey, tonic: PitchClass, mode: Mode): Evidence['colour'] {
	const pair = TELLING[mode];
	if (!pair) return 'none';
	const [own, rival] = pair.map((degree) => given.sounding[(tonic + degree) % 12] ?? 0) as [
		number,
		number
	];
	if (rival > own) return 'denied';
	return own > 0 ? 'heard' : 'silent';
}

function bluesOf(given: Survey, tonic: PitchClass): Evidence['blues'] {
	const dominantOn = (degree: number) =>
		given.chords.some(
			({ chord }) => mod(pitchClass(chord.root) - tonic, 12) === degree && isDominant(chord)
		);
	if (!dominantOn(0)) return 'no';
	return dominantOn(5) ? 'I and IV' : 'I';
}

/** Gathers what speaks for one tonic and mode. */
export function evidenceFor(given: Survey, tonic: PitchClass, mode: Mode): Evidence {
	const { events, chords, total, bass } = given;
	const fit = (event: { readonly chord: Chord } | undefined) =>
		event && pitchClass(event.chord.root) === tonic ? tonicFit(event.chord, mode) : 0;
	const [first, last] = [events[0], events.at(-1)];
	const arrivals = arrivalsOf(given, tonic, mode);
	const parent = mod(tonic - ABOVE_PARENT[mode], 12);
	const heldBass = bass === tonic;
	const inside = insideShare(given, tonic, mode);
	const onTonic = chords.filter(
		({ chord }) => pitchClass(chord.root) === tonic && isTonicChord(chord, mode)
	);
	return {
		tonic,
		mode,
		inside,
		holdsAll: inside > 1 - 1e-9,
		onTonicTicks: onTonic.reduce((sum, entry) => sum + entry.ticks, 0),
		restTicks: chords.reduce((sum, entry) => sum + entry.ticks * fit(entry), 0),
		totalTicks: total,
		sounds: onTonic.length > 0,
		opens: heldBass || fit(first) > 0,
		closes: heldBass || fit(last) > 0,
		leadsBack: arrivals.some(({ from, to }) => to === first && from === last),
		arrivals,
		heldBass,
		rivalArrives: parent !== tonic && given.arrivesAt(parent),
		colour: colourOf(given, tonic, mode),
		blues: bluesOf(given, tonic)
	};
}

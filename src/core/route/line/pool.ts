import { roleKind, toneAt, type Chord, type Tone } from '../../chord';
import { noteVerdict, type Scale, type ScaleNote, type Verdict } from '../../harmony';
import { windowPlaces, type Instrument, type WindowPlace } from '../../neck';

/** A place that a line may sound at one moment. `rank` counts its scale steps from the lowest pitch. */
export type Candidate = WindowPlace & {
	readonly tone: Tone | null;
	readonly degree: ScaleNote | null;
	readonly verdict: Verdict;
	/** The minor third against a major chord, which players curl up. */
	readonly blue: boolean;
	readonly chromatic: boolean;
	readonly rank: number;
};

/** All candidates of a moment, with their pitches for the search. Shared between moments alike. */
export type Pool = {
	readonly candidates: readonly Candidate[];
	readonly pitch: Int16Array;
};

/** What decides a pool besides the target that follows. */
export type PoolKind = {
	readonly position: number;
	readonly chord: Chord;
	/** The chord that comes next, for the tensions of a dominant that resolves. */
	readonly next: Chord | null;
	readonly scale: Scale | null;
	/** The third of the chord joins the scale, whatever it holds. */
	readonly blend: boolean;
};

const isBlue = (chord: Chord, midi: number): boolean =>
	chord.tones.some((tone) => tone.role === '3' && (midi + 1) % 12 === tone.pc);

/** The notes that a line may use over a chord: its tones, and the scale. */
function candidateAt(
	{ chord, next, scale, blend }: PoolKind,
	place: WindowPlace
): Omit<Candidate, 'rank'> | null {
	const pc = place.midi % 12;
	const degree = scale?.notes.find((note) => note.pc === pc) ?? null;
	const tone = toneAt(chord, place.midi) ?? null;
	if (tone) {
		// A blend keeps to its pentatonic and the chord's third; other tones are only landed on.
		if (blend && !degree && roleKind(tone.role) !== 'third') return null;
		return { ...place, tone, degree, verdict: 'home', blue: false, chromatic: false };
	}
	if (!degree) return null;
	const { verdict } = noteVerdict(degree.note, chord, next);
	const blue = isBlue(chord, place.midi);
	return { ...place, tone, degree, verdict, blue, chromatic: false };
}

/** How far below and above a target chromatic notes may lie. */
const NEAR = 3;

/**
 * The pool of a moment. With `target` (the pitch that is landed on after one or two more notes) every
 * note near it comes in as well, chromatic where neither chord nor scale has it.
 */
export function makePool(instrument: Instrument, kind: PoolKind, target: number | null): Pool {
	const found: Omit<Candidate, 'rank'>[] = [];
	for (const place of windowPlaces(instrument, kind.position)) {
		const known = candidateAt(kind, place);
		if (known) found.push(known);
		else if (target !== null && Math.abs(place.midi - target) <= NEAR && place.midi !== target) {
			found.push({
				...place,
				tone: null,
				degree: null,
				verdict: 'passing',
				blue: false,
				chromatic: true
			});
		}
	}
	return poolOf(found);
}

/** A pool of some places, ranked by their scale steps. */
export function poolOf(found: readonly Omit<Candidate, 'rank'>[]): Pool {
	const steps = [...new Set(found.filter((c) => !c.chromatic).map((c) => c.midi))].sort(
		(a, b) => a - b
	);
	const rankOf = (midi: number) => {
		const at = steps.findIndex((step) => step >= midi);
		return at < 0 ? steps.length : at;
	};
	const candidates = found.map((entry) => ({ ...entry, rank: rankOf(entry.midi) }));
	return { candidates, pitch: Int16Array.from(candidates, (entry) => entry.midi) };
}

/** The candidates of a pool that pass, as a pool of its own; the whole pool where none does. */
export function poolWhere(pool: Pool, passes: (candidate: Candidate) => boolean): Pool {
	const candidates = pool.candidates.filter(passes);
	if (candidates.length === 0) return pool;
	return { candidates, pitch: Int16Array.from(candidates, (entry) => entry.midi) };
}

/** A place of any kind as a candidate over a chord: targets and the player's own notes. */
export function candidateFor(kind: PoolKind, place: WindowPlace): Candidate {
	const known = candidateAt({ ...kind, blend: false }, place);
	const found = known ?? {
		...place,
		tone: null,
		degree: null,
		verdict: 'passing' as const,
		blue: false,
		chromatic: true
	};
	return { ...found, rank: 0 };
}

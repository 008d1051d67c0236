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
	/** What the cost of a move asks about each candidate: bits of `TRAIT`. */
	readonly traits: Uint8Array;
};

export const TRAIT = { tone: 1, clash: 2, chromatic: 4 } as const;

export const traitsOf = ({ tone, verdict, chromatic }: Omit<Candidate, 'rank'>): number =>
	(tone ? TRAIT.tone : 0) |
	(verdict === 'clash' ? TRAIT.clash : 0) |
	(chromatic ? TRAIT.chromatic : 0);

const ids = new WeakMap<Pool, number>();
let nextId = 0;

/** A number by which a pool is known while it lives. */
export function poolId(pool: Pool): number {
	let id = ids.get(pool);
	if (id === undefined) ids.set(pool, (id = nextId++));
	return id;
}

/** A pool of candidates as they are. */
export const asPool = (candidates: readonly Candidate[]): Pool => ({
	candidates,
	pitch: Int16Array.from(candidates, (entry) => entry.midi),
	traits: Uint8Array.from(candidates, traitsOf)
});

/** What decides a pool besides the target that follows. */
export type PoolKind = {
	readonly position: number;
	readonly chord: Chord;
	/** The chord that comes next, for the tensions of a dominant that resolves. */
	readonly next: Chord | null;
	readonly scale: Scale | null;
	/** The third of the chord joins the scale, whatever it holds. */
	readonly blend: boolean;
	/** The notes that there are: nothing else is played, no tone of the chord either; null for no such limit. */
	readonly among: Scale | null;
};

const isBlue = (chord: Chord, midi: number): boolean =>
	chord.tones.some((tone) => tone.role === '3' && (midi + 1) % 12 === tone.pc);

type Sound = Pick<Candidate, 'tone' | 'degree' | 'verdict' | 'blue' | 'chromatic'>;
const FOREIGN: Sound = {
	tone: null,
	degree: null,
	verdict: 'passing',
	blue: false,
	chromatic: true
};

/** What a target or a note of the player's own is does not depend on what the way may take. */
const FREE = { blend: false, among: null } as const;

/** What a pitch class is over a chord and scale; null where neither has it. */
function soundOf({ chord, next, scale, blend, among }: PoolKind, midi: number): Sound | null {
	const pc = midi % 12;
	if (among && !among.notes.some((note) => note.pc === pc)) return null;
	const degree = scale?.notes.find((note) => note.pc === pc) ?? null;
	const tone = toneAt(chord, midi) ?? null;
	if (tone) {
		// A blend keeps to its pentatonic and the chord's third; other tones are only landed on.
		if (blend && !degree && roleKind(tone.role) !== 'third') return null;
		return { tone, degree, verdict: 'home', blue: false, chromatic: false };
	}
	if (!degree) return null;
	const { verdict } = noteVerdict(degree.note, chord, next);
	return { tone, degree, verdict, blue: isBlue(chord, midi), chromatic: false };
}

/** Under a finger before a reach, one fret back before on. */
const reachOf = ({ reach, fret }: WindowPlace, position: number): number =>
	!reach ? 0 : fret < position ? 1 : 2;

/** One place for each pitch of a window, the one that lies best: what sounds the same is played at the same place. */
function onePlaceEach(places: readonly WindowPlace[], position: number): WindowPlace[] {
	const best = new Map<number, WindowPlace>();
	for (const place of places) {
		const known = best.get(place.midi);
		if (!known || reachOf(place, position) < reachOf(known, position)) best.set(place.midi, place);
	}
	return places.filter((place) => best.get(place.midi) === place);
}

/** Every place of a window that sounds a tone of the chord or a note of the scale, one for each pitch. */
export function makePool(instrument: Instrument, kind: PoolKind): Pool {
	const sounds = Array.from({ length: 12 }, (_, pc) => soundOf(kind, pc));
	const sounding = windowPlaces(instrument, kind.position).filter(({ midi }) => sounds[midi % 12]);
	const places = onePlaceEach(sounding, kind.position);
	const steps = [...new Set(places.map((place) => place.midi))].sort((a, b) => a - b);
	return asPool(
		places.map((place) => ({
			...place,
			...(sounds[place.midi % 12] ?? FOREIGN),
			rank: steps.indexOf(place.midi)
		}))
	);
}

/** How far below and above a target chromatic notes may lie. */
const NEAR = 3;

/** A pool with every other place near a target added: chromatic notes that may lead to it. */
export function withChromatic(
	instrument: Instrument,
	kind: PoolKind,
	pool: Pool,
	target: number
): Pool {
	const have = new Set(pool.candidates.map((entry) => entry.midi));
	const here = onePlaceEach(windowPlaces(instrument, kind.position), kind.position);
	const added = here.flatMap((place): Candidate[] => {
		if (Math.abs(place.midi - target) > NEAR || place.midi === target || have.has(place.midi)) {
			return [];
		}
		const above = pool.candidates.filter((entry) => entry.midi > place.midi);
		const rank = above.reduce((least, entry) => Math.min(least, entry.rank), Infinity);
		const sound = soundOf({ ...kind, ...FREE }, place.midi) ?? FOREIGN;
		return [{ ...place, ...sound, rank: Number.isFinite(rank) ? rank : 0 }];
	});
	return added.length === 0 ? pool : asPool([...pool.candidates, ...added]);
}

/** The candidates of a pool that pass, as a pool of its own; the whole pool where none does. */
export function poolWhere(pool: Pool, passes: (candidate: Candidate) => boolean): Pool {
	const candidates = pool.candidates.filter(passes);
	return candidates.length === 0 ? pool : asPool(candidates);
}

/** A place of any kind as a candidate over a chord: targets and the player's own notes. */
export const candidateFor = (kind: PoolKind, place: WindowPlace): Candidate => ({
	...place,
	...(soundOf({ ...kind, ...FREE }, place.midi) ?? FOREIGN),
	rank: 0
});

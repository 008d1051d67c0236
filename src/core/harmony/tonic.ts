import { QUARTER, clamp } from '../kernel';
import { circleOf, type Chart } from '../chart';
import { MODES, type Key, type Mode } from '../chord';
import { noteName, parseNote, pitchClass, type Note, type PitchClass } from '../pitch';
import { rivalOf, rivalWords, type Weighed } from './rivals';
import { ABOVE_PARENT, evidenceFor, survey, type Evidence, type Survey } from './evidence';

/**
 * A possible home. `score` 0 … 1; `reasons` are sentences with ASCII note names. `sounds`: its chord is
 * in the chart; `holdsAll`: its scale holds every chord tone; `rival`: a home with the same notes that
 * ranks near it.
 */
export type RankedTonic = Key & {
	readonly score: number;
	readonly reasons: readonly string[];
	readonly sounds: boolean;
	readonly holdsAll: boolean;
	readonly rival: Key | null;
};

/**
 * What each piece of evidence is worth. The shares come from trying loops, vamps, blueses and
 * ii–V–I chains in all keys: fit alone cannot tell a key from its relatives, arrivals and the first
 * chord can; a mode is believed only when its own colour sounds.
 */
export const WORTH = {
	fit: 0.42,
	onTonic: 0.16,
	opens: 0.1,
	closes: 0.05,
	closesOnly: 0.01,
	leadsBack: 0.04,
	arrivals: 0.13,
	setUp: 0.05,
	heldBass: 0.24,
	colourHeard: 0.03,
	colourSilent: -0.06,
	colourDenied: -0.1,
	plain: 0.03,
	rivalArrives: -0.14,
	blues: 0.08,
	half: -0.06,
	noBlues: -0.4,
	neverSounds: -0.2,
	/** Nothing rests on a lowered fifth for long. */
	locrian: -0.12
} as const;

/** Below this share of chord-tone time inside, fit is worth nothing. */
const NO_FIT = 0.65;
/** A share of the time on the tonic chord that counts in full. */
const ENOUGH = 0.35;

const PLAIN: readonly Mode[] = ['major', 'minor'];

/** How many of the dominant arrivals count; the third adds nothing. */
const dominantArrivals = (evidence: Evidence): number => Math.min(2, evidence.arrivals.length) / 2;

function scoreOf(evidence: Evidence): number {
	const { mode, inside, restTicks, totalTicks } = evidence;
	let score = WORTH.fit * Math.max(0, (inside - NO_FIT) / (1 - NO_FIT));
	score += WORTH.onTonic * Math.min(1, restTicks / totalTicks / ENOUGH);
	if (evidence.opens) score += WORTH.opens;
	// A modal tonic that only ends the loop is more often the dominant that turns it round.
	const turnsRound = !evidence.opens && !PLAIN.includes(mode) && mode !== 'blues';
	if (evidence.closes) score += turnsRound ? WORTH.closesOnly : WORTH.closes;
	if (evidence.leadsBack) score += WORTH.leadsBack;
	score += WORTH.arrivals * dominantArrivals(evidence);
	if (evidence.arrivals.some((arrival) => arrival.setUp)) score += WORTH.setUp;
	if (evidence.heldBass) score += WORTH.heldBass;
	if (evidence.colour === 'heard') score += WORTH.colourHeard;
	if (evidence.colour === 'silent' && !PLAIN.includes(mode)) score += WORTH.colourSilent;
	if (evidence.colour === 'denied') score += WORTH.colourDenied;
	if (PLAIN.includes(mode)) score += WORTH.plain;
	if (mode === 'blues') {
		score += { 'I and IV': WORTH.blues, I: WORTH.half, no: WORTH.noBlues }[evidence.blues];
	}
	if (evidence.rivalArrives && !evidence.heldBass && !PLAIN.includes(mode)) {
		score += WORTH.rivalArrives;
	}
	if (mode === 'locrian') score += WORTH.locrian;
	if (!evidence.sounds && !evidence.heldBass) score += WORTH.neverSounds;
	return clamp(score, 0, 1);
}

const TIMES = ['', 'once', 'twice', 'three times'];
const times = (n: number): string => TIMES[n] ?? `${n} times`;
const beats = (ticks: number): number => Math.round(ticks / QUARTER);

const COLOUR_WORDS: Partial<Record<Mode, string>> = {
	dorian: 'the major sixth of dorian',
	phrygian: 'the flat second of phrygian',
	lydian: 'the sharp fourth of lydian',
	mixolydian: 'the flat seventh of mixolydian',
	locrian: 'the flat fifth of locrian'
};

function arrivalReason({ arrivals }: Evidence): string | null {
	if (arrivals.length === 0) return null;
	const symbols = [...new Set(arrivals.map(({ from }) => from.symbol))];
	const bars = [
		...new Set(arrivals.map(({ to }) => (to.index === 0 ? 'the top' : `bar ${to.bar}`)))
	];
	const where = bars.length > 3 ? `${bars.slice(0, 2).join(', ')} and more` : bars.join(' and ');
	const setUp = arrivals.some((arrival) => arrival.setUp) ? ', set up by its ii' : '';
	return `${symbols.slice(0, 2).join(' or ')} arrives on it ${times(arrivals.length)}: ${where}${setUp}`;
}

/** The evidence in words, most telling first. */
function reasonsOf(evidence: Evidence): string[] {
	const { onTonicTicks, totalTicks, inside, opens, closes, leadsBack, mode } = evidence;
	const ends = opens && closes ? 'opens the chart and closes it' : null;
	const comesBack = leadsBack ? 'opens the chart, and the last bar leads back to it' : null;
	const frame =
		ends ?? comesBack ?? (opens ? 'opens the chart' : closes ? 'closes the chart' : null);
	return [
		evidence.heldBass ? 'its note is held in the bass under every chord' : null,
		evidence.sounds
			? `${beats(onTonicTicks)} of ${beats(totalTicks)} beats on its chord`
			: 'its chord never sounds',
		`its scale holds ${Math.round(100 * inside)} % of the chord tones`,
		frame,
		arrivalReason(evidence),
		mode === 'blues' && evidence.blues === 'I and IV'
			? 'I and IV are both sevenths: a blues'
			: null,
		evidence.colour === 'heard' && COLOUR_WORDS[mode] ? `${COLOUR_WORDS[mode]} is heard` : null,
		evidence.colour === 'denied' && COLOUR_WORDS[mode]
			? `${COLOUR_WORDS[mode]} is contradicted`
			: null
	].filter((text) => text !== null);
}

const SHARPS = ['C', 'C#', 'D', 'D#', 'E', 'E#', 'F#', 'G', 'G#', 'A', 'A#', 'B'].map(parseNote);
const FLATS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'Cb'].map(parseNote);

/** The twelve tonics of a mode as their usual signatures name them. */
const usual = (mode: Mode): readonly Note[] =>
	circleOf(mode)
		.map(parseNote)
		.filter((note) => note !== null);
const USUAL = new Map(MODES.map((mode) => [mode, usual(mode)]));

/**
 * Spells a tonic as this chart would: as the roots of its chords are written, else with the usual
 * signature, leaning to the sharps or flats that the chart uses where both are usual.
 */
function spell({ written, lean }: Survey, tonic: PitchClass, mode: Mode): Note {
	const own = written.get(tonic);
	if (own) return own;
	const parent = (tonic - ABOVE_PARENT[mode] + 12) % 12;
	if (lean !== 0 && (parent === 6 || parent === 1 || parent === 11)) {
		const note = (lean > 0 ? SHARPS : FLATS)[tonic];
		if (note) return note;
	}
	const found = USUAL.get(mode)?.find((note) => pitchClass(note) === tonic);
	if (!found) throw new Error(`the circle lacks ${tonic}`);
	return found;
}

/** How far below the modes that hold every chord tone another mode of the same tonic stands at least. */
const STEP_DOWN = 0.05;

/** A mode that can stand for all its chart: its scale holds every tone, and a blues has its seventh on I. */
const standsForAll = ({ evidence }: Weighed): boolean =>
	evidence.holdsAll && (evidence.mode !== 'blues' || evidence.blues !== 'no');

/** On one tonic a mode whose scale holds every chord tone comes before one that misses some. */
function holdersFirst(onOneTonic: readonly Weighed[]): Weighed[] {
	const holders = onOneTonic.filter(standsForAll);
	if (holders.length === 0) return [...onOneTonic];
	const most = Math.max(0, Math.min(...holders.map(({ score }) => score)) - STEP_DOWN);
	return onOneTonic.map((one) =>
		standsForAll(one) ? one : { ...one, score: Math.min(one.score, most) }
	);
}

/** What was ranked, by chart: several ask for the same one. */
const ranked = new WeakMap<Chart, readonly RankedTonic[]>();

/**
 * Ranks every tonic and mode (12 × 8) by what speaks for it in the chart, best first. Players
 * disagree about relatives and modes, so every place in the ranking says why in words. On one tonic
 * the modes that hold every chord tone come first.
 * @returns an empty list for a chart without chords.
 * @example rankTonics(parseChart('| Dm7 | G7 | Cmaj7 | % |'))[0] // C major
 */
export function rankTonics(chart: Chart): readonly RankedTonic[] {
	const known = ranked.get(chart);
	if (known) return known;
	const found = ranking(chart);
	ranked.set(chart, found);
	return found;
}

function ranking(chart: Chart): readonly RankedTonic[] {
	const given = survey(chart);
	if (given.events.length === 0) return [];
	const weighed: Weighed[] = [];
	for (let tonic = 0; tonic < 12; tonic++) {
		const modes = MODES.map((mode) => {
			const evidence = evidenceFor(given, tonic, mode);
			return { score: scoreOf(evidence), evidence };
		});
		weighed.push(...holdersFirst(modes));
	}
	const order = (mode: Mode) => MODES.indexOf(mode);
	weighed.sort(
		(a, b) =>
			b.score - a.score ||
			Number(standsForAll(b)) - Number(standsForAll(a)) ||
			order(a.evidence.mode) - order(b.evidence.mode)
	);
	const keyFor = ({ evidence: { tonic, mode } }: Weighed): Key => ({
		tonic: spell(given, tonic, mode),
		mode
	});
	return weighed.map((one) => {
		const { score, evidence } = one;
		const key = keyFor(one);
		const against = rivalOf(one, weighed);
		const rival = against && keyFor(against);
		const reasons = reasonsOf(evidence);
		if (rival) reasons.push(rivalWords(key, rival));
		const { sounds, holdsAll } = evidence;
		return { ...key, score: Math.round(score * 1000) / 1000, reasons, sounds, holdsAll, rival };
	});
}

/** The key to read a chart in: its header, or else the first of the ranking. */
export function keyOf(chart: Chart): Key | null {
	if (chart.headers.key) return chart.headers.key;
	const first = rankTonics(chart)[0];
	return first ? { tonic: first.tonic, mode: first.mode } : null;
}

/** True when two keys are one. */
export const sameKey = (a: Key, b: Key): boolean =>
	a.mode === b.mode && noteName(a.tonic) === noteName(b.tonic);

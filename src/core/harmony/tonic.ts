import { circleOf, QUARTER, type Chart } from '../chart';
import { MODES, type Key, type Mode } from '../chord';
import { noteName, parseNote, pitchClass, type Note, type PitchClass } from '../pitch';
import { ABOVE_PARENT, evidenceFor, survey, type Evidence, type Survey } from './evidence';

/** A possible home. `score` 0 … 1; `reasons` are sentences with ASCII note names. */
export type RankedTonic = Key & { readonly score: number; readonly reasons: readonly string[] };

/**
 * What each piece of evidence is worth. The shares come from trying loops, vamps, blueses and
 * ii–V–I chains in all keys: fit alone cannot tell a key from its relatives, arrivals and the first
 * chord can; a mode is believed only when its own colour sounds.
 */
const WORTH = {
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
	neverSounds: -0.2
} as const;

/** Below this share of chord-tone time inside, fit is worth nothing. */
const NO_FIT = 0.65;
/** A share of the time on the tonic chord that counts in full. */
const ENOUGH = 0.35;

const PLAIN: readonly Mode[] = ['major', 'minor'];

/** How many of the dominant arrivals count; the third adds nothing. */
const dominantArrivals = (evidence: Evidence): number => Math.min(2, evidence.arrivals.length) / 2;

function scoreOf(evidence: Evidence): number {
	const { mode, inside, onTonicTicks, totalTicks } = evidence;
	let score = WORTH.fit * Math.max(0, (inside - NO_FIT) / (1 - NO_FIT));
	score += WORTH.onTonic * Math.min(1, onTonicTicks / totalTicks / ENOUGH);
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
	if (!evidence.sounds && !evidence.heldBass) score += WORTH.neverSounds;
	return Math.min(1, Math.max(0, score));
}

const TIMES = ['', 'once', 'twice', 'three times'];
const times = (n: number): string => TIMES[n] ?? `${n} times`;
const beats = (ticks: number): number => Math.round(ticks / QUARTER);

const COLOUR_WORDS: Partial<Record<Mode, string>> = {
	dorian: 'the major sixth of dorian',
	phrygian: 'the flat second of phrygian',
	lydian: 'the sharp fourth of lydian',
	mixolydian: 'the flat seventh of mixolydian'
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

/** How far the chart's own spelling leans to sharps (positive) or flats. */
const lean = ({ events }: Survey): number =>
	events.reduce((sum, { chord }) => sum + Math.sign(chord.root.alter), 0);

/**
 * Spells a tonic as this chart would: as the roots of its chords are written, else with the usual
 * signature, leaning to the sharps or flats that the chart uses where both are usual.
 */
function spell(given: Survey, tonic: PitchClass, mode: Mode): Note {
	const roots = given.events.map(({ chord }) => chord.root);
	const basses = given.events.flatMap(({ chord }) => chord.bass ?? []);
	const written = [...roots, ...basses].find((note) => pitchClass(note) === tonic);
	if (written) return written;
	const parent = (tonic - ABOVE_PARENT[mode] + 12) % 12;
	if (parent === 6 || parent === 1 || parent === 11) {
		const sharp = ['C', 'C#', 'D', 'D#', 'E', 'E#', 'F#', 'G', 'G#', 'A', 'A#', 'B'];
		const flat = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'Cb'];
		const name = (lean(given) > 0 ? sharp : flat)[tonic];
		const note = parseNote(name);
		if (note && Math.abs(lean(given)) > 0) return note;
	}
	const usual = circleOf(mode).map(parseNote);
	const found = usual.find((note) => note !== null && pitchClass(note) === tonic);
	if (!found) throw new Error(`the circle lacks ${tonic}`);
	return found;
}

/**
 * Ranks every tonic and mode (12 × 7) by what speaks for it in the chart, best first. Players
 * disagree about relatives and modes, so every place in the ranking says why in words.
 * @returns an empty list for a chart without chords.
 * @example rankTonics(parseChart('| Dm7 | G7 | Cmaj7 | % |'))[0] // C major
 */
export function rankTonics(chart: Chart): RankedTonic[] {
	const given = survey(chart);
	if (given.events.length === 0) return [];
	const ranked: { score: number; evidence: Evidence }[] = [];
	for (const mode of MODES) {
		for (let tonic = 0; tonic < 12; tonic++) {
			const evidence = evidenceFor(given, tonic, mode);
			ranked.push({ score: scoreOf(evidence), evidence });
		}
	}
	ranked.sort((a, b) => b.score - a.score);
	return ranked.map(({ score, evidence }) => ({
		tonic: spell(given, evidence.tonic, evidence.mode),
		mode: evidence.mode,
		score: Math.round(score * 1000) / 1000,
		reasons: reasonsOf(evidence)
	}));
}

const known = new WeakMap<Chart, Key | null>();

/** The key to read a chart in: its header, or else the first of the ranking. */
export function keyOf(chart: Chart): Key | null {
	if (chart.headers.key) return chart.headers.key;
	const cached = known.get(chart);
	if (cached !== undefined) return cached;
	const first = rankTonics(chart)[0];
	const key = first ? { tonic: first.tonic, mode: first.mode } : null;
	known.set(chart, key);
	return key;
}

/** True when two keys are one. */
export const sameKey = (a: Key, b: Key): boolean =>
	a.mode === b.mode && noteName(a.tonic) === noteName(b.tonic);

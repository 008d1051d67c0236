import type { Chart } from '../chart';
import { isMinorMode, type Chord, type Key } from '../chord';
import { mod, pitchClass } from '../pitch';
import { buildScale, chordAfter, keyOf, noteVerdict, scaleChoices, type Scale } from '../harmony';

/**
 * Which scale the line draws on: one for the whole chart, the nearest edit that holds each chord, the
 * two pentatonics of the tonic in turn, or chord tones alone.
 */
export const SCALE_PLANS = ['one', 'follow', 'alternate', 'arpeggio'] as const;
export type ScalePlan = (typeof SCALE_PLANS)[number];

/**
 * Which pentatonic of home the I, the IV and the V take; null for the one that fits the chord better. With `same` they do
 * not change places in another chorus.
 */
export type AlternateWish = {
	readonly one?: 'major' | 'minor' | null;
	readonly four: 'major' | 'minor' | null;
	readonly five: 'major' | 'minor' | null;
	readonly same?: boolean;
};

/** A scale chosen by hand for one event of a chart. */
export type HandScale = { readonly event: number; readonly scale: Scale };

/** A scale from a moment of the written chart on; null goes back to what stood there without it. */
export type ScaleFrom = {
	readonly bar: number;
	readonly beat: number;
	readonly scale: Scale | null;
};

/** What moments of the written chart say of the scales of its events, whichever time they are played. */
export function scalesFrom(chart: Chart, from: readonly ScaleFrom[]): HandScale[] {
	if (from.length === 0) return [];
	const moments = [...from].sort((a, b) => a.bar - b.bar || a.beat - b.beat);
	return chart.events.flatMap(({ index, bar, beat }) => {
		const written = chart.played[bar - 1]!.written + 1;
		const here = moments.findLast(
			(moment) => moment.bar < written || (moment.bar === written && moment.beat <= beat)
		);
		return here?.scale ? [{ event: index, scale: here.scale }] : [];
	});
}

const onTonic = (key: Key, name: string): Scale => {
	const scale = buildScale(key.tonic, name);
	if (!scale) throw new Error(`the library lacks ${name}`);
	return scale;
};

/**
 * The scale of a blend: the minor pentatonic of the tonic, whatever scale is in use; a scale in use that
 * is itself minor and pentatonic (or its blues) stays.
 */
export function blendScale(chart: Chart, inUse: Scale | null): Scale | null {
	if (inUse && /^minor (pentatonic|blues)/.test(inUse.name)) return inUse;
	const key = keyOf(chart);
	return key ? onTonic(key, 'minor pentatonic') : inUse;
}

/** Semitones from home to the roots of IV and V. */
const [FOUR, FIVE] = [5, 7];

/** How well a pentatonic sits on a chord: its tones held, less the notes that clash. */
function fit(scale: Scale, chord: Chord, next: Chord | null): number {
	const held = chord.tones.filter((tone) => scale.notes.some((note) => note.pc === tone.pc));
	const clashes = scale.notes.filter(
		(note) => noteVerdict(note.note, chord, next).verdict === 'clash'
	);
	return held.length - clashes.length;
}

/**
 * Major and minor pentatonic of the tonic, by chord: each chord takes the one that holds more of its
 * tones and clashes less (over a blues: major on I and V, minor on IV); equal ones fall to the mode of
 * the key. On the I, the IV and the V the player's wish goes before that. The second time a bar is played, and
 * every other time after, they change places, if the player wants that.
 */
function alternate(chart: Chart, key: Key, wish: AlternateWish | null): (Scale | null)[] {
	const major = onTonic(key, 'major pentatonic');
	const minor = onTonic(key, 'minor pentatonic');
	const darker = isMinorMode(key.mode);
	return chart.events.map(({ chord, index, pass }) => {
		if (!chord) return null;
		const next = chordAfter(chart, index);
		const gain = fit(major, chord, next) - fit(minor, chord, next);
		const above = mod(pitchClass(chord.root) - pitchClass(key.tonic), 12);
		const wanted =
			above === 0 ? wish?.one : above === FOUR ? wish?.four : above === FIVE ? wish?.five : null;
		const fits = gain === 0 ? !darker : gain > 0;
		const bright = wanted ? wanted === 'major' : fits;
		return bright === (wish?.same === true || pass % 2 === 1) ? major : minor;
	});
}

/**
 * The scale that each event of a chart draws on; null where there is none (silences, chord tones alone).
 * Scales set by hand go before every plan.
 */
export function scalesAlong(
	chart: Chart,
	inUse: Scale | null,
	plan: ScalePlan,
	byHand: readonly HandScale[] = [],
	wish: AlternateWish | null = null
): (Scale | null)[] {
	const set = new Map(byHand.map(({ event, scale }) => [event, scale]));
	const key = keyOf(chart);
	const followed = new Map<string, Scale>();
	const follow = (chord: Chord, next: Chord | null): Scale | null => {
		if (!inUse) return null;
		const at = `${chord.symbol} ${next?.symbol ?? ''}`;
		const known = followed.get(at);
		if (known !== undefined) return known;
		const scale = scaleChoices(chord, inUse, { next, key, limit: 1 })[0]?.scale ?? inUse;
		followed.set(at, scale);
		return scale;
	};
	const planned = plan === 'alternate' && key ? alternate(chart, key, wish) : null;
	return chart.events.map(({ chord, index }) => {
		const own = set.get(index);
		if (own || !chord) return own ?? null;
		if (plan === 'arpeggio') return null;
		if (planned) return planned[index] ?? null;
		return plan === 'follow' ? follow(chord, chordAfter(chart, index)) : inUse;
	});
}

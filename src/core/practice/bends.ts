import { toneAt } from '../chord';
import { keyOf, nameOver } from '../harmony';
import { soundingOf } from './due';
import type { JudgeRequest, PlayedEvent, Bend } from './types';

/** More cents than that are no tuning: the string is bent. */
const BENT = 50;
/** A bend and the note that it grows out of, or falls back to, leave no gap wider than this, in ms. */
const JOINED = 40;
/** Bends reach no farther from their fret: semitones. */
const WIDEST = 3;
/** How far from its aim, in cents, a bend may end and still be taken to mean it. */
const MEANT = 70;
/** Off by less than that nobody hears it as out of tune: cents. */
const IN_TUNE = 15;

/** A note at the pitch that sounds, `cents` within ±50 of it. */
export type Sounded = PlayedEvent & {
	/** The pitch of the fret, where the string is bent away from it; else null. */
	readonly bentFrom: number | null;
	/** Nobody struck it: the string was bent, or let go, while it rang. */
	readonly joined: boolean;
	/** What is struck only to be bent at once: it leads to the next note. */
	readonly leads: boolean;
};

/** The string was bent away from the pitch of its fret; less is tuning. */
export const isBent = ({ cents = 0 }: Pick<PlayedEvent, 'cents'>): boolean =>
	Math.abs(cents) > BENT;

/** Notes at the pitches that sound; which were bent, and which belong to one touch of the string. In order of time. */
export function soundedOf(events: readonly PlayedEvent[]): Sounded[] {
	const joins = (before: PlayedEvent | undefined, event: PlayedEvent | undefined): boolean =>
		before !== undefined &&
		event !== undefined &&
		before.midi === event.midi &&
		(isBent(before) || isBent(event)) &&
		Math.abs(before.timeMs + before.durationMs - event.timeMs) <= JOINED;
	return events.map((event, i) => {
		const { midi, cents } = event;
		const [before, after] = [events[i - 1], events[i + 1]];
		const bent = isBent(event);
		const pitch = Math.max(0, Math.round(midi + (cents ?? 0) / 100));
		return {
			...event,
			midi: pitch,
			...(cents === undefined ? {} : { cents: cents - 100 * (pitch - midi) }),
			bentFrom: bent ? midi : null,
			joined: joins(before, event),
			leads: !bent && joins(event, after)
		};
	});
}

/**
 * Finds every bend upwards and what it aims for: among the pitches within `MEANT` cents of where it ends, a
 * tone of the chord before a note of the scale before any other, the nearest of those.
 * @param events in order of time, as `inOrder` gives them
 */
export function bendsOf(request: JudgeRequest, events: readonly Sounded[]): Bend[] {
	const sounding = soundingOf(request);
	const { chart, scales } = request;
	return events.flatMap(({ timeMs, durationMs, midi, cents = 0, bentFrom }): Bend[] => {
		if (bentFrom === null || midi + cents / 100 < bentFrom) return [];
		// A bend that arrives before the change is meant for the chord in which it rings.
		const event = Math.max(0, sounding.eventAt(timeMs + Math.min(durationMs, 200)));
		const chord = chart.events[event]?.chord ?? null;
		const scale = scales[event] ?? null;
		const pitch = 100 * midi + cents;
		const rank = (aim: number) => {
			if (chord && toneAt(chord, aim)) return 0;
			return scale?.notes.some(({ pc }) => pc === aim % 12) ? 1 : 2;
		};
		const meant = Array.from({ length: WIDEST }, (_, i) => bentFrom + i + 1)
			.filter((aim) => Math.abs(pitch - 100 * aim) <= MEANT)
			.sort((a, b) => rank(a) - rank(b) || Math.abs(pitch - 100 * a) - Math.abs(pitch - 100 * b));
		const [aim] = meant;
		if (aim === undefined) return [];
		const name = nameOver(aim, { chord, scale, key: keyOf(chart) });
		const bar = Math.max(0, sounding.barAt(timeMs)) + 1;
		return [{ timeMs, bar, from: bentFrom, aim, name, cents: Math.round(pitch - 100 * aim) }];
	});
}

const SIZES = ['', 'semitone', 'whole-tone', 'minor-third'];

const offWords = (cents: number): string =>
	cents > 0 ? `goes ${cents} cents too far` : `falls ${-cents} cents short`;

/**
 * What to say about the bends of a take, at most one sentence for each size: the one that is out of tune, or
 * how all of that size lean. Nothing for those that are in tune.
 */
export function bendAdvice(bends: readonly Bend[]): string[] {
	const advice: string[] = [];
	for (let size = 1; size <= WIDEST; size++) {
		const sized = bends.filter(({ from, aim }) => aim - from === size);
		if (sized.length === 0) continue;
		const mean = Math.round(sized.reduce((sum, { cents }) => sum + cents, 0) / sized.length);
		const off = sized.filter(({ cents }) => Math.abs(cents) > IN_TUNE);
		const help = (cents: number) => (cents > 0 ? 'Stop sooner.' : 'Push on until it is there.');
		if (sized.length > 1 && Math.abs(mean) > IN_TUNE) {
			const lean = mean > 0 ? `go ${mean} cents too far` : `fall ${-mean} cents short`;
			const often = `${off.length} of ${sized.length} are off`;
			advice.push(`The ${SIZES[size]} bends ${lean} on average; ${often}. ${help(mean)}`);
		} else if (off.length > 0) {
			const worst = off.reduce((a, b) => (Math.abs(b.cents) > Math.abs(a.cents) ? b : a));
			const { name, bar, cents } = worst;
			advice.push(`The bend to ${name} in bar ${bar} ${offWords(cents)}. ${help(cents)}`);
		}
	}
	return advice;
}

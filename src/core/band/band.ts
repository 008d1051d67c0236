import type { Chart, Feel, PlayedBar } from '../chart';
import type { Chord } from '../chord';
import { BASS, bassBar, bassClass, bassPitch, firstLength } from './bass';
import { compBar } from './comping';
import { drumBar } from './drums';
import { stretchesOf, timelineOf } from './timeline';
import { WAYS, type BandNote, type ChordVoice } from './types';
import { voiceLead } from './voicing';

/** The voice that suits a feel, where the player says nothing else. */
const chordVoiceOf = (feel: Feel): ChordVoice =>
	feel === 'swing' || feel === 'ballad' || feel === 'waltz' ? 'keys' : 'guitar';

/** Ms from string to string of a strummed chord. */
const STRUM_MS = 5;

/** Bars that are kept once they are written, for the next look at them. */
const KEPT = 64;

type BandOptions = { readonly feel?: Feel; readonly voice?: ChordVoice };

/** A band that has read a chart. */
export type Band = {
	readonly chart: Chart;
	readonly feel: Feel;
	readonly voice: ChordVoice;
	/**
	 * Drums, bass and chords of a played bar, in ticks from the chart's first beat.
	 * @param index of the bar; @param round times through before, from 0: details differ for the first few rounds (see `WAYS`)
	 * @param entered the band comes in with this bar: what was pushed before it is played at its start
	 * @param goes tick of the chart where the music goes after this bar, as at the end of a loop
	 */
	readonly bar: (
		index: number,
		round: number,
		entered?: boolean,
		goes?: number | null
	) => readonly BandNote[];
};

/** A new section, or the same one again, begins with this bar. */
const opensSection = (chart: Chart, bar: PlayedBar | undefined): boolean =>
	bar !== undefined &&
	(bar.index === 0 || chart.sections.some((section) => section.from === bar.written));

/**
 * Makes a band for a chart; the same chart is always played the same way.
 * @example bandFor(parseChart('| C | F |')).bar(0, 0).filter((note) => note.part === 'bass')
 */
export function bandFor(chart: Chart, options: BandOptions = {}): Band {
	const feel = options.feel ?? chart.headers.feel;
	const voice = options.voice ?? chordVoiceOf(feel);
	const line = timelineOf(chart);
	const { events, played } = chart;
	const lead = voiceLead(events.map((event) => event.chord));
	const rootOf = (chord: Chord) => bassPitch(bassClass(chord), BASS.root);
	const rests = (a: number, b: number): boolean => {
		const [one, other] = [events[a]?.chord, events[b]?.chord];
		if (!one || !other || (!one.bass && !other.bass)) return false;
		return bassClass(one) === bassClass(other);
	};
	const pedal = (event: number) => rests(event - 1, event) || rests(event, event + 1);
	const write = (
		index: number,
		round: number,
		entered: boolean,
		goes: number | null
	): BandNote[] => {
		const at = played[index]!;
		const stretches = stretchesOf(chart, line, at, entered || index === 0, goes);
		const silent = stretches.every((stretch) => stretch.chord === null);
		const pushes = stretches
			.filter((stretch) => stretch.pushed && stretch.from > at.startTick)
			.map((stretch) => stretch.from - at.startTick);
		const drums = drumBar(feel, {
			bar: at,
			round,
			opens: opensSection(chart, at) && (index > 0 || round > 0),
			closes: index === played.length - 1 || opensSection(chart, played[index + 1]),
			silent,
			pushes
		});
		const ringOn = firstLength(feel, played[index + 1] ?? played[0]!);
		const bass = bassBar(feel, { bar: at, round, stretches, pedal, rootOf, ringOn });
		const strumMs = voice === 'guitar' ? STRUM_MS : 0;
		const chords = compBar(feel, {
			...{ bar: at, round, stretches, strumMs },
			voicingOf: (event) => lead[event] ?? null
		});
		return [...drums, ...bass, ...chords];
	};
	const written = new Map<string, readonly BandNote[]>();
	const bar: Band['bar'] = (index, round, entered = false, goes = null) => {
		const way = round === 0 ? 0 : 1 + ((round - 1) % WAYS);
		const key = `${index} ${way} ${entered} ${goes}`;
		const known = written.get(key);
		if (known) return known;
		const notes = write(index, way, entered, goes);
		if (written.size >= KEPT) written.clear();
		written.set(key, notes);
		return notes;
	};
	return { chart, feel, voice, bar };
}

import {
	bandFor,
	playWhole,
	strokesOfLine,
	swingOf,
	type ChordVoice,
	type Click,
	type Part,
	type TimedNote
} from '$core/band';
import { parseChart, type Chart, type Feel } from '$core/chart';
import type { Faders } from './desk';

/** A note of the line as far as it is heard. */
type LineNote = Parameters<typeof strokesOfLine>[0][number];

/** A backing to be rendered: plain data, so that it can cross to a worker. */
export type BackingRequest = {
	readonly chart: string;
	readonly line: readonly LineNote[];
	/** Quarter notes a minute. */
	readonly tempo: number;
	readonly feel?: Feel;
	/** Share of a beat that its first half takes, in per cent; by the feel without it. */
	readonly swing?: number;
	readonly voice?: ChordVoice;
	readonly choruses: number;
	readonly countInBars: number;
	readonly parts: readonly Part[];
	readonly click: Click;
	readonly faders: Faders;
};

/** A backing as notes in time. */
export type Backing = {
	readonly chart: Chart;
	readonly notes: readonly TimedNote[];
	readonly seconds: number;
	readonly voice: ChordVoice;
};

/** Plays a backing through on paper: what the WAV sounds and the MIDI file holds. */
export function playBacking(request: BackingRequest): Backing {
	const chart = parseChart(request.chart);
	const band = bandFor(chart, { feel: request.feel, voice: request.voice });
	const score = {
		band,
		strokes: strokesOfLine(request.line),
		click: request.click,
		swing: swingOf(band.feel, request.swing)
	};
	const { tempo, choruses, countInBars, parts } = request;
	return {
		chart,
		voice: band.voice,
		...playWhole({ score, tempo, choruses, countInBars, parts })
	};
}

/** The backing as a MIDI file. */
export async function backingMidi(request: BackingRequest): Promise<Uint8Array<ArrayBuffer>> {
	const { writeMidiTune } = await import('$core/formats');
	const { chart, notes, voice } = playBacking(request);
	const { tempo, choruses, countInBars } = request;
	return writeMidiTune({ chart, notes, tempo, choruses, countInBars, chords: voice });
}

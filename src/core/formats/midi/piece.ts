import { bandFor, playWhole, strokesOfLine, swingOf, type Part } from '../../band';
import { chartTicks, type Chart } from '../../chart';
import { ALSO, playingOf, type Playing, type Technique, TECHNIQUES } from '../../route';
import type { FileNote, Piece, ReadNote } from '../piece';
import { writeMidiTune } from './write';

/** How the texts begin that carry what the format has no event for. */
export const TEXTS = { chart: 'arc-step-chart\n', line: 'arc-step-line\n' } as const;

/** What a row says of how its note is played besides the technique. */
type Rest = Omit<Partial<Playing>, 'technique'>;
/** One note of a line as a row: tick, length, pitch, string, fret, finger, technique, and what else there is. */
type Row = [number, number, number, number, number, number | null, Technique | null, ...Rest[]];

const whole = (value: unknown, least: number, most: number): value is number =>
	Number.isInteger(value) && (value as number) >= least && (value as number) <= most;

const rowsOf = (notes: readonly FileNote[]): Row[] =>
	notes.map((note) => {
		const { technique, ...rest } = playingOf(note);
		const { tick, durationTicks, midi, string, fret, finger } = note;
		const row: Row = [tick, durationTicks, midi, string, fret, finger, technique ?? null];
		return Object.keys(rest).length > 0 ? [...row, rest] : row;
	});

/** What else a row says; null where it cannot be read. */
function restOf(value: unknown): Rest | null {
	if (value === undefined) return {};
	if (typeof value !== 'object' || value === null) return null;
	const { also = [], bend, trill, grace, ...other } = value as Record<string, unknown>;
	const known =
		Array.isArray(also) && also.every((one) => (ALSO as readonly unknown[]).includes(one));
	const within = (field: unknown, least: number, most: number) =>
		field === undefined || whole(field, least, most);
	if (!known || Object.keys(other).length > 0) return null;
	if (!within(bend, 1, 4) || !within(trill, 1, 4) || !within(grace, 0, 24)) return null;
	return playingOf({ also, bend, trill, grace });
}

function noteOf(row: unknown): ReadNote | null {
	if (!Array.isArray(row) || row.length < 7 || row.length > 8) return null;
	const [tick, durationTicks, midi, string, fret, finger, technique, more] = row as unknown[];
	const rest = restOf(more);
	const far = 2 ** 31;
	const known = technique === null || (TECHNIQUES as readonly unknown[]).includes(technique);
	if (!whole(tick, 0, far) || !whole(durationTicks, 1, far) || !whole(midi, 0, 127)) return null;
	if (!whole(string, 1, 8) || !whole(fret, 0, 24) || !known || !rest) return null;
	if (finger !== null && !whole(finger, 1, 4)) return null;
	return {
		...{ tick, durationTicks, midi, finger, place: { string, fret } },
		technique: technique as Technique | null,
		...rest
	};
}

/** The line that a text carries: what it is called, and its notes; null where it cannot be read. */
export function lineText(text: string): { name: string; notes: ReadNote[] } | null {
	try {
		const value: unknown = JSON.parse(text.slice(TEXTS.line.length));
		const { name, notes } = value as { name?: unknown; notes?: unknown };
		if (typeof name !== 'string' || !Array.isArray(notes)) return null;
		const read = notes.map(noteOf);
		return read.every((note) => note !== null) ? { name, notes: read } : null;
	} catch {
		return null;
	}
}

/** The notes of a line as they are heard: struck, swung, with the curves of their pitch. */
export function heardLine(
	chart: Chart,
	notes: Parameters<typeof strokesOfLine>[0],
	parts: readonly Part[]
) {
	return playWhole({
		score: {
			band: bandFor(chart),
			strokes: strokesOfLine(notes),
			click: { beats: 'every', subdivision: 1, accents: true },
			swing: swingOf(chart.headers.feel)
		},
		tempo: chart.headers.tempo,
		choruses: 1,
		countInBars: 0,
		parts
	}).notes;
}

/**
 * A tune played once through as a MIDI file: the line with its bends, the band, chord names as markers.
 * Chart and line go along as texts, so that nothing is lost on the way back.
 */
export function writeMidiPiece(
	{ chart, text, notes, lineName }: Piece,
	parts: readonly Part[] = ['line', 'chords', 'bass', 'drums']
): Uint8Array<ArrayBuffer> {
	const texts = [`${TEXTS.chart}${text}`];
	if (notes.length > 0) {
		texts.push(`${TEXTS.line}${JSON.stringify({ name: lineName, notes: rowsOf(notes) })}`);
	}
	const wanted = notes.length > 0 ? parts : parts.filter((part) => part !== 'line');
	return writeMidiTune({
		chart,
		notes: chartTicks(chart) > 0 ? heardLine(chart, notes, wanted) : [],
		tempo: chart.headers.tempo,
		choruses: 1,
		countInBars: 0,
		chords: 'guitar',
		texts
	});
}

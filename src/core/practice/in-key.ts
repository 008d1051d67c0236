import { parseChart, transposeText, type Chart } from '../chart';
import { keyOf } from '../harmony';
import { intervalBetween, noteName, parseNote } from '../pitch';

/** A tune as it is practised: its text and chart, and the ASCII tonic that it is heard in (null without a key). */
export type KeyedTune = {
	readonly text: string;
	readonly chart: Chart;
	readonly tonic: string | null;
};

/**
 * A tune moved to another tonic by the shorter way round; `null` leaves it as it is written, as does a
 * chart without a key.
 * @param tonic an ASCII note name
 */
export function inKey(text: string, tonic: string | null): KeyedTune {
	const written = parseChart(text);
	const home = keyOf(written)?.tonic ?? null;
	const goal = tonic === null ? null : parseNote(tonic);
	if (!home || !goal || noteName(home) === noteName(goal)) {
		return { text, chart: written, tonic: home && noteName(home) };
	}
	const moved = transposeText(text, intervalBetween(home, goal));
	return { text: moved, chart: parseChart(moved), tonic: noteName(goal) };
}

import type { Piece } from './piece';
import { LINE_MARK } from './plain-text';
import { writeTab } from './tab-write';

/**
 * A tune and its line as a page of plain text: the chart, then tab with the chords above, techniques and
 * fingers.
 */
export function writeTabPage({ chart, text, instrument, notes, lineName }: Piece): string {
	const tab = writeTab(chart, instrument, notes, { chords: true, fingers: true });
	const name = lineName.replace(/\s+/g, ' ').trim();
	return `${text.trimEnd()}\n\n${LINE_MARK}${name}\n\n${tab}`;
}

import { parseChart } from '$core/chart';
import type { EngravedNote } from '$core/formats';
import { instrumentOf } from '$core/neck';
import { expect, it } from 'vitest';
import { engraveRows } from './engraving';

const note = (
	tick: number,
	fret: number,
	name: EngravedNote['name'],
	technique: EngravedNote['technique'] = null
): EngravedNote => ({ tick, string: 2, fret, name, technique, durationTicks: 480, finger: null });

/** The words and figures of an engraving, without the signs of the music font. */
const written = (notes: readonly EngravedNote[]): string[] => {
	const chart = parseChart('| Am7 | D7 |');
	const { instrument } = instrumentOf(chart, []);
	const rows = engraveRows(chart, instrument, notes, chart.played, {
		...{ width: 500, scale: 1, barsPerRow: 2 }
	});
	return rows
		.flatMap(({ ink }) => ink)
		.flatMap((one) => (one.kind === 'text' && one.font !== 'score' ? [one.text] : []));
};

it('a bend has an arrow with its amount, and no second fret that reads as another note', () => {
	const tone = written([note(0, 8, 'G'), note(480, 10, 'A', 'bend')]);
	expect(tone).toContain('8');
	expect(tone).toContain('full');
	expect(tone.filter((text) => /10|\(/.test(text))).toEqual([]);
	const half = written([note(0, 8, 'G'), note(480, 9, 'G#', 'bend')]);
	expect(half).toContain('½');
	// Over a bar line the held fret is said again, tied, as it was struck.
	const over = written([note(1440, 8, 'G'), note(1920, 10, 'A', 'bend')]);
	expect(over).toContain('full');
	expect(over.filter((text) => /10/.test(text))).toEqual([]);
});

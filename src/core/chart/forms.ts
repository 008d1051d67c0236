import { parseNumeral, type Key, type Mode } from '../chord';
import { readChartText } from './read-text';

/** A form to start from, in numerals; it can be written out in any key. */
export type Form = {
	readonly id: string;
	readonly name: string;
	readonly mode: Mode;
	/** Bars in numerals, four to a line. */
	readonly bars: string;
	/** What tells it from the others, short. */
	readonly says: string;
};

/** Forms that recur, plainest first within each kind. */
export const FORMS: readonly Form[] = [
	{
		id: 'twelve-bar',
		name: 'Twelve-bar blues',
		mode: 'blues',
		bars: '| I7 | % | % | % |\n| IV7 | % | I7 | % |\n| V7 | IV7 | I7 | V7 |',
		says: 'I I I I | IV …'
	},
	{
		id: 'twelve-bar-quick',
		name: 'Twelve-bar, quick change',
		mode: 'blues',
		bars: '| I7 | IV7 | I7 | % |\n| IV7 | % | I7 | % |\n| V7 | IV7 | I7 | V7 |',
		says: 'I IV I I | IV …'
	},
	{
		id: 'twelve-bar-minor',
		name: 'Twelve-bar, minor',
		mode: 'minor',
		bars: '| i7 | % | % | % |\n| iv7 | % | i7 | % |\n| VI7 | V7 | i7 | V7 |',
		says: 'i i i i | iv …'
	},
	{
		id: 'eight-bar',
		name: 'Eight-bar blues',
		mode: 'blues',
		bars: '| I7 | V7 | IV7 | % |\n| I7 | V7 | I7 IV7 | I7 V7 |',
		says: 'I V IV IV | …'
	},
	{
		id: 'two-five-major',
		name: 'ii–V–I loop',
		mode: 'major',
		bars: '| ii7 | V7 | Imaj7 | % |',
		says: 'ii V | I I'
	},
	{
		id: 'two-five-minor',
		name: 'ii–V–i loop, minor',
		mode: 'minor',
		bars: '| iiø7 | V7b9 | i7 | % |',
		says: 'iiø V | i i'
	},
	{
		id: 'turnaround',
		name: 'ii–V turnaround',
		mode: 'major',
		bars: '| ii7 V7 | Imaj7 vi7 | ii7 V7 | Imaj7 |',
		says: 'ii V | I vi'
	},
	{
		id: 'loop-major',
		name: 'Four-chord loop',
		mode: 'major',
		bars: '| I | V | vi | IV |',
		says: 'I V vi IV'
	},
	{
		id: 'loop-minor',
		name: 'Four-chord loop, minor',
		mode: 'minor',
		bars: '| i | VI | VII | V |',
		says: 'i VI VII V'
	},
	{
		id: 'sixteen-bar',
		name: 'Sixteen bars',
		mode: 'blues',
		bars: '| I7 | % | % | % |\n| I7 | % | % | % |\n| IV7 | % | I7 | % |\n| V7 | IV7 | I7 | V7 |',
		says: 'I ×8 | IV …'
	},
	{
		id: 'vamp',
		name: 'One-chord vamp',
		mode: 'mixolydian',
		bars: '| I7 | % | % | % |',
		says: 'I7'
	},
	{
		id: 'pedal',
		name: 'Vamp over a held bass',
		mode: 'lydian',
		bars: '| I | II/1 | vi7/1 | II/1 |',
		says: 'I II/1 vi/1'
	}
];

/** The bars of a form written out in chord symbols on a tonic. */
export function formBars(form: Form, tonic: Key['tonic']): string {
	const key = { tonic, mode: form.mode };
	return form.bars.replace(/[^\s|%]+/g, (word) => parseNumeral(word, key)?.symbol ?? word);
}

/** Where the bars of a text begin and end, as line indices; an empty stretch at its end without bars. */
function barLines(text: string): { from: number; to: number } {
	const { bars } = readChartText(text);
	const lines = text.split('\n');
	const numbers = bars.map((bar) => bar.span.line - 1);
	if (numbers.length === 0) return { from: lines.length, to: lines.length };
	let from = Math.min(...numbers);
	// A section's name above the first bar goes with it.
	while (from > 0 && /^\s*\[[^\]]*\]\s*$/.test(lines[from - 1]!)) from--;
	return { from, to: Math.max(...numbers) + 1 };
}

/**
 * Puts a form in place of the bars of a chart; headers and comments around them stay. The key header
 * must be set apart (`setHeader`), because a form brings its mode.
 */
export function withBars(text: string, bars: string): string {
	const lines = text.split('\n');
	const { from, to } = barLines(text);
	const head = lines.slice(0, from);
	while (head.length > 0 && head[head.length - 1]!.trim() === '') head.pop();
	const tail = lines.slice(to);
	return [
		...head,
		...(head.length > 0 ? [''] : []),
		...bars.split('\n'),
		...(tail.length > 0 ? tail : [''])
	].join('\n');
}

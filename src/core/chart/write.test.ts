import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
	barTicks,
	draftHeaders,
	parseChart,
	writeChart,
	type BarDraft,
	type Chart,
	type TimeSignature
} from '.';

const signature = fc.oneof(
	fc.record({ beats: fc.integer({ min: 2, max: 7 }), unit: fc.constant(4 as const) }),
	fc.record({ beats: fc.integer({ min: 3, max: 12 }), unit: fc.constant(8 as const) })
);
const SYMBOLS = ['C', 'F#m7b5', 'Bb7', 'Eb/G', 'Dmaj7', 'N.C.', 'G7alt', 'A6/9'];

/** What sounds when: every new chord or silence, by tick. */
function heard(chart: Chart): string[] {
	const found: string[] = [];
	for (const { startTick, symbol } of chart.events) {
		if (found.at(-1)?.split(' ')[1] !== symbol) found.push(`${startTick} ${symbol}`);
	}
	return found;
}

/** Ticks at which the chords of bars begin, without those that only repeat the one before. */
function meant(bars: readonly BarDraft[]): string[] {
	const found: string[] = [];
	let start = 0;
	bars.forEach((bar, b) => {
		if (b === 0 && bar.chords.length === 0) found.push('0 N.C.');
		for (const { tick, symbol } of bar.chords) {
			if (found.at(-1)?.split(' ')[1] !== symbol) found.push(`${start + tick} ${symbol}`);
		}
		start += barTicks(bar.signature);
	});
	return found;
}

const bar = (time: TimeSignature): fc.Arbitrary<BarDraft> => {
	const eighths = barTicks(time) / 240;
	return fc
		.uniqueArray(fc.integer({ min: 0, max: eighths - 1 }), { maxLength: Math.min(5, eighths) })
		.chain((places) =>
			fc
				.array(fc.constantFrom(...SYMBOLS), { minLength: places.length, maxLength: places.length })
				.map((symbols) => ({
					signature: time,
					chords: [...places]
						.sort((a, b) => a - b)
						.map((place, i) => ({ tick: place * 240, symbol: symbols[i] }))
				}))
		);
};
const bars = fc.array(signature.chain(bar), { minLength: 1, maxLength: 12 });

describe('a chart that is written', () => {
	it('is read again with every chord where it was', () => {
		fc.assert(
			fc.property(bars, (draft) => {
				// A first chord after the first beat leaves silence before it.
				const [first, ...rest] = draft;
				const opened = first.chords[0]?.tick === 0 || first.chords.length === 0;
				const all = opened
					? draft
					: [{ ...first, chords: [{ tick: 0, symbol: 'N.C.' }, ...first.chords] }, ...rest];
				const { text, moved } = writeChart({ bars: all });
				const chart = parseChart(text);
				expect(moved).toEqual([]);
				expect(chart.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
				expect(chart.played.map((played) => played.signature)).toEqual(
					all.map((entry) => entry.signature)
				);
				expect(heard(chart)).toEqual(meant(all));
			})
		);
	});

	it('keeps headers, sections, repeats and endings', () => {
		const four = { beats: 4, unit: 4 } as const;
		const one = (symbol: string, more: Partial<BarDraft> = {}): BarDraft => ({
			signature: four,
			chords: [{ tick: 0, symbol }],
			...more
		});
		const { text } = writeChart({
			title: 'Tin // Roof\nFerry',
			key: { tonic: { letter: 6, alter: -1 }, mode: 'blues' },
			scale: 'Bb minor pentatonic',
			tempo: 104,
			feel: 'shuffle',
			tuning: 'D2 A2 D3 F#3 A3 D4',
			capo: 2,
			bars: [
				one('Bb7', { section: { name: 'Head [one]', times: 2 } }),
				one('Eb7', { startsRepeat: true }),
				one('F7', { endings: [1, 2], repeatTimes: 3 }),
				one('Bb7', { endings: [3] }),
				one('G7', { section: { name: null, times: 1 } })
			]
		});
		expect(text).toBe(
			[
				'title: Tin / / Roof Ferry',
				'key: Bb blues',
				'scale: Bb minor pentatonic',
				'time: 4/4',
				'tempo: 104',
				'feel: shuffle',
				'tuning: D2 A2 D3 F#3 A3 D4',
				'capo: 2',
				'',
				'[Head  one x2]',
				'| Bb7 |',
				'|: Eb7 | 1. 2. F7 :| x3',
				'| 3. Bb7 |',
				'',
				'[Part]',
				'| G7 |',
				''
			].join('\n')
		);
		const chart = parseChart(text);
		expect(chart.diagnostics).toEqual([]);
		const once = ['Bb7', 'Eb7', 'F7', 'Eb7', 'F7', 'Eb7', 'Bb7'];
		expect(chart.events.map(({ symbol }) => symbol)).toEqual([...once, ...once, 'G7']);
		expect(draftHeaders(chart.headers)).toMatchObject({ capo: 2, feel: 'shuffle', tempo: 104 });
	});

	it('writes pushes, held bars and what lies off every share', () => {
		const time = { beats: 4, unit: 4 } as const;
		const { text, moved } = writeChart({
			bars: [
				{
					signature: time,
					chords: [
						{ tick: 0, symbol: 'F9' },
						{ tick: 1680, symbol: 'Eb9' }
					]
				},
				{ signature: time, chords: [] },
				{
					signature: time,
					chords: [
						{ tick: 0, symbol: 'C' },
						{ tick: 727, symbol: 'G' }
					]
				},
				{ signature: time, chords: [] }
			]
		});
		expect(text.split('\n\n')[1]).toBe('| F9 | <Eb9 | C . . G . . . . | . |\n');
		expect(moved).toEqual([3]);
	});
});

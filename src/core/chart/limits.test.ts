import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { above, intervalBetween, noteName, parseNote } from '../pitch';
import { runs } from '../test-runs';
import { circleOf, LIMITS, parseChart, transposeText, utf8Length } from './';
import { FERRY } from './test-charts';

describe('limits', () => {
	const limit = (text: string) => parseChart(text).diagnostics.filter((d) => d.limit).length;

	it('are told once and leave the rest readable', () => {
		expect(limit(`| ${'C | '.repeat(LIMITS.written)}`)).toBe(0);
		expect(limit(`| ${'C | '.repeat(LIMITS.written + 5)}`)).toBe(1);
		expect(limit(`[A x64]\n| ${'C | '.repeat(33)}`)).toBe(1);
		expect(parseChart(`[A x64]\n| ${'C | '.repeat(33)}`).played).toHaveLength(LIMITS.played);
		expect(limit(`| ${'C '.repeat(16)}|`)).toBe(0);
		expect(limit(`| ${'C '.repeat(17)}|`)).toBe(1);
		expect(limit(`| C |${'/'.repeat(LIMITS.bytes)}`)).toBe(1);
		expect(utf8Length('C♭𝄫')).toBe(8);
	});

	it('of the text is counted in bytes, and whole characters are read up to it', () => {
		const bars = (start: string, end: string) => parseChart(`${start}| C |${end}`).bars.length;
		const words = (bytes: number) => `// ${'é'.repeat((bytes - 4) / 2)}\n`;
		expect(bars(words(LIMITS.bytes - 20), '\n| G |')).toBe(2);
		expect(bars(words(LIMITS.bytes - 20), `\n| G |${words(1000)}`)).toBe(2);
		expect(bars('', `${words(LIMITS.bytes)}| G |`)).toBe(1);
		const cut = parseChart(`| C |\n${words(LIMITS.bytes)}`).diagnostics[0];
		expect(cut).toMatchObject({ limit: true, message: expect.stringContaining('64 KiB') });
	});

	it('never throw, whatever the text', () => {
		const piece = fc.constantFrom(
			'|',
			'||',
			'|:',
			':|',
			' ',
			'\n',
			'C',
			'G7',
			'%',
			'.',
			'/',
			'1.',
			'[A x2]',
			'{3/4}',
			'key: C',
			'<',
			'x3',
			'N.C.',
			'💥',
			']',
			'//'
		);
		fc.assert(
			fc.property(fc.array(piece, { maxLength: 60 }), (pieces) => {
				const text = pieces.join('');
				const chart = parseChart(text);
				const lines = text.split('\n');
				for (const d of chart.diagnostics) {
					expect(d.line).toBeGreaterThan(0);
					expect(d.column).toBeGreaterThan(0);
					expect(d.line).toBeLessThanOrEqual(lines.length);
				}
				let end = chart.events[0]?.startTick ?? 0;
				for (const event of chart.events) {
					expect(event.startTick).toBe(end);
					expect(event.durationTicks).toBeGreaterThan(0);
					end += event.durationTicks;
				}
			}),
			{ numRuns: runs(1500) }
		);
	});
});

describe('transposing', () => {
	it('moves chords, basses, key and scale and keeps layout, comments and numerals', () => {
		const text =
			'key: Bb blues // home\nscale: Bb minor pentatonic\n[Bridge x2]\n|: <Bb7 | Eb/G | IV | hm :| // Bb7';
		expect(transposeText(text, { steps: 1, semitones: 2 })).toBe(
			'key: C blues // home\nscale: C minor pentatonic\n[Bridge x2]\n|: <C7 | F/A | IV | hm :| // Bb7'
		);
		expect(circleOf('major')).toHaveLength(12);
		expect(circleOf('minor')).toContain('F#');
	});

	it('transposes every answer with the chart', () => {
		const root = parseNote('Bb');
		if (!root) throw new Error('not read');
		const original = parseChart(FERRY);
		for (const name of [...circleOf('blues'), 'F#', 'C#', 'A#', 'Fb']) {
			const tonic = parseNote(name);
			if (!tonic) throw new Error('not read');
			const interval = intervalBetween(root, tonic);
			const moved = parseChart(transposeText(FERRY, interval));
			expect(moved.diagnostics).toEqual([]);
			expect(moved.changes).toHaveLength(original.changes.length);
			moved.changes.forEach((change, i) => {
				const before = original.changes[i];
				expect([change.tick, change.bar, change.beat]).toEqual([
					before.tick,
					before.bar,
					before.beat
				]);
				const wanted = before.to.chord.tones.map((tone) => noteName(above(tone.note, interval)));
				expect(change.to.chord.tones.map((tone) => tone.name)).toEqual(wanted);
				expect(change.to.chord.tones.map((tone) => tone.role)).toEqual(
					before.to.chord.tones.map((tone) => tone.role)
				);
			});
		}
	});
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shareStarts, unevenShares } from './cells';
import { parseChart } from './chart';
import { MODE_NAMES, parseMode } from '../chord';
import { HeaderReader, parseKey, parseSignature, splitHeader, suggestKey } from './headers';
import { Report } from './diagnose';
import { tokens, withoutComment } from './tokens';
import { barTicks, beatTicks, FEELS, type TimeSignature } from './types';
import { runs } from '../test-runs';

const kinds = (line: string): string =>
	tokens(line, 1)
		.map((token) => `${token.kind}:${token.text}`)
		.join(' ');

describe('tokens', () => {
	it.each([
		['| Bb7 | Eb7 |', 'barline:| word:Bb7 barline:| word:Eb7 barline:|'],
		['||: C :|| F |]', 'barline:||: word:C barline::|| word:F barline:|]'],
		['|: C :| x3 | F |', 'barline:|: word:C barline::| count:3 barline:| word:F barline:|'],
		['| C :|: F |', 'barline:| word:C barline::|: word:F barline:|'],
		['|1. C |2. F |', 'barline:| ending:1. word:C barline:| ending:2. word:F barline:|'],
		['|1.2. C |', 'barline:| ending:1.2. word:C barline:|'],
		['| C . / F |', 'barline:| word:C hold:. hold:/ word:F barline:|'],
		['| N.C. | % |', 'barline:| word:N.C. barline:| repeat:% barline:|'],
		['[Head x2]', 'section:[Head x2]'],
		['{3/4} | C |', 'signature:{3/4} barline:| word:C barline:|'],
		['| C7(b9, #11) |', 'barline:| word:C7(b9, #11) barline:|'],
		['| <Eb7 <<F |', 'barline:| word:<Eb7 word:<<F barline:|'],
		['| C/E | C6/9 |', 'barline:| word:C/E barline:| word:C6/9 barline:|'],
		['| C7(b9 |', 'barline:| word:C7(b9 barline:|']
	])('%s', (line, expected) => expect(kinds(line)).toBe(expected));

	it('know where they stand', () => {
		const found = tokens('  | Bb7  |', 4)[1];
		expect(found).toMatchObject({ line: 4, column: 5, length: 3 });
	});

	it('cover every sign that is no space, in order', () => {
		const sign = fc.constantFrom(...'|:[]{}%./<ABCb7x3 1()♭ø');
		fc.assert(
			fc.property(fc.array(sign, { maxLength: 40 }), (signs) => {
				const line = signs.join('');
				let end = 0;
				for (const token of tokens(line, 1)) {
					expect(token.column - 1).toBeGreaterThanOrEqual(end);
					expect(line.slice(end, token.column - 1).trim()).toBe('');
					end = token.column - 1 + token.length;
				}
				expect(line.slice(end).trim()).toBe('');
			})
		);
	});

	it('leave comments out', () => {
		expect(withoutComment('| C | // the rest | F |')).toBe('| C | ');
		expect(withoutComment('| C / F |')).toBe('| C / F |');
	});
});

describe('header lines', () => {
	it.each([
		['title: Tin Roof Ferry', { name: 'title', value: 'Tin Roof Ferry', valueAt: 7 }],
		['  Key :  Bb ', { name: 'key', value: 'Bb', valueAt: 9 }],
		['tempo:', { name: 'tempo', value: '', valueAt: 6 }]
	])('%j', (line, expected) => expect(splitHeader(line)).toEqual(expected));

	it.each(['| C |', '|: C :|', 'C | F:|', '7: C', 'no header'])('%j is none', (line) => {
		expect(splitHeader(line)).toBeNull();
	});

	it('set every value that the contract names', () => {
		const reader = new HeaderReader(new Report());
		for (const line of [
			'title: A',
			'key: F#m',
			'scale: C lydian',
			'time: 6/8',
			'tempo: 92.5',
			'tuning: open-d',
			'capo: 2'
		]) {
			reader.read(line, 1);
		}
		expect(reader.headers).toMatchObject({
			title: 'A',
			key: { mode: 'minor' },
			scale: { name: 'lydian' },
			time: { beats: 6, unit: 8 },
			tempo: 92.5,
			tuning: { text: 'open-d' },
			capo: 2
		});
		for (const feel of FEELS) {
			reader.read(`feel: ${feel.toUpperCase()}`, 1);
			expect(reader.headers.feel).toBe(feel);
		}
	});

	it.each(['2/4', '15/8', '7/8', ' 3 / 4 '])('signature %s', (text) => {
		expect(parseSignature(text)).not.toBeNull();
	});
	it.each(['1/4', '16/8', '4/2', '4', '', 'x/4', '4/44'])('no signature %j', (text) => {
		expect(parseSignature(text)).toBeNull();
	});

	it('read keys with every mode', () => {
		for (const mode of ['major', 'minor', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'blues']) {
			expect(parseKey(`Eb ${mode}`)?.mode).toBe(mode);
			expect(parseKey(`E♭ ${mode.toUpperCase()}`)?.mode).toBe(mode);
		}
		expect(parseKey('Eb ionian')).toEqual(parseKey('Eb'));
		expect(parseKey('F# aeolian')).toEqual(parseKey('F#m'));
		expect(parseKey('Eb hypolydian')).toBeNull();
	});

	it.each([
		['C aeolien', 'C aeolian'],
		['c aeolian', 'C aeolian'],
		['c', 'C'],
		['f#m', 'F#m'],
		['f# minor', 'F# minor'],
		['C moll', 'C minor'],
		['C dur', 'C major'],
		['Am7', 'A minor'],
		['Bm7b5', 'B locrian'],
		['D dorain', 'D dorian'],
		['E phryg', 'E phrygian'],
		['Bb bleus', 'Bb blues'],
		// Nothing that can be told: no fix rather than a wrong one.
		['C freygish', null],
		['C 5', null],
		['H minor', null]
	])('%s is meant as %s', (text, meant) => {
		expect(parseKey(text)).toBeNull();
		const { diagnostics } = parseChart(`key: ${text}\n| C |`);
		expect(diagnostics.map(({ severity, suggestion }) => [severity, suggestion])).toEqual([
			['error', meant]
		]);
		if (meant) expect(parseKey(meant)).not.toBeNull();
	});

	it('never changes the mode that was typed with a slip', () => {
		for (const mode of MODE_NAMES) {
			for (let at = 0; at < mode.length; at++) {
				const typed = `C ${mode.slice(0, at)}${mode.slice(at + 1)}`;
				const read = parseKey(typed) ?? parseKey(suggestKey(typed) ?? '');
				expect(read === null || read.mode === parseMode(mode), typed).toBe(true);
			}
		}
	});
});

describe('shares of a bar', () => {
	const time = fc.record({
		beats: fc.integer({ min: 2, max: 15 }),
		unit: fc.constantFrom<4 | 8>(4, 8)
	});

	it('begin at the bar, rise, end with it, and fall on beats while there are enough', () => {
		fc.assert(
			fc.property(fc.integer({ min: 1, max: 16 }), time, (count, signature: TimeSignature) => {
				const starts = shareStarts(count, signature);
				expect(starts).toHaveLength(count + 1);
				expect([starts[0], starts[count]]).toEqual([0, barTicks(signature)]);
				const lengths = starts.slice(1).map((end, i) => end - starts[i]);
				expect(Math.min(...lengths)).toBeGreaterThan(0);
				if (count <= signature.beats) {
					for (const start of starts) expect(start % beatTicks(signature)).toBe(0);
					// The first takes what is over; all others are alike.
					expect(new Set(lengths.slice(1)).size).toBeLessThanOrEqual(1);
					expect(lengths[0]).toBeGreaterThanOrEqual(lengths[lengths.length - 1]);
				} else {
					expect(Math.max(...lengths) - Math.min(...lengths)).toBeLessThanOrEqual(1);
				}
			})
		);
	});

	it.each([
		[3, 4, '2+1+1'],
		[2, 3, '2+1'],
		[2, 5, '3+2'],
		[4, 7, '4+1+1+1'],
		[2, 4, null],
		[5, 4, null]
	])('%i in %i beats: %s', (count, beats, expected) => {
		expect(unevenShares(count, { beats, unit: 4 })).toBe(expected);
	});
});

describe('time', () => {
	it('runs on without a gap through sections, repeats and signatures', () => {
		const bar = fc.constantFrom(
			'C',
			'F G',
			'Am . G',
			'%',
			'N.C.',
			'<D7',
			'{3/4} E',
			'{4/4} E',
			'1. B',
			'2. B'
		);
		const line = fc
			.array(bar, { minLength: 1, maxLength: 6 })
			.map((bars) => `|: ${bars.join(' | ')} :|`);
		const text = fc
			.array(line, { minLength: 1, maxLength: 3 })
			.map((lines) => `[A x2]\n${lines.join('\n[B]\n')}`);
		fc.assert(
			fc.property(text, (source) => {
				const chart = parseChart(source);
				let tick = 0;
				for (const played of chart.played) {
					expect(played.startTick).toBe(tick);
					tick += played.lengthTicks;
				}
				const last = chart.events.at(-1);
				if (last) expect(last.startTick + last.durationTicks).toBe(tick);
				for (const change of chart.changes) {
					expect(chart.played[change.bar - 1].written + 1).toBe(change.source);
					expect(chart.played[change.bar - 1].pass).toBe(change.pass);
				}
			}),
			{ numRuns: runs(400) }
		);
	});

	it('plays %, holds and pushes as written on every pass', () => {
		const chart = parseChart('[A x2]\n| C | <F . . G | % |');
		const pass = chart.events.slice(5).map((event) => event.startTick - 3 * 1920);
		expect(pass).toEqual(chart.events.slice(0, 5).map((event) => event.startTick));
		expect(chart.events.map((event) => event.symbol).join('')).toBe('CFGFGCFGFG');
	});
});

describe('what is said', () => {
	it('names line, column, the text and the way out, for each kind of slip', () => {
		const text = [
			'key: Q',
			'tempo: 999',
			'[]',
			':| C |',
			'| Cmin7b | xyz | % . |',
			'plain words',
			'| {9} C |'
		].join('\n');
		const said = parseChart(text).diagnostics.map((d) => [
			d.line,
			d.column,
			d.severity,
			d.suggestion
		]);
		expect(said).toEqual([
			[1, 6, 'error', null],
			[2, 8, 'error', '300'],
			[3, 1, 'error', null],
			[4, 1, 'error', null],
			[5, 3, 'error', 'Cmin'],
			[5, 12, 'error', null],
			[5, 20, 'error', null],
			[6, 1, 'error', '| plain words |'],
			[7, 3, 'error', '{4/4}']
		]);
	});

	it('stays readable when everything is wrong', () => {
		const { diagnostics } = parseChart(`| ${'C . . | '.repeat(400)}`);
		expect(diagnostics.length).toBeLessThanOrEqual(200);
	});
});

import { describe, expect, it } from 'vitest';
import { compareChords, keyName, parseChart, parseKey } from '.';
import { parseChord } from '../chord';
import { eventAt } from './at';
import { FERRY, layout } from './test-charts';

/** Played bars as written bar numbers. */
const order = (text: string): string =>
	parseChart(text)
		.played.map((bar) => bar.written + 1)
		.join(' ');
const says = (text: string): string[] =>
	parseChart(text).diagnostics.map((d) => `${d.severity} ${d.line}:${d.column}+${d.length}`);

describe('a whole chart', () => {
	const chart = parseChart(FERRY);

	it('reads headers, bars, chords and changes', () => {
		expect(chart.diagnostics).toEqual([]);
		expect(chart.headers).toMatchObject({ title: 'Tin Roof Ferry', tempo: 104, feel: 'shuffle' });
		expect(chart.played).toHaveLength(12);
		expect(chart.events).toHaveLength(14);
		expect(chart.changes.map((change) => change.to.symbol).join(' ')).toBe(
			'Bb7 Eb7 Bb7 Eb7 Edim7 Bb7 G7alt Cm7 F7 Bb7 G7 Cm7 F7'
		);
		expect(chart.changes[10]).toMatchObject({
			bar: 11,
			beat: 3,
			tick: 10 * 1920 + 960,
			source: 11
		});
		const { key } = chart.headers;
		expect(key && keyName(key)).toBe('Bb blues');
		expect(eventAt(chart, 3 * 1920 + 5)?.bar).toBe(4);
	});

	it('keeps everything else when one symbol cannot be read', () => {
		const broken = parseChart(FERRY.replace('G7alt', 'G7atl'));
		expect(broken.diagnostics).toHaveLength(1);
		expect(broken.diagnostics[0]).toMatchObject({
			severity: 'error',
			line: 9,
			column: 23,
			length: 5,
			suggestion: 'G7alt'
		});
		expect(broken.events).toHaveLength(14);
		expect(broken.events[7]).toMatchObject({ kind: 'unreadable', symbol: 'G7atl', chord: null });
		expect(broken.changes).toHaveLength(12);
		expect(broken.changes[6].from).toBeNull();
	});
});

describe('headers', () => {
	it.each([
		['key: F# minor', 'F# minor'],
		['key: F♯m', 'F# minor'],
		['key: Db lydian', 'Db lydian'],
		['key: Bb', 'Bb major']
	])('%s', (line, name) => {
		const { key } = parseChart(`${line}\n| C |`).headers;
		expect(key && keyName(key)).toBe(name);
	});

	it.each([
		['key: auto', []],
		['key: H', ['error 1:6+1']],
		['key: C hyper', ['error 1:6+7']],
		['tempo: 29', ['error 1:8+2']],
		['tempo: 301', ['error 1:8+3']],
		['tempo: fast', ['error 1:8+4']],
		['tempo: 30', []],
		['feel: swing', []],
		['feel: swung', ['error 1:7+5']],
		['time: 15/8', []],
		['time: 1/4', ['error 1:7+3']],
		['time: 4/2', ['error 1:7+3']],
		['capo: 3', []],
		['capo: 13', ['error 1:7+2']],
		['scale: Bb minor pentatonic', []],
		['scale: pentatonic', ['error 1:8+10']],
		['colour: red', ['warning 1:1+6']],
		['tempo:', ['warning 1:1+5']],
		['title: A // with a comment', []]
	])('%s', (line, expected) => expect(says(`${line}\n| C |`)).toEqual(expected));

	it('reports a header that comes twice or after the bars', () => {
		expect(says('tempo: 90\ntempo: 91\n| C |')).toEqual(['warning 2:1+5']);
		expect(says('| C |\ntempo: 91')).toEqual(['error 2:1+9']);
	});

	it('reads a key with its mode', () => {
		expect(parseKey('E blues')?.mode).toBe('blues');
	});
});

describe('shares of a bar', () => {
	it.each([
		['4/4', 'C F', 'C@1.1 F@1.3'],
		['4/4', 'C F G', 'C@1.1 F@1.3 G@1.4'],
		['3/4', 'C F', 'C@1.1 F@1.3'],
		['4/4', 'C . . F', 'C@1.1 F@1.4'],
		['4/4', 'C / / F', 'C@1.1 F@1.4'],
		['4/4', 'C F G A', 'C@1.1 F@1.2 G@1.3 A@1.4'],
		['6/8', 'C F', 'C@1.1 F@1.4'],
		['5/4', 'C F', 'C@1.1 F@1.4'],
		['4/4', 'N.C. F', 'N.C.@1.1 F@1.3']
	])('%s | %s |', (time, bar, expected) => {
		expect(layout(parseChart(`time: ${time}\n| ${bar} |`))).toBe(expected);
	});

	it('rounds down cumulatively when chords outnumber beats', () => {
		const starts = parseChart('| C D E F G A B |').events.map((event) => event.startTick);
		expect(starts).toEqual([0, 274, 548, 822, 1097, 1371, 1645]);
	});

	it('says when the beats do not divide', () => {
		expect(says('| C F G |')).toEqual(['info 1:3+1']);
		expect(parseChart('| C F G |').diagnostics[0].message).toContain('2+1+1');
	});

	it('holds over a barline and keeps the chord before it sounding', () => {
		const chart = parseChart('| C | . F |');
		expect(chart.events.map((event) => event.durationTicks)).toEqual([2880, 960]);
	});
});

describe('bars', () => {
	it.each([
		['| C | F |', []],
		['|| C | F |]', []],
		['| C | F', ['warning 1:7+1']],
		['C | F |', ['warning 1:1+1']],
		['| C |  | F |', ['warning 1:6+2']],
		['C F', ['error 1:1+3']],
		['| C // the end | F |', ['warning 1:3+1']],
		['| C | % |', []],
		['| % |', ['error 1:3+1']],
		['| C | % F |', ['error 1:9+1']],
		['| C | . F |', []],
		['| < |', ['error 1:4+1']],
		['| . C |', ['warning 1:3+1']],
		['| C7(b9 |', ['error 1:3+5']]
	])('%s', (text, expected) => expect(says(text)).toEqual(expected));

	it('spaces inside parentheses belong to the symbol', () => {
		expect(parseChart('| C7(b9, #11) |').events[0].symbol).toBe('C7(b9, #11)');
	});

	it('plays % as entries of its own that are no change', () => {
		const chart = parseChart('| C F | % |');
		expect(layout(chart)).toBe('C@1.1 F@1.3 C@2.1 F@2.3');
		expect(parseChart('| C | % |').changes).toHaveLength(1);
	});

	it('changes the time signature from a bar on', () => {
		const chart = parseChart('| C | {3/4} F | G |\n{6/8} | A |');
		expect(chart.played.map((bar) => bar.lengthTicks)).toEqual([1920, 1440, 1440, 1440]);
		expect(chart.diagnostics).toEqual([]);
		expect(says('| C {3/4} F |')).toContain('error 1:5+5');
		expect(says('{16/4} | C |')).toEqual(['error 1:1+6']);
	});
});

describe('sections, repeats and endings', () => {
	it.each([
		['[A x2]\n| C | F |', '1 2 1 2'],
		['[A]\n| C |\n[B x3]\n| F |', '1 2 2 2'],
		['|: C | F :| G |', '1 2 1 2 3'],
		['|: C :| x3 | G |', '1 1 1 2'],
		['| C | F :| G |', '1 2 1 2 3'],
		['|: C | F |1. G :|2. A | B |', '1 2 3 1 2 4 5'],
		['|: C |1. F :| x3 |2. G |', '1 2 1 2 1 3'],
		['|: C |1. F :|2. G :|3. A |', '1 2 1 3 1 4'],
		['|: C |1.2. F :|3. A |', '1 2 1 2 1 3'],
		['|: C :|: F :|', '1 1 2 2'],
		['| C |: F :|\n|: G :|', '1 2 2 3 3'],
		['[A x2]\n|: C :| F |', '1 1 2 1 1 2'],
		['[A x100]\n| C |', Array(100).fill('1').join(' ')]
	])('%j plays %s', (text, expected) => {
		expect(order(text)).toBe(expected);
		expect(parseChart(text).diagnostics).toEqual([]);
	});

	it.each([
		[':| C |', ['error 1:1+2']],
		['|: C | F |', ['warning 1:8+1']],
		['|: C |: F :|', []],
		['[]\n| C |', ['error 1:1+2']],
		['[A x9999]\n| C |', ['error 1:1+9']],
		['[A x0]\n| C |', ['error 1:1+6']],
		['|: C :| x0', ['error 1:9+2']],
		['[A\n| C |', ['error 1:1+2']],
		['| C [B] | F |', ['warning 1:5+3']]
	])('%j is reported', (text, expected) => expect(says(text)).toEqual(expected));

	it('counts the passes of each written bar', () => {
		expect(parseChart('|: C :| x3').played.map((bar) => bar.pass)).toEqual([1, 2, 3]);
	});
});

describe('pushes', () => {
	it('sounds an eighth or a sixteenth early, written where it stands', () => {
		const chart = parseChart('| C | <F | <<G |');
		expect(chart.events.map((event) => event.startTick)).toEqual([0, 1680, 3720]);
		expect(chart.events.map((event) => event.durationTicks)).toEqual([1680, 2040, 2040]);
		expect(chart.changes[1]).toMatchObject({ bar: 2, beat: 1, tick: 1680 });
	});

	it('warns of a push before the start or past the chord before', () => {
		expect(parseChart('| <C |').events[0].startTick).toBe(0);
		expect(says('| <C |')).toEqual(['warning 1:4+1']);
		expect(says('| C D E F G A <B C |')).toEqual(['warning 1:16+1']);
	});
});

describe('changes', () => {
	it('treats silence and unreadable chords as a break', () => {
		const symbols = (text: string) =>
			parseChart(text).changes.map((c) => `${c.from?.symbol}>${c.to.symbol}`);
		expect(symbols('| C | C | C/E | N.C. | C/E |')).toEqual([
			'undefined>C',
			'C>C/E',
			'undefined>C/E'
		]);
		expect(symbols('| C | xyz | C |')).toEqual(['undefined>C', 'undefined>C']);
	});

	it('compares neighbours', () => {
		const [a, b] = [parseChord('Eb7'), parseChord('Bb7')];
		if (!a || !b) throw new Error('not read');
		const { common, moves, fresh } = compareChords(a, b);
		expect(common.map((tone) => tone.name)).toEqual(['Bb']);
		expect(fresh.map((tone) => tone.name)).toEqual(['D', 'F', 'Ab']);
		const semitones = moves.filter((move) => Math.abs(move.semitones) === 1);
		expect(
			semitones.map((m) => `${m.from.name}${m.semitones > 0 ? '+' : '-'}${m.to.name}`)
		).toEqual(['Eb-D', 'Db+D', 'G+Ab']);
	});
});

describe('numerals in a chart', () => {
	it('need a key and become chords', () => {
		const chart = parseChart('key: Bb\n| I | IV7 | V7/ii | <bVII |');
		expect(chart.events.map((event) => event.symbol)).toEqual(['Bb', 'Eb7', 'G7', 'Ab']);
		expect(parseChart('| I |').diagnostics[0].message).toContain('key: Bb');
		expect(says('key: auto\n| IV |')).toEqual(['error 2:3+2']);
	});
});

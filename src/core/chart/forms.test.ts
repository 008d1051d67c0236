import { describe, expect, it } from 'vitest';
import { noteName, parseNote } from '../pitch';
import { circleOf, FORMS, formBars, parseChart, setHeader, withBars } from '.';

const note = (name: string) => {
	const found = parseNote(name);
	if (!found) throw new Error(name);
	return found;
};
const form = (id: string) => {
	const found = FORMS.find((entry) => entry.id === id);
	if (!found) throw new Error(id);
	return found;
};

describe('forms', () => {
	it.each(FORMS.map((entry) => [entry.name, entry] as const))(
		'%s reads in every key',
		(_, entry) => {
			for (const tonic of circleOf(entry.mode)) {
				const text = withBars(`key: ${tonic} ${entry.mode}\n`, formBars(entry, note(tonic)));
				const chart = parseChart(text);
				expect(chart.diagnostics, text).toEqual([]);
				expect(chart.played.length).toBe(
					(entry.bars.match(/\|/g)?.length ?? 0) - entry.bars.split('\n').length
				);
				// The numerals themselves name the same chords.
				const numerals = parseChart(withBars(`key: ${tonic} ${entry.mode}\n`, entry.bars));
				expect(chart.events.map((event) => event.symbol)).toEqual(
					numerals.events.map((event) => event.chord?.symbol)
				);
			}
		}
	);

	it('are what they say', () => {
		expect(formBars(form('twelve-bar-quick'), note('Bb'))).toBe(
			'| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | % | Bb7 | % |\n| F7 | Eb7 | Bb7 | F7 |'
		);
		expect(formBars(form('two-five-minor'), note('G'))).toBe('| Am7b5 | D7b9 | Gm7 | % |');
		expect(formBars(form('loop-minor'), note('F#'))).toBe('| F#m | D | E | C# |');
		expect(formBars(form('pedal'), note('Db'))).toBe('| Db | Eb/Db | Bbm7/Db | Eb/Db |');
	});

	it('take the place of the bars and nothing else', () => {
		const text =
			'title: Mine // my tune\ntempo: 90\n\n[Head x2]\n| C | F |\n| G | C |\n// the end\n';
		expect(withBars(text, '| Am |')).toBe(
			'title: Mine // my tune\ntempo: 90\n\n| Am |\n// the end\n'
		);
		expect(withBars('', '| Am |')).toBe('| Am |\n');
		expect(withBars('title: New\n', '| Am |')).toBe('title: New\n\n| Am |\n');
	});
});

describe('headers', () => {
	it.each([
		['title: T\n\n| C |', 'key', 'C lydian', 'title: T\nkey: C lydian\n\n| C |'],
		['title: T\nkey: G // home\n| C |', 'key', 'A minor', 'title: T\nkey: A minor // home\n| C |'],
		['title: T\nkey:\n| C |', 'key', 'A', 'title: T\nkey: A\n| C |'],
		['| C |', 'key', 'C', 'key: C\n\n| C |'],
		['', 'key', 'C', 'key: C\n'],
		['title: T\ntuning: open-d\n| C |', 'tuning', null, 'title: T\n| C |'],
		['title: T\n| C |', 'tuning', null, 'title: T\n| C |'],
		['tempo: 90\n| C |', 'title', 'T', 'title: T\ntempo: 90\n| C |'],
		['key: C\nkey: D\n| C |', 'key', 'E', 'key: C\nkey: E\n| C |']
	])('%j: %s = %s', (text, name, value, expected) => {
		expect(setHeader(text, name, value)).toBe(expected);
	});

	it('change what the chart says and no bar', () => {
		const text = 'title: T\ntempo: 90\n\n[A]\n| C | F | // x\n';
		const key = parseChart(setHeader(text, 'key', 'Bb blues')).headers.key;
		expect(key && noteName(key.tonic) + key.mode).toBe('Bbblues');
		expect(setHeader(text, 'key', 'Bb blues')).toContain('[A]\n| C | F | // x\n');
	});
});

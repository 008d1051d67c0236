import { describe, expect, it } from 'vitest';
import { judge } from './judge';
import { dueChanges } from './due';
import { FERRY, landEvery, NETTLE, pitchOf, takeOn } from './test-takes';
import type { PlayedEvent, Rules } from './types';

/** Everything lands at 60 beats a minute; then one more note, or another one. */
function broken(text: string, rules: Rules, more: PlayedEvent[], keep = true): string[] {
	const request = takeOn(text, { tempo: 60, rules });
	const events = [...(keep ? landEvery(request) : []), ...more];
	return judge({ ...request, events }).violations.map(({ rule, timeMs }) => `${rule} ${timeMs}`);
}
const note = (timeMs: number, midi: number): PlayedEvent => ({ timeMs, durationMs: 100, midi });

describe('rules of a drill', () => {
	it('nothing is wrong where nothing is asked', () => {
		expect(broken(NETTLE, {}, [note(1234, 61), note(2000, 70)])).toEqual([]);
		expect(broken(NETTLE, { notes: 'any', landOn: 'any' }, [note(1234, 70)])).toEqual([]);
	});

	it.each<[string, Rules, number, number, string[]]>([
		['a tone of the chord', { notes: 'arpeggio' }, 1000, pitchOf('F#m', '5'), []],
		['a scale note', { notes: 'arpeggio' }, 1000, 71, ['notes 1000']],
		['a scale note where the scale is allowed', { notes: 'scale' }, 1000, 71, []],
		['a note of neither', { notes: 'scale' }, 1000, 70, ['notes 1000']],
		['a chord tone that the scale lacks', { notes: 'scale' }, 13_000, pitchOf('C#7', '3'), []],
		['that tone over another chord', { notes: 'scale' }, 1000, pitchOf('C#7', '3'), ['notes 1000']],
		['the coming chord within the tolerance', { notes: 'arpeggio' }, 3950, pitchOf('D', 'R'), []],
		['the old chord within the tolerance', { notes: 'arpeggio' }, 4050, pitchOf('F#m', 'b3'), []],
		['a note between landings', { notes: 'targets' }, 2000, pitchOf('F#m', '5'), ['notes 2000']]
	])('%s', (_, rules, at, midi, wrong) =>
		expect(broken(NETTLE, rules, [note(at, midi)])).toEqual(wrong)
	);

	it('lets a landing come early: it is no stray note', () => {
		const early = [note(3700, pitchOf('D', 'R'))];
		expect(broken(NETTLE, { notes: 'arpeggio' }, early, false)).toEqual([]);
		expect(broken(NETTLE, { notes: 'targets' }, early, false)).toEqual([]);
	});

	it.each<[Rules['grid'], number, string[]]>([
		['quarter', 1000, []],
		['quarter', 1500, ['grid 1500']],
		['eighth', 1500, []],
		['eighth', 1560, []],
		['eighth', 1440, []],
		['eighth', 1250, ['grid 1250']],
		['triplet', 1333, []],
		['triplet', 1500, ['grid 1500']],
		['sixteenth', 1250, []],
		['targets', 1000, ['grid 1000']],
		['targets', 4050, []]
	])('on the grid of %s: %d', (grid, at, wrong) =>
		expect(broken(NETTLE, { grid }, [note(at, 66)])).toEqual(wrong)
	);

	it('the grid of changes goes round to the first of them, wherever that stands', () => {
		const late = '| N.C. C | F |';
		expect(broken(late, { grid: 'targets' }, [note(6000, 65)])).toEqual(['grid 6000']);
		expect(broken(late, { grid: 'targets' }, [note(2040, 64)], false)).toEqual([]);
		const request = takeOn(late, { tempo: 60, loops: 2, rules: { grid: 'targets' } });
		const events = [note(9950, 64), note(9900, 64)].reverse();
		expect(judge({ ...request, events }).violations.map(({ timeMs }) => timeMs)).toEqual([9900]);
	});

	it('the grid swings as the band does, and goes round', () => {
		expect(broken(FERRY, { grid: 'eighth' }, [note(667, 70)])).toEqual([]);
		expect(broken(FERRY, { grid: 'eighth' }, [note(500, 70)])).toEqual(['grid 500']);
		const request = takeOn(NETTLE, { tempo: 60, loops: 2, rules: { grid: 'quarter' } });
		const events = [...landEvery(request), note(15_960, 66), note(17_500, 66)];
		expect(judge({ ...request, events }).violations.map(({ timeMs }) => timeMs)).toEqual([17_500]);
	});

	it.each<[string, Rules, number, string[]]>([
		['the first fret', { position: 1 }, 41, []],
		['an open string in position 1', { position: 1 }, 40, []],
		['under the place', { position: 5 }, 43, ['position 1000']],
		['the reach below', { position: 5 }, 44, []],
		['the reach above', { position: 5 }, 73, []],
		['over the place', { position: 5 }, 74, ['position 1000']],
		['on a string of the place', { position: 5, strings: [1, 2] }, 66, []],
		['on another string', { position: 5, strings: [1, 2] }, 50, ['strings 1000']],
		['on the strings, anywhere', { strings: [6] }, 60, []],
		['off the string', { strings: [6] }, 64, ['strings 1000']],
		['on the fret', { fret: 7 }, 47, []],
		['off the fret', { fret: 7 }, 48, ['fret 1000']],
		['on the fret of a string', { fret: 7, strings: [1] }, 71, []],
		['on the fret of another string', { fret: 7, strings: [1] }, 47, ['strings 1000']]
	])('%s', (_, rules, midi, wrong) =>
		expect(broken(NETTLE, rules, [note(1000, midi)], false)).toEqual(wrong)
	);

	it('wants roots, or guide tones, where a change lands', () => {
		const thirds = { landOn: 'roots' } as const;
		expect(broken(NETTLE, thirds, [])).toHaveLength(4);
		expect(broken(NETTLE, { landOn: 'guide-tones' }, [])).toEqual([]);
		// A root struck together with the third is enough.
		const roots = ['F#m', 'D', 'E', 'C#7'].map((symbol, i) =>
			note(4000 * i + 20, pitchOf(symbol, 'R'))
		);
		expect(broken(NETTLE, thirds, roots)).toEqual([]);
	});

	it('a grid of changes has nothing between them', () => {
		expect(broken(NETTLE, { grid: 'targets' }, [note(2000, 66), note(500, 66)], false)).toEqual([
			'grid 500',
			'grid 2000'
		]);
	});

	it('judges a note that is held over the next change by its own landing', () => {
		const held = (midi: number): PlayedEvent => ({ timeMs: 0, durationMs: 7900, midi });
		// C is the root of C and the third of Am; E the third and the fifth.
		expect(broken('| C | Am |', { landOn: 'roots' }, [held(60)], false)).toEqual([]);
		expect(broken('| C | Am |', { landOn: 'guide-tones' }, [held(64)], false)).toEqual([]);
		expect(broken('| Am | C |', { landOn: 'roots' }, [held(60)], false)).toEqual(['landOn 0']);
	});

	it('asks for nothing that the place does not hold', () => {
		const fifth = 'key: C\ntuning: D2 A2 D3 A3\n| F | Bb |';
		const request = takeOn(fifth, { tempo: 60, rules: { landOn: 'roots', position: 12 } });
		const events = dueChanges(request).map(({ dueMs }, i) => note(dueMs, [57, 58][i]));
		const judged = judge({ ...request, events });
		expect(judged.changes.map(({ role }) => role)).toEqual(['3', 'R']);
		expect(judged.clean).toBe(false);
		expect(judge({ ...request, events, rules: { landOn: 'roots' } }).violations).toHaveLength(1);
	});

	it('leaves bars of air to the others, and passes their changes', () => {
		const rules = { restBars: [2, 4] };
		const request = takeOn(NETTLE, { tempo: 60, rules });
		const played = landEvery(request).filter((_, i) => i % 2 === 0);
		const judged = judge({ ...request, events: played });
		expect(judged.changes.map(({ result }) => result)).toEqual([
			'landed',
			'passed',
			'landed',
			'passed'
		]);
		expect(judged.clean).toBe(true);
		const noise = [...played, note(5000, 66), note(4040, 66), note(7970, 66)];
		expect(judge({ ...request, events: noise }).violations).toEqual([
			{ timeMs: 5000, rule: 'restBars', message: 'Bar 2 is left to the others.' }
		]);
	});

	it('hears nothing before the music and after it', () => {
		const rules = { notes: 'arpeggio', position: 9, grid: 'quarter' } as const;
		expect(broken(NETTLE, rules, [note(-2250, 30), note(16_300, 30)], false)).toEqual([]);
	});

	it('names the note and the chord', () => {
		const request = takeOn(NETTLE, { tempo: 60, rules: { notes: 'arpeggio', position: 2 } });
		const [first, second] = judge({ ...request, events: [note(1000, 82)] }).violations;
		expect(first.message).toBe('A# is no tone of F#m.');
		expect(second).toMatchObject({ rule: 'position', message: 'A# is not reached in position 2.' });
	});
});

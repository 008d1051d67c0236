import { describe, expect, it } from 'vitest';
import { bendWords, joinedTo, ownStroke, tabSign, type DrawnNote } from './played-signs';
import { techniqueMarks } from './technique-marks';

const note = (tick: number, fret: number, more: Partial<DrawnNote> = {}): DrawnNote => ({
	...{ tick, durationTicks: 240, string: 2, fret },
	...more
});
const spot = ({ tick, durationTicks }: DrawnNote) => ({
	x: tick / 10,
	y: 50,
	end: (tick + durationTicks) / 10
});
const drawn = (notes: readonly DrawnNote[], ring = false) =>
	techniqueMarks(notes, spot, { size: 16, ring });
const kinds = (notes: readonly DrawnNote[]) => drawn(notes).map(({ key }) => key.split(' ')[2]);

describe('techniques as they are drawn', () => {
	it.each<[string, DrawnNote[], string[]]>([
		['nothing for what is struck', [note(0, 5), note(240, 7)], []],
		['a line for a slide', [note(0, 5), note(240, 7, { technique: 'slide' })], ['slide']],
		['a slur for a hammer', [note(0, 5), note(240, 7, { technique: 'hammer-on' })], ['slur']],
		['none where nothing rings', [note(0, 5), note(480, 7, { technique: 'pull-off' })], []],
		['arrows up and down', [note(0, 7, { bend: 2, also: ['release'] })], ['up', 'down']],
		['a wave', [note(0, 7, { technique: 'vibrato' })], ['vibrato']],
		['an arrow for a curl', [note(0, 7, { technique: 'curl' })], ['up']],
		[
			'a short line in and away',
			[note(0, 7, { technique: 'slide-from-below', also: ['slide-away-down'] })],
			['in', 'away']
		],
		['a point and a word', [note(0, 7, { also: ['staccato', 'palm-mute'] })], ['said', 'short']]
	])('%s', (_, notes, expected) => {
		expect(kinds(notes)).toEqual(expected);
	});

	it('name a bend by its tones and a grace note by its fret, or as a ring', () => {
		expect([0.5, 1, 2, 3, 4].map(bendWords)).toEqual(['¼', '½', '1', '1½', '2']);
		const [up] = drawn([note(0, 7, { technique: 'bend', bend: 3 })]);
		expect(up.text?.says).toBe('1½');
		const graced = [note(240, 7, { technique: 'slide', grace: 5 })];
		expect(drawn(graced)[0].text?.says).toBe('5');
		expect(drawn(graced, true)[0].text).toBeNull();
	});

	it('leave out what is out of sight, and have a key each', () => {
		const both = [
			note(0, 5, { technique: 'vibrato' }),
			note(0, 7, { string: 3, technique: 'vibrato' })
		];
		expect(techniqueMarks(both, () => null, { size: 16 })).toEqual([]);
		expect(new Set(drawn(both).map(({ key }) => key)).size).toBe(2);
	});

	it('join by string, cross what is dead, and tell a stroke of its own', () => {
		const [low, high, next] = [note(0, 5), note(0, 7, { string: 1 }), note(240, 8)];
		expect(joinedTo([low, high, next]).get(next)).toBe(low);
		expect([tabSign(low), tabSign(note(0, 5, { also: ['dead'] }))]).toEqual(['5', '×']);
		expect(ownStroke(note(0, 5, { also: ['up-stroke'] }))).toBe('up');
		expect(ownStroke(low)).toBeNull();
	});
});

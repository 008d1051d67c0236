import { describe, expect, it } from 'vitest';
import { circleOf, keyName, parseChart, transposeText } from '../chart';
import type { Key } from '../chord';
import { intervalBetween, mod, noteName, parseNote, pitchClass } from '../pitch';
import { homesShown, rankTonics, type RankedTonic } from '.';

/** Semitones above the tonic that a chart is written on, with the mode: `0 major`. */
const from = (tonic: string) => (home: Key) => {
	const base = parseNote(tonic);
	if (!base) throw new Error(tonic);
	return `${mod(pitchClass(home.tonic) - pitchClass(base), 12)} ${home.mode}`;
};

/** Reads a chart in all twelve keys; `tonic` is the note on which it is written. */
function inTwelveKeys(tonic: string, text: string, look: (chart: string, tonic: string) => void) {
	const base = parseNote(tonic);
	if (!base) throw new Error(tonic);
	for (const name of circleOf('major')) {
		const goal = parseNote(name);
		if (!goal) throw new Error(name);
		look(transposeText(text, intervalBetween(base, goal)), name);
	}
}

describe('homes in twelve keys', () => {
	it.each([
		// The chord on the tonic is a power chord, a suspended or an added one: it counts all the same.
		['B', '| B5/F# | Gadd9 Dadd9 | A5/E | F#7 |', '0 minor'],
		['B', '| B5/F# | Gadd9 | Dadd9 | A5/E | F#7 |', '0 minor'],
		['E', '| E5 | G5 | A5 | E5 |', '0 minor'],
		['D', '| Dsus2 | Bbadd9 | C | A7 |', '0 minor'],
		['G', '| Gadd9 | Cadd9 | Dsus4 D | Gadd9 |', '0 major'],
		// A mode whose scale holds every tone goes before one that misses some.
		['A', '| A | B/A | E/A | A |', '0 lydian'],
		['A', '| A | G/A | D/A | A |', '0 mixolydian'],
		['D', '| Dm | G | Dm | C |', '0 dorian'],
		// A half-diminished vamp rests on its own root.
		['B', '| Bm7b5 |', '0 locrian'],
		['B', '| Bm7b5 | % | % | % |', '0 locrian'],
		['C', '| Bm7b5 | C |', '0 major'],
		['A', '| Bm7b5 | E7 | Am | % |', '0 minor']
	])('on %s, %s is %s', (tonic, text, home) =>
		inTwelveKeys(tonic, text, (chart, name) =>
			expect(from(name)(rankTonics(parseChart(chart))[0]), chart).toBe(home)
		)
	);

	it('a chart that two homes share names both as rivals, and neither is clear', () =>
		inTwelveKeys('A', '| A | B | E | A |', (chart, name) => {
			const [first, second] = rankTonics(parseChart(chart));
			const both = ['0 lydian', '7 major'];
			expect([first, second].map(from(name)).sort()).toEqual(both);
			for (const [one, other] of [
				[first, second],
				[second, first]
			] as const) {
				expect(one.rival && keyName(one.rival)).toBe(keyName(other));
				const says = one.reasons.find((reason) => reason.startsWith('the same notes as'));
				expect(says).toContain(keyName(other));
				expect(says).toMatch(/decides for .*decides|decides for .*, .* for /);
			}
			const shown = homesShown(parseChart(chart));
			expect(shown.slice(0, 2).map(from(name)).sort()).toEqual(both);
			expect(shown.map(from(name))).toContain('0 major');
		}));

	it.each([
		['| A | A | C | C |', ['0 major'], 8, 16],
		['| A | D | E | A |', ['0 major'], 8, 16],
		['key: A blues\n| A | D | E | A |', ['0 major', '0 blues'], 8, 16],
		['key: A mixolydian\n| A | D | E | A |', ['0 major', '0 mixolydian'], 8, 16],
		['key: A blues\n| A | A | C | C |', ['0 major', '0 blues'], 8, 16],
		['| Am7 |', ['0 minor', '0 dorian', '0 phrygian'], 4, 4],
		['| Amaj7 | % |', ['0 major', '0 lydian'], 8, 8],
		['| Am7b5 | % |', ['0 locrian'], 8, 8],
		['| A7 |', ['0 mixolydian', '0 blues'], 4, 4],
		['| Am |', ['0 minor', '0 dorian', '0 phrygian'], 4, 4],
		['| A5 | Asus4 |', ['0 major', '0 minor', '0 mixolydian', '0 dorian'], 8, 8]
	])('%s shows %j with its true beats', (text, homes, beats, of) =>
		inTwelveKeys('A', text, (chart, name) => {
			const shown = homesShown(parseChart(chart));
			expect(shown.map(from(name)), chart).toEqual(expect.arrayContaining(homes));
			for (const entry of shown) {
				if (!homes.includes(from(name)(entry))) continue;
				expect(entry.reasons, keyName(entry)).toContain(`${beats} of ${of} beats on its chord`);
			}
		})
	);

	/** Beats of chords on a tonic whose third is the mode's, counted from the text by hand. */
	const CASES = ['Am7 D7 E7 A', 'C5 F G Csus4', 'E7 A7 B7 Em', 'Dadd9 G A7 Dm'];
	it.each(CASES)('tells true counts over %s', (words) => {
		const chart = parseChart(`| ${words.split(' ').join(' | ')} |`);
		for (const entry of rankTonics(chart)) {
			const minor = ['minor', 'dorian', 'phrygian'].includes(entry.mode);
			const mine = words.split(' ').filter((word) => {
				const [root, rest] = [word[0], word.slice(1)];
				if (root !== noteName(entry.tonic)) return false;
				if (entry.mode === 'blues' || /^(5|sus)/.test(rest)) return entry.mode !== 'locrian';
				return entry.mode !== 'locrian' && rest.startsWith('m') === minor;
			});
			const told = entry.reasons.find((reason) => / on its chord$|never sounds/.test(reason));
			const expected =
				mine.length === 0
					? 'its chord never sounds'
					: `${4 * mine.length} of 16 beats on its chord`;
			expect(told, keyName(entry)).toBe(expected);
		}
	});

	it('puts every mode that holds all tones before those on its tonic that do not', () => {
		const charts = [
			'| C | G | Am | F |',
			'| A | B | E | A |',
			'| Am7 | D9 |',
			'| Dm7b5 | G7 | Cm |',
			'| E5 | G5 | A5 |',
			'| Fmaj7#11 | G |',
			'| Bb7 | Eb7 | F7 | Bb7 |'
		];
		for (const text of charts) {
			const ranking = rankTonics(parseChart(text));
			for (let pc = 0; pc < 12; pc++) {
				const onIt = ranking.filter(
					// A blues holds both thirds; it is no rule for the modes around it without its seventh.
					(entry) => pitchClass(entry.tonic) === pc && entry.mode !== 'blues'
				);
				const holds = (entry: RankedTonic) => entry.holdsAll;
				const misses = onIt.findIndex((entry) => !holds(entry));
				if (misses >= 0) expect(onIt.slice(misses).some(holds), `${text} ${pc}`).toBe(false);
			}
		}
	});
});

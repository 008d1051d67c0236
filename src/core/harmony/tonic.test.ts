import { describe, expect, it } from 'vitest';
import { circleOf, keyName, parseChart, transposeText } from '../chart';
import { MODES } from '../chord';
import { intervalBetween, noteName, parseNote, pitchClass } from '../pitch';
import { keyOf, rankTonics } from '.';

const homeOf = (bars: string) => {
	const [best] = rankTonics(parseChart(bars));
	return keyName(best);
};

/** Charts whose home players agree on. */
const TABLE: readonly [chart: string, home: string, why: string][] = [
	['| C | G | Am | F |', 'C major', 'four-chord loop'],
	['| C | Am | F | G |', 'C major', 'four-chord loop'],
	['| C | F | G | C |', 'C major', 'three chords'],
	['| G | C | D | G |', 'G major', 'three chords'],
	['| G | Em | C | D |', 'G major', 'four-chord loop'],
	['| F | G | C | % |', 'C major', 'starts away from home'],
	['| F | G | C | Am |', 'C major', 'starts away from home'],
	['| Dm7 | G7 | Cmaj7 | % |', 'C major', 'ii–V–I'],
	['| Dm7 | G7 | Cmaj7 | A7 |', 'C major', 'ii–V–I with a secondary dominant'],
	['| Bbm7 Eb7alt | Abmaj7 F7alt | Bbm7 Eb7b9 | Abmaj7 F7#9 |', 'Ab major', 'altered ii–V–I'],
	['| Em7 A7 | Dm7 G7 | Cmaj7 | % |', 'C major', 'chain of fifths'],
	['| Cmaj7 | Em7 | Fmaj7 | G7 |', 'C major', 'sevenths'],
	['| C | D7 | G7 | C |', 'C major', 'secondary dominant'],
	['| Am | F | G | Am |', 'A minor', 'natural minor'],
	['| Am | G | F | G |', 'A minor', 'natural minor'],
	['| Am | Dm | Em | Am |', 'A minor', 'minor v'],
	['| Am | G | F | E |', 'A minor', 'descent to a major V'],
	['| F#m | D | E | C#7 |', 'F# minor', 'major V'],
	['| Am | Dm | E7 | Am |', 'A minor', 'major V'],
	['| Dm | Gm | A7 | Dm |', 'D minor', 'major V'],
	['| Gm6 | Am7b5 | D7b9 | Gm6 |', 'G minor', 'minor ii–V–i'],
	['| Dm7b5 | G7b9 | Cm7 | % |', 'C minor', 'minor ii–V–i'],
	['| Cm7 | Fm7 | Cm7 | Ab7 G7 |', 'C minor', 'minor blues'],
	[
		'| Am7 | % | % | % | Dm7 | % | Am7 | % | F7 | E7 | Am7 | % |',
		'A minor',
		'twelve-bar minor blues'
	],
	['| Dm | Bb | C | A7 |', 'D minor', 'major V at the end'],
	['| Bb7 | Eb7 | Bb7 | % | Eb7 | % | Bb7 | % | F7 | Eb7 | Bb7 | F7 |', 'Bb blues', 'twelve bars'],
	[
		'| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |',
		'Bb blues',
		'twelve bars with turnaround'
	],
	['| E7 | % | % | % | A7 | % | E7 | % | B7 | A7 | E7 | B7 |', 'E blues', 'twelve bars'],
	['| D7 | % | G7 | D7 | A7 | G7 | D7 | A7 |', 'D blues', 'eight bars'],
	['| A7 | D7 |', 'A blues', 'two sevenths'],
	['| Dm7 | G7 |', 'D dorian', 'dorian vamp'],
	['| Em7 | A7 | Em7 | A7 |', 'E dorian', 'dorian vamp'],
	['| Am7 | D | Am7 | D |', 'A dorian', 'dorian vamp'],
	['| Cm | Cm | F | Cm |', 'C dorian', 'dorian vamp'],
	['| D | C | G | D |', 'D mixolydian', 'flat seventh'],
	['| G | F | C | G |', 'G mixolydian', 'flat seventh'],
	['| A | G | D | A |', 'A mixolydian', 'flat seventh'],
	['| G7 | F | G7 | F |', 'G mixolydian', 'vamp'],
	['| F9 | % | F9 | <Eb9 |', 'F mixolydian', 'vamp'],
	['| E7 |', 'E mixolydian', 'one chord'],
	['| Em | F | Em | F |', 'E phrygian', 'phrygian vamp'],
	['| Em | F | G | F |', 'E phrygian', 'phrygian vamp'],
	['| Bm | C | Bm | C |', 'B phrygian', 'phrygian vamp'],
	['| Db | Eb/Db | Bbm7/Db | Eb/Db |', 'Db lydian', 'held bass'],
	['| D | E/D |', 'D lydian', 'held bass'],
	['| C | D/C | C | D/C |', 'C lydian', 'held bass'],
	['| Fmaj7#11 | % |', 'F lydian', 'one chord'],
	['| F/C | G/C | Am/C | C |', 'C major', 'held bass'],
	['| D/A | G/A | A | G/A |', 'A mixolydian', 'home is the bass'],
	['| Dm9 |', 'D minor', 'one chord'],
	['| Gb | Ebm | Cb | Db7 |', 'Gb major', 'flat key'],
	['| F# | D#m | B | C#7 |', 'F# major', 'sharp key'],
	['| Ebm | Cb | Gb | Db |', 'Eb minor', 'flat key'],
	['| D#m | B | F# | C# |', 'D# minor', 'sharp key'],
	['| Abm | Dbm | Eb7 | Abm |', 'Ab minor', 'flat key']
];

describe('home', () => {
	it.each(TABLE)('%s is in %s (%s)', (chart, home) => expect(homeOf(chart)).toBe(home));

	it.each(TABLE)('%s moves home with every transposition', (chart) => {
		const [best] = rankTonics(parseChart(chart));
		for (const name of circleOf(best.mode)) {
			const goal = parseNote(name);
			if (!goal) throw new Error(name);
			const moved = transposeText(chart, intervalBetween(best.tonic, goal));
			const [there] = rankTonics(parseChart(moved));
			expect([pitchClass(there.tonic), there.mode]).toEqual([pitchClass(goal), best.mode]);
			expect(there.score).toBe(best.score);
			// Spelled as the chart spells it.
			const roots = parseChart(moved).events.map(({ chord }) => chord && noteName(chord.root));
			expect(roots).toContain(noteName(there.tonic));
		}
	});

	it('ranks all twelve tonics and seven modes, best first, each with reasons', () => {
		const ranking = rankTonics(parseChart(TABLE[0][0]));
		expect(ranking).toHaveLength(12 * MODES.length);
		const scores = ranking.map((entry) => entry.score);
		expect(scores).toEqual([...scores].sort((a, b) => b - a));
		expect(Math.max(...scores)).toBeLessThanOrEqual(1);
		expect(Math.min(...scores)).toBeGreaterThanOrEqual(0);
		for (const entry of ranking) expect(entry.reasons.length).toBeGreaterThan(1);
	});

	it('puts relatives before modes that merely end the loop', () => {
		const firstTwo = (chart: string) =>
			rankTonics(parseChart(chart)).slice(0, 2).map(keyName).sort();
		expect(firstTwo('| Am | F | C | G |')).toEqual(['A minor', 'C major']);
		expect(firstTwo('| C | G | Am | F |')).toEqual(['A minor', 'C major']);
		expect(firstTwo('| Em | C | G | D |')).toEqual(['E minor', 'G major']);
	});

	it('says why', () => {
		const ferry =
			'| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |';
		expect(rankTonics(parseChart(ferry))[0].reasons).toEqual([
			'18 of 48 beats on its chord',
			'its scale holds 91 % of the chord tones',
			'opens the chart, and the last bar leads back to it',
			'F7 arrives on it twice: the top and bar 11, set up by its ii',
			'I and IV are both sevenths: a blues'
		]);
		const buoy = rankTonics(parseChart('| Db | Eb/Db | Bbm7/Db | Eb/Db |'))[0];
		expect(buoy.reasons[0]).toBe('its note is held in the bass under every chord');
		expect(buoy.reasons).toContain('the sharp fourth of lydian is heard');
	});

	it('is what the header says, and the ranking where the header leaves it open', () => {
		const named = (text: string) => {
			const key = keyOf(parseChart(text));
			return key && keyName(key);
		};
		expect(named('key: A minor\n| C | G |')).toBe('A minor');
		expect(named('key: auto\n| F | G | C | % |')).toBe('C major');
		expect(named('| F | G | C | % |')).toBe('C major');
		expect(named('| N.C. |')).toBeNull();
		expect(rankTonics(parseChart(''))).toEqual([]);
	});
});

import { describe, expect, it } from 'vitest';
import { parseChart, parseKey } from '../chart';
import { MODES, parseChord, parseNumeral, type Key } from '../chord';
import { noteName, parseNote, pitchClass } from '../pitch';
import { functionOf, numeralOf, sameKey } from '.';

const key = (text: string): Key => {
	const found = parseKey(text);
	if (!found) throw new Error(text);
	return found;
};
const chord = (text: string) => {
	const found = parseChord(text);
	if (!found) throw new Error(text);
	return found;
};

describe('numerals', () => {
	it.each([
		['Bb blues', 'Bb7 Eb7 Edim7 Cm7 F7', 'I7 IV7 #iv°7 ii7 V7'],
		['F# minor', 'F#m D E C#7 G#m7b5 E#dim7 A', 'i VI VII V7 iiø7 vii°7 III'],
		['A minor', 'Am Bb F#m7b5 G#dim G Gdim Ab Em', 'i bII #viø7 vii° VII bvii° #VII v'],
		['C major', 'C Dm7 Em F G7 Am Bm7b5 Bb Ab Eb Fm', 'I ii7 iii IV V7 vi viiø7 bVII bVI bIII iv'],
		[
			'C major',
			'C#dim7 D#dim7 F#m7b5 Db7 Cmaj7 C6 C+ Csus4',
			'#i°7 #ii°7 #ivø7 bII7 Imaj7 I6 I+ Isus4'
		],
		['D dorian', 'Dm7 G7 C F Em7', 'i7 IV7 bVII bIII ii7'],
		['G mixolydian', 'G7 F C Dm Em', 'I7 bVII IV v vi'],
		['E phrygian', 'Em F G Dm Am', 'i bII bIII bvii iv'],
		['Db lydian', 'Db Eb/Db Bbm7/Db Gdim Gb', 'I II/1 vi7/1 #iv° IV'],
		['Eb major', 'Eb B', 'I bVI'],
		['C major', 'C/E G/B F/C', 'I/3 V/7 IV/1']
	])('in %s %s are %s', (name, chords, numerals) => {
		expect(
			chords
				.split(' ')
				.map((symbol) => numeralOf(chord(symbol), key(name)))
				.join(' ')
		).toBe(numerals);
	});

	it('read back as the chord they name, in every key and mode', () => {
		const suffixes = [
			'',
			'm',
			'7',
			'maj7',
			'm7',
			'm7b5',
			'dim7',
			'aug',
			'sus4',
			'9',
			'm6',
			'7alt',
			'5'
		];
		for (const mode of MODES) {
			for (const tonic of ['C', 'F#', 'Bb', 'Eb', 'B']) {
				const note = parseNote(tonic);
				if (!note) throw new Error(tonic);
				const here: Key = { tonic: note, mode };
				for (const root of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B']) {
					for (const suffix of suffixes) {
						const given = chord(root + suffix);
						const numeral = numeralOf(given, here);
						const back = parseNumeral(numeral, here);
						const told = `${given.symbol} in ${tonic} ${mode} is ${numeral}`;
						expect(back && pitchClass(back.root), told).toBe(pitchClass(given.root));
						expect(back?.quality.roles, told).toEqual(given.quality.roles);
					}
				}
			}
		}
	});
});

/** Functions along a chart, each seen from where it goes (the loop returns). */
function functions(name: string, bars: string) {
	const chords = parseChart(bars).events.flatMap((event) => event.chord ?? []);
	const at = (i: number) => chords[i % chords.length];
	return chords.map((one, i) => functionOf(one, key(name), at(i + 1), at(i + 2)));
}

describe('function', () => {
	it.each([
		[
			'Bb blues',
			'| Bb7 | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | G7 | Cm7 F7 |',
			'I7 IV7 #iv°7 I7 V7alt/ii ii7 V7 V7/ii ii7 V7',
			'home, away, lifts to I, home, to ii, sets up V, leads home, to ii, sets up V, leads home'
		],
		['F# minor', '| F#m | D | E | C#7 |', 'i VI VII V7', 'home, away, away, leads home'],
		[
			'C major',
			'| Dm7 | G7 | Cmaj7 | A7 |',
			'ii7 V7 Imaj7 V7/ii',
			'sets up V, leads home, home, to ii'
		],
		['C major', '| C | D7 | Dm7 | G7 |', 'I V7/V ii7 V7', 'home, to V, sets up V, leads home'],
		['C major', '| Dm7 | Db7 | Cmaj7 |', 'ii7 bII7 Imaj7', 'away, slips to I, home'],
		['C major', '| C | Fm | C | Bb |', 'I iv I bVII', 'home, from minor, home, from minor'],
		['C major', '| C7 | F | C | G |', 'V7/IV IV I V', 'to IV, away, home, leads home'],
		['C major', '| C | E7 | Am | G |', 'I V7/vi vi V', 'home, to vi, near home, leads home'],
		['C major', '| C | C#dim7 | Dm7 | G7 |', 'I #i°7 ii7 V7', 'home, to ii, sets up V, leads home'],
		['D dorian', '| Dm7 | G7 |', 'i7 IV7', 'home, away'],
		['G mixolydian', '| G7 | F |', 'I7 bVII', 'home, away'],
		['Db lydian', '| Db | Eb/Db |', 'I II/1', 'home, away'],
		['Eb major', '| Eb | B |', 'I bVI', 'home, from minor'],
		['G minor', '| Gm6 | Am7b5 | D7b9 |', 'i6 iiø7 V7b9', 'home, sets up V, leads home']
	])('in %s %s', (name, bars, numerals, words) => {
		const found = functions(name, bars);
		expect(found.map((entry) => entry.numeral).join(' ')).toBe(numerals);
		expect(found.map((entry) => entry.short).join(', ')).toBe(words);
	});

	it('is told in words', () => {
		const [, , , dominant] = functions('F# minor', '| F#m | D | E | C#7 |');
		expect(dominant.words).toBe('dominant with the raised leading tone E#');
		expect(functions('C major', '| A7 | Dm |')[0].words).toBe('secondary dominant of ii (Dm)');
		expect(functions('C major', '| Db7 | C |')[0].words).toBe(
			'tritone substitute of the dominant of I (C)'
		);
		expect(functions('C major', '| Fm | C |')[0].words).toBe('borrowed from the parallel minor');
	});

	it('does not change when everything is transposed', () => {
		for (const tonic of ['D', 'Ab', 'F#']) {
			const goal = parseNote(tonic);
			if (!goal) throw new Error(tonic);
			const numerals = 'I V7/ii ii7 bII7 I iv bVII #iv°7 V7';
			const bars = `key: ${tonic}\n| ${numerals.split(' ').join(' | ')} |`;
			const found = functions(`${tonic} major`, bars).map((entry) => entry.numeral);
			expect(found.join(' ')).toBe(numerals);
			expect(noteName(goal)).toBe(tonic);
		}
	});
});

describe('a chord of dominant shape', () => {
	const kindOf = (...symbols: [string, string, string]) => {
		const [first, next, after] = symbols.map(chord);
		return functionOf(first, key('C major'), next, after).numeral;
	};

	it('leads past a minor chord on its own root to where it would have led', () => {
		expect(kindOf('D7', 'Dm7', 'G7')).toBe('V7/V');
		expect(kindOf('D7', 'G7', 'Cmaj7')).toBe('V7/V');
	});

	it.each([
		['a minor chord on another root', 'Em7'],
		['a major chord on another root', 'Fmaj7'],
		['a major chord on its own root', 'Dmaj7'],
		['a suspended chord on its own root', 'Dsus4']
	])('is no secondary dominant where %s comes between', (_, between) => {
		expect(kindOf('D7', between, 'G7')).not.toBe('V7/V');
	});
});

describe('a numeral', () => {
	it.each([
		['C/C', 'I'],
		['C/E', 'I/3'],
		['Dm7/G', 'ii7/5']
	])('of %s names the bass only where it is not the root', (symbol, numeral) =>
		expect(numeralOf(chord(symbol), key('C major'))).toBe(numeral)
	);
});

describe('two keys', () => {
	it('are one where tonic, spelling and mode are', () => {
		expect(sameKey(key('Db major'), key('Db major'))).toBe(true);
		expect(sameKey(key('Db major'), key('C# major'))).toBe(false);
		expect(sameKey(key('Db major'), key('Db minor'))).toBe(false);
	});
});

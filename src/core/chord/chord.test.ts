import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { noteName, parseNote, pitchClass } from '../pitch';
import {
	engrave,
	guideTones,
	parseChord,
	parseNumeral,
	proseSigns,
	ROLES,
	roleInterval,
	sameChord,
	signs,
	suggestSymbol,
	transposeChord,
	type Key,
	type Role
} from '.';
import { runs } from '../test-runs';

/** Every spelling of every quality with its tones, as the public contract lists them. */
const QUALITIES: [string[], string][] = [
	[['', 'maj', 'M'], 'R 3 5'],
	[['m', 'min', '-', '−'], 'R b3 5'],
	[['dim', '°', 'º'], 'R b3 b5'],
	[['aug', '+'], 'R 3 #5'],
	[['sus2'], 'R 2 5'],
	[['sus4', 'sus'], 'R 4 5'],
	[['5'], 'R 5'],
	[['6'], 'R 3 5 6'],
	[['m6', 'min6', '-6'], 'R b3 5 6'],
	[['6/9', '69'], 'R 3 5 6 9'],
	[['m6/9', 'm69'], 'R b3 5 6 9'],
	[['7'], 'R 3 5 b7'],
	[['maj7', 'M7', 'Δ', 'Δ7', '^7', '^'], 'R 3 5 7'],
	[['m7', 'min7', '-7', '–7'], 'R b3 5 b7'],
	[['mMaj7', 'm(maj7)', 'mM7', '-Δ'], 'R b3 5 7'],
	[['m7b5', 'm7(b5)', 'ø', 'ø7', 'm7♭5'], 'R b3 b5 b7'],
	[['dim7', '°7', 'º7'], 'R b3 b5 bb7'],
	[['7sus4', '7sus'], 'R 4 5 b7'],
	[['maj7#5', 'maj7(♯5)'], 'R 3 #5 7'],
	[['7#5', 'aug7', '+7'], 'R 3 #5 b7'],
	[['7b5'], 'R 3 b5 b7'],
	[['9'], 'R 3 5 b7 9'],
	[['maj9'], 'R 3 5 7 9'],
	[['m9'], 'R b3 5 b7 9'],
	[['add9', '(add9)'], 'R 3 5 9'],
	[['madd9', 'm(add9)'], 'R b3 5 9'],
	[['9sus4'], 'R 4 5 b7 9'],
	[['11'], 'R 5 b7 9 11'],
	[['m11'], 'R b3 5 b7 9 11'],
	[['13'], 'R 3 5 b7 9 13'],
	[['maj13'], 'R 3 5 7 9 13'],
	[['m13'], 'R b3 5 b7 9 13'],
	[['add11'], 'R 3 5 11'],
	[['mMaj9'], 'R b3 5 7 9'],
	[['7b9', '7(b9)'], 'R 3 5 b7 b9'],
	[['7#9'], 'R 3 5 b7 #9'],
	[['7#11'], 'R 3 5 b7 #11'],
	[['maj7#11', 'maj7(#11)'], 'R 3 5 7 #11'],
	[['7b13'], 'R 3 5 b7 b13'],
	[['13b9'], 'R 3 5 b7 b9 13'],
	[['9#11', '9(#11)'], 'R 3 5 b7 9 #11'],
	[['7b9b13', '7b13b9', '7(b9,b13)', '7(b9 b13)'], 'R 3 5 b7 b9 b13'],
	[['7#9b13', '7(#9)(b13)'], 'R 3 5 b7 #9 b13'],
	[['7alt', 'alt'], 'R 3 b7 b9 #9 #11 b13']
];
const ROOTS = [...'ABCDEFG'].flatMap((l) => ['bb', 'b', '', '#', '##'].map((sign) => l + sign));

describe('chord symbols', () => {
	const rows = QUALITIES.flatMap(([texts, roles]) => texts.map((text) => [text, roles] as const));

	it.each(rows)('C%s is %s', (text, roles) => {
		expect(
			parseChord(`C${text}`)
				?.tones.map((tone) => tone.role)
				.join(' ')
		).toBe(roles);
	});

	it('spells every quality on every root by interval arithmetic', () => {
		const degree = (role: Role) => (role === 'R' ? 1 : Number(/\d+/.exec(role)?.[0]));
		for (const root of ROOTS) {
			const base = parseNote(root);
			for (const [[text]] of QUALITIES) {
				const chord = parseChord(root + text);
				expect(chord, root + text).not.toBeNull();
				for (const tone of chord?.tones ?? []) {
					if (!base || tone.role === 'bass') throw new Error('no root');
					const where = `${root}${text} ${tone.role}`;
					const letter = 'CDEFGAB'[(base.letter + degree(tone.role) - 1) % 7];
					expect(tone.name[0], where).toBe(letter);
					const semitones = roleInterval(tone.role).semitones;
					expect(pitchClass(tone.note), where).toBe((pitchClass(base) + semitones) % 12);
					expect(tone.pc).toBe(pitchClass(tone.note));
				}
			}
		}
	});

	it.each([
		['Dbm', 'Db Fb Ab'],
		['Eb°7', 'Eb Gb Bbb Dbb'],
		['Bb7#9', 'Bb D F Ab C#'],
		['F#maj7', 'F# A# C# E#'],
		['Gb7', 'Gb Bb Db Fb'],
		['G7alt', 'G B F Ab A# C# Eb'],
		['B♭m7♭5', 'Bb Db Fb Ab'],
		['Eb/Db', 'Eb G Bb Db'],
		['C/E', 'C E G']
	])('%s is %s', (symbol, names) => {
		expect(
			parseChord(symbol)
				?.tones.map((tone) => tone.name)
				.join(' ')
		).toBe(names);
	});

	it('marks only the tensions of an altered dominant as not essential', () => {
		const inessential = parseChord('G7alt')?.tones.filter((tone) => !tone.essential);
		expect(inessential?.map((tone) => tone.role)).toEqual(['b9', '#9', '#11', 'b13']);
		expect(parseChord('G7b9#11')?.tones.every((tone) => tone.essential)).toBe(true);
	});

	it('gives a bass that is no chord tone a role of its own', () => {
		expect(parseChord('Eb/Db')?.tones.at(-1)).toMatchObject({ role: 'bass', name: 'Db' });
		expect(parseChord('Eb/G')?.tones.map((tone) => tone.role)).toEqual(['R', '3', '5']);
	});

	it.each([
		'',
		'H7',
		'bb7',
		'C77',
		'Cm711',
		'C7(b9',
		'C7b9)',
		'C()',
		'C/',
		'C/H',
		'Cfoo',
		'C7#10',
		'C7(,)',
		'N.C.'
	])('does not read %j', (text) => expect(parseChord(text)).toBeNull());

	it('never throws and never reads nonsense with fewer than two tones', () => {
		const text = fc.string({
			unit: fc.constantFrom(...'ABCDEFGabm#7♭Δø°(),/+-9sumadjl13 '),
			maxLength: 14
		});
		fc.assert(
			fc.property(text, (symbol) => {
				const chord = parseChord(symbol);
				if (chord) expect(chord.tones.length).toBeGreaterThan(1);
			}),
			{ numRuns: runs(2000) }
		);
	});

	it('knows that two spellings are one chord', () => {
		const same = (a: string, b: string) => {
			const [x, y] = [parseChord(a), parseChord(b)];
			return x && y && sameChord(x, y);
		};
		expect(same('C7b9b13', 'C7(b13,b9)')).toBe(true);
		expect(same('C-7', 'Cm7')).toBe(true);
		expect(same('C7', 'C9')).toBe(false);
		expect(same('C', 'C/E')).toBe(false);
		expect(same('C#', 'Db')).toBe(false);
	});

	it('transposes root, bass and tones alike', () => {
		const up = { steps: 1, semitones: 1 };
		const moved = transposeChord(parseChord('Eb/Db') ?? never(), up);
		expect(moved.symbol).toBe('Fb/Ebb');
	});
});

const never = (): never => {
	throw new Error('not read');
};

describe('guide tones', () => {
	it.each([
		['C', '3'],
		['Cm7', 'b3 b7'],
		['C7sus4', '4 b7'],
		['Csus2', '2'],
		['C6', '3 6'],
		['C°7', 'b3 bb7'],
		['C11', 'b7'],
		['C5', 'R 5'],
		['C13', '3 b7']
	])('%s: %s', (symbol, roles) => {
		const chord = parseChord(symbol) ?? never();
		expect(
			guideTones(chord)
				.map((tone) => tone.role)
				.join(' ')
		).toBe(roles);
	});
});

describe('numerals', () => {
	const key = (tonic: string, mode: Key['mode']): Key => ({
		tonic: parseNote(tonic) ?? never(),
		mode
	});

	it.each([
		['Bb', 'major', 'I IV7 bVII ii7 V7/ii vii°7', 'Bb Eb7 Ab Cm7 G7 Adim7'],
		['A', 'minor', 'i VI VII V7 bVI vii°7 iv6 V7/iv #vi°', 'Am F G E7 F G#dim7 Dm6 A7 F#dim'],
		['Bb', 'blues', 'I7 IV7 #iv°7 VI7 V9', 'Bb7 Eb7 Edim7 G7 F9'],
		['D', 'dorian', 'i7 IV7 VII', 'Dm7 G7 C'],
		['G', 'mixolydian', 'I VII', 'G F'],
		['Db', 'lydian', 'I II/1 vi7/1', 'Db Eb/Db Bbm7/Db'],
		['C', 'major', 'iiø7 IΔ III+ bII7 viiø7/V', 'Dm7b5 Cmaj7 Eaug Db7 F#m7b5']
	] as const)('in %s %s', (tonic, mode, numerals, chords) => {
		const read = numerals.split(' ').map((text) => parseNumeral(text, key(tonic, mode))?.symbol);
		expect(read.join(' ')).toBe(chords);
	});

	it.each(['', 'VIII', 'IIII', 'iV', 'V7/', 'V7/x', 'Ifoo', 'H'])('does not read %j', (text) => {
		expect(parseNumeral(text, key('C', 'major'))).toBeNull();
	});
});

describe('suggestions', () => {
	it.each([
		['G7atl', 'G7alt'],
		['bb7', 'Bb7'],
		['H7', 'B7'],
		['Am77', 'Am7'],
		['Cmaj77', 'Cmaj7'],
		['hello', null],
		['a-very-long-word-that-is-none', null]
	])('%s → %s', (text, nearest) => expect(suggestSymbol(text)).toBe(nearest));

	it('only ever names symbols that read', () => {
		fc.assert(
			fc.property(fc.string({ maxLength: 12 }), (text) => {
				const found = suggestSymbol(text);
				if (found !== null) expect(parseChord(found)).not.toBeNull();
			})
		);
	});
});

describe('engraving', () => {
	it.each([
		['Bb7', ['B', '♭', false, '7', '']],
		['F#m7b5', ['F', '♯', true, '7♭5', '']],
		['Cmaj7', ['C', '', false, 'maj7', '']],
		['E°7', ['E', '', false, '°7', '']],
		['Dbb6/9', ['D', '𝄫', false, '6/9', '']],
		['Gm(maj7)', ['G', '', true, 'maj7', '']],
		['Eb/Db', ['E', '♭', false, '', 'D♭']]
	])('%s', (symbol, [letter, accidental, minor, raised, bass]) => {
		const chord = parseChord(symbol) ?? never();
		expect(engrave(chord)).toEqual({ letter, accidental, minor, raised, bass });
	});

	it('sets signs in sentences and leaves words alone', () => {
		expect(proseSigns('Db rises to D, the b7 of Ebmaj7. Bb stays. A bar before Ab.')).toBe(
			'D♭ rises to D, the ♭7 of E♭maj7. B♭ stays. A bar before A♭.'
		);
	});

	it.each([
		['Bbadd9 and Ebdim7, Absus4, F#aug', 'B♭add9 and E♭dim7, A♭sus4, F♯aug'],
		['C7b9 without its root', 'C7♭9 without its root'],
		['C altered bb7, D dorian b2, G mixolydian b6', 'C altered 𝄫7, D dorian ♭2, G mixolydian ♭6'],
		['to bVII, falls to #iv', 'to ♭VII, falls to ♯iv'],
		['1 b2 b3 4', '1 ♭2 ♭3 4'],
		['minor blues', 'minor blues'],
		['bebop dominant', 'bebop dominant'],
		['the bass, a barre, bar 3 by ABBA', 'the bass, a barre, bar 3 by ABBA']
	])('sets %s as %s', (text, set) => expect(proseSigns(text)).toBe(set));

	it('takes notation alone: a word is refused by its type', () => {
		expect(signs(parseChord('Bb7b9')?.symbol ?? never())).toBe('B♭7♭9');
		// @ts-expect-error a letter b in a word is no flat
		signs('minor blues');
		// @ts-expect-error nor in a role that is told in words
		signs(`the ${'b7'} of Bb`);
	});

	it('prints every role as an ASCII name', () => {
		expect(ROLES.every((role) => /^[\x20-\x7e]+$/.test(role))).toBe(true);
		expect(noteName({ letter: 1, alter: -2 })).toBe('Dbb');
	});
});

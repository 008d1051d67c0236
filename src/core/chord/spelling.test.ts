import { describe, expect, it } from 'vitest';
import { parseNote } from '../pitch';
import { completions } from './suggest';
import { parseChord } from './chord';
import { MODES, parseNumeral } from './numeral';
import { roleKind, roleWords, ROLES } from './role';

const names = (symbol: string): string | undefined =>
	parseChord(symbol)
		?.tones.map((tone) => tone.name)
		.join(' ');

describe('a table of spelled chords', () => {
	it.each([
		// Triads
		['C', 'C E G'],
		['Db', 'Db F Ab'],
		['F#', 'F# A# C#'],
		['Gb', 'Gb Bb Db'],
		['B', 'B D# F#'],
		['Cb', 'Cb Eb Gb'],
		['Am', 'A C E'],
		['Ebm', 'Eb Gb Bb'],
		['D#m', 'D# F# A#'],
		['Abm', 'Ab Cb Eb'],
		['G#m', 'G# B D#'],
		['Bdim', 'B D F'],
		['G#dim', 'G# B D'],
		['Ebaug', 'Eb G B'],
		['E+', 'E G# B#'],
		['Dsus4', 'D G A'],
		['Bbsus2', 'Bb C F'],
		['F5', 'F C'],
		// Sixths
		['F6', 'F A C D'],
		['Gm6', 'G Bb D E'],
		['Cm6', 'C Eb G A'],
		['Eb6/9', 'Eb G Bb C F'],
		['Am6/9', 'A C E F# B'],
		// Sevenths
		['F7', 'F A C Eb'],
		['B7', 'B D# F# A'],
		['C#7', 'C# E# G# B'],
		['Db7', 'Db F Ab Cb'],
		['Ebmaj7', 'Eb G Bb D'],
		['Abmaj7', 'Ab C Eb G'],
		['F#maj7', 'F# A# C# E#'],
		['Cm7', 'C Eb G Bb'],
		['Bbm7', 'Bb Db F Ab'],
		['C#m7', 'C# E G# B'],
		['Am(maj7)', 'A C E G#'],
		['Am7b5', 'A C Eb G'],
		['Dø', 'D F Ab C'],
		['F#m7b5', 'F# A C E'],
		['Edim7', 'E G Bb Db'],
		['C°7', 'C Eb Gb Bbb'],
		['F#°7', 'F# A C Eb'],
		['G7sus4', 'G C D F'],
		['Dbmaj7#5', 'Db F A C'],
		['C7#5', 'C E G# Bb'],
		['Ab7b5', 'Ab C Ebb Gb'],
		// Ninths and beyond
		['F9', 'F A C Eb G'],
		['Eb9', 'Eb G Bb Db F'],
		['Bbmaj9', 'Bb D F A C'],
		['Dm9', 'D F A C E'],
		['Cadd9', 'C E G D'],
		['Em(add9)', 'E G B F#'],
		['A9sus4', 'A D E G B'],
		['G11', 'G D F A C'],
		['Am11', 'A C E G B D'],
		['C13', 'C E G Bb D A'],
		['Ebm13', 'Eb Gb Bb Db F C'],
		['Fmaj13', 'F A C E G D'],
		['DmMaj9', 'D F A C# E'],
		// Alterations
		['D7b9', 'D F# A C Eb'],
		['Eb7b9', 'Eb G Bb Db Fb'],
		['E7#9', 'E G# B D F##'],
		['Bb7#11', 'Bb D F Ab E'],
		['Fmaj7#11', 'F A C E B'],
		['A7b13', 'A C# E G F'],
		['G13b9', 'G B D F Ab E'],
		['C9#11', 'C E G Bb D F#'],
		['F7b9b13', 'F A C Eb Gb Db'],
		['A7#5#9', 'A C# E# G B#'],
		['Eb7alt', 'Eb G Db Fb F# A Cb'],
		// Basses
		['C/G', 'C E G'],
		['C/Bb', 'C E G Bb'],
		['Bbm7/Db', 'Bb Db F Ab'],
		['D/F#', 'D F# A'],
		['Am/F#', 'A C E F#']
	])('%s: %s', (symbol, expected) => expect(names(symbol)).toBe(expected));

	it('reads signs as a player may type them', () => {
		for (const [typed, plain] of [
			['B♭7', 'Bb7'],
			['F♯m7♭5', 'F#m7b5'],
			['C△7', 'Cmaj7'],
			['C∆', 'Cmaj7'],
			['DØ', 'Dm7b5'],
			['E˚7', 'Edim7'],
			['A−7', 'Am7'],
			['A–7', 'Am7'],
			['G7(♭9,♯11)', 'G7b9#11'],
			['D𝄫maj7', 'Dbbmaj7']
		]) {
			expect(names(typed), typed).toBe(names(plain));
			expect(names(typed), typed).toBeDefined();
		}
	});
});

describe('roles', () => {
	it('each have a family and words of their own', () => {
		expect(new Set(ROLES.map(roleWords)).size).toBe(ROLES.length);
		expect(ROLES.filter((role) => roleKind(role) === 'third')).toEqual(['2', 'b3', '3', '4']);
		expect(ROLES.filter((role) => roleKind(role) === 'seventh')).toEqual(['6', 'bb7', 'b7', '7']);
		expect(ROLES.filter((role) => roleKind(role) === 'fifth')).toEqual(['b5', '5', '#5']);
	});
});

describe('numerals move with their key', () => {
	const degrees = [
		'I',
		'ii7',
		'iii',
		'IVmaj7',
		'V7',
		'vi',
		'vii°7',
		'bVII',
		'bVI',
		'V7/V',
		'II7',
		'I/3'
	];

	it('keep their quality in every key and mode', () => {
		for (const mode of MODES) {
			for (const tonic of ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B']) {
				const note = parseNote(tonic);
				const inC = parseNote('C');
				if (!note || !inC) throw new Error('not read');
				for (const text of degrees) {
					const here = parseNumeral(text, { tonic: note, mode });
					const there = parseNumeral(text, { tonic: inC, mode });
					expect(here?.quality.suffix, `${text} in ${tonic} ${mode}`).toBe(there?.quality.suffix);
					expect(here && parseChord(here.symbol)?.tones, here?.symbol).toEqual(here?.tones);
				}
			}
		}
	});
});

describe('completions', () => {
	it('offer readable symbols on the root that is typed', () => {
		const offered = completions('Bb');
		expect(offered).toContain('Bb7');
		expect(offered.every((symbol) => symbol.startsWith('Bb') && parseChord(symbol))).toBe(true);
		expect(completions('').length).toBeGreaterThan(offered.length);
	});
});

import { describe, expect, it } from 'vitest';
import { keyName, parseChart, parseKey } from '../chart';
import { isMinorMode, MODES, type Key } from '../chord';
import { sameMusic } from './embedded';
import { fifthsOf, keyOfFifths } from './key-signature';
import { signatureFor, signatureOf } from './signature';

const key = (text: string): Key => {
	const found = parseKey(text);
	if (!found) throw new Error(text);
	return found;
};

describe('key signatures', () => {
	it.each([
		['C', 0],
		['Bb', -2],
		['F# minor', 3],
		['Db lydian', -4],
		['F mixolydian', -2],
		['D dorian', 0],
		['E phrygian', 0],
		['Bb blues', -2],
		['C#', 7],
		['Cb', -7],
		// Eight sharps are written as four flats.
		['G#', -4],
		['Fb', 4]
	])('%s has %i', (name, fifths) => expect(fifthsOf(key(name))).toBe(fifths));

	it('lead back to their key in every mode', () => {
		for (const mode of MODES) {
			for (let fifths = -7; fifths <= 7; fifths++) {
				const found = keyOfFifths(fifths, mode);
				expect(found && fifthsOf(found)).toBe(fifths);
				expect(found?.mode).toBe(mode);
			}
		}
		expect(keyOfFifths(8, 'major')).toBeNull();
		expect(keyOfFifths(0.5, 'major')).toBeNull();
		const told = keyOfFifths(-3, 'minor');
		expect(told && keyName(told)).toBe('C minor');
		expect(MODES.filter(isMinorMode)).toEqual(['minor', 'dorian', 'phrygian', 'locrian']);
	});
});

describe('time signatures from elsewhere', () => {
	it.each([
		[4, 4, '4/4'],
		[6, 8, '6/8'],
		[2, 2, '4/4'],
		[3, 2, '6/4'],
		[1, 1, '4/4'],
		[12, 16, '6/8'],
		[5, 16, null],
		[16, 8, null],
		[1, 4, null],
		[NaN, 4, null]
	])('%d over %d is %s', (beats, unit, told) => {
		const found = signatureOf(beats, unit);
		expect(found && `${found.beats}/${found.unit}`).toBe(told);
	});

	it.each([
		[1920, '4/4'],
		[1680, '7/8'],
		[960, '2/4'],
		[480, '2/8'],
		[1000, null]
	])('a bar of %d ticks is %s', (ticks, told) => {
		const found = signatureFor(ticks);
		expect(found && `${found.beats}/${found.unit}`).toBe(told);
	});
});

describe('charts that say the same', () => {
	const ferry = parseChart(
		'title: Ferry\nkey: Bb blues\ntempo: 104\n[Head]\n| Bb7 | % | <Eb7 . F7 . |'
	);
	it.each([
		['written out', 'title: Ferry\nkey: Bb\ntempo: 104\n| Bb7 | Bb7 | <Eb7 F7 | // so', true, true],
		['without the push', 'title: Ferry\nkey: Bb\ntempo: 104\n| Bb7 | Bb7 | Eb7 F7 |', false, true],
		['another chord', 'title: Ferry\ntempo: 104\n| Bb7 | Bb7 | <Eb7 F9 |', false, false],
		['another title', 'title: Boat\ntempo: 104\n| Bb7 | Bb7 | <Eb7 F7 |', false, false],
		['another tempo', 'title: Ferry\ntempo: 90\n| Bb7 | Bb7 | <Eb7 F7 |', false, false],
		['another key', 'title: Ferry\nkey: B\ntempo: 104\n| Bb7 | Bb7 | <Eb7 F7 |', false, false],
		['a bar more', 'title: Ferry\ntempo: 104\n| Bb7 | Bb7 | <Eb7 F7 | F7 |', false, false],
		['nothing', 'title: Ferry\ntempo: 104\n', false, false]
	])('%s', (_, text, sounding, written) => {
		const other = parseChart(text);
		expect(sameMusic(ferry, other)).toBe(sounding);
		expect(sameMusic(ferry, other, 'written')).toBe(written);
	});
});

import { describe, expect, it } from 'vitest';
import { MODES, type Mode } from '../chord';
import { parseNote } from '../pitch';
import { HOME_SETS } from './home';
import { chordsOfKey } from './key-chords';

function chordsIn(tonic: string, mode: Mode) {
	const note = parseNote(tonic);
	return note ? chordsOfKey({ tonic: note, mode }) : [];
}
const told = (tonic: string, mode: Mode) =>
	chordsIn(tonic, mode).map(({ chord, numeral, leads }) => [
		leads ? 'leads' : 'own',
		chord.symbol,
		numeral
	]);

describe('chords of a key', () => {
	it('are its sevenths and what leads to them, in major', () => {
		expect(told('Bb', 'major')).toEqual([
			['own', 'Bbmaj7', 'Imaj7'],
			['own', 'Cm7', 'ii7'],
			['own', 'Dm7', 'iii7'],
			['own', 'Ebmaj7', 'IVmaj7'],
			['own', 'F7', 'V7'],
			['own', 'Gm7', 'vi7'],
			['own', 'Am7b5', 'viiø7'],
			['leads', 'G7', 'V7/ii'],
			['leads', 'A7', 'V7/iii'],
			['leads', 'Bb7', 'V7/IV'],
			['leads', 'C7', 'V7/V'],
			['leads', 'D7', 'V7/vi']
		]);
	});

	it('in minor with the dominant of the raised seventh', () => {
		const minor = told('A', 'minor');
		expect(minor.slice(0, 7).map(([, symbol]) => symbol)).toEqual([
			...['Am7', 'Bm7b5', 'Cmaj7', 'Dm7', 'Em7', 'Fmaj7', 'G7']
		]);
		expect(minor).toContainEqual(['leads', 'E7', 'V7']);
	});

	it('are dominant sevenths in a blues', () => {
		const own = told('G', 'blues').filter(([kind]) => kind === 'own');
		expect(own).toContainEqual(['own', 'G7', 'I7']);
		expect(own).toContainEqual(['own', 'C7', 'IV7']);
	});

	it('have no tone outside the key, but for those that lead, on every tonic', () => {
		for (const mode of MODES) {
			for (const tonic of ['C', 'F#', 'Gb', 'B', 'Ab', 'C#', 'Cb']) {
				const all = chordsIn(tonic, mode);
				const own = all.filter(({ leads }) => !leads);
				expect(own.length).toBeGreaterThanOrEqual(mode === 'blues' ? 5 : 7);
				const home = own[0].chord.tones[0].pc;
				for (const { chord } of own)
					for (const { pc } of chord.tones)
						expect(HOME_SETS[mode].has((pc - home + 12) % 12)).toBe(true);
				const goals = own.map(({ chord }) => (chord.tones[0].pc + 7) % 12);
				for (const { chord } of all.filter(({ leads }) => leads))
					expect(goals).toContain(chord.tones[0].pc);
				expect(new Set(all.map(({ chord }) => chord.symbol)).size).toBe(all.length);
			}
		}
	});
});

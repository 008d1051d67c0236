import { describe, expect, it } from 'vitest';
import { buildScale, hiddenArpeggios, noteVerdict, SCALE_NAMES, type Scale } from '.';
import { parseChord, type Chord } from '../chord';
import { noteName, parseNote, pitchClass } from '../pitch';

const chord = (symbol: string): Chord => {
	const found = parseChord(symbol);
	if (!found) throw new Error(symbol);
	return found;
};
const scale = (tonic: string, name: string): Scale => {
	const note = parseNote(tonic);
	const found = note && buildScale(note, name);
	if (!found) throw new Error(name);
	return found;
};
const key = (pcs: Iterable<number>) => [...new Set(pcs)].sort((a, b) => a - b).join();
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
const QUALITIES = ['', 'm', 'dim', 'aug', 'maj7', 'm7', '7', 'm7b5', 'mMaj7', 'dim7'];

describe('what is hidden in a scale', () => {
	it.each(['major', 'dorian', 'melodic minor', 'harmonic minor', 'minor blues', 'whole tone'])(
		'%s: no triad and no seventh chord is missed, but the chord’s own',
		(name) => {
			const over = chord('G7');
			const inside = scale('G', name);
			const pcs = new Set(inside.notes.map((note) => note.pc));
			const found = new Set(
				hiddenArpeggios(inside, over).map((entry) => key(entry.notes.map(pitchClass)))
			);
			for (const root of ROOTS) {
				for (const quality of QUALITIES) {
					const tones = chord(root + quality).tones.map((tone) => tone.pc);
					if (!tones.every((pc) => pcs.has(pc))) continue;
					const own = tones[0] === 7 && tones.every((pc) => over.tones.some((t) => t.pc === pc));
					// The same notes on the chord's own root are its own arpeggio, whatever they are called.
					if (!own) expect(found.has(key(tones)), root + quality).toBe(true);
				}
			}
		}
	);

	it('is heard as its notes are heard one by one', () => {
		for (const name of SCALE_NAMES) {
			const over = chord('Am7');
			for (const entry of hiddenArpeggios(scale('A', name), over)) {
				expect(entry.verdicts).toEqual(entry.notes.map((note) => noteVerdict(note, over).verdict));
				expect(entry.roles).toHaveLength(entry.notes.length);
			}
		}
	});

	it('puts what clashes last', () => {
		const list = hiddenArpeggios(scale('C', 'major'), chord('Cmaj7'));
		const clashing = list.map((entry) => entry.verdicts.includes('clash'));
		expect(clashing[0]).toBe(false);
		// Em7 over Cmaj7 is the familiar first choice: 3 5 7 9.
		const em7 = list.findIndex((entry) => entry.name === 'Em7');
		const f = list.findIndex((entry) => entry.name === 'F');
		expect(em7).toBeGreaterThanOrEqual(0);
		expect(em7).toBeLessThan(f);
	});

	it('holds the known substitutions', () => {
		const roles = (tonic: string, name: string, symbol: string, arpeggio: string) =>
			hiddenArpeggios(scale(tonic, name), chord(symbol))
				.find((entry) => entry.name === arpeggio)
				?.roles.join(' ');
		expect(roles('C', 'major', 'Cmaj7', 'Em7')).toBe('3 5 7 9');
		expect(roles('D', 'dorian', 'Dm7', 'Fmaj7')).toBe('b3 5 b7 9');
		expect(roles('G', 'mixolydian', 'G7', 'Bm7b5')).toBe('3 5 b7 9');
		expect(roles('G', 'altered', 'G7alt', 'Abm')).toContain('b9');
	});

	it('spells its notes as the scale does', () => {
		const list = hiddenArpeggios(scale('Db', 'major'), chord('Dbmaj7'));
		const names = new Set(list.flatMap((entry) => entry.notes.map(noteName)));
		expect([...names].sort()).toEqual(['Ab', 'Bb', 'C', 'Db', 'Eb', 'F', 'Gb']);
	});
});

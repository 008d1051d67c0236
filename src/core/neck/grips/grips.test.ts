import { describe, expect, it } from 'vitest';
import { guideTones, parseChord, type Chord, type Role } from '../../chord';
import { parseNote, pitchClass } from '../../pitch';
import { MEDIUM_HAND, stretchMm } from '../hand';
import {
	buildInstrument,
	pitchAt,
	standardGuitar,
	TUNING_IDS,
	type Instrument
} from '../instrument';
import { withSlide } from '../slide';
import { holdGrip } from './hold';
import { cellGrips, grips, type Grip } from '.';

const guitar = standardGuitar();
const ROOTS = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab', 'A', 'Bb', 'B'];

const chordOf = (symbol: string): Chord => {
	const chord = parseChord(symbol);
	if (!chord) throw new Error(`unreadable: ${symbol}`);
	return chord;
};

/** Frets from the thickest string, `x` for a silent one. */
const written = (instrument: Instrument, grip: Grip): string =>
	instrument.open
		.map((_, i) => grip.notes.find((note) => note.string === instrument.open.length - i))
		.map((note) => note?.fret ?? 'x')
		.join(' ');

const tuned = (id: string): Instrument => {
	const instrument = buildInstrument(id);
	if (!instrument) throw new Error(`unknown tuning: ${id}`);
	return instrument;
};

describe('grips in the standard tuning', () => {
	// Frets over the fret of the root on its string; `at` is the position, counted from there.
	const FAMILIAR: readonly [suffix: string, string: 6 | 5 | 4, at: number, frets: string][] = [
		['', 6, 0, '0 2 2 1 0 0'],
		['m', 6, 0, '0 2 2 0 0 0'],
		['7', 6, 0, '0 2 0 1 0 0'],
		['m7', 6, 0, '0 2 0 0 0 0'],
		['m7', 6, 0, '0 x 0 0 0 x'],
		['maj7', 6, 0, '0 x 1 1 0 x'],
		['7', 6, 0, '0 x 0 1 0 x'],
		['m7b5', 6, -1, '0 x 0 0 -1 x'],
		['13', 6, 0, '0 x 0 1 2 x'],
		['6', 6, -1, '0 x -1 1 0 x'],
		['', 5, 0, 'x 0 2 2 2 0'],
		['m', 5, 0, 'x 0 2 2 1 0'],
		['7', 5, 0, 'x 0 2 0 2 0'],
		['m7', 5, 0, 'x 0 2 0 1 0'],
		['maj7', 5, 0, 'x 0 2 1 2 0'],
		['m7b5', 5, 0, 'x 0 1 0 1 x'],
		['dim7', 5, 0, 'x 0 1 -1 1 x'],
		['9', 5, -1, 'x 0 -1 0 0 x'],
		['9', 5, -1, 'x 0 -1 0 0 0'],
		['7#9', 5, -1, 'x 0 -1 0 1 x'],
		['7', 5, -2, 'x 0 -1 0 -2 x'],
		['', 5, -3, 'x 0 -1 -3 -2 -3'],
		['', 4, 0, 'x x 0 2 3 2'],
		['m7', 4, 0, 'x x 0 2 1 1'],
		['7', 4, 0, 'x x 0 2 1 2'],
		['maj7', 4, 0, 'x x 0 2 2 2'],
		['m7b5', 4, 0, 'x x 0 1 1 1']
	];
	it.each(FAMILIAR)('%s with its root on string %i has %s', (suffix, string, at, frets) => {
		for (const root of ROOTS) {
			const chord = chordOf(root + suffix);
			const open = guitar.open[string - 1];
			const fret = ((((chord.tones[0].pc - open - 4) % 12) + 12) % 12) + 4;
			const wanted = frets
				.split(' ')
				.map((entry) => (entry === 'x' ? entry : Number(entry) + fret))
				.join(' ');
			const found = grips(guitar, chord, fret + at).map((grip) => written(guitar, grip));
			expect(found, `${root}${suffix}`).toContain(wanted);
		}
	});

	it('holds triads of three strings in every inversion', () => {
		for (const root of ROOTS) {
			for (const suffix of ['', 'm']) {
				const chord = chordOf(root + suffix);
				const lowest = new Set<string>();
				for (let position = 1; position <= 12; position++) {
					for (const { notes } of grips(guitar, chord, position)) {
						if (notes.length === 3 && notes[0].string === 3) lowest.add(notes[0].role);
					}
				}
				expect([...lowest].sort(), chord.symbol).toEqual(
					chord.tones.map(({ role }) => role).sort()
				);
			}
		}
	});

	it('says the form that a grip keeps the outline of', () => {
		const FORMS: readonly [symbol: string, position: number, frets: string, form: string][] = [
			['G', 3, '3 5 5 4 3 3', 'E'],
			['C', 3, 'x 3 5 5 5 3', 'A'],
			['F', 3, 'x x 3 5 6 5', 'D'],
			['Eb', 3, 'x 6 5 3 4 3', 'C'],
			['D7', 3, 'x 5 4 5 3 x', 'C']
		];
		for (const [symbol, position, frets, form] of FORMS) {
			const found = grips(guitar, chordOf(symbol), position);
			expect(found.find((grip) => written(guitar, grip) === frets)?.form, symbol).toBe(form);
		}
	});

	it('takes the note after the slash lowest', () => {
		for (const symbol of ['C/E', 'D/F#', 'Am/G', 'F/A', 'G/B']) {
			const chord = chordOf(symbol);
			const bass = chord.bass && pitchClass(chord.bass);
			for (let position = 1; position <= 9; position++) {
				for (const { notes } of grips(guitar, chord, position)) {
					if (notes.length > 3) expect(notes[0].midi % 12, symbol).toBe(bass);
				}
			}
		}
	});
});

/** Why no hand plays a grip; null where one does. */
function faultOf(instrument: Instrument, position: number, { notes, muted }: Grip): string | null {
	const fretted = notes.filter(({ fret }) => fret > 0);
	if (fretted.some(({ finger }) => finger === null)) return 'a fretted note without a finger';
	if (fretted.length < notes.length && position > 1) return 'an open string up the neck';
	const frets = fretted.map(({ fret }) => fret);
	const wide = stretchMm(instrument, Math.min(...frets), Math.max(...frets));
	if (fretted.length > 0 && wide > MEDIUM_HAND.comfortableMm * 1.25) return 'too wide';
	for (const a of fretted) {
		for (const b of fretted) {
			const [fa, fb] = [a.finger ?? 0, b.finger ?? 0];
			if (fa < fb && a.fret > b.fret) return 'fingers cross';
			if (fa === fb && a.fret !== b.fret) return 'one finger on two frets';
			if (fa !== fb || a.string <= b.string) continue;
			for (let string = b.string + 1; string < a.string; string++) {
				const under = notes.find((note) => note.string === string);
				if (!under || under.fret < a.fret) return 'a barre over a string that it may not stop';
			}
		}
	}
	const inside = muted.filter((s) => s < notes[0].string && s > notes[notes.length - 1].string);
	if (inside.length > 1) return 'two silent strings inside';
	return inside.length === 1 && inside[0] !== notes[0].string - 1 ? 'a silent string inside' : null;
}

/** What a grip of four strings or more lacks of its chord; null for nothing. */
function soundFault(chord: Chord, { notes }: Grip): string | null {
	const heard = new Set(notes.map(({ midi }) => midi % 12));
	for (const { midi, role } of notes) {
		if (chord.tones.find((tone) => tone.pc === midi % 12)?.role !== role) return 'a wrong role';
	}
	if (notes.length < 4)
		return heard.size < Math.min(3, chord.tones.length) ? 'too few tones' : null;
	if (!guideTones(chord).every(({ pc }) => heard.has(pc))) return 'no guide tone';
	const lowest = Math.min(...notes.map(({ midi }) => midi));
	return lowest % 12 === chord.tones[0].pc ? null : 'not on its root';
}

describe('grips in every tuning', () => {
	const QUALITIES = ['', 'm', '7', 'm7', 'maj7', 'm7b5', 'dim7', 'sus4', 'add9', '6', '9', '13'];
	const MORE = ['5', 'aug', '7alt', '7b9', 'maj9', 'm6', '7sus4', 'maj7#11'];
	it.each(TUNING_IDS)('%s: a hand holds each, and it sounds the chord', (id) => {
		const instrument = tuned(id);
		const faults: string[] = [];
		for (const [i, root] of ROOTS.entries()) {
			for (const suffix of i % 3 === 0 ? [...QUALITIES, ...MORE] : QUALITIES) {
				const chord = chordOf(root + suffix);
				for (const position of i % 2 === 0 ? [1, 7] : [4, 12]) {
					const seen = new Set<string>();
					for (const grip of grips(instrument, chord, position)) {
						const frets = written(instrument, grip);
						const fault = faultOf(instrument, position, grip) ?? soundFault(chord, grip);
						if (fault) faults.push(`${chord.symbol} ${frets} in ${position}: ${fault}`);
						if (seen.has(frets)) faults.push(`${chord.symbol} ${frets} is told twice`);
						seen.add(frets);
						const wrong = grip.notes.some((note) => pitchAt(instrument, note) !== note.midi);
						const strings = grip.notes.length + grip.muted.length;
						if (wrong || strings !== instrument.open.length) faults.push(`${frets}: wrong places`);
					}
				}
			}
		}
		expect(faults).toEqual([]);
	});

	it('lies straight across under a slide', () => {
		const bar = withSlide(tuned('open-g'), 1);
		for (const position of [1, 6, 8, 13]) {
			// Seven semitones over C: the open strings are a G.
			const root = ROOTS[(7 + (position === 1 ? 0 : position)) % 12];
			const found = grips(bar, chordOf(root), position);
			expect(found.length, root).toBeGreaterThan(0);
			for (const { notes } of found) expect(new Set(notes.map(({ fret }) => fret)).size).toBe(1);
			expect(found[0].notes.length).toBeGreaterThan(3);
		}
	});
});

describe('the fingers of a grip', () => {
	/** The best fingering by trying all of them with the rules told in words. */
	it('exist wherever one of all assignments is sound', () => {
		const sound = (frets: readonly number[], fingers: readonly number[]) => {
			const notes = frets.map((fret, i) => ({
				...{ string: frets.length - i, fret, finger: fingers[i] || null },
				...{ midi: 0, name: chordOf('C').tones[0].name, role: 'R' as const }
			}));
			const grip = { form: null, notes, muted: [], stretchMm: 0, comfort: 'easy' } as const;
			if (faultOf(guitar, 1, grip)) return false;
			const own = notes.filter(({ fret }) => fret > 0);
			const sorted = [...own].sort((a, b) => a.fret - b.fret || b.string - a.string);
			return sorted.every((note, i) => {
				const before = sorted[i - 1];
				if (!before) return true;
				const step = (note.finger ?? 0) - (before.finger ?? 0);
				if (step < 0) return false;
				if (step > 0) return note.fret - before.fret <= step + 1;
				return note.finger === 1 || note.fret === before.fret;
			});
		};
		const part = (frets: readonly number[], fingers: readonly number[]): boolean => {
			const across = [2, 3, 4].filter((f) => fingers.filter((x) => x === f).length > 1);
			if (across.length > 1) return false;
			return across.every((f) => {
				const at = fingers.flatMap((x, i) => (x === f ? [i] : []));
				const [first, last] = [at[0], at[at.length - 1]];
				if (last - first > 2 || last - first + 1 !== at.length) return false;
				return frets.slice(last + 1).every((fret) => fret >= frets[first]);
			});
		};
		for (let n = 0; n < 5 ** 4; n++) {
			const frets = [0, 1, 2, 3].map((i) => Math.floor(n / 5 ** i) % 5);
			let exists = false;
			for (let k = 0; k < 5 ** 4 && !exists; k++) {
				const fingers = [0, 1, 2, 3].map((i) => Math.floor(k / 5 ** i) % 5);
				if (frets.some((fret, i) => (fret === 0) !== (fingers[i] === 0))) continue;
				exists = sound(frets, fingers) && part(frets, fingers);
			}
			const places = frets.map((fret, i) => ({ string: 4 - i, fret }));
			expect(holdGrip(places) !== null, frets.join(' ')).toBe(exists);
		}
	});
});

describe('voicings of a cell', () => {
	it('take each note once on neighbouring strings', () => {
		const cell = [
			['C', 'R'],
			['E', '3'],
			['F#', '#11'],
			['B', '7']
		].flatMap(([name, role]) => {
			const note = parseNote(name);
			return note ? [{ note, role: role as Role }] : [];
		});
		const found = cellGrips(guitar, cell, 7);
		expect(found.map((grip) => written(guitar, grip))).toContain('x x 10 9 7 7');
		for (const grip of found) {
			expect(faultOf(guitar, 7, grip)).toBeNull();
			expect(new Set(grip.notes.map(({ midi }) => midi % 12)).size).toBe(4);
			expect(grip.notes[0].string - grip.notes[3].string).toBe(3);
		}
	});
});

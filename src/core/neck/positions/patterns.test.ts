import { describe, expect, it } from 'vitest';
import { parseChord } from '../../chord';
import { pocketScale, positionsOf } from '..';
import { guitar, instrument, ROOTS, scale } from '../test-values';

describe('patterns', () => {
	it('put three notes of a seven-note scale on each string, none left out', () => {
		const found = positionsOf(guitar, scale('G', 'major'), 'n-per-string');
		const first = found.find((entry) => entry.id === 'n-per-string-6-3');
		expect(first?.notes.map((note) => `${note.string}/${note.fret}`).join(' ')).toBe(
			'6/3 6/5 6/7 5/3 5/5 5/7 4/4 4/5 4/7 3/4 3/5 3/7 2/5 2/7 2/8 1/5 1/7 1/8'
		);
		for (const { notes } of found) {
			expect(notes).toHaveLength(18);
			for (let i = 1; i < notes.length; i++) {
				const step = notes[i].midi - notes[i - 1].midi;
				expect(step).toBeLessThanOrEqual(2);
			}
		}
	});

	it('put two notes of a five-note scale on each string; three need a hand that stretches', () => {
		const pentatonic = scale('A', 'minor pentatonic');
		expect(positionsOf(guitar, pentatonic, 'n-per-string')[1].notes).toHaveLength(12);
		const wide = (comfortableMm: number) =>
			positionsOf({ ...guitar, hand: { comfortableMm } }, pentatonic, 'n-per-string', {
				notesPerString: 3
			}).length;
		expect(wide(85)).toBeLessThan(wide(125));
	});

	it('climb diagonally from a root, three and two', () => {
		const [first] = positionsOf(guitar, scale('A', 'minor pentatonic'), 'diagonal');
		expect(first.notes.map((note) => `${note.string}/${note.fret}`).join(' ')).toBe(
			'6/5 6/8 6/10 5/7 5/10 4/7 4/10 4/12 3/9 3/12 2/10 2/13 2/15 1/12 1/15'
		);
		expect(first.notes[0].degree).toBe('1');
	});

	it('grow pockets round the root, note by note', () => {
		const pockets = positionsOf(guitar, scale('A', 'mixolydian'), 'pocket');
		const at = (size: number) =>
			pockets.find((entry) => entry.id === `pocket-2-10-${size}${size > 3 ? `-${size - 3}` : ''}`)
				?.notes;
		const degrees = (size: number) =>
			at(size)
				?.map((note) => note.degree)
				.join(' ');
		expect([3, 4, 5].map(degrees)).toEqual(['1 2 3', 'b7 1 2 3', '6 b7 1 2 3']);
		for (const { notes } of pockets) {
			expect(notes.every((note) => note.string <= 3)).toBe(true);
			expect(notes.some((note) => note.degree === '1')).toBe(true);
		}
	});

	it('lie under one hand, one finger a fret, with the fewest moves', () => {
		const told = (tonic: string, name: string, id: string) =>
			positionsOf(guitar, scale(tonic, name), 'n-per-string').find((entry) => entry.id === id);
		for (const [n, tonic] of ROOTS.entries()) {
			// A dominant pentatonic from A: 5-7 4-7 5-7 4-6 5-8 5-7, and the same in every other key.
			const from = 5 + ((n + 3) % 12);
			if (from + 3 > 22) continue;
			const layout = told(tonic, 'dominant pentatonic', `n-per-string-6-${from}`);
			const frets = layout?.notes.map((note) => note.fret - from).join(' ');
			expect(frets, tonic).toBe('0 2 -1 2 0 2 -1 1 0 3 0 2');
			expect(layout?.position).toBe(from - 1);
			expect(layout?.notes.map((note) => note.finger).join('')).toBe('241424131413');
			expect(layout?.shifts).toEqual([8]);
		}
		// Every choice of a base for each string, counted: none moves less often.
		for (const name of ['dominant pentatonic', 'minor pentatonic', 'major', 'dorian']) {
			for (const tonic of ROOTS) {
				for (const { id, notes, shifts } of positionsOf(
					guitar,
					scale(tonic, name),
					'n-per-string'
				)) {
					const rows = [6, 5, 4, 3, 2, 1].map((string) =>
						notes.filter((note) => note.string === string).map((note) => note.fret)
					);
					let least = new Map<number, number>();
					rows.forEach((frets, r) => {
						const [low, high] = [Math.max(1, frets[0]), Math.max(1, frets[frets.length - 1])];
						const bases = high - low > 3 ? [low] : [0, 1, 2, 3].map((k) => low - k);
						const fits = bases.filter((b) => b >= 1 && (high - low > 3 || b + 3 >= high));
						const next = fits.map((b): [number, number] => [
							b,
							r === 0 ? 0 : Math.min(...[...least].map(([a, cost]) => cost + (a === b ? 0 : 1)))
						]);
						least = new Map(next);
					});
					expect(shifts.length, `${tonic} ${name} ${id}`).toBe(Math.min(...least.values()));
				}
			}
		}
	});

	it('fill a five-note box to three a string with passing notes', () => {
		const filled = (tonic: string) =>
			positionsOf(guitar, scale(tonic, 'minor pentatonic'), 'n-per-string', {
				...{ notesPerString: 3, passing: true }
			}).filter((entry) => entry.id.startsWith('n-per-string-filled'));
		const box = filled('A').find((entry) => entry.position === 5);
		expect(box?.notes.map((note) => `${note.string}/${note.fret}:${note.finger}`).join(' ')).toBe(
			'6/5:1 6/7:3 6/8:4 5/5:1 5/6:2 5/7:3 4/5:1 4/6:2 4/7:3 3/5:1 3/6:2 3/7:3 2/5:1 2/7:3 2/8:4 1/5:1 1/7:3 1/8:4'
		);
		const passing = box?.notes.filter((note) => note.passing) ?? [];
		expect(passing.map((note) => `${note.name} ${note.degree}`)).toEqual([
			...['B 2', 'D# #4', 'G# 7', 'C# 3', 'F# 6', 'B 2']
		]);
		for (const tonic of ROOTS) {
			for (const { notes, position } of filled(tonic)) {
				// At the ends of the neck some strings have more notes, or fewer.
				if (position < 2 || position > 17) continue;
				for (let string = 1; string <= 6; string++) {
					const own = notes.filter((note) => note.string === string);
					expect(own.map((note) => note.passing ?? false)).toEqual([false, true, false]);
					const fingers = own.map((note) => note.finger ?? 0);
					expect(fingers[0] < fingers[1] && fingers[1] < fingers[2]).toBe(true);
				}
			}
		}
		const plain = positionsOf(guitar, scale('A', 'minor pentatonic'), 'n-per-string', {
			notesPerString: 3
		});
		expect(plain.every(({ notes }) => notes.every((note) => !note.passing))).toBe(true);
	});

	it('put pockets on both sides of the root, the same frets from it in every key', () => {
		for (const [n, tonic] of ROOTS.entries()) {
			const root = 5 + ((n + 3) % 12);
			const found = positionsOf(guitar, scale(tonic, 'major'), 'pocket').map(({ notes }) =>
				notes.map((note) => `${note.string}/${note.fret - root}`).join(' ')
			);
			expect(found, tonic).toContain('3/1 2/0 2/2 1/0 1/2');
			const minor = positionsOf(guitar, scale(tonic, 'dorian'), 'pocket').map(({ notes }) =>
				notes.map((note) => `${note.degree}`).join(' ')
			);
			expect(minor, tonic).toContain('4 5 b7 1 b3');
			expect(minor, tonic).toContain('1 2 b3');
		}
		for (const name of ['major', 'mixolydian', 'dorian', 'minor pentatonic', 'locrian']) {
			const pockets = positionsOf(guitar, scale('A', name), 'pocket');
			const ids = pockets.map(({ id }) => id);
			expect(new Set(ids).size).toBe(ids.length);
			for (const { notes } of pockets) {
				expect(notes.length).toBeGreaterThanOrEqual(3);
				expect(notes.length).toBeLessThanOrEqual(7);
			}
		}
	});

	it('move pockets with the chord, whatever scale is in use', () => {
		const inUse = scale('A', 'minor pentatonic');
		for (const [n, tonic] of ROOTS.entries()) {
			const chord = parseChord(tonic);
			if (!chord) throw new Error(tonic);
			const root = 5 + ((n + 3) % 12);
			const own = pocketScale(chord, inUse);
			expect(own.notes[0]).toMatchObject({ name: tonic, degree: '1' });
			const found = positionsOf(guitar, own, 'pocket').map(({ notes }) =>
				notes.map((note) => `${note.string}/${note.fret - root}`).join(' ')
			);
			expect(found, tonic).toContain('3/1 2/0 2/2 1/0 1/2');
		}
		for (const symbol of ['Dm7', 'G7', 'F#m7b5', 'Ebmaj7', 'Bdim7', 'E7alt']) {
			const chord = parseChord(symbol);
			if (!chord) throw new Error(symbol);
			const own = pocketScale(chord, inUse);
			expect(own.notes[0].pc, symbol).toBe(chord.tones[0].pc);
			expect(positionsOf(guitar, own, 'pocket').length, symbol).toBeGreaterThan(0);
		}
	});

	it('lay one fret across an open tuning, or two', () => {
		const slide = instrument('open-d');
		const names = (id: string, notesPerString: number) =>
			positionsOf(slide, scale('D', 'mixolydian'), 'single-fret', { notesPerString })
				.find((entry) => entry.id === id)
				?.notes.map((note) => note.name)
				.join(' ');
		expect(names('single-fret-5', 1)).toBe('G D G B D G');
		expect(names('single-fret-12', 1)).toBe('D A D F# A D');
		expect(names('single-fret-0-2', 2)).toBe('D E A B D E F# A B D E');
	});
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { arpeggioShapes, joinShapes, lastPosition, stretchMm, windowPlaces } from '..';
import { isGuideTone, toneAt, transposeChord } from '../../chord';
import { intervalBetween, parseNote } from '../../pitch';
import { runs } from '../../test-runs';
import {
	anyChord,
	anyInstrument,
	at,
	chord,
	expectPlayable,
	extent,
	guitar,
	holdsWith,
	instrument,
	ROOTS,
	told
} from './test-shapes';

describe('arpeggio shapes', () => {
	it('are true and playable for every chord, place and tuning', () => {
		fc.assert(
			fc.property(anyInstrument, anyChord, fc.integer({ min: 1, max: 21 }), (neck, given, wish) => {
				const position = Math.min(wish, lastPosition(neck));
				if (position < 1) return;
				const shapes = arpeggioShapes(neck, given, position);
				for (const shape of shapes) {
					if (shape.kind !== 'joined') expectPlayable(neck, shape, position);
					for (const note of shape.notes) {
						expect(toneAt(given, note.midi)).toMatchObject({ role: note.role, name: note.name });
					}
				}
				const under = windowPlaces(neck, position).filter(
					(place) => !place.reach && toneAt(given, place.midi)?.essential
				);
				if (under.length > 0) expect(shapes[0]?.kind).toBe('full');
				const full = shapes[0]?.notes.map((note) => note.midi) ?? [];
				for (const place of under) expect(full).toContain(place.midi);
				const tensions = new Set(
					shapes[0]?.notes.flatMap(({ midi }) => {
						const tone = toneAt(given, midi);
						return tone && !tone.essential ? [tone.role] : [];
					})
				);
				expect(tensions.size).toBeLessThanOrEqual(2);
			}),
			{ numRuns: runs(250) }
		);
	});

	it('are the known ones', () => {
		const full = (symbol: string, position: number) =>
			arpeggioShapes(guitar, chord(symbol), position)[0];
		expect(told(full('Bb7', 6))).toBe('6/6:2 5/5:1 5/8:4 4/6:2 4/8:4 3/7:3 2/6:2 2/9:4 1/6:2');
		// Only reaching back: fingered from one fret lower.
		expect(full('Cm7', 6).fingerBase).toBe(5);
		const octaves = arpeggioShapes(guitar, chord('Eb7'), 6).filter((s) => s.kind === 'octave');
		expect(octaves.map(told)).toEqual(['5/6:2 4/5:1 4/8:4 3/6:2 3/8:4']);
	});

	it.each([
		['G7', 3, '5/2', '6/7'],
		['C7', 3, '4/2', '5/7'],
		['A7', 5, '5/4', '6/9'],
		['G7', 2, '6/3', '6/1']
	])('%s in position %i takes %s, not %s, in twelve keys', (symbol, position, taken, left) => {
		for (let up = 0; up < 12; up++) {
			const there = ROOTS[(ROOTS.indexOf(symbol[0]) + up) % 12] + symbol.slice(1);
			const [full] = arpeggioShapes(guitar, chord(there), position + up);
			const places = full.notes.map((note) => `${note.string}/${note.fret}`);
			const moved = (place: string) => {
				const [string, fret] = place.split('/').map(Number);
				return `${string}/${fret + up}`;
			};
			expect(places, there).toContain(moved(taken));
			// Toward the body a reach is no stretch any more: then what lies beyond the ends is taken too.
			if (left !== '6/1' || up < 4) expect(places, there).not.toContain(moved(left));
		}
	});

	it('hold in full what the rule says, in any tuning', () => {
		fc.assert(
			fc.property(anyInstrument, anyChord, fc.integer({ min: 1, max: 21 }), (neck, given, wish) => {
				const position = Math.min(wish, lastPosition(neck));
				if (position < 1 || given.tones.some((tone) => !tone.essential)) return;
				const [full] = arpeggioShapes(neck, given, position);
				const places = windowPlaces(neck, position).filter((p) => toneAt(given, p.midi));
				const under = places.filter((place) => !place.reach);
				if (under.length === 0) {
					expect(full).toBeUndefined();
					return;
				}
				const pitches = under.map((place) => place.midi);
				const [low, high] = [Math.min(...pitches), Math.max(...pitches)];
				for (const note of full.notes.filter((one) => one.reach)) {
					const inside = note.midi >= low && note.midi <= high;
					const same = places.filter((place) => place.midi === note.midi);
					// Never where a finger covers it, and on only where back would make a finger jump.
					expect(same.some((place) => !place.reach)).toBe(false);
					const back = same.find((place) => place.fret < position);
					if (note.fret > position && back) {
						expect(
							holdsWith(
								full.notes.filter((one) => one !== note),
								back,
								full.fingerBase
							)
						).toBe(false);
					}
					if (!inside) expect(full.comfort).not.toBe('far');
				}
				// Whatever lies inside and is not there would have made a finger jump.
				const held = new Set(full.notes.map((note) => note.midi));
				const missing = places.filter(({ midi }) => midi >= low && midi <= high && !held.has(midi));
				expect(missing.every((place) => place.reach)).toBe(true);
				for (const place of missing) {
					expect(holdsWith(full.notes, place, full.fingerBase), told(full)).toBe(false);
				}
			}),
			{ numRuns: runs(250) }
		);
	});

	it.each([
		['G', 14, '6/15 5/14 5/17 4/17'],
		['Gm', 14, '6/15 5/13 5/17 4/17'],
		['G', 5, '4/5 3/4 3/7 2/8'],
		['G', 4, '4/5 3/4 3/7 2/8'],
		['G7', 3, '6/3 5/2 5/5 4/3'],
		['Cmaj7', 7, '6/8 5/7 5/10 4/9']
	])('%s in position %i has the path %s, in twelve keys', (symbol, position, path) => {
		const [, root, suffix] = /^([A-G])(.*)$/.exec(symbol) ?? [];
		for (let up = -4; up < 8; up++) {
			if (position + up < 1 || position + up > 19) continue;
			const there = ROOTS[(ROOTS.indexOf(root) + up + 12) % 12] + suffix;
			const wanted = path
				.split(' ')
				.map((place) => place.split('/').map(Number))
				.map(([string, fret]) => ({ string, fret: fret + up }));
			const mm = stretchMm(guitar, ...extent(wanted.map(({ fret }) => fret)));
			if (mm > 105 * 1.25 || wanted.some(({ fret }) => fret < 1 || fret > 22)) continue;
			const found = arpeggioShapes(guitar, chord(there), position + up).map(at);
			expect(found, there).toContain(
				wanted.map(({ string, fret }) => `${string}/${fret}`).join(' ')
			);
		}
	});

	it('put the minor third on the string of the major one wherever the place holds it', () => {
		for (const root of ROOTS) {
			for (let position = 1; position <= 19; position++) {
				const minor = new Set(arpeggioShapes(guitar, chord(`${root}m`), position).map(at));
				for (const shape of arpeggioShapes(guitar, chord(root), position)) {
					const { kind, notes } = shape;
					const third = notes.find((note) => note.role === '3');
					if ((kind !== 'octave' && kind !== 'path') || !third) continue;
					const lowered = notes.map((note) =>
						note === third ? { ...note, fret: note.fret - 1 } : note
					);
					const frets = lowered.map(({ fret }) => fret).filter((fret) => fret > 0);
					if (third.fret - 1 < position - 1 || third.fret === 1) continue;
					if (stretchMm(guitar, ...extent(frets)) > 105 * 1.25) continue;
					// What five frets and more would need is no path of a hand that has four fingers.
					if (new Set(frets).size > 4 && Math.max(...frets) - Math.min(...frets) > 4) continue;
					expect(minor, `${root} in ${position}: ${at(shape)}`).toContain(at({ notes: lowered }));
				}
			}
		}
	});

	it('run from root to root, with every tone between', () => {
		fc.assert(
			fc.property(anyChord, fc.integer({ min: 1, max: 19 }), (given, position) => {
				const octaves = arpeggioShapes(guitar, given, position).filter((s) => s.kind === 'octave');
				for (const { notes } of octaves) {
					expect(notes[0].role).toBe('R');
					expect(notes[notes.length - 1].midi - notes[0].midi).toBe(12);
					for (const tone of given.tones.filter((entry) => entry.essential)) {
						expect(notes.some((note) => note.midi % 12 === tone.pc)).toBe(true);
					}
				}
			}),
			{ numRuns: runs(80) }
		);
	});

	it('have fragments on two or three neighbouring strings that tell the chord', () => {
		fc.assert(
			fc.property(anyChord, fc.integer({ min: 1, max: 19 }), (given, position) => {
				const parts = arpeggioShapes(guitar, given, position).filter((s) => s.kind === 'fragment');
				expect(new Set(parts.map(told)).size).toBe(parts.length);
				for (const { notes, comfort } of parts) {
					const strings = notes.map((note) => note.string);
					expect(Math.max(...strings) - Math.min(...strings)).toBeLessThanOrEqual(2);
					const guides = given.tones.filter((tone) => isGuideTone(tone.role));
					if (guides.length > 0) expect(notes.some((n) => isGuideTone(n.role))).toBe(true);
					expect(comfort).not.toBe('far');
				}
			}),
			{ numRuns: runs(80) }
		);
	});

	it('do not change but for their frets when everything moves by n semitones', () => {
		const seen = (symbol: string, position: number) =>
			arpeggioShapes({ ...guitar, hand: { comfortableMm: 1000 } }, chord(symbol), position)
				// What goes on up the neck ends where the neck does.
				.filter(({ kind }) => kind !== 'joined')
				.map(
					(shape) =>
						`${shape.kind} ${shape.form} ` +
						shape.notes
							.map((n) => `${n.string}/${n.fret - position}:${n.role}:${n.finger}`)
							.join(' ')
				);
		const c = parseNote('C');
		for (const name of ['D', 'Eb', 'F#', 'A']) {
			const to = parseNote(name);
			if (!c || !to) throw new Error(name);
			const interval = intervalBetween(c, to);
			for (const symbol of ['C7', 'Cm7b5', 'Cmaj7']) {
				const moved = transposeChord(chord(symbol), interval).symbol;
				expect(seen(moved, 8 + interval.semitones)).toEqual(seen(symbol, 8));
			}
		}
	});
});

describe('forms', () => {
	/** The order in which the five forms come, from the one with its root on string 6 toward the body. */
	it.each(['A7', 'A', 'Am', 'Am7', 'Amaj7'])('of %s come E D C A G in every octave', (symbol) => {
		const forms = Array.from(
			{ length: 12 },
			(_, i) => arpeggioShapes(guitar, chord(symbol), i + 4)[0].form
		);
		const order = forms.filter((form, i) => form !== forms[i - 1]);
		expect('EDCAGEDCAG').toContain(order.join(''));
		expect(new Set(forms).size).toBe(5);
	});

	it.each([
		['A7', 5, 'E', 6],
		['D7', 5, 'A', 5],
		['C', 5, 'G', 6],
		['F', 5, 'C', 5],
		['G', 5, 'D', 4]
	])('%s at position %i is the %s form', (symbol, position, form, rootString) => {
		expect(arpeggioShapes(guitar, chord(symbol), position)[0]).toMatchObject({ form, rootString });
	});

	it('are not claimed where they do not exist', () => {
		expect(arpeggioShapes(guitar, chord('Edim7'), 6)[0].form).toBeNull();
		expect(arpeggioShapes(instrument('open-d'), chord('D'), 5)[0].form).toBeNull();
		expect(arpeggioShapes(instrument('bass'), chord('A7'), 5)[0].form).toBeNull();
		expect(arpeggioShapes(instrument('half-step-down'), chord('Ab7'), 5)[0].form).toBe('E');
		expect(arpeggioShapes(instrument('seven-string'), chord('A7'), 6)[0].rootString).not.toBeNull();
	});
});

describe('joins', () => {
	it('slide on a string that both shapes use', () => {
		const [low] = arpeggioShapes(guitar, chord('A7'), 5);
		const [high] = arpeggioShapes(guitar, chord('A7'), 9);
		const join = joinShapes(low, high);
		expect(join?.shift).toBe(high.fingerBase - low.fingerBase);
		expect(join?.words).toMatch(/^slide .* toward the body on string \d$/);
		expect(low.notes.some((n) => n.string === join?.string && n.fret === join.fromFret)).toBe(true);
		expect(high.notes.some((n) => n.string === join?.string && n.fret === join.toFret)).toBe(true);
		expect(joinShapes(high, low)?.words).toContain('toward the nut');
		expect(joinShapes(low, low)).toBeNull();
	});
});

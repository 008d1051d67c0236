import { bends, doubleStops, pitchAt, standardGuitar } from '$core/neck';
import { hiddenArpeggios } from '$core/harmony';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { OpenTune } from '$lib/state/open-tune.svelte';
import { describe, expect, it } from 'vitest';
import { densities } from './density';
import { bendFigure, hiddenFigure, pairFigure } from './figures';
import { NeckView } from './neck-view.svelte';
import { chordOf, scaleOf } from './test-values';

const open = (text: string, position: number) => {
	const tune = { id: 'x', title: 'T', chart: text, version: 1 } as unknown as TuneAnswer;
	return new OpenTune(tune, position);
};
const FERRY = 'key: Bb blues\n| Bb7 | Eb7 | Bb7 | Edim7 |';
const guitar = standardGuitar();

describe('steps of ink', () => {
	it('run from the least to the greatest, in order', () => {
		expect(densities([0, 0.25, 0.5, 0.75, 1])).toEqual([0, 1, 2, 3, 4]);
		expect(densities([3, 1, 2])).toEqual([4, 0, 2]);
	});
	it('stand in the middle where nothing differs', () => {
		expect(densities([0.4, 0.4])).toEqual([2, 2]);
		expect(densities([])).toEqual([]);
	});
});

describe('the neck screen', () => {
	it('lists shapes of both chords, root to root and full first', () => {
		const view = new NeckView(open(FERRY, 6));
		for (const tense of ['now', 'next'] as const) {
			const own = view.shapes.filter((entry) => entry.tense === tense);
			expect(own.slice(0, 2).map(({ item }) => item.kind)).toEqual(['octave', 'full']);
			expect(new Set(own.map((entry) => entry.key)).size).toBe(own.length);
		}
	});

	it('draws only what is picked out, and lets it go', () => {
		const view = new NeckView(open(FERRY, 6));
		expect(view.figure).toBeNull();
		view.pickFirst();
		const [first] = view.shapes;
		expect(view.figure?.notes.map(({ string, fret, now }) => [string, fret, now])).toEqual(
			first.item.notes.map(({ string, fret, role }) => [string, fret, role])
		);
		view.show('pairs');
		expect(view.figure).toBeNull();
		view.show('shapes');
		expect(view.figure).not.toBeNull();
		view.pick('');
		expect(view.figure).toBeNull();
	});

	it('keeps the choice when the hand moves: the same work in the next place', () => {
		const tune = open(FERRY, 6);
		const view = new NeckView(tune);
		view.pick('next-0');
		const before = view.figure?.words;
		tune.moveTo(8);
		expect(view.figure).not.toBeNull();
		expect(view.figure?.words).not.toBe(before);
		for (const { fret } of view.figure?.notes ?? []) {
			expect(fret).toBeGreaterThanOrEqual(7);
			expect(fret).toBeLessThanOrEqual(12);
		}
	});

	it('puts consonant thirds and sixths first among the double stops', () => {
		const view = new NeckView(open(FERRY, 6));
		const now = view.pairs.filter((entry) => entry.tense === 'now').map(({ item }) => item);
		const rank = (verdict: string) => ['home', 'colour', 'passing', 'clash'].indexOf(verdict);
		for (const [i, stop] of now.entries()) {
			if (i > 0) expect(rank(stop.verdict)).toBeGreaterThanOrEqual(rank(now[i - 1].verdict));
		}
		expect(now[0].interval).toContain('3rd');
	});

	it('lays the scale out and brings the hand there', () => {
		const tune = open(FERRY, 6);
		const view = new NeckView(tune);
		view.show('layouts');
		view.layOut('n-per-string', 2);
		const [, second] = view.layouts;
		view.pick(second.id);
		expect(tune.position).toBe(second.position);
		expect(view.figure?.notes).toHaveLength(second.notes.length);
		view.layOut('single-fret');
		expect(view.figure).toBeNull();
		expect(view.layouts.every((layout) => layout.lowFret === layout.highFret)).toBe(true);
	});

	it('lists the open place beside the boxes where open strings sound in the scale', () => {
		const places = (key: string) => {
			const view = new NeckView(open(`key: ${key} blues\n| ${key}7 | A7 |`, 5));
			return view.layouts.map((layout) => `${layout.position}:${layout.lowFret}`);
		};
		expect(places('E').slice(0, 2)).toEqual(['1:0', '2:2']);
		expect(places('Bb')[0]).toBe('1:1');
	});

	it('moves its pockets with the root of the sounding chord', () => {
		const tune = open('key: C\n| C | F | Bdim7 | C#m |', 8);
		const view = new NeckView(tune);
		view.layOut('pocket');
		for (const [root, symbol] of [
			[0, 'C'],
			[5, 'F'],
			[11, 'Bdim7'],
			// A root outside the scale in use: a scale that holds the chord takes its place.
			[1, 'C#m']
		]) {
			expect(tune.now?.symbol).toBe(symbol);
			expect(view.layouts.length).toBeGreaterThan(0);
			for (const { notes } of view.layouts) {
				expect(notes.some((note) => note.midi % 12 === root)).toBe(true);
			}
			tune.step(1);
		}
	});

	it('re-reads the hidden arpeggio over every chord', () => {
		const view = new NeckView(open(FERRY, 6));
		view.show('hidden');
		expect(view.reread).toEqual([]);
		view.pickFirst();
		expect(view.reread.map((entry) => entry.chord.symbol)).toEqual(['Bb7', 'Eb7', 'Edim7']);
	});

	it('uses the scale chosen for the sounding chord, and only for it', () => {
		const tune = open(FERRY, 6);
		tune.chordScales.load('x');
		const view = new NeckView(tune);
		const chosen = scaleOf('Bb', 'mixolydian pentatonic');
		tune.chordScales.set('Bb7', chosen);
		expect(view.scale?.name).toBe('mixolydian pentatonic');
		tune.step(1);
		expect(tune.now?.symbol).toBe('Eb7');
		expect(view.scale?.name).toBe('minor pentatonic');
		tune.chordScales.set('Bb7', null);
		tune.step(-1);
		expect(view.scale?.name).toBe('minor pentatonic');
	});

	it('says how a shape goes on into the next place', () => {
		const view = new NeckView(open(FERRY, 6));
		const join = view.joinOf(view.shapes[0]);
		expect(join?.words).toMatch(/^slide .+ on string \d$/);
		expect(join?.position).not.toBe(6);
	});

	it('lives with a chart of one chord and one of none', () => {
		const vamp = new NeckView(open('| Dm9 | % |', 5));
		expect(vamp.shapes.every((entry) => entry.tense === 'now')).toBe(true);
		const silent = new NeckView(open('| N.C. |', 5));
		for (const list of [silent.shapes, silent.pairs, silent.bends, silent.hidden]) {
			expect(list).toEqual([]);
		}
		silent.pickFirst();
		expect(silent.figure).toBeNull();
	});
});

describe('things picked out', () => {
	const eb7 = chordOf('Eb7');
	const minor = scaleOf('Bb', 'minor pentatonic');

	it('show a pair as the chord hears it', () => {
		const stops = doubleStops(guitar, eb7, 6, { scale: minor });
		for (const stop of stops) {
			const figure = pairFigure(stop, guitar, eb7, 'now', minor);
			expect(figure.notes).toHaveLength(2);
			for (const note of figure.notes) {
				const own = eb7.tones.find((tone) => tone.pc === pitchAt(guitar, note) % 12);
				expect(note.now).toBe(own?.role);
				if (!own) expect(note.ink).toBeDefined();
			}
		}
	});

	it('show a bend with its lift and the unison it can lean on', () => {
		for (const bend of bends(guitar, eb7, 6)) {
			const figure = bendFigure(bend, eb7, 'next', minor);
			expect(figure.lift).toBe({ 0.5: '¼', 1: '½', 2: '1', 3: '1½' }[bend.semitones]);
			expect(figure.notes).toHaveLength(bend.unison ? 2 : 1);
			if (bend.unison) expect(figure.notes[1].next).toBe(bend.toRole);
		}
	});

	it('show every hidden thing with its own notes only', () => {
		for (const hidden of hiddenArpeggios(scaleOf('Bb', 'dorian'), chordOf('Bbm7'))) {
			const figure = hiddenFigure(hidden, guitar, 6, chordOf('Bbm7'));
			const names = new Set(figure?.notes.map((note) => pitchAt(guitar, note) % 12));
			expect(names.size, hidden.name).toBe(hidden.notes.length);
		}
	});
});

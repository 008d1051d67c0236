import { must } from '../test-must';
import { QUARTER } from '../kernel';
import * as alphaTab from '@coderline/alphatab';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { scaleInUse } from '../harmony';
import { buildInstrument, pitchAt, standardGuitar, type Instrument } from '../neck';
import { planWhole, readCell, type LineWishes } from '../route';
import { writeAlphaTex, type EngravedNote } from '.';
import { valuesOf } from './note-values';

const CHART =
	'title: Test\nkey: Bb blues\nfeel: shuffle\n[Head]\n| Bb7 | Eb7 | Bb7 | % |\n[Tail]\n| Cm7 | F7 | Bb7 G7alt | Cm7 F7 |';

function read(tex: string): alphaTab.model.Score {
	const importer = new alphaTab.importer.AlphaTexImporter();
	importer.initFromString(tex, new alphaTab.Settings());
	return importer.readScore();
}

/** Struck notes of a score with their place and time, bends and ties aside. */
function struck(score: alphaTab.model.Score) {
	const [staff] = score.tracks[0].staves;
	const strings = staff.stringTuning.tunings.length;
	const found: { tick: number; ticks: number; string: number; fret: number; midi: number }[] = [];
	let start = 0;
	for (const bar of staff.bars) {
		for (const beat of bar.voices[0].beats) {
			for (const note of beat.notes) {
				// The reader counts 960 ticks a quarter and strings from the thickest.
				const tick = (start + beat.playbackStart) / 2;
				const ticks = beat.playbackDuration / 2;
				const last = found[found.length - 1];
				if (note.isTieDestination) last.ticks += ticks;
				else {
					const string = strings - note.string + 1;
					found.push({ tick, ticks, string, fret: note.fret, midi: note.realValue });
				}
			}
		}
		start += bar.masterBar.calculateDuration();
	}
	return found;
}

const cell = (id: string, places: number) => must(readCell(id, places));

function lineOn(text: string, grid: LineWishes['grid'], instrument: Instrument, places: number) {
	const chart = parseChart(text);
	const { scale } = scaleInUse(chart);
	const none = { locks: [], forbid: [], letPass: [] };
	const line: LineWishes = { grid, cellOf: () => cell('breath', places), scalePlan: 'one' };
	const request = { chart, instrument, scale, position: 6, style: 'nearest' as const, ...none };
	return { chart, notes: planWhole(request, line)[0].notes };
}

describe('a line engraved', () => {
	const guitar = standardGuitar();
	const engraving = { title: 'Test', staves: 'both', fingers: true } as const;
	const at = (tick: number, string: number, fret: number, more = {}): EngravedNote => ({
		...{ tick, durationTicks: 240, string, fret, name: 'Db', finger: 2, technique: null },
		...more
	});

	it.each([
		['eighths', 'eighth', 8, guitar, CHART],
		['sixteenths', 'sixteenth', 16, guitar, CHART],
		['triplets', 'triplet', 12, guitar, CHART],
		['a waltz', 'eighth', 6, guitar, `time: 3/4\n${CHART.replace('Bb7 G7alt', 'Bb7')}`],
		['a tuning in fourths', 'eighth', 8, buildInstrument('all-fourths'), CHART]
	] as const)(
		'is read back note by note by its engraver: %s',
		(_, grid, places, instrument, text) => {
			if (!instrument) throw new Error('no instrument');
			const { chart, notes } = lineOn(text, grid, instrument, places);
			const score = read(writeAlphaTex(chart, instrument, notes, engraving));
			const plain = notes.filter((note) => note.technique !== 'bend');
			const found = struck(score);
			expect(score.masterBars).toHaveLength(chart.played.length);
			expect(found.map(({ tick, string, fret }) => ({ tick, string, fret }))).toEqual(
				plain.map(({ tick, string, fret }) => ({ tick, string, fret }))
			);
			expect(found.map(({ midi }) => midi)).toEqual(plain.map((note) => pitchAt(instrument, note)));
			found.forEach(({ ticks }, i) => {
				const bent = notes[notes.indexOf(plain[i]) + 1];
				const held = bent?.technique === 'bend' ? bent.durationTicks : 0;
				expect(ticks).toBeCloseTo(plain[i].durationTicks + held, 0);
			});
			expect(
				score.tracks[0].staves[0].bars
					.flatMap((bar) => bar.voices[0].beats.map((b) => b.chord?.name))
					.filter(Boolean)
			).toHaveLength(chart.changes.length);
		}
	);

	it('carries key, tempo, feel, sections, fingers, strokes and slurs', () => {
		const chart = parseChart(CHART);
		const notes = [
			at(0, 3, 6, { stroke: 'down' }),
			at(240, 3, 8, { technique: 'hammer-on', name: 'Eb' }),
			at(480, 2, 6, { technique: 'vibrato', name: 'F', durationTicks: 960, stroke: 'up' }),
			at(1440, 2, 6, { technique: 'trill', name: 'F', durationTicks: 480 })
		];
		const score = read(writeAlphaTex(chart, guitar, notes, engraving));
		const [bar] = score.tracks[0].staves[0].bars;
		expect(bar.keySignature).toBe(-2);
		expect(score.tempo).toBe(100);
		expect(score.masterBars[0].tripletFeel).toBe(alphaTab.model.TripletFeel.Triplet8th);
		expect(score.masterBars.map((entry) => entry.section?.text).filter(Boolean)).toEqual([
			'Head',
			'Tail'
		]);
		const [a, b, c, d] = bar.voices[0].beats.flatMap((beat) => beat.notes);
		expect([a.isHammerPullOrigin, b.isHammerPullDestination]).toEqual([true, true]);
		expect(a.leftHandFinger).toBe(alphaTab.model.Fingers.MiddleFinger);
		expect(a.accidentalMode).toBe(alphaTab.model.NoteAccidentalMode.ForceFlat);
		expect([a.beat.pickStroke, c.beat.pickStroke]).toEqual([
			alphaTab.model.PickStroke.Down,
			alphaTab.model.PickStroke.Up
		]);
		expect([d.isTrill, d.trillFret]).toEqual([true, 7]);
		expect(c.vibrato).not.toBe(alphaTab.model.VibratoType.None);
	});

	it('writes several notes at a time, each with its length, and how they are played', () => {
		const { chart } = lineOn(CHART, 'eighth', guitar, 8);
		const notes: EngravedNote[] = [
			{ ...at(0, 2, 6, { name: 'F', durationTicks: 480 }), technique: 'slide', grace: 4 },
			{ ...at(0, 3, 7, { name: 'D', durationTicks: 240 }), technique: null, also: ['palm-mute'] },
			{ ...at(480, 2, 8, { name: 'G', durationTicks: 480 }), technique: 'bend', bend: 2 },
			{ ...at(480, 1, 5, { name: 'A', durationTicks: 960 }), technique: null, also: ['let-ring'] },
			{ ...at(960, 2, 8, { name: 'G' }), technique: 'pre-bend', bend: 2, also: ['release'] },
			{ ...at(1440, 4, 0, { name: 'D' }), technique: null, also: ['dead', 'down-stroke'] }
		];
		const score = read(writeAlphaTex(chart, guitar, notes, engraving));
		const beats = score.tracks[0].staves[0].bars[0].voices[0].beats;
		const { GraceType, BendType, PickStroke } = alphaTab.model;
		expect(beats[0].graceType).not.toBe(GraceType.None);
		expect(beats[0].notes[0].fret).toBe(4);
		expect(beats[1].notes.map(({ fret, isPalmMute }) => [fret, isPalmMute])).toEqual([
			[7, true],
			[6, false]
		]);
		const all = beats.flatMap((beat) => beat.notes);
		const bent = all.filter(({ bendType }) => bendType !== BendType.None);
		expect(bent.map(({ bendType }) => bendType)).toEqual([BendType.Bend, BendType.PrebendRelease]);
		expect(all.filter(({ isLetRing }) => isLetRing)).not.toHaveLength(0);
		// The high note rings on while the other string is struck again.
		const [, held] = beats.filter((beat) => beat.notes.some(({ fret }) => fret === 5));
		expect(held.notes.find(({ fret }) => fret === 5)?.isTieDestination).toBe(true);
		const dead = all.find(({ isDead }) => isDead);
		expect(dead?.beat.pickStroke).toBe(PickStroke.Down);
	});

	it('writes a stretch of a chart alone, with what rings into it', () => {
		const { chart, notes } = lineOn(CHART, 'eighth', guitar, 8);
		const bars = chart.played.slice(4, 6);
		const score = read(writeAlphaTex(chart, guitar, notes, engraving, bars));
		expect(score.masterBars).toHaveLength(2);
		const inside = notes.filter(
			(note) => note.tick >= 4 * 1920 && note.tick < 6 * 1920 && note.technique !== 'bend'
		);
		expect(struck(score).map(({ tick, string, fret }) => [tick, string, fret])).toEqual(
			inside.map(({ tick, string, fret }) => [tick - 4 * 1920, string, fret])
		);
	});

	it('writes an empty chart as rests', () => {
		const score = read(writeAlphaTex(parseChart('{6/8} | C | % |'), guitar, [], engraving));
		expect(score.masterBars).toHaveLength(2);
		expect(struck(score)).toEqual([]);
	});
});

describe('note values', () => {
	it.each([
		[0, 1920, ['1']],
		[0, 1440, ['2.']],
		[240, 720, ['4']],
		[240, 960, ['8', '4']],
		[480, 1920, ['2.']],
		[0, 160, ['8t']],
		[160, 480, ['4t']],
		[320, 960, ['8t', '4']],
		[120, 480, ['8.']]
	])('from %i to %i', (from, to, expected) => {
		const values = valuesOf(from, to, { beats: 4, unit: 4 }, 1920);
		expect(values.map((v) => `${v.unit}${v.dots ? '.' : ''}${v.triplet ? 't' : ''}`)).toEqual(
			expected
		);
	});

	it('fill any stretch exactly', () => {
		const tick = fc.integer({ min: 0, max: 16 }).map((n) => n * 120);
		const third = fc.integer({ min: 0, max: 12 }).map((n) => n * 160);
		fc.assert(
			fc.property(fc.oneof(tick, third), fc.oneof(tick, third), (a, b) => {
				const [from, to] = [Math.min(a, b), Math.max(a, b)];
				const values = valuesOf(from, to, { beats: 4, unit: 4 }, 4 * QUARTER);
				expect(values.reduce((sum, value) => sum + value.ticks, 0)).toBe(to - from);
			})
		);
	});
});

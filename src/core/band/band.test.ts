import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FEELS, parseChart } from '../chart';
import { toneAt } from '../chord';
import { bandFor } from './band';
import { WAYS } from './types';
import { BASS } from './bass';
import { DRUMS, type BandNote } from './types';
import { runs } from '../test-runs';

const FERRY =
	'[Head]\n| Bb7 | Eb7 | Bb7 | % |\n| Eb7 | Edim7 | Bb7 | G7alt |\n| Cm7 | F7 | Bb7 G7 | Cm7 F7 |';
const of = (notes: readonly BandNote[], part: BandNote['part']) =>
	notes.filter((note) => note.part === part);
const ticks = (notes: readonly BandNote[]) => [...new Set(notes.map((note) => note.tick))];

describe.each(FEELS)('the band, %s', (feel) => {
	const chart = parseChart(FERRY);
	const band = bandFor(chart, { feel });
	const bars = chart.played.map((bar) => ({ bar, notes: band.bar(bar.index, 0) }));

	it('plays inside the bar, at human levels, the same every time', () => {
		for (const { bar, notes } of bars) {
			for (const note of notes) {
				expect(note.tick).toBeGreaterThanOrEqual(bar.startTick);
				expect(note.tick).toBeLessThan(bar.startTick + bar.lengthTicks);
				expect(note.durationTicks).toBeGreaterThan(0);
				expect(note.velocity).toBeGreaterThan(0);
				expect(note.velocity).toBeLessThanOrEqual(1);
			}
			expect(bandFor(chart, { feel }).bar(bar.index, 0)).toEqual(notes);
		}
		const levels = bars.flatMap(({ notes }) => of(notes, 'drums')).map((note) => note.velocity);
		expect(new Set(levels).size).toBeGreaterThan(levels.length / 3);
	});

	it('has the bass on the root where a chord begins, never out of its range', () => {
		for (const change of chart.changes) {
			const notes = of(band.bar(change.bar - 1, 0), 'bass');
			const first = notes.find((note) => note.tick === change.tick);
			expect(first && toneAt(change.to.chord, first.midi)?.role).toBe('R');
			for (const { midi } of notes) {
				expect(midi).toBeGreaterThanOrEqual(BASS.low);
				expect(midi).toBeLessThanOrEqual(BASS.high);
			}
		}
	});

	it('plays chords of the sounding harmony only', () => {
		for (const { notes } of bars) {
			for (const note of of(notes, 'chords')) {
				const event = chart.events.findLast((entry) => entry.startTick <= note.tick);
				expect(event?.chord && toneAt(event.chord, note.midi)).toBeTruthy();
			}
		}
	});

	it('lets no bass or chord ring into the next chord', () => {
		for (const { notes } of bars) {
			for (const note of notes.filter(({ part }) => part === 'bass' || part === 'chords')) {
				const next = chart.changes.find((change) => change.tick > note.tick);
				if (next) expect(note.tick + note.durationTicks).toBeLessThanOrEqual(next.tick);
			}
		}
	});

	it('fills at the end of the section and crashes into the next round', () => {
		const last = chart.played.length - 1;
		const plain = of(band.bar(last - 1, 0), 'drums');
		const fill = of(band.bar(last, 0), 'drums');
		expect(fill.map((note) => note.midi)).not.toEqual(plain.map((note) => note.midi));
		const crash = (round: number) =>
			band.bar(0, round).some((note) => note.midi === DRUMS.crash && note.part === 'drums');
		expect(crash(0)).toBe(false);
		expect(crash(1)).toBe(true);
	});

	it('strikes no drum twice at one moment and varies from round to round', () => {
		for (const { notes } of bars) {
			const hits = of(notes, 'drums').map((note) => `${note.tick} ${note.midi}`);
			expect(new Set(hits).size).toBe(hits.length);
		}
		const round = (n: number) => chart.played.map((bar) => band.bar(bar.index, n));
		expect(round(1)).not.toEqual(round(2));
		expect(round(1)).toEqual(round(1 + WAYS));
	});

	it('plays any metre without leaving the bar', () => {
		fc.assert(
			fc.property(
				fc.integer({ min: 2, max: 15 }),
				fc.constantFrom(4, 8),
				fc.array(fc.constantFrom('C', 'F7', 'Bbm7', '<G7', 'N.C.', 'D/F#', '.'), {
					minLength: 1,
					maxLength: 4
				}),
				(beats, unit, words) => {
					const text = `time: ${beats}/${unit}\n| C | ${words.join(' ')} | Am |`;
					const any = parseChart(text);
					const playing = bandFor(any, { feel });
					for (const bar of any.played) {
						for (const note of playing.bar(bar.index, 1, true)) {
							expect(note.tick).toBeGreaterThanOrEqual(bar.startTick);
							expect(note.tick).toBeLessThan(bar.startTick + bar.lengthTicks);
							expect(Number.isInteger(note.tick)).toBe(true);
						}
					}
				}
			),
			{ numRuns: runs(60) }
		);
	});
});

describe('what the band makes of a chart', () => {
	it('plays a pushed chord early, bass and chords and kick, and not again on its beat', () => {
		const chart = parseChart('| F9 | <Eb9 | F9 |');
		for (const feel of FEELS) {
			const band = bandFor(chart, { feel });
			const early = 1920 - 240;
			const notes = band.bar(0, 0);
			for (const part of ['bass', 'chords'] as const) {
				expect(ticks(of(notes, part)), `${feel} ${part}`).toContain(early);
				expect(ticks(of(band.bar(1, 0), part)), `${feel} ${part}`).not.toContain(1920);
			}
			expect(
				of(notes, 'drums').some((note) => note.tick === early && note.midi === DRUMS.kick)
			).toBe(true);
		}
	});

	it('plays a chord that was pushed before the band came in at the start of the bar', () => {
		const chart = parseChart('| F9 | <Eb9 | F9 |');
		const band = bandFor(chart, { feel: 'straight' });
		expect(ticks(of(band.bar(1, 0, true), 'bass'))).toContain(1920);
	});

	it('keeps what was pushed out of the next bar away where a loop turns, and leads to its first chord', () => {
		const chart = parseChart('feel: straight\n| F9 | <Eb9 | F9 |');
		for (const feel of FEELS) {
			const band = bandFor(chart, { feel });
			const notes = band.bar(0, 1, true, 0);
			const early = notes.filter((note) => note.part !== 'drums' && note.tick >= 1680);
			const tones = new Set(chart.events[0].chord?.tones.map((tone) => tone.pc));
			for (const note of early.filter(({ part }) => part === 'chords')) {
				expect(tones, feel).toContain(note.midi % 12);
			}
			// Round to its own chord again there is nothing to lead to: the bass stays with the chord.
			for (const note of of(notes, 'bass')) expect(tones, feel).toContain(note.midi % 12);
		}
		const walk = bandFor(parseChart('| C | Am | F | G7 |'), { feel: 'swing' });
		// A semitone, a scale step, or the fifth before the root that comes.
		for (const [goes, root] of [
			[0, 0],
			[3 * 1920, 7]
		]) {
			const last = of(walk.bar(1, 1, false, goes), 'bass').at(-1)?.midi ?? 0;
			const apart = (last - root + 120) % 12;
			expect([1, 2, 5], `to ${goes}`).toContain(Math.min(apart, 12 - apart));
		}
		expect(walk.bar(1, 1)).not.toEqual(walk.bar(1, 1, false, 3 * 1920));
	});

	it('holds a pedal under changing chords', () => {
		const chart = parseChart('| Db | Eb/Db | Bbm7/Db | Eb/Db |');
		for (const feel of FEELS) {
			const band = bandFor(chart, { feel });
			const pcs = chart.played.flatMap((bar) =>
				of(band.bar(bar.index, 0), 'bass').map((note) => note.midi % 12)
			);
			expect(new Set(pcs)).toEqual(new Set([1]));
		}
	});

	it('takes the note after a slash in the bass', () => {
		const band = bandFor(parseChart('| C/E | F |'), { feel: 'ballad' });
		expect(of(band.bar(0, 0), 'bass')[0].midi % 12).toBe(4);
	});

	it('leads into the next root by a step or from its fifth, also over the end of the form', () => {
		const chart = parseChart(FERRY);
		for (const feel of ['straight', 'swing', 'shuffle'] as const) {
			const band = bandFor(chart, { feel });
			const line = chart.played.flatMap((bar) => of(band.bar(bar.index, 0), 'bass'));
			let led = 0;
			chart.changes.forEach((change, i) => {
				const into = i === 0 ? line[line.length - 1] : line.findLast((n) => n.tick < change.tick);
				const root = line.find((note) => note.tick === change.tick);
				const move = Math.abs((root?.midi ?? 0) - (into?.midi ?? 0));
				if (move <= 2 || move === 5 || move === 7) led++;
			});
			expect(led / chart.changes.length, feel).toBeGreaterThan(0.7);
		}
	});

	it('keeps time only where nobody plays', () => {
		const band = bandFor(parseChart('| C | N.C. | C |'), { feel: 'straight' });
		const silent = band.bar(1, 0);
		expect(silent.every((note) => note.part === 'drums' && note.midi === DRUMS.pedal)).toBe(true);
		expect(silent).toHaveLength(4);
	});

	it('strums a guitar string by string and strikes keys together', () => {
		const chart = parseChart('| Am7 | D7 |');
		const delays = (voice: 'guitar' | 'keys') =>
			of(bandFor(chart, { feel: 'straight', voice }).bar(0, 0), 'chords').map(
				(note) => note.delayMs ?? 0
			);
		expect(Math.max(...delays('guitar'))).toBeGreaterThan(0);
		expect(Math.max(...delays('guitar'))).toBeLessThan(25);
		expect(Math.max(...delays('keys'))).toBe(0);
	});
});

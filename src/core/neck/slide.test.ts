import { describe, expect, it } from 'vitest';
import { parseChord, type Chord } from '../chord';
import { buildScale, type Scale } from '../harmony';
import { parseNote, pitchClass } from '../pitch';
import { buildInstrument, highestFret, pitchAt, type Instrument } from './instrument';
import { barFret, secondFret, SLIDE_FINGER, withSlide } from './slide';
import { windowFrets, windowPlaces } from './window';

const must = <T>(value: T | null | undefined): T => {
	if (value === null || value === undefined) throw new Error('nothing');
	return value;
};
const tuned = (tuning: string, capo = 0): Instrument => must(buildInstrument(tuning, 22, capo));
const chords = (...symbols: string[]): Chord[] => symbols.map((symbol) => must(parseChord(symbol)));
const scale = (tonic: string, name: string): Scale =>
	must(buildScale(must(parseNote(tonic)), name));

/** Pitch classes that some frets sound, straight across. */
const heard = (instrument: Instrument, frets: readonly number[]): Set<number> =>
	new Set(
		frets.flatMap((fret) =>
			instrument.open.map((_, i) => pitchAt(instrument, { string: i + 1, fret }) % 12)
		)
	);
const thirds = (all: readonly Chord[]) =>
	all.map((chord) => chord.tones.find(({ role }) => role === '3' || role === 'b3')?.pc ?? null);
const inOf = (set: Set<number>, list: readonly (number | null)[]) =>
	list.filter((pc) => pc !== null && set.has(pc)).length;

const OPEN_D = tuned('open-d');
const BLUES = chords('D7', 'G7', 'D7', 'A7');
const D_BLUES = scale('D', 'minor pentatonic');

describe('the second fret of a slide', () => {
	it('holds the thirds of most chords, then adds most notes of the scale, at most three frets on', () => {
		for (const instrument of [OPEN_D, tuned('open-g'), tuned('standard'), tuned('dadgad', 2)]) {
			for (const all of [BLUES, chords('Gm', 'Cm', 'D7'), chords('C5', 'F5'), []]) {
				for (const found of [D_BLUES, scale('G', 'mixolydian'), null]) {
					for (let fret = 0; fret <= highestFret(instrument); fret++) {
						const others = [1, 2, 3]
							.map((on) => fret + on)
							.filter((at) => at <= highestFret(instrument));
						const worth = (other: number) => {
							const sounding = heard(instrument, [fret, other]);
							const kinds = found
								? inOf(
										sounding,
										found.notes.map(({ pc }) => pc)
									)
								: 0;
							return 100 * inOf(sounding, thirds(all)) + kinds;
						};
						const second = secondFret(instrument, found, fret, all);
						if (others.length === 0) expect(second).toBeNull();
						else if (!found && all.length === 0) expect(second).toBe(others[1] ?? others[0]);
						else
							expect(second).toBe(
								others.find((other) => worth(other) === Math.max(...others.map(worth)))
							);
					}
				}
			}
		}
	});
});

describe('an instrument under a slide', () => {
	it('lies straight across on one fret a position, the first on the open strings', () => {
		const held = withSlide(OPEN_D, 1);
		expect([barFret(1), barFret(2), barFret(12)]).toEqual([0, 2, 12]);
		expect(held.slide).toHaveLength(23);
		expect([1, 2, 7, 22].map((position) => held.slide?.[position])).toEqual([[0], [2], [7], [22]]);
		expect(windowFrets(held, 7)).toEqual({ low: 7, high: 7 });
		const places = windowPlaces(held, 5);
		expect(places.map(({ string, fret }) => [string, fret])).toEqual(
			[6, 5, 4, 3, 2, 1].map((string) => [string, 5])
		);
		expect(new Set(places.map(({ finger }) => finger))).toEqual(new Set([SLIDE_FINGER]));
		expect(windowPlaces(held, 1).every(({ finger, reach }) => finger === null && !reach)).toBe(
			true
		);
	});

	it('takes its second fret position by position where it stays', () => {
		const held = withSlide(OPEN_D, 2, { scale: D_BLUES, chords: BLUES });
		for (let position = 1; position <= 21; position++) {
			const fret = barFret(position);
			expect(held.slide?.[position]).toEqual([fret, secondFret(OPEN_D, D_BLUES, fret, BLUES)]);
		}
		expect(held.slide?.[22]).toEqual([22]);
	});

	it('keeps two frets equally far apart where they move with the roots: as holds most thirds on the way', () => {
		for (const instrument of [OPEN_D, tuned('open-g'), tuned('standard')]) {
			for (const all of [
				BLUES,
				chords('Gm', 'Cm', 'D7', 'Gm'),
				chords('E', 'A', 'B7'),
				chords('C5', 'G5')
			]) {
				for (const from of [1, 3, 8]) {
					const found = scale('D', 'mixolydian');
					const held = withSlide(instrument, 2, { scale: found, from, chords: all });
					const apart = must(held.slide?.[5])[1] - 5;
					const start = barFret(from);
					const worth = (by: number) => {
						const own = thirds(all).filter((third, i) => {
							const root = must(all[i]).root;
							const first = must(all[0]).root;
							const pc = pitchClass;
							const there = (start + pc(root) - pc(first) + 24) % 12;
							return third !== null && heard(instrument, [there, there + by]).has(third);
						}).length;
						return (
							100 * own +
							inOf(
								heard(instrument, [start, start + by]),
								found.notes.map(({ pc }) => pc)
							)
						);
					};
					expect(worth(apart)).toBe(Math.max(...[1, 2, 3].map(worth)));
					expect([1, 2, 3].find((by) => worth(by) === worth(apart))).toBe(apart);
					for (let position = 1; position + apart <= 22; position++) {
						const fret = barFret(position);
						expect(held.slide?.[position]).toEqual([fret, fret + apart]);
					}
				}
			}
		}
	});

	it('has one fret alone where the neck ends', () => {
		const block = withSlide(OPEN_D, 2, { from: 3, chords: BLUES, scale: D_BLUES });
		const apart = must(block.slide?.[3])[1] - 3;
		expect(block.slide?.[22 - apart]).toHaveLength(2);
		expect(block.slide?.[23 - apart]).toEqual([23 - apart]);
		expect(withSlide(OPEN_D, 2).slide?.[21]).toEqual([21, 22]);
	});
});

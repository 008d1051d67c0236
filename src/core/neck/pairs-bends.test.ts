import { describe, expect, it } from 'vitest';
import { parseChord, toneAt } from '../chord';
import { buildScale } from '../harmony';
import { parseNote, notation } from '../pitch';
import {
	bends,
	buildInstrument,
	comfortOf,
	doubleStops,
	pitchAt,
	standardGuitar,
	stretchMm,
	windowPlaces
} from '.';

const chord = (text: string) => {
	const found = parseChord(text);
	if (!found) throw new Error(text);
	return found;
};
const guitar = standardGuitar();

describe('the hand', () => {
	it('measures real frets', () => {
		// 648 mm: the first fret is 36.4 mm wide, four frets from the first to the fifth 126 mm.
		expect(stretchMm(guitar, 0, 1)).toBeCloseTo(36.37, 1);
		expect(stretchMm(guitar, 1, 5)).toBeCloseTo(126.2, 1);
		expect(stretchMm(guitar, 13, 17)).toBeCloseTo(63.1, 1);
		const capo = buildInstrument('standard', 22, 12);
		expect(capo && stretchMm(capo, 1, 5)).toBeCloseTo(63.1, 1);
		expect(stretchMm({ ...guitar, scaleLengthMm: 864 }, 0, 1)).toBeCloseTo(48.5, 1);
	});
	it('finds a stretch easy, wide or too far', () => {
		const hand = { comfortableMm: 100 };
		expect([100, 110, 126].map((mm) => comfortOf(mm, hand))).toEqual(['easy', 'stretch', 'far']);
	});
});

describe('double stops', () => {
	const stops = doubleStops(guitar, chord('Bb7'), 6);
	it('are pairs of chord tones that a hand holds', () => {
		expect(stops.length).toBeGreaterThan(5);
		for (const { a, b, semitones, roles, verdict } of stops) {
			expect(Math.abs(a.string - b.string)).toBeLessThanOrEqual(2);
			expect(a.string).not.toBe(b.string);
			expect(pitchAt(guitar, b) - pitchAt(guitar, a)).toBe(semitones);
			expect(roles).toEqual([a, b].map((p) => toneAt(chord('Bb7'), pitchAt(guitar, p))?.role));
			expect(verdict).toBe('home');
		}
	});
	it('are all there: no pair on two or three strings that a hand holds is missed', () => {
		const intervals = [3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 16];
		for (const [tuning, position] of [
			['standard', 1],
			['standard', 6],
			['open-g', 5],
			['bass', 3]
		] as const) {
			const instrument = buildInstrument(tuning);
			if (!instrument) throw new Error(tuning);
			const tones = windowPlaces(instrument, position).filter((p) => toneAt(chord('Bb7'), p.midi));
			const wanted = tones.flatMap((a) =>
				tones
					.filter((b) => a.string - b.string === 1 || a.string - b.string === 2)
					.filter((b) => intervals.includes(Math.abs(b.midi - a.midi)))
					.filter((b) => a.fret === 0 || b.fret === 0 || a.finger !== b.finger || a.fret === b.fret)
					.filter(
						(b) =>
							a.fret === 0 ||
							b.fret === 0 ||
							comfortOf(stretchMm(instrument, a.fret, b.fret), { comfortableMm: 105 }) !== 'far'
					)
					.map((b) => `${a.string}.${a.fret} ${b.string}.${b.fret}`)
			);
			const found = doubleStops(instrument, chord('Bb7'), position).map(({ a, b }) => {
				const [thick, thin] = a.string > b.string ? [a, b] : [b, a];
				return `${thick.string}.${thick.fret} ${thin.string}.${thin.fret}`;
			});
			expect(found.sort()).toEqual(wanted.sort());
		}
	});
	it('name the tritone and its way home', () => {
		const tritone = stops.find((stop) => stop.interval === 'tritone');
		expect(tritone?.treatment).toBe(
			'the tritone of Bb7: D rises a semitone, Ab falls one when the chord resolves'
		);
	});
	it('with a scale hold its notes too, judged by the worse of the two', () => {
		const tonic = parseNote('Bb');
		const scale = tonic && buildScale(tonic, 'minor pentatonic');
		const found = doubleStops(guitar, chord('Bb7'), 6, { scale });
		expect(found.length).toBeGreaterThan(stops.length);
		const clash = found.find(
			(stop) => stop.verdict === 'clash' && stop.roles.includes(notation('#9'))
		);
		expect(clash?.treatment).toContain('curl it up');
	});
});

describe('bends', () => {
	it('all land on chord tones, from fretted places of strings 1 to 4, and none is missing', () => {
		for (const symbol of ['Eb7', 'Cm7b5', 'A']) {
			const given = chord(symbol);
			const found = bends(guitar, given, 6);
			const wanted = windowPlaces(guitar, 6)
				.filter((place) => place.fret > 0 && place.string <= 4)
				.flatMap((place) =>
					[1, 2, 3].flatMap((up) =>
						toneAt(given, place.midi + up) ? [`${place.string}/${place.fret}+${up}`] : []
					)
				);
			expect(found.map((b) => `${b.string}/${b.fret}+${b.semitones}`)).toEqual(wanted);
			for (const bend of found) {
				expect(toneAt(given, bend.midi + bend.semitones)?.role).toBe(bend.toRole);
				if (bend.unison) expect(pitchAt(guitar, bend.unison)).toBe(bend.midi + bend.semitones);
			}
		}
	});
});

import { describe, expect, it } from 'vitest';
import { parseChord, toneAt } from '../chord';
import { buildScale } from '../harmony';
import { parseNote, notation } from '../pitch';
import {
	bends,
	buildInstrument,
	comfortOf,
	doubleStops,
	lastPosition,
	pitchAt,
	standardGuitar,
	stretchMm,
	windowPlaces,
	type DoubleStop
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
	const all = doubleStops(guitar, chord('Bb7'), 6);
	/** Chord tones alone: neither bent together nor with the blue third. */
	const plain = (list: readonly DoubleStop[], given: string) =>
		list.filter(
			({ a, b, bend }) =>
				bend === 0 && [a, b].every((p) => toneAt(chord(given), pitchAt(guitar, p)) !== undefined)
		);
	const stops = plain(all, 'Bb7');
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
		const intervals = [1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 15, 16];
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
					.filter((b) => a.string - b.string === 1 || Math.abs(b.midi - a.midi) > 2)
					.filter(
						(b) =>
							a.fret === 0 || b.fret === 0 || stretchMm(instrument, a.fret, b.fret) <= 105 * 1.1
					)
					.map((b) => `${a.string}.${a.fret} ${b.string}.${b.fret}`)
			);
			const own = doubleStops(instrument, chord('Bb7'), position).filter(
				({ a, b, bend }) =>
					bend === 0 && [a, b].every((p) => toneAt(chord('Bb7'), pitchAt(instrument, p)))
			);
			const found = own.map(({ a, b }) => {
				const [thick, thin] = a.string > b.string ? [a, b] : [b, a];
				return `${thick.string}.${thick.fret} ${thin.string}.${thin.fret}`;
			});
			expect(found.sort()).toEqual(wanted.sort());
		}
	});
	it('are never wider than a hand holds, and say where it moves by a fret, in every place and tuning', () => {
		for (const tuning of ['standard', 'drop-d', 'open-g', 'dadgad', 'bass']) {
			const built = buildInstrument(tuning);
			if (!built) throw new Error(tuning);
			for (const comfortableMm of [85, 105, 125]) {
				const instrument = { ...built, hand: { comfortableMm } };
				for (let position = 1; position <= lastPosition(instrument); position++) {
					for (const stop of doubleStops(instrument, chord('A7'), position)) {
						const { a, b, shift } = stop;
						if (a.fret === 0 || b.fret === 0) continue;
						expect(stretchMm(instrument, a.fret, b.fret)).toBeLessThanOrEqual(comfortableMm * 1.1);
						const finger = ({ fret }: { fret: number }) =>
							Math.min(4, Math.max(1, fret - position - shift + 1));
						if (a.fret !== b.fret) expect(finger(a)).not.toBe(finger(b));
					}
				}
			}
		}
	});
	it('hold what blues players play: the curled third, two strings bent together, the seconds', () => {
		const names = ['C', 'Db', 'D', 'Eb', 'E', 'F', 'Gb', 'G', 'Ab', 'A', 'Bb', 'B'];
		for (const [up, name] of names.entries()) {
			// Over A7 in position 5, moved along the neck: C and E with the curl, D and F sharp bent to E and G.
			const shift = (up + 3) % 12;
			const position = shift > 7 ? shift - 7 : shift + 5;
			const found = doubleStops(guitar, chord(`${name}7`), position);
			const curled = found.find(({ treatment }) => treatment?.includes('curl it up'));
			expect(curled?.roles, name).toContain('#9');
			const rub = found.filter(({ semitones }) => semitones <= 2);
			expect(rub.length, name).toBeGreaterThan(0);
		}
		const bent = doubleStops(guitar, chord('E7'), 5).filter(({ bend }) => bend > 0);
		expect(bent.map(({ a, b, bend, roles }) => [a.fret, b.fret, bend, ...roles])).toContainEqual([
			7,
			7,
			2,
			'R',
			'3'
		]);
		for (const { a, b, bend, roles } of bent) {
			[a, b].forEach((place, i) => {
				expect(toneAt(chord('E7'), pitchAt(guitar, place) + bend)?.role).toBe(roles[i]);
				expect(place.fret).toBeGreaterThan(5);
			});
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
		for (const symbol of ['Eb7', 'Cm7b5', 'A', 'Dm7', 'G7']) {
			for (const position of [1, 6, 12]) {
				const given = chord(symbol);
				const found = bends(guitar, given, position);
				const third = given.tones.find(({ role }) => role === '3')?.pc;
				const wanted = windowPlaces(guitar, position)
					.filter((place) => place.fret > 0 && place.string <= 4)
					.flatMap((place) =>
						[0.5, 1, 2, 3].flatMap((up) => {
							// Finger 1 alone bends a half tone, a wound string at most a whole one.
							if ((place.finger === 1 && up > 1) || (place.string === 4 && up > 2)) return [];
							const lands =
								up === 0.5 ? (place.midi + 1) % 12 === third : toneAt(given, place.midi + up);
							return lands ? [`${place.string}/${place.fret}+${up}`] : [];
						})
					);
				expect(found.map((b) => `${b.string}/${b.fret}+${b.semitones}`)).toEqual(wanted);
				for (const bend of found) {
					const goal = bend.midi + Math.ceil(bend.semitones);
					expect(toneAt(given, goal)?.role).toBe(bend.toRole);
					if (bend.unison) expect(pitchAt(guitar, bend.unison)).toBe(goal);
				}
			}
		}
	});
});

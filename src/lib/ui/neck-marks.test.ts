import { toneAt } from '$core/chord';
import { noteVerdict } from '$core/harmony';
import {
	buildInstrument,
	highestFret,
	inWindow,
	lastPosition,
	pitchAt,
	standardGuitar
} from '$core/neck';
import { describe, expect, it } from 'vitest';
import { neckMarks, placeWords } from './neck-marks';
import { chordOf, scaleOf } from './neck/test-values';

const [now, next] = [chordOf('Eb7'), chordOf('Bb7')];
const scale = scaleOf('Bb', 'minor pentatonic');

describe('what the neck shows', () => {
	it('is each place once: tones everywhere, scale notes in the window, nothing else', () => {
		for (const tuning of ['standard', 'open-g', 'bass', 'C2 G2 D3 A3 E4', 'E3 E3 E3 E3']) {
			const instrument = buildInstrument(tuning, 22, 2);
			if (!instrument) throw new Error(tuning);
			for (let position = 1; position <= lastPosition(instrument); position += 3) {
				const marks = neckMarks(instrument, position, { now, next, scale, over: now });
				const at = new Map(marks.map((mark) => [`${mark.string}-${mark.fret}`, mark]));
				expect(at.size).toBe(marks.length);
				for (let string = 1; string <= instrument.open.length; string++) {
					for (let fret = 0; fret <= highestFret(instrument); fret++) {
						const midi = pitchAt(instrument, { string, fret });
						const mark = at.get(`${string}-${fret}`);
						const inside = inWindow(instrument, position, { string, fret });
						const tones = [toneAt(now, midi), toneAt(next, midi)];
						const note = scale.notes.find((entry) => entry.pc === midi % 12);
						const shown = tones.some(Boolean) || (inside && note !== undefined);
						expect(mark !== undefined).toBe(shown);
						if (!mark) continue;
						expect([mark.now, mark.next, mark.inside]).toEqual([...tones, inside]);
						expect(mark.added).toBe(tones.some(Boolean) && note === undefined);
						const dash = inside && !tones.some(Boolean);
						expect(mark.scale?.name).toBe(dash ? note?.name : undefined);
					}
				}
			}
		}
	});

	it('judges scale notes over the sounding chord, shown or hidden', () => {
		const guitar = buildInstrument();
		if (!guitar) throw new Error('no guitar');
		const over = chordOf('C');
		const major = scaleOf('C', 'major');
		const marks = neckMarks(guitar, 5, { now: null, next: null, scale: major, over });
		for (const { scale: dash, midi } of marks) {
			const note = major.notes.find((entry) => entry.pc === midi % 12);
			expect(dash?.verdict).toBe(note && noteVerdict(note.note, over).verdict);
		}
		const plain = neckMarks(guitar, 5, { now: null, next: null, scale: major });
		expect(plain.every((mark) => mark.scale?.verdict === 'passing')).toBe(true);
		expect(neckMarks(guitar, 5, { now: null, next: null })).toEqual([]);
	});

	it('doubles the dash of the tone that tells the scale apart', () => {
		const guitar = buildInstrument();
		if (!guitar) throw new Error('no guitar');
		const lydian = scaleOf('Db', 'lydian');
		const over = chordOf('Db');
		const marks = neckMarks(guitar, 9, { now: over, next: null, scale: lydian, over });
		const telling = marks.filter((mark) => mark.scale?.telling);
		expect(telling.length).toBeGreaterThan(0);
		expect(telling.every((mark) => mark.midi % 12 === 7)).toBe(true);
		expect(placeWords(telling[0], over, null, null)).toContain('tells the scale apart');
	});

	it('is told in words', () => {
		const guitar = buildInstrument();
		if (!guitar) throw new Error('no guitar');
		const marks = neckMarks(guitar, 6, { now, next, scale, over: now });
		const words = (string: number, fret: number, target: string | null = null) => {
			const mark = marks.find((entry) => entry.string === string && entry.fret === fret);
			return mark && placeWords(mark, now, next, target);
		};
		expect(words(3, 7)).toBe('string 3, fret 7, D, third of Bb7, next, not in the scale');
		expect(words(6, 6, 'target of bar 3')).toBe(
			'string 6, fret 6, B♭, fifth of Eb7, now, root of Bb7, next, target of bar 3'
		);
		expect(words(5, 10)).toBe('string 5, fret 10, G, third of Eb7, now, not in the scale, a reach');
		expect(words(5, 7)).toBeUndefined();
		const c = chordOf('C');
		const major = neckMarks(guitar, 5, {
			now: c,
			next: null,
			scale: scaleOf('C', 'major'),
			over: c
		});
		const fourth = major.find((mark) => mark.string === 2 && mark.fret === 6);
		expect(fourth && placeWords(fourth, c, null, null)).toBe(
			'string 2, fret 6, F, scale note, clash (11)'
		);
	});

	it('marks every place that sounds a tone now or next, and tells it in words', () => {
		const marks = neckMarks(standardGuitar(), 6, { now, next });
		const at = (string: number, fret: number) =>
			marks.find((m) => m.string === string && m.fret === fret);
		expect(at(3, 7)).toMatchObject({
			inside: true,
			reach: false,
			now: undefined,
			next: { role: '3' }
		});
		expect(at(4, 8)).toMatchObject({ now: { role: '5' }, next: { role: 'R' } });
		expect(at(5, 5)?.reach).toBe(true);
		expect(at(1, 7)).toBeUndefined();
		const mark = at(4, 8);
		if (!mark) throw new Error('no mark');
		expect(placeWords(mark, now, next, 'target of bar 3')).toBe(
			'string 4, fret 8, B♭, fifth of Eb7, now, root of Bb7, next, target of bar 3'
		);
	});
});

import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { catchMotif } from './catch';
import { mirror } from './mirror';
import { answered, displaced, reversed } from './transform';
import { context, GANGWAY, midis, names, steps } from './test-phrases';
import type { Motif } from './types';

describe('question and answer', () => {
	it('keeps the opening and changes the landing, in the chord’s quality', () => {
		const at = context('| Eb | Cm |', 5, null);
		const call = mirror(GANGWAY, at);
		for (const landing of ['R', '3', '5'] as const) {
			const answer = mirror(answered(GANGWAY, landing), at);
			[0, 5].forEach((from) => {
				expect(names({ notes: answer.notes.slice(from, from + 4) })).toBe(
					names({ notes: call.notes.slice(from, from + 4) })
				);
			});
			const roles = [4, 9].map((i) => answer.notes[i].role);
			expect(roles).toEqual(landing === '3' ? ['3', 'b3'] : [landing, landing]);
		}
	});

	it('resolves motifs of degrees and of semitones too', () => {
		const at = context('key: C major\n| Am |');
		const by = (motif: Motif) => mirror(answered(motif, '3'), at).notes.at(-1)?.name;
		expect(by(steps('degree', 1, 2, 4))).toBe('C');
		expect(by(steps('interval', 0, 2, 5))).toBe('C');
	});
});

describe('displaced and reversed', () => {
	it('an eighth later, the same pitches; what falls after the chord is left out', () => {
		const at = context('| Eb | B |');
		const [plain, late] = [mirror(GANGWAY, at), mirror(displaced(GANGWAY, 240), at)];
		expect(names(late)).toBe(names(plain));
		expect(late.notes.map((note) => note.tick)).toEqual(plain.notes.map((note) => note.tick + 240));
	});

	it('an eighth earlier it begins over the chord before; nothing is played before the tune', () => {
		const early = mirror(displaced(GANGWAY, -240), context('| Eb | B |'));
		expect(early.notes).toHaveLength(9);
		const into = early.notes.find((note) => note.tick === 1680);
		expect(into?.name).toBe('F#');
		expect(into?.chord).toBe(0);
	});

	it('backward, in the same rhythm, and twice backward is forward', () => {
		const at = context('| Eb |', 5, null);
		const back = mirror(reversed(GANGWAY), at);
		expect(names(back)).toBe('Bb G F Eb Bb');
		expect(back.notes.map((note) => note.tick)).toEqual([0, 240, 480, 720, 960]);
		const rises = midis(back).map((midi, _, all) => midi - all[0]);
		const forward = midis(mirror(GANGWAY, at));
		expect(rises).toEqual([...forward].reverse().map((midi, _, all) => midi - all[0]));
		expect(reversed(reversed(GANGWAY)).notes).toEqual(GANGWAY.notes);
	});
});

describe('catching a motif from what was played', () => {
	const line = [
		{ tick: 1920, durationTicks: 240, midi: 65 },
		{ tick: 2160, durationTicks: 240, midi: 74 },
		{ tick: 2400, durationTicks: 480, midi: 70 },
		{ tick: 2880, durationTicks: 240, midi: 61 }
	];

	it('stores roles with their octaves, and the rhythm from the change on', () => {
		const { chart, scales } = context('| Eb7 | Bb7 |');
		expect(catchMotif(line, chart, scales, 'role')?.notes).toEqual([
			{ offsetTicks: 0, durationTicks: 240, step: '5' },
			{ offsetTicks: 240, durationTicks: 240, step: '3', octave: 1 },
			{ offsetTicks: 480, durationTicks: 480, step: 'R' },
			{ offsetTicks: 960, durationTicks: 240, step: '#9', octave: -1 }
		]);
	});

	it('gives the same pitches back on the chord it was caught on, by every basis', () => {
		fc.assert(
			fc.property(
				fc.array(fc.integer({ min: 52, max: 76 }), { minLength: 1, maxLength: 6 }),
				fc.constantFrom('role', 'degree', 'interval'),
				fc.constantFrom('Bb7', 'Am', 'F#m7b5', 'Dmaj7'),
				(pitches, basis, symbol) => {
					const at = context(`key: C major\n| ${symbol} |`, 5);
					const played = pitches.map((midi, i) => ({
						tick: i * 240,
						durationTicks: 240,
						midi
					}));
					const motif = catchMotif(played, at.chart, at.scales, basis);
					if (!motif) throw new Error('no motif');
					const back = mirror(motif, at);
					const unmoved = back.problems.length === 0;
					const rises = (list: readonly number[]) => list.map((midi) => midi - list[0]);
					const got = midis(back);
					// Roles that the chord names otherwise, or that clash with the scale, are put right.
					if (unmoved && basis !== 'role') expect(rises(got)).toEqual(rises(pitches));
					expect(got).toHaveLength(pitches.length);
				}
			)
		);
	});

	it('needs a chord under its first note', () => {
		const { chart, scales } = context('| N.C. | C |');
		expect(
			catchMotif([{ tick: 0, durationTicks: 240, midi: 60 }], chart, scales, 'role')
		).toBeNull();
		expect(catchMotif([], chart, scales, 'role')).toBeNull();
	});
});

import { describe, expect, it } from 'vitest';
import { runPhrase } from './phrase';
import { motifInput, phraseInput, type PhraseInput } from './phrase-schema';

const input = (over: Partial<PhraseInput>): PhraseInput => ({
	chart: '| Eb | Cm7 | B |',
	position: 5,
	motif: {
		basis: 'role',
		notes: ['5', 'R', '3'].map((step, i) => ({
			offsetTicks: i * 240,
			durationTicks: 240,
			step
		}))
	},
	operation: { kind: 'mirror' },
	...over
});
const names = (over: Partial<PhraseInput>) => {
	const outcome = runPhrase(input(over));
	return 'value' in outcome ? outcome.value.notes.map((note) => note.name).join(' ') : outcome;
};

describe('the phrase endpoint', () => {
	it.each<[PhraseInput['operation'], string]>([
		[{ kind: 'mirror' }, 'Bb Eb G G C Eb F# B D#'],
		[{ kind: 'answer', resolveTo: '5' }, 'Bb Eb Bb G C G F# B F#'],
		[{ kind: 'reverse' }, 'G Eb Bb Eb C G D# B F#'],
		[{ kind: 'displace', byTicks: 240 }, 'Bb Eb G G C Eb F# B D#'],
		[{ kind: 'symmetric', bySemitones: 3, times: 2 }, 'Bb Eb G Db Gb Bb']
	])('%j', (operation, wanted) => expect(names({ operation })).toBe(wanted));

	it('sequences through the scale that it is given', () => {
		const operation = { kind: 'sequence', by: 1, times: 2 } as const;
		expect(names({ operation, scale: { tonic: 'Eb', name: 'major' } })).toBe('Bb Eb G C F Ab');
	});

	it('plays on the fret of a slide, and tells what is not there', () => {
		const chart = 'tuning: open-d\n| D7 |';
		const outcome = runPhrase(input({ chart, position: 12, slide: 1 }));
		if (!('value' in outcome)) throw new Error('no phrase');
		expect(outcome.value.notes.map(({ fret, finger }) => [fret, finger])).toEqual([
			[12, null],
			[12, null],
			[12, null]
		]);
		expect(outcome.value.problems).toEqual([]);
		const ninth = { offsetTicks: 0, durationTicks: 240, step: '9' };
		const motif = { basis: 'role' as const, notes: [ninth] };
		const missing = runPhrase(input({ chart, position: 12, slide: 1, motif }));
		expect('value' in missing && missing.value.problems[0].message).toMatch(
			/is not in position 12/
		);
	});

	it('says which step cannot be read, and which place does not exist', () => {
		const motif = {
			basis: 'interval' as const,
			notes: [{ offsetTicks: 0, durationTicks: 240, step: 'b3' }]
		};
		expect(runPhrase(input({ motif }))).toEqual({
			error: [
				{
					path: 'motif.notes.0.step',
					message: '“b3” is no step here: give a whole number of semitones between -36 and 36.'
				}
			]
		});
		expect(runPhrase(input({ position: 40 }))).toMatchObject({ error: [{ path: 'position' }] });
		expect(runPhrase(input({ chart: '| N.C. |' }))).toMatchObject({ error: [{ path: 'chart' }] });
	});

	it('refuses what its schema does not know', () => {
		const good = input({});
		expect(phraseInput.safeParse(good).success).toBe(true);
		for (const bad of [
			{ ...good, extra: 1 },
			{ ...good, operation: { kind: 'invert' } },
			{ ...good, operation: { kind: 'sequence', by: 1 } },
			{ ...good, operation: { kind: 'sequence', by: 1, times: 1000 } },
			{ ...good, motif: { basis: 'role', notes: [] } },
			{ ...good, operation: { kind: 'answer', resolveTo: 'bass' } }
		]) {
			expect(phraseInput.safeParse(bad).success).toBe(false);
		}
		expect(motifInput.safeParse({ ...good.motif, landing: 'R' }).success).toBe(true);
	});
});

import { describe, expect, it } from 'vitest';
import { runAnalyze } from '../api/analyze';
import { runPlan } from '../api/plan';
import { planInput } from '../api/plan-schema';
import { DEMO_TUNES } from './demo-tunes';

const value = <T>(outcome: { value: T } | { error: unknown }): T => {
	if (!('value' in outcome)) throw new Error(JSON.stringify(outcome.error));
	return outcome.value;
};

describe('the demo tunes', () => {
	it.each(DEMO_TUNES.map((tune) => [/title: (.*)/.exec(tune.chart)?.[1] ?? '', tune.chart]))(
		'%s reads without a word and can be planned in every style',
		(_, chart) => {
			const answer = value(runAnalyze({ chart }));
			expect(answer.diagnostics).toEqual([]);
			for (const style of planInput.shape.style.options) {
				const plan = value(runPlan({ chart, style, position: 'best', grid: 'targets' }));
				expect(plan.plans[0].targets).toHaveLength(answer.changes.length);
				expect(plan.warnings).toEqual([]);
			}
		}
	);

	it('are spelled as a player writes them', () => {
		const names = (title: string) => {
			const found = DEMO_TUNES.find((tune) => tune.chart.includes(`title: ${title}`));
			const answer = value(runAnalyze({ chart: found?.chart ?? '' }));
			return answer.chords.map(
				(chord) => `${chord.symbol}: ${chord.tones.map((tone) => tone.name).join(' ')}`
			);
		};
		expect(names('Nettle Tea')).toEqual([
			'F#m: F# A C#',
			'D: D F# A',
			'E: E G# B',
			'C#7: C# E# G# B'
		]);
		expect(names('Glass Buoy')).toEqual([
			'Db: Db F Ab',
			'Eb/Db: Eb G Bb Db',
			'Bbm7/Db: Bb Db F Ab',
			'Eb/Db: Eb G Bb Db'
		]);
		expect(names('Two Harbours')[2]).toBe('B: B D# F#');
	});
});

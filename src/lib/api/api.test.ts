import { describe, expect, it } from 'vitest';
import { runAnalyze } from './analyze';
import { analyzeAnswer } from './chart-schema';
import { runPlan } from './plan';
import { planAnswer, type PlanInput } from './plan-schema';

const value = <T>(outcome: { value: T } | { error: unknown }): T => {
	if (!('value' in outcome)) throw new Error(JSON.stringify(outcome.error));
	return outcome.value;
};

describe('answers', () => {
	const plan: PlanInput = {
		chart: 'key: Bb\n| Bb7 | <Eb7 |',
		position: 6,
		style: 'nearest',
		grid: 'targets'
	};

	it('fit the schemas that the documents show', () => {
		analyzeAnswer.parse(value(runAnalyze({ chart: '| Bb7 | xyz | N.C. | C/D |' })));
		planAnswer.parse(value(runPlan(plan)));
	});

	it('let a note ring until the next target or the end of its chord', () => {
		const { notes, targets } = value(runPlan(plan)).plans[0];
		expect(notes.map((note) => [note.tick, note.durationTicks])).toEqual([
			[0, 1680],
			[1680, 2160]
		]);
		expect(targets.map((target) => target.tick)).toEqual([0, 1680]);
		const silent = value(runPlan({ ...plan, chart: '| C | N.C. | F |' })).plans[0].notes;
		expect(silent[0].durationTicks).toBe(1920);
	});

	it('take scale and instrument from the request, else from the chart', () => {
		const answer = value(runAnalyze({ chart: '| C |', scale: { tonic: 'C', name: 'Lydian' } }));
		expect(answer.scale.notes).toEqual(['C', 'D', 'E', 'F#', 'G', 'A', 'B']);
		const open = value(
			runPlan({
				...plan,
				instrument: { tuning: 'open-d' },
				chart: '| D |',
				position: 1,
				style: 'roots'
			})
		);
		expect(open.plans[0].targets[0].midi % 12).toBe(2);
		const tuned = value(
			runPlan({ ...plan, chart: 'tuning: open-d\n| D |', position: 1, style: 'roots' })
		);
		expect(tuned.plans[0].targets).toEqual(open.plans[0].targets);
	});

	it('say what is wrong with a request', () => {
		const issues = (input: Partial<PlanInput>) => {
			const outcome = runPlan({ ...plan, ...input });
			return 'error' in outcome ? outcome.error.map((issue) => issue.path) : [];
		};
		expect(issues({ instrument: { tuning: 'EADGBE' } })).toEqual(['instrument.tuning']);
		expect(issues({ instrument: { frets: 14, capo: 12 } })).toEqual(['instrument.capo']);
		expect(issues({ scale: { tonic: 'C', name: 'x' } })).toEqual(['scale.name']);
		expect(issues({ chart: '' })).toEqual(['chart']);
		expect(issues({ forbid: [{ string: 1, fret: 20 }] })).toEqual(['forbid.0']);
		expect('error' in runAnalyze({ chart: '| N.C. |' })).toBe(true);
	});

	it('report a scale or tuning header that does not read', () => {
		const answer = value(runAnalyze({ chart: 'scale: C nothing\ntuning: odd\n| C |' }));
		expect(answer.diagnostics.map((d) => [d.line, d.severity])).toEqual([
			[1, 'error'],
			[2, 'error']
		]);
	});
});

import { describe, expect, it } from 'vitest';
import { runJudge } from './judge';
import { judgeInput, type JudgeInput } from './practice-schema';

const CHART = 'key: F# minor\n| F#m | D | E | C#7 |';
const input = (over: Partial<JudgeInput> = {}): JudgeInput => ({
	chart: CHART,
	tempo: 60,
	events: [
		{ timeMs: 20, durationMs: 400, midi: 69 },
		{ timeMs: 4000, durationMs: 400, midi: 66 },
		{ timeMs: 8300, durationMs: 400, midi: 68 },
		{ timeMs: 12_000, durationMs: 400, midi: 66 }
	],
	...over
});
const value = (over?: Partial<JudgeInput>) => {
	const outcome = runJudge(input(over));
	if ('error' in outcome) throw new Error(outcome.error[0].message);
	return outcome.value;
};
const issues = (over: Partial<JudgeInput>) => {
	const outcome = runJudge(input(over));
	return 'error' in outcome ? outcome.error.map(({ path }) => path) : [];
};

describe('the judge endpoint', () => {
	it('judges every change, with role, error, share and advice', () => {
		const judged = value();
		expect(judged.changes).toEqual([
			{ index: 0, loop: 0, result: 'landed', midi: 69, role: 'b3', errorMs: 20 },
			{ index: 1, loop: 0, result: 'landed', midi: 66, role: '3', errorMs: 0 },
			{ index: 2, loop: 0, result: 'late', midi: 68, role: '3', errorMs: 300 },
			{ index: 3, loop: 0, result: 'missed', midi: 66, role: null, errorMs: 0 }
		]);
		expect(judged).toMatchObject({ landedShare: 0.5, medianErrorMs: 20, clean: false });
		expect(judged.advice[0]).toBe('The 3 of C#7 in bar 4 was missed. Land on E#.');
	});

	it('takes an empty take, wide tolerance, latency and loops', () => {
		expect(value({ events: [] })).toMatchObject({ landedShare: 0, medianErrorMs: null });
		expect(value({ toleranceMs: 300 }).changes[2].result).toBe('landed');
		expect(value({ latencyMs: 20 }).changes[0].errorMs).toBe(0);
		expect(value({ loops: 3 }).changes).toHaveLength(12);
	});

	it('finds what breaks the rules', () => {
		const rules = { landOn: 'roots', position: 2, notes: 'scale' } as const;
		const { violations } = value({ rules });
		expect(violations.map(({ rule }) => rule)).toEqual(['landOn', 'landOn', 'landOn']);
		expect(violations[0].message).toContain('not on its root');
	});

	it.each<[Partial<JudgeInput>, string]>([
		[{ chart: 'nothing' }, 'chart'],
		[{ rules: { position: 30 } }, 'rules.position'],
		[{ rules: { strings: [1, 7] } }, 'rules.strings.1'],
		[{ rules: { letPass: [4] } }, 'rules.letPass.0'],
		[{ rules: { restBars: [5] } }, 'rules.restBars.0'],
		[{ rules: { fret: 23 } }, 'rules.fret'],
		[{ chart: `[A x500]\n| C F G7 C |`, loops: 64 }, 'loops'],
		[{ instrument: { tuning: 'none' } }, 'instrument.tuning']
	])('says what is wrong: %j', (over, path) => expect(issues(over)).toContain(path));

	it('refuses unknown fields and times that no take has', () => {
		const refused = (body: object) => judgeInput.safeParse({ ...input(), ...body }).success;
		expect(refused({})).toBe(true);
		expect(refused({ extra: 1 })).toBe(false);
		expect(refused({ events: [{ timeMs: 1e12, durationMs: 1, midi: 60 }] })).toBe(false);
		expect(refused({ loops: 0 })).toBe(false);
		expect(refused({ rules: { notes: 'all' } })).toBe(false);
	});

	it('costs what its length costs, however many notes ring on', () => {
		const costOf = (count: number) => {
			const events = Array.from({ length: count }, (_, i) => ({
				...{ timeMs: i * 2, durationMs: 3_600_000, midi: 40 + (i % 40) }
			}));
			const before = process.cpuUsage();
			value({ events, loops: 16, rules: { notes: 'scale', grid: 'eighth' } });
			const { user, system } = process.cpuUsage(before);
			return user + system;
		};
		costOf(2000);
		expect(costOf(20_000) / costOf(2000)).toBeLessThan(40);
	});
});

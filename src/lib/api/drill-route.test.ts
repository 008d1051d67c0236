import { swingOf } from '$core/band';
import { instrumentOf, MEDIUM_HAND } from '$core/neck';
import {
	drillOf,
	inKey,
	judge,
	keysFrom,
	passRequest,
	PRESETS,
	simulate,
	SKILLS,
	USUAL_TOLERANCE,
	type Drill,
	type Rules
} from '$core/practice';
import { describe, expect, it } from 'vitest';
import { drillNotes, drillRoute } from './drill-route';
import { drillInput } from './drill-schema';
import { runRoute } from './route';

const TUNES = {
	blues:
		'key: Bb blues\nfeel: shuffle\ntempo: 104\n| Bb7 | Eb7 | Bb7 | % | Eb7 | Edim7 | Bb7 | G7alt | Cm7 | F7 | Bb7 G7 | Cm7 F7 |',
	minor: 'key: F# minor\ntempo: 88\n| F#m | D | E | C#7 |',
	waltz: 'key: G minor\ntime: 3/4\nfeel: waltz\ntempo: 120\n| Gm6 | Am7b5 | D7b9 | Gm6 |',
	pushed: 'key: F mixolydian\nfeel: sixteenths\ntempo: 98\n| F9 | % | <Eb9 | F9 |',
	swing: 'key: Ab\nfeel: swing\ntempo: 132\n| Bbm7 Eb7alt | Abmaj7 F7alt |'
} as const;

/** Plans a drill by its own rules and has it played without a fault. */
function playedBy(text: string, drill: Drill) {
	const { chart, text: keyed } = inKey(text, drill.key);
	const { instrument } = instrumentOf(chart);
	const kept = drillInput.parse(drill);
	const planned = runRoute(drillRoute(keyed, chart, kept, [], MEDIUM_HAND));
	if ('error' in planned) throw new Error(planned.error[0].message);
	const notes = drillNotes(chart, instrument, kept, planned.value);
	const { tempo, feel } = chart.headers;
	const timing = { chart, tempo, swing: swingOf(feel), range: drill.range, loops: drill.loops };
	const skill = { ...SKILLS.sure, spreadMs: 0, biasMs: 0 };
	const events = simulate(timing, instrument, drill.position, notes, skill);
	const request = passRequest(chart, instrument, drill, {
		looped: null,
		tempo,
		swing: null,
		loops: drill.loops,
		toleranceMs: USUAL_TOLERANCE,
		latencyMs: 0,
		events
	});
	return { chart, notes, events, judgement: judge(request), planned: planned.value };
}

describe('what a drill shows can be played by its own rules', () => {
	it.each(
		Object.entries(TUNES).flatMap(([tune, text]) =>
			PRESETS.map((preset) => [tune, preset, text] as const)
		)
	)('%s, %s', (_, preset, text) => {
		const { chart } = inKey(text, null);
		for (const position of [2, 6, 9]) {
			const drill = drillOf(preset, chart, { position, key: null });
			const { judgement, planned } = playedBy(text, drill);
			expect(judgement.violations).toEqual([]);
			// Where the place does not hold a chord at all its change cannot land.
			const open = judgement.changes.filter(({ result }) => result !== 'passed');
			const held = new Set(planned.targets.map(({ change }) => change));
			for (const { index, result } of open) {
				if (held.has(index)) expect(['landed', 'held']).toContain(result);
			}
		}
	});

	it.each<[string, Rules, number]>([
		['two strings', { strings: [2, 3] }, 6],
		['a single fret', { fret: 7 }, 6],
		['chord tones on three strings', { notes: 'arpeggio', grid: 'eighth', strings: [1, 2, 3] }, 6]
	])('%s', (_, rules, position) => {
		const { chart } = inKey(TUNES.minor, null);
		const made = drillOf('free', chart, { position, key: null });
		const drill = { ...made, rules: { ...rules, position } };
		const { judgement, events } = playedBy(TUNES.minor, drill);
		expect(events.length).toBeGreaterThan(3);
		expect(judgement.violations).toEqual([]);
		expect(judgement.landedShare).toBeGreaterThanOrEqual(0.5);
	});

	it('in every key of the circle', () => {
		const { chart } = inKey(TUNES.blues, null);
		for (const key of keysFrom('Bb', 'blues')) {
			const drill = drillOf('guide-tones', chart, { position: 5, key });
			const { judgement, chart: moved } = playedBy(TUNES.blues, { ...drill, key });
			expect(moved.changes).toHaveLength(chart.changes.length);
			expect(judgement.clean).toBe(true);
		}
	});

	it('leaves bars of air empty', () => {
		const { chart } = inKey(TUNES.blues, null);
		const drill = drillOf('answer', chart, { position: 6, key: null });
		const { notes, judgement } = playedBy(TUNES.blues, {
			...drill,
			rules: { ...drill.rules, grid: 'eighth' }
		});
		const bars = new Set(notes.map(({ tick }) => Math.floor(tick / 1920) + 1));
		for (const bar of drill.rules.restBars ?? []) expect(bars.has(bar)).toBe(false);
		expect(judgement.changes.some(({ result }) => result === 'passed')).toBe(true);
	});

	it('plays a few bars of it where a range is set', () => {
		const { chart } = inKey(TUNES.blues, null);
		const range = { from: 7, to: 9 };
		const drill = drillOf('guide-tones', chart, { position: 6, key: null, range });
		const { judgement } = playedBy(TUNES.blues, drill);
		expect(new Set(judgement.changes.map(({ index }) => index))).toEqual(new Set([6, 7]));
		expect(judgement.clean).toBe(true);
	});
});

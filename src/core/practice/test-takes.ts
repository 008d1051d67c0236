import { swingOf, type BarRange } from '../band';
import { parseChart, type Chart } from '../chart';
import { parseChord } from '../chord';
import { scaleInUse } from '../harmony';
import { instrumentOf } from '../neck';
import { scalesAlong } from '../route';
import { dueChanges } from './due';
import type { JudgeRequest, PlayedEvent, Rules } from './types';

export const FERRY = `key: Bb blues
tempo: 104
feel: shuffle
| Bb7 | Eb7 | Bb7 | % |
| Eb7 | Edim7 | Bb7 | G7alt |
| Cm7 | F7 | Bb7 G7 | Cm7 F7 |`;
export const NETTLE = 'key: F# minor\ntempo: 88\n| F#m | D | E | C#7 |';
export const PYLON =
	'key: F mixolydian\ntempo: 98\nfeel: sixteenths\n| F9 | % | F9 | % | F9 | % | <Eb9 | F9 |';

type Wish = {
	readonly rules?: Rules;
	readonly tempo?: number;
	readonly toleranceMs?: number;
	readonly latencyMs?: number;
	readonly loops?: number;
	readonly range?: BarRange | null;
	readonly events?: readonly PlayedEvent[];
};

/** A request to judge events over a chart with nothing else asked. */
export function takeOn(chart: Chart | string, wish: Wish = {}): JudgeRequest {
	const parsed = typeof chart === 'string' ? parseChart(chart) : chart;
	const { scale } = scaleInUse(parsed);
	return {
		chart: parsed,
		instrument: instrumentOf(parsed).instrument,
		scales: scalesAlong(parsed, scale, 'one'),
		swing: swingOf(parsed.headers.feel),
		tempo: parsed.headers.tempo,
		rules: {},
		toleranceMs: 60,
		latencyMs: 0,
		loops: 1,
		range: null,
		events: [],
		...wish
	};
}

/** A pitch round the middle of the neck for a role of a chord. */
export function pitchOf(symbol: string, role: string): number {
	const tone = parseChord(symbol)?.tones.find((entry) => entry.role === role);
	if (!tone) throw new Error(`${symbol} has no ${role}`);
	return 60 + tone.pc;
}

/** One note a change: its third (or what stands for it), so many ms off, held almost to the next. */
export function landEvery(
	request: JudgeRequest,
	how: (index: number, loop: number) => Partial<PlayedEvent> & { off?: number } = () => ({})
): PlayedEvent[] {
	return dueChanges(request).map(({ change, loop, dueMs }) => {
		const { off = 0, ...rest } = how(change.index, loop);
		const tone =
			change.to.chord.tones.find(({ role }) => /^b?3$/.test(role)) ?? change.to.chord.tones[0];
		return { timeMs: dueMs + off, durationMs: 150, midi: 60 + tone.pc, ...rest };
	});
}

import { describe, expect, it } from 'vitest';
import { bandFor, notesBetween, beginRun, strokesOfLine, swingOf } from '$core/band';
import { instrumentOf, inWindow, pitchAt } from '$core/neck';
import { drillOf, passRequest, type PlayedEvent } from '$core/practice';
import type { OpenTune } from '../open-tune.svelte';
import { parseChart } from '$core/chart';
import { passAgain } from './replay';

const chart = parseChart('key: Bb blues\ntempo: 104\nfeel: shuffle\n| Bb7 | Eb7 | Bb7 | F7 |');
const { instrument } = instrumentOf(chart);
const open = { chart, held: instrument, position: 6 } as unknown as OpenTune;

/** Played events of a pass of two bars, twice through, at 60: a bar is four seconds. */
const EVENTS: PlayedEvent[] = [
	{ timeMs: -12, durationMs: 300, midi: 74 },
	{ timeMs: 333.3, durationMs: 200, midi: 70 },
	{ timeMs: 500, durationMs: 200, midi: 72 },
	{ timeMs: 4040, durationMs: 900, midi: 73 },
	{ timeMs: 8025, durationMs: 500, midi: 67 },
	{ timeMs: 12_000, durationMs: 500, midi: 61 }
];
const request = passRequest(chart, instrument, drillOf('free', chart, { position: 6, key: null }), {
	looped: { from: 1, to: 3 },
	tempo: 60,
	swing: null,
	loops: 2,
	toleranceMs: 60,
	latencyMs: 0,
	events: EVENTS
});

describe('a pass heard again', () => {
	it('sounds every note in its time through, at the moment at which it was played', () => {
		const line = passAgain(open, request);
		expect(line.map(({ midi, round }) => [midi, round])).toEqual([
			[74, 0],
			[67, 1],
			[70, 0],
			[72, 0],
			[61, 1],
			[73, 0]
		]);
		const score = {
			band: bandFor(chart, {}),
			strokes: strokesOfLine(line),
			click: { beats: 'first', subdivision: 1, accents: false } as const,
			swing: swingOf('shuffle')
		};
		const run = beginRun(chart, {
			...{ seconds: 0, tempo: 60, countInBars: 0, rounds: 2 },
			loop: request.range
		});
		const { notes } = notesBetween(score, run, 0, 8 * 1920);
		const heard = notes.filter(({ part }) => part === 'line');
		expect(heard.map(({ midi }) => midi)).toEqual([74, 70, 72, 73, 67, 61]);
		heard.forEach(({ seconds }, i) =>
			expect(Math.abs(1000 * seconds - Math.max(0, EVENTS[i].timeMs))).toBeLessThan(0.1)
		);
	});

	it('finds places in the window and says the roles', () => {
		const line = passAgain(open, request);
		for (const note of line) {
			expect(pitchAt(instrument, note)).toBe(note.midi);
			expect(inWindow(instrument, 6, note)).toBe(true);
		}
		expect(line[2]).toMatchObject({ midi: 70, name: 'Bb', role: '5', chord: 1 });
		expect(line[3]).toMatchObject({ name: 'C', role: null, chord: 1 });
	});
});

import { describe, expect, it } from 'vitest';
import type { Technique } from '../route';
import { curveOf, strokesOfLine } from './strokes';

const note = (
	tick: number,
	midi: number,
	technique: Technique | null = null,
	durationTicks = 240
) => ({
	tick,
	durationTicks,
	midi,
	technique
});
/** Seconds of a tick at ♩=120. */
const clock = (start: number) => (tick: number) => (tick - start) / 960;
const at = (points: readonly (readonly [number, number])[], seconds: number): number => {
	const i = points.findLastIndex(([t]) => t <= seconds);
	const [t, cents] = points[i];
	const next = points[i + 1];
	return next ? cents + ((next[1] - cents) * (seconds - t)) / (next[0] - t) : cents;
};

describe('strokes of a line', () => {
	it('join what is hammered, pulled, slid and bent to the note before', () => {
		const strokes = strokesOfLine([
			note(0, 60),
			note(240, 62, 'hammer-on'),
			note(480, 60, 'pull-off'),
			note(720, 64),
			note(960, 65, 'slide')
		]);
		expect(strokes.map(({ tick, durationTicks, midi }) => [tick, durationTicks, midi])).toEqual([
			[0, 720, 60],
			[720, 480, 64]
		]);
		expect(strokes[0].moves.map((move) => move.semitones)).toEqual([2, 0]);
	});

	it('strike a slurred note that has nothing before it, or a rest', () => {
		expect(strokesOfLine([note(0, 60, 'hammer-on')])).toHaveLength(1);
		expect(strokesOfLine([note(0, 60), note(480, 62, 'slide')])).toHaveLength(2);
	});

	it('keep every note of the line: pitches and times are all there', () => {
		const line = [note(0, 60), note(240, 63, 'hammer-on'), note(480, 58), note(720, 60, 'bend')];
		const heard = strokesOfLine(line).flatMap((stroke) => [
			[stroke.tick, stroke.midi],
			...stroke.moves.map((move) => [move.tick, stroke.midi + move.semitones])
		]);
		expect(heard).toEqual(line.map(({ tick, midi }) => [tick, midi]));
	});
});

describe('the pitch of a stroke', () => {
	const curve = (...notes: ReturnType<typeof note>[]) => {
		const [stroke] = strokesOfLine(notes);
		return curveOf(stroke, clock(stroke.tick));
	};

	it('stays where nothing is done', () => expect(curve(note(0, 60))).toEqual([]));

	it('steps at once under a hammering finger', () => {
		const points = curve(note(0, 60), note(240, 62, 'hammer-on'));
		expect(at(points, 0.24)).toBe(0);
		expect(at(points, 0.25)).toBe(200);
	});

	it('arrives on the beat in a slide and a bend, on the way before it', () => {
		for (const how of ['slide', 'bend'] as const) {
			const points = curve(note(0, 60), note(240, 62, how));
			expect(at(points, 0.25)).toBe(200);
			expect(at(points, 0.1)).toBe(0);
			const under = at(points, 0.22);
			expect(under).toBeGreaterThan(0);
			expect(under).toBeLessThan(200);
		}
	});

	it('swings above the note in a vibrato, after a while', () => {
		const points = curve(note(0, 60, 'vibrato', 1920));
		expect(at(points, 0.15)).toBe(0);
		const later = points.filter(([seconds]) => seconds > 0.6).map(([, cents]) => cents);
		expect(Math.max(...later)).toBeGreaterThan(20);
		expect(Math.min(...later)).toBeGreaterThanOrEqual(0);
	});

	it('is curled up a quarter tone, and a trill touches the semitone above', () => {
		expect(at(curve(note(0, 61, 'curl', 960)), 0.9)).toBe(50);
		const trill = curve(note(0, 61, 'trill', 1920)).map(([, cents]) => cents);
		expect(new Set(trill)).toEqual(new Set([0, 100]));
	});

	it('goes forward in time, whatever follows whatever', () => {
		const points = curve(
			note(0, 60, 'curl', 120),
			note(120, 62, 'slide', 120),
			note(240, 60, 'bend', 60),
			note(300, 61, 'hammer-on', 30),
			note(330, 65, 'slide', 900)
		);
		for (let i = 1; i < points.length; i++) {
			expect(points[i][0]).toBeGreaterThanOrEqual(points[i - 1][0]);
		}
	});
});

import { describe, expect, it } from 'vitest';
import { parseChart } from '../chart';
import { bandFor } from './band';
import { notesBetween, performed, type Score } from './perform';
import { beginRun, secondsAt, withLoop, withTempo } from './run';
import { strokesOfLine } from './strokes';
import { swingOf } from './swing';
import { playWhole } from './whole';

const chart = parseChart('| Bb7 | Eb7 <Bb7 | Cm7 | F7 |');
const line = strokesOfLine(
	[0, 240, 480, 720].map((tick) => ({
		tick,
		durationTicks: 240,
		midi: 62 + tick / 240,
		technique: null
	}))
);
const score: Score = {
	band: bandFor(chart, { feel: 'shuffle' }),
	strokes: line,
	click: { beats: 'every', subdivision: 1, accents: true },
	swing: swingOf('shuffle')
};
const run = beginRun(chart, { seconds: 0, tempo: 100, loop: null, countInBars: 1 });

describe('notes in time', () => {
	it('are the same whether they are asked for at once or bit by bit', () => {
		const whole = notesBetween(score, run, 0, 20_000).notes;
		const bits = Array.from({ length: 250 }, (_, i) =>
			notesBetween(score, run, i * 80, (i + 1) * 80)
		).flatMap(({ notes }) => notes);
		const key = (note: { part: string; midi: number; at: number }) =>
			`${note.at.toFixed(3)} ${note.part} ${note.midi}`;
		expect(bits.map(key).sort()).toEqual(whole.map(key).sort());
		expect(whole.length).toBeGreaterThan(150);
	});

	it('fall on the swung grid to the microsecond', () => {
		for (const note of notesBetween(score, run, 0, 12_000).notes) {
			if (note.counted || note.part === 'chords') continue;
			const tick = note.at - 1920;
			const inBeat = (((tick % 480) + 480) % 480) / 480;
			const near = [0, 1 / 3, 2 / 3, 1].map((part) => Math.abs(part - inBeat));
			expect(Math.min(...near)).toBeLessThan(1e-6);
			expect(note.seconds).toBeCloseTo(note.at * (60 / 100 / 480), 9);
		}
	});

	it('play the off-beats of a line where the feel has them', () => {
		const { notes } = notesBetween(score, run, 1920, 3840);
		const at = notes.filter((note) => note.part === 'line').map((note) => note.at - 1920);
		expect(at.map(Math.round)).toEqual([0, 320, 480, 800]);
	});

	it('count in and then begin, each click once', () => {
		const { notes } = notesBetween(score, run, 0, 1920);
		expect(notes.every((note) => note.counted && note.part === 'click')).toBe(true);
		expect(notes).toHaveLength(4);
	});

	it('ring over no seam of a loop', () => {
		const looped = withLoop(run, 0, { from: 1, to: 3 });
		const { notes } = notesBetween(score, looped, 1920, 1920 * 7);
		for (const note of notes) {
			const seam = 1920 + Math.ceil((note.at - 1920 + 1e-6) / 3840) * 3840;
			expect(note.seconds + note.duration).toBeLessThanOrEqual(secondsAt(looped, seam) + 1e-6);
		}
	});

	it('sound no chord from beyond the loop at its seam', () => {
		const pushed = parseChart('| Bb7 | % | <Eb7 | Eb7 |');
		const own = { ...score, band: bandFor(pushed, { feel: 'straight' }), strokes: [] };
		const start = { seconds: 0, tempo: 100, countInBars: 0, loop: { from: 0, to: 2 } };
		const foreign = (loop: typeof start.loop | null) =>
			notesBetween(own, beginRun(pushed, { ...start, loop }), 0, 1920 * 6)
				.notes.filter(({ part, at }) => part === 'chords' && at < 2 * 1920)
				.filter(({ midi }) => [3, 7].includes(midi % 12));
		expect(foreign(null).length).toBeGreaterThan(0);
		expect(foreign(start.loop)).toEqual([]);
	});

	it('follow a change of tempo from its tick on', () => {
		const at = 4000;
		const faster = withTempo(run, at, 200);
		const plain = notesBetween(score, run, 0, 9000).notes;
		const changed = notesBetween(score, faster, 0, 9000).notes;
		expect(changed.map((note) => note.at)).toEqual(plain.map((note) => note.at));
		changed.forEach((note, i) => {
			const drop = note.at <= at ? 0 : (note.at - at) * (60 / 100 - 60 / 200) * (1 / 480);
			expect(plain[i].seconds - note.seconds).toBeCloseTo(drop, 6);
		});
	});

	it('of a pushed chord come early, swung as any off-beat', () => {
		const push = chart.changes[2].tick;
		expect(push).toBe(1920 + 960 - 240);
		expect(performed(chart, push, score.swing)).toBeCloseTo(1920 + 480 + 320, 6);
	});
});

describe('a tune played through', () => {
	it('has so many rounds, only the parts that are wanted, and its length', () => {
		const wish = { score, tempo: 100, choruses: 3, countInBars: 0, parts: ['bass'] as const };
		const { notes, seconds } = playWhole(wish);
		expect(seconds).toBeCloseTo((12 * 4 * 60) / 100, 6);
		expect(new Set(notes.map((note) => note.part))).toEqual(new Set(['bass']));
		expect(notes[notes.length - 1].seconds).toBeLessThan(seconds);
	});

	it('drifts nowhere: the last bar of five minutes begins where it should', () => {
		const choruses = 32;
		const { notes } = playWhole({ score, tempo: 100, choruses, countInBars: 0, parts: ['click'] });
		const beats = notes.filter((note) => note.part === 'click');
		expect(beats).toHaveLength(choruses * 16);
		beats.forEach((note, i) => expect(note.seconds).toBeCloseTo(i * 0.6, 9));
	});
});

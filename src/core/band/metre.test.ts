import { describe, expect, it } from 'vitest';
import { barTicks, parseChart, type TimeSignature } from '../chart';
import { clickBar, CLICKS, countIn } from './click';
import { countsOf, pulsesOf } from './metre';

const offsets = (beats: number, unit: 4 | 8) =>
	pulsesOf({ beats, unit }).map((pulse) => pulse.offset);
const barOf = (time: string) => parseChart(`time: ${time}\n| C |`).played[0];

describe('felt beats', () => {
	it.each([
		['4/4', [0, 480, 960, 1440]],
		['3/4', [0, 480, 960]],
		['6/8', [0, 720]],
		['9/8', [0, 720, 1440]],
		['12/8', [0, 720, 1440, 2160]],
		['5/8', [0, 720]],
		['7/8', [0, 480, 960]],
		['8/8', [0, 480, 960, 1440]],
		['2/4', [0, 480]]
	])('of %s', (time, wanted) => {
		const [beats, unit] = time.split('/').map(Number);
		expect(offsets(beats, unit as 4 | 8)).toEqual(wanted);
	});

	it('fill every bar without a gap, the first leads, and the last of a group answers', () => {
		for (const unit of [4, 8] as const) {
			for (let beats = 2; beats <= 15; beats++) {
				const time: TimeSignature = { beats, unit };
				const pulses = pulsesOf(time);
				expect(pulses.reduce((sum, pulse) => sum + pulse.length, 0)).toBe(barTicks(time));
				pulses.forEach((pulse, i) => {
					expect(pulse.offset).toBe(i === 0 ? 0 : pulses[i - 1].offset + pulses[i - 1].length);
				});
				expect(pulses[0].leads).toBe(true);
			}
		}
	});

	it('answer on 2 and 4, on the third of a waltz, on the second of 6/8', () => {
		const answers = (beats: number, unit: 4 | 8) =>
			pulsesOf({ beats, unit }).flatMap((pulse) => (pulse.answers ? [pulse.index + 1] : []));
		expect(answers(4, 4)).toEqual([2, 4]);
		expect(answers(3, 4)).toEqual([3]);
		expect(answers(6, 8)).toEqual([2]);
		expect(answers(5, 4)).toEqual([3, 5]);
	});

	it('are counted in quarters, in 6/8 every eighth with the fourth stronger', () => {
		expect(countsOf({ beats: 3, unit: 4 }).map((count) => count.accent)).toEqual([2, 0, 0]);
		expect(countsOf({ beats: 6, unit: 8 }).map((count) => count.accent)).toEqual([
			2, 0, 0, 1, 0, 0
		]);
	});
});

describe('the click', () => {
	const every = { beats: 'every', subdivision: 1, accents: true } as const;
	const heard = (click: Parameters<typeof clickBar>[0], time = '4/4') =>
		clickBar(click, barOf(time)).map((note) => [note.tick, note.midi]);

	it('marks every beat, the first one higher', () => {
		expect(heard(every)).toEqual([
			[0, CLICKS.first],
			[480, CLICKS.beat],
			[960, CLICKS.beat],
			[1440, CLICKS.beat]
		]);
	});

	it('can mark 2 and 4 alone', () => {
		expect(heard({ ...every, beats: 'answers' })).toEqual([
			[480, CLICKS.beat],
			[1440, CLICKS.beat]
		]);
	});

	it('divides beats, eighths of 6/8 in threes', () => {
		expect(heard({ ...every, subdivision: 3 }, '6/8').map(([tick]) => tick)).toEqual([
			0, 240, 480, 720, 960, 1200
		]);
		expect(heard({ ...every, subdivision: 4, beats: 'first' }).map(([tick]) => tick)).toEqual([
			0, 120, 240, 360
		]);
	});

	it('without accents all beats are alike', () => {
		const loud = clickBar({ ...every, accents: false }, barOf('4/4')).map((note) => note.velocity);
		expect(new Set(loud).size).toBe(1);
	});

	it('counts 3/4 in threes and 6/8 in sixes', () => {
		expect(countIn(barOf('3/4')).map((note) => note.tick)).toEqual([0, 480, 960]);
		const six = countIn(barOf('6/8'));
		expect(six.map((note) => note.tick)).toEqual([0, 240, 480, 720, 960, 1200]);
		expect(six[0].velocity).toBeGreaterThan(six[3].velocity);
		expect(six[3].velocity).toBeGreaterThan(six[1].velocity);
	});
});

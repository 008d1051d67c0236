import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { keysFrom, nextKey, nextPlace } from './rotation';
import { gradeByHand, gradeOf, newSchedule, review, type PracticeGrade } from './schedule';
import { reasonFor, todayList, type DueCard } from './today';

const DAY = 86_400_000;
const NOON = Date.UTC(2026, 2, 2, 12);
const dayName = (at: number) => new Date(at).toISOString().slice(0, 10);

/** Practises once on each of the days, counted from the first. */
function after(days: readonly [number, PracticeGrade][]) {
	return days.reduce((schedule, [day, grade]) => {
		const at = NOON + day * DAY;
		return review(schedule, grade, at, dayName(at));
	}, newSchedule(NOON));
}
const daysAhead = (schedule: ReturnType<typeof after>, from: number) =>
	Math.round((schedule.memory.due - (NOON + from * DAY)) / DAY);

describe('the schedule', () => {
	it('is due at once, then tomorrow or later, and later the better it goes', () => {
		expect(newSchedule(NOON).memory.due).toBe(NOON);
		const ahead = (['again', 'hard', 'good', 'easy'] as const).map((grade) =>
			daysAhead(after([[0, grade]]), 0)
		);
		expect(ahead[0]).toBeGreaterThanOrEqual(1);
		expect([...ahead].sort((a, b) => a - b)).toEqual(ahead);
		expect(ahead[3]).toBeGreaterThan(ahead[0]);
	});

	it('widens while it goes well, and comes back soon after it went badly', () => {
		const good = after([
			[0, 'good'],
			[3, 'good'],
			[12, 'good']
		]);
		expect(daysAhead(good, 12)).toBeGreaterThan(9);
		const bad = after([
			[0, 'good'],
			[3, 'good'],
			[12, 'again']
		]);
		expect(daysAhead(bad, 12)).toBeLessThan(daysAhead(good, 12) / 2);
		expect(bad.memory.lapses).toBe(1);
	});

	it('counts a day once, by its last takes', () => {
		const once = after([[0, 'good']]);
		const often = after([
			[0, 'good'],
			[0, 'good'],
			[0, 'good']
		]);
		expect(often.memory).toEqual(once.memory);
		const recovered = after([
			[0, 'again'],
			[0, 'good'],
			[0, 'good'],
			[0, 'good']
		]);
		expect(recovered.memory).toEqual(once.memory);
		expect(
			after([
				[0, 'again'],
				[0, 'good']
			]).memory
		).toEqual(after([[0, 'hard']]).memory);
	});

	it.each<[number, boolean, boolean, PracticeGrade]>([
		[0.4, false, false, 'again'],
		[0.6, false, true, 'hard'],
		[0.9, false, true, 'good'],
		[1, true, false, 'good'],
		[1, true, true, 'easy'],
		[1, false, true, 'good']
	])('%d landed, clean %s, at the ceiling %s: %s', (landedShare, clean, atCeiling, grade) =>
		expect(gradeOf({ landedShare, clean, atCeiling })).toBe(grade)
	);

	it('takes the player’s own ear', () => {
		expect(gradeByHand('clean', false)).toBe('good');
		expect(gradeByHand('clean', true)).toBe('easy');
		expect(gradeByHand('nearly', true)).toBe('hard');
		expect(gradeByHand('not', true)).toBe('again');
	});

	it('never waits longer than three weeks', () => {
		const schedule = after(
			Array.from({ length: 14 }, (_, i) => [i * 60, 'easy'] as const).map((x) => [...x])
		);
		expect(daysAhead(schedule, 13 * 60)).toBeLessThanOrEqual(21);
	});
});

describe('rotation', () => {
	it('goes round the circle from home', () => {
		expect(keysFrom('Bb', 'blues')).toEqual([
			...['Bb', 'Eb', 'Ab', 'Db', 'Gb', 'B', 'E', 'A', 'D', 'G', 'C', 'F']
		]);
		expect(keysFrom('F#', 'minor').slice(0, 4)).toEqual(['F#', 'B', 'E', 'A']);
		expect(nextKey('Bb', 'blues', ['Bb'])).toBe('Eb');
		expect(nextKey('Bb', 'blues', ['Bb', 'D#'])).toBe('Ab');
		expect(nextKey('Bb', 'blues', keysFrom('Bb', 'blues'))).toBeNull();
	});

	it('takes the nearest place that was not practised', () => {
		expect(nextPlace(6, [1, 3, 6, 8, 11], [6])).toBe(8);
		expect(nextPlace(6, [1, 3, 6, 9, 11], [6])).toBe(3);
		expect(nextPlace(6, [1, 6], [1, 6])).toBeNull();
	});
});

const card = (id: string, rest: Partial<DueCard> = {}): DueCard => ({
	id,
	tuneId: id,
	title: id,
	position: 6,
	key: null,
	due: NOON - DAY,
	lastPlayed: NOON - 5 * DAY,
	landed: 0.8,
	cleanTempo: 88,
	ceiling: 104,
	passMs: 30_000,
	...rest
});

describe('today', () => {
	it('puts weak places first, then speed, rest and what is new', () => {
		const list = todayList(
			[
				card('new', { lastPlayed: null, landed: null, cleanTempo: null }),
				card('rested', { cleanTempo: 104 }),
				card('speed'),
				card('weak', { landed: 0.5 }),
				card('weaker', { landed: 0.24 }),
				card('later', { due: NOON + 3 * DAY, landed: 0.1 })
			],
			NOON,
			NOON + DAY / 2
		);
		expect(list.map(({ card: { id } }) => id)).toEqual([
			'weaker',
			'weak',
			'speed',
			'rested',
			'new'
		]);
		expect(list.map(({ why }) => why)).toEqual([
			'Weak: 24 % land.',
			'Weak: 50 % land.',
			'Lands 80 %. Clean at 88, the aim is 104.',
			'Lands 80 %. Not played for 5 days.',
			'Not played yet.'
		]);
	});

	it('takes two of a tune at most and half an hour in all', () => {
		const same = [1, 2, 3].map((i) => card(`a${i}`, { tuneId: 'a' }));
		expect(todayList(same, NOON, NOON + DAY)).toHaveLength(2);
		fc.assert(
			fc.property(
				fc.array(
					fc.record({
						passMs: fc.integer({ min: 1000, max: 400_000 }),
						landed: fc.option(fc.double({ min: 0, max: 1, noNaN: true })),
						due: fc.integer({ min: NOON - 9 * DAY, max: NOON + 9 * DAY })
					}),
					{ maxLength: 30 }
				),
				(made) => {
					const cards = made.map((rest, i) => card(String(i), rest));
					const list = todayList(cards, NOON, NOON + DAY / 2);
					expect(list.length).toBeLessThanOrEqual(5);
					expect(list.reduce((sum, { minutes }) => sum + minutes, 0)).toBeLessThanOrEqual(30);
					expect(list.every(({ card: { due } }) => due < NOON + DAY / 2)).toBe(true);
					const reasons = list.map(({ card: one }) => reasonFor(one));
					expect(reasons).toEqual(
						[...reasons].sort(
							(a, b) =>
								['weak', 'speed', 'rested', 'new'].indexOf(a) -
								['weak', 'speed', 'rested', 'new'].indexOf(b)
						)
					);
				}
			)
		);
	});
});

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { InSlices } from './in-slices.svelte';
import { afterParts, inTurn } from './in-turn';

beforeEach(() => void vi.useFakeTimers());
afterEach(() => void vi.useRealTimers());

const held = <T>(slices: InSlices<T>, content: T, parts: number) =>
	Array.from({ length: parts }, (_, at) => slices.holds(content, at)).filter(Boolean).length;

describe('a long list', () => {
	it('is drawn a few parts at a time, from the first one on', () => {
		const slices = new InSlices<string>();
		expect(held(slices, 'a', 10)).toBe(0);
		slices.draw('a', 10);
		const seen = new Set<number>();
		for (let i = 0; i < 20; i++) {
			vi.advanceTimersToNextTimer();
			seen.add(held(slices, 'a', 10));
		}
		expect([...seen].every((count, i, all) => i === 0 || count - all[i - 1] <= 4)).toBe(true);
		expect(held(slices, 'a', 10)).toBe(10);
		expect(vi.getTimerCount()).toBe(0);
	});

	it('holds nothing of a new content until the changes pause', () => {
		const slices = new InSlices<string>();
		slices.draw('a', 4);
		vi.runAllTimers();
		let stop = slices.draw('b', 4);
		for (const letter of ['c', 'd', 'e']) {
			vi.advanceTimersByTime(100);
			stop();
			stop = slices.draw(letter, 4);
			expect(held(slices, letter, 4)).toBe(0);
		}
		vi.advanceTimersByTime(1000);
		expect([held(slices, 'e', 4), held(slices, 'b', 4)]).toEqual([4, 0]);
	});

	it('stops when it is called off half way', () => {
		const slices = new InSlices<string>();
		const stop = slices.draw('a', 40);
		for (let i = 0; i < 4; i++) vi.advanceTimersToNextTimer();
		const before = held(slices, 'a', 40);
		stop();
		vi.runAllTimers();
		expect(before).toBeGreaterThan(0);
		expect(held(slices, 'a', 40)).toBe(before);
	});
});

describe('what comes in turn', () => {
	it('comes one after the other, each in a task of its own', () => {
		const done: number[] = [];
		for (const i of [1, 2, 3]) inTurn(() => done.push(i));
		expect(done).toEqual([]);
		for (const i of [1, 2, 3]) {
			vi.advanceTimersToNextTimer();
			expect(done).toHaveLength(i);
		}
	});

	it('leaves out what has left, and goes on after it', () => {
		const done: number[] = [];
		const leave = [1, 2, 3].map((i) => inTurn(() => done.push(i)));
		leave[0]();
		leave[1]();
		vi.runAllTimers();
		expect(done).toEqual([3]);
		inTurn(() => done.push(4));
		vi.runAllTimers();
		expect(done).toEqual([3, 4]);
	});

	it('goes on where a step fails', () => {
		const done: number[] = [];
		inTurn(() => {
			throw new Error('no');
		});
		inTurn(() => done.push(2));
		expect(() => vi.runAllTimers()).toThrow('no');
		vi.runAllTimers();
		expect(done).toEqual([2]);
	});

	it('is waited for by what is asked of it, and by nothing else', () => {
		const done: string[] = [];
		inTurn(() => done.push('part'));
		afterParts(() => done.push('asked'));
		expect(done).toEqual([]);
		vi.runAllTimers();
		afterParts(() => done.push('at once'));
		expect(done).toEqual(['part', 'asked', 'at once']);
	});
});

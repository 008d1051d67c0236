import { describe, expect, it } from 'vitest';
import { Care } from './care.svelte';

const MINUTE = 60_000;

/** A player who plays and rests by the minute. */
function player() {
	let now = 1_000_000;
	const care = new Care(() => now);
	const play = (minutes: number) => {
		care.begin();
		now += minutes * MINUTE;
		care.end();
	};
	const rest = (minutes: number) => (now += minutes * MINUTE);
	return { care, play, rest };
}

describe('a rest', () => {
	it('is due after twenty-five minutes of playing, not while they run', () => {
		const { care, play, rest } = player();
		play(20);
		expect(care.due).toBe(false);
		rest(1);
		play(4);
		expect(care.due).toBe(false);
		play(1);
		expect(care.due).toBe(true);
		expect(care.minutes).toBe(25);
	});

	it('can be put off for a few minutes, and is over when it was taken', () => {
		const { care, play } = player();
		play(26);
		care.later();
		expect(care.due).toBe(false);
		play(3);
		expect(care.due).toBe(false);
		play(2);
		expect(care.due).toBe(true);
		care.rested();
		play(20);
		expect(care.due).toBe(false);
	});

	it('is taken by staying away for a while', () => {
		const { care, play, rest } = player();
		play(24);
		rest(6);
		play(3);
		expect(care.due).toBe(false);
		expect(care.minutes).toBe(3);
	});

	it('counts nothing that was not begun', () => {
		const { care } = player();
		care.end();
		expect(care.minutes).toBe(0);
	});
});

import { describe, expect, it } from 'vitest';
import { keyPitch } from './computer-keys';

const rows = [
	[39, 41, 43, 44, 46, 48, 49],
	[51, 53, 55, 56, 58, 60, 61],
	[63, 65, 67, 68, 70, 72, 73]
];

describe('the computer’s keys as notes', () => {
	it.each<[string, boolean, number | null]>([
		['KeyZ', false, 39],
		['KeyA', false, 51],
		['KeyQ', false, 63],
		['KeyG', false, 58],
		['KeyG', true, 59],
		['KeyU', false, 73],
		['KeyK', false, null],
		['Comma', false, null],
		['KeyP', false, null],
		['Space', false, null]
	])('%s, shift %s', (code, shift, midi) => expect(keyPitch(code, shift, rows)).toBe(midi));

	it('has an eighth key for scales of eight notes, and nothing without rows', () => {
		const eight = rows.map((row) => [...row, row[0] + 11]);
		expect(keyPitch('KeyK', false, eight)).toBe(62);
		expect(keyPitch('Comma', false, eight)).toBe(50);
		expect(keyPitch('KeyA', false, [])).toBeNull();
	});
});

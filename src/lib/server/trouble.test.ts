import { describe, expect, it } from 'vitest';
import { troubleOf } from './trouble';

const coded = (code: string, message = 'x') => Object.assign(new Error(message), { code });
const wrapped = (cause: Error) => new Error('Failed query: select 1', { cause });

describe('what the database says', () => {
	it.each([
		['57P01', 'away'],
		['57P03', 'away'],
		['08006', 'away'],
		['53300', 'away'],
		['ECONNREFUSED', 'away'],
		['ECONNRESET', 'away'],
		['53100', 'full'],
		['ENOSPC', 'full'],
		['22P05', 'unfit'],
		['22003', 'unfit'],
		['23505', null],
		['42P01', null]
	] as const)('%s is %s, bare or wrapped', (code, trouble) => {
		expect(troubleOf(coded(code))).toBe(trouble);
		expect(troubleOf(wrapped(wrapped(coded(code))))).toBe(trouble);
	});

	it('is told apart by its words where there is no code', () => {
		for (const words of [
			'Connection terminated unexpectedly',
			'timeout exceeded when trying to connect',
			'Client has encountered a connection error and is not queryable'
		]) {
			expect(troubleOf(wrapped(new Error(words))), words).toBe('away');
		}
		expect(troubleOf(wrapped(new Error('could not extend file: No space left on device')))).toBe(
			'full'
		);
		const refused = new AggregateError([coded('ECONNREFUSED')], '');
		expect(troubleOf(refused)).toBe('away');
	});

	it('is nothing where something else broke', () => {
		for (const error of [new TypeError('x is not a function'), 'text', null, undefined]) {
			expect(troubleOf(error)).toBeNull();
		}
		const round = new Error('a');
		round.cause = round;
		expect(troubleOf(round)).toBeNull();
	});
});

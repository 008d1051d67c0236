import { describe, expect, it } from 'vitest';
import { capital, inWords, keyWords, plural } from './words';

describe('words', () => {
	it('count and name', () => {
		expect([inWords(0), inWords(12), inWords(13)]).toEqual(['none', 'twelve', '13']);
		expect([plural(1, 'bar'), plural(2, 'bar')]).toEqual(['1 bar', '2 bars']);
		expect([capital('two'), keyWords('Bb blues'), keyWords('F# minor')]).toEqual([
			'Two',
			'B♭ blues',
			'F♯ minor'
		]);
	});
});

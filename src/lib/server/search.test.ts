import { describe, expect, it } from 'vitest';
import { matchesOf } from './search';

const tune = {
	title: 'Café by the Harbour',
	key: 'Bb blues',
	chart:
		'title: Café by the Harbour\nkey: Bb blues\n[Slow bridge]\n| Bb7 | Eb7 | // let it breathe\n'
};
const places = (query: string) => matchesOf(query, tune, []).map((match) => match.in);

describe('what answers a query', () => {
	it('is the title, by any of its words and without minding accents', () => {
		for (const query of ['café', 'CAFE', 'harbour café', 'harb']) {
			expect(places(query), query).toContain('title');
		}
		expect(places('harbour lights')).toEqual([]);
		expect(places('   ')).toEqual([]);
	});

	it('is the key, whole or by its tonic', () => {
		for (const query of ['Bb blues', 'B♭ blues', 'bb']) expect(places(query)).toContain('key');
		for (const query of ['B', 'Bb minor', 'blues']) expect(places(query)).not.toContain('key');
	});

	it('is a progression, in symbols or in the tune’s own numerals', () => {
		expect(matchesOf('B♭7 E♭7', tune, [])).toEqual([{ in: 'chords', text: 'bar 1: B♭7 E♭7' }]);
		expect(matchesOf('I7 IV7', tune, [])).toEqual([{ in: 'chords', text: 'bar 1: B♭7 E♭7' }]);
		expect(places('Eb7 Bb7')).toEqual([]);
	});

	it('is what somebody wrote about it', () => {
		const about = [{ place: 'note on a take', text: 'too early in bar 3' }];
		expect(matchesOf('early bar', tune, about)).toEqual([
			{ in: 'words', text: 'note on a take: too early in bar 3' }
		]);
	});
});

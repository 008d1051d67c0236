import { describe, expect, it } from 'vitest';
import { findProgression } from '$core/chart';
import { readTune } from '../api/tune-reading';
import { chordMatch, matchesOf, queryOf } from './search';

const tune = readTune(
	'title: Café by the Harbour\nkey: Bb blues\n[Slow bridge]\n| Bb7 | Eb7 | // let it breathe\n'
);
function matches(text: string, about: Parameters<typeof matchesOf>[2] = []) {
	const query = queryOf(text);
	const { byName, byWords } = matchesOf(query, tune, about);
	const wanted = query.chords(tune.key);
	const hit = wanted && findProgression(tune.sounds, wanted);
	return [...byName, ...(hit ? [chordMatch(hit, tune.places)] : []), ...byWords];
}
const places = (query: string) => matches(query).map((match) => match.in);

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
		expect(matches('B♭7 E♭7')).toEqual([{ in: 'chords', text: 'bar 1: B♭7 E♭7' }]);
		expect(matches('I7 IV7')).toEqual([{ in: 'chords', text: 'bar 1: B♭7 E♭7' }]);
		expect(places('Eb7 Bb7')).toEqual([]);
	});

	it('is what somebody wrote about it', () => {
		expect(matches('slow BRIDGE')).toEqual([{ in: 'words', text: 'section: Slow bridge' }]);
		expect(places('breathe')).toEqual(['words']);
		const about = [{ place: 'note on a take', text: 'too early in bar 3' }];
		expect(matches('early bar', about)).toEqual([
			{ in: 'words', text: 'note on a take: too early in bar 3' }
		]);
	});
});

import { describe, expect, it } from 'vitest';
import { parseChord, sameChord } from '../../chord';
import { harmonyNode, symbolOf } from './harmony';
import { buildXml, parseXml, type XmlNode } from './xml';

const read = (xml: string): XmlNode => {
	const node = parseXml(xml);
	if ('error' in node) throw new Error(node.error);
	return node.value;
};

const SUFFIXES =
	' m dim aug sus2 sus4 5 6 m6 69 m69 7 maj7 m7 mMaj7 m7b5 dim7 7sus4 maj7#5 7#5 7b5 9 maj9 m9 add9 madd9 9sus4 11 m11 13 maj13 m13 add11 mMaj9 7b9 7#9 7#11 maj7#11 7b13 13b9 9#11 7alt 7b9#9 7b9b13 7#5#9 m7(11) 13#11 maj9#11 dimMaj7 7(13) no3'.split(
		' '
	);

describe('chords as elements', () => {
	it.each(SUFFIXES.flatMap((suffix) => [`C${suffix}`, `F#${suffix}/A#`, `Ebb${suffix}`]))(
		'%s is read again, as it was written or without its text',
		(symbol) => {
			const chord = parseChord(symbol);
			if (!chord) throw new Error(symbol);
			const xml = buildXml(harmonyNode(chord, 0));
			expect(symbolOf(read(xml))).toBe(chord.symbol);
			const bare = symbolOf(read(xml.replace(/ text="[^"]*"/, '')));
			const again = parseChord(bare ?? '');
			if (!again) throw new Error(`${symbol} became ${bare}`);
			// Without its text an altered dominant is the same tones, told one by one.
			const alike = sameChord(
				{ ...again, quality: { ...again.quality, tensions: chord.quality.tensions } },
				chord
			);
			expect([bare, alike]).toEqual([bare, true]);
		}
	);

	it('reads silence, sharps and flats as signs, and what it cannot tell as null', () => {
		expect(symbolOf(read(buildXml(harmonyNode(null, 0))))).toBe('N.C.');
		const harmony = (inner: string) => symbolOf(read(`<harmony>${inner}</harmony>`));
		const root = '<root><root-step>B</root-step><root-alter>-1</root-alter></root>';
		expect(
			harmony(
				`${root}<kind text="7♭9">dominant</kind><degree><degree-value>9</degree-value><degree-alter>-1</degree-alter><degree-type>add</degree-type></degree>`
			)
		).toBe('Bb7b9');
		// A text that says something else than the kind does not count.
		expect(harmony(`${root}<kind text="m">dominant</kind>`)).toBe('Bb7');
		expect(harmony(`${root}<kind text="7alt">other</kind>`)).toBe('Bb7alt');
		expect(harmony(`${root}<kind>Tristan</kind>`)).toBeNull();
		expect(harmony('<root><root-step>H</root-step></root><kind>major</kind>')).toBeNull();
		expect(harmony('<function>V</function><kind>major</kind>')).toBeNull();
	});
});

describe('documents', () => {
	it.each([
		['<a><b></a>', 'not whole XML'],
		['<a', 'not whole XML'],
		['', 'XML'],
		['<!DOCTYPE a [<!ENTITY x "y">]><a>&x;</a>', 'entities'],
		['<!DOCTYPE a [\n<!ELEMENT a ANY>]><a/>', 'entities'],
		[`${'<a>'.repeat(200)}${'</a>'.repeat(200)}`, 'nested']
	])('%s is refused', (text, why) => {
		const read = parseXml(text);
		expect('error' in read && read.error).toContain(why);
	});

	it('keeps text, attributes and the five entities; drops signs that XML cannot hold', () => {
		const node = read(
			'<!DOCTYPE a PUBLIC "x" "y"><a b="1 &lt; 2">&amp;&#9837;&#x266f;<c/><![CDATA[<]]></a>'
		);
		expect([node.text, node.attributes.b, node.children[0].name]).toEqual(['&♭♯<', '1 < 2', 'c']);
	});
});

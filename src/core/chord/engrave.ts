import type { Chord } from './chord';
import { asciiAccidentals, type Notation } from '../pitch';
import type { Role } from './role';

/** Sets the accidentals of notation as ♭ and ♯; the role of a slash bass is a word. Sentences go through `proseSigns`. */
export const signs = (ascii: Notation | Role): string =>
	ascii === 'bass' ? ascii : withSigns(ascii);

const withSigns = (ascii: string): string =>
	ascii
		.replaceAll('##', '𝄪')
		.replace(/bb(?=$|[^a-z])/g, '𝄫')
		.replaceAll('b', '♭')
		.replaceAll('#', '♯');

/**
 * Turns ASCII note names inside a sentence into signs; words stay as they are.
 * @example proseSigns('the Eb falls to D, the b7 of Ebmaj7') // 'the E♭ falls to D, the ♭7 of E♭maj7'
 */
export const proseSigns = (text: string): string =>
	text
		.replace(
			/(?<![A-Za-z])([A-G])(bbb|bb|b|###|##|#)(?!(?!(?:add|dim|sus|aug|alt)(?![a-z]))[a-ln-z])/g,
			(_, letter: string, sign: string) => letter + withSigns(sign)
		)
		.replace(
			/(?<=^|[\s(]|\d)(bb|##|[b#])(?=\d|(?:VI{0,2}|I{1,3}|IV|vi{0,2}|i{1,3}|iv)(?![a-zA-Z]))/g,
			(sign) => withSigns(sign)
		);

/** The parts of a chord symbol as it is set: root, accidental, `m` on the line, raised extension, bass. */
type EngravedChord = {
	readonly letter: string;
	readonly accidental: string;
	readonly minor: boolean;
	readonly raised: string;
	readonly bass: string;
};

const raisedText = (suffix: string): string =>
	withSigns(
		suffix
			.replace(/^dim/, '°')
			.replace(/^aug/, '+')
			.replace(/^(m?)69/, '$16/9')
			.replace(/Maj/g, 'maj')
	);

/** Splits a chord into the parts that are set differently. */
export function engrave(chord: Chord): EngravedChord {
	const root = /^([A-G])(.*)$/.exec(asciiAccidentals(chord.symbol));
	const accidental = /^(?:bb|b|##|#)?/.exec(root?.[2] ?? '')?.[0] ?? '';
	const suffix = chord.quality.suffix;
	const minor = /^m(?!aj)/.test(suffix);
	const bass = chord.bass && chord.symbol.slice(chord.symbol.lastIndexOf('/') + 1);
	return {
		letter: root?.[1] ?? '',
		accidental: withSigns(accidental),
		minor,
		raised: raisedText(minor ? suffix.slice(1) : suffix),
		bass: bass ? withSigns(bass) : ''
	};
}

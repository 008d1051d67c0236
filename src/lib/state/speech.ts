import { engrave, type Chord } from '$core/chord';
import { noteName, type Note } from '$core/pitch';

const SIGNS: Record<string, string> = {
	'♭': ' flat',
	'♯': ' sharp',
	'𝄫': ' double flat',
	'𝄪': ' double sharp'
};
const ENDINGS: readonly (readonly [RegExp, string])[] = [
	[/Δ|maj/g, ' major '],
	[/ø7?/g, ' half diminished'],
	[/°/g, ' diminished '],
	[/\+/g, ' augmented '],
	[/sus/g, ' sus '],
	[/alt/g, ' altered'],
	[/add/g, ' add '],
	[/[()]/g, ' ']
];

const ACCIDENTALS: Record<string, string> = {
	b: ' flat',
	'#': ' sharp',
	bb: ' double flat',
	'##': ' double sharp'
};

/** A note's name as it is said: `Bb` is "B flat". */
export const spokenNote = (note: Note | string): string => {
	const name = typeof note === 'string' ? note : noteName(note);
	const [letter] = name;
	const signs = name
		.slice(1)
		.replaceAll('𝄫', 'bb')
		.replaceAll('𝄪', '##')
		.replaceAll('♭', 'b')
		.replaceAll('♯', '#');
	return letter + (ACCIDENTALS[signs] ?? '');
};

/** A chord's name as it is said: `Bbm7b5` is "B flat minor 7 flat 5". */
export function spokenChord(chord: Chord): string {
	const { letter, accidental, minor, raised, bass } = engrave(chord);
	const root = `${letter}${SIGNS[accidental] ?? ''}`;
	const rest = ENDINGS.reduce((text, [sign, words]) => text.replace(sign, words), raised)
		.replace(/♭/g, ' flat ')
		.replace(/♯/g, ' sharp ');
	const over = bass === '' ? '' : ` over ${spokenNote(bass)}`;
	return `${root}${minor ? ' minor' : ''} ${rest}${over}`.replace(/\s+/g, ' ').trim();
}

/** Says something now, in place of what is still being said. Browsers without a voice stay silent. */
export function say(words: string): void {
	if (typeof speechSynthesis === 'undefined') return;
	speechSynthesis.cancel();
	const utterance = new SpeechSynthesisUtterance(words);
	utterance.rate = 1.35;
	utterance.lang = 'en';
	speechSynthesis.speak(utterance);
}

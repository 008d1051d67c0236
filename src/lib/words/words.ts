import { countWord } from '$core/kernel';
import { keyName, parseKey } from '$core/chart';
import { signs, proseSigns, type Key } from '$core/chord';
import { buildScale, type Scale } from '$core/harmony';
import { scaleNameText } from './scale-groups';
import { noteName, notation } from '$core/pitch';

/** A count in words up to twelve, then in figures. */
export const inWords = (n: number): string => (n === 0 ? 'none' : countWord(n));

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** `1 bar`, `3 bars`. */
export const plural = (n: number, one: string, many = `${one}s`): string =>
	`${n} ${n === 1 ? one : many}`;

/** A key's name with real signs: `Bb blues` becomes `B♭ blues`. */
export function keyWords(name: string): string {
	const key = parseKey(name);
	if (!key) return name;
	const [tonic, ...mode] = keyName(key).split(' ');
	return [proseSigns(tonic), ...mode].join(' ');
}

/** A scale's name with its tonic: `B♭ minor pentatonic`; a scale of the player's own by the name it was given. */
export function scaleTitle(
	scale: Scale,
	own: readonly { readonly name: string; readonly degrees: string }[] = []
): string {
	const mine = own.find(({ degrees }) => buildScale(scale.tonic, degrees)?.name === scale.name);
	return `${signs(noteName(scale.tonic))} ${mine?.name ?? scaleNameText(scale.name)}`;
}

/** Words about “home” with the note that it is: `Minor pentatonic of home` becomes `… of A`. */
export const withHome = (text: string, key: Key | null): string =>
	key ? text.replace(/\bof home\b/, `of ${signs(noteName(key.tonic))}`) : text;

/** A tuning preset's name as players write it: `drop-d` becomes `Drop D`. */
export const tuningTitle = (id: string): string =>
	id === 'dadgad'
		? 'DADGAD'
		: capital(id.replaceAll('-', ' ')).replace(
				/ ([a-g])$/,
				(_, note: string) => ` ${note.toUpperCase()}`
			);

/** A string's label: a note name gets its sign, anything else stays as the player wrote it. */
export const stringLabel = (label: string): string =>
	/^[A-G][b#]+$/.test(label) ? signs(notation(label)) : label;

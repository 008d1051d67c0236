import { roleWords, signs } from '$core/chord';
import type { Habits } from '$core/practice';

/** Steps between notes by semitones, as a player counts them; wider ones are leaps. */
const STEPS = [
	'repeated notes',
	'semitones',
	'whole tones',
	'minor thirds',
	'major thirds',
	'fourths',
	'tritones',
	'fifths'
];
/** Steps that a player is told to have left out: thirds and wider; a tritone is nobody's duty. */
const ASKED = [3, 4, 5, 7];

const list = (words: readonly string[]): string =>
	words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`;

/** `Landed on most: the third (3) and seventh (♭7).` */
export function roleSentence({ roles }: Pick<Habits, 'roles'>): string {
	const names = roles.slice(0, 2).map(({ role }) => `${roleWords(role)} (${signs(role)})`);
	return names.length > 0 ? `Landed on most: the ${names.join(' and ')}.` : '';
}

/** `Steps: whole tones 41 %, semitones 22 %; no fourths and fifths.` Nothing below ten steps. */
export function stepSentence({ steps }: Pick<Habits, 'steps'>): string {
	const all = steps.reduce((sum, { count }) => sum + count, 0);
	if (all < 10) return '';
	const most = steps
		.filter(({ semitones }) => semitones < STEPS.length)
		.slice(0, 2)
		.map(({ semitones, count }) => `${STEPS[semitones]} ${Math.round((100 * count) / all)} %`);
	const never = ASKED.filter((asked) => !steps.some(({ semitones }) => semitones === asked));
	const left = never.length > 0 ? `; no ${list(never.map((step) => STEPS[step]))}` : '';
	return most.length > 0 ? `Steps: ${most.join(', ')}${left}.` : '';
}

/** `Strings 5 and 6 are never used.` */
export function stringSentence({ silentStrings: silent }: Pick<Habits, 'silentStrings'>): string {
	if (silent.length === 0) return '';
	const names = list(silent.map(String));
	return silent.length === 1
		? `String ${names} is never used.`
		: `Strings ${names} are never used.`;
}

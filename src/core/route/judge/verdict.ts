import type { Check, LandingResult } from './types';

const COUNT = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six', 'Seven', 'Eight', 'Nine', 'Ten'];
const counted = (n: number, one: string, many = `${one}s`): string =>
	`${COUNT[n] ?? n} ${n === 1 ? one : many}`;

/** The judgement in a few sentences, the landings first. */
export function verdictOf(check: Omit<Check, 'verdict'>): string {
	const { changes, clashes, outside, exits } = check;
	const by = (result: LandingResult) => changes.filter((entry) => entry.result === result).length;
	const landed = by('landed');
	if (changes.length === 0) return 'There is no change to land on.';
	if (check.notes.length === 0) return 'No note is there yet.';
	const first =
		landed === changes.length
			? `All ${changes.length} changes land.`
			: `${landed} of ${changes.length} changes land.`;
	const rest = [
		by('leaning') > 0 ? `${counted(by('leaning'), 'leans', 'lean')} on a colour` : null,
		by('late') > 0 ? `${counted(by('late'), 'comes', 'come')} late` : null,
		by('missed') > 0 ? `${counted(by('missed'), 'is', 'are')} missed` : null,
		by('silent') > 0 ? `${counted(by('silent'), 'is', 'are')} silent` : null
	].filter((text) => text !== null);
	const hanging = clashes.filter((stray) => !stray.resolved).length;
	const loose = outside.filter((stray) => !stray.resolved).length;
	const sentences = [
		first,
		rest.length > 0
			? `${rest.join(', ')}.`.replace(/, (\w)/g, (_, c) => `, ${c.toLowerCase()}`)
			: null,
		hanging > 0 ? `${counted(hanging, 'clash is', 'clashes are')} left hanging.` : null,
		loose > 0
			? `${counted(loose, 'note')} from outside ${loose === 1 ? 'does' : 'do'} not resolve.`
			: null,
		exits.length > 0
			? `${counted(exits.length, 'note lies', 'notes lie')} outside the place.`
			: null
	];
	return sentences.filter((text) => text !== null).join(' ');
}

import { proseSigns } from '$core/chord';
import type { Log } from '$lib/api/log-page';

/** How the share of landed changes went from the first week to the last. */
export function landingVerdict(weeks: Log['weeks']): string {
	const shares = weeks.flatMap(({ share }) => share ?? []);
	const [first, last] = [shares[0], shares.at(-1)];
	if (first === undefined || last === undefined) return 'Nothing was judged yet.';
	const [a, b] = [Math.round(100 * first), Math.round(100 * last)];
	if (shares.length < 2) return `${b} % of the changes land.`;
	if (b > a) return `Landing rose from ${a} to ${b} %.`;
	return b < a ? `Landing fell from ${a} to ${b} %.` : `Landing stays at ${b} %.`;
}

/** The place and the key in which least lands; '' where none stays behind. */
export function behindWords({ place, key }: Log['behind']): string {
	const names = [
		...(place === null ? [] : [`Position ${place}`]),
		...(key === null ? [] : [proseSigns(key)])
	];
	if (names.length === 0) return '';
	return `${names.join(' and ')} ${names.length > 1 ? 'stay' : 'stays'} behind.`;
}

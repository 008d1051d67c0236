import { PRESET_WORDS, type TodayItem, type TodayReason } from '$core/practice';
import { proseSigns } from '$core/chord';
import type { PractisedCard } from '$lib/api/home-page';
import { capital, inWords } from '$lib/words/words';

/** A drill of today, and why it is there. */
export type Item = TodayItem<PractisedCard>;

const KINDS: Record<TodayReason, readonly [one: string, many: string]> = {
	weak: ['weak place', 'weak places'],
	speed: ['drill to speed up', 'drills to speed up'],
	rested: ['that has rested', 'that have rested'],
	new: ['new place', 'new places']
};

/** What today brings, in a sentence: `Two weak places, one drill to speed up.` */
export function todaySentence(list: readonly Item[]): string {
	const parts = (['weak', 'speed', 'rested', 'new'] as const).flatMap((reason) => {
		const count = list.filter((item) => item.reason === reason).length;
		return count === 0 ? [] : [`${inWords(count)} ${KINDS[reason][count === 1 ? 0 : 1]}`];
	});
	return parts.length > 0 ? `${capital(parts.join(', '))}.` : '';
}

/** What a drill of today asks, in a few words: `Position 6, guide tones, 72→104`. */
export function drillWords({ card: { position, key, drill } }: Item): string {
	const { preset, ladder, rules } = drill;
	const what = preset ? PRESET_WORDS[preset].name.toLowerCase() : 'own rules';
	return [
		rules.fret === undefined ? `Position ${position}` : `Fret ${rules.fret}`,
		...(key ? [`in ${proseSigns(key)}`] : []),
		what,
		`${ladder.start}→${ladder.ceiling}`
	].join(', ');
}

/** The address that starts a drill of today at once. */
export const drillHref = ({ card: { tuneId, position, key } }: Item, start = true): string =>
	`/tunes/${tuneId}/drill?position=${position}${key ? `&key=${encodeURIComponent(key)}` : ''}${start ? '&start' : ''}`;

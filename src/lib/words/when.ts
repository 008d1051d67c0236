import { differenceInCalendarDays, lightFormat } from 'date-fns';

const [DAY, LONG_DAY] = (['short', 'long'] as const).map(
	(weekday) => new Intl.DateTimeFormat('en', { weekday })
);
const [MONTH, LONG_MONTH] = (['short', 'long'] as const).map(
	(month) => new Intl.DateTimeFormat('en', { month })
);

/** A date as it stands in tables: `26 Nov`. */
export const dateWords = (at: number): string => `${lightFormat(at, 'd')} ${MONTH.format(at)}`;

/** The same with its weekday: `Thu 26 Nov`. */
export const dateOfWeek = (at: number): string => `${DAY.format(at)} ${dateWords(at)}`;

/** How long ago something was: `today`, `yesterday`, `5 days ago`, from four weeks on the date. */
export function ago(then: number, now: number): string {
	const days = differenceInCalendarDays(now, then);
	if (days <= 0) return 'today';
	if (days === 1) return 'yesterday';
	return days < 28 ? `${days} days ago` : dateWords(then);
}

/** When something is due: `today` also when it was due before, `tomorrow`, a weekday, a date. */
export function ahead(then: number, now: number): string {
	const days = differenceInCalendarDays(then, now);
	if (days <= 0) return 'today';
	if (days === 1) return 'tomorrow';
	return days < 7 ? LONG_DAY.format(then) : dateWords(then);
}

/** A day in full: `Thursday 26 November`. */
export const dayWords = (at: number): string =>
	`${LONG_DAY.format(at)} ${lightFormat(at, 'd')} ${LONG_MONTH.format(at)}`;

/** Name of the player's day for the schedule: `2026-11-26`. */
export const dayName = (at: Date): string => lightFormat(at, 'yyyy-MM-dd');

/** A stretch of time in figures: `34 min`, `11 h 19 min`. */
export function durationWords(ms: number): string {
	const minutes = Math.round(ms / 60_000);
	const hours = Math.floor(minutes / 60);
	return hours === 0 ? `${minutes} min` : `${hours} h ${minutes % 60} min`;
}

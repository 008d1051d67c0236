import { differenceInCalendarDays, format } from 'date-fns';

/** How long ago something was: `today`, `yesterday`, `5 days ago`, from four weeks on the date. */
export function ago(then: number, now: number): string {
	const days = differenceInCalendarDays(now, then);
	if (days <= 0) return 'today';
	if (days === 1) return 'yesterday';
	return days < 28 ? `${days} days ago` : format(then, 'd MMM');
}

/** When something is due: `today` also when it was due before, `tomorrow`, a weekday, a date. */
export function ahead(then: number, now: number): string {
	const days = differenceInCalendarDays(then, now);
	if (days <= 0) return 'today';
	if (days === 1) return 'tomorrow';
	return format(then, days < 7 ? 'EEEE' : 'd MMM');
}

/** A day in full: `Thursday 26 November`. */
export const dayWords = (at: number): string => format(at, 'EEEE d MMMM');

/** Name of the player's day for the schedule: `2026-11-26`. */
export const dayName = (at: Date): string => format(at, 'yyyy-MM-dd');

/** A stretch of time in figures: `34 min`, `11 h 19 min`. */
export function durationWords(ms: number): string {
	const minutes = Math.round(ms / 60_000);
	const hours = Math.floor(minutes / 60);
	return hours === 0 ? `${minutes} min` : `${hours} h ${minutes % 60} min`;
}

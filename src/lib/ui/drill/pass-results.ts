import type { JudgedChange, Judgement, Result } from '$core/practice';

/** From what is not asked for to what is worst. */
const ORDER: readonly Result[] = [
	'passed',
	'landed',
	'held',
	'leaning',
	'early',
	'late',
	'missed',
	'silent'
];

/** How the changes of a whole pass came out, by index: of several times through the worst. */
export function worstResults(judgement: Judgement | null): Map<number, JudgedChange> {
	const found = new Map<number, JudgedChange>();
	for (const change of judgement?.changes ?? []) {
		const known = found.get(change.index);
		if (!known || ORDER.indexOf(change.result) > ORDER.indexOf(known.result)) {
			found.set(change.index, change);
		}
	}
	return found;
}

/**
 * The same while a pass is played, of this time through: a change that nothing landed on is told only once
 * nothing can any more.
 * @param isOver true once so many ms after the change was due are over
 */
export function fallenResults(
	live: Judgement | null,
	isOver: (change: JudgedChange) => boolean
): Map<number, JudgedChange> {
	const found = new Map<number, JudgedChange>();
	for (const change of live?.changes ?? []) {
		if (change.result === 'passed') continue;
		const open = change.result === 'silent' || change.result === 'missed';
		if (!open || isOver(change)) found.set(change.index, change);
	}
	return found;
}

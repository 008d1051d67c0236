import { isAlso, isDead, type Playing } from '$core/route';

/** A note as it is drawn: when, on which string and fret, how it is played. */
export type DrawnNote = Partial<Playing> & {
	readonly tick: number;
	readonly durationTicks: number;
	readonly string: number;
	readonly fret: number;
};

/** What a bend of so many semitones is called: ¼ ½ 1 1½ 2 tones. */
export const bendWords = (semitones: number): string =>
	({ 0.5: '¼', 1: '½', 2: '1', 3: '1½', 4: '2' })[semitones] ?? String(semitones / 2);

/** The note that each one comes out of on its string, as far as it rings until then. */
export function joinedTo<T extends DrawnNote>(notes: readonly T[]): Map<T, T> {
	const last = new Map<number, T>();
	const found = new Map<T, T>();
	for (const note of notes) {
		const before = last.get(note.string);
		if (before && before.tick + before.durationTicks === note.tick) found.set(note, before);
		last.set(note.string, note);
	}
	return found;
}

/** What stands for a note in tab: its fret, or a cross where the string is muted. */
export const tabSign = (note: DrawnNote): string => (isDead(note) ? '×' : String(note.fret));

/** The stroke that a note asks for itself. */
export const ownStroke = (note: Partial<Playing>): 'down' | 'up' | null =>
	isAlso(note, 'down-stroke') ? 'down' : isAlso(note, 'up-stroke') ? 'up' : null;

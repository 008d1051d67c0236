import { playing } from '../route';
import { reachedAs } from './tab-lex';
import type { Mark } from './tab-time';
import type { PlayedText } from './types';

/** Signs that stand over each other begin in one column, however many digits they have. */
export function inColumns(marks: readonly Mark[]): Mark[] {
	// A grace note moves its note to the right: what stands over the one belongs to the other.
	const taken = new Set(marks.map(({ column }) => column));
	const aligned = marks.map((mark) => {
		const { start, column } = mark.sign;
		const alone = !marks.some((one) => one !== mark && one.column === column);
		if (start === column || !alone) return mark;
		const over = Array.from({ length: column - start }, (_, i) => start + i);
		const led = over.find((at) => taken.has(at));
		return led === undefined ? mark : { ...mark, column: led };
	});
	const sorted = aligned.sort((a, b) => a.column - b.column);
	let [column, end] = [-1, -1];
	return sorted.map((mark) => {
		const digits = mark.sign.kind === 'fret' ? String(mark.sign.fret).length : 1;
		if (mark.column < end) end = Math.max(end, mark.column + digits);
		else [column, end] = [mark.column, mark.column + digits];
		return { ...mark, column };
	});
}

/** Fingers beneath a system: a digit for each note of a column, from the thinnest string; 0 for none. */
export function withFingers(marks: readonly Mark[], from: number, fingers: string | null): Mark[] {
	if (fingers === null) return [...marks];
	const columns = new Map<number, Mark[]>();
	for (const mark of marks) {
		if (mark.sign.kind !== 'fret') continue;
		columns.set(mark.column, [...(columns.get(mark.column) ?? []), mark]);
	}
	const told = new Map<Mark, number>();
	for (const [column, notes] of columns) {
		const digits = /^[0-4]+/.exec(fingers.slice(from + column))?.[0] ?? '';
		if (digits.length !== notes.length) continue;
		notes.sort((a, b) => a.string - b.string);
		notes.forEach((mark, i) => told.set(mark, Number(digits[i])));
	}
	return marks.map((mark) => ({ ...mark, finger: told.get(mark) || null }));
}

export const isFret = ({ sign }: Mark): boolean => sign.kind === 'fret';

type OpenText = { -readonly [K in keyof PlayedText]: PlayedText[K] };

/** The notes of columns in order of time, each as long as its string rings. */
export function sounded(
	columns: readonly (readonly [number, readonly Mark[]])[],
	until: number
): PlayedText[] {
	const notes: OpenText[] = [];
	const ringing = new Map<number, OpenText>();
	/** When the last note of a string ended. */
	const ended = new Map<number, number>();
	const end = (string: number, tick: number) => {
		const note = ringing.get(string);
		if (!note) return;
		note.durationTicks = tick - note.tick;
		ended.set(string, tick);
		ringing.delete(string);
	};
	for (const [tick, marks] of columns) {
		const on = (kind: Mark['sign']['kind']) =>
			new Set(marks.filter(({ sign }) => sign.kind === kind).map(({ string }) => string));
		const [struck, held, stopped] = [on('fret'), on('hold'), on('stop')];
		// A point on a silent string ends whatever rings.
		const all = [...stopped].some((string) => !ringing.has(string));
		for (const string of [...ringing.keys()]) {
			if (struck.has(string) || stopped.has(string)) end(string, tick);
			else if (!held.has(string) && (struck.size > 0 || (stopped.size > 0 && all))) {
				end(string, tick);
			}
		}
		for (const { string, sign, finger, under } of marks) {
			if (sign.kind !== 'fret') continue;
			const how = reachedAs(sign, ended.get(string) === tick);
			const note: OpenText = {
				...{ tick, durationTicks: until - tick, string, fret: sign.fret, finger },
				...playing({ ...how, also: [...(how.also ?? []), ...under] })
			};
			notes.push(note);
			ringing.set(string, note);
		}
	}
	return notes.sort((a, b) => a.tick - b.tick || b.string - a.string);
}

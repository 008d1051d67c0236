import { toneAt, type Chord } from '../../chord';
import type { Scale } from '../../harmony';
import { arrivalOf, isDead } from '../playing';
import type { PlayedNote } from './types';

/** Notes that are struck at one time, the highest first; `after` are those of the next such time. */
export type Moment = {
	readonly tick: number;
	readonly notes: readonly number[];
	/** Null after the last moment. */
	readonly after: readonly number[] | null;
};

/** The moments of a line in order of time. */
export type Moments = {
	/** The moment in which a note is struck. */
	readonly of: (note: number) => Moment;
	/** The notes of the moment after a note, and of the one after that; after the last comes the first. */
	readonly next: (note: number) => readonly [readonly number[], readonly number[]];
};

/** Gathers the notes of a line, in order of time and of pitch within it; muted ones are left out. */
export function moments(notes: readonly PlayedNote[]): Moments {
	const groups: number[][] = [];
	const groupOf = new Map<number, number>();
	notes.forEach((note, i) => {
		const last = groups.at(-1);
		const before = last && notes[last[0]!];
		if (isDead(note)) return void groupOf.set(i, Math.max(0, groups.length - 1));
		if (last && before?.tick === note.tick) last.push(i);
		else groups.push([i]);
		groupOf.set(i, groups.length - 1);
	});
	for (const group of groups) group.sort((a, b) => arrivalOf(notes[b]!) - arrivalOf(notes[a]!));
	const at = (k: number) => groups[k % Math.max(1, groups.length)] ?? [];
	return {
		of: (note) => {
			const k = groupOf.get(note) ?? 0;
			const own = groups[k] ?? [note];
			return { tick: notes[own[0]!]!.tick, notes: own, after: groups[k + 1] ?? null };
		},
		next: (note) => {
			const k = groupOf.get(note) ?? 0;
			return [at(k + 1), at(k + 2)];
		}
	};
}

/** What a note is heard over. */
type Over = { readonly scale: Scale | null; readonly chord: Chord | null };

/** A note of a five-note scale may be left by the scale's own step, a third wide, onto a chord tone. */
function stepsInScale(from: number, to: number, { scale, chord }: Over): boolean {
	if (!scale || !chord || !toneAt(chord, to)) return false;
	const [low, high] = from < to ? [from, to] : [to, from];
	if (high - low > 3) return false;
	const held = (midi: number) => scale.notes.some((note) => note.pc === midi % 12);
	for (let midi = low + 1; midi < high; midi++) if (held(midi)) return false;
	return held(from) && held(to);
}

/**
 * A note is taken up when one of those that come next lies a step from it, or by an enclosure; after the last comes the
 * top.
 */
export function resolvedBy(
	notes: readonly PlayedNote[],
	note: number,
	line: Moments,
	over: Over
): boolean {
	const midi = arrivalOf(notes[note]!);
	const [next, after] = line.next(note);
	if (next.includes(note)) return false;
	const goals = after.map((i) => arrivalOf(notes[i]!));
	return next.some((i) => {
		const to = arrivalOf(notes[i]!);
		const step = Math.abs(to - midi);
		if (step === 1 || step === 2 || stepsInScale(midi, to, over)) return true;
		return goals.some((goal) => {
			const [a, b] = [midi - goal, to - goal];
			return a * b < 0 && Math.abs(a) <= 2 && Math.abs(b) <= 2;
		});
	});
}

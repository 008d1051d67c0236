import { isRole, ROLES, type Role } from '../chord';
import type { Result } from '../kernel';
import { isStep } from './contour';
import type { Basis, Motif, MotifNote } from './types';

/** An eighth: the time of one word of the text, in ticks. */
const EIGHTH = 240;
/** Parts that an eighth may be divided into. */
const PARTS = [1, 2, 3, 4, 5, 6, 8];
const MOST_NOTES = 64;
/** Sixteen bars of 4/4, in eighths. */
const MOST_WORDS = 128;
const MOST_OCTAVES = 3;

/** What cannot be read, where (column from 1), and what to write instead. */
export type MotifProblem = {
	readonly column: number;
	readonly length: number;
	readonly message: string;
};

const WANTED: Record<Basis, string> = {
	role: 'a role such as R, b3, 5 or 9',
	degree: 'a degree such as 1, b3, #4 or 8',
	interval: 'semitones above the root, such as 0, 4 or -5'
};

/** A step as it is stored; null where the basis cannot read it. Roles may be written small, and R as 1. */
function stepOf(text: string, basis: Basis): string | number | null {
	const plain = text.replaceAll('♭', 'b').replaceAll('♯', '#').replaceAll('−', '-');
	if (basis === 'interval') return isStep(basis, plain, ROLES) ? Number(plain) : null;
	const step = basis === 'role' && /^(r|1)$/i.test(plain) ? 'R' : plain;
	return isStep(basis, step, ROLES) ? step : null;
}

/** One part of a word as a note; a message where it is none. */
function readStep(part: string, basis: Basis): Result<Pick<MotifNote, 'step' | 'octave'>, string> {
	const mark = part.at(-1);
	let end = part.length;
	while ((mark === '^' || mark === '_') && part[end - 1] === mark) end--;
	const [step, marks] = [stepOf(part.slice(0, end), basis), part.slice(end)];
	if (step === null) {
		return { error: `“${part}” cannot be read here: write ${WANTED[basis]}; - holds, . rests.` };
	}
	const octave = marks.startsWith('_') ? -marks.length : marks.length;
	if (Math.abs(octave) > MOST_OCTAVES) {
		return { error: `“${part}” is more than three octaves away.` };
	}
	return { value: octave === 0 ? { step } : { step, octave } };
}

/** What stands in the text: words with their columns. */
const wordsOf = (text: string): { word: string; column: number }[] =>
	[...text.matchAll(/\S+/g)].map((found) => ({ word: found[0], column: found.index + 1 }));

/** Where in a word each of its parts begins. */
function partsOf(word: string): { part: string; at: number }[] {
	let at = 0;
	return word.split(',').map((part) => {
		const here = { part, at };
		at += part.length + 1;
		return here;
	});
}

/**
 * Reads a motif from a line of text. Every word is an eighth: a step of the basis, `-` holds the note
 * before, `.` rests; commas divide an eighth into equal parts; `^` and `_` after a step move it an octave
 * higher or lower than the nearest; a bar line `|` marks the change where notes stand before it; `> R`
 * at the end names a landing.
 * @example readMotif('. 5 R 9 3 - 5 -', 'role') // offsets 240 480 720 960 1440, the last two held a quarter
 */
export function readMotif(text: string, basis: Basis): Result<Motif, MotifProblem> {
	const wrong = (column: number, length: number, message: string) => ({
		error: { column, length, message }
	});
	const words = wordsOf(text);
	const notes: (Pick<MotifNote, 'step' | 'octave'> & { from: number; to: number })[] = [];
	let [tick, origin] = [0, 0];
	let marked = false;
	let landing: Role | undefined;
	for (let i = 0; i < words.length; i++) {
		const { word, column } = words[i]!;
		if (word === '|') {
			if (marked) return wrong(column, 1, 'One bar line marks the change; take this one out.');
			[marked, origin] = [true, tick];
			continue;
		}
		if (word === '>') {
			const goal = words[i + 1];
			const role = goal && stepOf(goal.word, 'role');
			if (!isRole(role)) {
				return wrong(
					goal?.column ?? column,
					goal?.word.length ?? 1,
					`After > write ${WANTED.role}.`
				);
			}
			if (words[i + 2]) return wrong(words[i + 2]!.column, 1, 'Nothing follows the landing.');
			landing = role;
			break;
		}
		const parts = partsOf(word);
		if (!PARTS.includes(parts.length)) {
			return wrong(column, word.length, 'An eighth is divided into 2, 3, 4, 5, 6 or 8 parts.');
		}
		for (const { part, at } of parts) {
			const length = EIGHTH / parts.length;
			const last = notes.at(-1);
			if (part === '-') {
				if (last?.to !== tick) {
					return wrong(column + at, 1, 'Nothing sounds that could be held here.');
				}
				last.to = tick + length;
			} else if (part !== '.') {
				const read = readStep(part, basis);
				if ('error' in read) {
					return wrong(column + at, Math.max(1, part.length), read.error);
				}
				notes.push({ ...read.value, from: tick, to: tick + length });
			}
			tick += length;
		}
		if (notes.length > MOST_NOTES || tick > MOST_WORDS * EIGHTH) {
			return wrong(column, word.length, 'A motif has at most 64 notes in sixteen bars.');
		}
	}
	if (notes.length === 0) return wrong(1, 1, `Write at least one note: ${WANTED[basis]}.`);
	const read = notes.map(({ from, to, ...step }) => ({
		offsetTicks: from - origin,
		durationTicks: to - from,
		...step
	}));
	return { value: { basis, notes: read, ...(landing ? { landing } : {}) } };
}

const stepText = ({ step, octave = 0 }: MotifNote): string =>
	`${step}${(octave < 0 ? '_' : '^').repeat(Math.abs(octave))}`;

/**
 * Writes a motif as a line of text that `readMotif` reads back.
 * @returns null where its rhythm is finer than the parts of an eighth
 */
export function writeMotif(motif: Motif): string | null {
	const notes = [...motif.notes].sort((a, b) => a.offsetTicks - b.offsetTicks);
	const spans = notes.map((note, i) => {
		const from = note.offsetTicks;
		const to = Math.min(from + note.durationTicks, notes[i + 1]?.offsetTicks ?? Infinity);
		return { note, from, to };
	});
	const first = Math.min(0, Math.floor((spans[0]?.from ?? 0) / EIGHTH));
	const last = Math.max(0, Math.ceil((spans.at(-1)?.to ?? 0) / EIGHTH));
	const words: string[] = [];
	for (let eighth = first; eighth < last; eighth++) {
		if (eighth === 0 && first < 0) words.push('|');
		const start = eighth * EIGHTH;
		const edges = spans.flatMap(({ from, to }) => [from - start, to - start]);
		const inside = edges.filter((edge) => edge > 0 && edge < EIGHTH);
		const parts = PARTS.find((n) => inside.every((edge) => edge % (EIGHTH / n) === 0));
		if (parts === undefined) return null;
		const word = Array.from({ length: parts }, (_, part) => {
			const at = start + (part * EIGHTH) / parts;
			const begins = spans.find(({ from }) => from === at);
			if (begins) return stepText(begins.note);
			return spans.some(({ from, to }) => from < at && at < to) ? '-' : '.';
		});
		words.push(word.join(','));
	}
	if (first < 0 && last === 0) words.push('|');
	if (motif.landing) words.push('>', motif.landing);
	return words.join(' ');
}

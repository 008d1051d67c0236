import type { Span } from './types';

/** A piece of a chart line between spaces and bar lines. */
export type Token = Span & {
	readonly kind:
		'barline' | 'count' | 'section' | 'signature' | 'ending' | 'repeat' | 'hold' | 'word';
	readonly text: string;
};

const BARLINE = String.raw`:\|\|:|:\|:|\|\|:|\|:|:\|\||:\|\]|:\||\|\||\|\]|\|`;
/** What a piece may be, in the order in which it is tried. */
const KINDS = [
	['space', String.raw`\s+`],
	['barline', BARLINE],
	['section', String.raw`\[[^\]|]*\]?`],
	['signature', String.raw`\{[^}|]*\}?`],
	// Bounded, so that a long row of numbers is not read again from each of them.
	['ending', String.raw`(?:\d{1,4}[.,][ \t]{0,8}){0,31}\d{1,4}\.(?![^\s|<A-G#bivIVN%./])`],
	['repeat', '%'],
	['hold', String.raw`[./](?=[\s|./]|$)`]
] as const;
const PIECES = new RegExp(KINDS.map(([, piece]) => `(${piece})`).join('|'), 'y');
/** What ends a word, outside brackets of its own. */
const NO_WORD = /[\s|{}[\]%]/;
const COUNT = /\s*[x×]\s*(\d+)(?=\s|\||$)/y;

/** The text of a line without its comment. */
export const withoutComment = (line: string): string => {
	const at = line.indexOf('//');
	return at < 0 ? line : line.slice(0, at);
};

/**
 * Where words end: at a blank, a bar line or a sign of the grammar, but not inside round brackets that are closed
 * before the next bar line. Asked from left to right it looks at every letter a few times at most.
 */
function wordEnds(text: string): (at: number) => number {
	/** The next closing bracket or bar line; what was found stays true for every place before it. */
	let stop = -1;
	const stopAfter = (at: number): number => {
		while (stop <= at || (stop < text.length && text[stop] !== ')' && text[stop] !== '|')) {
			stop = Math.max(stop, at) + 1;
		}
		return stop;
	};
	return (at) => {
		let i = at;
		while (i < text.length && !NO_WORD.test(text[i]!) && !text.startsWith(':|', i)) {
			const close = text[i] === '(' ? stopAfter(i) : -1;
			i = text[close] === ')' ? close + 1 : i + 1;
		}
		return Math.max(i, at + 1);
	};
}

function kindOf(match: RegExpExecArray): Token['kind'] | 'space' {
	for (let i = 0; i < KINDS.length; i++) if (match[i + 1] !== undefined) return KINDS[i]![0];
	return 'word';
}

/**
 * Cuts one line of bars into tokens. A number with a point is an ending only at the start of a bar;
 * a repeat count stands only behind `:|`.
 */
export function tokens(text: string, line: number): Token[] {
	const found: Token[] = [];
	const wordEnd = wordEnds(text);
	let at = 0;
	while (at < text.length) {
		PIECES.lastIndex = at;
		const match = PIECES.exec(text);
		const kind = match ? kindOf(match) : 'word';
		const piece = match?.[0] ?? text.slice(at, wordEnd(at));
		if (kind !== 'space') {
			found.push({ kind, text: piece, line, column: at + 1, length: piece.length });
		}
		at += piece.length;
		if (kind === 'barline' && piece.startsWith(':')) {
			COUNT.lastIndex = at;
			const count = COUNT.exec(text);
			if (count) {
				const column = at + 1 + count[0].search(/\S/);
				const length = count[0].trim().length;
				found.push({ kind: 'count', text: count[1]!, line, column, length });
				at += count[0].length;
			}
		}
	}
	return found;
}

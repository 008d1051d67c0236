import type { Span } from './types';

/** A piece of a chart line between spaces and bar lines. */
export type Token = Span & {
	readonly kind:
		'barline' | 'count' | 'section' | 'signature' | 'ending' | 'repeat' | 'hold' | 'word';
	readonly text: string;
};

const BARLINE = String.raw`:\|\|:|:\|:|\|\|:|\|:|:\|\||:\|\]|:\||\|\||\|\]|\|`;
const PIECES = new RegExp(
	[
		String.raw`(?<space>\s+)`,
		`(?<barline>${BARLINE})`,
		String.raw`(?<section>\[[^\]|]*\]?)`,
		String.raw`(?<signature>\{[^}|]*\}?)`,
		String.raw`(?<ending>(?:\d+[.,][ \t]*)*\d+\.(?![^\s|<A-G#bivIVN%./]))`,
		String.raw`(?<repeat>%)`,
		String.raw`(?<hold>[./])(?=[\s|./]|$)`,
		String.raw`(?<word>(?:\([^)|]*\)|[^\s|{}\[\]%:]|:(?!\|))+|\S)`
	].join('|'),
	'gy'
);
const COUNT = /\s*[x×]\s*(\d+)(?=\s|\||$)/y;

/** The text of a line without its comment. */
export const withoutComment = (line: string): string => {
	const at = line.indexOf('//');
	return at < 0 ? line : line.slice(0, at);
};

/**
 * Cuts one line of bars into tokens. A number with a point is an ending only at the start of a bar;
 * a repeat count stands only behind `:|`.
 */
export function tokens(text: string, line: number): Token[] {
	const found: Token[] = [];
	let at = 0;
	while (at < text.length) {
		PIECES.lastIndex = at;
		const match = PIECES.exec(text);
		if (!match) break;
		const entry = Object.entries(match.groups ?? {}).find(([, value]) => value !== undefined);
		const kind = (entry?.[0] ?? 'word') as Token['kind'] | 'space';
		if (kind !== 'space') {
			found.push({ kind, text: match[0], line, column: at + 1, length: match[0].length });
		}
		at += match[0].length;
		if (kind === 'barline' && match[0].startsWith(':')) {
			COUNT.lastIndex = at;
			const count = COUNT.exec(text);
			if (count) {
				const column = at + 1 + count[0].search(/\S/);
				const length = count[0].trim().length;
				found.push({ kind: 'count', text: count[1], line, column, length });
				at += count[0].length;
			}
		}
	}
	return found;
}

import { QUARTER } from '../kernel';
import { looksLikeNumeral, normaliseSymbol, parseChord, parseNumeral, type Key } from '../chord';
import type { Report } from './diagnose';
import type { Token } from './tokens';
import { beatTicks, type Cell, type Span, type TimeSignature } from './types';

const PUSH: Record<string, number> = { '': 0, '<': QUARTER / 2, '<<': QUARTER / 4 };
const SILENCE = /^n\.?c\.?$/i;

/** Reads one word of a bar as a chord, a numeral or a silence; what cannot be read is reported. */
export function readCell(token: Token, key: Key | null, report: Report): Cell {
	const sign = /^<{0,2}/.exec(token.text)?.[0] ?? '';
	const text = token.text.slice(sign.length);
	const span: Span = {
		line: token.line,
		column: token.column + sign.length,
		length: Math.max(1, text.length)
	};
	const push = PUSH[sign] ?? 0;
	if (text === '') {
		report.error(span, 'A push sign stands before a chord: <Eb7.');
		return { kind: 'unreadable', text: sign, push: 0, span };
	}
	if (SILENCE.test(text)) return { kind: 'silence', text: 'N.C.', push, span };
	const plain = parseChord(text);
	if (plain) return { kind: 'chord', chord: plain, text, push, span };
	if (looksLikeNumeral(text)) {
		const chord = key && parseNumeral(text, key);
		if (chord) return { kind: 'chord', chord, text, push, span };
		if (!key) {
			report.error(
				span,
				`“${text}” is a numeral, and numerals need a key: add a line like “key: Bb”.`
			);
			return { kind: 'unreadable', text: normaliseSymbol(text), push, span };
		}
	}
	report.error(span, `“${text}” is not a chord I can read.`, report.suggest(text));
	return { kind: 'unreadable', text: normaliseSymbol(text), push, span };
}

/**
 * Where the shares of a bar begin, in ticks from its start, with the bar's length at the end: evenly
 * where the beats divide, else the first share takes the beats that are over; more shares than beats
 * divide the bar evenly, rounded down.
 * @example shareStarts(3, { beats: 4, unit: 4 }) // [0, 960, 1440, 1920]
 */
export function shareStarts(count: number, time: TimeSignature): number[] {
	const beat = beatTicks(time);
	const length = time.beats * beat;
	if (count > time.beats) {
		return Array.from({ length: count + 1 }, (_, i) => Math.floor((i * length) / count));
	}
	const each = Math.floor(time.beats / count);
	const first = time.beats - each * (count - 1);
	return Array.from({ length: count + 1 }, (_, i) =>
		i === 0 ? 0 : (first + (i - 1) * each) * beat
	);
}

/** The beats that each share of an unevenly divided bar gets, as `2+1+1`; null when it divides. */
export function unevenShares(count: number, time: TimeSignature): string | null {
	if (count > time.beats || count === 0 || time.beats % count === 0) return null;
	const starts = shareStarts(count, time);
	return starts
		.slice(1)
		.map((end, i) => (end - starts[i]!) / beatTicks(time))
		.join('+');
}

import { readCell, unevenShares } from './cells';
import { Report } from './diagnose';
import { HeaderReader, parseSignature, splitHeader } from './headers';
import { tokens, withoutComment, type Token } from './tokens';
import { LIMITS, type Cell, type Span, type TimeSignature, type WrittenBar } from './types';

type OpenBar = {
	opened: boolean;
	span: Span;
	cells: Cell[];
	repeatsBefore: boolean;
	endings: number[];
	chords: number;
};

/** More passes than this could not be played anyway. */
const MAX_TIMES = LIMITS.played;

/** Reads chart text line by line. */
export class ChartReader {
	readonly report = new Report();
	readonly header = new HeaderReader(this.report);
	readonly bars: WrittenBar[] = [];
	readonly sections: { name: string | null; times: number; from: number }[] = [];
	private open: OpenBar | null = null;
	private signature: TimeSignature | null = null;
	private repeatStart = false;
	private afterRepeatEnd = false;

	private get time(): TimeSignature {
		return this.signature ?? this.header.headers.time;
	}

	/** True once bars or sections have begun: header lines stand before that. */
	get begun(): boolean {
		return this.bars.length > 0 || this.sections.length > 0 || this.open !== null;
	}

	line(raw: string, number: number): void {
		const text = withoutComment(raw);
		if (text.trim() === '') return;
		const header = splitHeader(text);
		if (header && !this.begun) return this.header.read(text, number);
		const span: Span = { line: number, column: text.search(/\S/) + 1, length: text.trim().length };
		if (header) {
			const where = `“${header.name}” is a header: move it above the first bar.`;
			return this.report.error(span, where);
		}
		if (!/[|[{]/.test(text)) {
			this.report.error(span, 'Bars stand between | signs.', `| ${text.trim()} |`);
			return;
		}
		for (const token of tokens(text, number)) this.token(token);
		if (this.open && this.filled(this.open)) {
			const end = { line: number, column: text.trimEnd().length, length: 1 };
			this.report.warn(end, 'This bar is not closed; it ends with the line.');
			this.finish();
		}
		this.open = null;
	}

	private token(token: Token): void {
		switch (token.kind) {
			case 'barline':
				return this.barline(token);
			case 'count':
				return this.count(token);
			case 'section':
				return this.section(token);
			case 'signature':
				return this.changeSignature(token);
			default:
				return this.content(token);
		}
	}

	private draft(span: Span, opened: boolean): OpenBar {
		return { opened, span, cells: [], repeatsBefore: false, endings: [], chords: 0 };
	}

	private filled(draft: OpenBar): boolean {
		return draft.cells.length > 0 || draft.repeatsBefore || draft.endings.length > 0;
	}

	private barline(token: Token): void {
		const { text } = token;
		if (this.open) {
			if (this.filled(this.open)) this.finish();
			else if (this.open.opened && text === '|') {
				const gap = token.column - this.open.span.column;
				const span = { ...this.open.span, length: Math.max(1, gap) };
				this.report.warn(
					span,
					'This bar is empty: it holds the chord before it. % repeats a bar, N.C. is silence.'
				);
				this.open.cells.push({ kind: 'hold', span });
				this.finish();
			}
		}
		this.afterRepeatEnd = false;
		if (text.startsWith(':')) this.endRepeat(token);
		if (text.endsWith(':') && text.length > 1) {
			if (this.repeatStart)
				this.report.warn(token, 'This repeat begins inside another; the inner one counts.');
			this.repeatStart = true;
		}
		const after = { line: token.line, column: token.column + token.length, length: 1 };
		this.open = this.draft(after, text === '|');
	}

	private endRepeat(token: Token): void {
		const last = this.bars.at(-1);
		if (!last || this.bars.length === this.sections.at(-1)?.from) {
			this.report.error(token, 'There is no bar before this repeat sign.');
			return;
		}
		this.bars[this.bars.length - 1] = { ...last, repeatTimes: 2 };
		this.afterRepeatEnd = true;
	}

	private count(token: Token): void {
		const last = this.bars.at(-1);
		if (!last || !this.afterRepeatEnd) return;
		const times = Number(token.text);
		if (times >= 1 && times <= MAX_TIMES) {
			this.bars[this.bars.length - 1] = { ...last, repeatTimes: times };
		} else {
			this.report.error(
				token,
				`A repeat is played 1 to ${MAX_TIMES} times.`,
				`x${Math.min(Math.max(times, 1), MAX_TIMES)}`
			);
		}
	}

	private section(token: Token): void {
		if (this.open && this.filled(this.open)) {
			this.report.warn(token, 'A section begins inside a bar; the bar ends here.');
			this.finish();
		}
		this.open = null;
		const inside = token.text.endsWith(']') ? token.text.slice(1, -1).trimEnd() : '';
		const count = /\s[x×]\s*(\d+)$/.exec(inside);
		const times = Number(count?.[1] ?? 1);
		const name = inside.slice(0, count?.index).trim();
		if (name === '') {
			this.report.error(token, 'A section is a name in brackets: [Head] or [Head x2].');
			return;
		}
		const sane = times >= 1 && times <= MAX_TIMES;
		if (!sane) this.report.error(token, `A section is played 1 to ${MAX_TIMES} times.`);
		this.closeRepeat(token);
		this.sections.push({
			name: name.slice(0, 80),
			times: sane ? times : 1,
			from: this.bars.length
		});
	}

	/** A repeat stays inside its section; one that is still open is closed and reported. */
	closeRepeat(span: Span): void {
		const from = this.sections.at(-1)?.from ?? 0;
		let started = this.repeatStart;
		for (let i = this.bars.length - 1; i >= from && !started; i--) {
			if (this.bars[i]!.repeatTimes > 0) break;
			if (this.bars[i]!.startsRepeat) started = true;
		}
		const last = this.bars.length - 1;
		if (started) {
			const at = last >= from ? this.bars[last]!.span : span;
			this.report.warn(at, 'This repeat is never closed with :| and is played once.');
		}
		this.repeatStart = false;
	}

	private changeSignature(token: Token): void {
		if (this.open && this.filled(this.open)) {
			this.report.error(token, 'A time signature stands before a bar, not inside one.');
			return;
		}
		if (this.open) this.open.opened = false;
		const inner = token.text.replace(/^\{|\}$/g, '');
		const time = token.text.endsWith('}') ? parseSignature(inner) : null;
		if (time) this.signature = time;
		else
			this.report.error(
				token,
				`“${token.text}” is not a time signature: write {3/4}, 2 to 15 over 4 or 8.`,
				'{4/4}'
			);
	}

	private content(token: Token): void {
		if (!this.open) {
			this.report.warn(token, 'This bar is not opened with | and begins here.');
			this.open = this.draft(token, false);
		}
		const bar = this.open;
		if (token.kind === 'ending' && !this.filled(bar)) {
			bar.endings = [...token.text.matchAll(/\d+/g)].map(([n]) => Number(n));
			return;
		}
		if (bar.repeatsBefore) {
			this.report.error(token, '% stands alone in its bar; this is left out.');
		} else if (token.kind === 'repeat') {
			if (bar.cells.length > 0)
				this.report.error(token, '% stands alone in its bar; it is left out here.');
			else this.repeatBefore(token, bar);
		} else if (token.kind === 'hold') {
			this.hold(token, bar);
		} else {
			bar.chords += 1;
			if (bar.chords > LIMITS.chordsPerBar) {
				this.report.limit(token, `A bar holds at most ${LIMITS.chordsPerBar} chords.`);
				return;
			}
			bar.cells.push(readCell(token, this.header.headers.key, this.report));
		}
	}

	private hold(token: Token, bar: OpenBar): void {
		if (bar.cells.length >= 4 * LIMITS.chordsPerBar) {
			this.report.limit(token, `A bar holds at most ${4 * LIMITS.chordsPerBar} shares.`);
			return;
		}
		if (bar.cells.length === 0 && this.bars.length === 0) {
			this.report.warn(token, 'There is no chord before this to hold: the bar begins in silence.');
		}
		bar.cells.push({ kind: 'hold', span: token });
	}

	private repeatBefore(token: Token, bar: OpenBar): void {
		const before = this.bars.at(-1);
		if (!before) {
			this.report.error(token, 'There is no bar before this to repeat.');
			bar.cells.push({ kind: 'unreadable', text: '%', push: 0, span: token });
			return;
		}
		bar.repeatsBefore = true;
		bar.cells = before.cells.map((cell) => ({ ...cell, span: token }));
	}

	private finish(): void {
		const draft = this.open;
		this.open = null;
		if (!draft) return;
		if (this.bars.length >= LIMITS.written) {
			this.report.limit(
				draft.span,
				`A chart has at most ${LIMITS.written} written bars; the rest is not read.`
			);
			return;
		}
		if (draft.cells.length === 0) {
			this.report.warn(draft.span, 'This ending has no chord: it holds the one before.');
			draft.cells.push({ kind: 'hold', span: draft.span });
		}
		const uneven = unevenShares(draft.cells.length, this.time);
		if (uneven && !draft.repeatsBefore) {
			const first = draft.cells[0]!.span;
			this.report.info(first, `The beats do not divide evenly here: ${uneven} beats.`);
		}
		const first = draft.cells[0]!.span;
		const last = draft.cells[draft.cells.length - 1]!.span;
		this.bars.push({
			number: this.bars.length + 1,
			span: {
				line: first.line,
				column: first.column,
				length: last.column + last.length - first.column
			},
			signature: this.time,
			cells: draft.cells,
			repeatsBefore: draft.repeatsBefore,
			startsRepeat: this.repeatStart,
			repeatTimes: 0,
			endings: draft.endings
		});
		this.repeatStart = false;
	}
}

import { suggestSymbol } from '../chord';
import type { Diagnostic, Span } from './types';

/** Collects what is to be said about a text; at most `MOST` entries, so that rubbish stays readable. */
const MOST = 200;

/** Looking for the nearest symbol takes time: only so many are looked for in one text. */
const MOST_SUGGESTIONS = 40;

export class Report {
	readonly list: Diagnostic[] = [];
	private suggested = 0;

	/** The nearest symbol to a text that does not read, for the first few of them. */
	suggest(text: string): string | null {
		return this.suggested++ < MOST_SUGGESTIONS ? suggestSymbol(text) : null;
	}

	private add(
		severity: Diagnostic['severity'],
		span: Span,
		message: string,
		suggestion?: string | null
	): void {
		if (this.list.length >= MOST && severity !== 'error') return;
		const { line, column, length } = span;
		this.list.push({ severity, line, column, length, message, suggestion: suggestion ?? null });
	}

	error(span: Span, message: string, suggestion?: string | null): void {
		this.add('error', span, message, suggestion);
	}

	warn(span: Span, message: string, suggestion?: string | null): void {
		this.add('warning', span, message, suggestion);
	}

	info(span: Span, message: string): void {
		this.add('info', span, message);
	}

	/** An error for text beyond a limit, said once per message. */
	limit(span: Span, message: string): void {
		if (this.list.some((entry) => entry.limit && entry.message === message)) return;
		const { line, column, length } = span;
		this.list.push({
			severity: 'error',
			line,
			column,
			length,
			message,
			suggestion: null,
			limit: true
		});
	}
}

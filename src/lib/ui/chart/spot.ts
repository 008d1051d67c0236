import type { Span } from '$core/chart';

/** A place of the text as one number. */
export const spot = (span: Pick<Span, 'line' | 'column'>): number =>
	span.line * 100_000 + span.column;

import { utf8Length, withinBytes } from './bytes';
import type { Report } from './diagnose';
import { ChartReader } from './parse';
import { LIMITS, type Headers, type Section, type WrittenBar } from './types';

/** Chart text read, not yet unfolded. */
export type Written = {
	readonly headers: Headers;
	readonly bars: readonly WrittenBar[];
	readonly sections: readonly Section[];
	readonly report: Report;
};

/**
 * Reads chart text by the grammar of the public API. Whatever cannot be read is reported with its
 * place; everything else is kept. Text beyond a limit is reported and left out.
 */
export function readChartText(source: string): Written {
	const reader = new ChartReader();
	let text = source;
	if (utf8Length(text) > LIMITS.bytes) {
		const span = { line: 1, column: 1, length: 1 };
		reader.report.limit(
			span,
			`A chart is at most ${LIMITS.bytes / 1024} KiB of text; the rest is not read.`
		);
		text = withinBytes(text, LIMITS.bytes);
	}
	text.split(/\r\n|\r|\n/).forEach((line, i) => reader.line(line, i + 1));
	reader.closeRepeat({ line: 1, column: 1, length: 1 });
	const { bars, report } = reader;
	const starts = [...reader.sections];
	if (starts[0]?.from !== 0) starts.unshift({ name: null, times: 1, from: 0 });
	const sections = starts.map((section, i) => ({
		...section,
		to: starts[i + 1]?.from ?? bars.length
	}));
	return { headers: reader.header.headers, bars, sections, report };
}

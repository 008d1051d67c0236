import { splitHeader } from './headers';
import { withoutComment } from './tokens';

/** The order in which headers stand in a chart; a new one goes behind those that come before it here. */
const ORDER = ['title', 'key', 'scale', 'time', 'tempo', 'feel', 'tuning', 'capo'];

/**
 * Sets a header line of chart text, or takes it away with null; everything else stays as it is, a
 * comment behind the value too.
 * @example setHeader('title: Demo\n\n| C |', 'key', 'C lydian') // 'title: Demo\nkey: C lydian\n\n| C |'
 */
export function setHeader(text: string, name: string, value: string | null): string {
	const lines = text.split('\n');
	const firstBar = lines.findIndex((line) => /[|[{]/.test(withoutComment(line)));
	const end = firstBar < 0 ? lines.length : firstBar;
	const headers = lines
		.slice(0, end)
		.map((line, i) => ({ i, header: splitHeader(withoutComment(line)) }))
		.flatMap(({ i, header }) => (header ? [{ i, ...header }] : []));
	// The last line of a name is the one that counts.
	const there = headers.findLast((header) => header.name === name);
	if (there) {
		if (value === null) return lines.filter((_, i) => i !== there.i).join('\n');
		const line = lines[there.i]!;
		const rest = line.slice(there.valueAt + there.value.length);
		const gap = there.value === '' && !line.slice(0, there.valueAt).endsWith(' ') ? ' ' : '';
		lines[there.i] = line.slice(0, there.valueAt) + gap + value + rest;
		return lines.join('\n');
	}
	if (value === null) return text;
	const rank = ORDER.indexOf(name);
	const before = headers.findLast((header) => ORDER.indexOf(header.name) < rank);
	const at = before ? before.i + 1 : 0;
	lines.splice(at, 0, `${name}: ${value}`);
	// A chart that had no header keeps its bars apart from the new line.
	if (headers.length === 0 && end === 0) lines.splice(1, 0, '');
	return lines.join('\n');
}

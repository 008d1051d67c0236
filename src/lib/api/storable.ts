/** Text that a database can keep: no NUL, no half of a surrogate pair. */
export const isStorable = (text: string): boolean => !/\0|\p{Surrogate}/u.test(text);
export const UNSTORABLE = 'This text holds a NUL character or half a character; take it out.';

/** A JSON text without these escapes holds nothing that cannot be kept; one with them may. */
const SUSPECT = /\\u(?:0000|[dD][89a-fA-F])/;

/**
 * Where in a JSON value text stands that cannot be kept, as `line.cell`; null where all of it can.
 * @param text the same value as text, which nearly always answers at once
 */
export function unstorablePath(value: unknown, text: string): string | null {
	if (!SUSPECT.test(text)) return null;
	const waiting: (readonly [path: string, value: unknown])[] = [['', value]];
	for (let next = waiting.pop(); next; next = waiting.pop()) {
		const [path, at] = next;
		if (typeof at === 'string' && !isStorable(at)) return path;
		if (typeof at !== 'object' || at === null) continue;
		for (const [key, inner] of Object.entries(at)) {
			const to = path === '' ? key : `${path}.${key}`;
			if (!isStorable(key)) return path;
			waiting.push([to, inner]);
		}
	}
	return null;
}

import type { BarPart } from '$core/phrase';
import { inWords, plural } from '$lib/words/words';

/** What the bars are for, in one line: `four bars are yours, three are air, one holds`. */
export function talkWords(parts: readonly BarPart[]): string {
	const count = (...wanted: BarPart[]) => parts.filter((part) => wanted.includes(part)).length;
	const [yours, air, hold, free] = [
		count('call', 'answer'),
		count('air'),
		count('hold'),
		count('free')
	];
	const is = (n: number, one: string, many: string) => `${inWords(n)} ${n === 1 ? one : many}`;
	const words: string[] = [];
	if (yours > 0) words.push(`${inWords(yours)} ${yours === 1 ? 'bar is' : 'bars are'} yours`);
	if (air > 0) words.push(is(air, 'is air', 'are air'));
	if (hold > 0) words.push(is(hold, 'holds', 'hold'));
	if (free > 0 && words.length > 0) words.push(is(free, 'stays as it is', 'stay as they are'));
	return words.length > 0 ? words.join(', ') : `${plural(free, 'bar')}, as the route plays them`;
}

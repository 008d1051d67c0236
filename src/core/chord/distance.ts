/** Edits between two texts, a swap of neighbours counting as one and a change of case as a half. */
export function distance(a: string, b: string): number {
	const rows = Array.from({ length: a.length + 1 }, () => new Array<number>(b.length + 1).fill(0));
	for (let i = 0; i <= a.length; i++) rows[i]![0] = i;
	for (let j = 0; j <= b.length; j++) rows[0]![j] = j;
	for (let i = 1; i <= a.length; i++) {
		for (let j = 1; j <= b.length; j++) {
			const [x, y] = [a[i - 1]!, b[j - 1]!];
			const swap = x === y ? 0 : x.toLowerCase() === y.toLowerCase() ? 0.5 : 1;
			let best = Math.min(rows[i - 1]![j]! + 1, rows[i]![j - 1]! + 1, rows[i - 1]![j - 1]! + swap);
			if (i > 1 && j > 1 && x === b[j - 2] && a[i - 2] === y)
				best = Math.min(best, rows[i - 2]![j - 2]! + 1);
			rows[i]![j] = best;
		}
	}
	return rows[a.length]![b.length]!;
}

/**
 * The word of a list that a text most likely meant, or null when none is within a third of its
 * letters (at least one) or two are equally near: words may stand in another order.
 * @example nearestWord('aeolien', ['major', 'aeolian']) // 'aeolian'
 */
export function nearestWord(text: string, words: readonly string[]): string | null {
	const typed = text.trim().toLowerCase();
	if (typed === '' || typed.length > 40) return null;
	const sorted = (phrase: string) => phrase.split(/\s+/).sort().join(' ');
	let best: string | null = null;
	let least = Math.max(1, typed.length / 3) + 0.01;
	for (const word of words) {
		const begins = typed.length >= 3 && word.startsWith(typed) ? 1 : Infinity;
		const cost = Math.min(
			...[distance(typed, word), distance(sorted(typed), sorted(word)), begins]
		);
		if (cost < least) [best, least] = [word, cost];
		else if (cost === least) best = null;
	}
	return best;
}

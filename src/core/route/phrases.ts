import type { Change, Chart } from '../chart';

/** Played bars of a phrase. */
const PHRASE_BARS = 4;

/** The changes of a chart by phrase: four bars of a section, or what is left of it. */
export function phrasesOf(chart: Chart): Change[][] {
	const starts = new Set<number>();
	let count = 0;
	chart.played.forEach((bar, i) => {
		const before = chart.played[i - 1];
		const fresh = !before || before.section !== bar.section || count === PHRASE_BARS;
		if (fresh) [count] = [0];
		if (fresh) starts.add(i + 1);
		count++;
	});
	const phrases: Change[][] = [];
	let bar = 0;
	for (const change of chart.changes) {
		let opens = phrases.length === 0;
		for (let b = bar + 1; b <= change.bar; b++) if (starts.has(b)) opens = true;
		bar = change.bar;
		if (opens) phrases.push([change]);
		else phrases[phrases.length - 1]!.push(change);
	}
	return phrases;
}

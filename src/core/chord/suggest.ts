import { normaliseSymbol, parseChord } from './chord';
import { distance } from './distance';

const SUFFIXES = [
	...['', 'm', '7', 'm7', 'maj7', 'dim', 'aug', 'sus2', 'sus4', '5', '6', 'm6', '6/9', 'm6/9'],
	...['mMaj7', 'm7b5', 'dim7', '7sus4', 'maj7#5', '7#5', '7b5', '9', 'maj9', 'm9', 'add9'],
	...['madd9', '9sus4', '11', 'm11', '13', 'maj13', 'm13', 'add11', 'mMaj9', '7b9', '7#9'],
	...['7#11', 'maj7#11', '7b13', '13b9', '9#11', '7alt', '7b9b13', '7#9b13', '7b9#9', 'maj', 'min']
];
const ROOTS = [...'ABCDEFG'].flatMap((letter) => [letter, `${letter}b`, `${letter}#`]);

const LONGEST = 16;
const cache = new Map<string, string | null>();

function nearest(text: string): string | null {
	if (text.length > LONGEST) return null;
	const [head = '', bass] = /^(.+)\/([A-Ga-g](?:bb|b|##|#)?)$/.exec(text)?.slice(1) ?? [text, ''];
	const tail = bass ? `/${bass[0]!.toUpperCase()}${bass.slice(1)}` : '';
	const typed = /^([A-Ga-g])(bb|b|##|#)?/.exec(head);
	// A root that reads is kept; `H` is what some countries call B.
	const roots = typed
		? [typed[1]!.toUpperCase() + (typed[2] ?? '')]
		: /^[Hh]/.test(head)
			? ['B']
			: ROOTS;
	let best: string | null = null;
	let least = Math.max(1, head.length * 0.6) + 0.01;
	for (const root of roots) {
		for (const suffix of SUFFIXES) {
			const cost = distance(head, root + suffix);
			if (cost < least) [best, least] = [root + suffix + tail, cost];
		}
	}
	return best && parseChord(best) ? best : null;
}

/**
 * The readable chord symbol nearest to a text that is none, or null when nothing is near.
 * @example suggestSymbol('G7atl') // 'G7alt'
 */
export function suggestSymbol(text: string): string | null {
	const symbol = normaliseSymbol(text);
	const known = cache.get(symbol);
	if (known !== undefined) return known;
	if (cache.size > 2048) cache.clear();
	const found = nearest(symbol);
	cache.set(symbol, found);
	return found;
}

/** Symbols to offer while one is typed: those that begin with the text, by how common they are. */
export const completions = (text: string): string[] => {
	const root = /^[A-G](?:bb|b|##|#)?/.exec(normaliseSymbol(text))?.[0];
	const roots = root ? [root] : ROOTS;
	return roots.flatMap((name) => SUFFIXES.map((suffix) => name + suffix));
};

import type { CoverageRow } from './coverage-row';

/** So many notes of the scale in reach leave nothing of its box. */
const NO_BOX = 5;

/** One thing that speaks for a place or against it: a share (1 is best), and its words. */
type Fact = { readonly kind: string; readonly share: number; readonly words: string };

/** What is left of the box of a scale: 1 without a reach. */
export const boxed = ({ reaches }: NonNullable<CoverageRow['scale']>): number =>
	Math.max(0, 1 - reaches / NO_BOX);

const percent = (share: number): number => Math.round(100 * share);

function factsOf(row: CoverageRow): Fact[] {
	const { changes, landed, roots, complete, reaches, semitones, stays, moves, scale } = row;
	const missing = changes - landed;
	const count = row.chords.length;
	const near = moves === 0 ? 1 : (semitones + stays / 2) / moves;
	return [
		...(missing > 0
			? [
					{
						kind: 'missing',
						share: -1,
						words: `${missing} of ${changes} changes find no place here`
					}
				]
			: []),
		{ kind: 'roots', share: roots, words: `${percent(roots)} % of roots under a finger` },
		...(moves > 0
			? [{ kind: 'moves', share: near, words: `${semitones} of ${moves} moves by a semitone` }]
			: []),
		...(scale === null
			? []
			: [
					{
						kind: 'scale',
						share: boxed(scale),
						words:
							scale.reaches === 0
								? 'the scale lies under the fingers'
								: `${scale.reaches} ${scale.reaches === 1 ? 'note' : 'notes'} of the scale in reach only`
					}
				]),
		...(scale !== null && row.anchor >= 0.8
			? [
					{
						kind: 'anchor',
						share: row.anchor,
						words: 'the tonic of the scale under a first finger'
					}
				]
			: []),
		{
			kind: 'complete',
			share: complete / Math.max(1, count),
			words: `${complete} of ${count} chords with a whole octave under the fingers`
		},
		{
			kind: 'reaches',
			share: 1 - reaches / Math.max(1, landed),
			words:
				reaches === 0
					? 'no reach needed'
					: `${reaches} ${reaches === 1 ? 'landing is a reach' : 'landings are reaches'}`
		}
	];
}

/** What tells a place from the next one in the ranking first: where it is better, else where it differs. */
export function reasonsOf(row: CoverageRow, next: CoverageRow | undefined): string[] {
	const facts = factsOf(row);
	if (!next) return facts.map(({ words }) => words);
	const there = new Map(factsOf(next).map((fact) => [fact.kind, fact]));
	const lead = facts.map((fact) => {
		const other = there.get(fact.kind);
		const by = fact.share - (other?.share ?? 0);
		return {
			...fact,
			by: fact.kind === 'missing' ? Infinity : by,
			alike: other?.words === fact.words
		};
	});
	const words = lead
		.sort((a, b) => Number(a.alike) - Number(b.alike) || b.by - a.by)
		.map((fact) => fact.words);
	if (lead[0]!.by > 0 && !lead[0]!.alike) return words;
	if (row.cost < next.cost)
		return [`the landings move less than in position ${next.position}`, ...words];
	return lead[0]!.alike
		? [`lies like position ${next.position}, ${handWords(row, next)}`, ...words]
		: words;
}

const handWords = (row: CoverageRow, next: CoverageRow): string =>
	middle(row) && !middle(next)
		? 'between the nut and the twelfth fret'
		: row.mm <= next.mm
			? 'where the frets are closer'
			: 'nearer to the nut';

/** Where two places tie, most players look between these frets first. */
export const middle = ({ position }: CoverageRow): boolean => position >= 3 && position <= 12;

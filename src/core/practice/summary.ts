import type { Chart } from '../chart';
import type { Role } from '../chord';
import type { Colours } from '../route';
import { chordKind, type ChordKind } from './chord-kind';
import { RESULTS, type JudgedChange, type Judgement, type Result } from './types';

/** How many of the changes asked for landed (or were held). */
type Tally = { readonly asked: number; readonly landed: number };

/** A change that slipped, in all times through. `from` is null where nothing sounded before. */
export type Slip = Tally & {
	readonly index: number;
	readonly bar: number;
	readonly beat: number;
	readonly from: string | null;
	readonly to: string;
	readonly late: number;
	readonly early: number;
	readonly missed: number;
	readonly silent: number;
	/** The role of what came late or early, where it was the same each time; else null. */
	readonly struck: Role | null;
};

/** What a whole take comes to. Times in ms; bias and spread over the notes that landed. */
export type TakeSummary = Tally & {
	readonly counts: Readonly<Record<Result, number>>;
	readonly landedShare: number;
	/** Mean of the errors: negative plays ahead. Null below three landings. */
	readonly biasMs: number | null;
	/** Standard deviation of the errors. */
	readonly spreadMs: number | null;
	readonly kinds: readonly ({ readonly kind: ChordKind } & Tally)[];
	/** Changes that did not always land, the worst first. */
	readonly slips: readonly Slip[];
};

/** A change counts as landed; a colour that leans does only where the player says so. */
export const isLanded = (
	{ result }: { readonly result: Result },
	colours: Colours = 'miss'
): boolean =>
	result === 'landed' || result === 'held' || (result === 'leaning' && colours === 'land');

const count = (changes: readonly JudgedChange[], result: Result): number =>
	changes.filter((change) => change.result === result).length;

/** Mean and standard deviation; null below three values. */
function spreadOf(errors: readonly number[]): { bias: number; spread: number } | null {
	if (errors.length < 3) return null;
	const bias = errors.reduce((sum, error) => sum + error, 0) / errors.length;
	const square = errors.reduce((sum, error) => sum + (error - bias) ** 2, 0) / errors.length;
	return { bias, spread: Math.sqrt(square) };
}

/** Among changes that slipped equally often a wrong note or none is worse than a late one, that than an early one. */
const severity = ({ missed, silent, late }: Slip): number => 4 * (missed + silent) + 2 * late;

function sameRole(changes: readonly JudgedChange[]): Role | null {
	const roles = new Set(changes.map(({ role }) => role));
	const [role] = roles;
	return roles.size === 1 ? (role ?? null) : null;
}

function slipsOf(chart: Chart, changes: readonly JudgedChange[], colours?: Colours): Slip[] {
	const by = new Map<number, JudgedChange[]>();
	for (const change of changes) {
		by.set(change.index, [...(by.get(change.index) ?? []), change]);
	}
	return [...by]
		.map(([index, all]): Slip => {
			const change = chart.changes[index]!;
			const before = index > 0 ? chart.changes[index - 1]!.to : change.from;
			return {
				index,
				bar: change.bar,
				beat: change.beat,
				from: change.from === null ? null : (before?.symbol ?? null),
				to: change.to.symbol,
				asked: all.length,
				landed: all.filter((one) => isLanded(one, colours)).length,
				late: count(all, 'late'),
				early: count(all, 'early'),
				missed: count(all, 'missed'),
				silent: count(all, 'silent'),
				struck: sameRole(all.filter(({ result }) => result === 'late' || result === 'early'))
			};
		})
		.filter(({ asked, landed }) => landed < asked)
		.sort(
			(a, b) =>
				b.asked - b.landed - (a.asked - a.landed) || severity(b) - severity(a) || a.index - b.index
		);
}

/** Sums a judged take up: what landed, how the timing leans and scatters, which kinds and moves fail. */
export function summarise(
	chart: Chart,
	{ changes }: Pick<Judgement, 'changes'>,
	colours?: Colours
): TakeSummary {
	const asked = changes.filter(({ result }) => result !== 'passed');
	const landed = asked.filter((change) => isLanded(change, colours));
	const errors = asked.flatMap(({ result, errorMs }) =>
		result === 'landed' && errorMs !== null ? [errorMs] : []
	);
	const timing = spreadOf(errors);
	const kinds = new Map<ChordKind, { asked: number; landed: number }>();
	for (const change of asked) {
		const kind = chordKind(chart.changes[change.index]!.to.chord);
		const tally = kinds.get(kind) ?? { asked: 0, landed: 0 };
		tally.asked++;
		if (isLanded(change, colours)) tally.landed++;
		kinds.set(kind, tally);
	}
	const counts = Object.fromEntries(
		RESULTS.map((result) => [result, count(changes, result)])
	) as Record<Result, number>;
	return {
		asked: asked.length,
		landed: landed.length,
		counts,
		landedShare: asked.length === 0 ? 1 : landed.length / asked.length,
		biasMs: timing?.bias ?? null,
		spreadMs: timing?.spread ?? null,
		kinds: [...kinds].map(([kind, tally]) => ({ kind, ...tally })),
		slips: slipsOf(chart, asked, colours)
	};
}

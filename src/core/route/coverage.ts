import { guideTones, type Chord, type Tone } from '../chord';
import { lastPosition, windowPlaces, type WindowPlace } from '../neck';
import { planTargets } from './plan';
import type { PlanRequest } from './types';
import { WEIGHTS } from './targets/weights';

/** What coverage is computed for; every position of the neck is tried. */
export type CoverageRequest = Omit<PlanRequest, 'position' | 'locks' | 'forbid' | 'letPass'>;

/** How one position serves a chart, as counted; `chords` has a score for each distinct chord. */
export type CoverageRow = {
	readonly position: number;
	/** Cost of the best plan here; each change that finds no place adds the planner's price for it. */
	readonly cost: number;
	readonly changes: number;
	readonly landed: number;
	/** Share of the root places of all changes that lie under a finger: not in reach, not open. */
	readonly roots: number;
	/** Distinct chords with a complete root-to-root arpeggio under the fingers. */
	readonly complete: number;
	/** Landings that are a reach. */
	readonly reaches: number;
	/** Moves of the plan by a semitone, by one pitch kept, and all moves. */
	readonly semitones: number;
	readonly stays: number;
	readonly moves: number;
	readonly chords: readonly number[];
};

/** A ranked position. `score` 0 … 1, 1 is best; `reasons` are short sentences. */
export type RankedPosition = {
	readonly position: number;
	readonly score: number;
	readonly cost: number;
	readonly rank: number;
	readonly reasons: readonly string[];
};

/** The distinct chords of a chart in order of appearance, by symbol. */
export function distinctChords(request: Pick<CoverageRequest, 'chart'>): Chord[] {
	const found = new Map<string, Chord>();
	for (const { chord, symbol } of request.chart.events) {
		if (chord && !found.has(symbol)) found.set(symbol, chord);
	}
	return [...found.values()];
}

/** Shares of how a chord lies in a position. */
const LIE = { roots: 0.2, guides: 0.25, octaves: 0.35, tones: 0.2 } as const;
/** More octaves than this do not count: six strings hold two. */
const OCTAVES = 2;

type Lie = { readonly score: number; readonly roots: number; readonly octaves: number };

/** Root-to-root octaves of a chord with every tone under a finger. */
function octavesUnder(under: ReadonlySet<number>, tones: readonly Tone[]): number {
	let count = 0;
	for (const root of under) {
		if (root % 12 !== tones[0].pc || !under.has(root + 12)) continue;
		const whole = tones.every((tone) => under.has(root + ((tone.pc - tones[0].pc + 12) % 12)));
		if (whole) count++;
	}
	return count;
}

/**
 * How well one chord lies in one position: everything counts that is under a finger, not in reach.
 * Open strings are under no finger, so that the place at the nut is no wider than the others: what lies
 * there lies as well twelve frets on.
 */
function lieOf(places: readonly WindowPlace[], chord: Chord): Lie {
	const tones = chord.tones.filter((tone) => tone.essential);
	const held = (place: WindowPlace) => !place.reach && place.fret > 0;
	const guides = guideTones(chord);
	const share = (pcs: readonly { pc: number }[]) => {
		const here = places.filter((place) => pcs.some((tone) => tone.pc === place.midi % 12));
		return here.length === 0 ? 0 : here.filter(held).length / here.length;
	};
	const under = new Set(places.filter(held).map((place) => place.midi));
	const sounding = new Set([...under].map((midi) => midi % 12));
	const roots = share([tones[0]]);
	const octaves = octavesUnder(under, tones);
	const score =
		LIE.roots * roots +
		LIE.guides * share(guides) +
		(LIE.octaves * Math.min(OCTAVES, octaves)) / OCTAVES +
		(LIE.tones * tones.filter((tone) => sounding.has(tone.pc)).length) / tones.length;
	return { score: Math.round(score * 1000) / 1000, roots, octaves };
}

const average = (values: readonly number[]): number =>
	values.length === 0 ? 0 : values.reduce((sum, value) => sum + value, 0) / values.length;

/** Tries one position: the best plan there and how each chord lies. */
function coverPosition(
	request: CoverageRequest,
	chords: readonly Chord[],
	position: number
): CoverageRow {
	const { chart } = request;
	const plan = planTargets({ ...request, position, locks: [], forbid: [], letPass: [] });
	const places = windowPlaces(request.instrument, position);
	const lies = new Map<string, Lie>(chords.map((chord) => [chord.symbol, lieOf(places, chord)]));
	const steps = plan.targets
		.slice(1)
		.map((target, i) => Math.abs(target.midi - plan.targets[i].midi));
	const missing = chart.changes.length - plan.targets.length;
	return {
		position,
		cost: Math.round((plan.cost + (missing * WEIGHTS.unserved) / 1000) * 1000) / 1000,
		changes: chart.changes.length,
		landed: plan.targets.length,
		roots: average(chart.changes.map(({ to }) => lies.get(to.symbol)?.roots ?? 0)),
		complete: [...lies.values()].filter((lie) => lie.octaves > 0).length,
		reaches: plan.targets.filter((target) => target.reach).length,
		semitones: steps.filter((step) => step === 1).length,
		stays: steps.filter((step) => step === 0).length,
		moves: steps.length,
		chords: chords.map((chord) => lies.get(chord.symbol)?.score ?? 0)
	};
}

/** Shares of a position's score: the plan's cost against the other places, then what lies there. */
const SCORE = { cost: 0.5, roots: 0.15, complete: 0.15, chords: 0.2 } as const;

function reasonsOf(row: CoverageRow, chordCount: number): string[] {
	const { changes, landed, roots, complete, reaches, semitones, moves } = row;
	const missing = changes - landed;
	return [
		missing > 0 ? `${missing} of ${changes} changes find no place here` : null,
		`${Math.round(100 * roots)} % of roots under a finger`,
		moves > 0 ? `${semitones} of ${moves} moves by a semitone` : null,
		`${complete} of ${chordCount} chords with a whole octave under the fingers`,
		reaches === 0
			? 'no reach needed'
			: `${reaches} ${reaches === 1 ? 'landing is a reach' : 'landings are reaches'}`
	].filter((text) => text !== null);
}

/**
 * Ranks positions that have been tried; may be called while others are still missing. The score
 * weighs the cost of the best plan against the best and worst of those tried (half), roots under a
 * finger, complete octaves, and how the single chords lie.
 */
export function rankCoverage(rows: readonly CoverageRow[]): RankedPosition[] {
	const costs = rows.map((row) => row.cost);
	const [least, most] = [Math.min(...costs), Math.max(...costs)];
	const scored = rows.map((row) => {
		const cheap = most === least ? 1 : (most - row.cost) / (most - least);
		const score =
			SCORE.cost * cheap +
			SCORE.roots * row.roots +
			SCORE.complete * (row.complete / Math.max(1, row.chords.length)) +
			SCORE.chords * average(row.chords);
		return { row, score: Math.round(score * 1000) / 1000 };
	});
	const order = [...scored].sort((a, b) => b.score - a.score || a.row.position - b.row.position);
	return scored.map(({ row, score }) => ({
		position: row.position,
		score,
		cost: row.cost,
		rank: order.findIndex((entry) => entry.row === row) + 1,
		reasons: reasonsOf(row, row.chords.length)
	}));
}

/** Tries every position of the neck, from the nut toward the body; yields each as it is done. */
export function* coverNeck(request: CoverageRequest): Generator<CoverageRow> {
	const chords = distinctChords(request);
	for (let position = 1; position <= lastPosition(request.instrument); position++) {
		yield coverPosition(request, chords, position);
	}
}

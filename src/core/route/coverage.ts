import { mean } from '../kernel';
import { type Chord, guideTones, type Tone } from '../chord';
import type { Scale } from '../harmony';
import { lastPosition, stretchMm, type WindowPlace, windowPlaces } from '../neck';
import { pitchClass } from '../pitch';
import { boxed, middle, reasonsOf } from './coverage-reasons';
import type { CoverageRow } from './coverage-row';
import { planTargets, settle } from './plan';
import { WEIGHTS } from './targets/landing-prices';
import type { PlanRequest } from './types';

/** What coverage is computed for; every position of the neck is tried. */
export type CoverageRequest = Omit<PlanRequest, 'position' | 'locks' | 'forbid' | 'letPass'>;
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
		if (root % 12 !== tones[0]!.pc || !under.has(root + 12)) continue;
		const whole = tones.every((tone) => under.has(root + ((tone.pc - tones[0]!.pc + 12) % 12)));
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
	const roots = share([tones[0]!]);
	const octaves = octavesUnder(under, tones);
	const score =
		LIE.roots * roots +
		LIE.guides * share(guides) +
		(LIE.octaves * Math.min(OCTAVES, octaves)) / OCTAVES +
		(LIE.tones * tones.filter((tone) => sounding.has(tone.pc)).length) / tones.length;
	return { score: Math.round(score * 1000) / 1000, roots, octaves };
}

/** How a scale lies in a window: a box has no reach where all its pitches lie under a finger. */
function scaleIn(places: readonly WindowPlace[], scale: Scale) {
	const own = places.filter(({ midi }) => scale.notes.some(({ pc }) => pc === midi % 12));
	const pitches = new Set(own.map(({ midi }) => midi));
	const under = own.filter(({ reach, fret }) => !reach && fret > 0).map(({ midi }) => midi);
	return { pitches: pitches.size, reaches: pitches.size - new Set(under).size };
}

/** Where players look for the tonic of their scale first: on the two thickest strings, under finger 1 or 2. */
function anchorOf(places: readonly WindowPlace[], tonic: number): number {
	const thickest = Math.max(...places.map(({ string }) => string));
	const worth = places
		.filter(({ midi, reach, fret }) => midi % 12 === tonic && !reach && fret > 0)
		.map(({ string, finger }) => {
			const first = finger !== null && finger <= 2;
			if (string === thickest) return first ? 1 : 0.6;
			return string === thickest - 1 ? (first ? 0.8 : 0.5) : 0.3;
		});
	return Math.max(0, ...worth);
}

/** Tries one position: the best plan there and how each chord lies. */
function coverPosition(
	request: CoverageRequest,
	chords: readonly Chord[],
	position: number
): CoverageRow {
	const { chart } = request;
	const plan = planTargets(settle({ ...request, position, locks: [], forbid: [], letPass: [] }));
	const places = windowPlaces(request.instrument, position);
	const lies = new Map<string, Lie>(chords.map((chord) => [chord.symbol, lieOf(places, chord)]));
	const steps = plan.targets
		.slice(1)
		.map((target, i) => Math.abs(target.midi - plan.targets[i]!.midi));
	const missing = chart.changes.length - plan.targets.length;
	return {
		position,
		cost: Math.round((plan.cost + (missing * WEIGHTS.unserved) / 1000) * 1000) / 1000,
		changes: chart.changes.length,
		landed: plan.targets.length,
		roots: mean(
			chart.changes.map(({ to }) => lies.get(to.symbol)?.roots ?? 0),
			0
		),
		complete: [...lies.values()].filter((lie) => lie.octaves > 0).length,
		reaches: plan.targets.filter((target) => target.reach).length,
		semitones: steps.filter((step) => step === 1).length,
		stays: steps.filter((step) => step === 0).length,
		moves: steps.length,
		chords: chords.map((chord) => lies.get(chord.symbol)?.score ?? 0),
		scale: request.scale && scaleIn(places, request.scale),
		anchor: request.scale ? anchorOf(places, pitchClass(request.scale.tonic)) : 1,
		mm: stretchMm(request.instrument, position, position + 3)
	};
}

/** Shares of a position's score: the plan's cost against the other places, then what lies there. */
const SCORE = {
	...{ cost: 0.18, roots: 0.12, complete: 0.07, chords: 0.12, scale: 0.3 },
	...{ anchor: 0.18, middle: 0.03 }
} as const;

/** What a plan may cost more for each change until its place is worth nothing to it. */
const DEAR = 1.2;

/**
 * Ranks positions that have been tried; may be called while others are still missing. The score
 * weighs what the best plan costs more than the cheapest of all, the box of the scale in use and where its
 * tonic lies, roots under a finger, complete octaves, and how the single chords lie. Of two that tie the one
 * between frets 3 and 12 comes first, then the one with the smaller stretch.
 */
export function rankCoverage(rows: readonly CoverageRow[]): RankedPosition[] {
	// Toward the end of the neck a window is cut short and lacks what would cost it: what lies there
	// lies no better than twelve frets before.
	const at = new Map(rows.map((row) => [row.position, row]));
	const whole = rows.map((row): CoverageRow => {
		const twin = at.get(row.position - 12);
		if (!twin) return row;
		const scale =
			row.scale && twin.scale && twin.scale.reaches > row.scale.reaches ? twin.scale : row.scale;
		const chords = row.chords.map((score, i) => Math.min(score, twin.chords[i] ?? score));
		return {
			...{ ...row, scale, chords, cost: Math.max(row.cost, twin.cost) },
			roots: Math.min(row.roots, twin.roots),
			complete: Math.min(row.complete, twin.complete)
		};
	});
	const least = Math.min(...whole.map((row) => row.cost));
	const scored = whole.map((row) => {
		const cheap = Math.max(0, 1 - (row.cost - least) / (DEAR * Math.max(1, row.changes)));
		const score =
			SCORE.cost * cheap +
			SCORE.roots * row.roots +
			SCORE.complete * (row.complete / Math.max(1, row.chords.length)) +
			SCORE.chords * mean(row.chords, 0) +
			SCORE.scale * (row.scale ? boxed(row.scale) : 1) +
			SCORE.anchor * row.anchor +
			(middle(row) ? SCORE.middle : 0);
		return { row, score: Math.round(score * 100) / 100 };
	});
	const order = [...scored].sort(
		(a, b) =>
			b.score - a.score ||
			Number(middle(b.row)) - Number(middle(a.row)) ||
			a.row.mm - b.row.mm ||
			a.row.position - b.row.position
	);
	return scored.map(({ row, score }, i) => {
		const place = order.findIndex((entry) => entry.row === row);
		return {
			position: row.position,
			score,
			cost: rows[i]!.cost,
			rank: place + 1,
			reasons: reasonsOf(row, order[place + 1]?.row)
		};
	});
}

/** Tries every position of the neck, from the nut toward the body; yields each as it is done. */
export function* coverNeck(request: CoverageRequest): Generator<CoverageRow> {
	const chords = distinctChords(request);
	for (let position = 1; position <= lastPosition(request.instrument); position++) {
		yield coverPosition(request, chords, position);
	}
}

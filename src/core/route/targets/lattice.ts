import { chartTicks, type Change } from '../../chart';
import { roleKind, type RoleKind } from '../../chord';
import { crossingPrice, shiftPrice, windowPlaces, type WindowPlace } from '../../neck';
import type { Candidate, Step } from './step';
import { isHeld } from '../landing-times';
import { positionAt, TERMS, type PlanRequest, type Term } from '../types';
import { turnPrice } from './turns';
import { RESTLESSNESS, STYLE_WEIGHTS, UNREST, voiceLeading, WEIGHTS } from './landing-prices';

/**
 * The planner's problem in numbers: per step the candidates' pitches and own costs, and between
 * neighbours the cost of each pair. Typed arrays because the search reads them millions of times.
 */
export type Lattice = {
	readonly sizes: readonly number[];
	readonly pitches: readonly Int32Array[];
	/** Own cost of each candidate. */
	readonly own: readonly Int32Array[];
	/** `pairs[i][b * sizes[i] + c]`: cost between candidate b of step i − 1 and c of step i; `pairs[0]` is empty. */
	readonly pairs: readonly Int32Array[];
};

type Costs = Partial<Record<Term, number>>;
type OwnCosts = Record<'role' | 'telling' | 'register' | 'hand' | 'rest', number>;

/** Semitones by which the middle of the chart lies higher than its ends. */
const ARCH = 4;

/** A gentle arch over the chart: the pitch that register costs are counted from, by change. */
function archOf(request: PlanRequest): (change: Change) => number {
	const total = Math.max(1, chartTicks(request.chart));
	return ({ tick, index }) =>
		middleOf(windowPlaces(request.instrument, positionAt(request, index))) +
		ARCH * Math.sin((Math.PI * tick) / total);
}

const middles = new WeakMap<readonly WindowPlace[], number>();

/** The middle of what a window sounds. */
function middleOf(places: readonly WindowPlace[]): number {
	let middle = middles.get(places);
	if (middle === undefined) {
		const pitches = places.map((place) => place.midi);
		middles.set(places, (middle = (Math.min(...pitches) + Math.max(...pitches)) / 2));
	}
	return middle;
}

/** What a wish for rest or lean costs at a landing; without one the last landing should rest. */
function restCost(request: PlanRequest, steps: readonly Step[], i: number, kind: RoleKind): number {
	const wish = request.leans?.find((entry) => entry.change === steps[i]!.change.index)?.wish;
	if (wish === 'rest') return WEIGHTS.lean * RESTLESSNESS[kind];
	if (wish === 'lean') return WEIGHTS.lean * (1000 - RESTLESSNESS[kind]);
	return i === steps.length - 1 ? UNREST[kind] : 0;
}

/** Costs of a candidate by itself: role, telling note, register, hand, rest at the end. */
function ownCosts(
	request: PlanRequest,
	steps: readonly Step[],
	i: number,
	candidate: Candidate,
	arch: number
): OwnCosts {
	const weights = STYLE_WEIGHTS[request.style];
	const { tone } = candidate;
	const kind = roleKind(tone.role);
	const before = steps[i]!.change.from?.chord;
	const held = isHeld(steps[i]!.change);
	const inChord = (!held && before?.tones.some((other) => other.pc === tone.pc)) ?? false;
	const inScale =
		!held &&
		before !== undefined &&
		(request.scale?.notes.some((note) => note.pc === tone.pc) ?? false);
	const low = candidate.string > request.instrument.open.length - 2;
	return {
		role: weights.role[kind] + (tone.essential ? 0 : WEIGHTS.tension),
		telling: inChord ? weights.telling.inChord : inScale ? weights.telling.inScale : 0,
		register: Math.round(Math.abs(candidate.midi - arch) * WEIGHTS.registerPerSemitone),
		hand: candidate.price + (low ? WEIGHTS.lowString : 0),
		rest: restCost(request, steps, i, kind)
	};
}

/** Cost of the move between two pitches under a style. */
const moveCost = (request: PlanRequest, from: number, to: number): number =>
	Math.round((voiceLeading(Math.abs(to - from)) * STYLE_WEIGHTS[request.style].voiceLeading) / 100);

/** Cost of moving the hand between two changes. */
const shiftCost = (request: PlanRequest, before: Step, step: Step): number => {
	if (!request.windows) return 0;
	const [from, to] = [
		positionAt(request, before.change.index),
		positionAt(request, step.change.index)
	];
	return shiftPrice(to - from);
};

/** Cost of the strings crossed between two places. */
const stringCost = (from: number, to: number): number =>
	Math.round((crossingPrice(Math.abs(to - from)) * WEIGHTS.crossing) / 100);

/** Costs over three targets: a pitch for the third time, back and forth, a turn. */
export function tripleCosts(a: number, b: number, c: number): Costs {
	if (a === b && b === c) return { repetition: WEIGHTS.thirdIdentical };
	if (Math.sign(b - a) * Math.sign(c - b) !== -1) return {};
	return { turns: WEIGHTS.turn, repetition: a === c ? WEIGHTS.backAndForth : 0 };
}

/** The sum of own costs; those are all that a candidate has. */
const sumOwn = ({ role, telling, register, hand, rest }: OwnCosts): number =>
	role + telling + register + hand + rest;

const pitchLists = new WeakMap<Step['candidates'], Int32Array>();

/** The pitches of a candidate list; changes to one chord share theirs. */
function pitchesOf(candidates: Step['candidates']): Int32Array {
	let pitches = pitchLists.get(candidates);
	if (!pitches) {
		pitches = new Int32Array(candidates.length);
		for (let c = 0; c < pitches.length; c++) pitches[c] = candidates[c]!.midi;
		pitchLists.set(candidates, pitches);
	}
	return pitches;
}

/** Builds the lattice of a request's steps. */
export function buildLattice(request: PlanRequest, steps: readonly Step[]): Lattice {
	const archAt = archOf(request);
	const own = steps.map((step, i) => {
		const arch = archAt(step.change);
		const costs = new Int32Array(step.candidates.length);
		for (let c = 0; c < costs.length; c++) {
			costs[c] = sumOwn(ownCosts(request, steps, i, step.candidates[c]!, arch));
		}
		return costs;
	});
	const known = new Map<Step['candidates'], Map<Step['candidates'], Int32Array>>();
	const pairs = steps.map((step, i) => {
		if (i === 0) return new Int32Array(0);
		const before = steps[i - 1]!;
		const row = known.get(before.candidates) ?? new Map<Step['candidates'], Int32Array>();
		known.set(before.candidates, row);
		const cached = row.get(step.candidates);
		if (cached) return cached;
		const made = new Int32Array(before.candidates.length * step.candidates.length);
		const shift = shiftCost(request, before, step);
		let at = 0;
		for (const from of before.candidates) {
			for (const to of step.candidates) {
				made[at++] =
					moveCost(request, from.midi, to.midi) +
					stringCost(from.string, to.string) +
					shift +
					turnPrice(step.turn, from, to);
			}
		}
		row.set(step.candidates, made);
		return made;
	});
	return {
		sizes: steps.map((step) => step.candidates.length),
		pitches: steps.map((step) => pitchesOf(step.candidates)),
		own,
		pairs
	};
}

const NOTHING = Object.fromEntries(TERMS.map((term) => [term, 0])) as Record<Term, number>;

/** The named costs of a chosen path, whose sum is what the search minimised. */
export function pathCosts(
	request: PlanRequest,
	steps: readonly Step[],
	path: readonly number[]
): Record<Term, number> {
	const total = { ...NOTHING };
	const archAt = archOf(request);
	const at = (i: number) => steps[i]!.candidates[path[i]!]!;
	steps.forEach((step, i) => {
		const own = ownCosts(request, steps, i, at(i), archAt(step.change));
		total.role += own.role;
		total.telling += own.telling;
		total.register += own.register;
		total.hand += own.hand;
		total.rest += own.rest;
		if (i === 0) return;
		const [from, to] = [at(i - 1), at(i)];
		total.voiceLeading += moveCost(request, from.midi, to.midi);
		total.strings += stringCost(from.string, to.string);
		total.shift += shiftCost(request, steps[i - 1]!, step);
		total.repetition += turnPrice(step.turn, from, to);
		if (i === 1) return;
		const three = tripleCosts(at(i - 2).midi, from.midi, to.midi);
		total.repetition += three.repetition ?? 0;
		total.turns += three.turns ?? 0;
	});
	return total;
}

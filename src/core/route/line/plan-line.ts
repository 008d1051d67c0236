import { msPerTick } from '../../kernel';
import { type Key } from '../../chord';
import { keyOf, nameOver } from '../../harmony';
import { above, degreeInterval, mod, noteName, pitchClass } from '../../pitch';
import { type PlanWarning, type Target } from '../types';
import { APPROACHES, type Approach } from './approach';
import { notesOf, solveAll, solveStretch } from './compose';
import { LineWork } from './work';
import { nameCosts } from './costs';
import { withTechniques, type Traits } from './techniques';
import type { Motion, Stretch } from './lattice';
import type { Onset } from './rhythm';
import { strike } from './strike';
import { spellLine } from '../spelling';
import { warningsOf } from './stretches';
import type { LineNote, LineRequest, LineTerm } from './types';

/** One way to arrive at a target: its last notes, and what it costs above the cheapest, in thousandths. */
export type ArrivalOption = {
	readonly approach: Approach;
	readonly extra: number;
	readonly notes: readonly Pick<LineNote, 'string' | 'fret' | 'midi' | 'name'>[];
};

/** A line with how each target is reached; null where no note leads there. */
export type Line = {
	readonly notes: readonly LineNote[];
	readonly arrivals: readonly (Approach | null)[];
	/** Every way to arrive at each target that the place allows, best first. */
	readonly options: () => readonly (readonly ArrivalOption[])[];
	/** The named costs in thousandths; their sum is what was minimised. */
	readonly costs: () => Readonly<Record<LineTerm, number>>;
	readonly warnings: readonly PlanWarning[];
};

/** Notes of an arrival that are told. */
const TOLD = 2;

/** The ways to arrive at the end of a stretch, best first. */
function optionsOf(
	stretch: Stretch,
	motion: Motion,
	work: LineWork,
	key: Key | null
): ArrivalOption[] {
	const target = stretch.to.candidates[0]!;
	const options = solveStretch(stretch, motion, work).all.flatMap((way, kind) => {
		const approach = APPROACHES[kind];
		if (!way || !approach || approach === 'other') return [];
		const last = notesOf(stretch, way).slice(approach === 'enclosure' ? -TOLD : -1);
		let toward = target.midi;
		const notes = last.reverse().map((note) => {
			const own = note.tone?.name ?? note.degree?.name;
			const name = own ?? nameOver(note.midi, { chord: null, scale: null, key }, toward);
			toward = note.midi;
			return { string: note.string, fret: note.fret, midi: note.midi, name };
		});
		return [{ approach, extra: way.cost, notes: notes.reverse() }];
	});
	const least = Math.min(...options.map((option) => option.extra));
	return options
		.map((option) => ({ ...option, extra: option.extra - least }))
		.sort((a, b) => a.extra - b.extra);
}

/** Notes with their techniques; under a slide no finger is told. */
function finished(
	notes: readonly LineNote[],
	traits: readonly Traits[],
	tickMs: number,
	{ instrument }: LineRequest
): LineNote[] {
	const written = withTechniques(notes, traits, tickMs, instrument);
	return instrument.slide ? written.map((note) => ({ ...note, finger: null })) : written;
}

/** Degrees by semitones over a root: what the notes of a cell are called there. */
const DEGREES = ['1', 'b2', '2', 'b3', '3', '4', '#4', '5', 'b6', '6', 'b7', '7'];

/** Says where a mirrored cell could not be moved as it is. */
function adaptedAt(
	{ event, target }: Onset,
	targets: readonly Target[],
	lost: readonly number[]
): PlanWarning {
	const { root } = event.chord;
	const over = (midi: number) => degreeInterval(DEGREES[mod(midi - pitchClass(root), 12)]!);
	const names = [...new Set(lost.map((midi) => noteName(above(root, over(midi)))))];
	const are = names.length === 1 ? 'does' : 'do';
	return {
		change: targets[target ?? 0]!.change,
		message: `The cell is adapted over ${event.symbol}: ${names.join(' ')} ${are} not stand there, in this scale and this place.`
	};
}

/**
 * Fills the way between targets: a note on every place of the rhythm, the best for each way of arriving
 * (exact within a stretch), ways of arriving spread over the line, techniques written in. The same
 * request gives the same line everywhere.
 * @param work what earlier plans of the same chart left; only saves time
 */
export function planLine(
	request: LineRequest,
	targets: readonly Target[],
	work = new LineWork()
): Line {
	const { chart, line } = request;
	const pools = work.open(request);
	const onsets = work.rhythm(chart, targets, line);
	const tickMs = msPerTick(chart.headers.tempo);
	const taste = {
		spice: line.spice ?? 0,
		seed: line.seed ?? 0,
		strings: request.instrument.open.length
	};
	const motion: Motion = { msPerTick: tickMs, direction: line.direction ?? null, taste };
	const stretches = work.stretches(request, targets, onsets, pools, motion);
	const { chosen, adapted } = solveAll(stretches, motion, work, request.style === 'mirror');
	const notes: LineNote[] = [];
	const traits: Traits[] = [];
	const own = new Map(
		(line.fingers ?? []).map((f) => [`${f.tick} ${f.string} ${f.fret}`, f.finger])
	);
	const starts = onsets.filter((onset) => onset.target !== null);
	stretches.forEach((stretch, i) => {
		const struck = strike(stretch, chosen[i]!, starts[i]!, pools, own);
		const [landing, ...way] = struck.notes;
		// A colour that is landed on is told by what it is over its chord.
		const { role } = targets[starts[i]!.target ?? 0]!;
		if (landing) notes.push(landing.role === null ? { ...landing, role } : landing, ...way);
		traits.push(...struck.traits);
	});
	const arrivals = targets.map((_, i): Approach | null => {
		const at = i === 0 ? chosen.length - 1 : i - 1;
		return APPROACHES[chosen[at]?.kind ?? -1] ?? null;
	});
	return {
		notes: spellLine(chart, work.scales, finished(notes, traits, tickMs, request), true),
		arrivals,
		options: () =>
			targets.map((_, i) => {
				const stretch = stretches[i === 0 ? stretches.length - 1 : i - 1];
				return stretch ? optionsOf(stretch, motion, work, keyOf(chart)) : [];
			}),
		costs: () => nameCosts(stretches, chosen, motion),
		warnings: [
			...warningsOf(chart, targets, stretches),
			...[...adapted].map(([i, lost]) => adaptedAt(starts[i]!, targets, lost))
		]
	};
}

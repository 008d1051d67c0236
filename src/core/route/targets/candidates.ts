import {
	samePlace,
	highestFret,
	inWindow,
	isPosition,
	lastPosition,
	pitchAt,
	windowPlaces,
	type WindowPlace
} from '../../neck';
import type { Change } from '../../chart';
import { guideTones, roleKind, toneAt, type Chord, type Tone } from '../../chord';
import { isHeld } from '../landing-times';
import { besideTones, homeAt } from '../beside-tones';
import type { Candidate, Step, Turn } from './step';
import { bitsOf, takeTurns } from './turns';
import {
	positionAt,
	type Lock,
	type PlanRequest,
	type PlanWarning,
	type RequestIssue,
	type Style
} from '../types';

type Window = readonly WindowPlace[];

/**
 * The tones that a style lands on: roots and guide tones are strict, a mirror keeps to one kind of tone,
 * a blend to tones of the pentatonic and the chord's third; the others take any tone, and colours where they are free.
 * Who wants to come home lands on its tonic alone.
 */
export function tonesForStyle(change: Change, request: PlanRequest): readonly Tone[] {
	const { style, mirrored, scale, home, colours } = request;
	if (home) return [homeAt(home, change)];
	const { tones: own } = change.to.chord;
	const tones = colours?.free ? [...own, ...besideTones(request, change)] : own;
	if (style === 'roots') return own.filter((tone) => tone.role === 'R');
	if (style === 'guide-tones') return guideTones(change.to.chord);
	if (style === 'mirror' && mirrored) return own.filter((tone) => roleKind(tone.role) === mirrored);
	if (style === 'arpeggio') return own;
	if (style === 'blend' && scale) {
		const held = new Set(scale.notes.map((note) => note.pc));
		return tones.filter((tone) => held.has(tone.pc) || roleKind(tone.role) === 'third');
	}
	return tones;
}

/** What a request looks for, for sentences. */
export const soughtWords = ({
	style,
	home
}: {
	style: Style;
	home?: PlanRequest['home'];
}): string =>
	home
		? 'tonic of home'
		: style === 'roots'
			? 'root'
			: style === 'guide-tones'
				? 'guide tone'
				: style === 'mirror'
					? 'tone of the mirrored kind'
					: 'tone of the scale';

const tables = new WeakMap<Chord, readonly (Tone | undefined)[]>();

/** The tones of a chord by pitch class. */
function toneTable(chord: Chord): readonly (Tone | undefined)[] {
	let table = tables.get(chord);
	if (!table) {
		table = Array.from({ length: 12 }, (_, pc) => toneAt(chord, pc));
		tables.set(chord, table);
	}
	return table;
}

const sounding = new WeakMap<Window, WeakMap<Chord, readonly Candidate[]>>();

/** Every place of a window that sounds a tone of a chord, in a fixed order; the same list as long as both live. */
function tonePlaces(window: Window, chord: Chord): readonly Candidate[] {
	let row = sounding.get(window);
	if (!row) sounding.set(window, (row = new WeakMap()));
	let places = row.get(chord);
	if (!places) {
		const tones = toneTable(chord);
		places = window.flatMap(({ string, fret, midi, reach, finger, price }): Candidate[] => {
			const tone = tones[midi % 12];
			return tone ? [{ string, fret, midi, reach, finger, price, tone }] : [];
		});
		row.set(chord, places);
	}
	return places;
}

/** Places of a window that sound a tone of a chord or one of some others. */
function withBeside(window: Window, chord: Chord, beside: readonly Tone[]): readonly Candidate[] {
	if (beside.length === 0) return tonePlaces(window, chord);
	const tones = [...toneTable(chord)];
	for (const tone of beside) tones[tone.pc] ??= tone;
	return window.flatMap(({ string, fret, midi, reach, finger, price }): Candidate[] => {
		const tone = tones[midi % 12];
		return tone ? [{ string, fret, midi, reach, finger, price, tone }] : [];
	});
}

/** Those of them that a change may land on, whatever the style. */
function landingPlaces(
	request: PlanRequest,
	change: Change,
	beside = besideTones(request, change)
): readonly Candidate[] {
	const window = windowPlaces(request.instrument, positionAt(request, change.index));
	const all = withBeside(window, change.to.chord, beside);
	const allowed = request.only?.[change.to.index];
	if (!allowed && request.forbid.length === 0) return all;
	return all.filter(
		(place) =>
			(!allowed || allowed.notes.some(({ pc }) => pc === place.midi % 12)) &&
			!request.forbid.some((other) => samePlace(other, place))
	);
}

const alone = new WeakMap<Candidate, readonly Candidate[]>();

/** The one candidate that a lock leaves; the same list each time. */
function locked(places: readonly Candidate[], lock: Lock): readonly Candidate[] {
	const place = places.find((one) => samePlace(one, lock));
	if (!place) return [];
	let list = alone.get(place);
	if (!list) alone.set(place, (list = [place]));
	return list;
}

/** The landing places of a change that the style asks for. */
function fittingPlaces(
	request: PlanRequest,
	change: Change,
	places: readonly Candidate[]
): readonly Candidate[] {
	const wanted = tonesForStyle(change, request);
	return places.filter((place) => wanted.some((tone) => tone.pc === place.tone.pc));
}

/** What a change may be landed on: the places of the style, those that serve where there are none, and all. */
type Choice = {
	readonly fitting: readonly Candidate[];
	readonly serving: readonly Candidate[];
	readonly all: readonly Candidate[];
};

/** Finds what changes may be landed on. Changes to one chord share their lists, which later work recognises by identity. */
function chooser(request: PlanRequest): (change: Change) => Choice {
	const known = new Map<string, Choice>();
	return (change) => {
		const position = positionAt(request, change.index);
		const kept = request.only?.[change.to.index];
		const beside = besideTones(request, change);
		const scale = kept ? `${kept.tonic.letter} ${kept.tonic.alter} ${kept.name}` : '';
		const others = beside.map(({ name, role }) => `${name}${role}`).join();
		const here = `${position} ${change.to.symbol} ${scale} ${others}`;
		const found = known.get(here);
		if (found) return found;
		const all = landingPlaces(request, change, beside);
		const fitting = fittingPlaces(request, change, all);
		const tones = all.filter(({ tone }) => change.to.chord.tones.includes(tone));
		const serving = fitting.length > 0 ? fitting : tones.length === all.length ? all : tones;
		const made = { fitting, serving, all };
		known.set(here, made);
		return made;
	};
}

/** What is said of a change that lands on something else than was asked for, or on nothing. */
function warningOf(request: PlanRequest, change: Change, choice: Choice): string | null {
	const { symbol } = change.to;
	const position = positionAt(request, change.index);
	if (choice.fitting.length > 0) return null;
	if (choice.serving.length > 0) {
		return `Position ${position} holds no ${soughtWords(request)} of ${symbol}: another chord tone serves.`;
	}
	return request.only?.[change.to.index]
		? `No tone of ${symbol} is among the notes of the scale in position ${position}: this change is let pass.`
		: `Position ${position} holds no tone of ${symbol}: this change is let pass.`;
}

/**
 * The steps of a plan: each change that is not let pass with its candidates. A lock leaves one
 * candidate. Where the window holds no tone of the style any chord tone serves; where it holds none
 * at all the change is let pass. Both are warned of. On a chord that goes on each tone has its turn.
 * @param open a change for which every place is a candidate, whatever the style
 */
export function planSteps(
	request: PlanRequest,
	open: number | null = null
): { steps: Step[]; warnings: PlanWarning[] } {
	const warnings: PlanWarning[] = [];
	const steps: Step[] = [];
	const choiceOf = chooser(request);
	/** The step before on the same chord. */
	let before: Step | null = null;
	const add = (
		change: Change,
		places: readonly Candidate[],
		how: Omit<Turn, 'among'>,
		lock: boolean,
		among: number
	) => {
		const turn = before && { ...how, among };
		const candidates = turn && before ? takeTurns(before.candidates, places, turn) : places;
		before = { change, candidates, locked: lock, turn };
		steps.push(before);
	};
	for (const change of request.chart.changes) {
		if (!isHeld(change)) before = null;
		if (request.letPass.includes(change.index)) continue;
		const choice = choiceOf(change);
		const { serving, all } = choice;
		const among = bitsOf(serving);
		const lock = request.locks.find((entry) => entry.change === change.index);
		if (lock) {
			const kept = request.only?.[change.to.index];
			const free = kept ? landingPlaces({ ...request, only: undefined }, change) : all;
			add(change, locked(free, lock), { free: true }, true, among);
			continue;
		}
		const message = warningOf(request, change, choice);
		if (message) warnings.push({ change: change.index, message });
		const places = change.index === open ? all : serving;
		if (places.length > 0) add(change, places, { free: change.index === open }, false, among);
	}
	return { steps, warnings };
}

/** The hand may move along the neck: at most `roam` frets at a time, by the player's wish. */
export type Roam = { readonly roam: number; readonly wish?: 'climb' | 'stay' | 'descend' };

/** A request whose position may still be open. */
export type OpenRequest = Omit<PlanRequest, 'position' | 'mirrored'> & {
	readonly position: number | 'best' | Roam;
};

function checkLock(request: OpenRequest, lock: Lock, i: number): string | null {
	const { chart, instrument, locks, forbid, letPass, windows } = request;
	const position = windows?.[lock.change] ?? request.position;
	const { bar, to } = chart.changes[lock.change]!;
	const { symbol, chord } = to;
	const where = `Bar ${bar} (${symbol})`;
	const name = `${where}: string ${lock.string}, fret ${lock.fret}`;
	if (lock.string > instrument.open.length || lock.fret > highestFret(instrument)) {
		return `${name} is not on this instrument.`;
	}
	if (typeof position === 'number' && !inWindow(instrument, position, lock)) {
		return `${name} lies outside position ${position}.`;
	}
	const midi = pitchAt(instrument, lock);
	const beside = besideTones(request, chart.changes[lock.change]!);
	if (!toneAt(chord, midi) && !beside.some(({ pc }) => pc === midi % 12)) {
		return `${name} is not a tone of ${symbol}${request.colours ? ', nor a colour of the scale there' : ''}.`;
	}
	if (forbid.some((place) => samePlace(place, lock)))
		return `${name} is locked and forbidden at once.`;
	if (letPass.includes(lock.change)) return `${where} is locked and let pass at once.`;
	const first = locks.findIndex((other) => other.change === lock.change);
	return first === i ? null : `${where} is locked twice.`;
}

/** What is wrong with a request: unknown changes, places outside the window, locks that are no chord tone. */
export function checkRequest(request: OpenRequest): RequestIssue[] {
	const { chart, instrument, position, locks, forbid, letPass } = request;
	const issues: RequestIssue[] = [];
	if (typeof position === 'number' && !isPosition(instrument, position)) {
		const message = `Position ${position} does not exist: this instrument has 1 to ${lastPosition(instrument)}.`;
		return [{ path: ['position'], message }];
	}
	const last = chart.changes.length - 1;
	const unknown = (path: (string | number)[], change: number) =>
		issues.push({ path, message: `There is no change ${change}: this chart has 0 to ${last}.` });
	locks.forEach((lock, i) => {
		if (!chart.changes[lock.change]) return unknown(['locks', i, 'change'], lock.change);
		const message = checkLock(request, lock, i);
		if (message) issues.push({ path: ['locks', i], message });
	});
	letPass.forEach((change, i) => {
		if (!chart.changes[change]) unknown(['letPass', i], change);
	});
	forbid.forEach((place, i) => {
		const held = request.windows?.some((other) => inWindow(instrument, other, place));
		if (typeof position !== 'number' || held || inWindow(instrument, position, place)) return;
		const where = `String ${place.string}, fret ${place.fret}`;
		issues.push({ path: ['forbid', i], message: `${where} lies outside position ${position}.` });
	});
	return issues;
}

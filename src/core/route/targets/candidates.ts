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
import {
	positionAt,
	type Lock,
	type PlanRequest,
	type PlanWarning,
	type RequestIssue,
	type Style
} from '../types';

/** A place that sounds a tone of a change's chord. */
export type Candidate = Omit<WindowPlace, 'furthest'> & { readonly tone: Tone };

type Window = readonly WindowPlace[];

/** A change with the places it may land on; `locked` when the player chose the only one. */
export type Step = {
	readonly change: Change;
	readonly candidates: readonly Candidate[];
	readonly locked: boolean;
};

/**
 * The tones that a style lands on: roots and guide tones are strict, a mirror keeps to one kind of tone,
 * a blend to tones of the pentatonic and the chord's third; the others take any tone.
 */
export function tonesForStyle(
	change: Change,
	{ style, mirrored, scale }: Pick<PlanRequest, 'style' | 'mirrored' | 'scale'>
): readonly Tone[] {
	const { tones } = change.to.chord;
	if (style === 'roots') return tones.filter((tone) => tone.role === 'R');
	if (style === 'guide-tones') return guideTones(change.to.chord);
	if (style === 'mirror' && mirrored) {
		return tones.filter((tone) => roleKind(tone.role) === mirrored);
	}
	if (style === 'blend' && scale) {
		const held = new Set(scale.notes.map((note) => note.pc));
		return tones.filter((tone) => held.has(tone.pc) || roleKind(tone.role) === 'third');
	}
	return tones;
}

/** What a style looks for, for sentences. */
export const soughtWords = (style: Style): string =>
	style === 'roots'
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

/** Those of them that a change may land on, whatever the style. */
function landingPlaces(request: PlanRequest, change: Change): readonly Candidate[] {
	const window = windowPlaces(request.instrument, positionAt(request, change.index));
	const all = tonePlaces(window, change.to.chord);
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

/**
 * The steps of a plan: each change that is not let pass with its candidates. A lock leaves one
 * candidate. Where the window holds no tone of the style any chord tone serves; where it holds none
 * at all the change is let pass. Both are warned of.
 */
export function planSteps(request: PlanRequest): { steps: Step[]; warnings: PlanWarning[] } {
	const warnings: PlanWarning[] = [];
	const steps: Step[] = [];
	// Changes to one chord share their candidate lists, which later work recognises by identity.
	const known = new Map<string, readonly Candidate[]>();
	const fittingKnown = new Map<string, readonly Candidate[]>();
	for (const change of request.chart.changes) {
		if (request.letPass.includes(change.index)) continue;
		const { symbol } = change.to;
		const position = positionAt(request, change.index);
		const kept = request.only?.[change.to.index];
		const here = `${position} ${symbol} ${kept ? `${kept.tonic.letter} ${kept.tonic.alter} ${kept.name}` : ''}`;
		const all = known.get(here) ?? landingPlaces(request, change);
		known.set(here, all);
		const lock = request.locks.find((entry) => entry.change === change.index);
		if (lock) {
			const free = kept ? landingPlaces({ ...request, only: undefined }, change) : all;
			steps.push({ change, candidates: locked(free, lock), locked: true });
			continue;
		}
		if (all.length === 0) {
			const message = kept
				? `No tone of ${symbol} is among the notes of the scale in position ${position}: this change is let pass.`
				: `Position ${position} holds no tone of ${symbol}: this change is let pass.`;
			warnings.push({ change: change.index, message });
			continue;
		}
		const fitting = fittingKnown.get(here) ?? fittingPlaces(request, change, all);
		fittingKnown.set(here, fitting);
		if (fitting.length === 0) {
			const what = soughtWords(request.style);
			const message = `Position ${position} holds no ${what} of ${symbol}: another chord tone serves.`;
			warnings.push({ change: change.index, message });
		}
		steps.push({ change, candidates: fitting.length > 0 ? fitting : all, locked: false });
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
	const { symbol, chord } = chart.changes[lock.change]!.to;
	const name = `Change ${lock.change}: string ${lock.string}, fret ${lock.fret}`;
	if (lock.string > instrument.open.length || lock.fret > highestFret(instrument)) {
		return `${name} is not on this instrument.`;
	}
	if (typeof position === 'number' && !inWindow(instrument, position, lock)) {
		return `${name} lies outside position ${position}.`;
	}
	if (!toneAt(chord, pitchAt(instrument, lock))) return `${name} is not a tone of ${symbol}.`;
	if (forbid.some((place) => samePlace(place, lock)))
		return `${name} is locked and forbidden at once.`;
	if (letPass.includes(lock.change)) return `Change ${lock.change} is locked and let pass at once.`;
	const first = locks.findIndex((other) => other.change === lock.change);
	return first === i ? null : `Change ${lock.change} is locked twice.`;
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

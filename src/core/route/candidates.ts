import type { Change } from '../chart';
import { guideTones, toneAt, type Tone } from '../chord';
import {
	highestFret,
	inWindow,
	isPosition,
	lastPosition,
	pitchAt,
	windowPlaces,
	type Place,
	type WindowPlace
} from '../neck';
import type { Lock, PlanRequest, PlanWarning, RequestIssue, Style } from './types';

/** A place that sounds a tone of a change's chord. */
export type Candidate = WindowPlace & { readonly tone: Tone };

/** A change with the places it may land on; `locked` when the player chose the only one. */
export type Step = {
	readonly change: Change;
	readonly candidates: readonly Candidate[];
	readonly locked: boolean;
};

const samePlace = (a: Place, b: Place): boolean => a.string === b.string && a.fret === b.fret;

/** The tones that a style lands on: roots and guide tones are strict, the others take any tone. */
export function tonesForStyle(change: Change, style: Style): readonly Tone[] {
	const { chord } = change.to;
	if (style === 'roots') return chord.tones.filter((tone) => tone.role === 'R');
	return style === 'guide-tones' ? guideTones(chord) : chord.tones;
}

/** Every place of the window that sounds a tone of the change's chord, in a fixed order. */
function landingPlaces(request: PlanRequest, change: Change): Candidate[] {
	return windowPlaces(request.instrument, request.position).flatMap((place) => {
		const tone = toneAt(change.to.chord, place.midi);
		const forbidden = request.forbid.some((other) => samePlace(other, place));
		return tone && !forbidden ? [{ ...place, tone }] : [];
	});
}

/** All landing places of a change, and those that the style asks for. */
function findPlaces(request: PlanRequest, change: Change) {
	const all = landingPlaces(request, change);
	const wanted = tonesForStyle(change, request.style);
	const fitting = all.filter((place) => wanted.some((tone) => tone.pc === place.tone.pc));
	return { all, fitting };
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
	const known = new Map<string, { all: Candidate[]; fitting: Candidate[] }>();
	for (const change of request.chart.changes) {
		if (request.letPass.includes(change.index)) continue;
		const { symbol } = change.to;
		const { all, fitting } = known.get(symbol) ?? findPlaces(request, change);
		known.set(symbol, { all, fitting });
		const lock = request.locks.find((entry) => entry.change === change.index);
		if (lock) {
			const chosen = all.filter((place) => samePlace(place, lock));
			steps.push({ change, candidates: chosen, locked: true });
			continue;
		}
		if (all.length === 0) {
			const message = `Position ${request.position} holds no tone of ${symbol}: this change is let pass.`;
			warnings.push({ change: change.index, message });
			continue;
		}
		if (fitting.length === 0) {
			const what = request.style === 'roots' ? 'root' : 'guide tone';
			const message = `Position ${request.position} holds no ${what} of ${symbol}: another chord tone serves.`;
			warnings.push({ change: change.index, message });
		}
		steps.push({ change, candidates: fitting.length > 0 ? fitting : all, locked: false });
	}
	return { steps, warnings };
}

/** A request whose position may still be open. */
export type OpenRequest = Omit<PlanRequest, 'position'> & { readonly position: number | 'best' };

function checkLock(request: OpenRequest, lock: Lock, i: number): string | null {
	const { chart, instrument, position, locks, forbid, letPass } = request;
	const { symbol, chord } = chart.changes[lock.change].to;
	const name = `Change ${lock.change}: string ${lock.string}, fret ${lock.fret}`;
	if (lock.string > instrument.open.length || lock.fret > highestFret(instrument)) {
		return `${name} is not on this instrument.`;
	}
	if (position !== 'best' && !inWindow(instrument, position, lock)) {
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
	if (position !== 'best' && !isPosition(instrument, position)) {
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
		if (position === 'best' || inWindow(instrument, position, place)) return;
		const where = `String ${place.string}, fret ${place.fret}`;
		issues.push({ path: ['forbid', i], message: `${where} lies outside position ${position}.` });
	});
	return issues;
}

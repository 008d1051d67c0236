import { countWord } from '../../kernel';
import { roleWords } from '../../chord';
import { soughtWords, tonesForStyle } from './candidates';
import type { Candidate, Step } from './step';
import { isHeld } from '../landing-times';
import { positionAt, type PlanRequest } from '../types';

/** A number of semitones in words: `a semitone`, `a whole tone`, `5 semitones`. */
const semitoneWords = (semitones: number): string => {
	const size = Math.abs(semitones);
	if (size === 1) return 'a semitone';
	return size === 2 ? 'a whole tone' : `${size} semitones`;
};

/** How the hand goes from one place to the next. */
function handWords(from: Candidate, to: Candidate): string {
	const strings = Math.abs(to.string - from.string);
	if (strings === 1) return 'next string';
	if (strings > 1) return `${countWord(strings)} strings away`;
	if (to.fret === from.fret) return 'same place';
	return Math.abs(to.fret - from.fret) === 1 ? 'same string, next fret' : 'same string';
}

/** The move into a landing in one sentence. */
export function moveReason(step: Step, from: Candidate | null, to: Candidate): string {
	const { name } = to.tone;
	const role = `the ${roleWords(to.tone.role)} of ${step.change.to.symbol}`;
	if (!from) return `The first landing: ${name}, ${role}.`;
	const semitones = to.midi - from.midi;
	if (semitones === 0) {
		const hand = from.string === to.string ? 'The hand rests' : 'On another string';
		return `${from.tone.name} stays${from.tone.name === name ? '' : `, written ${name}`}: now ${role}. ${hand}.`;
	}
	const verb = semitones > 0 ? 'rises' : 'falls';
	return `${from.tone.name} ${verb} ${semitoneWords(semitones)} to ${name}, ${role}, ${handWords(from, to)}.`;
}

/** What the ear learns from a landing: is its tone new, or heard already? */
export function earReason(request: PlanRequest, step: Step, to: Candidate): string | null {
	const before = step.change.from;
	if (!before) return null;
	const { name, pc } = to.tone;
	if (isHeld(step.change)) return `${step.change.to.symbol} goes on: now another of its tones.`;
	if (before.chord?.tones.some((tone) => tone.pc === pc)) {
		return `${name} is in both chords: it does not tell the change.`;
	}
	if (request.scale?.notes.some((note) => note.pc === pc)) {
		return `${before.symbol} has no ${name}, but your scale does: the ear may know it already.`;
	}
	return `${before.symbol} has no ${name}: it tells the change at once.`;
}

/** All reasons for a landing, most telling first. ASCII note names. */
export function landingReasons(
	request: PlanRequest,
	step: Step,
	from: Candidate | null,
	to: Candidate
): string[] {
	const reasons = [moveReason(step, from, to)];
	const ear = earReason(request, step, to);
	if (ear) reasons.push(ear);
	if (step.locked) reasons.push('You locked it.');
	else if (!tonesForStyle(step.change, request).some((tone) => tone.pc === to.tone.pc)) {
		const what = soughtWords(request);
		reasons.push(`The place holds no ${what} of ${step.change.to.symbol}.`);
	}
	if (to.reach) {
		const side =
			to.fret < positionAt(request, step.change.index)
				? 'back toward the nut'
				: 'on toward the body';
		reasons.push(`A reach: one fret ${side}.`);
	}
	if (!to.tone.essential) {
		const { symbol, chord } = step.change.to;
		const colour = !chord.tones.includes(to.tone);
		reasons.push(
			colour
				? `${to.tone.name} is no tone of ${symbol}: it leans, and wants to move on.`
				: 'A tension: it leans, and wants to move on.'
		);
	}
	return reasons;
}

import { proseSigns, roleWords, signs, type Chord } from '$core/chord';
import {
	noteVerdict,
	choiceOf,
	scaleChoices,
	type ChoiceContext,
	type Hidden,
	type Scale,
	type ScaleChoice,
	type ScaleEdit,
	type Verdict
} from '$core/harmony';
import { prefs } from '$lib/state/prefs.svelte';
import { noteName, parseNote, pitchClass, shortestMove, type Notation } from '$core/pitch';

/** One note of the scale in use as a chord hears it, or the note that takes its place. */
export type ScaleField = {
	readonly degree: string;
	readonly role: Notation;
	readonly verdict: Verdict;
	/** The note that stands here in the chord's scale; null where the note is left out. */
	readonly edited: Notation | null | undefined;
	readonly rises: boolean;
};

const pcOf = (name: string): number => {
	const note = parseNote(name);
	return note ? pitchClass(note) : 0;
};

/** The notes of a scale over a chord, with the edits of one choice in their places. */
export function scaleFields(
	scale: Scale,
	chord: Chord,
	next: Chord | null,
	edits: readonly ScaleEdit[]
): ScaleField[] {
	return scale.notes.map(({ degree, note, name }) => {
		const edit = edits.find((entry) => entry.from === name);
		const { role, verdict } = noteVerdict(note, chord, next);
		const rises = edit?.to ? shortestMove(pcOf(name), pcOf(edit.to)) > 0 : false;
		return { degree, role, verdict, edited: edit?.to, rises };
	});
}

/** An edit in words: `A♭ falls to G`, `add D`, `leave out F`. */
function editWords({ from, to }: ScaleEdit): string {
	if (from && to) {
		const up = shortestMove(pcOf(from), pcOf(to)) > 0;
		return `${prefs.name(from)} ${up ? 'rises' : 'falls'} to ${prefs.name(to)}`;
	}
	return to ? `add ${prefs.name(to)}` : `leave out ${from ? prefs.name(from) : ''}`;
}

/** All edits of a choice in a sentence without its stop. */
export const choiceWords = ({ edits }: ScaleChoice): string =>
	edits.length === 0 ? 'nothing changes' : edits.map(editWords).join(', ');

/** What a scale leaves out of a chord: `without the third (B)`; empty when it holds all of it. */
export const lackWords = ({ lacks }: ScaleChoice): string =>
	lacks.length === 0
		? ''
		: `without ${lacks.map((tone) => `the ${roleWords(tone.role)} (${prefs.name(tone.name)})`).join(' and ')}`;

/** What a hidden arpeggio is good for: `C7♭9 without its root`, `tells the chord, C clashes`. */
export function hiddenWords({ use, clashes, rootless, notes }: Hidden): string {
	const clashing = notes.filter((note) => clashes.includes(noteName(note)));
	const names = clashing.map((note) => prefs.name(noteName(note)));
	const told = [
		rootless ? `${proseSigns(rootless)} without its root` : null,
		!rootless && use === 'tells' ? 'tells the chord' : null,
		use === 'colour' ? 'colour' : null,
		names.length > 0 ? `${names.join(' ')} ${names.length === 1 ? 'clashes' : 'clash'}` : null
	].filter((text) => text !== null);
	return told.length > 0 ? told.join(', ') : 'in the chord';
}

/** What to do with the notes of a scale that clash with a chord, one sentence for each. */
export function clashWords(scale: Scale, chord: Chord, next: Chord | null): string[] {
	return scale.notes.flatMap(({ note, name }) => {
		const { verdict, treatment } = noteVerdict(note, chord, next);
		if (verdict !== 'clash' || !treatment) return [];
		return [`${prefs.name(name)} over ${signs(chord.symbol)}: ${prefs.prose(treatment)}.`];
	});
}

/**
 * Scales for a chord as edits of the scale in use. One that the player chose while another scale was
 * in use stands last, so that what the neck shows is always told.
 */
export function choicesFor(
	chord: Chord,
	inUse: Scale,
	context: ChoiceContext = {},
	chosen: Scale | null = null
): ScaleChoice[] {
	const choices = scaleChoices(chord, inUse, context);
	if (!chosen || choices.some((choice) => sameScale(choice.scale, chosen))) return choices;
	return [...choices, choiceOf(chosen, chord, inUse, context.next)];
}

/** True when two scales are one: the same tonic as it is spelled, and the same name. */
export const sameScale = (a: Scale, b: Scale): boolean =>
	a.name === b.name && noteName(a.tonic) === noteName(b.tonic);

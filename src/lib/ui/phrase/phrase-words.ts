import { signs, type Role } from '$core/chord';
import { roleOfPitch, type Phrase } from '$core/phrase';
import { leanOf } from '$core/route';
import type { Making, PhraseDesk } from '$lib/state/phrase-desk.svelte';
import { capital, inWords, plural } from '$lib/words/words';

/** The name of what is made of a motif. */
export const MADE: Record<Making, string> = {
	answer: 'Answer',
	sequence: 'Sequence',
	symmetric: 'Symmetric',
	displace: 'Later',
	reverse: 'Backward'
};

const HEADS: Record<Exclude<Making, 'answer'>, string> = {
	sequence: 'The motif goes through the scale.',
	symmetric: 'The motif goes by one interval.',
	displace: 'The same notes, an eighth later.',
	reverse: 'The same notes, backward.'
};

/** How a landing feels: at rest on the root, leaning on an extension. */
export function feelOf(role: Role | null): string {
	if (role === null) return '';
	const lean = leanOf(role);
	return lean < 0.2
		? 'at rest'
		: lean < 0.45
			? 'open'
			: lean < 0.65
				? 'tells the chord'
				: 'leans on';
}

/** The role of a phrase's last note over the chord of a shown change; null without a note. */
export function landingOf(desk: PhraseDesk, phrase: Phrase | undefined, at: number): Role | null {
	const last = phrase?.notes.at(-1);
	const chord = desk.shown[at]?.to.chord;
	return last && chord ? roleOfPitch(chord, last.midi) : null;
}

/** The first sentence of the screen, and what it rests on. */
export function phraseVerdict(desk: PhraseDesk, columns: number): { head: string; rest: string } {
	const { making, times, shown } = desk;
	if (desk.live) {
		return { head: 'Play your motif.', rest: 'On the neck, the keys or MIDI; Enter takes it.' };
	}
	if (making === 'answer') {
		const feels = [desk.calls[0], desk.made[0]].map((phrase) => feelOf(landingOf(desk, phrase, 0)));
		const stay = Math.max(0, desk.motif.notes.length - 1);
		return {
			head: `One call, ${columns > 1 ? 'two chords, ' : ''}one answer.`,
			rest: `${stay === 0 ? 'The' : `${capital(inWords(stay))} ${stay === 1 ? 'note stays' : 'notes stay'}, the`} landing changes: ${feels[0]}, then ${feels[1]}.`
		};
	}
	const runs = making === 'sequence' || making === 'symmetric';
	const rest = runs
		? `${plural(times, 'time')} in all, from ${signs(shown[0]?.to.symbol ?? '')} on.`
		: '';
	return { head: HEADS[making], rest };
}

/** Where the hand is at a change, and how far it has moved for it. */
export function placeWords(desk: PhraseDesk, change: number): string {
	const at = desk.handAt(change);
	const moved = at - desk.open.position;
	if (moved === 0) return `position ${at}`;
	return `position ${at}, ${plural(Math.abs(moved), 'fret')} toward the ${moved < 0 ? 'nut' : 'body'}`;
}

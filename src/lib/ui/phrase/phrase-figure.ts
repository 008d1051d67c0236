import { samePlace } from '$core/neck';
import { roleOfPitch } from '$core/phrase';
import type { PhraseDesk } from '$lib/state/phrase-desk.svelte';
import { prefs } from '$lib/state/prefs.svelte';
import type { Figure, FigureNote } from '$lib/draw/figure';
import { plural } from '$lib/words/words';

/** What the neck shows of a motif: the call on as many chords as are shown, or all that runs on; null without notes. */
export function phraseFigure(desk: PhraseDesk, columns: number): Figure | null {
	const notes: FigureNote[] = [];
	const phrases = desk.runs ? desk.made.slice(0, 1) : desk.calls.slice(0, columns);
	phrases.forEach((phrase, at) => {
		const chord = desk.shown[at]?.to.chord;
		if (!chord) return;
		for (const { string, fret, name, midi } of phrase.notes) {
			if (notes.some((other) => samePlace(other, { string, fret }))) continue;
			const role = roleOfPitch(chord, midi);
			const label = prefs.label({ role, name, pc: midi % 12 });
			notes.push({ string, fret, label, ...(at === 0 ? { now: role } : { next: role }) });
		}
	});
	if (notes.length === 0) return null;
	const words = `${desk.name} on the neck, ${plural(notes.length, 'place')}`;
	return { kind: 'marks', notes, words };
}

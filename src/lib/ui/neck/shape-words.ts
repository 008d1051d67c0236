import { prefs } from '$lib/state/prefs.svelte';
import type { Notation } from '$core/pitch';
import { signs } from '$core/chord';
import type { Comfort, Shape } from '$core/neck';
import { capital, inWords, plural } from '$lib/words/words';

const KINDS = { full: 'full', octave: 'root to root', fragment: 'fragment' } as const;
/** How a stretch sits in the player's hand. */
export const COMFORT: Record<Comfort, string> = {
	easy: 'easy for your hand',
	stretch: 'a stretch for your hand: get there in small steps, stop if it hurts',
	far: 'too far for your hand: slide, or take a note on another string'
};

/** Two notes on every string, up the neck. */
const isClimb = ({ notes }: Shape): boolean =>
	notes.every((note, i) => note.string === notes[i - (i % 2)].string) &&
	new Set(notes.map((note) => note.string)).size * 2 === notes.length;

/** A move of the hand: `finger 3 slides 3 frets on, string 3`. */
function shiftWords({ notes, shifts }: Shape): string[] {
	return shifts.map(({ afterNote, frets, string, finger }) => {
		const before = notes[afterNote];
		const how = before.string === string && before.finger === finger ? 'slides' : 'moves';
		const way = frets > 0 ? 'on' : 'back';
		return `finger ${finger} ${how} ${plural(Math.abs(frets), 'fret')} ${way}, string ${string}`;
	});
}

/** What kind of shape it is, for the head of its card; a fragment says its strings. */
export function kindWords(shape: Shape): string {
	if (shape.kind === 'path') {
		return shape.notes[shape.notes.length - 1].role === 'R' ? 'root to root' : 'root to seventh';
	}
	if (shape.kind === 'joined') return isClimb(shape) ? 'two a string' : 'two places';
	if (shape.kind !== 'fragment') return KINDS[shape.kind];
	const strings = [...new Set(shape.notes.map((note) => note.string))].sort((a, b) => b - a);
	return `strings ${strings[0]}–${strings[strings.length - 1]}`;
}

/** The line under a card: its form, or how many notes and reaches. */
export function captionWords(shape: Shape): string {
	const reaches = shape.notes.filter((note) => note.reach).length;
	if (shape.kind === 'octave' && shape.form) {
		return `${shape.form} form, root string ${shape.rootString}`;
	}
	if (shape.kind === 'path') {
		const [first] = shape.notes;
		const by = first.finger === null ? 'open' : `finger ${first.finger} first`;
		return `${shape.form ? `${shape.form} form` : `String ${first.string}`}, ${by}`;
	}
	if (shape.kind === 'joined') {
		const [{ string, finger }] = shape.shifts;
		return `Shift: string ${string}, finger ${finger}`;
	}
	const count = shape.notes.length;
	const notes = `${capital(inWords(count))} ${count === 1 ? 'note' : 'notes'}`;
	if (reaches === 0) return `${notes}, no reach`;
	return `${notes}, ${inWords(reaches)} ${reaches === 1 ? 'reach' : 'reaches'}`;
}

/** Everything about a shape in short pieces, for the line under the cards. */
export function detailWords(shape: Shape): string[] {
	const { form, rootString, notes, rolls, sweepable, stretchMm, comfort, kind } = shape;
	const reaches = notes.filter((note) => note.reach).length;
	const rolled = rolls.map(([a, b]) => {
		const finger = notes[a].finger;
		return `finger ${finger} rolls strings ${notes[a].string} and ${notes[b].string}`;
	});
	return [
		form ? `${form} form` : null,
		rootString ? `lowest root on string ${rootString}` : 'no root',
		plural(notes.length, 'note'),
		kind === 'joined' ? null : reaches > 0 ? plural(reaches, 'reach', 'reaches') : 'no reach',
		sweepable ? 'sweeps string by string' : null,
		...rolled,
		...shiftWords(shape),
		stretchMm > 0
			? `${Math.round(stretchMm)} mm ${kind === 'joined' ? 'at most in one place' : 'between the outer frets'}, ${COMFORT[comfort]}`
			: null
	].filter((text) => text !== null);
}

/** A shape as one spoken line. */
export const spokenWords = (shape: Shape, symbol: Notation): string =>
	`${signs(symbol)}, ${kindWords(shape)}: ${shape.notes
		.map(
			({ name, string, fret, finger }) =>
				`${prefs.name(name)} string ${string} ${fret === 0 ? 'open' : `fret ${fret}`}${finger ? ` finger ${finger}` : ''}`
		)
		.join(', ')}`;

import { roleWords, signs } from '$core/chord';
import type { Grip } from '$core/neck';
import type { Notation } from '$core/pitch';
import { prefs } from '$lib/state/prefs.svelte';
import { capital, plural } from '$lib/words/words';
import { placeText } from './figures';
import type { HeldGrip } from './neck-view.svelte';
import { COMFORT } from './shape-words';

const stringsOf = ({ notes }: Grip): string => `strings ${span(notes)}`;

const span = (notes: Grip['notes']): string =>
	notes[0].string - notes[notes.length - 1].string >= notes.length
		? notes.map(({ string }) => string).join(' ')
		: `${notes[0].string}–${notes[notes.length - 1].string}`;

/** The head of a card: which strings sound; a cell's name has no room beside it. */
export const gripHead = ({ grip, cell }: HeldGrip): string => (cell ? '' : stringsOf(grip));

/** The line under a card: its form and what is lowest; of a cell its strings. */
export const gripCaption = ({ grip, cell }: HeldGrip): string => {
	const [low] = grip.notes;
	const { form } = grip;
	const what = form ? `${form} form, ` : cell ? `${stringsOf(grip)}, ` : '';
	const named = cell !== null || low.role === 'bass';
	return capital(`${what}${named ? prefs.name(low.name) : roleWords(low.role)} lowest`);
};

/** Fingers that lie across more than one string. */
function barres({ notes }: Grip): string[] {
	const fingers = new Set(notes.flatMap(({ finger }) => finger ?? []));
	return [...fingers].flatMap((finger) => {
		const own = notes.filter((note) => note.finger === finger);
		return own.length > 1
			? [`finger ${finger} lies across strings ${own[0].string} to ${own[own.length - 1].string}`]
			: [];
	});
}

/** Everything about a grip in short pieces. */
export const gripDetails = (grip: Grip): string[] => [
	...(grip.form ? [`${grip.form} form`] : []),
	grip.notes.map(({ role, name }) => `${prefs.name(name)} ${signs(role)}`).join(', '),
	...barres(grip),
	...(grip.muted.length > 0
		? [`${grip.muted.length === 1 ? 'string' : 'strings'} ${grip.muted.join(' ')} silent`]
		: []),
	...(grip.stretchMm > 0
		? [`${Math.round(grip.stretchMm)} mm between the outer frets, ${COMFORT[grip.comfort]}`]
		: [])
];

/** A grip as one spoken line. */
export const gripSpoken = (grip: Grip, name: Notation): string =>
	`${signs(name)}, grip on ${plural(grip.notes.length, 'string')}: ${grip.notes
		.map(
			(note) =>
				`${prefs.name(note.name)} ${placeText(note)}${note.finger ? ` finger ${note.finger}` : ''}`
		)
		.join(', ')}`;

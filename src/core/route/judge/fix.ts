import type { Notation } from '../../pitch';
import type { Change } from '../../chart';
import { isGuideTone, roleWords, toneAt, type Chord, type Role, type Tone } from '../../chord';
import { windowPlaces, type Place } from '../../neck';
import { arrivalOf } from '../playing';
import type { CheckRequest, Fix, PlayedNote } from './types';

/** A place in the window that sounds a pitch, near another place. */
function placeFor(request: CheckRequest, midi: number, near: PlayedNote): Place | null {
	const { instrument, position } = request;
	if (position === null) return null;
	const places = windowPlaces(instrument, position).filter((place) => place.midi === midi);
	const string = near.string ?? 0;
	places.sort(
		(a, b) =>
			Math.abs(a.string - string) - Math.abs(b.string - string) || Number(a.reach) - Number(b.reach)
	);
	return places[0] ? { string: places[0].string, fret: places[0].fret } : null;
}

const semitoneWords = (size: number): string =>
	size === 1 ? 'a semitone' : size === 2 ? 'a whole tone' : `${size} semitones`;

/** The chord tone nearest to a pitch: the smallest move, essential and guide tones first, then what the window holds. */
function nearestTone(request: CheckRequest, chord: Chord, from: PlayedNote) {
	const options: { midi: number; tone: Tone; place: Place | null }[] = [];
	for (let midi = from.midi - 6; midi <= from.midi + 6; midi++) {
		const tone = toneAt(chord, midi);
		if (tone) options.push({ midi, tone, place: placeFor(request, midi, from) });
	}
	const far = ({ midi }: { midi: number }) => Math.abs(midi - from.midi);
	const missing = ({ place }: { place: Place | null }) =>
		request.position === null || place ? 0 : 1;
	options.sort(
		(a, b) =>
			missing(a) - missing(b) ||
			far(a) - far(b) ||
			Number(b.tone.essential) - Number(a.tone.essential) ||
			Number(isGuideTone(b.tone.role)) - Number(isGuideTone(a.tone.role)) ||
			a.midi - b.midi
	);
	return options[0];
}

/**
 * The smallest move that makes a change land, for the note that sounds at it.
 * @param meant the role of a colour that the player may have meant: the advice says what it is
 */
export function fixFor(
	request: CheckRequest,
	change: Change,
	note: number,
	name: Notation,
	meant: Role | null = null
): Fix | null {
	const played = request.notes[note]!;
	const from = { ...played, midi: arrivalOf(played) };
	const found = nearestTone(request, change.to.chord, from);
	if (!found) return null;
	const { midi, tone, place } = found;
	const size = Math.abs(midi - from.midi);
	const way = midi > from.midi ? 'up' : 'down';
	const where = place ? ` (string ${place.string}, fret ${place.fret})` : '';
	const goal = `${tone.name}, the ${roleWords(tone.role)} of ${change.to.symbol}${where}`;
	const beat = `bar ${change.bar}, beat ${Number(change.beat.toFixed(2))}`;
	const struck = from.tick === change.tick;
	const told = meant === null ? name : `${name} (the ${roleWords(meant)}, a colour)`;
	const text = struck
		? `Move the ${told} in ${beat} ${way} ${semitoneWords(size)} to ${goal}.`
		: `Strike ${goal}, in ${beat}: the ${told} held there is no tone of it.`;
	return { tick: change.tick, note: struck ? note : null, toMidi: midi, place, text };
}

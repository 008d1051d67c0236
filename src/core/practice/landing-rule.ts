import type { Change } from '../chart';
import { guideTones, toneAt, type Chord } from '../chord';
import { isPosition, windowPlaces, type Instrument } from '../neck';
import type { Rules } from './types';

/** The rules do not ask for this change: it is let pass, or its bar is left to the others. */
export const passes = ({ letPass, restBars }: Rules, change: Change): boolean =>
	(letPass?.includes(change.index) ?? false) || (restBars?.includes(change.bar) ?? false);

/** Pitch classes that a rule wants a chord to be landed on; null where any tone will do. */
function wanted(landOn: Rules['landOn'], chord: Chord): readonly number[] | null {
	if (landOn === 'roots') return chord.tones.filter(({ role }) => role === 'R').map(({ pc }) => pc);
	if (landOn === 'guide-tones') return guideTones(chord).map(({ pc }) => pc);
	return null;
}

/**
 * True when a pitch is a landing that the rules allow. A position that does not hold the wanted tones of
 * a chord allows any of its tones: nobody is asked for what is not there.
 */
export function landsOn(
	{ landOn, position }: Rules,
	instrument: Instrument,
	chord: Chord,
	midi: number
): boolean {
	const wants = wanted(landOn, chord);
	if (!wants || wants.includes(midi % 12)) return toneAt(chord, midi) !== undefined;
	if (position === undefined || !isPosition(instrument, position)) return false;
	const there = windowPlaces(instrument, position).some((place) => wants.includes(place.midi % 12));
	return !there && toneAt(chord, midi) !== undefined;
}

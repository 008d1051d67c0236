import type { Scale, ScaleNote } from './scale';

const MAJOR = new Set(['1', '2', '3', '4', '5', '6', '7']);
const MINOR = new Set(['1', '2', 'b3', '4', '5', 'b6', 'b7']);

/**
 * The tones that set a scale apart from plain major (when it has a major third) or natural minor:
 * the ♭7 of mixolydian, the ♯4 of lydian, the 6 of dorian. Over a vamp they are the ones to aim at.
 */
export function characteristicTones(scale: Scale): readonly ScaleNote[] {
	const major = scale.notes.some((note) => note.degree === '3');
	const plain = major ? MAJOR : MINOR;
	return scale.notes.filter((note) => !plain.has(note.degree));
}

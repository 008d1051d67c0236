import { engrave, type Chord } from '$core/chord';

/** About how wide a chord symbol is set, in em of its root; enough to choose a size that fits. */
export function chordWidth(chord: Chord): number {
	const { accidental, minor, raised, bass } = engrave(chord);
	const ofBass = bass === '' ? 0 : 0.45 + 0.45 * (bass.length - 1);
	return 0.8 + (accidental ? 0.3 : 0) + (minor ? 0.7 : 0) + 0.37 * raised.length + ofBass;
}

/** The largest of some sizes at which a chord symbol fits; the smallest when none does. */
export const fittingSize = (chord: Chord, room: number, sizes: readonly number[]): number =>
	sizes.find((size) => chordWidth(chord) * size <= room) ?? sizes[sizes.length - 1];

/** Room of the number of a bar beside the chord that begins a band, in px. */
export const BESIDE = 96;

/** Whether a band has room for its bar's number beside its chord, at the smallest that a chord is drawn. */
export const carriesNumber = (width: number, chord: Chord): boolean =>
	width > Math.max(150, BESIDE + 14 * chordWidth(chord));

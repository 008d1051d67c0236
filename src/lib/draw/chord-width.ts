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

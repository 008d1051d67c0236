import { proseSigns } from '$core/chord';
import { SCALE_NAMES } from '$core/harmony';

/** The scale library in the order and the groups in which it is offered; each group ends with `to`. */
export const SCALE_GROUPS: readonly {
	readonly name: string;
	readonly scales: readonly string[];
}[] = [
	{ name: 'Modes', from: 'major', to: 'locrian' },
	{ name: 'Harmonic minor and its modes', from: 'harmonic minor', to: 'altered bb7' },
	{ name: 'Melodic minor and its modes', from: 'melodic minor', to: 'altered' },
	{ name: 'Harmonic major and its modes', from: 'harmonic major', to: 'hungarian minor' },
	{ name: 'Five and six notes', from: 'major pentatonic', to: 'lydian pentatonic' },
	{ name: 'Symmetric', from: 'whole tone', to: 'whole-half diminished' },
	{ name: 'With passing notes', from: 'bebop dominant', to: 'chromatic' }
].map(({ name, from, to }) => ({
	name,
	scales: SCALE_NAMES.slice(SCALE_NAMES.indexOf(from), SCALE_NAMES.indexOf(to) + 1)
}));

/** A name of the library as it is set: `locrian natural 2` becomes `locrian ♮2`. */
export const scaleNameText = (name: string): string =>
	proseSigns(name).replace(/natural (?=\d)/, '♮');

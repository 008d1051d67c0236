import type { Motif, MotifNote } from './types';

const motif = (
	...notes: [offset: number, duration: number, step: string, octave?: number][]
): Motif => ({
	basis: 'role',
	notes: notes.map(([offsetTicks, durationTicks, step, octave]): MotifNote => ({
		offsetTicks,
		durationTicks,
		step,
		...(octave ? { octave } : {})
	}))
});

/** Six short motifs to begin with, one bar of 4/4 each, in roles; every one leaves air. */
export const STARTING_MOTIFS: readonly { readonly name: string; readonly motif: Motif }[] = [
	{
		name: 'Gangway',
		motif: motif(
			[240, 240, '5'],
			[480, 240, 'R'],
			[720, 240, '9'],
			[960, 240, '3'],
			[1440, 480, '5']
		)
	},
	{
		name: 'Two Knocks',
		motif: motif([0, 240, '3'], [240, 240, '3'], [1200, 240, '5'], [1440, 480, 'R'])
	},
	{
		name: 'Low Step',
		motif: motif([0, 480, '5'], [480, 240, '6'], [720, 240, 'R'], [960, 720, '3'])
	},
	{ name: 'Heron', motif: motif([480, 240, '5'], [720, 720, '3'], [1440, 480, '9']) },
	{
		name: 'Rope Coil',
		motif: motif(
			[0, 240, 'R'],
			[240, 240, '9'],
			[480, 240, '3'],
			[720, 240, 'R'],
			[960, 240, '9'],
			[1200, 240, '3'],
			[1440, 480, '5']
		)
	},
	{
		name: 'Lamp On',
		motif: motif([720, 240, '3'], [960, 240, '5'], [1200, 240, '6'], [1440, 480, 'R'])
	}
];

import { parseDegrees } from '$core/harmony';
import { parseTuning } from '$core/neck';
import * as z from 'zod/mini';
import { UNSTORABLE, isStorable } from './storable';
import { wholeFrom } from './whole';

/** What players call and describe themselves: the rules of the server, and of the forms in which it is typed. */

const nameOr = (missing: string) =>
	z
		.string()
		.check(
			z.trim(),
			z.minLength(1, missing),
			z.maxLength(80, 'At most 80 letters.'),
			z.refine(isStorable, UNSTORABLE)
		);
export const ownName = nameOr('Give it a name.');

export const FRETS = { fewest: 12, most: 24 } as const;
/** Nut to bridge, in mm. */
export const SCALE_MM = { shortest: 300, longest: 1000 } as const;
/** Scales that a player can keep. */
export const MOST_SCALES = 64;

export const tuningText = z.string().check(
	z.maxLength(80, 'At most 80 letters.'),
	z.refine(
		(text) => parseTuning(text) !== null,
		'Write 4 to 8 pitches from the thickest string, as in E2 A2 D3 G3 B3 E4.'
	)
);

export const degreesText = z.string().check(
	z.maxLength(60, 'At most 60 letters.'),
	z.refine((text) => parseDegrees(text) !== null, 'Write degrees upward from 1, as in 1 b3 4 5 b7.')
);

const label = z
	.string()
	.check(
		z.trim(),
		z.minLength(1),
		z.maxLength(4, 'At most 4 letters a label.'),
		z.refine(isStorable, UNSTORABLE)
	);

export const instrumentRecord = z.strictObject({
	name: ownName,
	tuning: tuningText.check(z.describe('4 to 8 pitches from the thickest string, or a preset id')),
	frets: wholeFrom(FRETS.fewest, FRETS.most, `From ${FRETS.fewest} to ${FRETS.most} frets.`),
	scaleLengthMm: wholeFrom(
		SCALE_MM.shortest,
		SCALE_MM.longest,
		`From ${SCALE_MM.shortest} to ${SCALE_MM.longest} mm, nut to bridge.`
	),
	leftHanded: z.boolean(),
	labels: z
		.nullable(z.array(label).check(z.maxLength(8)))
		.check(z.describe('One label a string from the thickest, or null for the note names'))
});
export type InstrumentRecord = z.infer<typeof instrumentRecord>;

export const scaleRecord = z.strictObject({ name: ownName, degrees: degreesText });

/** How a set is called, and what is said of it. */
export const setNames = z.strictObject({
	name: nameOr('Give the set a name, such as an evening or a place.'),
	note: z
		.string()
		.check(z.trim(), z.maxLength(2000, 'At most 2,000 letters.'), z.refine(isStorable, UNSTORABLE))
});

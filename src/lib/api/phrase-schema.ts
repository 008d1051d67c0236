import { ROLES } from '$core/chord';
import { BASES } from '$core/phrase';
import { z } from 'zod';
import { chartText, instrumentInput, scaleInput, slideInput } from './chart-schema';
import { noteAnswer } from './plan-schema';

const MOST_NOTES = 64;
/** Sixteen bars of 4/4. */
const MOST_TICKS = 30_720;
const MOST_TIMES = 32;

const role = z.enum(ROLES).exclude(['bass']);

export const motifInput = z.strictObject({
	basis: z.enum(BASES).describe('What the steps are: roles, degrees of the scale, or semitones'),
	notes: z
		.array(
			z.strictObject({
				offsetTicks: z
					.int()
					.min(-MOST_TICKS)
					.max(MOST_TICKS)
					.describe('From the change that the motif is laid on'),
				durationTicks: z.int().min(1).max(MOST_TICKS),
				step: z
					.union([z.string().min(1).max(4), z.int()])
					.describe('A role (b3), a degree (3, #4, 8), or semitones from the chord’s root'),
				octave: z
					.int()
					.min(-3)
					.max(3)
					.optional()
					.describe('Octaves beyond the one that is nearest to the note before; roles only')
			})
		)
		.min(1)
		.max(MOST_NOTES),
	landing: role.optional().describe('Takes the place of the last step')
});
export type MotifInput = z.infer<typeof motifInput>;

const operation = z.discriminatedUnion('kind', [
	z.strictObject({ kind: z.literal('mirror') }),
	z.strictObject({
		kind: z.literal('sequence'),
		by: z.int().min(-12).max(12).describe('Steps of the scale'),
		times: z.int().min(1).max(MOST_TIMES).describe('How often it is played in all')
	}),
	z.strictObject({
		kind: z.literal('symmetric'),
		bySemitones: z.int().min(-24).max(24),
		times: z.int().min(1).max(MOST_TIMES).describe('How often it is played in all')
	}),
	z.strictObject({ kind: z.literal('answer'), resolveTo: role }),
	z.strictObject({
		kind: z.literal('displace'),
		byTicks: z.int().min(-1920).max(1920).describe('240 is an eighth later')
	}),
	z.strictObject({ kind: z.literal('reverse') })
]);

export const phraseInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	scale: scaleInput.optional(),
	position: z.int().describe('The fret of the index finger'),
	slide: slideInput,
	motif: motifInput,
	operation
});
export type PhraseInput = z.infer<typeof phraseInput>;

export const phraseAnswer = z.object({
	notes: z.array(noteAnswer),
	problems: z.array(
		z.object({
			index: z.int().describe('Index of the note that it concerns, or that would follow'),
			message: z.string()
		})
	)
});
export type PhraseAnswer = z.infer<typeof phraseAnswer>;

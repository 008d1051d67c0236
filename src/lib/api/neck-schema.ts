import { FAMILIES } from '$core/neck';
import { STYLES } from '$core/route';
import { z } from 'zod';
import { chartText, instrumentInput, placeInput, roleAnswer, scaleInput } from './chart-schema';

const finger = z.int().min(1).max(4).nullable().describe('Null on an open string or under a slide');

export const positionsInput = z.strictObject({
	instrument: instrumentInput.optional(),
	scale: scaleInput,
	family: z.enum(FAMILIES),
	notesPerString: z
		.int()
		.min(1)
		.max(4)
		.optional()
		.describe('For n-per-string 2 to 4; for single-fret 1 or 2 frets'),
	passing: z
		.boolean()
		.optional()
		.describe('With n-per-string 3 of a five-note scale: its boxes filled with passing notes too')
});
export type PositionsInput = z.infer<typeof positionsInput>;

export const positionsAnswer = z.object({
	positions: z.array(
		z.object({
			id: z.string(),
			family: z.enum(FAMILIES),
			position: z.int(),
			lowFret: z.int(),
			highFret: z.int(),
			notes: z.array(
				placeInput.extend({
					midi: z.int(),
					name: z.string(),
					degree: z.string(),
					finger,
					reach: z.boolean(),
					passing: z.boolean().optional().describe('Between two notes of the scale, not of it')
				})
			),
			shifts: z.array(z.int()).describe('Indices of the notes before which the hand moves')
		})
	)
});
export type PositionsAnswer = z.infer<typeof positionsAnswer>;

export const shapesInput = z.strictObject({
	instrument: instrumentInput.optional(),
	chord: z.string().min(1).max(40).describe('A chord symbol'),
	position: z.int()
});
export type ShapesInput = z.infer<typeof shapesInput>;

const verdict = z.enum(['home', 'colour', 'passing', 'clash']);

const shift = z.object({
	afterNote: z.int().describe('Index of the last note before the hand moves'),
	frets: z.int().describe('How far it moves; positive toward the body'),
	string: z.int().describe('String of the note after it'),
	finger: z.int().min(1).max(4)
});

export const shapesAnswer = z.object({
	shapes: z.array(
		z.object({
			kind: z.enum(['full', 'octave', 'path', 'fragment', 'joined']),
			form: z.enum(['E', 'D', 'C', 'A', 'G']).nullable(),
			rootString: z.int().nullable(),
			fingerBase: z.int(),
			notes: z.array(
				placeInput.extend({
					midi: z.int(),
					name: z.string(),
					role: z.string(),
					finger,
					reach: z.boolean()
				})
			),
			sweepable: z.boolean(),
			rolls: z
				.array(z.array(z.int()))
				.describe('Pairs of note indices played by one rolled finger'),
			shift: shift.nullable().describe('Of a joined shape: the first move of the hand'),
			shifts: z.array(shift).describe('Every move of the hand'),
			stretchMm: z.number(),
			comfort: z.enum(['easy', 'stretch', 'far'])
		})
	),
	grips: z.array(
		z.object({
			form: z.string().nullable(),
			notes: z.array(
				placeInput.extend({ midi: z.int(), name: z.string(), role: roleAnswer, finger })
			),
			muted: z.array(z.int()).describe('Strings that do not sound, the thickest first'),
			stretchMm: z.number(),
			comfort: z.enum(['easy', 'stretch', 'far'])
		})
	),
	doubleStops: z.array(
		z.object({
			a: placeInput,
			b: placeInput,
			interval: z.string(),
			roles: z.array(z.string()),
			verdict,
			treatment: z.string().nullable(),
			bend: z.number().describe('Semitones that both notes are bent; 0 for none'),
			shift: z.int().describe('Frets that the hand moves to hold both')
		})
	),
	bends: z.array(placeInput.extend({ semitones: z.number(), toRole: roleAnswer }))
});
export type ShapesAnswer = z.infer<typeof shapesAnswer>;

export const coverageInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	scale: scaleInput.optional(),
	style: z.enum(STYLES).optional().describe('Landing style of the plans; nearest by default')
});
export type CoverageInput = z.infer<typeof coverageInput>;

const share = z.number().min(0).max(1);

export const coverageAnswer = z.object({
	chords: z.array(z.string()),
	positions: z.array(
		z.object({ position: z.int(), score: share, cost: z.number(), reasons: z.array(z.string()) })
	),
	best: z.int(),
	matrix: z.array(z.object({ position: z.int(), chord: z.int(), score: share }))
});
export type CoverageAnswer = z.infer<typeof coverageAnswer>;

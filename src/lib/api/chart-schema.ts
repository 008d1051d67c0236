import { isStorable, UNSTORABLE } from './storable';
import { PLACE } from './route-schema';
import { FEELS } from '$core/chart';
import { MODES, ROLES } from '$core/chord';
import { z } from 'zod';
import { notation } from '$core/pitch';

/** Schemas of the parts that many requests and answers share. */

const noteName = z
	.string()
	.regex(/^[A-G](bb|b|##|#)?$/, 'Write a note as a capital letter with b or #: Bb, F#.')
	.describe('A note name in ASCII');

/** Note names, roles and chord symbols in answers: ASCII, every b a flat and every # a sharp. */
export const notationAnswer = z.string().transform(notation).meta({ type: 'string' });

/** Roles in answers. */
export const roleAnswer = z.enum(ROLES);

/** Most that a counter of the database holds. */
export const MOST_COUNT = 2_147_483_647;

/** Chart text: a request keeps it whatever it says; what cannot be read comes back as diagnostics. */
export const chartText = z
	.string()
	.refine(isStorable, UNSTORABLE)
	.describe('Chart text, at most 64 KiB');

/** What the hand that plays reaches; 105 where it is left out. */
const handMm = z
	.int()
	.min(60)
	.max(180)
	.optional()
	.describe('Comfortable stretch between index and little finger');

export const instrumentInput = z.strictObject({
	tuning: z.string().optional().describe('A preset id, or 4 to 8 pitches from the thickest string'),
	frets: z.int().min(12).max(24).optional(),
	capo: z.int().min(0).max(12).optional(),
	scaleLengthMm: z
		.int()
		.min(300)
		.max(1000)
		.optional()
		.describe('Nut to bridge; 648 where left out'),
	handMm
});

export const scaleInput = z.strictObject({ tonic: noteName, name: z.string().min(1).max(60) });

export const placeInput = z.strictObject(PLACE);

const scaleAnswer = z.object({ tonic: noteName, name: z.string(), notes: z.array(z.string()) });

const diagnostic = z.object({
	severity: z.enum(['error', 'warning', 'info']),
	line: z.int().min(1),
	column: z.int().min(1),
	length: z.int(),
	message: z.string(),
	suggestion: z.string().nullable()
});

export const analyzeInput = z.strictObject({ chart: chartText, scale: scaleInput.optional() });
export type AnalyzeInput = z.infer<typeof analyzeInput>;

export const analyzeAnswer = z.object({
	title: z.string(),
	key: z.object({ tonic: noteName, mode: z.enum(MODES) }),
	tempo: z.number(),
	feel: z.enum(FEELS),
	scale: scaleAnswer,
	tonics: z.array(
		z.object({
			tonic: noteName,
			mode: z.enum(MODES),
			score: z.number(),
			reasons: z.array(z.string())
		})
	),
	bars: z.array(
		z.object({
			index: z.int(),
			source: z.int().describe('The written bar, from 1'),
			section: z.string().nullable(),
			startTick: z.int(),
			lengthTicks: z.int(),
			timeSignature: z.string()
		})
	),
	chords: z.array(
		z.object({
			index: z.int(),
			bar: z.int(),
			beat: z.number(),
			startTick: z.int(),
			durationTicks: z.int(),
			symbol: z.string(),
			root: z.string().nullable(),
			quality: z.string().nullable(),
			bass: z.string().nullable(),
			tones: z.array(
				z.object({ role: z.string(), name: z.string(), pc: z.int(), essential: z.boolean() })
			),
			numeral: z.string().nullable(),
			function: z.string().nullable(),
			inKey: z.boolean(),
			outside: z.array(z.string()),
			scales: z.array(
				scaleAnswer.extend({
					edits: z.array(z.object({ from: z.string().nullable(), to: z.string().nullable() })),
					containsAll: z.boolean(),
					relative: z
						.object({ tonic: noteName, name: z.string() })
						.nullable()
						.describe('The same notes named from home, or from the chord that follows')
				})
			),
			hidden: z.array(
				z.object({
					name: z.string(),
					notes: z.array(z.string()),
					size: z.int(),
					roles: z.array(z.string()).describe('What each note is over the chord'),
					clashes: z.array(z.string()).describe('Notes that clash with the chord'),
					use: z.enum(['tells', 'colour', 'rest'])
				})
			)
		})
	),
	changes: z.array(
		z.object({
			index: z.int(),
			tick: z.int(),
			bar: z.int(),
			beat: z.number(),
			fromChord: z.int().nullable(),
			toChord: z.int(),
			common: z.array(z.string()),
			moves: z.array(z.object({ from: z.string(), to: z.string(), semitones: z.int() }))
		})
	),
	diagnostics: z.array(diagnostic)
});
export type AnalyzeAnswer = z.infer<typeof analyzeAnswer>;

export const problem = z.object({
	type: z.string(),
	title: z.string(),
	status: z.int(),
	detail: z.string(),
	issues: z
		.array(
			z.object({
				path: z.string(),
				message: z.string(),
				line: z.int().optional(),
				column: z.int().optional(),
				suggestion: z.string().nullable().optional()
			})
		)
		.optional()
});
export type Problem = z.infer<typeof problem>;
export type Issue = NonNullable<Problem['issues']>[number];

/** How the instrument is held besides its tuning. */
export const slideInput = z
	.union([z.literal(1), z.literal(2)])
	.optional()
	.describe('Played with a slide: straight across one fret of the position, or two');

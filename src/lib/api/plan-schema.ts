import { alternateInput, PLAYING } from './route-schema';
import {
	COLOURS,
	GRIDS,
	KINDS,
	LANDING_RESULTS,
	LANDS,
	SCALE_PLANS,
	STYLES,
	TECHNIQUES
} from '$core/route';
import { z } from 'zod';
import {
	chartText,
	instrumentInput,
	notationAnswer,
	placeInput,
	roleAnswer,
	scaleInput,
	slideInput
} from './chart-schema';
import { ALL_TERMS } from './terms';

const changeIndex = z.int().min(0).describe('Index of a change, from 0');

/** A shift of the hand may span the whole neck. */
const MOST_SHIFT = 24;

export const planInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	scale: scaleInput.optional(),
	position: z
		.union([
			z.int(),
			z.literal('best'),
			z.strictObject({
				roam: z
					.int()
					.min(0)
					.max(MOST_SHIFT)
					.describe('Frets that the hand moves at most at a time'),
				wish: z.enum(['climb', 'stay', 'descend']).optional()
			})
		])
		.describe(
			'The fret of the index finger, "best" for the cheapest position, or how far the hand may roam'
		),
	style: z.enum(STYLES),
	slide: slideInput,
	scalePlan: z
		.enum(SCALE_PLANS)
		.optional()
		.describe('Which scale the line draws on; without it one for the whole chart'),
	alternate: z
		.optional(alternateInput)
		.describe('What the IV and the V take under "alternate"; null for the one that fits'),
	only: z
		.boolean()
		.optional()
		.describe('The notes of the scale alone: landings, the way between, nothing chromatic'),
	land: z
		.enum(LANDS)
		.optional()
		.describe(
			'Landings on the changes alone, or on a chord that goes on also every bar or every second, each on another of its tones in turn; “tick” of a target tells when'
		),
	colours: z
		.boolean()
		.optional()
		.describe(
			'Targets may be colours of the scale (6, 9, 11, #11, 13), by the styles nearest and blend; a lock may be one under every style'
		),
	hand: z
		.array(z.strictObject({ bar: z.int().min(1), position: z.int() }))
		.max(512)
		.optional()
		.describe(
			'The fret of the index finger from a written bar on; before the first it is “position”'
		),
	scales: z
		.array(scaleInput.extend({ bar: z.int().min(1), beat: z.number().min(1).max(16).optional() }))
		.max(512)
		.optional()
		.describe('The scale from a written bar (and beat) on; before the first it is “scale”'),
	home: z
		.boolean()
		.optional()
		.describe('Land on the tonic of home whatever the chord; it goes before “style”'),
	grid: z.enum(GRIDS).describe('Where notes may stand; "targets" plans landings alone'),
	cell: z
		.string()
		.min(1)
		.max(256)
		.optional()
		.describe('A rhythm cell: its id, or one bar of x (play), - (hold) and . (rest)'),
	anticipate: z.boolean().optional().describe('Some targets start early and ring over'),
	spice: z
		.number()
		.min(0)
		.max(1)
		.optional()
		.describe('How readily chromatic notes lead to targets'),
	locks: z
		.array(placeInput.extend({ change: changeIndex }))
		.max(4096)
		.optional(),
	forbid: z.array(placeInput).max(256).optional(),
	letPass: z.array(changeIndex).max(4096).optional(),
	alternatives: z.int().min(1).max(5).optional().describe('How many plans in all'),
	seed: z.int().min(0).max(0x7fffffff).optional().describe('Another take of the line')
});
export type PlanInput = z.infer<typeof planInput>;

const targetAnswer = placeInput.extend({
	change: changeIndex,
	tick: z.int(),
	midi: z.int(),
	name: notationAnswer,
	role: roleAnswer,
	reasons: z.array(z.string())
});
export type TargetAnswer = z.infer<typeof targetAnswer>;

export const noteAnswer = placeInput.extend({
	tick: z.int(),
	durationTicks: z.int(),
	midi: z.int(),
	name: notationAnswer,
	role: roleAnswer.nullable(),
	kind: z.enum(KINDS),
	finger: z.int().nullable(),
	...PLAYING,
	technique: z.enum(TECHNIQUES).nullable(),
	chord: z.int().describe('Index of the chord that sounds when the note is struck')
});
export type NoteAnswer = z.infer<typeof noteAnswer>;

const warning = z.object({ change: changeIndex.nullable(), message: z.string() });

export const planAnswer = z.object({
	plans: z.array(
		z.object({
			position: z.int(),
			windows: z
				.array(z.object({ change: changeIndex, position: z.int() }))
				.describe('Where the hand is from which change on'),
			cost: z.number(),
			costs: z.object(
				Object.fromEntries(ALL_TERMS.map((term) => [term, z.number()])) as Record<
					(typeof ALL_TERMS)[number],
					z.ZodNumber
				>
			),
			targets: z.array(targetAnswer),
			notes: z.array(noteAnswer),
			metrics: z.record(z.string(), z.number())
		})
	),
	warnings: z.array(warning)
});
export type PlanAnswer = z.infer<typeof planAnswer>;

export const checkInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	scale: scaleInput.optional(),
	position: z.int().optional(),
	slide: slideInput,
	notes: z
		.array(
			z.strictObject({
				tick: z
					.int()
					.min(0)
					.max(2 ** 31),
				durationTicks: z
					.int()
					.min(1)
					.max(2 ** 31),
				midi: z.int().min(0).max(127),
				string: z.int().min(1).max(8).optional(),
				fret: z.int().min(0).max(24).optional(),
				technique: z
					.enum(TECHNIQUES)
					.nullable()
					.optional()
					.describe('How it is played: on the note that is reached'),
				toMidi: z
					.number()
					.min(0)
					.max(127)
					.optional()
					.describe('Where a bend, or one that is let down, arrives')
			})
		)
		.max(65_536)
		.describe('Notes on different strings may share a tick'),
	colours: z
		.enum(COLOURS)
		.optional()
		.describe('What a colour of the scale is at a change; a miss where left out')
});
export type CheckInput = z.infer<typeof checkInput>;

export const checkAnswer = z.object({
	changes: z.array(
		z.object({
			index: z.int(),
			result: z.enum(LANDING_RESULTS),
			midi: z.int().nullable(),
			name: notationAnswer.nullable(),
			role: roleAnswer.nullable(),
			beside: z
				.array(z.object({ midi: z.int(), name: notationAnswer, role: roleAnswer.nullable() }))
				.describe('What is struck together with it'),
			fix: z.object({ tick: z.int(), toMidi: z.int(), text: z.string() }).nullable()
		})
	),
	metrics: z.object({
		landedShare: z.number(),
		chordToneOnStrongBeatsShare: z.number(),
		outsideShare: z.number(),
		windowExits: z.int(),
		largestLeap: z.int()
	}),
	verdict: z.string()
});
export type CheckAnswer = z.infer<typeof checkAnswer>;

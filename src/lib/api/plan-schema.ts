import { STYLES, TERMS } from '$core/route';
import { z } from 'zod';
import { chartText, instrumentInput, placeInput, scaleInput } from './chart-schema';

const changeIndex = z.int().min(0).describe('Index of a change, from 0');

export const planInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	scale: scaleInput.optional(),
	position: z
		.union([z.int(), z.literal('best')])
		.describe('The fret of the index finger, or "best" for the cheapest position'),
	style: z.enum(STYLES),
	grid: z.literal('targets'),
	locks: z
		.array(placeInput.extend({ change: changeIndex }))
		.max(4096)
		.optional(),
	forbid: z.array(placeInput).max(256).optional(),
	letPass: z.array(changeIndex).max(4096).optional()
});
export type PlanInput = z.infer<typeof planInput>;

const targetAnswer = placeInput.extend({
	change: changeIndex,
	tick: z.int(),
	midi: z.int(),
	name: z.string(),
	role: z.string(),
	reasons: z.array(z.string())
});
export type TargetAnswer = z.infer<typeof targetAnswer>;

const noteAnswer = placeInput.extend({
	tick: z.int(),
	durationTicks: z.int(),
	midi: z.int(),
	name: z.string(),
	role: z.string().nullable(),
	kind: z.enum(['target', 'chord', 'passing', 'chromatic', 'enclosure']),
	finger: z.int().nullable(),
	technique: z.string().nullable(),
	chord: z.int()
});

const warning = z.object({ change: changeIndex.nullable(), message: z.string() });

export const planAnswer = z.object({
	plans: z.array(
		z.object({
			position: z.int(),
			cost: z.number(),
			costs: z.object(
				Object.fromEntries(TERMS.map((term) => [term, z.number()])) as Record<
					(typeof TERMS)[number],
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

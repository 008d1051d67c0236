import { ALLOWED_NOTES, LANDINGS, RESULTS } from '$core/practice';
import { GRIDS } from '$core/route';
import { z } from 'zod';
import { chartText, instrumentInput } from './chart-schema';

const changeIndex = z.int().min(0);
/** A day of music at most. */
const ms = z.number().min(-86_400_000).max(86_400_000);

export const rulesInput = z.strictObject({
	notes: z.enum(ALLOWED_NOTES).optional().describe('Notes that are allowed'),
	grid: z.enum(GRIDS).optional().describe('Where notes may be struck; "targets": on changes alone'),
	position: z.int().optional().describe('The fret of the index finger; the hand stays there'),
	strings: z.array(z.int().min(1).max(8)).min(1).max(8).optional().describe('1 is the thinnest'),
	landOn: z.enum(LANDINGS).optional(),
	letPass: z.array(changeIndex).max(4096).optional().describe('Changes that are not asked for'),
	restBars: z
		.array(z.int().min(1))
		.max(2048)
		.optional()
		.describe('Bars as played, from 1, that are left to the others'),
	fret: z.int().min(0).max(24).optional().describe('The one fret that is played')
});

const tempo = z.number().min(30).max(300).describe('Quarter notes a minute');

export const eventInput = z.strictObject({
	timeMs: ms.describe('From the first beat of the first bar'),
	durationMs: z.number().min(0).max(86_400_000),
	midi: z.int().min(0).max(127),
	cents: z.number().min(-200).max(200).optional().describe('How far it sounds above its pitch')
});

/** A body of 1 MiB holds no more. */
export const MOST_EVENTS = 20_000;

export const judgeInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	tempo,
	rules: rulesInput.optional(),
	toleranceMs: z.number().min(1).max(1000).optional().describe('60 where left out'),
	latencyMs: z.number().min(-2000).max(2000).optional().describe('Taken off every event'),
	loops: z.int().min(1).max(64).optional().describe('Times through the chart'),
	events: z.array(eventInput).max(MOST_EVENTS)
});
export type JudgeInput = z.infer<typeof judgeInput>;

const judgedChange = z.object({
	index: z.int(),
	loop: z.int().describe('Which time through, from 0'),
	result: z.enum(RESULTS),
	midi: z.int().nullable(),
	role: z.string().nullable(),
	errorMs: z.number().nullable().describe('Played less due: negative is early')
});

export const judgeAnswer = z.object({
	changes: z.array(judgedChange),
	violations: z.array(
		z.object({
			timeMs: z.number().describe('From the first beat, latency taken off'),
			rule: z.string(),
			message: z.string()
		})
	),
	landedShare: z.number(),
	medianErrorMs: z.number().nullable(),
	clean: z.boolean(),
	advice: z.array(z.string())
});
export type JudgeAnswer = z.infer<typeof judgeAnswer>;

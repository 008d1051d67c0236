import { UNSTORABLE, isStorable } from './storable';
import { TEMPO } from '$core/kernel';
import { HAND_GRADES, INPUTS, RESULTS, type Drill } from '$core/practice';
import { COLOURS } from '$core/route';
import { z } from 'zod';
import { chartText, instrumentInput, MOST_COUNT } from './chart-schema';
import { drillInput, rangeInput, rulesInput } from './drill-schema';

/** A day of music at most. */
const ms = z.number().min(-86_400_000).max(86_400_000);

const tempo = z.number().min(TEMPO.least).max(TEMPO.most).describe('Quarter notes a minute');

export const eventInput = z.strictObject({
	timeMs: ms.describe('From the first beat of the first bar'),
	durationMs: z.number().min(0).max(86_400_000),
	midi: z.int().min(0).max(127),
	cents: z
		.number()
		.min(-400)
		.max(400)
		.optional()
		.describe('How far it sounds above its pitch; a bend counts from the pitch of its fret')
});

/** A body of 1 MiB holds no more. */
const MOST_EVENTS = 20_000;

export const judgeInput = z.strictObject({
	chart: chartText,
	instrument: instrumentInput.optional(),
	tempo,
	rules: z.optional(rulesInput),
	toleranceMs: z.number().min(1).max(1000).optional().describe('60 where left out'),
	latencyMs: z.number().min(-2000).max(2000).optional().describe('Taken off every event'),
	loops: z.int().min(1).max(64).optional().describe('Times through the chart'),
	colours: z
		.enum(COLOURS)
		.optional()
		.describe('What a colour of the scale is at a change, over what the rules say'),
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

/** A drill that passed its schema is one of the core. */
export type CardDrill = Drill;
type WithDrill<T> = Omit<T, 'drill'> & { drill: CardDrill };

export const cardInput = z.strictObject({ tuneId: z.uuid(), drill: drillInput });

export const noteText = z.string().max(500).refine(isStorable, UNSTORABLE);
const dayName = z
	.string()
	.regex(/^\d{4}-\d{2}-\d{2}$/)
	.describe('The player’s day, as 2026-03-01');

/** How the drill was played this time. */
export const takePass = z.strictObject({
	looped: rangeInput.check(
		z.describe('The bars that were played, where they are fewer than the drill’s')
	),
	swing: z.number().min(50).max(75).optional().describe('Per cent; without it the feel’s'),
	toleranceMs: z.number().min(1).max(1000).optional(),
	loops: z.int().min(1).max(16).describe('Times through that were played to the end'),
	untilMs: ms.optional().describe('Where the player stopped: later changes are not asked for')
});
export type TakePass = z.infer<typeof takePass>;

/** A take as it is sent: what was drilled, and what was played, or the player’s own word for it. */
export const takeInput = z
	.strictObject({
		...takePass.shape,
		tuneId: z.uuid(),
		drill: drillInput,
		tempo,
		input: z.enum(INPUTS),
		latencyMs: z.number().min(-2000).max(2000).optional(),
		events: z.array(eventInput).max(MOST_EVENTS),
		grade: z.enum(HAND_GRADES).nullable().describe('The player’s own ear; null is judged'),
		durationMs: z.int().min(0).max(86_400_000),
		note: noteText.optional(),
		day: dayName
	})
	.refine(
		({ grade, input }) => (grade === null) === (input !== 'hand'),
		'A take by hand has a grade, any other has none.'
	);
export type TakeInput = WithDrill<z.infer<typeof takeInput>>;
export type TakeEvents = z.infer<typeof eventInput>[];

export const cardAnswer = z.object({
	id: z.uuid(),
	tuneId: z.uuid(),
	position: z.int(),
	key: z.string().describe('Tonic; empty as written'),
	due: z.iso.datetime(),
	drill: drillInput,
	tempo: z.number(),
	cleanInRow: z.int()
});
export type CardAnswer = WithDrill<z.infer<typeof cardAnswer>>;

export const takeSummary = z.object({
	id: z.uuid(),
	tuneId: z.uuid(),
	playedAt: z.iso.datetime(),
	position: z.int(),
	key: z.string(),
	tempo: z.number(),
	input: z.enum(INPUTS),
	rule: z.string(),
	looped: z.boolean(),
	landed: z.int(),
	asked: z.int(),
	clean: z.boolean(),
	grade: z.enum(HAND_GRADES).nullable(),
	biasMs: z.number().nullable(),
	spreadMs: z.number().nullable(),
	durationMs: z.int(),
	note: z.string(),
	version: z.int()
});
export type TakeSummaryAnswer = z.infer<typeof takeSummary>;
export const takeAnswer = takeSummary.extend({
	drill: drillInput,
	pass: takePass,
	chart: z.string(),
	events: z.array(eventInput).describe('The notes as they were heard, latency taken off')
});
export type TakeAnswer = WithDrill<z.infer<typeof takeAnswer>>;
/** What storing a take gives back: the take, and its card with the new rung and date. */
export const takeStored = z.object({ take: takeSummary, card: cardAnswer });
export type TakeStored = { take: TakeSummaryAnswer; card: CardAnswer };
export const takeUpdate = z.strictObject({
	note: noteText,
	version: z.int().min(1).max(MOST_COUNT)
});

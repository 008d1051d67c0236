import { UNSTORABLE, isStorable } from './storable';
import { TEMPO } from '$core/kernel';
import {
	ALLOWED_NOTES,
	HAND_GRADES,
	INPUTS,
	LADDER,
	LANDINGS,
	PRESETS,
	RESULTS,
	type Drill
} from '$core/practice';
import { GRIDS } from '$core/route';
import { z } from 'zod';
import { chartText, instrumentInput, MOST_COUNT } from './chart-schema';

const changeIndex = z.int().min(0);
/** A day of music at most. */
const ms = z.number().min(-86_400_000).max(86_400_000);

/** How a drill is judged besides landing. */
const rulesInput = z.strictObject({
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

const rung = z.int().min(LADDER.tempo.least).max(LADDER.tempo.most);
const rangeInput = z
	.strictObject({ from: z.int().min(0).max(2047), to: z.int().min(1).max(2048) })
	.refine(({ from, to }) => from < to, 'A range ends after it begins.')
	.nullable()
	.describe('Bars as played: from (0 is the first) up to, not including; null is the whole');

/** A drill as it is kept with a card and with every take. */
export const drillInput = z.strictObject({
	preset: z.enum(PRESETS).nullable(),
	range: rangeInput,
	routeId: z.uuid().nullable(),
	position: z.int().min(1).max(24),
	key: z
		.string()
		.regex(/^[A-G](bb|b|##|#)?$/)
		.nullable()
		.describe('Tonic that the tune is moved to; null as written'),
	rules: rulesInput,
	loops: z.int().min(1).max(16),
	ladder: z
		.strictObject({
			start: rung,
			step: z.int().min(LADDER.step.least).max(LADDER.step.most),
			ceiling: rung,
			up: z.int().min(LADDER.up.least).max(LADDER.up.most)
		})
		.refine(({ start, ceiling }) => start <= ceiling, 'A ladder starts at or under its ceiling.')
});
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
	looped: rangeInput.describe('The bars that were played, where they are fewer than the drill’s'),
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

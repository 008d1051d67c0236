import { parseDegrees } from '$core/harmony';
import { parseTuning } from '$core/neck';
import { APPROACHES, GRIDS, LEANS, SCALE_PLANS, STYLES, TECHNIQUES } from '$core/route';
import { z } from 'zod';
import {
	chartText,
	isStorable,
	notationAnswer,
	placeInput,
	roleAnswer,
	UNSTORABLE,
	MOST_COUNT
} from './chart-schema';
import { motifInput } from './phrase-schema';
import { alternateInput, noteAnswer } from './plan-schema';

const version = z.int().min(1).max(MOST_COUNT).describe('The version that the edit was made on');
const time = z.iso.datetime();

export const tuneInput = z.strictObject({ chart: chartText });
export const tuneUpdate = z.strictObject({ chart: chartText, version });

const tuneSummary = z.object({
	id: z.uuid(),
	title: z.string(),
	key: z.string(),
	tempo: z.number(),
	version
});
export const tuneAnswer = tuneSummary.extend({
	chart: chartText,
	feel: z.string(),
	bars: z.int(),
	createdAt: time,
	updatedAt: time
});
export type TuneAnswer = z.infer<typeof tuneAnswer>;
export const tuneList = z.object({ tunes: z.array(tuneSummary) });

const anchor = {
	bar: z.int().min(1).max(512).describe('Written bar, from 1'),
	beat: z.number().min(1).max(16),
	pass: z.int().min(1).max(4096).describe('Which time the written bar is played, from 1')
};
const ticks = z
	.int()
	.min(0)
	.max(2 ** 31);
const ownNote = placeInput.extend({
	offset: ticks.describe('Ticks after the change'),
	durationTicks: z
		.int()
		.min(1)
		.max(2 ** 31),
	finger: z.int().min(1).max(4).nullable().optional(),
	technique: z
		.enum(TECHNIQUES)
		.nullable()
		.optional()
		.describe('How it is played, null is struck; left out it is for the hand to say')
});
const anchorsInput = z.strictObject({
	locks: z.array(placeInput.extend(anchor)).max(4096),
	letPass: z
		.array(
			z.strictObject({
				...anchor,
				own: z
					.boolean()
					.optional()
					.describe('Left to the player’s own notes: no landing is planned, but it is judged')
			})
		)
		.max(4096),
	forbid: z
		.array(placeInput)
		.max(256)
		.default([])
		.describe('Places of the neck that no landing takes'),
	frozen: z
		.array(z.strictObject({ ...anchor, notes: z.array(ownNote).max(1024) }))
		.max(4096)
		.default([])
		.describe('Ways from a change to the next whose notes are the player’s own'),
	fingers: z
		.array(placeInput.extend({ ...anchor, offset: ticks, finger: z.int().min(1).max(4) }))
		.max(4096)
		.default([])
		.describe('The player’s own finger for a note that is planned after a change'),
	arrive: z
		.array(z.strictObject({ ...anchor, approach: z.enum(APPROACHES) }))
		.max(4096)
		.default([])
		.describe('How to arrive at a change'),
	leans: z
		.array(z.strictObject({ ...anchor, wish: z.enum(LEANS) }))
		.max(4096)
		.default([])
		.describe('Whether a landing should rest or lean'),
	scales: z
		.array(z.strictObject({ ...anchor, tonic: z.string().max(4), name: z.string().max(80) }))
		.max(4096)
		.default([])
		.describe('The scale over a chord, set by hand')
});
export type Anchors = z.infer<typeof anchorsInput>;

const cellText = z.string().min(1).max(256);
/** How the way between landings is filled. */
const lineSettings = z.strictObject({
	grid: z.enum(GRIDS).default('targets'),
	scalePlan: z.enum(SCALE_PLANS).default('one'),
	alternate: alternateInput
		.default({ four: null, five: null })
		.describe('What the IV and the V take where two pentatonics alternate'),
	only: z.boolean().default(false).describe('The notes of the scale alone, landings too'),
	cell: cellText.default('steady').describe('A rhythm cell: its id, or one bar of x - .'),
	cells: z
		.array(z.strictObject({ section: z.string().max(120), cell: cellText }))
		.max(128)
		.default([])
		.describe('Cells of single sections'),
	anticipate: z.boolean().default(false),
	spice: z.number().min(0).max(1).default(0.4),
	seed: z.int().min(0).max(0x7fffffff).default(0),
	direction: z.enum(['up', 'down']).nullable().default(null),
	roam: z
		.strictObject({
			frets: z.int().min(1).max(24),
			wish: z.enum(['climb', 'stay', 'descend']).nullable()
		})
		.nullable()
		.default(null),
	slide: z
		.union([z.literal(0), z.literal(1), z.literal(2)])
		.default(0)
		.describe('Frets that a slide lies on at a time; 0 is played with the fingers'),
	block: z.boolean().default(false).describe('The hand moves with each chord’s root'),
	talk: z
		.array(
			z.strictObject({
				section: z.string().max(120).nullable(),
				play: z.int().min(1).max(16),
				air: z.int().min(0).max(16)
			})
		)
		.max(128)
		.default([])
		.describe(
			'Call and answer: bars played, then bars of air; null for sections without their own'
		),
	places: z
		.array(z.strictObject({ section: z.string().max(120), position: z.int().min(1).max(24) }))
		.max(128)
		.default([])
		.describe('Where the hand is in single sections, where it does not roam')
});
export type LineSettings = z.infer<typeof lineSettings>;

export const routeInput = z.strictObject({
	name: z.string().trim().min(1).max(120).refine(isStorable, UNSTORABLE),
	position: z.int().min(1).max(24),
	style: z.enum(STYLES),
	line: lineSettings.prefault({}),
	anchors: anchorsInput
});
export type RouteInput = z.infer<typeof routeInput>;
export const routeUpdate = routeInput.extend({ version });

const snapshotTarget = placeInput.extend({
	...anchor,
	tick: z.int(),
	midi: z.int(),
	name: notationAnswer,
	role: roleAnswer,
	symbol: notationAnswer,
	reasons: z.array(z.string())
});
/** The plan as it was when the route was saved, by written place. */
export const planSnapshot = z.object({
	cost: z.number(),
	changes: z.int(),
	targets: z.array(snapshotTarget),
	notes: z
		.array(noteAnswer)
		.default([])
		.describe('The line; empty where landings alone are planned')
});
export type PlanSnapshot = z.infer<typeof planSnapshot>;

const routeSummary = z.object({
	id: z.uuid(),
	tuneId: z.uuid(),
	name: z.string(),
	position: z.int(),
	style: z.enum(STYLES),
	tuneVersion: z.int().describe('The version of the tune that the plan was made for'),
	version
});
export type RouteSummary = z.infer<typeof routeSummary>;
export const routeAnswer = routeSummary.extend({
	line: lineSettings,
	anchors: anchorsInput,
	plan: planSnapshot,
	createdAt: time,
	updatedAt: time
});
export type RouteAnswer = z.infer<typeof routeAnswer>;
export const routeList = z.object({ routes: z.array(routeSummary) });

const name = z.string().trim().min(1).max(80).refine(isStorable, UNSTORABLE);

export const instrumentRecord = z.strictObject({
	name,
	tuning: z
		.string()
		.max(80)
		.refine(
			(text) => parseTuning(text) !== null,
			'Give 4 to 8 pitches from the thickest string: E2 A2 D3 G3 B3 E4.'
		)
		.describe('4 to 8 pitches from the thickest string, or a preset id'),
	frets: z.int().min(12).max(24),
	scaleLengthMm: z.int().min(300).max(1000),
	leftHanded: z.boolean(),
	labels: z
		.array(z.string().trim().min(1).max(4).refine(isStorable, UNSTORABLE))
		.max(8)
		.nullable()
		.describe('One label a string from the thickest, or null for the note names')
});
export type InstrumentRecord = z.infer<typeof instrumentRecord>;
export const instrumentUpdate = instrumentRecord.extend({ version });
export const instrumentAnswer = instrumentRecord.extend({
	id: z.uuid(),
	version,
	createdAt: time,
	updatedAt: time
});
export type InstrumentAnswer = z.infer<typeof instrumentAnswer>;
export const instrumentList = z.object({ instruments: z.array(instrumentAnswer) });

export const motifRecord = z.strictObject({ name, motif: motifInput });
export type MotifRecord = z.infer<typeof motifRecord>;
export const motifUpdate = motifRecord.extend({ version });
export const motifAnswer = motifRecord.extend({
	id: z.uuid(),
	version,
	createdAt: time,
	updatedAt: time
});
export type MotifAnswer = z.infer<typeof motifAnswer>;
export const motifList = z.object({ motifs: z.array(motifAnswer) });

export const playerInput = z.strictObject({
	handMm: z.int().min(60).max(180).describe('Comfortable stretch between index and little finger'),
	scales: z
		.array(
			z.strictObject({
				name,
				degrees: z
					.string()
					.max(60)
					.refine((text) => parseDegrees(text) !== null, 'Give degrees upward from 1: 1 b3 4 5 b7.')
			})
		)
		.max(64)
});
export type PlayerInput = z.infer<typeof playerInput>;
export const playerUpdate = playerInput.extend({ version });
export const playerAnswer = playerInput.extend({ version });
export type PlayerAnswer = z.infer<typeof playerAnswer>;

export const setInput = z.strictObject({
	name,
	note: z.string().trim().max(2000).refine(isStorable, UNSTORABLE).default(''),
	tuneIds: z.array(z.uuid()).max(2000).default([]).describe('In playing order, each tune once')
});
export type SetInput = z.infer<typeof setInput>;
export const setUpdate = setInput.extend({ version });
export const setAnswer = setInput.extend({
	id: z.uuid(),
	version,
	createdAt: time,
	updatedAt: time
});
export type SetAnswer = z.infer<typeof setAnswer>;
export const setsAnswer = z.object({ sets: z.array(setAnswer) });

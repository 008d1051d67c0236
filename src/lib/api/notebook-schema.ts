import { instrumentRecord, MOST_SCALES, ownName, scaleRecord, setNames } from './own-schema';
import { ANCHOR, anchorsInput, lineSettings, routeInput } from './route-schema';
import { FEELS } from '$core/chart';
import { STYLES } from '$core/route';
import { z } from 'zod';
import { chartText, notationAnswer, placeInput, roleAnswer, MOST_COUNT } from './chart-schema';
import { motifInput } from './phrase-schema';
import { noteAnswer } from './plan-schema';

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
	feel: z.enum(FEELS),
	bars: z.int(),
	createdAt: time,
	updatedAt: time
});
export type TuneAnswer = z.infer<typeof tuneAnswer>;
export const tuneList = z.object({ tunes: z.array(tuneSummary) });

export const routeUpdate = z.strictObject({ ...routeInput.shape, version });

const snapshotTarget = placeInput.extend({
	...ANCHOR,
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

export const instrumentUpdate = z.strictObject({ ...instrumentRecord.shape, version });
export const instrumentAnswer = z.strictObject({
	...instrumentRecord.shape,
	id: z.uuid(),
	version,
	createdAt: time,
	updatedAt: time
});
export type InstrumentAnswer = z.infer<typeof instrumentAnswer>;
export const instrumentList = z.object({ instruments: z.array(instrumentAnswer) });

export const motifRecord = z.strictObject({ name: ownName, motif: motifInput });
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
	scales: z.array(scaleRecord).max(MOST_SCALES)
});
export type PlayerInput = z.infer<typeof playerInput>;
export const playerUpdate = playerInput.extend({ version });
export const playerAnswer = playerInput.extend({ version });
export type PlayerAnswer = z.infer<typeof playerAnswer>;

export const setInput = z.strictObject({
	...setNames.shape,
	note: z._default(setNames.shape.note, ''),
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

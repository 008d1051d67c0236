import { UNSTORABLE, isStorable } from './storable';
import { routeInput } from './route-schema';
import { TEMPO } from '$core/kernel';
import { CHORD_KINDS, HAND_GRADES, INPUTS, RESULTS } from '$core/practice';
import { ROLES } from '$core/chord';
import { z } from 'zod';
import { chartText, MOST_COUNT } from './chart-schema';
import { FORMAT_VERSION } from './document-schema';
import { motifRecord, planSnapshot, playerInput } from './notebook-schema';
import { instrumentRecord } from './own-schema';
import { RESTORE_KINDS, type RestoreKind } from './restore-kinds';
import { drillInput } from './drill-schema';
import { eventInput, noteText, takePass } from './practice-schema';

const id = z.uuid();
const when = z.iso
	.datetime()
	.refine((text) => new Date(text).getUTCFullYear() >= 1900, 'This date is too long ago.');
/** What a column of single precision holds. */
const milliseconds = z.number().min(-1e9).max(1e9);
const times = { version: z.int().min(1).max(MOST_COUNT), createdAt: when, updatedAt: when };
const short = z.string().max(200).refine(isStorable, UNSTORABLE);
const count = z.int().min(0).max(1_000_000);
const tempo = z.number().min(TEMPO.least).max(TEMPO.most);
const position = z.int().min(1).max(24);
const keyText = z.string().max(4);

const tuneRow = z.strictObject({
	id,
	title: short.describe('Read from the chart again when it is restored'),
	chart: chartText,
	...times
});

const routeRow = z.strictObject({
	id,
	tuneId: id,
	...routeInput.shape,
	plan: planSnapshot,
	landed: count,
	changes: count,
	tuneVersion: z.int().min(0).max(MOST_COUNT),
	...times
});

const setRow = z.strictObject({
	id,
	name: short,
	note: z.string().max(2000).refine(isStorable, UNSTORABLE),
	tunes: z.array(id).max(20_000).describe('In playing order'),
	...times
});

const memory = z.strictObject({
	due: z.number(),
	stability: z.number(),
	difficulty: z.number(),
	scheduledDays: z.number(),
	reps: z.number(),
	lapses: z.number(),
	state: z.number(),
	lastReview: z.number().nullable()
});

const cardRow = z.strictObject({
	id,
	tuneId: id,
	position,
	key: keyText,
	due: when,
	drill: drillInput,
	tempo,
	cleanInRow: count,
	schedule: z.strictObject({
		memory,
		before: memory,
		day: z.string().max(10).nullable(),
		grades: z.array(z.enum(['again', 'hard', 'good', 'easy'])).max(64)
	}),
	resting: z.boolean(),
	...times
});

const changeRow = z.strictObject({
	loop: count,
	change: count,
	kind: z.enum(CHORD_KINDS),
	symbol: short,
	bar: count,
	result: z.enum(RESULTS).exclude(['passed']),
	role: z.enum(ROLES).nullable(),
	errorMs: milliseconds.nullable()
});

const takeRow = z.strictObject({
	id,
	tuneId: id,
	cardId: id,
	playedAt: when,
	position,
	key: keyText,
	tempo,
	input: z.enum(INPUTS),
	rule: z.string().max(2000).refine(isStorable, UNSTORABLE),
	drill: drillInput,
	pass: takePass.nullable(),
	looped: z.boolean(),
	landed: count,
	asked: count,
	clean: z.boolean(),
	grade: z.enum(HAND_GRADES).nullable(),
	biasMs: milliseconds.nullable(),
	spreadMs: milliseconds.nullable(),
	durationMs: count.max(86_400_000),
	note: noteText,
	chart: chartText,
	events: z.array(eventInput).max(20_000),
	changes: z.array(changeRow).max(100_000),
	...times
});

/** One row of each kind. */
export const BACKUP_ROWS = {
	tunes: tuneRow,
	routes: routeRow,
	motifs: z.strictObject({ id, ...motifRecord.shape, ...times }),
	sets: setRow,
	instruments: z.strictObject({ id, ...instrumentRecord.shape, ...times }),
	cards: cardRow,
	takes: takeRow
} as const satisfies Record<RestoreKind, z.ZodType>;
export type BackupRow = { readonly [K in RestoreKind]: z.infer<(typeof BACKUP_ROWS)[K]> };

/** Most rows of each kind. */
export const MOST_ROWS: Readonly<Record<RestoreKind, number>> = {
	...{ tunes: 200_000, routes: 1_000_000, motifs: 200_000, sets: 20_000 },
	...{ instruments: 20_000, cards: 1_000_000, takes: 1_000_000 }
};

/** What of a backup is no list of rows. */
export const BACKUP_HEAD = z.strictObject({
	format: z.literal('arc-step/backup'),
	formatVersion: z.literal(FORMAT_VERSION),
	exportedAt: when,
	player: z.strictObject({ ...playerInput.shape, ...times }).nullable()
});

/** A whole notebook in one document. */
export const backupDocument = z.strictObject({
	...BACKUP_HEAD.shape,
	tunes: z.array(BACKUP_ROWS.tunes).max(MOST_ROWS.tunes),
	routes: z.array(BACKUP_ROWS.routes).max(MOST_ROWS.routes),
	motifs: z.array(BACKUP_ROWS.motifs).max(MOST_ROWS.motifs),
	sets: z.array(BACKUP_ROWS.sets).max(MOST_ROWS.sets),
	instruments: z.array(BACKUP_ROWS.instruments).max(MOST_ROWS.instruments),
	cards: z.array(BACKUP_ROWS.cards).max(MOST_ROWS.cards),
	takes: z.array(BACKUP_ROWS.takes).max(MOST_ROWS.takes)
});
export type BackupDocument = z.infer<typeof backupDocument>;

/** What a restore does to one kind of thing. */
const counts = z.object({
	added: z.int(),
	changed: z.int().describe('Newer in the file: taken from there'),
	kept: z.int().describe('Alike, or newer in the notebook: left as it is'),
	removed: z.int().describe('In the notebook alone: gone when everything is replaced')
});
export type RestoreCounts = z.infer<typeof counts>;

export const restoreAnswer = z.object({
	mode: z.enum(['merge', 'replace']),
	stored: z.boolean(),
	...(Object.fromEntries(RESTORE_KINDS.map((kind) => [kind, counts])) as Record<
		RestoreKind,
		typeof counts
	>)
});
export type RestoreAnswer = z.infer<typeof restoreAnswer>;

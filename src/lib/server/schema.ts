import { sql } from 'drizzle-orm';
import {
	boolean,
	check,
	index,
	integer,
	jsonb,
	pgTable,
	real,
	text,
	timestamp,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import type { MotifRecord, PlanSnapshot, PlayerInput, RouteInput } from '../api/notebook-schema';
import { NO_LINE } from '../api/route-defaults';

const id = () => uuid('id').primaryKey().defaultRandom();
const stamp = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const times = {
	version: integer('version').notNull().default(1),
	createdAt: stamp('created_at').notNull().defaultNow(),
	updatedAt: stamp('updated_at').notNull().defaultNow()
};

/**
 * A tune is its chart text; title, key, tempo, feel and number of played bars are read from the text
 * when it is saved, for lists. `deletedAt` keeps a deleted tune until the server next starts.
 */
export const tune = pgTable(
	'tune',
	{
		id: id(),
		title: text('title').notNull(),
		chart: text('chart').notNull(),
		key: text('key').notNull(),
		tempo: real('tempo').notNull(),
		feel: text('feel').notNull(),
		bars: integer('bars').notNull(),
		deletedAt: stamp('deleted_at'),
		...times
	},
	(table) => [
		check('tune_version', sql`${table.version} > 0`),
		check('tune_tempo', sql`${table.tempo} between 30 and 300`),
		index('tune_created').on(table.createdAt)
	]
);

/** A saved plan: settings, anchors by written place, and the plan as it was made. */
export const route = pgTable(
	'route',
	{
		id: id(),
		tuneId: uuid('tune_id')
			.notNull()
			.references(() => tune.id, { onDelete: 'cascade' }),
		name: text('name').notNull(),
		position: integer('position').notNull(),
		style: text('style').$type<RouteInput['style']>().notNull(),
		line: jsonb('line').$type<RouteInput['line']>().notNull().default(NO_LINE),
		anchors: jsonb('anchors').$type<RouteInput['anchors']>().notNull(),
		plan: jsonb('plan').$type<PlanSnapshot>().notNull(),
		landed: integer('landed').notNull(),
		changes: integer('changes').notNull(),
		tuneVersion: integer('tune_version').notNull(),
		...times
	},
	(table) => [
		check('route_version', sql`${table.version} > 0`),
		check('route_position', sql`${table.position} between 1 and 24`),
		check(
			'route_style',
			sql`${table.style} in ('roots', 'guide-tones', 'nearest', 'arpeggio', 'blend', 'mirror')`
		),
		index('route_tune').on(table.tuneId, table.createdAt)
	]
);

/** A list of tunes in playing order. */
export const setList = pgTable('set_list', {
	id: id(),
	name: text('name').notNull(),
	note: text('note').notNull().default(''),
	...times
});

export const setItem = pgTable(
	'set_item',
	{
		id: id(),
		setId: uuid('set_id')
			.notNull()
			.references(() => setList.id, { onDelete: 'cascade' }),
		tuneId: uuid('tune_id')
			.notNull()
			.references(() => tune.id, { onDelete: 'cascade' }),
		place: integer('place').notNull()
	},
	(table) => [
		uniqueIndex('set_item_place').on(table.setId, table.place),
		index('set_item_tune').on(table.tuneId)
	]
);

/** A guitar of the player's own. `labels` from the thickest string, null for the note names. */
export const instrument = pgTable(
	'instrument',
	{
		id: id(),
		name: text('name').notNull(),
		tuning: text('tuning').notNull(),
		frets: integer('frets').notNull(),
		scaleLengthMm: integer('scale_length_mm').notNull(),
		leftHanded: boolean('left_handed').notNull(),
		labels: jsonb('labels').$type<string[]>(),
		...times
	},
	(table) => [
		check('instrument_version', sql`${table.version} > 0`),
		check('instrument_frets', sql`${table.frets} between 12 and 24`),
		check('instrument_length', sql`${table.scaleLengthMm} between 300 and 1000`)
	]
);

/** The player: hand, and scales of their own; one row. */
export const player = pgTable(
	'player',
	{
		id: integer('id').primaryKey().default(1),
		handMm: integer('hand_mm').notNull(),
		scales: jsonb('scales').$type<PlayerInput['scales']>().notNull(),
		...times
	},
	(table) => [
		check('player_one', sql`${table.id} = 1`),
		check('player_version', sql`${table.version} > 0`),
		check('player_hand', sql`${table.handMm} between 60 and 180`)
	]
);

/** A short phrase that can be laid over any chord. */
export const motif = pgTable(
	'motif',
	{
		id: id(),
		name: text('name').notNull(),
		motif: jsonb('motif').$type<MotifRecord['motif']>().notNull(),
		...times
	},
	(table) => [
		check('motif_version', sql`${table.version} > 0`),
		index('motif_created').on(table.createdAt)
	]
);

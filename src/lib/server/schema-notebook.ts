import { FEELS } from '$core/chart';
import { type RouteInput } from '../api/route-schema';
import { sql } from 'drizzle-orm';
import {
	boolean,
	check,
	index,
	integer,
	jsonb,
	pgTable,
	primaryKey,
	real,
	text,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import type { MotifRecord, PlanSnapshot, PlayerInput } from '../api/notebook-schema';
import type { TuneReading } from '../api/tune-reading';

import { id, stamp, times } from './schema-columns';

/**
 * A tune is its chart text; everything else is read from the text when it is saved (`readTune`), for lists and
 * searches. `deletedAt` keeps a deleted tune for a day at least.
 */
export const tune = pgTable(
	'tune',
	{
		id: id(),
		title: text('title').notNull(),
		chart: text('chart').notNull(),
		key: text('key').notNull(),
		tempo: real('tempo').notNull(),
		feel: text('feel', { enum: FEELS }).notNull(),
		bars: integer('bars').notNull(),
		barTicks: jsonb('bar_ticks').$type<TuneReading['barTicks']>().notNull().default([]),
		opening: jsonb('opening').$type<TuneReading['opening']>().notNull().default([]),
		sounds: text('sounds').notNull().default(''),
		places: jsonb('places').$type<TuneReading['places']>().notNull().default([]),
		written: jsonb('written').$type<TuneReading['written']>().notNull().default([]),
		/** 0 where the columns were made by an earlier version and are to be made anew. */
		reading: integer('reading').notNull().default(0),
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
		line: jsonb('line').$type<RouteInput['line']>().notNull(),
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

/**
 * What was deleted, as it stood: the rows by table, so that it can be brought back. Kept for a day; tunes,
 * which carry much with them, are only hidden meanwhile.
 */
export const trash = pgTable(
	'trash',
	{
		kind: text('kind').notNull(),
		id: uuid('id').notNull(),
		rows: jsonb('rows').notNull(),
		deletedAt: stamp('deleted_at').notNull().defaultNow()
	},
	(table) => [
		primaryKey({ columns: [table.kind, table.id] }),
		index('trash_deleted').on(table.deletedAt)
	]
);

/** The passphrase that this notebook asks for, as a salted hash; one row. */
export const passphrase = pgTable(
	'passphrase',
	{
		id: integer('id').primaryKey().default(1),
		salt: text('salt').notNull(),
		hash: text('hash').notNull()
	},
	(table) => [check('passphrase_one', sql`${table.id} = 1`)]
);

/** A browser that gave the passphrase: the hash of what its cookie holds. */
export const session = pgTable(
	'session',
	{ hash: text('hash').primaryKey(), expiresAt: stamp('expires_at').notNull() },
	(table) => [index('session_expires').on(table.expiresAt)]
);

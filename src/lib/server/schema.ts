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
	timestamp,
	uniqueIndex,
	uuid
} from 'drizzle-orm/pg-core';
import type { MotifRecord, PlanSnapshot, PlayerInput } from '../api/notebook-schema';
import type { CardDrill, TakeEvents, TakePass } from '../api/practice-schema';
import type { Role } from '$core/chord';
import type { Schedule } from '$core/practice';
import type { KeptChange } from '../api/take';
import type { TuneReading } from '../api/tune-reading';

const id = () => uuid('id').primaryKey().defaultRandom();
const stamp = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });
const times = {
	version: integer('version').notNull().default(1),
	createdAt: stamp('created_at').notNull().defaultNow(),
	updatedAt: stamp('updated_at').notNull().defaultNow()
};

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

/** What to practise: a tune at a place in a key (empty as written), how it is drilled, when it is due. */
export const card = pgTable(
	'card',
	{
		id: id(),
		tuneId: uuid('tune_id')
			.notNull()
			.references(() => tune.id, { onDelete: 'cascade' }),
		position: integer('position').notNull(),
		key: text('key').notNull(),
		due: stamp('due').notNull(),
		drill: jsonb('drill').$type<CardDrill>().notNull(),
		/** Quarter notes a minute where the ladder stands, and clean passes in a row there. */
		tempo: real('tempo').notNull(),
		cleanInRow: integer('clean_in_row').notNull(),
		schedule: jsonb('schedule').$type<Schedule>().notNull(),
		/** Taken out of the schedule by the player; its takes stay, and drilling it brings it back. */
		resting: boolean('resting').notNull().default(false),
		...times
	},
	(table) => [
		check('card_position', sql`${table.position} between 1 and 24`),
		check('card_tempo', sql`${table.tempo} between 30 and 300`),
		uniqueIndex('card_what').on(table.tuneId, table.position, table.key),
		index('card_due').on(table.due)
	]
);

/**
 * One recorded performance: what was drilled, what came of it, and the notes as they were played over the
 * chart as it was. `grade` is the player's own word for a take without any input.
 */
export const take = pgTable(
	'take',
	{
		id: id(),
		tuneId: uuid('tune_id')
			.notNull()
			.references(() => tune.id, { onDelete: 'cascade' }),
		cardId: uuid('card_id')
			.notNull()
			.references(() => card.id, { onDelete: 'cascade' }),
		playedAt: stamp('played_at').notNull(),
		position: integer('position').notNull(),
		key: text('key').notNull(),
		tempo: real('tempo').notNull(),
		input: text('input').notNull(),
		rule: text('rule').notNull(),
		drill: jsonb('drill').$type<CardDrill>().notNull(),
		/** How the drill was played this time; null is its whole, once through. */
		pass: jsonb('pass').$type<TakePass>(),
		looped: boolean('looped').notNull(),
		landed: integer('landed').notNull(),
		asked: integer('asked').notNull(),
		clean: boolean('clean').notNull(),
		grade: text('grade'),
		biasMs: real('bias_ms'),
		spreadMs: real('spread_ms'),
		durationMs: integer('duration_ms').notNull(),
		note: text('note').notNull().default(''),
		chart: text('chart').notNull(),
		events: jsonb('events').$type<TakeEvents>().notNull(),
		...times
	},
	(table) => [
		check('take_counts', sql`${table.landed} between 0 and ${table.asked}`),
		check('take_tempo', sql`${table.tempo} between 30 and 300`),
		index('take_played').on(table.playedAt),
		index('take_card').on(table.cardId, table.playedAt),
		index('take_noted')
			.on(table.tuneId)
			.where(sql`${table.note} <> ''`),
		index('take_place').on(table.tuneId, table.position)
	]
);

/** How one change of a take came out; what was let pass is left out. */
export const takeChange = pgTable(
	'take_change',
	{
		takeId: uuid('take_id')
			.notNull()
			.references(() => take.id, { onDelete: 'cascade' }),
		loop: integer('loop').notNull(),
		change: integer('change').notNull(),
		tuneId: uuid('tune_id').notNull(),
		position: integer('position').notNull(),
		key: text('key').notNull(),
		kind: text('kind').notNull(),
		symbol: text('symbol').notNull(),
		bar: integer('bar').notNull(),
		result: text('result').$type<KeptChange['result']>().notNull(),
		role: text('role').$type<Role>(),
		errorMs: real('error_ms')
	},
	(table) => [
		primaryKey({ columns: [table.takeId, table.loop, table.change] }),
		check(
			'take_change_result',
			sql`${table.result} in ('landed', 'held', 'early', 'late', 'missed', 'silent')`
		),
		index('take_change_place').on(table.position, table.kind, table.result)
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

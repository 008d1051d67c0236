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
import type { CardDrill, TakeEvents, TakePass } from '../api/practice-schema';
import type { Role } from '$core/chord';
import type { HandGrade, InputKind, Schedule } from '$core/practice';
import type { KeptChange } from '../api/take';

import { id, stamp, times } from './schema-columns';
import { tune } from './schema-notebook';

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
		input: text('input').$type<InputKind>().notNull(),
		rule: text('rule').notNull(),
		drill: jsonb('drill').$type<CardDrill>().notNull(),
		/** How the drill was played this time; null is its whole, once through. */
		pass: jsonb('pass').$type<TakePass>(),
		looped: boolean('looped').notNull(),
		landed: integer('landed').notNull(),
		asked: integer('asked').notNull(),
		clean: boolean('clean').notNull(),
		grade: text('grade').$type<HandGrade>(),
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
			sql`${table.result} in ('landed', 'held', 'leaning', 'early', 'late', 'missed', 'silent')`
		),
		index('take_change_place').on(table.position, table.kind, table.result)
	]
);

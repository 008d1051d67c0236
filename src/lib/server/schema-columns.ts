import { integer, timestamp, uuid } from 'drizzle-orm/pg-core';

/** The key of a row. */
export const id = () => uuid('id').primaryKey().defaultRandom();

/** A moment, in any time zone. */
export const stamp = (name: string) => timestamp(name, { withTimezone: true, mode: 'date' });

/** What every versioned row carries. */
export const times = {
	version: integer('version').notNull().default(1),
	createdAt: stamp('created_at').notNull().defaultNow(),
	updatedAt: stamp('updated_at').notNull().defaultNow()
};

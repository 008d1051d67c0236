import { saveVersioned } from './versioned';
import { HANDS, parseTuning, type Hand } from '$core/neck';
import { asc, eq } from 'drizzle-orm';
import type { Issue } from '../api/chart-schema';
import type { InstrumentAnswer, PlayerAnswer, PlayerInput } from '../api/notebook-schema';
import type { InstrumentRecord } from '../api/own-schema';
import type { Database } from './database';
import { instrument, player } from './schema';

type Row = typeof instrument.$inferSelect;

const answer = ({ createdAt, updatedAt, ...row }: Row): InstrumentAnswer => ({
	...row,
	createdAt: createdAt.toISOString(),
	updatedAt: updatedAt.toISOString()
});

/** Labels must name every string. */
export function checkInstrument({ tuning, labels }: InstrumentRecord): Issue[] {
	const strings = parseTuning(tuning)?.open.length ?? 0;
	if (labels === null || labels.length === strings) return [];
	return [
		{ path: 'labels', message: `This tuning has ${strings} strings; give as many labels, or none.` }
	];
}

export async function listInstruments(db: Database): Promise<InstrumentAnswer[]> {
	return (await db.select().from(instrument).orderBy(asc(instrument.createdAt))).map(answer);
}

export async function getInstrument(db: Database, id: string): Promise<InstrumentAnswer | null> {
	const [row] = await db.select().from(instrument).where(eq(instrument.id, id));
	return row ? answer(row) : null;
}

export async function createInstrument(
	db: Database,
	record: InstrumentRecord
): Promise<InstrumentAnswer> {
	const [row] = await db.insert(instrument).values(record).returning();
	return answer(row);
}

/** Saves an instrument made from a version; null when that version is stale or the row is gone. */
export async function updateInstrument(
	db: Database,
	id: string,
	record: InstrumentRecord,
	version: number
): Promise<InstrumentAnswer | null> {
	const row = await saveVersioned(db, instrument, eq(instrument.id, id), version, record);
	return row ? answer(row) : null;
}

/** Who has not said anything yet: a medium hand. */
export const NEWCOMER: PlayerAnswer = { handMm: HANDS.medium, scales: [], version: 1 };

/** The player; before anything is saved, one with a medium hand. */
export async function getPlayer(db: Database): Promise<PlayerAnswer> {
	const [row] = await db.select().from(player);
	if (!row) return NEWCOMER;
	return { handMm: row.handMm, scales: row.scales, version: row.version };
}

/** How far the player's hand reaches. */
export const handOf = async (db: Database): Promise<Hand> => ({
	comfortableMm: (await getPlayer(db)).handMm
});

/** Saves the player made from a version; null when that version is stale. */
export async function updatePlayer(
	db: Database,
	input: PlayerInput,
	version: number
): Promise<PlayerAnswer | null> {
	await db.insert(player).values({ handMm: NEWCOMER.handMm, scales: [] }).onConflictDoNothing();
	const row = await saveVersioned(db, player, undefined, version, input);
	return row ? { handMm: row.handMm, scales: row.scales, version: row.version } : null;
}

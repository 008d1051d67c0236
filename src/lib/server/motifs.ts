import { saveVersioned } from './versioned';
import { asc, eq } from 'drizzle-orm';
import type { MotifAnswer, MotifRecord } from '../api/notebook-schema';
import type { Database } from './database';
import { motif } from './schema';

/** How the ids of the motifs begin that every notebook comes with. */
export const PRESET_MOTIF = '6d6f7469-6600-4000-8000-';

type Row = typeof motif.$inferSelect;

const answer = ({ createdAt, updatedAt, ...row }: Row): MotifAnswer => ({
	...row,
	createdAt: createdAt.toISOString(),
	updatedAt: updatedAt.toISOString()
});

/** All motifs, the oldest first. */
export async function listMotifs(db: Database): Promise<MotifAnswer[]> {
	return (await db.select().from(motif).orderBy(asc(motif.createdAt), asc(motif.id))).map(answer);
}

export async function getMotif(db: Database, id: string): Promise<MotifAnswer | null> {
	const [row] = await db.select().from(motif).where(eq(motif.id, id));
	return row ? answer(row) : null;
}

export async function createMotif(db: Database, record: MotifRecord): Promise<MotifAnswer> {
	const [row] = await db.insert(motif).values(record).returning();
	return answer(row);
}

/** Saves a motif made from a version; null when that version is stale or the row is gone. */
export async function updateMotif(
	db: Database,
	id: string,
	record: MotifRecord,
	version: number
): Promise<MotifAnswer | null> {
	const row = await saveVersioned(db, motif, eq(motif.id, id), version, record);
	return row ? answer(row) : null;
}

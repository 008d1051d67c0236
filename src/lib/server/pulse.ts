import { sql } from 'drizzle-orm';
import type { Database } from './database';

/** When something long last got on inside the database, by the clock of the process; ms. */
let last = -Infinity;
/** How long what has got on may be taken to be alive. */
const ALIVE_MS = 5000;
/** How long an answer is waited for before that is looked at. */
const PATIENCE_MS = 100;

/** Tells that a long piece of work inside the database got on: others wait for it, but nothing is broken. */
export function beat(): void {
	last = performance.now();
}

/**
 * Whether the database answers. While a restore keeps it to itself, its getting on is the answer.
 * @throws what the database says when it does not
 */
export async function isAlive(db: Database): Promise<boolean> {
	const answer = db.execute(sql`select 1`).then(() => true);
	const patience = new Promise<boolean>((resolve) =>
		setTimeout(() => resolve(performance.now() - last < ALIVE_MS), PATIENCE_MS)
	);
	// One that comes after is of no interest any more, nor is its failure.
	answer.catch(() => null);
	return (await Promise.race([answer, patience])) || answer;
}

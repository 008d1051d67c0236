import type { Result } from '$core/kernel';
import { addDays } from 'date-fns';
import PQueue from 'p-queue';
import { and, eq, gt, lt } from 'drizzle-orm';
import { createHash, randomBytes, scrypt, timingSafeEqual, type ScryptOptions } from 'node:crypto';
import { promisify } from 'node:util';
import { atomically, type Database } from './database';
import { passphrase, session } from './schema';
import { StartProblem } from './start-problem';
import { Tries } from './tries';

/** Fewest characters of a passphrase. */
const SHORTEST = 8;
const LONGEST = 1024;
const SESSION_DAYS = 30;
/** 32 MiB and about a tenth of a second a try. */
const COST: ScryptOptions = { N: 32_768, r: 8, p: 1, maxmem: 64 * 1024 * 1024 };
const stretch = promisify<string, string, number, ScryptOptions, Buffer>(scrypt);

const hashOf = async (words: string, salt: string): Promise<Buffer> =>
	stretch(words.normalize('NFKC'), salt, 32, COST);
const matches = async (words: string, { salt, hash }: { salt: string; hash: string }) =>
	timingSafeEqual(await hashOf(words, salt), Buffer.from(hash, 'base64'));
/** However many guess at once, the rest of the server goes on: a try takes 32 MiB and a core. */
const stretching = new PQueue({ concurrency: 1 });
const tokenHash = (token: string): string => createHash('sha256').update(token).digest('base64');

// The development server loads this module again; whether a passphrase is asked for stays.
const held = globalThis as typeof globalThis & { arcStepGuarded?: boolean; arcStepTries?: Tries };

/** Whether this server asks for a passphrase. */
export const isGuarded = (): boolean => held.arcStepGuarded === true;

/**
 * Takes the passphrase of `ARC_STEP_PASSPHRASE` in and out of the environment, where programs that this one
 * starts would see it. Another one than before ends all sessions.
 * @throws StartProblem when it is too short
 */
export async function setPassphrase(db: Database, words: string | undefined): Promise<void> {
	delete process.env.ARC_STEP_PASSPHRASE;
	held.arcStepGuarded = Boolean(words);
	if (!words) return;
	if (words.length < SHORTEST || words.length > LONGEST) {
		throw new StartProblem(
			`ARC_STEP_PASSPHRASE must have ${SHORTEST} to ${LONGEST} characters; take a few words.`
		);
	}
	await atomically(db, async (tx) => {
		const [known] = await tx.select().from(passphrase).for('update');
		if (known && (await matches(words, known))) return;
		const salt = randomBytes(16).toString('base64');
		const hash = (await hashOf(words, salt)).toString('base64');
		await tx
			.insert(passphrase)
			.values({ salt, hash })
			.onConflictDoUpdate({ target: passphrase.id, set: { salt, hash } });
		await tx.delete(session);
	});
}

type Entered = { readonly token: string; readonly expires: Date };

/**
 * Begins a session for who knows the passphrase.
 * @param address whom the try is counted for
 * @returns what the cookie holds; or the seconds to wait after too many tries (0: it was wrong)
 */
export async function enter(
	db: Database,
	words: string,
	address: string,
	now = new Date()
): Promise<Result<Entered, { readonly wait: number }>> {
	held.arcStepTries ??= new Tries();
	const wait = held.arcStepTries.take(address, now.getTime());
	if (wait > 0) return { error: { wait } };
	const [known] = await db.select().from(passphrase);
	if (!known || words.length > LONGEST || !(await stretching.add(() => matches(words, known)))) {
		return { error: { wait: 0 } };
	}
	held.arcStepTries.forget(address);
	await db.delete(session).where(lt(session.expiresAt, now));
	const token = randomBytes(32).toString('base64url');
	const expires = addDays(now, SESSION_DAYS);
	await db.insert(session).values({ hash: tokenHash(token), expiresAt: expires });
	return { value: { token, expires } };
}

/** Whether a cookie belongs to a session that goes on. */
export async function isInside(
	db: Database,
	token: string | undefined,
	now = new Date()
): Promise<boolean> {
	if (!token || token.length > 100) return false;
	const [row] = await db
		.select({ hash: session.hash })
		.from(session)
		.where(and(eq(session.hash, tokenHash(token)), gt(session.expiresAt, now)));
	return row !== undefined;
}

/** Ends a session. */
export async function leave(db: Database, token: string | undefined): Promise<void> {
	if (token) await db.delete(session).where(eq(session.hash, tokenHash(token)));
}

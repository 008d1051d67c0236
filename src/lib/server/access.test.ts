import { rowsIn } from './tables';
import { addDays, addSeconds } from 'date-fns';
import { sql } from 'drizzle-orm';
import fc from 'fast-check';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { enter, isGuarded, isInside, leave, setPassphrase } from './access';
import type { Database } from './database';
import { isLoopback, isOurs } from './hosts';
import { StartProblem } from './start-problem';
import { newNotebook } from './test-database';
import { Tries } from './tries';

describe('the passphrase', () => {
	let book: Awaited<ReturnType<typeof newNotebook>>;
	let db: Database;
	let close: () => Promise<void>;
	beforeAll(async () => {
		book = await newNotebook();
		({ db, close } = await book.open());
	});
	afterAll(async () => {
		await setPassphrase(db, undefined);
		await close();
		await book.remove();
	});
	const WORDS = 'five grey herons';
	const opened = async (words: string, address: string, now?: Date) => {
		const entered = await enter(db, words, address, now);
		return 'value' in entered ? entered.value.token : null;
	};

	const session = async (address: string) => {
		const token = await opened(WORDS, address);
		if (!token) throw new Error('not let in');
		return token;
	};

	it('is not asked for where none is set, and must not be too short', async () => {
		expect(isGuarded()).toBe(false);
		await setPassphrase(db, undefined);
		expect(isGuarded()).toBe(false);
		await expect(setPassphrase(db, 'herons')).rejects.toBeInstanceOf(StartProblem);
		await expect(setPassphrase(db, 'x'.repeat(1025))).rejects.toThrow(/8 to 1024/);
	});

	it('opens a session that ends by its date, when it is left, or with another passphrase', async () => {
		process.env.ARC_STEP_PASSPHRASE = WORDS;
		await setPassphrase(db, WORDS);
		expect(process.env.ARC_STEP_PASSPHRASE).toBeUndefined();
		expect(isGuarded()).toBe(true);
		for (const wrong of ['', 'five grey heron', 'Five grey herons', 'x'.repeat(5000)]) {
			expect(await opened(wrong, `from ${wrong.length}`)).toBeNull();
		}
		const token = await session('a');
		expect(await isInside(db, token)).toBe(true);
		expect(await isInside(db, token, addDays(new Date(), 31))).toBe(false);
		for (const other of [undefined, '', `${token}x`, token.toLowerCase(), 'x'.repeat(10_000)]) {
			expect(await isInside(db, other)).toBe(false);
		}
		const second = await session('b');
		await leave(db, second);
		expect([await isInside(db, second), await isInside(db, token)]).toEqual([false, true]);

		// The same words again change nothing, however they are composed; others end every session.
		await setPassphrase(db, WORDS);
		expect(await isInside(db, token)).toBe(true);
		await setPassphrase(db, 'café au lait');
		expect(await isInside(db, token)).toBe(false);
		expect(await opened(WORDS, 'c')).toBeNull();
		expect(await opened('cafe\u0301 au lait', 'd')).not.toBeNull();
	});

	it('is kept only as a salted hash, and so is every session', async () => {
		await setPassphrase(db, WORDS);
		const token = await session('e');
		const rows = rowsIn<{ all: string }>(
			await db.execute(
				sql`select (select json_agg(p) from passphrase p)::text || (select json_agg(s) from session s)::text as all`
			)
		);
		expect(rows[0].all).not.toContain('heron');
		expect(rows[0].all).not.toContain(token);
	});

	it('is guessed slowly', async () => {
		const now = new Date();
		const tries = [];
		for (let i = 0; i < 6; i++) tries.push(await enter(db, 'guess', 'guesser', now));
		expect(tries.slice(0, 5)).toEqual(Array.from({ length: 5 }, () => ({ error: { wait: 0 } })));
		expect(tries[5]).toEqual({ error: { wait: 60 } });
		// The right words wait as well, so that nothing is learnt; another address does not.
		expect(await opened(WORDS, 'guesser', now)).toBeNull();
		expect(await opened(WORDS, 'owner', now)).not.toBeNull();
		expect(await opened(WORDS, 'guesser', addSeconds(now, 61))).not.toBeNull();
	});
});

describe('tries', () => {
	it('are at most so many in any minute, from one address and from all', () => {
		fc.assert(
			fc.property(
				fc.array(fc.tuple(fc.nat(20_000), fc.constantFrom('a', 'b', 'c')), { maxLength: 60 }),
				(steps) => {
					const tries = new Tries(3, 60_000);
					const taken: [number, string][] = [];
					let now = 0;
					for (const [step, address] of steps) {
						now += step;
						const wait = tries.take(address, now);
						if (wait === 0) taken.push([now, address]);
						else expect(wait).toBeLessThanOrEqual(60);
						const recent = taken.filter(([time]) => time > now - 60_000);
						expect(recent.filter(([, from]) => from === address).length).toBeLessThanOrEqual(3);
						// Who waits as long as was said gets a try.
						if (wait > 0) {
							now += 1000 * wait;
							expect(tries.take(address, now)).toBe(0);
							taken.push([now, address]);
						}
					}
				}
			)
		);
	});
});

describe('the names of this server', () => {
	it('are those of this machine where only it can ask', () => {
		for (const host of ['localhost:4310', 'LOCALHOST', '127.0.0.1', '127.9.9.9:1', '[::1]:80']) {
			expect(isOurs(host, '127.0.0.1'), host).toBe(true);
		}
		for (const host of [
			null,
			'',
			'rebound.example',
			'localhost.example',
			'10.0.0.7',
			'a b',
			'x@localhost',
			'localhost/path',
			'[::2]'
		]) {
			expect(isOurs(host, '127.0.0.1'), String(host)).toBe(false);
		}
		expect(isOurs('music.home:4310', '127.0.0.1', 'stand.home, Music.Home')).toBe(true);
	});

	it('are addresses and its own name where others can ask too', () => {
		for (const host of ['192.168.1.20:4310', '[fe80::1]:4310', 'localhost']) {
			expect(isOurs(host, '0.0.0.0'), host).toBe(true);
		}
		expect(isOurs('studio', 'studio')).toBe(true);
		expect(isOurs('rebound.example', '0.0.0.0')).toBe(false);
	});

	it('tell loopback from what others reach', () => {
		for (const address of ['127.0.0.1', '127.1.2.3', '::1', 'localhost'])
			expect(isLoopback(address)).toBe(true);
		for (const address of ['0.0.0.0', '::', '192.168.1.4', '1270.0.0.1', 'studio'])
			expect(isLoopback(address)).toBe(false);
	});
});

import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { afterAll, describe, expect, it, vi } from 'vitest';
import { clearSpool, spool } from './spool';

const data = mkdtempSync(join(tmpdir(), 'arc-step-spool-'));
const incoming = join(data, 'incoming');
vi.stubEnv('ARC_STEP_DATA', data);
vi.stubEnv('DATABASE_URL', undefined);
afterAll(() => {
	vi.unstubAllEnvs();
	rmSync(data, { recursive: true, force: true });
});

/** A body that comes in drops, with turns for everything else between them. */
function slowly(drops: readonly string[]): Request {
	let at = 0;
	const body = new ReadableStream<Uint8Array>({
		async pull(controller) {
			for (let turn = 0; turn < 50; turn++) await setImmediate();
			if (at < drops.length) controller.enqueue(Buffer.from(drops[at++]));
			else controller.close();
		}
	});
	return new Request('http://localhost/', { method: 'POST', body, duplex: 'half' } as RequestInit);
}

describe('a body on its way to a file', () => {
	it('is there whole, and gone when it is removed', async () => {
		const sent = await spool(slowly(['{"a":', '1', '}']));
		expect(sent).toMatchObject({ packed: false });
		expect(readFileSync(sent?.path ?? '', 'utf8')).toBe('{"a":1}');
		sent?.remove();
		expect(readdirSync(incoming)).toEqual([]);
		expect(await spool(slowly(['\u001f']))).toMatchObject({ packed: false });
		clearSpool();
		expect(existsSync(incoming)).toBe(false);
	});

	it('that breaks while its client is waited for is refused, and nothing is left', async () => {
		for (const drops of [[], ['x', 'y', 'z'], Array.from({ length: 20 }, () => 'x'.repeat(9000))]) {
			const sent = spool(slowly(drops));
			// The file is opened in the next turn: its folder is gone by then.
			rmSync(incoming, { recursive: true });
			await expect(sent).rejects.toMatchObject({ code: 'ENOENT' });
		}
	});
});

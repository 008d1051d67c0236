import { randomUUID } from 'node:crypto';
import { createWriteStream, existsSync, mkdirSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { once } from 'node:events';
import { hasNoRoom } from './database';

/** Where what is sent waits until it has been read: on the disk of the notebook, whose room is looked at. */
const folder = (): string =>
	process.env.DATABASE_URL
		? join(tmpdir(), `arc-step-incoming-${process.pid}`)
		: join(resolve(process.env.ARC_STEP_DATA ?? 'data'), 'incoming');

/** Bytes after which the room on the disk is looked at again. */
const LOOK_AFTER = 8 * 1024 * 1024;

/** A body that was written to a file of its own. */
export type Spooled = {
	readonly path: string;
	readonly packed: boolean;
	readonly remove: () => void;
};

/** Clears away what a killed process left half read. */
export function clearSpool(): void {
	rmSync(folder(), { recursive: true, force: true });
}

const isFull = (error: unknown): boolean =>
	['ENOSPC', 'EDQUOT'].includes((error as NodeJS.ErrnoException).code ?? '');

/**
 * Writes a body of any size to a file.
 * @returns null when the disk has no room for it; nothing of it is left there
 */
export async function spool(request: Request): Promise<Spooled | null> {
	mkdirSync(folder(), { recursive: true });
	const name = randomUUID();
	const path = join(folder(), name);
	const remove = () => {
		if (!existsSync(folder())) return;
		for (const entry of readdirSync(folder())) {
			if (entry.startsWith(name)) rmSync(join(folder(), entry), { force: true });
		}
	};
	const file = createWriteStream(path);
	// It may break while the client is waited for: nobody looks then, and nothing may be thrown.
	file.on('error', () => null);
	const closed = new Promise<Error | null>((resolve) =>
		file.once('close', () => resolve(file.errored))
	);
	let [size, looked, packed] = [0, 0, false];
	try {
		const reader = request.body?.getReader();
		for (;;) {
			const { done, value } = (await reader?.read()) ?? { done: true, value: undefined };
			if (done || !value) break;
			if (size === 0) packed = value[0] === 0x1f && value[1] === 0x8b;
			size += value.byteLength;
			if (size - looked >= LOOK_AFTER) {
				looked = size;
				if (hasNoRoom()) throw Object.assign(new Error('full'), { code: 'ENOSPC' });
			}
			if (!file.write(value)) {
				await Promise.race([once(file, 'drain').catch(() => null), closed]);
			}
			if (file.errored) throw file.errored;
		}
		file.end();
		const error = await closed;
		if (error) throw error;
		return { path, packed, remove };
	} catch (error) {
		file.destroy();
		await closed;
		remove();
		if (isFull(error)) return null;
		throw error;
	}
}

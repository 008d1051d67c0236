import { unstorablePath, UNSTORABLE } from '../api/storable';
import type { Result } from '$core/kernel';
import { z } from 'zod';
import { type Issue } from '../api/chart-schema';
import { brokenRule, problemResponse } from './problem';

/** Most bytes of a JSON body. */
export const MAX_BODY = 1024 * 1024;

/** Most bytes of files that are sent. */
const MAX_FILES = 64 * MAX_BODY;

/** A body that is too large is read so far all the same, so that its refusal arrives. */
const MAX_DRAINED = 2048 * MAX_BODY;

/** The body; null when it has more than `most` bytes. */
async function bytesOf(request: Request, most: number): Promise<Uint8Array<ArrayBuffer> | null> {
	const chunks: Uint8Array[] = [];
	let size = 0;
	const reader = request.body?.getReader();
	if (!reader) return new Uint8Array();
	for (;;) {
		const { done, value } = await reader.read();
		if (done) break;
		size += value.byteLength;
		if (size <= most) chunks.push(value);
		else {
			chunks.length = 0;
			if (size > MAX_DRAINED) {
				await reader.cancel();
				break;
			}
		}
	}
	return size > most ? null : Uint8Array.from(Buffer.concat(chunks));
}

/** Reads what is left of a body that was refused unread: else the next request on its connection would wait. */
export async function drain(request: Request): Promise<void> {
	if (request.body && !request.bodyUsed) await bytesOf(request, 0);
}

/** Most bytes of a small form. */
const MAX_FORM = 16 * 1024;

/** The fields of a small form without files; null when the body is none. */
export async function readForm(request: Request): Promise<URLSearchParams | null> {
	const type = request.headers.get('content-type')?.split(';')[0].trim().toLowerCase();
	if (type !== 'application/x-www-form-urlencoded') return null;
	const bytes = await bytesOf(request, MAX_FORM);
	return bytes && new URLSearchParams(new TextDecoder().decode(bytes));
}

/** The bytes of a body that holds files, or 413. */
export async function readBytes(
	request: Request
): Promise<Result<Uint8Array<ArrayBuffer>, Response>> {
	const bytes = await bytesOf(request, MAX_FILES);
	return bytes
		? { value: bytes }
		: { error: problemResponse(413, 'The files have more than 64 MiB together.') };
}

/** Turns Zod's findings into the public form, one issue per unknown field. */
const toIssues = (error: z.core.$ZodError): Issue[] =>
	error.issues.flatMap((issue) => {
		const path = issue.path.join('.');
		if (issue.code !== 'unrecognized_keys') return [{ path, message: issue.message }];
		return issue.keys.map((key) => ({
			path: path === '' ? key : `${path}.${key}`,
			message: `Unknown field: ${key}.`
		}));
	});

/**
 * Reads a JSON body by a schema.
 * @param most bytes that it may have
 * @returns the data, or the answer to send: 415, 413, 400 or 422.
 */
export async function readJson<T extends z.core.$ZodType>(
	request: Request,
	schema: T,
	most = MAX_BODY
): Promise<Result<z.infer<T>, Response>> {
	const type = request.headers.get('content-type')?.split(';')[0].trim().toLowerCase();
	if (type !== 'application/json') {
		return { error: problemResponse(415, 'Send the body as application/json.') };
	}
	const bytes = await bytesOf(request, most);
	if (bytes === null) {
		const limit = most / MAX_BODY;
		return { error: problemResponse(413, `The body has more than ${limit} MiB.`) };
	}
	let text: string;
	try {
		text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
	} catch {
		return { error: problemResponse(400, 'The body is not UTF-8 text.') };
	}
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch (error) {
		const detail = error instanceof Error ? error.message : 'It cannot be parsed.';
		return { error: problemResponse(400, `The body is not JSON: ${detail}`) };
	}
	const unstorable = unstorablePath(body, text);
	if (unstorable !== null) {
		return { error: brokenRule([{ path: unstorable, message: UNSTORABLE }]) };
	}
	const parsed = z.safeParse(schema, body);
	return parsed.success ? { value: parsed.data } : { error: brokenRule(toIssues(parsed.error)) };
}

const uuid = z.uuid();
export const isUuid = (text: string): boolean => uuid.safeParse(text).success;

export const json = (body: unknown, status = 200, headers: Record<string, string> = {}): Response =>
	Response.json(body, { status, headers });

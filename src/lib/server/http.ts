import { z } from 'zod';
import type { Issue } from '../api/chart-schema';
import { brokenRule, problemResponse } from './problem';

/** Most bytes of a JSON body. */
export const MAX_BODY = 1024 * 1024;

/** A body that is too large is still read up to this many bytes, so that the refusal reaches its sender. */
const MAX_DRAINED = 64 * MAX_BODY;

/** The body as text; null when it has more than `MAX_BODY` bytes. */
async function readText(request: Request): Promise<string | null> {
	const chunks: Uint8Array[] = [];
	let size = 0;
	const reader = request.body?.getReader();
	if (!reader) return '';
	for (;;) {
		const { done, value } = await reader.read();
		if (done) break;
		size += value.byteLength;
		if (size <= MAX_BODY) chunks.push(value);
		else if (size > MAX_DRAINED) {
			await reader.cancel();
			break;
		}
	}
	if (size > MAX_BODY) return null;
	return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.concat(chunks));
}

/** Turns Zod's findings into the public form, one issue per unknown field. */
const toIssues = (error: z.ZodError): Issue[] =>
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
 * @returns the data, or the answer to send: 415, 413, 400 or 422.
 */
export async function readJson<T extends z.ZodType>(
	request: Request,
	schema: T
): Promise<{ data: z.infer<T> } | { response: Response }> {
	const type = request.headers.get('content-type')?.split(';')[0].trim().toLowerCase();
	if (type !== 'application/json') {
		return { response: problemResponse(415, 'Send the body as application/json.') };
	}
	let text: string | null;
	try {
		text = await readText(request);
	} catch {
		return { response: problemResponse(400, 'The body is not UTF-8 text.') };
	}
	if (text === null) {
		return { response: problemResponse(413, 'The body has more than 1 MiB.') };
	}
	let body: unknown;
	try {
		body = JSON.parse(text);
	} catch (error) {
		const detail = error instanceof Error ? error.message : 'It cannot be parsed.';
		return { response: problemResponse(400, `The body is not JSON: ${detail}`) };
	}
	const parsed = schema.safeParse(body);
	return parsed.success ? { data: parsed.data } : { response: brokenRule(toIssues(parsed.error)) };
}

const uuid = z.uuid();
export const isUuid = (text: string): boolean => uuid.safeParse(text).success;

export const json = (body: unknown, status = 200, headers: Record<string, string> = {}): Response =>
	Response.json(body, { status, headers });

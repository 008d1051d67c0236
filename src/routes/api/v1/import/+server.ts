import type { Result } from '$core/kernel';
import { importInput } from '$lib/api/import-schema';
import { openDatabase } from '$lib/server/database';
import { isUuid, json, readBytes, readJson } from '$lib/server/http';
import { importFiles, tuneFor, type SentFile } from '$lib/server/import';
import { brokenRule, notFound, problemResponse } from '$lib/server/problem';
import type { RequestHandler } from './$types';

/** Files in one request. */
const MOST_FILES = 32;

type Sent = { files: SentFile[]; tuneId: string | null };

/** The files of a form, or the one of a JSON body. */
async function readFiles(request: Request): Promise<Result<Sent, Response>> {
	const type = request.headers.get('content-type') ?? '';
	if (!type.toLowerCase().startsWith('multipart/form-data')) {
		const read = await readJson(request, importInput);
		if ('error' in read) return read;
		const { name, text, tuneId = null } = read.value;
		return { value: { files: [{ name, bytes: new TextEncoder().encode(text) }], tuneId } };
	}
	const body = await readBytes(request);
	if ('error' in body) return body;
	let form: FormData;
	try {
		form = await new Response(body.value, { headers: { 'content-type': type } }).formData();
	} catch {
		return { error: problemResponse(400, 'The form cannot be read.') };
	}
	const sent = form.getAll('file');
	if (sent.length === 0 || sent.some((part) => typeof part === 'string')) {
		const message = 'Send files in fields named “file”.';
		return { error: brokenRule([{ path: 'file', message }]) };
	}
	if (sent.length > MOST_FILES) {
		const message = `Send at most ${MOST_FILES} files at a time.`;
		return { error: brokenRule([{ path: 'file', message }]) };
	}
	const files = await Promise.all(
		(sent as File[]).map(async (file) => ({
			name: file.name,
			bytes: new Uint8Array(await file.arrayBuffer())
		}))
	);
	const tuneId = form.get('tuneId');
	return { value: { files, tuneId: typeof tuneId === 'string' ? tuneId : null } };
}

export const POST: RequestHandler = async ({ request, url }) => {
	const read = await readFiles(request);
	if ('error' in read) return read.error;
	const { files, tuneId } = read.value;
	const db = await openDatabase();
	const onto = tuneId !== null && isUuid(tuneId) ? await tuneFor(db, tuneId) : null;
	if (tuneId !== null && !onto) return notFound('tune');
	const preview = url.searchParams.get('preview') === '1';
	const made = await importFiles(db, files, onto, preview);
	if ('error' in made) return brokenRule(made.error);
	return json(made.value, preview ? 200 : 201);
};

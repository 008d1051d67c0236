import { FORMAT_VERSION, type MotifDocument } from '$lib/api/document-schema';
import { openDatabase } from '$lib/server/database';
import { download } from '$lib/server/download';
import { isUuid } from '$lib/server/http';
import { getMotif } from '$lib/server/motifs';
import { notFound } from '$lib/server/problem';
import type { RequestHandler } from './$types';

export const GET: RequestHandler = async ({ params }) => {
	const found = isUuid(params.id) ? await getMotif(await openDatabase(), params.id) : null;
	if (!found) return notFound('motif');
	const { name, motif } = found;
	const document: MotifDocument = {
		format: 'arc-step/motif',
		formatVersion: FORMAT_VERSION,
		motif: { name, motif }
	};
	const text = `${JSON.stringify(document, null, '\t')}\n`;
	return download(text, { name, ending: 'json', type: 'application/json' });
};

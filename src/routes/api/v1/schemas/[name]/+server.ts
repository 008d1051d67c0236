import { backupDocument } from '$lib/api/backup-schema';
import { motifDocument, routeDocument, tuneDocument } from '$lib/api/document-schema';
import { json } from '$lib/server/http';
import { notFound } from '$lib/server/problem';
import { z } from 'zod';
import type { RequestHandler } from './$types';

const SCHEMAS = new Map<string, z.ZodType>([
	['tune.json', tuneDocument],
	['route.json', routeDocument],
	['motif.json', motifDocument],
	['backup.json', backupDocument]
]);

export const GET: RequestHandler = ({ params }) => {
	const schema = SCHEMAS.get(params.name);
	if (!schema) return notFound('schema');
	const document = z.toJSONSchema(schema, { io: 'input' });
	return json(document, 200, { 'content-type': 'application/schema+json' });
};

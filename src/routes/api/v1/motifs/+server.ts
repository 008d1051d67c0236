import { motifRecord } from '$lib/api/notebook-schema';
import { motifIssues } from '$lib/api/phrase';
import { openDatabase } from '$lib/server/database';
import { json, readJson } from '$lib/server/http';
import { createMotif, listMotifs } from '$lib/server/motifs';
import { brokenRule } from '$lib/server/problem';

export async function GET(): Promise<Response> {
	return json({ motifs: await listMotifs(await openDatabase()) });
}

export async function POST({ request }: { request: Request }): Promise<Response> {
	const read = await readJson(request, motifRecord);
	if ('error' in read) return read.error;
	const issues = motifIssues(read.value.motif);
	if (issues.length > 0) return brokenRule(issues);
	const made = await createMotif(await openDatabase(), read.value);
	return json(made, 201, { location: `/api/v1/motifs/${made.id}` });
}

import { UNSTORABLE, isStorable } from './storable';
import { routeInput } from './route-schema';
import type { Result } from '$core/kernel';
import { z } from 'zod';
import { chartText } from './chart-schema';
import { motifRecord } from './notebook-schema';

/** The version that documents are written in. Older ones are read by `migrate`, newer ones are refused. */
export const FORMAT_VERSION = 1;

const formatVersion = z.literal(FORMAT_VERSION);
const title = z.string().max(200).refine(isStorable, UNSTORABLE);

/** A tune with its routes, as a file of its own. */
export const tuneDocument = z.strictObject({
	format: z.literal('arc-step/tune'),
	formatVersion,
	tune: z.strictObject({ title, chart: chartText }),
	routes: z.array(routeInput).max(64).default([])
});
export type TuneDocument = z.infer<typeof tuneDocument>;

/** A route with the tune that it stands on. */
export const routeDocument = z.strictObject({
	format: z.literal('arc-step/route'),
	formatVersion,
	tune: z.strictObject({ title, chart: chartText }),
	route: routeInput
});
export type RouteDocument = z.infer<typeof routeDocument>;

/** A motif. */
export const motifDocument = z.strictObject({
	format: z.literal('arc-step/motif'),
	formatVersion,
	motif: motifRecord
});
export type MotifDocument = z.infer<typeof motifDocument>;

const DOCUMENTS = {
	'arc-step/tune': tuneDocument,
	'arc-step/route': routeDocument,
	'arc-step/motif': motifDocument
} as const;
export type MusicDocument = TuneDocument | RouteDocument | MotifDocument;

type Json = Record<string, unknown>;
const isObject = (value: unknown): value is Json =>
	typeof value === 'object' && value !== null && !Array.isArray(value);

/** Documents before version 1 were answers of the HTTP API, saved as they came. */
function fromAnswer(value: Json): Json {
	if (typeof value.chart === 'string') {
		const { title: given, chart } = value;
		const tune = { title: typeof given === 'string' ? given : '', chart };
		return { format: 'arc-step/tune', formatVersion: 1, tune, routes: [] };
	}
	if (isObject(value.motif)) {
		const { name, motif } = value;
		return { format: 'arc-step/motif', formatVersion: 1, motif: { name, motif } };
	}
	return value;
}

/** What turns a document of each version into one of the next. */
const STEPS: readonly ((value: Json) => Json)[] = [fromAnswer];

/** A document in the present version, whatever version it was written in. */
export function migrate(value: Json): Json {
	const written = typeof value.formatVersion === 'number' ? value.formatVersion : 0;
	if (!Number.isInteger(written) || written < 0) return value;
	return STEPS.slice(written).reduce((document, step) => step(document), value);
}

/** Reads a document of a tune, a route or a motif; a sentence where it is none. */
export function readDocument(text: string): Result<MusicDocument, string> {
	let value: unknown;
	try {
		value = JSON.parse(text);
	} catch {
		return { error: 'The file is not JSON.' };
	}
	if (!isObject(value)) return { error: 'The file is JSON, but no document of Arc Step.' };
	if (typeof value.formatVersion === 'number' && value.formatVersion > FORMAT_VERSION) {
		return {
			error: 'The file was written by a newer Arc Step; bring this one up to date first.'
		};
	}
	const document = migrate(value);
	if (document.format === 'arc-step/backup') {
		return { error: 'The file is a backup of a whole notebook: restore it in the settings.' };
	}
	const format = String(document.format);
	const schema = Object.hasOwn(DOCUMENTS, format)
		? DOCUMENTS[format as keyof typeof DOCUMENTS]
		: null;
	if (!schema) return { error: 'The file is JSON, but no document of Arc Step.' };
	const parsed = schema.safeParse(document);
	if (parsed.success) return { value: parsed.data };
	const { path, message } = parsed.error.issues[0]!;
	return { error: `The document is not whole: ${path.join('.') || 'at its top'}: ${message}` };
}

import { z } from 'zod';
import * as charts from '../api/chart-schema';
import { FILES } from './openapi-files';
import { MUSIC } from './openapi-music';
import { NOTEBOOK } from './openapi-notebook';
import type { Operation } from './openapi-operation';

const schemaOf = (type: z.core.$ZodType, io: 'input' | 'output') => {
	// A note name leaves the API as text that its schema marks; the document tells it by its own `type`.
	const unrepresentable = io === 'output' ? 'any' : 'throw';
	const { $schema: _, ...schema } = z.toJSONSchema(type, { io, unrepresentable });
	return schema;
};

const content = (type: z.core.$ZodType, io: 'input' | 'output', media = 'application/json') => ({
	content: { [media]: { schema: schemaOf(type, io) } }
});

/** Files in fields of one name, and the tune that a line without chords belongs to. */
const FORM = {
	'multipart/form-data': {
		schema: {
			type: 'object',
			properties: {
				file: {
					type: 'array',
					items: { type: 'string', contentMediaType: 'application/octet-stream' }
				},
				tuneId: { type: 'string', format: 'uuid' }
			},
			required: ['file'],
			additionalProperties: false
		}
	}
};

function parametersOf({ path, query = {}, text = [] }: Operation) {
	const inPath = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
		...{ name, in: 'path', required: true },
		schema: name === 'id' ? { type: 'string', format: 'uuid' } : { type: 'string' }
	}));
	const inQuery = Object.entries(query).map(([name, values]) => ({
		...{ name, in: 'query', required: false },
		schema: { type: 'string', enum: values }
	}));
	const asText = text.map((name) => ({
		...{ name, in: 'query', required: true },
		schema: { type: 'string' }
	}));
	return [...inPath, ...inQuery, ...asText];
}

function operation(entry: Operation) {
	const { summary, body, files, status, answer, media, errors } = entry;
	const failures = errors.map((code) => [String(code), { $ref: '#/components/responses/problem' }]);
	const parameters = parametersOf(entry);
	const told = media ? { content: { [media]: {} } } : answer ? content(answer, 'output') : {};
	const json = body ? content(body, 'input').content : {};
	return {
		summary,
		...(parameters.length > 0 ? { parameters } : {}),
		...(body
			? { requestBody: { required: true, content: files ? { ...FORM, ...json } : json } }
			: {}),
		responses: { [status]: { description: summary, ...told }, ...Object.fromEntries(failures) }
	};
}

/** The OpenAPI 3.1 document, made from the schemas that the routes validate with. */
export function openApiDocument(version: string) {
	const paths: Record<string, Record<string, unknown>> = {};
	for (const entry of [...MUSIC, ...NOTEBOOK, ...FILES]) {
		paths[entry.path] = { ...paths[entry.path], [entry.method]: operation(entry) };
	}
	return {
		openapi: '3.1.0',
		info: { title: 'Arc Step', version, license: { name: 'MIT', identifier: 'MIT' } },
		paths,
		components: {
			responses: {
				problem: {
					description: 'What is wrong, where, and what to do',
					...content(charts.problem, 'output', 'application/problem+json')
				}
			}
		}
	};
}

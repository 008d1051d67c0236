import { z } from 'zod';
import * as charts from '../api/chart-schema';
import { MUSIC } from './openapi-music';
import { NOTEBOOK } from './openapi-notebook';
import type { Operation } from './openapi-operation';

const schemaOf = (type: z.ZodType, io: 'input' | 'output') => {
	const { $schema: _, ...schema } = z.toJSONSchema(type, { io });
	return schema;
};

const content = (type: z.ZodType, io: 'input' | 'output', media = 'application/json') => ({
	content: { [media]: { schema: schemaOf(type, io) } }
});

function operation({ summary, body, status, answer, errors, path }: Operation) {
	const failures = errors.map((code) => [String(code), { $ref: '#/components/responses/problem' }]);
	return {
		summary,
		...(path.includes('{id}')
			? {
					parameters: [
						{ name: 'id', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }
					]
				}
			: {}),
		...(body ? { requestBody: { required: true, ...content(body, 'input') } } : {}),
		responses: {
			[status]: { description: summary, ...(answer ? content(answer, 'output') : {}) },
			...Object.fromEntries(failures)
		}
	};
}

/** The OpenAPI 3.1 document, made from the schemas that the routes validate with. */
export function openApiDocument(version: string) {
	const paths: Record<string, Record<string, unknown>> = {};
	for (const entry of [...MUSIC, ...NOTEBOOK]) {
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

import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { ROUTE_FILES, TUNE_FILES } from './export';
import { openApiDocument } from './openapi';

const routes = join(import.meta.dirname, '../../routes');
const METHODS = ['GET', 'POST', 'PUT', 'DELETE', 'PATCH'];
/** What answers every other path and method: 404 in the API's own words. */
const REST = '/api/v1/{...rest}';
/** What the app's own page asks for beside what it was loaded with. */
const OWN = ['get /notebook.json', 'get /takes.json'];

/** Every operation that a file of the routes answers, as `get /api/v1/tunes/{id}`. */
async function answered(): Promise<string[]> {
	const files = readdirSync(routes, { recursive: true, encoding: 'utf8' }).filter((name) =>
		name.endsWith('+server.ts')
	);
	const found = await Promise.all(
		files
			.filter((name) => !name.endsWith('+page.server.ts'))
			.map(async (name) => {
				const path = `/${name.replace(/\/?\+server\.ts$/, '').replaceAll(/\[([^[\]]+)\]/g, '{$1}')}`;
				const module = (await import(/* @vite-ignore */ join(routes, name))) as object;
				return Object.keys(module)
					.filter((method) => METHODS.includes(method))
					.map((method) => `${method.toLowerCase()} ${path}`);
			})
	);
	const written = (operation: string): string[] =>
		/\.\{ending\}$/.test(operation)
			? Object.keys(operation.includes('chart') ? TUNE_FILES : ROUTE_FILES).map((ending) =>
					operation.replace('{ending}', ending)
				)
			: [operation];
	return found
		.flat()
		.filter((operation) => !operation.endsWith(` ${REST}`) && !OWN.includes(operation))
		.flatMap(written);
}

describe('the OpenAPI document and the folder of routes', () => {
	const document = openApiDocument('1');
	const told = Object.entries(document.paths).flatMap(([path, methods]) =>
		Object.keys(methods).map((method) => `${method} ${path}`)
	);

	it('tell the same operations', async () => {
		const there = await answered();
		expect(there.length).toBeGreaterThan(50);
		expect(told.filter((operation) => !there.includes(operation))).toEqual([]);
		expect(there.filter((operation) => !told.includes(operation))).toEqual([]);
	});
});

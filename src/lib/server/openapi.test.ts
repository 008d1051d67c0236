import { routeInput } from '../api/route-schema';
import { describe, expect, it } from 'vitest';
import { problem } from '../api/chart-schema';
import { playerUpdate, routeUpdate, tuneInput, tuneUpdate } from '../api/notebook-schema';
import { instrumentRecord } from '../api/own-schema';
import { coverageInput, positionsInput, shapesInput } from '../api/neck-schema';
import { planInput } from '../api/plan-schema';
import { openApiDocument } from './openapi';
import { brokenRule, notFound, problemResponse } from './problem';

type Answering = {
	readonly responses: Record<
		string,
		{ content?: Record<string, { schema?: Record<string, unknown> }> }
	>;
};

describe('the OpenAPI document', () => {
	const document = JSON.parse(JSON.stringify(openApiDocument('1.2.3')));

	it('resolves every reference and names every parameter of its paths', () => {
		const visit = (value: unknown): void => {
			if (Array.isArray(value)) return value.forEach(visit);
			if (typeof value !== 'object' || value === null) return;
			for (const [key, inner] of Object.entries(value)) {
				if (key === '$ref' && typeof inner === 'string') {
					const found = inner
						.slice(2)
						.split('/')
						.reduce((at, part) => at?.[part], document);
					expect(found, inner).toBeDefined();
				}
				visit(inner);
			}
		};
		visit(document);
		for (const [path, methods] of Object.entries<
			Record<string, { parameters?: { name: string; in: string }[] }>
		>(document.paths)) {
			const wanted = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => name);
			for (const operation of Object.values(methods)) {
				const named = (operation.parameters ?? []).filter((parameter) => parameter.in === 'path');
				expect(named.map((parameter) => parameter.name)).toEqual(wanted);
			}
		}
	});

	it('says of every field of an answer what it is', () => {
		const untold: string[] = [];
		const visit = (schema: Record<string, unknown>, at: string): void => {
			if (Object.keys(schema).length === 0) untold.push(at);
			const inner = { ...(schema.properties as object), items: schema.items } as Record<
				string,
				Record<string, unknown> | undefined
			>;
			for (const [name, one] of Object.entries(inner)) if (one) visit(one, `${at}.${name}`);
		};
		for (const [path, methods] of Object.entries<Record<string, Answering>>(document.paths)) {
			for (const { responses } of Object.values(methods)) {
				for (const { content } of Object.values(responses)) {
					const schema = content?.['application/json']?.schema;
					if (schema) visit(schema, path);
				}
			}
		}
		expect(untold).toEqual([]);
		const symbol = document.paths['/api/v1/analyze'].post.responses[200].content;
		expect(JSON.stringify(symbol)).toContain('"symbol":{"type":"string"}');
	});

	it('closes every request body to unknown fields', () => {
		for (const methods of Object.values<Record<string, { requestBody?: { content: object } }>>(
			document.paths
		)) {
			for (const { requestBody } of Object.values(methods)) {
				if (!requestBody) continue;
				expect(JSON.stringify(requestBody)).toContain('"additionalProperties":false');
			}
		}
	});
});

describe('request schemas', () => {
	const lock = { bar: 1, beat: 1, pass: 1, string: 1, fret: 6 };
	const route = {
		name: ' Mine ',
		position: 6,
		style: 'roots',
		anchors: { locks: [lock], letPass: [] }
	};

	const instrument = {
		...{ name: ' Lantern ', tuning: 'open-d', frets: 21, scaleLengthMm: 628 },
		...{ leftHanded: false, labels: null }
	};
	const player = { handMm: 100, scales: [{ name: 'A', degrees: '1 2 b3' }], version: 1 };
	const scale = { tonic: 'Bb', name: 'dorian' };

	it('take what the contract describes', () => {
		expect(instrumentRecord.parse(instrument).name).toBe('Lantern');
		expect(playerUpdate.parse(player)).toEqual(player);
		expect(shapesInput.parse({ chord: 'Eb7', position: 6 }).position).toBe(6);
		expect(coverageInput.parse({ chart: '| C |' })).toEqual({ chart: '| C |' });
		for (const family of ['box', 'n-per-string', 'diagonal', 'pocket', 'single-fret']) {
			expect(positionsInput.parse({ scale, family }).family).toBe(family);
		}
		expect(tuneInput.parse({ chart: '' })).toEqual({ chart: '' });
		expect(routeInput.parse(route).name).toBe('Mine');
		expect(routeUpdate.parse({ ...route, version: 3 }).version).toBe(3);
		const plan = { chart: '| C |', position: 'best', style: 'nearest', grid: 'targets' };
		expect(planInput.parse(plan)).toEqual(plan);
	});

	it.each([
		[tuneInput, {}],
		[tuneInput, { chart: 1 }],
		[tuneInput, { chart: '', id: 'x' }],
		[tuneUpdate, { chart: '' }],
		[tuneUpdate, { chart: '', version: 0 }],
		[tuneUpdate, { chart: '', version: 1.5 }],
		[routeInput, { ...route, name: '  ' }],
		[routeInput, { ...route, position: 0 }],
		[routeInput, { ...route, style: 'polka' }],
		[routeInput, { ...route, anchors: { locks: [{ ...lock, string: 9 }], letPass: [] } }],
		[routeInput, { ...route, anchors: { locks: [{ ...lock, note: 'x' }], letPass: [] } }],
		[routeInput, { ...route, anchors: { locks: [] } }],
		[routeUpdate, route],
		[planInput, { chart: '', position: 5, style: 'nearest', grid: 'eighths' }],
		[planInput, { chart: '', position: 'worst', style: 'nearest', grid: 'targets' }],
		[instrumentRecord, { ...instrument, tuning: 'E A D G' }],
		[instrumentRecord, { ...instrument, frets: 11 }],
		[instrumentRecord, { ...instrument, frets: 21.5 }],
		[instrumentRecord, { ...instrument, scaleLengthMm: 100 }],
		[instrumentRecord, { ...instrument, name: '\u0000' }],
		[instrumentRecord, { ...instrument, labels: ['abcde'] }],
		[instrumentRecord, { ...instrument, owner: 'x' }],
		[playerUpdate, { ...player, handMm: 59 }],
		[playerUpdate, { ...player, scales: [{ name: 'A', degrees: '2 3' }] }],
		[playerUpdate, { ...player, scales: [{ name: '', degrees: '1 2 3' }] }],
		[positionsInput, { scale, family: 'spiral' }],
		[positionsInput, { scale: { tonic: 'H', name: 'dorian' }, family: 'box' }],
		[positionsInput, { scale, family: 'box', notesPerString: 5 }],
		[shapesInput, { chord: '', position: 6 }],
		[shapesInput, { chord: 'C', position: 6.5 }],
		[coverageInput, { chart: '', instrument: { frets: 30 } }],
		[
			planInput,
			{
				chart: '',
				position: 5,
				style: 'nearest',
				grid: 'targets',
				locks: [{ change: -1, string: 1, fret: 1 }]
			}
		]
	])('refuse %#', (schema, body) => expect(schema.safeParse(body).success).toBe(false));
});

describe('problem answers', () => {
	it('are what RFC 9457 asks for', async () => {
		for (const status of [400, 403, 404, 405, 409, 413, 415, 422, 500, 418]) {
			const response = problemResponse(status, 'Why.', undefined, { current: { a: 1 } });
			expect(response.headers.get('content-type')).toBe('application/problem+json');
			const body = await response.json();
			problem.parse(body);
			expect(body).toMatchObject({ status, detail: 'Why.', current: { a: 1 } });
			expect(body.title.length).toBeGreaterThan(3);
		}
	});

	it('tell every issue, and what was looked for', async () => {
		const issues = [{ path: 'chart', message: 'First.', line: 1, column: 2 }];
		expect(await brokenRule(issues).json()).toMatchObject({
			status: 422,
			detail: 'First.',
			issues
		});
		expect((await notFound('tune').json()).detail).toBe('There is no such tune.');
	});
});

import { z } from 'zod';
import * as charts from '../api/chart-schema';
import * as necks from '../api/neck-schema';
import * as notebook from '../api/notebook-schema';
import * as phrases from '../api/phrase-schema';
import * as practice from '../api/practice-schema';
import * as plans from '../api/plan-schema';

type Operation = {
	method: 'get' | 'post' | 'put' | 'delete';
	path: string;
	summary: string;
	body?: z.ZodType;
	status: number;
	answer?: z.ZodType;
	errors: number[];
};

const READ = [400, 413, 415, 422];
const OPERATIONS: Operation[] = [
	{
		method: 'post',
		path: '/api/v1/analyze',
		summary: 'Read a chart: bars, chords with spelled tones and roles, changes, diagnostics',
		body: charts.analyzeInput,
		status: 200,
		answer: charts.analyzeAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/phrase',
		summary: 'Make a phrase of a motif: mirror, sequence, repeat, answer, displace, reverse',
		body: phrases.phraseInput,
		status: 200,
		answer: phrases.phraseAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/positions',
		summary:
			'Lay a scale out on an instrument: boxes, patterns a string, diagonals, pockets, frets',
		body: necks.positionsInput,
		status: 200,
		answer: necks.positionsAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/shapes',
		summary: 'Arpeggio shapes, double stops and bends of a chord in one position',
		body: necks.shapesInput,
		status: 200,
		answer: necks.shapesAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/coverage',
		summary: 'How well a chart lies in every position of the neck',
		body: necks.coverageInput,
		status: 200,
		answer: necks.coverageAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/plan',
		summary: 'Plan a target on every change and the line between them',
		body: plans.planInput,
		status: 200,
		answer: plans.planAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/check',
		summary: 'Judge a line: what lands, what strays, and the smallest fixes',
		body: plans.checkInput,
		status: 200,
		answer: plans.checkAnswer,
		errors: READ
	},
	{
		method: 'post',
		path: '/api/v1/judge',
		summary: 'Judge a take: each change landed, held, early, late, missed or silent; broken rules',
		body: practice.judgeInput,
		status: 200,
		answer: practice.judgeAnswer,
		errors: READ
	},
	{
		method: 'get',
		path: '/api/v1/tunes',
		summary: 'All tunes',
		status: 200,
		answer: notebook.tuneList,
		errors: []
	},
	{
		method: 'post',
		path: '/api/v1/tunes',
		summary: 'Keep a new tune; text that cannot be read is kept too',
		body: notebook.tuneInput,
		status: 201,
		answer: notebook.tuneAnswer,
		errors: READ
	},
	{
		method: 'get',
		path: '/api/v1/tunes/{id}',
		summary: 'One tune',
		status: 200,
		answer: notebook.tuneAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/tunes/{id}',
		summary: 'Save a chart made from a version; a stale version answers 409 with the current tune',
		body: notebook.tuneUpdate,
		status: 200,
		answer: notebook.tuneAnswer,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/tunes/{id}',
		summary: 'Delete a tune with its routes; it can be brought back until the server next starts',
		status: 204,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/tunes/{id}/undelete',
		summary: 'Bring a deleted tune back',
		status: 200,
		answer: notebook.tuneAnswer,
		errors: [404]
	},
	{
		method: 'get',
		path: '/api/v1/tunes/{id}/routes',
		summary: 'The routes of a tune',
		status: 200,
		answer: notebook.routeList,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/tunes/{id}/routes',
		summary: 'Plan and keep a new route on the tune as it is saved',
		body: notebook.routeInput,
		status: 201,
		answer: notebook.routeAnswer,
		errors: [...READ, 404]
	},
	{
		method: 'get',
		path: '/api/v1/routes/{id}',
		summary: 'One route',
		status: 200,
		answer: notebook.routeAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/routes/{id}',
		summary:
			'Plan and save a route made from a version; a stale version answers 409 with the current route',
		body: notebook.routeUpdate,
		status: 200,
		answer: notebook.routeAnswer,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/routes/{id}',
		summary: 'Delete a route',
		status: 204,
		errors: [404]
	},
	{
		method: 'get',
		path: '/api/v1/instruments',
		summary: 'The instruments of the player',
		status: 200,
		answer: notebook.instrumentList,
		errors: []
	},
	{
		method: 'post',
		path: '/api/v1/instruments',
		summary: 'Keep an instrument of one’s own',
		body: notebook.instrumentRecord,
		status: 201,
		answer: notebook.instrumentAnswer,
		errors: READ
	},
	{
		method: 'get',
		path: '/api/v1/instruments/{id}',
		summary: 'One instrument',
		status: 200,
		answer: notebook.instrumentAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/instruments/{id}',
		summary:
			'Save an instrument made from a version; a stale version answers 409 with the current one',
		body: notebook.instrumentUpdate,
		status: 200,
		answer: notebook.instrumentAnswer,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/instruments/{id}',
		summary: 'Delete an instrument; charts in its tuning stay as they are',
		status: 204,
		errors: [404]
	},
	{
		method: 'get',
		path: '/api/v1/motifs',
		summary: 'List motifs',
		status: 200,
		answer: notebook.motifList,
		errors: []
	},
	{
		method: 'post',
		path: '/api/v1/motifs',
		summary: 'Store a motif',
		body: notebook.motifRecord,
		status: 201,
		answer: notebook.motifAnswer,
		errors: READ
	},
	{
		method: 'get',
		path: '/api/v1/motifs/{id}',
		summary: 'One motif',
		status: 200,
		answer: notebook.motifAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/motifs/{id}',
		summary: 'Save a motif; a stale version answers 409 with the current one',
		body: notebook.motifUpdate,
		status: 200,
		answer: notebook.motifAnswer,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/motifs/{id}',
		summary: 'Delete a motif',
		status: 204,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/cards',
		summary: 'Keep how a tune is drilled at a place in a key; a new card is due at once',
		body: practice.cardInput,
		status: 200,
		answer: practice.cardAnswer,
		errors: [...READ, 404]
	},
	{
		method: 'post',
		path: '/api/v1/takes',
		summary: 'Judge and store a take of a drill; its card moves on the ladder and in the schedule',
		body: practice.takeInput,
		status: 201,
		answer: practice.takeStored,
		errors: [...READ, 404]
	},
	{
		method: 'get',
		path: '/api/v1/takes/{id}',
		summary: 'One take with its notes and the chart that it was played over',
		status: 200,
		answer: practice.takeAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/takes/{id}',
		summary: 'Save the note of a take; a stale version answers 409 with the current take',
		body: practice.takeUpdate,
		status: 200,
		answer: practice.takeSummary,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/takes/{id}',
		summary: 'Delete a take',
		status: 204,
		errors: [404]
	},
	{
		method: 'get',
		path: '/api/v1/player',
		summary: 'The player’s hand and own scales',
		status: 200,
		answer: notebook.playerAnswer,
		errors: []
	},
	{
		method: 'put',
		path: '/api/v1/player',
		summary: 'Save the player’s hand and scales; a stale version answers 409 with the current ones',
		body: notebook.playerUpdate,
		status: 200,
		answer: notebook.playerAnswer,
		errors: [...READ, 409]
	}
];

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
	for (const entry of OPERATIONS) {
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

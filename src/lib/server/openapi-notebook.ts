import * as notebook from '../api/notebook-schema';
import { instrumentRecord } from '../api/own-schema';
import { routeInput } from '../api/route-schema';
import * as practice from '../api/practice-schema';
import { searchAnswer } from '../api/search-schema';
import { sessionInput } from '../api/session-schema';
import { itemOperations, listOperations, READ, type Operation } from './openapi-operation';

/** What is stored, how it is found, and the passphrase. */
export const NOTEBOOK: readonly Operation[] = [
	...listOperations({
		kind: 'tune',
		path: '/api/v1/tunes',
		all: 'All tunes',
		list: notebook.tuneList,
		input: notebook.tuneInput,
		keeping: 'Keep a new tune; text that cannot be read is kept too',
		update: notebook.tuneUpdate,
		answer: notebook.tuneAnswer,
		deleting: ' with its routes'
	}),
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
		body: routeInput,
		status: 201,
		answer: notebook.routeAnswer,
		errors: [...READ, 404]
	},
	...itemOperations({
		kind: 'route',
		path: '/api/v1/routes',
		update: notebook.routeUpdate,
		answer: notebook.routeAnswer,
		saving: 'Plan and save'
	}),
	...listOperations({
		kind: 'set',
		path: '/api/v1/sets',
		all: 'All sets, each with its tunes in playing order',
		list: notebook.setsAnswer,
		input: notebook.setInput,
		keeping: 'Keep a new set',
		update: notebook.setUpdate,
		answer: notebook.setAnswer,
		deleting: '; its tunes stay'
	}),
	...listOperations({
		kind: 'motif',
		path: '/api/v1/motifs',
		all: 'All motifs',
		list: notebook.motifList,
		input: notebook.motifRecord,
		keeping: 'Keep a new motif',
		update: notebook.motifUpdate,
		answer: notebook.motifAnswer
	}),
	...listOperations({
		kind: 'instrument',
		path: '/api/v1/instruments',
		all: 'The instruments of the player',
		list: notebook.instrumentList,
		input: instrumentRecord,
		keeping: 'Keep an instrument of one’s own',
		update: notebook.instrumentUpdate,
		answer: notebook.instrumentAnswer,
		deleting: '; charts in its tuning stay as they are'
	}),
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
		method: 'delete',
		path: '/api/v1/cards/{id}',
		summary:
			'Take a card out of the schedule; its takes stay, and keeping or drilling it brings it back',
		status: 204,
		errors: [404]
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
	...itemOperations({
		kind: 'take',
		path: '/api/v1/takes',
		update: practice.takeUpdate,
		answer: practice.takeAnswer,
		saved: practice.takeSummary
	}),
	{
		method: 'get',
		path: '/api/v1/search',
		summary:
			'Find tunes by title, key, chords one after the other, and what was written about them',
		text: ['q'],
		status: 200,
		answer: searchAnswer,
		errors: [422]
	},
	{
		method: 'post',
		path: '/api/v1/session',
		summary: 'Give the passphrase of a server that asks for one; the session is kept in a cookie',
		body: sessionInput,
		status: 204,
		errors: [...READ, 401, 404, 429]
	},
	{
		method: 'delete',
		path: '/api/v1/session',
		summary: 'End the session of this browser',
		status: 204,
		errors: []
	},
	{
		method: 'get',
		path: '/api/v1/openapi.json',
		summary: 'This document',
		media: 'application/json',
		status: 200,
		errors: []
	},
	{
		method: 'get',
		path: '/healthz',
		summary: 'Whether the server and its notebook answer',
		media: 'application/json',
		status: 200,
		errors: [503]
	}
];

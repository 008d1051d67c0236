import * as notebook from '../api/notebook-schema';
import * as practice from '../api/practice-schema';
import { READ, type Operation } from './openapi-operation';

/** What is stored. */
export const NOTEBOOK: readonly Operation[] = [
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
		summary: 'Delete a tune with its routes; it can be brought back for a day',
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

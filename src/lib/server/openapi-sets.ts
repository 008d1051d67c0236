import * as notebook from '../api/notebook-schema';
import { takeAnswer } from '../api/practice-schema';
import { searchAnswer } from '../api/search-schema';
import { sessionInput } from '../api/session-schema';
import { READ, type Operation } from './openapi-operation';

/** What arranges, finds and brings back what is stored; and the passphrase. */
export const SETS: readonly Operation[] = [
	{
		method: 'post',
		path: '/api/v1/routes/{id}/undelete',
		summary: 'Bring a deleted route back, within a day',
		status: 200,
		answer: notebook.routeAnswer,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/instruments/{id}/undelete',
		summary: 'Bring a deleted instrument back, within a day',
		status: 200,
		answer: notebook.instrumentAnswer,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/motifs/{id}/undelete',
		summary: 'Bring a deleted motif back, within a day',
		status: 200,
		answer: notebook.motifAnswer,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/takes/{id}/undelete',
		summary: 'Bring a deleted take back, within a day',
		status: 200,
		answer: takeAnswer,
		errors: [404]
	},
	{
		method: 'get',
		path: '/api/v1/sets',
		summary: 'All sets, each with its tunes in playing order',
		status: 200,
		answer: notebook.setsAnswer,
		errors: []
	},
	{
		method: 'post',
		path: '/api/v1/sets',
		summary: 'Keep a new set',
		body: notebook.setInput,
		status: 201,
		answer: notebook.setAnswer,
		errors: READ
	},
	{
		method: 'get',
		path: '/api/v1/sets/{id}',
		summary: 'One set',
		status: 200,
		answer: notebook.setAnswer,
		errors: [404]
	},
	{
		method: 'put',
		path: '/api/v1/sets/{id}',
		summary: 'Save a set made from a version; a stale version answers 409 with the current set',
		body: notebook.setUpdate,
		status: 200,
		answer: notebook.setAnswer,
		errors: [...READ, 404, 409]
	},
	{
		method: 'delete',
		path: '/api/v1/sets/{id}',
		summary: 'Delete a set; its tunes stay',
		status: 204,
		errors: [404]
	},
	{
		method: 'post',
		path: '/api/v1/sets/{id}/undelete',
		summary: 'Bring a deleted set back, within a day',
		status: 200,
		answer: notebook.setAnswer,
		errors: [404]
	},
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
	}
];

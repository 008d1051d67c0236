import * as charts from '../api/chart-schema';
import * as necks from '../api/neck-schema';
import * as phrases from '../api/phrase-schema';
import * as practice from '../api/practice-schema';
import * as plans from '../api/plan-schema';
import { READ, type Operation } from './openapi-operation';

/** What is computed and not stored. */
export const MUSIC: readonly Operation[] = [
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
	}
];

import { backupDocument, restoreAnswer } from '../api/backup-schema';
import { importAnswer, importInput } from '../api/import-schema';
import { READ, type Operation } from './openapi-operation';

const file = (
	path: string,
	summary: string,
	media: string,
	query?: Operation['query']
): Operation => ({
	...{ method: 'get', path, summary, media, status: 200, errors: [404] },
	...(query ? { query } : {})
});
const page = {
	paper: ['a4', 'letter'],
	show: ['both', 'pictures', 'tab'],
	left: ['1'],
	large: ['1']
};
const repeats = { repeats: ['unfolded', 'kept'] };

/** Files: in, out, and the whole notebook. */
export const FILES: readonly Operation[] = [
	{
		method: 'post',
		path: '/api/v1/import',
		summary:
			'Take files in, all or none; with preview=1 tell what they hold and store nothing (200)',
		body: importInput,
		files: true,
		query: { preview: ['1'] },
		status: 201,
		answer: importAnswer,
		errors: [...READ, 404]
	},
	{
		method: 'post',
		path: '/api/v1/restore',
		summary:
			'Take a backup of any size in, packed or not: merged with the notebook, or in its place; preview=1 stores nothing',
		body: backupDocument,
		query: { mode: ['merge', 'replace'], preview: ['1'] },
		status: 200,
		answer: restoreAnswer,
		errors: [...READ, 507]
	},
	{
		method: 'get',
		path: '/backup.json',
		summary: 'The whole notebook in one document',
		status: 200,
		answer: backupDocument,
		errors: []
	},
	{ ...file('/backup.json.gz', 'The same, packed', 'application/gzip'), errors: [] },
	file(
		'/api/v1/schemas/{name}',
		'The JSON Schema of tune.json, route.json, motif.json or backup.json',
		'application/schema+json'
	),
	file('/tunes/{id}/chart.txt', 'A tune as chart text', 'text/plain'),
	file('/tunes/{id}/chart.cho', 'A tune as ChordPro', 'text/plain'),
	file('/tunes/{id}/chart.json', 'A tune with its routes', 'application/json'),
	file(
		'/routes/{id}/route.musicxml',
		'A route as MusicXML 4.0',
		'application/vnd.recordare.musicxml+xml',
		repeats
	),
	file(
		'/routes/{id}/route.mxl',
		'The same, compressed',
		'application/vnd.recordare.musicxml',
		repeats
	),
	file('/routes/{id}/route.mid', 'A route with its band as MIDI', 'audio/midi'),
	file('/routes/{id}/route.pdf', 'A route as a page for the music stand', 'application/pdf', page),
	file('/tunes/{id}/sheet.pdf', 'A tune without a route as such a page', 'application/pdf', page),
	file('/routes/{id}/route.txt', 'A route as tab in plain text', 'text/plain'),
	file('/routes/{id}/route.json', 'A route with its tune', 'application/json'),
	file('/motifs/{id}/motif.json', 'A motif', 'application/json')
];

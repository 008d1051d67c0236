import { MEDIUM_HAND } from '$core/neck';
import { NO_LINE, NO_ANCHORS } from './route-schema';
import { must } from '$core/test-must';
import { describe, expect, it } from 'vitest';
import { parseChart } from '$core/chart';
import { writeMidiPiece, writeMusicXml, writeTabPage } from '$core/formats';
import { plannedPiece, TEXTS } from '$core/formats/test-pieces';
import { FORMAT_VERSION, migrate, readDocument } from './document-schema';
import { runImport, type ReadyFile } from './import-file';

const bytes = (text: string) => new TextEncoder().encode(text);
const request = (
	name: string,
	file: Uint8Array | string,
	onto: { title: string; chart: string } | null = null
) => ({
	name,
	bytes: typeof file === 'string' ? bytes(file) : file,
	onto,
	own: [],
	hand: MEDIUM_HAND
});
function ready(...args: Parameters<typeof request>): ReadyFile {
	return must(runImport(request(...args)));
}
const piece = plannedPiece(TEXTS.ferry, 'eighth');
const route = {
	...{ name: 'Sixth', position: 6, style: 'guide-tones' as const },
	line: { ...NO_LINE, grid: 'eighth' as const },
	anchors: NO_ANCHORS
};

describe('a file on its way into the notebook', () => {
	it.each([
		['tin-roof.musicxml', writeMusicXml(piece)],
		['tin-roof.mid', writeMidiPiece(piece)],
		['tin-roof.txt', writeTabPage(piece)]
	])('%s becomes a tune with its line as a route, note by note', (name, file) => {
		const { tunes, understood, leftOut } = ready(name, file);
		expect(tunes[0].tune?.chart.trimEnd()).toBe(TEXTS.ferry.trimEnd());
		const [{ plan, input }] = tunes[0].routes;
		expect(input.name).toBe('A line');
		expect(
			plan.notes.map(({ tick, durationTicks, string, fret, finger, technique }) => [
				tick,
				durationTicks,
				string,
				fret,
				finger,
				technique
			])
		).toEqual(
			piece.notes.map(({ tick, durationTicks, string, fret, finger, technique }) => [
				tick,
				durationTicks,
				string,
				fret,
				finger,
				technique
			])
		);
		expect(understood).toEqual([
			'12 bars, 13 changes, key of B♭ blues, 104 a minute, 1 section.',
			`A line of ${piece.notes.length} notes, most of them in position 6, becomes the route “A line”.`
		]);
		expect(leftOut).toEqual([]);
	});

	it('is named for its file where it has no title', () => {
		const { tunes } = ready('My_lamp-song.txt', '| C | F |\n');
		expect(tunes[0].title).toBe('My lamp song');
		expect(tunes[0].tune?.chart).toBe('title: My lamp song\n\n| C | F |\n');
	});

	it('with a line and no chords needs a tune to stand on', () => {
		const rows = ['e|-0---3---|', ...Array.from('BGDAE', (s) => `${s}|---------|`)].join('\n');
		expect(runImport(request('riff.txt', rows))).toMatchObject({
			error: expect.stringContaining('names no chords')
		});
		const { tunes } = ready('riff.txt', rows, {
			title: 'C song',
			chart: 'title: C song\n| C | C |\n'
		});
		expect(tunes[0]).toMatchObject({ tune: null, title: 'C song' });
		expect(tunes[0].routes[0].plan.notes.map(({ tick, midi }) => [tick, midi])).toEqual([
			[0, 64],
			[960, 67]
		]);
	});

	it('as a document keeps every wish of a route', () => {
		const document = {
			format: 'arc-step/route',
			formatVersion: FORMAT_VERSION,
			tune: { title: 'x', chart: TEXTS.ferry },
			route
		};
		const { tunes, kind } = ready('a.json', JSON.stringify(document));
		expect(kind).toBe('a route with its tune');
		expect(tunes[0].routes[0].input).toEqual(route);
		expect(tunes[0].routes[0].plan.targets).toHaveLength(parseChart(TEXTS.ferry).changes.length);
	});

	it('as a document tells which routes cannot be planned', () => {
		const far = { ...route, name: 'Far', position: 24 };
		const document = {
			format: 'arc-step/tune',
			formatVersion: FORMAT_VERSION,
			tune: { title: '', chart: TEXTS.ferry },
			routes: [route, far]
		};
		const { tunes, leftOut } = ready('a.json', JSON.stringify(document));
		expect(tunes[0].routes).toHaveLength(1);
		expect(leftOut[0]).toMatch(/^The route “Far” is left out: /);
	});

	it('as a motif is checked like one that is written', () => {
		const motif = {
			name: 'Two up',
			motif: { basis: 'role', notes: [{ offsetTicks: 0, durationTicks: 240, step: '3' }] }
		};
		const document = { format: 'arc-step/motif', formatVersion: FORMAT_VERSION, motif };
		expect(ready('a.json', JSON.stringify(document)).motifs).toEqual([motif]);
		const broken = {
			...document,
			motif: {
				...motif,
				motif: { ...motif.motif, notes: [{ offsetTicks: 0, durationTicks: 240, step: 'x' }] }
			}
		};
		expect(runImport(request('a.json', JSON.stringify(broken)))).toHaveProperty('error');
	});
});

describe('documents of other versions', () => {
	it('before version 1 are answers of the API as they were saved', () => {
		const saved = { id: 'x', title: 'Old', chart: '| C |', version: 3 };
		const read = must(readDocument(JSON.stringify(saved)));
		expect(read).toEqual({
			...{ format: 'arc-step/tune', formatVersion: 1, routes: [] },
			tune: { title: 'Old', chart: '| C |' }
		});
		expect(migrate({ formatVersion: 1, chart: '| C |' })).toEqual({
			formatVersion: 1,
			chart: '| C |'
		});
	});

	it.each([
		['{', 'not JSON'],
		['[]', 'no document'],
		['{"format":"arc-step/tune","formatVersion":2}', 'newer'],
		['{"format":"arc-step/backup","formatVersion":1}', 'backup'],
		['{"format":"arc-step/tune","formatVersion":1}', 'not whole'],
		['{"format":"other"}', 'no document'],
		['{"format":"__proto__","formatVersion":1}', 'no document']
	])('%s is refused', (text, why) => {
		const read = readDocument(text);
		expect('error' in read && read.error).toContain(why);
	});
});

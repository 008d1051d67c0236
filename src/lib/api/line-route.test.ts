import { MEDIUM_HAND } from '$core/neck';
import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { eventAt } from '$core/chart';
import { linesOn, onePiece, plannedPiece, TEXTS, toRead } from '$core/formats/test-pieces';
import type { FileNote, Piece } from '$core/formats';
import { instrumentInputOf, resolveChart } from './resolve';
import { routeOfLine } from './line-route';
import { runRoute } from './route';
import { runs } from '$core/test-runs';
import { playingOf } from '$core/route';
import { readFile, writeTabPage } from '$core/formats';
import { licksOn } from '$core/formats/test-licks';
import type { NoteAnswer } from './plan-schema';

function planned(piece: Piece) {
	const { route, lost } = routeOfLine(
		piece.chart,
		piece.instrument,
		piece.notes.map(toRead),
		'Mine'
	);
	const read = resolveChart(piece.text);
	if ('error' in read) throw new Error('no chart');
	const made = runRoute({
		chart: piece.text,
		instrument: instrumentInputOf(read.value, [], MEDIUM_HAND),
		route
	});
	if ('error' in made) throw new Error(JSON.stringify(made.error));
	return { notes: made.value.notes, lost, route };
}
const shape = ({
	tick,
	durationTicks,
	string,
	fret,
	technique
}: Pick<FileNote, 'tick' | 'durationTicks' | 'string' | 'fret' | 'technique'>) => [
	tick,
	durationTicks,
	string,
	fret,
	technique
];

describe('a line from a file as a route', () => {
	it.each(['ferry', 'minor', 'waltz', 'ladder', 'tuned'] as const)(
		'comes back note by note over %s',
		(name) => {
			const piece = plannedPiece(TEXTS[name], 'eighth', name === 'minor' ? 9 : 6);
			const { notes, lost, route } = planned(piece);
			expect(lost).toEqual({ late: 0, unplayable: 0 });
			expect(notes.map(shape)).toEqual(piece.notes.map(shape));
			expect(notes.map(({ finger }) => finger)).toEqual(piece.notes.map(({ finger }) => finger));
			expect(route.position).toBe(name === 'minor' ? 9 : 6);
		}
	);

	it.each(['blues', 'waltz'] as const)('takes any line over %s, wherever it runs', (name) => {
		fc.assert(
			fc.property(linesOn(TEXTS[name], 120), (piece) => {
				const { notes, lost } = planned(piece);
				expect(lost.unplayable).toBe(0);
				// Nothing rings while no chord sounds; there is none in these charts.
				expect(eventAt(piece.chart, 0)?.kind).toBe('chord');
				expect(notes.map(shape)).toEqual(piece.notes.map(shape));
			}),
			{ numRuns: runs(25) }
		);
	});

	it('takes several notes at a time anywhere on the neck, through a page of tab and back', () => {
		const exact = (note: FileNote | NoteAnswer) => [...shape(note), playingOf(note)];
		fc.assert(
			fc.property(licksOn(TEXTS.blues, 120), (piece) => {
				const { notes, lost } = planned(piece);
				expect(lost).toEqual({ late: 0, unplayable: 0 });
				expect(notes.map(exact)).toEqual(piece.notes.map(exact));
				const read = onePiece(
					readFile('line.txt', new TextEncoder().encode(writeTabPage({ ...piece, notes })))
				);
				const back = planned({
					...piece,
					notes: read.notes.map((note) => ({
						...note,
						...(note.place ?? { string: 1, fret: 0 }),
						name: ''
					}))
				});
				expect(back.notes.map(exact)).toEqual(piece.notes.map(exact));
			}),
			{ numRuns: runs(25) }
		);
	});

	it('finds places for bare pitches and tells what it cannot take', () => {
		const piece = plannedPiece(TEXTS.ferry, 'eighth');
		const bare = piece.notes.map((note) => ({ ...toRead(note), place: null, technique: null }));
		const high = { ...bare[0], tick: 99_999, midi: 60 };
		const { route, lost } = routeOfLine(
			piece.chart,
			piece.instrument,
			[...bare.slice(1), { ...bare[1], midi: 20 }, high],
			'Bare'
		);
		expect(lost).toEqual({ late: 1, unplayable: 1 });
		const frets = route.anchors.frozen.flatMap(({ notes }) => notes.map(({ fret }) => fret));
		expect(Math.max(...frets) - Math.min(...frets)).toBeLessThanOrEqual(5);
	});
});

import { describe, expect, it } from 'vitest';
import { runAnalyze } from './analyze';
import { runCoverage, runPositions, runShapes } from './neck';
import {
	coverageAnswer,
	positionsAnswer,
	shapesAnswer,
	type CoverageInput,
	type PositionsInput,
	type ShapesInput
} from './neck-schema';
import type { Outcome } from './resolve';

const value = <T>(outcome: Outcome<T>): T => {
	if (!('value' in outcome)) throw new Error(JSON.stringify(outcome.error));
	return outcome.value;
};
const paths = (outcome: Outcome<unknown>): string[] =>
	'error' in outcome ? outcome.error.map((issue) => issue.path) : [];

const CHART = 'key: Bb blues\n| Bb7 | Eb7 | Bb7 | F7 |';

describe('positions', () => {
	const input: PositionsInput = { scale: { tonic: 'Bb', name: 'minor pentatonic' }, family: 'box' };

	it('fit the schema and hold every pitch once', () => {
		const { positions } = positionsAnswer.parse(value(runPositions(input)));
		for (const { notes, position } of positions) {
			expect(new Set(notes.map((note) => note.midi)).size).toBe(notes.length);
			for (const note of notes) {
				expect(note.fret).toBeGreaterThanOrEqual(position - 1);
				expect(note.fret).toBeLessThanOrEqual(position + 4);
				expect(['Bb', 'Db', 'Eb', 'F', 'Ab']).toContain(note.name);
			}
		}
		// Five boxes in the octave from the sixth fret on.
		expect(positions.filter(({ position: p }) => p >= 6 && p < 18)).toHaveLength(5);
	});

	it('take a scale given by degrees', () => {
		const named = value(runPositions(input));
		const spelled = { ...input, scale: { tonic: 'Bb', name: '1 b3 4 5 b7' } };
		expect(value(runPositions(spelled))).toEqual(named);
	});

	it('say what is wrong', () => {
		expect(paths(runPositions({ ...input, scale: { tonic: 'C', name: 'x' } }))).toEqual([
			'scale.name'
		]);
		expect(paths(runPositions({ ...input, instrument: { tuning: 'E' } }))).toEqual([
			'instrument.tuning'
		]);
		expect(paths(runPositions({ ...input, family: 'n-per-string', notesPerString: 1 }))).toEqual([
			'notesPerString'
		]);
	});
});

describe('shapes', () => {
	const input: ShapesInput = { chord: 'Eb7', position: 6 };

	it('fit the schema; every tone has its role, every double stop a verdict', () => {
		const answer = shapesAnswer.parse(value(runShapes(input)));
		expect(answer.shapes[0].kind).toBe('full');
		const roles = new Map([
			['Eb', 'R'],
			['G', '3'],
			['Bb', '5'],
			['Db', 'b7']
		]);
		for (const shape of answer.shapes) {
			for (const [i, note] of shape.notes.entries()) {
				expect(note.role).toBe(roles.get(note.name));
				if (i > 0) expect(note.midi).toBeGreaterThan(shape.notes[i - 1].midi);
			}
		}
		expect(answer.doubleStops.length).toBeGreaterThan(5);
		for (const { roles, verdict, treatment } of answer.doubleStops) {
			// The only foreign note is the minor third that is curled.
			expect(verdict).toBe(roles.includes('#9') ? 'clash' : 'home');
			if (verdict === 'clash') expect(treatment).toContain('curl');
		}
		expect(answer.bends.every((bend) => roles.size > 0 && bend.semitones <= 3)).toBe(true);
	});

	it('say what is wrong', () => {
		expect(paths(runShapes({ ...input, chord: 'Hb7' }))).toEqual(['chord']);
		expect(paths(runShapes({ ...input, position: 20 }))).toEqual(['position']);
		expect(paths(runShapes({ ...input, position: 19 }))).toEqual([]);
		expect(paths(runShapes({ ...input, instrument: { frets: 12, capo: 12 } }))).toEqual([
			'instrument.capo'
		]);
	});
});

describe('coverage', () => {
	const input: CoverageInput = { chart: CHART };

	it('fits the schema: every position, every distinct chord, the best one first in score', () => {
		const answer = coverageAnswer.parse(value(runCoverage(input)));
		expect(answer.chords).toEqual(['Bb7', 'Eb7', 'F7']);
		expect(answer.positions.map(({ position }) => position)).toEqual(
			Array.from({ length: 19 }, (_, i) => i + 1)
		);
		expect(answer.matrix).toHaveLength(19 * 3);
		const scores = answer.positions.map(({ score }) => score);
		expect(answer.positions[answer.best - 1].score).toBe(Math.max(...scores));
	});

	it('moves along with the key', () => {
		const here = value(runCoverage(input));
		const up = value(runCoverage({ chart: 'key: C blues\n| C7 | F7 | C7 | G7 |' }));
		// Away from the open strings a whole tone up lies two frets further.
		const inner = (answer: typeof here, from: number) =>
			answer.matrix.filter(({ position: p }) => p >= from && p < from + 12).map((m) => m.score);
		expect(inner(up, 5)).toEqual(inner(here, 3));
	});

	it('says what is wrong', () => {
		expect(paths(runCoverage({ chart: '| N.C. |' }))).toEqual(['chart']);
		expect(paths(runCoverage({ ...input, scale: { tonic: 'C', name: 'x' } }))).toEqual([
			'scale.name'
		]);
	});
});

describe('what analyze says of harmony', () => {
	const answer = value(runAnalyze({ chart: 'key: A minor\n| Am | Dm | E7 | Am |' }));

	it('ranks tonics with reasons, numerals and functions along the chart', () => {
		expect(answer.tonics[0]).toMatchObject({ tonic: 'A', mode: 'minor' });
		expect(answer.tonics[0].reasons.length).toBeGreaterThan(1);
		const chords = answer.chords.map(({ numeral, function: fn }) => [numeral, fn]);
		expect(chords.map(([numeral]) => numeral)).toEqual(['i', 'iv', 'V7', 'i']);
		expect(chords[2][1]).toContain('raised leading tone G#');
	});

	it('offers scales as edits of the one in use', () => {
		const [choice] = answer.chords[2].scales;
		expect(choice.containsAll).toBe(true);
		expect(choice.edits).toEqual([{ from: 'G', to: 'G#' }]);
	});
});

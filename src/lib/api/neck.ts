import { parseChord, suggestSymbol } from '$core/chord';
import { buildScale } from '$core/harmony';
import {
	arpeggioShapes,
	bends,
	doubleStops,
	grips,
	highestFret,
	isPosition,
	lastPosition,
	positionsOf
} from '$core/neck';
import { parseNote } from '$core/pitch';
import { coverNeck, distinctChords, rankCoverage } from '$core/route';
import type {
	CoverageAnswer,
	CoverageInput,
	PositionsAnswer,
	PositionsInput,
	ShapesAnswer,
	ShapesInput
} from './neck-schema';
import {
	resolveChart,
	resolveInstrument,
	resolveScale,
	unknownScale,
	type Outcome
} from './resolve';

/** Lays a scale out on the neck; the answer of `POST /api/v1/positions`. */
export function runPositions(input: PositionsInput): Outcome<PositionsAnswer> {
	const instrument = resolveInstrument(null, input.instrument);
	if ('error' in instrument) return instrument;
	const tonic = parseNote(input.scale.tonic);
	const scale = tonic && buildScale(tonic, input.scale.name);
	if (!scale) return unknownScale(input.scale.name);
	const { family, notesPerString, passing } = input;
	if (family === 'n-per-string' && notesPerString === 1) {
		const message = 'One note a string is no pattern: ask for 2 to 4.';
		return { error: [{ path: 'notesPerString', message }] };
	}
	const positions = positionsOf(instrument.value, scale, family, { notesPerString, passing });
	return {
		value: {
			positions: positions.map(({ notes, shifts, ...position }) => ({
				...position,
				notes: notes.map((note) => ({ ...note })),
				shifts: [...shifts]
			}))
		}
	};
}

/** Everything a chord is made of in one position; the answer of `POST /api/v1/shapes`. */
export function runShapes(input: ShapesInput): Outcome<ShapesAnswer> {
	const instrument = resolveInstrument(null, input.instrument);
	if ('error' in instrument) return instrument;
	const neck = instrument.value;
	const chord = parseChord(input.chord);
	if (!chord) {
		const suggestion = suggestSymbol(input.chord);
		const message = `“${input.chord}” is not a chord that can be read${suggestion ? `; did you mean ${suggestion}?` : '.'}`;
		return { error: [{ path: 'chord', message, suggestion }] };
	}
	const { position } = input;
	if (!isPosition(neck, position)) {
		const message = `Position ${position} does not exist: this instrument has 1 to ${lastPosition(neck)}, its highest fret is ${highestFret(neck)}.`;
		return { error: [{ path: 'position', message }] };
	}
	return {
		value: {
			shapes: arpeggioShapes(neck, chord, position).map((shape) => ({
				...shape,
				shift: shape.shifts[0] ?? null,
				shifts: [...shape.shifts],
				notes: [...shape.notes],
				rolls: shape.rolls.map((pair) => [...pair])
			})),
			grips: grips(neck, chord, position).map((grip) => ({
				...grip,
				...{ notes: [...grip.notes], muted: [...grip.muted] }
			})),
			doubleStops: doubleStops(neck, chord, position).map(
				({ a, b, interval, roles, verdict, treatment, bend, shift }) => ({
					...{ a, b, interval, roles: [...roles], verdict, treatment, bend, shift }
				})
			),
			bends: bends(neck, chord, position).map(({ string, fret, semitones, toRole }) => ({
				...{ string, fret, semitones, toRole }
			}))
		}
	};
}

/** Tries every position of the neck; the answer of `POST /api/v1/coverage`. */
export function runCoverage(input: CoverageInput): Outcome<CoverageAnswer> {
	const read = resolveChart(input.chart);
	if ('error' in read) return read;
	const chart = read.value;
	const scale = resolveScale(chart, input.scale);
	if ('error' in scale) return scale;
	const instrument = resolveInstrument(chart, input.instrument);
	if ('error' in instrument) return instrument;
	const { style = 'nearest' } = input;
	const request = { chart, instrument: instrument.value, scale: scale.value, style };
	const chords = distinctChords(request);
	if (chords.length === 0) {
		const message = 'This chart holds no chord, so no place can be weighed.';
		return { error: [{ path: 'chart', message, line: 1, column: 1 }] };
	}
	const rows = [...coverNeck(request)];
	const ranked = rankCoverage(rows);
	const best = ranked.find((entry) => entry.rank === 1) ?? ranked[0]!;
	return {
		value: {
			chords: chords.map((chord) => chord.symbol),
			positions: ranked.map(({ position, score, cost, reasons }) => ({
				...{ position, score, cost, reasons: [...reasons] }
			})),
			best: best.position,
			matrix: rows.flatMap((row) =>
				row.chords.map((score, chord) => ({ position: row.position, chord, score }))
			)
		}
	};
}

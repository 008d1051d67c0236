import { parseChart, type Chart } from '$core/chart';
import { buildScale, scaleInUse, type Scale } from '$core/harmony';
import {
	buildInstrument,
	highestFret,
	instrumentOf,
	standardGuitar,
	tuningText,
	withSlide,
	type Instrument,
	type OwnInstrument
} from '$core/neck';
import { chordsPlayed } from '$core/route';
import { parseNote } from '$core/pitch';
import type { z } from 'zod';
import type { Issue, instrumentInput, scaleInput } from './chart-schema';

/** An answer, or what is wrong with the request. */
export type Outcome<T> = { readonly value: T } | { readonly issues: Issue[] };

const fromDiagnostic = (d: Chart['diagnostics'][number]): Issue => ({
	path: 'chart',
	message: d.message,
	line: d.line,
	column: d.column,
	suggestion: d.suggestion
});

/** The chart that was read last: one is planned on again and again. */
let lastText: string | null = null;
let lastChart: Outcome<Chart> = { issues: [] };

/** Reads chart text that must be within its limits and hold at least one readable bar. */
export function resolveChart(text: string): Outcome<Chart> {
	if (text !== lastText) [lastText, lastChart] = [text, readChart(text)];
	return lastChart;
}

function readChart(text: string): Outcome<Chart> {
	const chart = parseChart(text);
	const beyond = chart.diagnostics.filter((entry) => entry.limit);
	if (beyond.length > 0) return { issues: beyond.map(fromDiagnostic) };
	if (chart.events.some((event) => event.kind !== 'unreadable')) return { value: chart };
	const errors = chart.diagnostics.filter((entry) => entry.severity === 'error').slice(0, 20);
	const nothing: Issue = {
		path: 'chart',
		message: 'Nothing in this chart can be read as a chord. Write bars such as | Bb7 | Eb7 |.',
		line: 1,
		column: 1
	};
	return { issues: errors.length > 0 ? errors.map(fromDiagnostic) : [nothing] };
}

export function unknownScale(name: string): { issues: Issue[] } {
	const message = `There is no scale “${name}” in the library; give one of its names, or degrees such as 1 b3 4 5 b7.`;
	return { issues: [{ path: 'scale.name', message }] };
}

/** The instrument that a chart is planned on, as a request names it; own ones lend their frets. */
export function instrumentInputOf(
	chart: Chart,
	own: readonly OwnInstrument[]
): z.infer<typeof instrumentInput> {
	const { instrument } = instrumentOf(chart, own);
	return { tuning: tuningText(instrument), frets: instrument.frets, capo: instrument.capo };
}

/** The scale of a request, or else the chart's. */
export function resolveScale(
	chart: Chart,
	input: z.infer<typeof scaleInput> | undefined
): Outcome<Scale | null> {
	if (!input) return { value: scaleInUse(chart).scale };
	const tonic = parseNote(input.tonic);
	const scale = tonic && buildScale(tonic, input.name);
	if (scale) return { value: scale };
	return unknownScale(input.name);
}

/**
 * The instrument of a request, or else the chart's, or else the usual guitar; a part that is left out
 * takes its default.
 */
export function resolveInstrument(
	chart: Chart | null,
	input: z.infer<typeof instrumentInput> | undefined
): Outcome<Instrument> {
	if (!input) return { value: chart ? instrumentOf(chart).instrument : standardGuitar() };
	const instrument = buildInstrument(input.tuning, input.frets, input.capo);
	if (!instrument) {
		const message = `“${input.tuning}” is not a tuning: give a preset id or 4 to 8 pitches such as E2 A2 D3 G3 B3 E4.`;
		return { issues: [{ path: 'instrument.tuning', message }] };
	}
	if (highestFret(instrument) < 4) {
		return {
			issues: [{ path: 'instrument.capo', message: 'The capo leaves fewer than four frets.' }]
		};
	}
	return { value: instrument };
}

/** Chart, scale in use and instrument of a request, or what is wrong with the first of them that cannot be read. */
export function resolveSetting(input: {
	readonly chart: string;
	readonly scale?: z.infer<typeof scaleInput>;
	readonly instrument?: z.infer<typeof instrumentInput>;
	readonly slide?: 1 | 2;
}): Outcome<{
	readonly chart: Chart;
	readonly scale: Scale | null;
	readonly instrument: Instrument;
}> {
	const chart = resolveChart(input.chart);
	if ('issues' in chart) return chart;
	const scale = resolveScale(chart.value, input.scale);
	if ('issues' in scale) return scale;
	const instrument = resolveInstrument(chart.value, input.instrument);
	if ('issues' in instrument) return instrument;
	const held = input.slide
		? withSlide(instrument.value, input.slide, {
				...{ scale: scale.value, chords: chordsPlayed(chart.value) }
			})
		: instrument.value;
	return { value: { chart: chart.value, scale: scale.value, instrument: held } };
}

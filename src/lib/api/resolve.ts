import type { Result } from '$core/kernel';
import { parseChart, type Chart } from '$core/chart';
import { buildScale, scaleInUse, type Scale } from '$core/harmony';
import {
	buildInstrument,
	highestFret,
	instrumentOf,
	standardGuitar,
	tuningText,
	type Hand,
	type Instrument,
	type OwnInstrument
} from '$core/neck';
import { heldInstrument, type RequestIssue, type Setting } from '$core/route';
import { parseNote } from '$core/pitch';
import type { z } from 'zod';
import type { Issue, instrumentInput, scaleInput } from './chart-schema';

/** An answer, or what is wrong with the request. */
export type Outcome<T> = Result<T, readonly Issue[]>;

const fromDiagnostic = (d: Chart['diagnostics'][number]): Issue => ({
	path: 'chart',
	message: d.message,
	line: d.line,
	column: d.column,
	suggestion: d.suggestion
});

/** Reads chart text that must be within its limits and hold at least one readable bar. */
export function resolveChart(text: string): Outcome<Chart> {
	const chart = parseChart(text);
	const beyond = chart.diagnostics.filter((entry) => entry.limit);
	if (beyond.length > 0) return { error: beyond.map(fromDiagnostic) };
	if (chart.events.some((event) => event.kind !== 'unreadable')) return { value: chart };
	const errors = chart.diagnostics.filter((entry) => entry.severity === 'error').slice(0, 20);
	const nothing: Issue = {
		path: 'chart',
		message: 'Nothing in this chart can be read as a chord. Write bars such as | Bb7 | Eb7 |.',
		line: 1,
		column: 1
	};
	return { error: errors.length > 0 ? errors.map(fromDiagnostic) : [nothing] };
}

export function unknownScale(name: string): { error: Issue[] } {
	const message = `There is no scale “${name}” in the library; give one of its names, or degrees such as 1 b3 4 5 b7.`;
	return { error: [{ path: 'scale.name', message }] };
}

/** The instrument that a chart is planned on in the player's hand, as a request names it; own ones lend frets and length. */
export function instrumentInputOf(
	chart: Chart,
	own: readonly OwnInstrument[],
	hand: Hand
): z.infer<typeof instrumentInput> {
	const { instrument } = instrumentOf(chart, own, hand);
	const { frets, capo, scaleLengthMm } = instrument;
	return {
		...{ tuning: tuningText(instrument), frets, capo, scaleLengthMm },
		handMm: hand.comfortableMm
	};
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
	const { tuning, frets, capo, scaleLengthMm, handMm } = input;
	const hand = handMm === undefined ? undefined : { comfortableMm: handMm };
	const instrument = buildInstrument(tuning, frets, capo, scaleLengthMm, hand);
	if (!instrument) {
		const message = `“${tuning}” is not a tuning: give a preset id or 4 to 8 pitches such as E2 A2 D3 G3 B3 E4.`;
		return { error: [{ path: 'instrument.tuning', message }] };
	}
	if (highestFret(instrument) < 4) {
		return {
			error: [{ path: 'instrument.capo', message: 'The capo leaves fewer than four frets.' }]
		};
	}
	return { value: instrument };
}

/** What is wrong with a request of the core, as it is answered. */
export const asIssues = (issues: readonly RequestIssue[]): Issue[] =>
	issues.map(({ path, message }) => ({ path: path.join('.'), message }));

/** Chart, scale in use and instrument of a request, or what is wrong with the first of them that cannot be read. */
export function resolveSetting(input: {
	readonly chart: string;
	readonly scale?: z.infer<typeof scaleInput>;
	readonly instrument?: z.infer<typeof instrumentInput>;
}): Outcome<Setting> {
	const chart = resolveChart(input.chart);
	if ('error' in chart) return chart;
	const scale = resolveScale(chart.value, input.scale);
	if ('error' in scale) return scale;
	const instrument = resolveInstrument(chart.value, input.instrument);
	if ('error' in instrument) return instrument;
	return { value: { chart: chart.value, scale: scale.value, instrument: instrument.value } };
}

/** The same, with the instrument as it is held. */
export function resolveHeld(
	input: Parameters<typeof resolveSetting>[0] & { readonly slide?: 1 | 2 }
): Outcome<Setting> {
	const setting = resolveSetting(input);
	if ('error' in setting || !input.slide) return setting;
	const holding = { slide: input.slide, block: false };
	const instrument = heldInstrument(setting.value, holding, null);
	return { value: { ...setting.value, instrument } };
}

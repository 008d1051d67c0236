import { compareChords, type Chart, type ChordEvent } from '$core/chart';
import type { Chord, Key } from '$core/chord';
import { instrumentOf } from '$core/neck';
import {
	chordAfter,
	functionsAlong,
	hiddenArpeggios,
	hiddenScale,
	keyOf,
	outsideTones,
	rankTonics,
	scaleChoices,
	scaleInUse,
	type ChordFunction,
	type Scale
} from '$core/harmony';
import { noteName } from '$core/pitch';
import type { AnalyzeAnswer, AnalyzeInput } from './chart-schema';
import { resolveChart, resolveScale, type Outcome } from './resolve';

type ChordAnswer = AnalyzeAnswer['chords'][number];

/** How many scale choices an answer lists for each chord. */
const CHOICES = 6;
/** How many hidden arpeggios. */
const HIDDEN = 48;
/** With more chords than these an answer lists a quarter of them. */
const LONG = 256;

type Answers = Pick<ChordAnswer, 'scales' | 'hidden'>;

/** Scales and hidden arpeggios by chord and follower: a chart plays the same few chords over and over. */
function answersFor(
	scale: Scale,
	key: Key,
	most: number
): (chord: Chord, next: Chord | null) => Answers {
	const known = new Map<string, Answers>();
	return (chord, next) => {
		const at = `${chord.symbol} ${next?.symbol ?? ''}`;
		const found = known.get(at);
		if (found) return found;
		const choices = scaleChoices(chord, scale, { next, key, limit: CHOICES });
		const made: Answers = {
			scales: choices.map(({ scale: one, relative, edits, containsAll }) => ({
				...scaleAnswer(one),
				relative: relative && { tonic: noteName(relative.tonic), name: relative.name },
				edits: [...edits],
				containsAll
			})),
			hidden: hiddenArpeggios(hiddenScale(chord, scale, key), chord, next)
				.slice(0, most)
				.map(({ name, notes, roles, clashes, use }) => ({
					...{ name, notes: notes.map(noteName), size: notes.length },
					...{ roles: [...roles], clashes: [...clashes], use }
				}))
		};
		known.set(at, made);
		return made;
	};
}

const scaleAnswer = (scale: Scale): AnalyzeAnswer['scale'] => ({
	tonic: noteName(scale.tonic),
	name: scale.name,
	notes: scale.notes.map((note) => note.name)
});

function chordAnswer(
	event: ChordEvent,
	key: Key,
	role: ChordFunction | null,
	answers: (chord: Chord) => Answers
): ChordAnswer {
	const { chord } = event;
	const outside = chord ? outsideTones(chord, key).map((tone) => tone.name) : [];
	return {
		index: event.index,
		bar: event.bar,
		beat: event.beat,
		startTick: event.startTick,
		durationTicks: event.durationTicks,
		symbol: event.symbol,
		root: chord && noteName(chord.root),
		quality: chord && (chord.quality.suffix || 'maj'),
		bass: chord?.bass ? noteName(chord.bass) : null,
		tones: (chord?.tones ?? []).map(({ role, name, pc, essential }) => ({
			role,
			name,
			pc,
			essential
		})),
		numeral: role?.numeral ?? null,
		function: role?.words ?? null,
		inKey: chord !== null && outside.length === 0,
		outside,
		...(chord ? answers(chord) : { scales: [], hidden: [] })
	};
}

function changeAnswers(chart: Chart): AnalyzeAnswer['changes'] {
	return chart.changes.map((change) => {
		const from = change.from?.chord;
		const compared = from ? compareChords(from, change.to.chord) : null;
		return {
			index: change.index,
			tick: change.tick,
			bar: change.bar,
			beat: change.beat,
			fromChord: change.from?.index ?? null,
			toChord: change.to.index,
			common: compared?.common.map((tone) => tone.name) ?? [],
			moves:
				compared?.moves.map((move) => ({
					from: move.from.name,
					to: move.to.name,
					semitones: move.semitones
				})) ?? []
		};
	});
}

/** Reads a chart and spells everything in it; the answer of `POST /api/v1/analyze`. */
export function runAnalyze(input: AnalyzeInput): Outcome<AnalyzeAnswer> {
	const read = resolveChart(input.chart);
	if ('error' in read) return read;
	const chart = read.value;
	const resolved = resolveScale(chart, input.scale);
	if ('error' in resolved) return resolved;
	const key = keyOf(chart);
	const scale = resolved.value;
	if (!key || !scale) {
		const message = 'This chart holds no chord, so it has no key: add a line such as “key: Bb”.';
		return { error: [{ path: 'chart', message, line: 1, column: 1 }] };
	}
	const headerDiagnostics = [
		input.scale ? null : scaleInUse(chart).diagnostic,
		instrumentOf(chart).diagnostic
	].filter((entry) => entry !== null);
	const roles = functionsAlong(chart, key);
	const most = chart.events.length > LONG ? HIDDEN / 4 : HIDDEN;
	const answers = answersFor(scale, key, most);
	return {
		value: {
			title: chart.headers.title ?? '',
			key: { tonic: noteName(key.tonic), mode: key.mode },
			tempo: chart.headers.tempo,
			feel: chart.headers.feel,
			scale: scaleAnswer(scale),
			tonics: rankTonics(chart).map(({ tonic, mode, score, reasons }) => ({
				...{ tonic: noteName(tonic), mode, score, reasons: [...reasons] }
			})),
			bars: chart.played.map((bar) => ({
				index: bar.index,
				source: bar.written + 1,
				section: bar.section,
				startTick: bar.startTick,
				lengthTicks: bar.lengthTicks,
				timeSignature: `${bar.signature.beats}/${bar.signature.unit}`
			})),
			chords: chart.events.map((event) =>
				chordAnswer(event, key, roles[event.index]!, (chord) =>
					answers(chord, chordAfter(chart, event.index))
				)
			),
			changes: changeAnswers(chart),
			diagnostics: [...headerDiagnostics, ...chart.diagnostics].map(
				({ severity, line, column, length, message, suggestion }) => ({
					severity,
					line,
					column,
					length,
					message,
					suggestion
				})
			)
		}
	};
}

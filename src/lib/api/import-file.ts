import type { RouteInput } from './route-schema';
import type { Result } from '$core/kernel';
import {
	chartTicks,
	keyName,
	parseChart,
	setHeader,
	utf8Length,
	LIMITS,
	type Chart
} from '$core/chart';
import { proseSigns } from '$core/chord';
import { endingOf, FILE_KINDS, readFile, type ReadPiece } from '$core/formats';
import { keyOf } from '$core/harmony';
import { instrumentOf, type Hand, type OwnInstrument } from '$core/neck';
import { readDocument, type MusicDocument } from './document-schema';
import { routeOfLine } from './line-route';
import type { MotifRecord, PlanSnapshot } from './notebook-schema';
import { motifIssues } from './phrase';
import { planSnapshot } from './snapshot';
import { readTune, type TuneReading } from './tune-reading';

/** A file to be read, the tune that a bare line belongs to, and the player's own instruments. */
export type ImportRequest = {
	readonly name: string;
	readonly bytes: Uint8Array;
	readonly onto: { readonly title: string; readonly chart: string } | null;
	readonly own: readonly OwnInstrument[];
	readonly hand: Hand;
};

type PlannedInput = { readonly input: RouteInput; readonly plan: PlanSnapshot };

/** What a file holds, ready to be stored. */
export type ReadyFile = {
	readonly kind: string;
	readonly tunes: readonly {
		/** Null where the routes belong to a tune that is there already. */
		readonly tune: TuneReading | null;
		readonly title: string;
		readonly routes: readonly PlannedInput[];
	}[];
	readonly motifs: readonly MotifRecord[];
	readonly understood: readonly string[];
	readonly leftOut: readonly string[];
};

const plural = (n: number, one: string, many = `${one}s`) => `${n} ${n === 1 ? one : many}`;

/** Plans a route on a chart; a sentence where that cannot be done. */
export function planInput(
	text: string,
	input: RouteInput,
	{ own, hand }: Pick<ImportRequest, 'own' | 'hand'>
): Result<PlannedInput, string> {
	const made = planSnapshot({ chart: text, input, own, hand });
	if ('error' in made) return { error: made.error[0]?.message ?? 'It cannot be planned.' };
	return { value: { input, plan: made.value } };
}

/** One sentence of what a chart is. */
function chartWords(chart: Chart): string {
	const key = keyOf(chart);
	const parts = [
		plural(chart.played.length, 'bar'),
		plural(chart.changes.length, 'change'),
		...(key ? [`key of ${proseSigns(keyName(key))}`] : []),
		`${chart.headers.tempo} a minute`
	];
	const named = chart.sections.filter(({ name }) => name !== null).length;
	if (named > 0) parts.push(plural(named, 'section'));
	return `${parts.join(', ')}.`;
}

const stem = (name: string): string =>
	name
		.replace(/\.[^.]*$/, '')
		.replace(/[_-]+/g, ' ')
		.trim()
		.slice(0, 120);

type Told = { understood: string[]; leftOut: string[] };

/** The line of a piece as a planned route; what of it is lost is told. */
function lineOf(
	piece: ReadPiece,
	text: string,
	request: ImportRequest,
	fallback: string,
	into: Told
): PlannedInput[] {
	if (piece.notes.length === 0) return [];
	const chart = parseChart(text);
	const { instrument } = instrumentOf(chart, request.own);
	const name = piece.lineName?.trim() || fallback;
	const { route, lost } = routeOfLine(chart, instrument, piece.notes, name);
	const planned = planInput(text, route, request);
	if ('error' in planned) {
		into.leftOut.push(`The line is left out: ${planned.error}`);
		return [];
	}
	const missing = [
		lost.late > 0 ? `${plural(lost.late, 'note')} after the last bar` : '',
		lost.unplayable > 0
			? `${plural(lost.unplayable, 'note')} that this instrument does not have`
			: ''
	].filter(Boolean);
	if (missing.length > 0) into.leftOut.push(`Left out: ${missing.join(', ')}.`);
	const kept = planned.value.plan.notes.length;
	into.understood.push(
		`A line of ${plural(kept, 'note')}, most of them in position ${route.position}, becomes the route “${name}”.`
	);
	return [planned.value];
}

function fromPiece(
	piece: ReadPiece,
	request: ImportRequest,
	into: Told
): Result<ReadyFile['tunes'][number], string> {
	const { onto, name } = request;
	if (piece.chart === null) {
		if (!onto) {
			const error =
				'The file has a line, but names no chords: open the tune that it belongs to and bring it in there.';
			return { error };
		}
		const routes = lineOf(piece, onto.chart, request, stem(name) || 'A line', into);
		if (routes.length === 0) return { error: into.leftOut[0] ?? 'There is no note in this file.' };
		return { value: { tune: null, title: onto.title, routes } };
	}
	const parsed = parseChart(piece.chart);
	const titled = parsed.headers.title !== null && parsed.headers.title !== 'Untitled tune';
	const title = titled ? String(parsed.headers.title) : stem(name) || 'Untitled tune';
	const chart = titled
		? piece.chart
		: setHeader(piece.chart, 'title', title.replaceAll('//', '/ /'));
	if (utf8Length(chart) > LIMITS.bytes)
		return { error: 'The chart is larger than the 64 KiB that a chart may have.' };
	if (chartTicks(parsed) === 0) return { error: 'There is no bar in this file.' };
	into.understood.push(chartWords(parsed));
	const routes = lineOf(piece, chart, request, 'Line of the file', into);
	return { value: { tune: readTune(chart), title, routes } };
}

function fromDocument(document: MusicDocument, request: ImportRequest): Result<ReadyFile, string> {
	if (document.format === 'arc-step/motif') {
		const [issue] = motifIssues(document.motif.motif);
		if (issue) return { error: `The motif cannot be played: ${issue.message}` };
		const understood = [`The motif “${document.motif.name}”.`];
		const motifs = [document.motif];
		return { value: { kind: 'a motif', tunes: [], motifs, understood, leftOut: [] } };
	}
	const { chart, title } = document.tune;
	const parsed = parseChart(chart);
	const routes = document.format === 'arc-step/route' ? [document.route] : document.routes;
	const leftOut: string[] = [];
	const planned = routes.flatMap((input) => {
		const made = planInput(chart, input, request);
		if ('value' in made) return [made.value];
		leftOut.push(`The route “${input.name}” is left out: ${made.error}`);
		return [];
	});
	const understood = [chartWords(parsed)];
	if (planned.length > 0)
		understood.push(
			`${plural(planned.length, 'route')}: ${planned.map(({ input }) => `“${input.name}”`).join(', ')}.`
		);
	const kind = document.format === 'arc-step/route' ? 'a route with its tune' : 'a tune';
	const named = parsed.headers.title ?? title;
	const tunes = [{ tune: readTune(chart), title: named || 'Untitled tune', routes: planned }];
	return { value: { kind, tunes, motifs: [], understood, leftOut } };
}

/** The most bytes of a document of one tune. */
const MOST_DOCUMENT = 8 * 1024 * 1024;

/** Reads a file to the point where it only has to be stored, or says why it cannot be. */
export function runImport(request: ImportRequest): Result<ReadyFile, string> {
	const { name, bytes } = request;
	const ending = endingOf(name);
	if (ending === 'json') {
		if (bytes.byteLength > MOST_DOCUMENT) return { error: 'The document is larger than 8 MiB.' };
		const document = readDocument(new TextDecoder().decode(bytes));
		return 'error' in document ? document : fromDocument(document.value, request);
	}
	const reading = readFile(name, bytes);
	if ('error' in reading) return reading;
	const draft: Told = { understood: [], leftOut: [...reading.value.leftOut] };
	const tunes: ReadyFile['tunes'][number][] = [];
	for (const piece of reading.value.pieces) {
		const made = fromPiece(piece, request, draft);
		if ('error' in made) return made;
		tunes.push(made.value);
	}
	const kind = FILE_KINDS[ending as keyof typeof FILE_KINDS];
	return { value: { kind, tunes, motifs: [], ...draft } };
}

import type { RouteInput } from '../api/route-schema';
import { parseChart } from '$core/chart';
import {
	packMxl,
	writeChordPro,
	writeMidiPiece,
	writeMusicXml,
	writeTabPage,
	type FileNote,
	type Piece
} from '$core/formats';
import { instrumentOf, placeUnder } from '$core/neck';
import { FORMAT_VERSION, type RouteDocument, type TuneDocument } from '../api/document-schema';
import type { PlanSnapshot, RouteAnswer, TuneAnswer } from '../api/notebook-schema';
import type { Database } from './database';
import { download } from './download';
import { handOf, listInstruments } from './instruments';
import { inPool } from './pool';
import { getRoute, listRoutes } from './routes';

const wishesOf = ({ name, position, style, line, anchors }: RouteAnswer): RouteInput => ({
	...{ name, position, style, line, anchors }
});

/** Targets as notes: each rings until the next begins or its chord ends. */
function targetNotes(
	piece: Omit<Piece, 'notes'>,
	plan: PlanSnapshot,
	position: number
): FileNote[] {
	const { chart, instrument } = piece;
	return plan.targets.map((target, i) => {
		const change = chart.changes.find(({ tick }) => tick === target.tick);
		const until = change ? change.to.startTick + change.to.durationTicks : target.tick + 1;
		const next = plan.targets[i + 1]?.tick ?? Infinity;
		const { tick, string, fret, midi, name } = target;
		const { finger } = placeUnder(instrument, position, target);
		const durationTicks = Math.max(1, Math.min(next, until) - tick);
		return { tick, durationTicks, string, fret, midi, name, finger, technique: null };
	});
}

/** A route as a piece: the plan as it is kept, or made anew where the chart has changed since. */
export async function pieceOfRoute(
	db: Database,
	id: string
): Promise<{ piece: Piece; route: RouteAnswer; plan: PlanSnapshot; text: string } | null> {
	const found = await getRoute(db, id);
	if (!found) return null;
	const { route, chart: text, tuneVersion } = found;
	const [own, hand] = [await listInstruments(db), await handOf(db)];
	const chart = parseChart(text);
	const { instrument } = instrumentOf(chart, own);
	let { plan } = route;
	if (route.tuneVersion !== tuneVersion) {
		const made = await inPool.snapshot({ chart: text, input: wishesOf(route), own, hand });
		if ('value' in made) plan = made.value;
	}
	const frame = { chart, text, instrument, lineName: route.name };
	const landings = plan.notes.length === 0;
	const notes = landings ? targetNotes(frame, plan, route.position) : plan.notes;
	return { piece: { ...frame, notes }, route, plan, text };
}

/** Everything of a tune that another notebook takes in. */
async function tuneDocumentOf(db: Database, tune: TuneAnswer): Promise<TuneDocument> {
	const list = await listRoutes(db, tune.id);
	const routes = await Promise.all(list.map(({ id }) => getRoute(db, id)));
	return {
		format: 'arc-step/tune',
		formatVersion: FORMAT_VERSION,
		tune: { title: tune.title, chart: tune.chart },
		routes: routes.flatMap((found) => (found ? [wishesOf(found.route)] : []))
	};
}

const asJson = (value: unknown): string => `${JSON.stringify(value, null, '\t')}\n`;

type Made = { readonly type: string; readonly content: string | Uint8Array<ArrayBuffer> };

/** Files of a tune by their endings. */
export const TUNE_FILES: Readonly<
	Record<string, (db: Database, tune: TuneAnswer) => Promise<Made>>
> = {
	txt: async (_, { chart }) => ({ type: 'text/plain', content: chart }),
	cho: async (_, { chart }) => ({
		type: 'text/plain',
		content: writeChordPro(parseChart(chart), chart)
	}),
	json: async (db, tune) => ({
		type: 'application/json',
		content: asJson(await tuneDocumentOf(db, tune))
	})
};

type PieceOfRoute = NonNullable<Awaited<ReturnType<typeof pieceOfRoute>>>;
const titleOf = ({ piece }: PieceOfRoute): string => piece.chart.headers.title ?? 'Untitled tune';

/** Files of a route by their endings; those of notation unfold the repeats or keep them. */
export const ROUTE_FILES: Readonly<
	Record<string, (found: PieceOfRoute, repeats: 'kept' | 'unfolded') => Made>
> = {
	musicxml: ({ piece }, repeats) => ({
		type: 'application/vnd.recordare.musicxml+xml',
		content: writeMusicXml(piece, repeats)
	}),
	mxl: ({ piece }, repeats) => ({
		type: 'application/vnd.recordare.musicxml',
		content: packMxl(writeMusicXml(piece, repeats))
	}),
	mid: ({ piece }) => ({ type: 'audio/midi', content: writeMidiPiece(piece) }),
	txt: ({ piece }) => ({ type: 'text/plain', content: writeTabPage(piece) }),
	json: (found) => {
		const document: RouteDocument = {
			format: 'arc-step/route',
			formatVersion: FORMAT_VERSION,
			tune: { title: titleOf(found), chart: found.text },
			route: wishesOf(found.route)
		};
		return { type: 'application/json', content: asJson(document) };
	}
};

/** A file of a tune; null where there is no such kind. */
export async function tuneFile(
	db: Database,
	tune: TuneAnswer,
	ending: string
): Promise<Response | null> {
	if (!Object.hasOwn(TUNE_FILES, ending)) return null;
	const { type, content } = await TUNE_FILES[ending](db, tune);
	return download(content, { name: tune.title, ending, type });
}

/** A file of a route; null where there is no such kind. */
export async function routeFile(
	db: Database,
	id: string,
	ending: string,
	repeats: 'kept' | 'unfolded'
): Promise<Response | null> {
	const found = await pieceOfRoute(db, id);
	if (!found || !Object.hasOwn(ROUTE_FILES, ending)) return null;
	const { type, content } = ROUTE_FILES[ending](found, repeats);
	return download(content, { name: `${titleOf(found)} ${found.route.name}`, ending, type });
}

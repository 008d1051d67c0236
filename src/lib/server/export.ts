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
import type { PlanSnapshot, RouteAnswer, RouteInput, TuneAnswer } from '../api/notebook-schema';
import type { Database } from './database';
import { download } from './download';
import { listInstruments } from './instruments';
import { snapshotInPool } from './pool';
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
	const own = await listInstruments(db);
	const chart = parseChart(text);
	const { instrument } = instrumentOf(chart, own);
	let { plan } = route;
	if (route.tuneVersion !== tuneVersion) {
		const made = await snapshotInPool({ chart: text, input: wishesOf(route), own });
		if ('value' in made) plan = made.value;
	}
	const frame = { chart, text, instrument, lineName: route.name };
	const landings = route.line.grid === 'targets' || plan.notes.length === 0;
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

/** Files of a tune by their endings; null where there is no such kind. */
export async function tuneFile(
	db: Database,
	tune: TuneAnswer,
	ending: string
): Promise<Response | null> {
	const name = tune.title;
	if (ending === 'txt') return download(tune.chart, { name, ending, type: 'text/plain' });
	if (ending === 'cho') {
		const song = writeChordPro(parseChart(tune.chart), tune.chart);
		return download(song, { name, ending, type: 'text/plain' });
	}
	if (ending === 'json') {
		const document = await tuneDocumentOf(db, tune);
		return download(asJson(document), { name, ending, type: 'application/json' });
	}
	return null;
}

/** Files of a route by their endings; null where there is no such kind. */
export async function routeFile(
	db: Database,
	id: string,
	ending: string,
	repeats: 'kept' | 'unfolded'
): Promise<Response | null> {
	const found = await pieceOfRoute(db, id);
	if (!found) return null;
	const { piece, route, text } = found;
	const title = piece.chart.headers.title ?? 'Untitled tune';
	const name = `${title} ${route.name}`;
	switch (ending) {
		case 'musicxml': {
			const type = 'application/vnd.recordare.musicxml+xml';
			return download(writeMusicXml(piece, repeats), { name, ending, type });
		}
		case 'mxl': {
			const type = 'application/vnd.recordare.musicxml';
			return download(packMxl(writeMusicXml(piece, repeats)), { name, ending, type });
		}
		case 'mid':
			return download(writeMidiPiece(piece), { name, ending, type: 'audio/midi' });
		case 'txt':
			return download(writeTabPage(piece), { name, ending, type: 'text/plain' });
		case 'json': {
			const document: RouteDocument = {
				format: 'arc-step/route',
				formatVersion: FORMAT_VERSION,
				tune: { title, chart: text },
				route: wishesOf(route)
			};
			return download(asJson(document), { name, ending, type: 'application/json' });
		}
		default:
			return null;
	}
}

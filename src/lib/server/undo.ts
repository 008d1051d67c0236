import { openDatabase, type Database } from './database';
import { isUuid, json } from './http';
import { notFound } from './problem';
import { bringBack, throwAway, type Trashable } from './trash';

type Handler = (event: { params: { id: string } }) => Promise<Response>;

/** Answers `DELETE` of one thing: 204, or 404. */
export const removal =
	(kind: Trashable): Handler =>
	async ({ params: { id } }) => {
		const gone = isUuid(id) && (await throwAway(await openDatabase(), kind, id));
		return gone ? new Response(null, { status: 204 }) : notFound(kind);
	};

/** Answers `POST …/undelete`: 200 with the thing as it was, or 404. */
export const undoing =
	(kind: Trashable, get: (db: Database, id: string) => Promise<unknown>): Handler =>
	async ({ params: { id } }) => {
		const db = await openDatabase();
		const back = isUuid(id) && (await bringBack(db, kind, id)) ? await get(db, id) : null;
		return back ? json(back) : notFound(`deleted ${kind}`);
	};

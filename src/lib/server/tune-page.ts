import { and, eq, isNull, sql } from 'drizzle-orm';
import type {
	InstrumentAnswer,
	PlayerAnswer,
	RouteSummary,
	TuneAnswer
} from '../api/notebook-schema';
import type { Database } from './database';
import { NEWCOMER } from './instruments';
import { tune } from './schema';
import { tuneAnswerOf } from './tunes';

/** Everything that the screens of a tune share. */
export type TunePage = {
	readonly tune: TuneAnswer;
	readonly routes: RouteSummary[];
	readonly instruments: InstrumentAnswer[];
	readonly player: PlayerAnswer;
};

// Inside a subquery the builder would not tell the tune's columns from the others': names are spelled out.
const routes = sql<RouteSummary[]>`coalesce((
	select json_agg(json_build_object('id', r.id, 'tuneId', r.tune_id, 'name', r.name, 'position', r.position,
		'style', r.style, 'tuneVersion', r.tune_version, 'version', r.version) order by r.created_at)
	from route r where r.tune_id = tune.id), '[]'::json)`;
const instruments = sql<InstrumentAnswer[]>`coalesce((
	select json_agg(json_build_object('id', i.id, 'name', i.name, 'tuning', i.tuning, 'frets', i.frets,
		'scaleLengthMm', i.scale_length_mm, 'leftHanded', i.left_handed, 'labels', i.labels, 'version', i.version,
		'createdAt', i.created_at, 'updatedAt', i.updated_at) order by i.created_at)
	from instrument i), '[]'::json)`;
const player = sql<PlayerAnswer | null>`(
	select json_build_object('handMm', p.hand_mm, 'scales', p.scales, 'version', p.version) from player p)`;

const iso = (time: string): string => new Date(time).toISOString();

/** A tune with its routes, the player and the player's instruments, in one query; null when it is gone. */
export async function getTunePage(db: Database, id: string): Promise<TunePage | null> {
	const [row] = await db
		.select({ tune, routes, instruments, player })
		.from(tune)
		.where(and(eq(tune.id, id), isNull(tune.deletedAt)));
	if (!row) return null;
	return {
		tune: tuneAnswerOf(row.tune),
		routes: row.routes,
		instruments: row.instruments.map((entry) => ({
			...entry,
			createdAt: iso(entry.createdAt),
			updatedAt: iso(entry.updatedAt)
		})),
		player: row.player ?? NEWCOMER
	};
}

import { MEDIUM_HAND } from '$core/neck';
import { NO_LINE, NO_ANCHORS } from '../api/route-schema';
import { sql } from 'drizzle-orm';
import { atomically, type Database } from './database';
import { loadDemoLog } from './demo-log';
import { DEMO_SET, DEMO_TUNES } from './demo-tunes';
import { planSnapshot } from '../api/snapshot';
import { readTune } from '../api/tune-reading';
import { createRoute } from './routes';
import { createSet } from './sets';
import { countTunes, createTune } from './tunes';

const DEMO_LOCK = 4_310_002;

/**
 * Loads the demo notebook in one transaction; a notebook that holds anything is left as it is.
 * @returns the paths of what it holds, tunes and sets; none where nothing was loaded
 */
export async function loadDemo(db: Database): Promise<readonly string[]> {
	const start = Date.now();
	return atomically(db, async (tx) => {
		// Of several processes that start on one database only the first loads it.
		await tx.execute(sql`select pg_advisory_xact_lock(${DEMO_LOCK})`);
		if ((await countTunes(tx)) > 0) return [];
		const ids: string[] = [];
		const tunes: { id: string; title: string; chart: string }[] = [];
		for (const [i, demo] of DEMO_TUNES.entries()) {
			const tune = await createTune(tx, readTune(demo.chart), new Date(start + i));
			ids.push(tune.id);
			tunes.push(tune);
			for (const [k, wish] of demo.routes.entries()) {
				const { line, ...rest } = wish;
				const input = { ...rest, line: { ...NO_LINE, ...line }, anchors: NO_ANCHORS };
				const made = planSnapshot({ chart: demo.chart, input, own: [], hand: MEDIUM_HAND });
				if ('error' in made) throw new Error(`demo route: ${made.error[0].message}`);
				const at = new Date(start + 100 * i + k);
				await createRoute(tx, tune.id, input, made.value, tune.version, at);
			}
		}
		const set = await createSet(tx, { ...DEMO_SET, tuneIds: ids });
		await loadDemoLog(tx, tunes, new Date(start));
		return [`/api/v1/sets/${set.id}`, ...ids.map((id) => `/api/v1/tunes/${id}`)];
	});
}

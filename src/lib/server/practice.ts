import { rowsIn } from './tables';
import { mean } from '$core/kernel';
import { passMs, todayList, type TodayItem } from '$core/practice';
import { eq, isNull, sql } from 'drizzle-orm';
import type { Lately, PractisedCard, TunePractice } from '../api/home-page';
import type { Database } from './database';
import { card, tune } from './schema';

/** Takes out of which the share that lands of late is made. */
const LATE = 5;

// One look at the last takes of each card, by the index on card and time.
const late = sql<number | null>`(
	select sum(l.landed)::real / nullif(sum(l.asked), 0) from (
		select t.landed, t.asked from take t where t.card_id = card.id and t.asked > 0
		order by t.played_at desc limit ${sql.raw(String(LATE))}) l)`;
const stats = sql<{ takes: number; last: string | null; clean: number | null }>`(
	select json_build_object('takes', count(*), 'last', max(t.played_at),
		'clean', max(t.tempo) filter (where t.clean and not t.looped)) from take t where t.card_id = card.id)`;

/** Every card of the notebook, in one query. */
export async function practisedCards(db: Database): Promise<PractisedCard[]> {
	const rows = await db
		.select({ card, title: tune.title, barTicks: tune.barTicks, late, stats })
		.from(card)
		.innerJoin(tune, eq(tune.id, card.tuneId))
		.where(isNull(tune.deletedAt));
	return rows.map(({ card: row, title, barTicks, late: landed, stats: { takes, last, clean } }) => {
		return {
			id: row.id,
			tuneId: row.tuneId,
			title,
			position: row.position,
			key: row.key === '' ? null : row.key,
			due: row.due.getTime(),
			lastPlayed: last === null ? null : new Date(last).getTime(),
			landed,
			cleanTempo: clean,
			ceiling: row.drill.ladder.ceiling,
			passMs: passMs(barTicks, row.drill, row.tempo),
			drill: row.drill,
			tempo: row.tempo,
			takes,
			resting: row.resting
		};
	});
}

/** How the last six weeks went. */
export async function lastWeeks(db: Database, now: Date, weeks = 6): Promise<Lately> {
	const since = new Date(now.getTime() - weeks * 7 * 86_400_000);
	const result = await db.execute(sql`
		select floor(extract(epoch from (played_at - ${since.toISOString()}::timestamptz)) / 604800)::int as week,
			count(*)::int as takes, sum(landed)::real / nullif(sum(asked), 0) as share
		from take where played_at >= ${since.toISOString()}::timestamptz group by 1 order by 1`);
	const rows = rowsIn<{ week: number; takes: number; share: number | null }>(result);
	const shares = rows.flatMap(({ share }) => share ?? []);
	return {
		takes: rows.reduce((sum, { takes }) => sum + takes, 0),
		first: shares[0] ?? null,
		last: shares.at(-1) ?? null
	};
}

/** The practice of each tune, out of its cards. */
export function practiceByTune(cards: readonly PractisedCard[]): Map<string, TunePractice> {
	const by = new Map<string, PractisedCard[]>();
	for (const one of cards) by.set(one.tuneId, [...(by.get(one.tuneId) ?? []), one]);
	return new Map(
		[...by].map(([tuneId, all]) => {
			const places = new Map<number, number[]>();
			for (const { position, landed, takes } of all) {
				if (takes === 0) continue;
				places.set(position, [
					...(places.get(position) ?? []),
					...(landed === null ? [] : [landed])
				]);
			}
			const played = all.flatMap(({ lastPlayed }) => lastPlayed ?? []);
			const awake = all.filter(({ resting }) => !resting);
			const clean = all.flatMap(({ cleanTempo }) => cleanTempo ?? []);
			return [
				tuneId,
				{
					cleanTempo: clean.length > 0 ? Math.max(...clean) : null,
					landed: mean(
						all.flatMap(({ landed }) => landed ?? []),
						null
					),
					places: [...places]
						.map(([position, shares]) => ({ position, landed: mean(shares, null) }))
						.sort((a, b) => a.position - b.position),
					lastPlayed: played.length > 0 ? Math.max(...played) : null,
					due: awake.length > 0 ? Math.min(...awake.map(({ due }) => due)) : null
				}
			];
		})
	);
}

/** Today's list, by the clock of the machine that serves it. */
export function today(cards: readonly PractisedCard[], now: Date): TodayItem<PractisedCard>[] {
	const end = new Date(now);
	end.setHours(24, 0, 0, 0);
	const awake = cards.filter(({ resting }) => !resting);
	return todayList(awake, now.getTime(), end.getTime());
}

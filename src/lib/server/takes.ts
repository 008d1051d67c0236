import { saveVersioned } from './versioned';
import type { OwnInstrument } from '$core/neck';
import {
	climb,
	foot,
	gradeByHand,
	gradeOf,
	moveDrill,
	newSchedule,
	nextKey,
	nextPlace,
	review
} from '$core/practice';
import { eq, inArray, sql } from 'drizzle-orm';
import type {
	CardAnswer,
	CardDrill,
	TakeAnswer,
	TakeInput,
	TakePass,
	TakeStored,
	TakeSummaryAnswer
} from '../api/practice-schema';
import { rotationOf, type JudgedTake } from '../api/take';
import { atomically, type Database } from './database';
import { card, take, takeChange } from './schema';

type CardRow = typeof card.$inferSelect;
type TakeRow = typeof take.$inferSelect;

const cardAnswerOf = (row: CardRow): CardAnswer => ({
	id: row.id,
	tuneId: row.tuneId,
	position: row.position,
	key: row.key,
	due: row.due.toISOString(),
	drill: row.drill,
	tempo: row.tempo,
	cleanInRow: row.cleanInRow
});

export const takeSummaryOf = (
	row: Omit<TakeRow, 'events' | 'chart' | 'drill' | 'pass'>
): TakeSummaryAnswer => ({
	id: row.id,
	tuneId: row.tuneId,
	playedAt: row.playedAt.toISOString(),
	position: row.position,
	key: row.key,
	tempo: row.tempo,
	input: row.input,
	rule: row.rule,
	looped: row.looped,
	landed: row.landed,
	asked: row.asked,
	clean: row.clean,
	grade: row.grade,
	biasMs: row.biasMs,
	spreadMs: row.spreadMs,
	durationMs: row.durationMs,
	note: row.note,
	version: row.version
});

/** The cards of a tune, by place. */
export async function cardsOf(db: Database, tuneId: string): Promise<CardAnswer[]> {
	const rows = await db
		.select()
		.from(card)
		.where(eq(card.tuneId, tuneId))
		.orderBy(card.position, card.key);
	return rows.map(cardAnswerOf);
}

/** The card of a drill, made where there is none; another ladder puts the player back on its foot. */
async function cardFor(
	db: Database,
	tuneId: string,
	drill: CardDrill,
	now: Date
): Promise<CardRow> {
	const schedule = newSchedule(now.getTime());
	const { start, ceiling } = drill.ladder;
	const inside = sql`${card.tempo} between ${start} and ${ceiling}`;
	const [row] = await db
		.insert(card)
		.values({
			...{ tuneId, position: drill.position, key: drill.key ?? '', drill, schedule },
			...{ tempo: foot(drill.ladder).tempo, cleanInRow: 0 },
			due: new Date(schedule.memory.due),
			createdAt: now,
			updatedAt: now
		})
		.onConflictDoUpdate({
			target: [card.tuneId, card.position, card.key],
			set: {
				drill,
				resting: false,
				tempo: sql`case when ${inside} then ${card.tempo} else ${start} end`,
				cleanInRow: sql`case when ${inside} then ${card.cleanInRow} else 0 end`,
				updatedAt: now
			}
		})
		.returning();
	return row;
}

/** Keeps how a tune is drilled at a place in a key. A new card is due at once. */
export const keepCard = async (
	db: Database,
	tuneId: string,
	drill: CardDrill,
	now = new Date()
): Promise<CardAnswer> => cardAnswerOf(await cardFor(db, tuneId, drill, now));

/** Takes a card out of the schedule; its takes stay in the log. @returns false where there is none */
export async function restCard(db: Database, id: string): Promise<boolean> {
	const rested = await db
		.update(card)
		.set({ resting: true, updatedAt: new Date() })
		.where(eq(card.id, id))
		.returning({ id: card.id });
	return rested.length > 0;
}

/**
 * A place and a key that are sure lead on: in the tune's own key to the next place, and from the second
 * place on to the next key, too; in any other key to the next one round the circle.
 */
async function rotate(
	db: Database,
	row: CardRow,
	chart: string,
	own: readonly OwnInstrument[],
	now: Date
): Promise<void> {
	const { places, key } = rotationOf(chart, own);
	const cards = await db
		.select({ position: card.position, key: card.key })
		.from(card)
		.where(eq(card.tuneId, row.tuneId));
	const add = async (change: Partial<Pick<CardDrill, 'position' | 'key'>>) => {
		const { position, key } = { ...row.drill, ...change };
		await cardFor(db, row.tuneId, moveDrill(row.drill, position, key), now);
	};
	const here = cards.filter((one) => one.key === row.key).map(({ position }) => position);
	const place = row.key === '' ? nextPlace(row.position, places, here) : null;
	if (place !== null) await add({ position: place });
	if (key && (row.key !== '' || here.length > 1)) {
		const keys = cards
			.filter(({ position }) => position === row.position)
			.map((one) => (one.key === '' ? key.tonic : one.key));
		const tonic = nextKey(key.tonic, key.mode, keys);
		if (tonic !== null) await add({ key: tonic });
	}
}

/** Only a part of the drill was played: a loop out of it, or the player stopped. */
const isPart = ({ looped, untilMs }: TakeInput): boolean =>
	looped !== null || untilMs !== undefined;

const passOf = ({ looped, loops, swing, untilMs, toleranceMs }: TakeInput): TakePass => ({
	looped,
	loops,
	...(swing === undefined ? {} : { swing }),
	...(untilMs === undefined ? {} : { untilMs }),
	...(toleranceMs === undefined ? {} : { toleranceMs })
});

/** What is stored of a take besides what was sent: how it was judged, and over which chart. */
type Judged = {
	readonly judged: JudgedTake;
	/** The tune's own chart text, for the rotation. */
	readonly chart: string;
	readonly own: readonly OwnInstrument[];
};

/**
 * Stores a judged take with its changes, moves its card along the ladder and the schedule, all or
 * nothing. A part of a drill moves neither.
 */
export async function storeTake(
	db: Database,
	input: TakeInput,
	{ judged, chart, own }: Judged,
	now = new Date()
): Promise<TakeStored> {
	const { drill, grade, tempo } = input;
	const part = isPart(input);
	return atomically(db, async (tx) => {
		const before = await cardFor(tx, input.tuneId, drill, now);
		const [stored] = await tx
			.insert(take)
			.values({
				tuneId: input.tuneId,
				cardId: before.id,
				playedAt: now,
				position: drill.position,
				key: judged.key,
				tempo,
				input: input.input,
				rule: judged.rule,
				drill,
				looped: part,
				landed: judged.landed,
				asked: judged.asked,
				clean: judged.clean,
				grade,
				biasMs: judged.biasMs,
				spreadMs: judged.spreadMs,
				durationMs: input.durationMs,
				note: input.note ?? '',
				chart: judged.chart,
				events: input.events.map((event) => ({
					...event,
					timeMs: event.timeMs - (input.latencyMs ?? 0)
				})),
				pass: passOf(input),
				createdAt: now,
				updatedAt: now
			})
			.returning();
		if (judged.changes.length > 0) {
			const same = { takeId: stored.id, tuneId: input.tuneId, position: drill.position };
			const rows = judged.changes.map((change) => ({ ...same, key: judged.key, ...change }));
			// A statement takes a limited number of parameters.
			for (let from = 0; from < rows.length; from += 1000) {
				await tx.insert(takeChange).values(rows.slice(from, from + 1000));
			}
		}
		const after = await grow(tx, before, input, judged, now);
		const { ladder } = drill;
		const sure = !part && judged.clean && tempo >= ladder.ceiling;
		if (sure) await rotate(tx, after, chart, own, now);
		return { take: takeSummaryOf(stored), card: cardAnswerOf(after) };
	});
}

/** The card after a take: a rung up or down, and its next date. */
async function grow(
	db: Database,
	row: CardRow,
	input: TakeInput,
	judged: JudgedTake,
	now: Date
): Promise<CardRow> {
	const { drill, grade, tempo, day } = input;
	const part = isPart(input);
	const { ladder } = drill;
	const atCeiling = tempo >= ladder.ceiling;
	const landedShare = judged.asked === 0 ? 1 : judged.landed / judged.asked;
	const graded =
		grade === null
			? gradeOf({ landedShare, clean: judged.clean, atCeiling })
			: gradeByHand(grade, atCeiling);
	const place = { tempo: row.tempo, clean: row.cleanInRow };
	const moved = !part && tempo === row.tempo ? climb(ladder, place, judged.clean) : place;
	// A few bars at a slow tempo say little about the whole.
	const schedule = part ? row.schedule : review(row.schedule, graded, now.getTime(), day);
	const [after] = await db
		.update(card)
		.set({
			tempo: moved.tempo,
			cleanInRow: moved.clean,
			schedule,
			due: new Date(schedule.memory.due),
			version: sql`${card.version} + 1`,
			updatedAt: now
		})
		.where(eq(card.id, row.id))
		.returning();
	return after;
}

export async function getTakes(db: Database, ids: readonly string[]): Promise<TakeAnswer[]> {
	const rows = await db
		.select()
		.from(take)
		.where(inArray(take.id, [...ids]));
	return rows.map((row) => ({
		...takeSummaryOf(row),
		drill: row.drill,
		pass: row.pass ?? { looped: null, loops: row.drill.loops },
		chart: row.chart,
		events: row.events
	}));
}

/** Saves a take's note made from a version; null when that version is stale or the row is gone. */
export async function updateTake(
	db: Database,
	id: string,
	note: string,
	version: number
): Promise<TakeSummaryAnswer | null> {
	const row = await saveVersioned(db, take, eq(take.id, id), version, { note });
	return row ? takeSummaryOf(row) : null;
}

import { clamp } from '../kernel';

/** A card as today's list weighs it. Times are ms since 1970, tempos quarter notes a minute. */
export type DueCard = {
	readonly id: string;
	readonly tuneId: string;
	readonly title: string;
	readonly position: number;
	/** ASCII tonic; null in the tune's own key. */
	readonly key: string | null;
	readonly due: number;
	readonly lastPlayed: number | null;
	/** Share of changes that landed in the last takes; null before the first. */
	readonly landed: number | null;
	/** The fastest clean take; null without one. */
	readonly cleanTempo: number | null;
	readonly ceiling: number;
	/** Ms of one pass at the tempo where the ladder stands. */
	readonly passMs: number;
};

/** Why a drill is on today's list. */
export type TodayReason = 'weak' | 'speed' | 'rested' | 'new';
export type TodayItem<Card extends DueCard = DueCard> = {
	readonly card: Card;
	readonly reason: TodayReason;
	readonly minutes: number;
	/** A sentence or two: how it stands. */
	readonly why: string;
};

const DAY = 86_400_000;
/** Minutes that a day's list fills at most, and drills on it. */
const BUDGET = 30;
const MOST = 5;
/** Drills of one tune on a day. */
const PER_TUNE = 2;
/** Under this share a place is weak; over the other it is sound enough to go faster. */
const WEAK = 0.6;
const SOUND = 0.75;

/** Passes that a drill takes, and seconds between two of them: to count in and to look. */
const PASSES: Record<TodayReason, number> = { weak: 8, speed: 8, rested: 5, new: 6 };
const BETWEEN_MS = 8000;

const ORDER: readonly TodayReason[] = ['weak', 'speed', 'rested', 'new'];

export function reasonFor(card: DueCard): TodayReason {
	if (card.lastPlayed === null || card.landed === null) return 'new';
	if (card.landed < WEAK) return 'weak';
	return card.landed >= SOUND && (card.cleanTempo ?? 0) < card.ceiling ? 'speed' : 'rested';
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;
const daysSince = (then: number, now: number): number => Math.floor((now - then) / DAY);

function whyFor(card: DueCard, reason: TodayReason, now: number): string {
	const { landed, cleanTempo, ceiling, lastPlayed } = card;
	const lands = landed === null ? '' : `Lands ${percent(landed)}.`;
	switch (reason) {
		case 'new':
			return 'Not played yet.';
		case 'weak':
			return `Weak: ${percent(landed ?? 0)} land.`;
		case 'speed':
			return cleanTempo === null
				? `${lands} No clean pass yet, the aim is ${ceiling}.`
				: `${lands} Clean at ${cleanTempo}, the aim is ${ceiling}.`;
		case 'rested': {
			const days = daysSince(lastPlayed ?? now, now);
			return days > 1 ? `${lands} Not played for ${days} days.` : `${lands} Due again.`;
		}
	}
}

/** Minutes of a drill: its passes with the pauses between them, three at least and eight at most. */
const minutesFor = (card: DueCard, reason: TodayReason): number =>
	clamp(Math.round((PASSES[reason] * (card.passMs + BETWEEN_MS)) / 60_000), 3, 8);

/** How urgent a card is among those of its reason: weaker, longer due. */
const urgency = (card: DueCard, now: number): number =>
	(1 - (card.landed ?? 0.5)) * 10 + Math.min(10, (now - card.due) / DAY);

/**
 * Today's drills: what is due by the end of the day, weak places first, then what can go faster, what has
 * rested, and what is new; two of a tune at most, half an hour in all.
 * @param endOfDay ms since 1970: cards due before it are due today
 */
export function todayList<Card extends DueCard>(
	cards: readonly Card[],
	now: number,
	endOfDay: number
): TodayItem<Card>[] {
	const due = cards
		.filter((card) => card.due < endOfDay)
		.map((card) => ({ card, reason: reasonFor(card) }))
		.sort(
			(a, b) =>
				ORDER.indexOf(a.reason) - ORDER.indexOf(b.reason) ||
				urgency(b.card, now) - urgency(a.card, now) ||
				(a.card.id < b.card.id ? -1 : 1)
		);
	const list: TodayItem<Card>[] = [];
	let minutes = 0;
	for (const { card, reason } of due) {
		const same = list.filter((item) => item.card.tuneId === card.tuneId).length;
		const takes = minutesFor(card, reason);
		if (list.length >= MOST || same >= PER_TUNE || minutes + takes > BUDGET) continue;
		minutes += takes;
		list.push({ card, reason, minutes: takes, why: whyFor(card, reason, now) });
	}
	return list;
}

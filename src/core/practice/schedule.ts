import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';

/** How a pass went, worst first: the grades of the scheduler. */
const GRADES = ['again', 'hard', 'good', 'easy'] as const;
export type PracticeGrade = (typeof GRADES)[number];

/** What the player's own ear says of a pass. */
export const HAND_GRADES = ['clean', 'nearly', 'not'] as const;
export type HandGrade = (typeof HAND_GRADES)[number];

/** Memory of a card as it is stored; times are ms since 1970. */
type CardMemory = {
	readonly due: number;
	readonly stability: number;
	readonly difficulty: number;
	readonly scheduledDays: number;
	readonly reps: number;
	readonly lapses: number;
	readonly state: number;
	readonly lastReview: number | null;
};

/**
 * The schedule of a card. One day of practice is one review however many takes it has: `before` is the
 * memory when `day` began, `grades` are those of the day's last takes.
 */
export type Schedule = {
	readonly memory: CardMemory;
	readonly before: CardMemory;
	/** Name of the last day that was practised, as `2026-03-01`; null before the first. */
	readonly day: string | null;
	readonly grades: readonly PracticeGrade[];
};

/** A card comes back after three weeks at most: fingers forget. */
const MOST_DAYS = 21;
const DAY = 86_400_000;
/** Takes of a day that its grade is made of. */
const LAST_TAKES = 3;

// Whole days and no chance: what was practised today is due tomorrow at the earliest.
const scheduler = fsrs({
	enable_fuzz: false,
	enable_short_term: false,
	maximum_interval: MOST_DAYS
});

const memoryOf = (card: Card): CardMemory => ({
	due: card.due.getTime(),
	stability: card.stability,
	difficulty: card.difficulty,
	scheduledDays: card.scheduled_days,
	reps: card.reps,
	lapses: card.lapses,
	state: card.state,
	lastReview: card.last_review?.getTime() ?? null
});

const cardOf = (memory: CardMemory): Card => ({
	due: new Date(memory.due),
	stability: memory.stability,
	difficulty: memory.difficulty,
	elapsed_days: 0,
	scheduled_days: memory.scheduledDays,
	learning_steps: 0,
	reps: memory.reps,
	lapses: memory.lapses,
	state: memory.state,
	last_review: memory.lastReview === null ? undefined : new Date(memory.lastReview)
});

/** A card that was never practised: due at once. */
export function newSchedule(now: number): Schedule {
	const memory = memoryOf(createEmptyCard(new Date(now)));
	return { memory, before: memory, day: null, grades: [] };
}

/** What a take is graded by. */
export type Result = {
	readonly landedShare: number;
	readonly clean: boolean;
	/** Whether it was played at the ladder's ceiling or over it. */
	readonly atCeiling: boolean;
};

/**
 * Under six landings in ten: again; under 85 in a hundred: hard; else good; clean at the tempo aimed for:
 * easy.
 */
export function gradeOf({ landedShare, clean, atCeiling }: Result): PracticeGrade {
	if (landedShare < 0.6) return 'again';
	if (landedShare < 0.85) return 'hard';
	return clean && atCeiling ? 'easy' : 'good';
}

export const gradeByHand = (grade: HandGrade, atCeiling: boolean): PracticeGrade =>
	grade === 'not' ? 'again' : grade === 'nearly' ? 'hard' : atCeiling ? 'easy' : 'good';

const RATING: Record<PracticeGrade, Grade> = {
	again: Rating.Again,
	hard: Rating.Hard,
	good: Rating.Good,
	easy: Rating.Easy
};

/** The grade of a day: the mean of its last takes, rounded to the worse. */
function dayGrade(grades: readonly PracticeGrade[]): PracticeGrade {
	const sum = grades.reduce((total, grade) => total + GRADES.indexOf(grade), 0);
	return GRADES[Math.floor(sum / Math.max(1, grades.length))]!;
}

/** The schedule after one more take; a clock that was set back counts as not having moved. @param day name of the player's day, as `2026-03-01` */
export function review(
	schedule: Schedule,
	grade: PracticeGrade,
	at: number,
	day: string
): Schedule {
	const now = Math.max(at, schedule.memory.lastReview ?? at);
	const same = schedule.day === day;
	const before = same ? schedule.before : schedule.memory;
	const grades = [...(same ? schedule.grades : []), grade].slice(-LAST_TAKES);
	const { card } = scheduler.next(cardOf(before), new Date(now), RATING[dayGrade(grades)]);
	const memory = memoryOf(card);
	const due = Math.min(memory.due, now + MOST_DAYS * DAY);
	return { memory: { ...memory, due }, before, day, grades };
}

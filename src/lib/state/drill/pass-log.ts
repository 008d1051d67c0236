import type { Result } from '$core/kernel';
import type { InputKind, PlayedEvent } from '$core/practice';
import type { CardDrill, TakeInput, TakeStored, TakeSummaryAnswer } from '$lib/api/practice-schema';
import { dayName } from '$lib/words/when';
import { Refusal, send } from '../api';
import type { EndedPass } from './running-pass';

/** A take before it says which tune and drill it is of, and on which day. */
export type Take = Omit<TakeInput, 'tuneId' | 'drill' | 'day'>;

const tenth = (ms: number): number => Math.round(ms * 10) / 10;
const tidy = (event: PlayedEvent): PlayedEvent => ({
	...event,
	timeMs: tenth(event.timeMs),
	durationMs: tenth(event.durationMs)
});

/** A pass as a take of the log. */
export function takeOf({ setup, request, swing, durationMs }: EndedPass, input: InputKind): Take {
	const { looped, tempo } = setup;
	const { events, untilMs, loops, latencyMs } = request;
	return {
		...{ looped, tempo, input, latencyMs, loops, durationMs },
		...(swing === null ? {} : { swing }),
		...(untilMs === undefined ? {} : { untilMs }),
		events: events.map(tidy),
		grade: null
	};
}

const wordsOf = (error: unknown, otherwise: string): string =>
	error instanceof Refusal ? error.message : otherwise;

/** Puts a take into the log. @returns what was stored, or why it could not be */
export async function storeTake(
	tuneId: string,
	drill: CardDrill,
	take: Take
): Promise<Result<TakeStored, string>> {
	const body: TakeInput = { ...take, tuneId, drill, day: dayName(new Date()) };
	try {
		return { value: await send<TakeStored>('POST', '/api/v1/takes', body) };
	} catch (error) {
		return { error: wordsOf(error, 'The take was not stored.') };
	}
}

/** Keeps a note with a take. */
export async function storeNote(
	{ id, version }: TakeSummaryAnswer,
	note: string
): Promise<Result<TakeSummaryAnswer, string>> {
	try {
		return {
			value: await send<TakeSummaryAnswer>('PUT', `/api/v1/takes/${id}`, { note, version })
		};
	} catch (error) {
		return { error: wordsOf(error, 'The note could not be kept.') };
	}
}

import { median, searchBy } from '../kernel';
import { toneAt } from '../chord';
import { colourOver } from '../route';
import { bendsOf, type Sounded, soundedOf } from './bends';
import { type Due, dueChanges } from './due';
import { landsOn, passes } from './landing-rule';
import { violationsOf } from './rules';
import { isLanded } from './summary';
import type { Judgement, JudgeRequest, Result, Taken } from './types';

/** Events with latency taken off, at the pitch that sounds, in order of time. */
export const inOrder = ({ events, latencyMs }: JudgeRequest): Sounded[] =>
	soundedOf(
		events
			.map((event) => ({ ...event, timeMs: event.timeMs - latencyMs }))
			.sort((a, b) => a.timeMs - b.timeMs || b.midi - a.midi)
	);

const { firstFrom } = searchBy((event: Sounded) => event.timeMs);

/** The notes that ring at a moment, one per pitch class: the one that rings longest. */
class Ringing {
	private next = 0;
	private readonly longest: (number | null)[] = new Array(12).fill(null);

	constructor(private readonly events: readonly Sounded[]) {}

	private end(event: number): number {
		return this.events[event]!.timeMs + this.events[event]!.durationMs;
	}

	/** Takes in what is struck before a moment. Moments must ascend. */
	upTo(ms: number): void {
		const { events, longest } = this;
		for (; this.next < events.length && events[this.next]!.timeMs < ms; this.next++) {
			const pc = events[this.next]!.midi % 12;
			const known = longest[pc]!;
			if (known === null || this.end(known) <= this.end(this.next)) longest[pc] = this.next;
		}
	}

	/** Those that still ring at a moment, the last one struck first. */
	at(ms: number): number[] {
		return this.longest
			.filter((event): event is number => event !== null && this.end(event) > ms)
			.sort((a, b) => b - a);
	}
}

/** To a millionth of a ms. */
const rounded = (ms: number): number => Math.round(ms * 1e6) / 1e6;

/** Fits the rule first, then nearest to the moment; of several struck at one time the highest. */
function best(
	found: readonly number[],
	fits: (event: number) => boolean,
	distance: (event: number) => number
): number | undefined {
	const fitting = found.filter(fits);
	const from = fitting.length > 0 ? fitting : found;
	return from.reduce<number | undefined>(
		(least, event) => (least === undefined || distance(event) < distance(least) ? event : least),
		undefined
	);
}

function judgeChange(
	request: JudgeRequest,
	events: readonly Sounded[],
	ringing: Ringing,
	due: Due
): Taken {
	const { change, loop, dueMs, earlyMs, beatMs } = due;
	const { toleranceMs, rules, instrument } = request;
	const { chord } = change.to;
	const colour = (event: number) =>
		colourOver(request.chart, request.scales, change.to.index, events[event]!.midi);
	const is = (result: Result, event: number | null): Taken => ({
		index: change.index,
		loop,
		result,
		midi: event === null ? null : events[event]!.midi,
		role:
			event === null
				? null
				: (toneAt(chord, events[event]!.midi)?.role ??
					(result === 'leaning' ? colour(event) : null)),
		errorMs: event === null ? null : rounded(events[event]!.timeMs - dueMs),
		event,
		dueMs
	});
	if (passes(rules, change) || dueMs > (request.untilMs ?? Infinity)) return is('passed', null);
	const isTone = (event: number) => toneAt(chord, events[event]!.midi) !== undefined;
	const off = (event: number) => Math.abs(rounded(events[event]!.timeMs - dueMs));
	const fits = (event: number) => landsOn(rules, instrument, chord, events[event]!.midi);

	const early = firstFrom(events, dueMs - Math.max(earlyMs, toleranceMs));
	const around: number[] = [];
	const latest = dueMs + Math.max(beatMs, toleranceMs);
	for (let i = early; i < events.length && events[i]!.timeMs <= latest; i++) around.push(i);
	const tones = around.filter(isTone);

	const landed = best(
		tones.filter((event) => off(event) <= toleranceMs),
		fits,
		off
	);
	if (landed !== undefined) return is('landed', landed);
	ringing.upTo(dueMs);
	const rings = ringing.at(dueMs);
	const held = best(rings.filter(isTone), fits, off);
	if (held !== undefined) return is('held', held);
	const after = tones.find((event) => events[event]!.timeMs > dueMs);
	if (rules.colours !== undefined && rules.colours !== 'miss' && after === undefined) {
		const there = [...around.filter((event) => off(event) <= toleranceMs), ...rings];
		const leaning = best(
			there.filter((event) => colour(event) !== null),
			() => true,
			off
		);
		if (leaning !== undefined) return is('leaning', leaning);
	}
	const before = tones.filter((event) => events[event]!.timeMs < dueMs).at(-1);
	if (before !== undefined) return is('early', before);
	if (after !== undefined) return is('late', after);
	const other = best([...around, ...rings], () => true, off);
	return other === undefined ? is('silent', null) : is('missed', other);
}

/** The landings of a take, with the event that was taken for each. */
function landingsOf(request: JudgeRequest, events: readonly Sounded[]): Taken[] {
	const ringing = new Ringing(events);
	return dueChanges(request).map((due) => judgeChange(request, events, ringing, due));
}

/**
 * Judges a take: for every change of every time through whether it landed, was held over, came early or
 * late, was missed or silent; and which notes broke a rule of the drill. Changes that the rules let pass
 * are not judged. Equal input gives equal output; `events` may come in any order.
 */
export function judge(request: JudgeRequest): Judgement {
	const events = inOrder(request);
	const taken = landingsOf(request, events);
	const violations = violationsOf(request, events, taken);
	const asked = taken.filter(({ result }) => result !== 'passed');
	const good = asked.filter((change) => isLanded(change, request.rules.colours));
	const struck = asked.filter(({ result }) => ['landed', 'early', 'late'].includes(result));
	return {
		changes: taken.map(({ event: _, dueMs: __, ...change }) => change),
		violations,
		landedShare: asked.length === 0 ? 1 : good.length / asked.length,
		medianErrorMs: median(
			struck.flatMap(({ errorMs }) => errorMs ?? []),
			null
		),
		clean: good.length === asked.length && violations.length === 0,
		bends: bendsOf(request, events)
	};
}

import { lastAt, QUARTER } from '../kernel';
import { performed, ticksOf } from '../band';
import { roleWords, toneAt } from '../chord';
import { keyOf, nameOver } from '../harmony';
import { isPosition, pitchAt, windowPlaces, highestFret, type Instrument } from '../neck';
import { PER_QUARTER } from '../route';
import { dueChanges, msOf, roundMs, soundingOf, type Sounding } from './due';
import type { Taken, JudgeRequest, RuleName, Rules, Violation } from './types';
import { landsOn } from './landing-rule';
import type { Sounded } from './bends';

/** The pitches that position, strings and fret leave; null where they say nothing. */
function playablePitches(instrument: Instrument, rules: Rules): Set<number> | null {
	const { position, strings, fret } = rules;
	if (position === undefined && strings === undefined && fret === undefined) return null;
	const places =
		position !== undefined && isPosition(instrument, position)
			? windowPlaces(instrument, position)
			: instrument.open.flatMap((_, i) =>
					Array.from({ length: highestFret(instrument) + 1 }, (__, at) => ({
						string: i + 1,
						fret: at,
						midi: pitchAt(instrument, { string: i + 1, fret: at })
					}))
				);
	return new Set(
		places
			.filter((place) => strings === undefined || strings.includes(place.string))
			.filter((place) => fret === undefined || place.fret === fret)
			.map((place) => place.midi)
	);
}

/** Moments of one time through on which a note may stand, in ms ascending. */
function gridOf(request: JudgeRequest): number[] {
	const { rules, chart, swing, range, tempo } = request;
	const { from, to } = ticksOf(chart, range);
	if (rules.grid === undefined) return [];
	if (rules.grid === 'targets') {
		return dueChanges({ ...request, loops: 1 }).map(({ dueMs }) => dueMs);
	}
	const step = QUARTER / PER_QUARTER[rules.grid];
	const moments: number[] = [];
	for (const bar of chart.played) {
		for (let at = 0; at < bar.lengthTicks; at += step) {
			const tick = bar.startTick + at;
			if (tick >= from && tick < to)
				moments.push(msOf(performed(chart, tick, swing) - from, tempo));
		}
	}
	// A push stands off the grid and is where its chord sounds.
	const due = dueChanges({ ...request, loops: 1 }).map(({ dueMs }) => dueMs);
	return [...moments, ...due].sort((a, b) => a - b);
}

/** Finds what is wrong with one note after another. */
class RuleBook {
	private readonly sounding: Sounding;
	private readonly playable: Set<number> | null;
	private readonly inWindow: Set<number> | null;
	private readonly onStrings: Set<number> | null;
	private readonly grid: number[];
	private readonly round: number;

	constructor(
		private readonly request: JudgeRequest,
		private readonly landings: ReadonlyMap<number, Taken>
	) {
		const { instrument, rules } = request;
		this.sounding = soundingOf(request);
		const { position, strings } = rules;
		this.inWindow = playablePitches(instrument, { position });
		this.onStrings = playablePitches(instrument, { position, strings });
		this.playable = playablePitches(instrument, rules);
		this.grid = gridOf(request);
		this.round = roundMs(request);
	}

	/** The chords that a note may be heard against: the sounding one, and one that begins near it. */
	private chordsAt(event: Sounded, index: number) {
		const { chart, toleranceMs } = this.request;
		const { timeMs } = event;
		const events = [
			this.sounding.eventAt(timeMs),
			this.sounding.eventAt(timeMs - toleranceMs),
			this.sounding.eventAt(timeMs + toleranceMs)
		].filter((at) => at >= 0);
		const own = this.landings.get(index);
		const taken = own ? [chart.changes[own.index]!.to.index] : [];
		return [...new Set([...taken, ...events])].flatMap((at) => chart.events[at] ?? []);
	}

	private nameOf(event: Sounded): string {
		const { chart, scales } = this.request;
		const at = this.sounding.eventAt(event.timeMs);
		const scale = scales[at] ?? scales.find((entry) => entry !== null) ?? null;
		return nameOver(event.midi, {
			chord: chart.events[at]?.chord ?? null,
			scale,
			key: keyOf(chart)
		});
	}

	private notes(event: Sounded, index: number): string | null {
		const { rules, scales } = this.request;
		const { notes } = rules;
		if (notes === undefined || notes === 'any') return null;
		const name = this.nameOf(event);
		if (notes === 'targets') {
			return this.landings.has(index) ? null : `${name} is no landing: play nothing else.`;
		}
		const chords = this.chordsAt(event, index);
		if (chords.some(({ chord }) => chord && toneAt(chord, event.midi))) return null;
		const symbol = chords.find(({ chord }) => chord)?.symbol;
		if (notes === 'arpeggio') {
			return symbol ? `${name} is no tone of ${symbol}.` : `${name} sounds where no chord does.`;
		}
		const pc = event.midi % 12;
		const inScale = chords.some(({ index: at }) =>
			scales[at]?.notes.some((note) => note.pc === pc)
		);
		if (inScale) return null;
		return `${name} is neither in the scale${symbol ? ` nor a tone of ${symbol}` : ''}.`;
	}

	private offGrid({ timeMs }: Sounded): string | null {
		const { rules, toleranceMs } = this.request;
		if (rules.grid === undefined || this.grid.length === 0) return null;
		const within = timeMs - Math.floor(timeMs / this.round) * this.round;
		const at = lastAt(this.grid, within);
		const before = at < 0 ? Infinity : within - this.grid[at]!;
		const after = (this.grid[at + 1] ?? this.round + this.grid[0]!) - within;
		if (Math.min(before, after) <= toleranceMs) return null;
		const off = before < after ? Math.round(before) : -Math.round(after);
		const place = rules.grid === 'targets' ? 'a change' : GRID_WORDS[rules.grid];
		return `A note stands ${Math.abs(off)} ms ${off > 0 ? 'after' : 'before'} ${place}.`;
	}

	private landing(event: Sounded, taken: Taken | undefined): string | null {
		const { rules, instrument, chart } = this.request;
		if (!taken || !rules.landOn || rules.landOn === 'any' || taken.role === null) return null;
		const { chord, symbol } = chart.changes[taken.index]!.to;
		if (landsOn(rules, instrument, chord, event.midi)) return null;
		const wanted = rules.landOn === 'roots' ? 'its root' : 'a guide tone';
		return `${symbol} was landed on its ${roleWords(taken.role)}, not on ${wanted}.`;
	}

	private rest(event: Sounded, index: number): string | null {
		const { rules, toleranceMs } = this.request;
		if (!rules.restBars || this.landings.has(index)) return null;
		const bar = this.sounding.barAt(event.timeMs) + 1;
		if (!rules.restBars.includes(bar)) return null;
		const { since, left } = this.sounding.inBar(event.timeMs);
		if (since <= toleranceMs || left <= toleranceMs) return null;
		return `Bar ${bar} is left to the others.`;
	}

	/** Before the music, and after it, hands may do as they like. */
	private counts(event: Sounded, index: number): boolean {
		if (this.landings.has(index)) return true;
		const { toleranceMs, loops } = this.request;
		const { timeMs } = event;
		return timeMs >= -toleranceMs && timeMs < this.round * loops - toleranceMs;
	}

	*check(event: Sounded, index: number): Generator<readonly [RuleName, string]> {
		const taken = this.landings.get(index);
		if (!this.counts(event, index)) return;
		const { rules } = this.request;
		// A bend is heard at its pitch, but its finger stands on its fret; what leads into one is no note of its own.
		const midi = event.bentFrom ?? event.midi;
		const found: [RuleName, string | null][] = [
			['notes', event.leads ? null : this.notes(event, index)],
			['grid', event.joined ? null : this.offGrid(event)],
			['landOn', event.leads ? null : this.landing(event, taken)],
			['restBars', this.rest(event, index)]
		];
		if (this.inWindow && !this.inWindow.has(midi)) {
			found.push([
				'position',
				`${this.nameOf(event)} is not reached in position ${rules.position}.`
			]);
		} else if (this.onStrings && !this.onStrings.has(midi)) {
			const strings = rules.strings?.join(', ');
			found.push(['strings', `${this.nameOf(event)} is not on string ${strings} here.`]);
		} else if (this.playable && !this.playable.has(midi)) {
			found.push(['fret', `${this.nameOf(event)} is not on fret ${rules.fret}.`]);
		}
		for (const [rule, message] of found) if (message !== null) yield [rule, message];
	}
}

const GRID_WORDS = {
	quarter: 'a quarter',
	eighth: 'an eighth',
	triplet: 'a triplet',
	sixteenth: 'a sixteenth'
} as const;

/** What breaks the rules, in order of time. A note that was taken as a landing is no stray note. */
export function violationsOf(
	request: JudgeRequest,
	events: readonly Sounded[],
	taken: readonly Taken[]
): Violation[] {
	const landings = new Map<number, Taken>();
	for (const landing of taken) {
		if (landing.event === null || landing.result === 'missed') continue;
		// A note may be held over the next change, too: its own landing counts.
		const known = landings.get(landing.event);
		if (!known || (known.result === 'held' && landing.result !== 'held')) {
			landings.set(landing.event, landing);
		}
	}
	const book = new RuleBook(request, landings);
	return events.flatMap((event, i) =>
		[...book.check(event, i)].map(([rule, message]): Violation => ({
			timeMs: event.timeMs,
			rule,
			message
		}))
	);
}

import { swingOf, type BarRange, type Swing } from '$core/band';
import type { Chart } from '$core/chart';
import { clamp } from '$core/kernel';
import type { Instrument } from '$core/neck';
import {
	alignTake,
	dueChanges,
	judge,
	passRequest,
	roundMs,
	USUAL_TOLERANCE,
	type Due,
	type Judgement,
	type JudgeRequest,
	type PlayedEvent
} from '$core/practice';
import type { CardDrill } from '$lib/api/practice-schema';
import { PassRecorder } from '$lib/input/pass-recorder';

/** What a pass is played by. */
export type PassSetup = {
	readonly chart: Chart;
	readonly instrument: Instrument;
	readonly drill: CardDrill;
	/** The bars that go round instead of the whole drill. */
	readonly looped: BarRange | null;
	readonly tempo: number;
	readonly swing: Swing;
	readonly latencyMs: number;
};

/** Ms that a last note is listened to after the music, for what comes late. */
const GRACE = 60;
/** Times through that a recording is judged for at most. */
const MOST_LOOPS = 16;
/** A loop of a bar or two is played so often at least, so that it says something. */
const LEAST_LOOPS = 4;

/** The player's own swing; null is the feel's. */
const ownSwing = ({ chart, swing }: PassSetup): number | null =>
	swing.percent === swingOf(chart.headers.feel).percent ? null : swing.percent;

function requestOf(
	setup: PassSetup,
	events: readonly PlayedEvent[],
	untilMs: number | undefined,
	loops: number
): JudgeRequest {
	const { chart, instrument, drill, looped, tempo, latencyMs } = setup;
	return passRequest(chart, instrument, drill, {
		...{ looped, tempo, loops, latencyMs, events, untilMs },
		swing: ownSwing(setup),
		toleranceMs: USUAL_TOLERANCE
	});
}

/** A pass that is over: how it is judged, how long it took, and the swing where it is the player's own. */
export type EndedPass = {
	readonly setup: PassSetup;
	readonly request: JudgeRequest;
	readonly swing: number | null;
	readonly durationMs: number;
};

/** A pass while it plays: what was struck and when, and when what is due. Ms from its first beat. */
export class RunningPass {
	/** Times through. */
	readonly loops: number;
	private readonly recorder = new PassRecorder();
	private readonly dues: readonly Due[];

	constructor(readonly setup: PassSetup) {
		const { looped, drill } = setup;
		this.loops = looped ? Math.max(LEAST_LOOPS, drill.loops) : drill.loops;
		this.dues = dueChanges(this.timing);
	}

	get timing() {
		const { chart, looped, drill, swing, tempo } = this.setup;
		return { chart, range: looped ?? drill.range, swing, tempo, loops: this.loops };
	}

	strike(midi: number, since: number, cents?: number): void {
		this.recorder.strike(midi, since, cents);
	}

	release(midi: number, since: number, cents?: number): void {
		this.recorder.release(midi, since, cents);
	}

	/** When a change is due. */
	dueOf({ index, loop }: { readonly index: number; readonly loop: number }): number {
		const found = this.dues.find((due) => due.change.index === index && due.loop === loop);
		return found?.dueMs ?? 0;
	}

	/** What was played until a moment, judged. */
	judged(now: number): Judgement {
		const events = this.recorder.events(now);
		return judge(requestOf(this.setup, events, Math.max(0, now), this.loops));
	}

	/** The pass as it ended; null when it was stopped in its count-in, before anything was played. */
	ended(byItself: boolean, elapsedMs: number): EndedPass | null {
		const round = roundMs(this.timing);
		const whole = byItself ? this.loops : Math.min(this.loops, Math.floor(elapsedMs / round));
		const stopped = whole < this.loops;
		if (stopped && elapsedMs <= 0) return null;
		const loops = Math.max(1, stopped ? Math.ceil(elapsedMs / round) : this.loops);
		const events = this.recorder.events(elapsedMs + GRACE);
		const request = requestOf(this.setup, events, stopped ? elapsedMs : undefined, loops);
		const durationMs = Math.round(clamp(elapsedMs, 0, loops * round));
		return { setup: this.setup, request, swing: ownSwing(this.setup), durationMs };
	}
}

/**
 * A recording of a whole drill as a pass: where its first beat lies is found, and how many times through it goes.
 * @param events times in ms from the recording's start
 */
export function recordedPass(given: PassSetup, events: readonly PlayedEvent[]): EndedPass {
	const setup = { ...given, looped: null, latencyMs: 0 };
	const offset = alignTake(requestOf(setup, events, undefined, 1));
	const moved = events.map((event) => ({ ...event, timeMs: event.timeMs - offset }));
	const { chart, drill, swing, tempo } = setup;
	const round = roundMs({ chart, range: drill.range, swing, tempo, loops: drill.loops });
	const last = Math.max(0, ...moved.map(({ timeMs }) => timeMs));
	const loops = clamp(Math.round(last / round), 1, MOST_LOOPS);
	return {
		setup,
		request: requestOf(setup, moved, undefined, loops),
		swing: ownSwing(setup),
		durationMs: Math.round(loops * round)
	};
}

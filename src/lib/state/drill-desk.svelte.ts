import { clamp } from '$core/kernel';
import { proseSigns } from '$core/chord';
import { swingOf, type BarRange } from '$core/band';
import { barTicksOf } from '$core/chart';
import { keyOf } from '$core/harmony';
import { noteName } from '$core/pitch';
import {
	alignTake,
	climb,
	drillLine,
	drillOf,
	dueChanges,
	foot,
	inKey,
	judge,
	keysFrom,
	moveDrill,
	nextStep,
	passMs,
	passRequest,
	roundMs,
	simulate,
	summarise,
	USUAL_TOLERANCE,
	type Due,
	type HandGrade,
	type InputKind,
	type Judgement,
	type JudgeRequest,
	type LadderPlace,
	type NextStep,
	type PlayedEvent,
	type TakeSummary,
	type WarmUp
} from '$core/practice';
import type {
	CardAnswer,
	CardDrill,
	TakeInput,
	TakeStored,
	TakeSummaryAnswer
} from '$lib/api/practice-schema';
import type { RouteSummary } from '$lib/api/notebook-schema';
import { playEvents } from '$lib/input/simulated';
import type { NoteListener, OpenInput } from '$lib/input/types';
import { dayName } from '$lib/words/when';
import { Refusal, send } from './api';
import { DrillCards } from './drill-cards';
import { DrillPlan } from './drill-plan.svelte';
import type { OpenTune } from './open-tune.svelte';
import { PassRecorder } from '$lib/input/pass-recorder';
import { passAgain } from './replay';
import { SimulatedPlayer } from './simulated-player.svelte';
import { soundPrefs } from './sound-prefs.svelte';
import type { Transport } from './transport.svelte';

/** A pass that is over: what was played, what came of it, and what to do next. */
export type DonePass = {
	readonly tempo: number;
	readonly looped: BarRange | null;
	/** What was played, and what it was judged by. */
	readonly request: JudgeRequest;
	readonly judgement: Judgement;
	readonly summary: TakeSummary;
	readonly next: NextStep;
	/** The player stopped before its end. */
	readonly stopped: boolean;
	/** What went into the log; null while it is on its way. */
	readonly stored: TakeStored | null;
	/** Why it could not be stored. */
	readonly trouble: string | null;
};

/** A pass of today on the ladder. */
export type TriedPass = { readonly tempo: number; readonly clean: boolean };

/** Ms that a last note is listened to after the music, for what comes late. */
const GRACE = 60;
/** Times through that a recording is judged for at most. */
const MOST_LOOPS = 16;

/** A drill of the open tune: its rules, its passes, what is heard and what came of it. */
export class DrillDesk {
	drill: CardDrill = $state.raw() as CardDrill;
	place: LadderPlace = $state.raw({ tempo: 72, clean: 0 });
	state: 'ready' | 'playing' | 'done' = $state('ready');
	/** The bars that go round instead of the whole drill: a step out of the last pass. */
	looped: BarRange | null = $state.raw(null);
	/** What has been heard of this pass so far, judged as it falls. */
	live: Judgement | null = $state.raw(null);
	/** What plays that is no pass: a warm-up, or the last pass again. */
	aside: WarmUp | 'pass' | null = $state(null);
	elapsed = $state(0);
	done: DonePass | null = $state.raw(null);
	tried: readonly TriedPass[] = $state.raw([]);
	input: InputKind = $state('simulated');
	readonly simulated = new SimulatedPlayer();
	readonly plan: DrillPlan;
	latencyMs = $state(0);
	/** Saved routes of the tune: one of them can be played. */
	readonly routes: readonly RouteSummary[];
	private readonly cards: DrillCards;
	private recorder = new PassRecorder();
	private tempo = 72;
	private dues: readonly Due[] = [];
	private player: OpenInput | null = null;

	/** Tonics round the circle, home first; empty for a tune without a key. */
	readonly keys: readonly string[] = $derived.by(() => {
		const { chart } = inKey(this.open.saved.chart, null);
		const key = keyOf(chart);
		return key ? keysFrom(noteName(key.tonic), key.mode) : [];
	});
	readonly line: string = $derived.by(() => {
		const line = drillLine(this.open.saved.title, this.drill, this.keys[0] ?? null);
		const route = this.routes.find(({ id }) => id === this.drill.routeId);
		return signsInLine(line) + (route ? ` · over “${route.name}”` : '');
	});
	/** The bars that a pass plays. */
	readonly range: BarRange | null = $derived.by(() => this.looped ?? this.drill.range);
	/** Quarter notes a minute of the next pass. */
	readonly nextTempo: number = $derived.by(() =>
		this.looped && this.done ? this.done.next.tempo : this.place.tempo
	);
	readonly minutes: number = $derived.by(
		() => passMs(barTicksOf(this.open.chart), this.drill, this.place.tempo) / 60_000
	);

	constructor(
		readonly open: OpenTune,
		readonly transport: Transport,
		known: { readonly cards: readonly CardAnswer[]; readonly routes: readonly RouteSummary[] },
		key: string | null
	) {
		this.cards = new DrillCards(open.saved.id, known.cards);
		this.routes = known.routes;
		this.plan = new DrillPlan(open, transport, () => this.line.split(' · ').slice(1).join(', '));
		this.choose(open.position, key);
	}

	/** What every input tells. */
	readonly listener: NoteListener = {
		strike: (midi, at, cents) => {
			const since = this.transport.sinceFirstBeat(at);
			if (this.state !== 'playing' || since === null) return;
			this.recorder.strike(midi, since, cents);
			this.hear();
		},
		release: (midi, at, cents) => {
			const since = this.transport.sinceFirstBeat(at);
			if (this.state !== 'playing' || since === null) return;
			this.recorder.release(midi, since, cents);
		}
	};

	/** Quarter notes a minute of the pass that plays. */
	get passTempo(): number {
		return this.tempo;
	}

	/** Goes to a place and a key: the drill that was kept there, or the one that is open, moved. */
	choose(position: number, key: string | null): void {
		const goal = key === this.keys[0] ? null : key;
		const card = this.cards.at(position, goal);
		this.keyTune(goal);
		const before = this.drill as CardDrill | undefined;
		const made = () =>
			structuredClone(
				drillOf('guide-tones', this.open.chart, { position, key: goal })
			) as CardDrill;
		const drill = card?.drill ?? (before ? moveDrill(before, position, goal) : made());
		this.take(drill, card);
	}

	private keyTune(key: string | null): void {
		const { open } = this;
		open.keyed = key === null ? null : inKey(open.saved.chart, key);
	}

	private take(drill: CardDrill, card?: CardAnswer): void {
		const { open } = this;
		const same = open.position === drill.position;
		this.drill = drill;
		const kept = card ? { tempo: card.tempo, clean: card.cleanInRow } : foot(drill.ladder);
		this.place = kept;
		this.looped = null;
		this.state = 'ready';
		this.done = null;
		this.live = null;
		this.tried = [];
		if (!same) open.moveTo(drill.position);
		void this.plan.make(drill);
	}

	/** Another drill for this place and key, kept with its card. */
	async setDrill(drill: CardDrill): Promise<string | null> {
		this.transport.stop();
		if (drill.key !== this.drill.key) this.keyTune(drill.key);
		const card = await this.cards.save(drill);
		if ('error' in card) {
			this.keyTune(this.drill.key);
			return card.error;
		}
		this.take(drill, card.value);
		return null;
	}

	/** Plays a warm-up out of the plan at the ladder's foot, to play along with; again stops it. */
	async warm(kind: WarmUp): Promise<void> {
		const { transport, drill } = this;
		if (this.state === 'playing') return;
		const same = this.aside === kind;
		transport.stop();
		if (same || !this.plan.warm(kind, drill)) return;
		transport.loop = null;
		transport.setTempo(drill.ladder.start);
		await this.playAside(kind);
	}

	/** Plays the last pass as it was played, over its band; again stops it. */
	async hearPass(): Promise<void> {
		const { transport, done } = this;
		if (this.state !== 'done' || !done) return;
		const same = this.aside === 'pass';
		transport.stop();
		if (same || done.request.events.length === 0) return;
		this.plan.lay(passAgain(this.open, done.request), 'the pass again');
		transport.loop = done.request.range;
		transport.setTempo(done.tempo);
		await this.playAside('pass', done.request.loops);
	}

	private async playAside(aside: WarmUp | 'pass', rounds?: number): Promise<void> {
		const { transport } = this;
		this.aside = aside;
		transport.speed = 100;
		await transport.play(undefined, Math.max(1, soundPrefs.current.countIn), rounds);
		if (!transport.playing) this.endAside();
	}

	private endAside(): void {
		if (this.aside === null) return;
		this.aside = null;
		this.plan.show();
		this.transport.loop = null;
		this.transport.setTempo(this.nextTempo);
	}

	/** Begins a pass: the count-in, the band, and everything that is played from now on. */
	async start(): Promise<void> {
		const { transport, drill } = this;
		if (this.state === 'playing' || this.open.chart.changes.length === 0) return;
		if (this.aside !== null) transport.stop();
		this.tempo = this.nextTempo;
		transport.speed = 100;
		transport.setTempo(this.tempo);
		transport.loop = this.range;
		this.recorder = new PassRecorder();
		this.dues = dueChanges(this.timing());
		this.live = null;
		this.elapsed = 0;
		this.state = 'playing';
		const countIn = Math.max(1, soundPrefs.current.countIn);
		await transport.play(undefined, countIn, this.loops(drill.loops));
		if (!transport.playing) {
			this.state = 'ready';
			return;
		}
		if (this.input === 'simulated') this.simulate();
	}

	/** A loop of a bar or two is played a few times, so that it says something. */
	private loops(usual: number): number {
		return this.looped ? Math.max(4, usual) : usual;
	}

	private simulate(): void {
		const { transport, open, plan } = this;
		const skill = this.simulated.next();
		const events = simulate(this.timing(), open.held, open.position, plan.notes, skill);
		this.player = playEvents(events, (at) => transport.sinceFirstBeat(at), this.listener);
	}

	private timing() {
		const { open, range, drill } = this;
		return {
			chart: open.chart,
			range,
			swing: this.transport.swing,
			tempo: this.tempo,
			loops: this.loops(drill.loops)
		};
	}

	/** When a change of the pass that plays is due, in ms from the first beat. */
	dueOf({ index, loop }: { readonly index: number; readonly loop: number }): number {
		const found = this.dues.find((due) => due.change.index === index && due.loop === loop);
		return found?.dueMs ?? 0;
	}

	/** Judges what was heard so far. */
	hear(): void {
		const now = this.transport.sinceFirstBeat(performance.now());
		if (now === null || this.state !== 'playing') return;
		this.elapsed = now;
		const events = this.recorder.events(now);
		this.live = judge(this.request(events, Math.max(0, now), this.loops(this.drill.loops)));
	}

	private request(events: readonly PlayedEvent[], untilMs: number | undefined, loops: number) {
		const { open, drill, looped } = this;
		return passRequest(open.chart, open.instrument, drill, {
			looped,
			tempo: this.tempo,
			swing: this.swing,
			loops,
			toleranceMs: USUAL_TOLERANCE,
			latencyMs: this.latencyMs,
			events,
			untilMs
		});
	}

	/** The player's own swing; null is the feel's. */
	private get swing(): number | null {
		const { percent } = this.transport.swing;
		return percent === swingOf(this.open.chart.headers.feel).percent ? null : percent;
	}

	/** The music is over: what was played is judged and goes into the log, also when it was stopped. */
	end(byItself: boolean, elapsedMs: number): void {
		this.player?.close();
		this.player = null;
		this.endAside();
		if (this.state !== 'playing') return;
		const { drill } = this;
		const round = roundMs(this.timing());
		const asked = this.loops(drill.loops);
		const whole = byItself ? asked : Math.min(asked, Math.floor(elapsedMs / round));
		const stopped = !byItself && whole < asked;
		const loops = Math.max(1, stopped ? Math.ceil(elapsedMs / round) : asked);
		const events = this.recorder.events(elapsedMs + GRACE);
		const untilMs = stopped ? Math.max(0, elapsedMs) : undefined;
		// Stopped in the count-in: nothing was played.
		if (stopped && elapsedMs <= 0) {
			this.state = this.done ? 'done' : 'ready';
			this.live = null;
			return;
		}
		const ms = Math.round(Math.max(0, Math.min(elapsedMs, loops * round)));
		this.finish(this.input, this.request(events, untilMs, loops), ms);
	}

	/** Judges a pass, says the next step, moves the ladder and puts the pass into the log. */
	private finish(input: InputKind, request: JudgeRequest, durationMs: number): void {
		const { tempo, looped, drill } = this;
		const { events, untilMs, loops, latencyMs } = request;
		const stopped = untilMs !== undefined;
		const judgement = judge(request);
		const summary = summarise(this.open.chart, judgement);
		const { place } = this;
		const next = nextStep(
			{
				chart: this.open.chart,
				rules: drill.rules,
				ladder: drill.ladder,
				place,
				whole: drill.range,
				looped,
				tempo,
				aims: new Map(this.plan.made?.targets.map((target) => [target.change, target]))
			},
			judgement,
			summary
		);
		this.live = null;
		this.state = 'done';
		this.done = {
			...{ tempo, looped, request, judgement, summary, next, stopped },
			stored: null,
			trouble: null
		};
		if (looped === null && !stopped) {
			this.tried = [...this.tried, { tempo, clean: judgement.clean }];
			this.place = climb(drill.ladder, place, judgement.clean);
		}
		void this.store({
			looped,
			tempo,
			...(this.swing === null ? {} : { swing: this.swing }),
			input,
			latencyMs,
			loops,
			...(untilMs === undefined ? {} : { untilMs }),
			events: events.map(tidy),
			grade: null,
			durationMs
		});
	}

	/**
	 * Judges a recording of the whole drill at the tempo where the ladder stands; where its first beat lies is
	 * found, and how many times through it goes. Times in ms from its start.
	 */
	judgeRecording(events: readonly PlayedEvent[]): void {
		if (this.state === 'playing') return;
		this.looped = null;
		this.tempo = this.place.tempo;
		const alone = { ...this.request(events, undefined, 1), latencyMs: 0 };
		const offset = alignTake(alone);
		const moved = events.map((event) => ({ ...event, timeMs: event.timeMs - offset }));
		const round = roundMs(this.timing());
		const last = Math.max(0, ...moved.map(({ timeMs }) => timeMs));
		const loops = clamp(Math.round(last / round), 1, MOST_LOOPS);
		const request = { ...this.request(moved, undefined, loops), latencyMs: 0 };
		this.finish('file', request, Math.round(loops * round));
	}

	/** Logs a pass by the player's own ear. */
	async byHand(grade: HandGrade): Promise<string | null> {
		const { tempo, clean } = { ...this.place, clean: grade === 'clean' };
		this.tried = [...this.tried, { tempo, clean }];
		this.place = climb(this.drill.ladder, this.place, clean);
		return this.store({
			looped: null,
			tempo,
			input: 'hand',
			loops: this.drill.loops,
			events: [],
			grade,
			durationMs: Math.round(passMs(barTicksOf(this.open.chart), this.drill, tempo))
		});
	}

	private async store(take: Omit<TakeInput, 'tuneId' | 'drill' | 'day'>): Promise<string | null> {
		const { done } = this;
		const body: TakeInput = {
			...take,
			tuneId: this.open.saved.id,
			drill: this.drill,
			day: dayName(new Date())
		};
		try {
			const stored = await send<TakeStored>('POST', '/api/v1/takes', body);
			this.cards.keep(stored.card);
			const { tempo, cleanInRow: clean } = stored.card;
			this.place = { tempo, clean };
			if (this.done === done && done) this.done = { ...done, stored };
			return null;
		} catch (error) {
			const trouble = error instanceof Refusal ? error.message : 'The take was not stored.';
			if (this.done === done && done) this.done = { ...done, trouble };
			return trouble;
		}
	}

	/** Writes the player's note on the last pass. @returns why it could not be kept, or null */
	async writeNote(note: string): Promise<string | null> {
		const stored = this.done?.stored;
		if (!stored) return null;
		const { id, version } = stored.take;
		try {
			const take = await send<TakeSummaryAnswer>('PUT', `/api/v1/takes/${id}`, { note, version });
			const { done } = this;
			if (done?.stored?.take.id === id) this.done = { ...done, stored: { ...done.stored, take } };
			return null;
		} catch (error) {
			return error instanceof Refusal ? error.message : 'The note could not be kept.';
		}
	}

	/** Does what the next step says: one key. */
	async follow(): Promise<void> {
		const next = this.done?.next;
		if (next)
			this.looped = next.kind === 'loop' ? next.range : next.kind === 'again' ? this.looped : null;
		await this.start();
	}

	/** The whole drill again, on its rung. */
	async again(): Promise<void> {
		this.looped = null;
		await this.start();
	}

	/** Sets the rung by hand. */
	setTempo(tempo: number): void {
		const { start, ceiling } = this.drill.ladder;
		this.place = { tempo: clamp(tempo, start, ceiling), clean: 0 };
	}

	close(): void {
		this.player?.close();
		this.plan.close();
		this.open.keyed = null;
	}
}

const tidy = (event: PlayedEvent): PlayedEvent => ({
	...event,
	timeMs: Math.round(event.timeMs * 10) / 10,
	durationMs: Math.round(event.durationMs * 10) / 10
});

/** Only the key of a drill's line is a note's name. */
const signsInLine = (line: string): string =>
	line.replace(/ · in ([A-G][b#]*)(?= ·)/, (_, tonic: string) => ` · in ${proseSigns(tonic)}`);

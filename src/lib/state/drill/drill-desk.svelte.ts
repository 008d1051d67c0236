import {
	type Judgement,
	type HandGrade,
	type InputKind,
	type PlayedEvent,
	type WarmUp,
	climb,
	passMs,
	simulate
} from '$core/practice';
import { barTicksOf } from '$core/chart';
import type { RouteSummary } from '$lib/api/notebook-schema';
import type { CardAnswer, CardDrill } from '$lib/api/practice-schema';
import { playEvents } from '$lib/input/simulated';
import type { NoteListener, OpenInput } from '$lib/input/types';
import type { OpenTune } from '../open-tune.svelte';
import { soundPrefs } from '../sound-prefs.svelte';
import type { Transport } from '../transport.svelte';
import { DrillChoice } from './drill-choice.svelte';
import { DrillPlan } from './drill-plan.svelte';
import { judgedPass } from './judged-pass';
import { storeNote, storeTake, takeOf, type Take } from './pass-log';
import { after, asideOf, type Aside, type DonePass, type DrillPhase } from './phase';
import { passAgain } from './replay';
import { recordedPass, RunningPass, type EndedPass, type PassSetup } from './running-pass';
import { SimulatedPlayer } from './simulated-player.svelte';

/** What hears the player, and how late. */
export type Ear = { readonly input: InputKind; readonly latencyMs: number };

/** A drill of the open tune: what is drilled, and where it stands; every step of a pass is a change of its phase. */
export class DrillDesk extends DrillChoice {
	phase: DrillPhase = $state.raw(after(null));
	readonly simulated = new SimulatedPlayer();
	readonly plan: DrillPlan;
	private player: OpenInput | null = null;

	/** The pass that plays. */
	readonly pass: RunningPass | null = $derived.by(() =>
		this.phase.kind === 'running' ? this.phase.pass : null
	);
	/** The pass that is over. */
	readonly done: DonePass | null = $derived.by(() =>
		this.phase.kind === 'judged' ? this.phase.done : null
	);
	/** What has been heard of the pass that plays, judged as it falls. */
	readonly live: Judgement | null = $derived.by(() =>
		this.phase.kind === 'running' ? this.phase.live : null
	);
	readonly aside: Aside | null = $derived.by(() => asideOf(this.phase));
	/** Quarter notes a minute of the pass that plays, or of the next one. */
	readonly nextTempo: number = $derived.by(
		() =>
			this.pass?.setup.tempo ?? (this.looped && this.done ? this.done.next.tempo : this.place.tempo)
	);

	constructor(
		open: OpenTune,
		readonly transport: Transport,
		known: { readonly cards: readonly CardAnswer[]; readonly routes: readonly RouteSummary[] },
		key: string | null,
		private readonly ear: () => Ear
	) {
		super(open, known, key);
		this.plan = new DrillPlan(open, transport, () => this.line.split(' · ').slice(1).join(', '));
		void this.plan.make(this.drill);
	}

	/** What every input tells. */
	readonly listener: NoteListener = {
		strike: (midi, at, cents) => {
			const since = this.transport.sinceFirstBeat(at);
			if (!this.pass || since === null) return;
			this.pass.strike(midi, since, cents);
			this.hear();
		},
		release: (midi, at, cents) => {
			const since = this.transport.sinceFirstBeat(at);
			if (since !== null) this.pass?.release(midi, since, cents);
		}
	};

	/** Goes to a place and a key: the drill that was kept there, or the one that is open, moved. */
	choose(position: number, key: string | null): void {
		const { drill, card } = this.drillAt(position, key, this.drill);
		this.take(drill, card);
	}

	protected override take(drill: CardDrill, card?: CardAnswer): void {
		super.take(drill, card);
		this.phase = after(null);
		void this.plan.make(drill);
	}

	/** Another drill for this place and key, kept with its card. @returns why it could not be kept, or null */
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
		if (this.pass) return;
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
		if (!done) return;
		const same = this.aside === 'pass';
		transport.stop();
		if (same || done.request.events.length === 0) return;
		this.plan.lay(passAgain(this.open, done.request), 'the pass again');
		transport.loop = done.request.range;
		transport.setTempo(done.tempo);
		await this.playAside('pass', done.request.loops);
	}

	private async playAside(aside: Aside, rounds?: number): Promise<void> {
		const { transport, phase } = this;
		if (phase.kind !== 'running') this.phase = { ...phase, aside };
		transport.speed = 100;
		await transport.play(undefined, Math.max(1, soundPrefs.current.countIn), rounds);
		if (!transport.playing) this.endAside();
	}

	private endAside(): void {
		const { phase } = this;
		if (phase.kind === 'running' || phase.aside === null) return;
		this.phase = { ...phase, aside: null };
		this.plan.show();
		this.transport.loop = null;
		this.transport.setTempo(this.nextTempo);
	}

	private setup(tempo: number): PassSetup {
		const { open, drill, looped, transport } = this;
		const { chart, instrument } = open;
		const { latencyMs } = this.ear();
		return { chart, instrument, drill, looped, tempo, swing: transport.swing, latencyMs };
	}

	/** Begins a pass: the count-in, the band, and everything that is played from now on. */
	async start(): Promise<void> {
		const { transport } = this;
		if (this.pass || this.open.chart.changes.length === 0) return;
		if (this.aside !== null) transport.stop();
		const pass = new RunningPass(this.setup(this.nextTempo));
		transport.speed = 100;
		transport.setTempo(pass.setup.tempo);
		transport.loop = this.range;
		this.phase = { kind: 'running', pass, live: null, elapsed: 0, before: this.done };
		const countIn = Math.max(1, soundPrefs.current.countIn);
		await transport.play(undefined, countIn, pass.loops);
		if (!transport.playing) this.phase = after(null);
		else if (this.ear().input === 'simulated') this.simulate(pass);
	}

	private simulate(pass: RunningPass): void {
		const { transport, open, plan } = this;
		const skill = this.simulated.next();
		const events = simulate(pass.timing, open.held, open.position, plan.notes, skill);
		this.player = playEvents(events, (at) => transport.sinceFirstBeat(at), this.listener);
	}

	/** Judges what was heard so far. */
	hear(): void {
		const now = this.transport.sinceFirstBeat(performance.now());
		const { phase } = this;
		if (now === null || phase.kind !== 'running') return;
		this.phase = { ...phase, elapsed: now, live: phase.pass.judged(now) };
	}

	/** The music is over: what was played is judged and goes into the log, also when it was stopped. */
	end(byItself: boolean, elapsedMs: number): void {
		this.player?.close();
		this.player = null;
		this.endAside();
		const { phase } = this;
		if (phase.kind !== 'running') return;
		const ended = phase.pass.ended(byItself, elapsedMs);
		if (ended) this.finish(ended, this.ear().input);
		else this.phase = after(phase.before);
	}

	/** Judges a pass, says the next step, moves the ladder and puts the pass into the log. */
	private finish(ended: EndedPass, input: InputKind): void {
		const { drill, place } = this;
		const done = judgedPass(ended, place, this.plan.made?.targets ?? []);
		this.phase = after(done);
		const [slip] = done.summary.slips;
		if (slip) this.open.cursor = slip.index;
		if (done.looped === null && !done.stopped) {
			this.tried = [...this.tried, { tempo: done.tempo, clean: done.judgement.clean }];
			this.place = climb(drill.ladder, place, done.judgement.clean);
		}
		void this.store(takeOf(ended, input), done);
	}

	/**
	 * Judges a recording of the whole drill at the tempo where the ladder stands; where its first beat lies is
	 * found, and how many times through it goes. Times in ms from its start.
	 */
	judgeRecording(events: readonly PlayedEvent[]): void {
		if (this.pass) return;
		this.looped = null;
		this.finish(recordedPass(this.setup(this.place.tempo), events), 'file');
	}

	/** Logs a pass by the player's own ear. */
	async byHand(grade: HandGrade): Promise<string | null> {
		const { tempo, clean } = { ...this.place, clean: grade === 'clean' };
		this.tried = [...this.tried, { tempo, clean }];
		this.place = climb(this.drill.ladder, this.place, clean);
		const durationMs = Math.round(passMs(barTicksOf(this.open.chart), this.drill, tempo));
		const { loops } = this.drill;
		const take: Take = { looped: null, tempo, input: 'hand', loops, events: [], grade, durationMs };
		return this.store(take, this.done);
	}

	/** @param of the pass that the take belongs to, which is told how it went */
	private async store(take: Take, of: DonePass | null): Promise<string | null> {
		const stored = await storeTake(this.open.saved.id, this.drill, take);
		const told = 'value' in stored ? { stored: stored.value } : { trouble: stored.error };
		if ('value' in stored) {
			const { card } = stored.value;
			this.cards.keep(card);
			this.place = { tempo: card.tempo, clean: card.cleanInRow };
		}
		this.tell(of, told);
		return 'error' in stored ? stored.error : null;
	}

	/** Adds what became of a pass, as long as it is the one that is shown. */
	private tell(of: DonePass | null, more: Partial<DonePass>): void {
		const { phase } = this;
		if (of && phase.kind === 'judged' && phase.done === of) {
			this.phase = { ...phase, done: { ...of, ...more } };
		}
	}

	/** Writes the player's note on the last pass. @returns why it could not be kept, or null */
	async writeNote(note: string): Promise<string | null> {
		const { stored } = this.done ?? {};
		if (!stored) return null;
		const kept = await storeNote(stored.take, note);
		if ('error' in kept) return kept.error;
		const { done } = this;
		if (done?.stored?.take.id === stored.take.id) {
			this.tell(done, { stored: { ...done.stored, take: kept.value } });
		}
		return null;
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

	close(): void {
		this.player?.close();
		this.plan.close();
		this.open.keyed = null;
	}
}

import { type BarRange, SPEED, type Swing, swingOf, ticksOf } from '$core/band';
import type { Chart } from '$core/chart';
import { clamp, tempoWithin } from '$core/kernel';
import type { NoteAnswer } from '$lib/api/plan-schema';
import type { ScoreWish, Sounding } from '$lib/audio/open-engine';
import { getContext, setContext, untrack } from 'svelte';
import { Announcer } from './announcer';
import type { OpenTune } from './open-tune.svelte';
import { heardLine, noteAt } from './heard-line';
import { type Moment, momentOf, sinceFirstBeat } from './music-clock';
import { barsRound, sameMoment, following, heardChanges } from './play-position';
import { type Heard, type Lead, type PlayedNote, type PlayedRoute, STILL } from './played';
import { ringing } from './ringing';
import { soundPrefs } from './sound-prefs.svelte';
import { noSound, openSound } from './sound-source';
import { TapTempo } from './tap-tempo';
import { keepAwake } from './wake-lock';

const KEY = Symbol('transport');
/** Plays the open tune: the band, the line, the click; says where the music is. */
export class Transport {
	state: 'still' | 'loading' | 'playing' = $state('still');
	heard: Heard = $state.raw(STILL);
	/** The note of the line that sounds: its tick. */
	noteTick: number | null = $state(null);
	/** Why nothing sounds. */
	trouble: string | null = $state(null);
	/** Bars that go round; null is the whole chart. */
	loop: BarRange | null = $state.raw(null);
	/** The player's own tempo in quarter notes a minute; null takes the tune's. */
	tempo: number | null = $state(null);
	/** Per cent of the tempo. */
	speed = $state(100);
	/** A text that is being edited is played as it stands. */
	draft: { readonly text: string; readonly chart: Chart } | null = $state.raw(null);
	route: PlayedRoute | null = $state.raw(null);
	private lead: Lead | null = null;
	private audio: Sounding | null = null;
	private frame = 0;
	private readonly taps = new TapTempo();
	private readonly announcer = new Announcer();

	readonly chart: Chart = $derived.by(() => this.draft?.chart ?? this.open.chart);
	readonly written: number = $derived(this.tempo ?? this.chart.headers.tempo);
	/** Quarter notes a minute as played. */
	readonly played: number = $derived(tempoWithin((this.written * this.speed) / 100));
	readonly swing: Swing = $derived(
		swingOf(this.chart.headers.feel, soundPrefs.current.swing || undefined)
	);
	private readonly heardAt = $derived(heardChanges(this.chart, this.swing));
	readonly range = $derived(ticksOf(this.chart, this.loop));
	/** What is heard of the route: its line, or its landings ringing on. */
	readonly line: readonly PlayedNote[] = $derived.by(() => {
		const { route, chart } = this;
		if (!route || route.silent || this.draft) return [];
		return route.notes.length > 0 ? route.notes : ringing(chart, route.targets);
	});
	private readonly lineAt = $derived(heardLine(this.chart, this.line, this.swing));
	/** The note of the line that sounds. */
	readonly sounding: NoteAnswer | null = $derived.by(
		() => this.line.find((note) => note.tick === this.noteTick) ?? null
	);
	constructor(
		readonly open: OpenTune,
		private readonly findRoute: () => Promise<void>
	) {}

	get playing(): boolean {
		return this.state !== 'still';
	}

	/** The chart can be played at all. */
	get ready(): boolean {
		return this.chart.played.length > 0;
	}

	/** What is to be played as things stand. */
	private wish(): ScoreWish {
		const { chart, line, swing } = this;
		return { chart, line, click: soundPrefs.click, swing, voice: soundPrefs.current.voice };
	}

	/** Follows every change of what is played while it plays; call once where the transport lives. */
	watch(): void {
		$effect(() => {
			const { faders } = soundPrefs;
			this.audio?.engine.setFaders(faders);
		});
		$effect(() => {
			const { played } = this;
			this.audio?.engine.setTempo(played);
		});
		$effect(() => {
			const { loop } = this;
			this.audio?.engine.setLoop(loop);
		});
		let chart = this.chart;
		$effect(() => {
			const wish = this.wish();
			untrack(() => {
				const { audio } = this;
				const same = chart === wish.chart;
				chart = wish.chart;
				if (!audio?.engine.active || this.state !== 'playing') return;
				if (same) void audio.engine.setScore(audio.score(wish));
				else this.restart();
			});
		});
	}

	toggle(): void {
		if (this.playing) this.stop();
		else if (this.lead) this.lead.begin();
		else void this.play();
	}

	/** Begins at a bar, or at the start of the loop. Call it out of a key or a click. */
	async play(
		bar?: number,
		countIn: number = soundPrefs.current.countIn,
		rounds?: number
	): Promise<void> {
		if (!this.ready || this.state === 'loading') return;
		this.state = 'loading';
		this.trouble = null;
		try {
			const audio = await openSound(soundPrefs.faders);
			this.audio = audio;
			if (!this.route && !this.draft) await this.findRoute();
			audio.engine.setFaders(soundPrefs.faders);
			await audio.engine.play(audio.score(this.wish()), {
				seconds: 0.12,
				tempo: this.played,
				loop: this.loop,
				bar,
				rounds,
				countInBars: countIn
			});
			if (this.state !== 'loading') {
				audio.engine.stop();
				return;
			}
			this.state = 'playing';
			this.announcer.reset();
			keepAwake(true);
			this.follow();
		} catch (error) {
			this.audio = null;
			this.stop();
			this.trouble = noSound(error);
		}
	}

	stop(byItself = false): void {
		const { playing } = this;
		const elapsed = this.sinceFirstBeat(performance.now()) ?? 0;
		this.audio?.engine.stop();
		cancelAnimationFrame(this.frame);
		this.state = 'still';
		this.heard = STILL;
		this.noteTick = null;
		this.open.sounding = null;
		keepAwake(false);
		if (playing) this.lead?.ended(byItself, elapsed);
	}

	/** Another tune is open now. */
	leave(): void {
		this.stop();
		this.loop = null;
		this.tempo = null;
		this.speed = 100;
		this.draft = null;
		this.route = null;
	}

	/** The chart is another one now: it goes on in the same bar where there is one. */
	private restart(): void {
		const bar = this.heard.kind === 'playing' ? this.heard.bar : undefined;
		if (this.loop && this.loop.to > this.chart.played.length) this.loop = null;
		this.stop();
		if (this.ready)
			void this.play(bar !== undefined && this.chart.played[bar] ? bar : undefined, 0);
	}

	/**
	 * The moment that is heard now: its tick as played (before the first one while it counts in), the time
	 * through, and the ticks since the music was started; null while nothing plays.
	 */
	moment(): Moment | null {
		return this.audio && this.state === 'playing' ? momentOf(this.audio, this.chart) : null;
	}

	/**
	 * Ms from the first beat of the music to a moment of `performance.now()`, as the player hears it;
	 * negative while it is counted in. Null while nothing plays.
	 */
	sinceFirstBeat(at: number): number | null {
		return this.audio && this.state === 'playing' ? sinceFirstBeat(this.audio, at) : null;
	}

	/** Goes to a bar when the one that sounds is over, or begins there. */
	jump(bar: number): void {
		if (this.state === 'playing') this.audio?.engine.jump(bar);
		else void this.play(bar);
	}

	setTempo(tempo: number): void {
		const whole = Math.round(tempoWithin(tempo));
		this.change(() => (this.tempo = whole === this.chart.headers.tempo ? null : whole));
	}

	setSpeed(speed: number): void {
		this.change(() => (this.speed = Math.round(clamp(speed, SPEED.least, SPEED.most))));
	}

	/** Changes how fast it goes; where that must stay, the music ends. */
	private change(tempo: () => void): void {
		const before = this.played;
		tempo();
		if (this.playing && this.played !== before && this.lead?.steady()) this.stop();
	}

	/** Lets somebody lead. @returns gives the music back: it stops, and everything of it is the tune's own */
	ledBy(lead: Lead): () => void {
		this.lead = lead;
		return () => {
			this.stop();
			this.lead = null;
			[this.tempo, this.loop, this.route] = [null, null, null];
		};
	}

	/** Takes the tempo from taps: the middle of the last few gaps. */
	tap(now = performance.now()): void {
		const tempo = this.taps.tap(now);
		if (tempo === null) return;
		this.speed = 100;
		this.setTempo(tempo);
	}

	/** Bars round the change that is looked at, or, where that is the loop, the whole again. */
	toggleLoop(): void {
		const { before, change } = this.open;
		this.loop = this.loop || !change ? null : barsRound(before, change);
	}

	private readonly follow = (): void => {
		const { audio, chart, range } = this;
		if (!audio || this.state !== 'playing') return;
		const position = audio.engine.position(audio.heard());
		// The engine forgets a run once its last note is over.
		if (position.kind === 'after' || !audio.engine.active) {
			this.stop(true);
			return;
		}
		this.frame = requestAnimationFrame(this.follow);
		if (position.kind === 'counting') {
			const { count, of } = position;
			if (this.heard.kind !== 'counting' || this.heard.count !== count) {
				this.heard = { kind: 'counting', count, of };
				const first = chart.played[position.bar];
				this.look(first.startTick);
			}
			return;
		}
		if (position.kind !== 'playing') return;
		const { tick, bar, beat, round } = position;
		const where = following(chart, this.heardAt, tick, range);
		if (!sameMoment(this.heard, bar, beat, where)) {
			const { now, next, beats } = where;
			this.heard = { kind: 'playing', bar, beat, round, toGo: beats, now, next };
			this.announcer.hear(this.chart, this.route?.targets ?? [], next, beats);
			this.lead?.heard();
		}
		this.look(tick);
		const on = noteAt(this.lineAt, tick, round);
		if (on !== this.noteTick) this.noteTick = on;
	};

	/** Turns what is looked at to the chord that sounds. */
	private look(tick: number): void {
		const { open, chart } = this;
		if (this.draft) return;
		const { now, next } = following(chart, this.heardAt, tick, this.range);
		if (open.sounding !== now) open.sounding = now;
		if (next !== null && open.cursor !== next) open.cursor = next;
	}

	/** True in the beats before a change in which it is announced. */
	get announcing(): boolean {
		const { announce } = soundPrefs.current;
		return this.heard.kind === 'playing' && announce > 0 && this.heard.toGo <= announce;
	}
}

export const provideTransport = (transport: Transport): Transport => setContext(KEY, transport);
export const useTransport = (): Transport => getContext<Transport>(KEY);

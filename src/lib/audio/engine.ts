import {
	type BarRange,
	beginRun,
	notesBetween,
	type Position,
	positionAt,
	type Run,
	runEnd,
	type Score,
	secondsAt,
	ticksAt,
	type TimedNote,
	withJump,
	withLoop,
	withTempo
} from '$core/band';
import { type BaseContext, ToneBufferSource } from 'tone';
import { Console } from './console';
import type { Faders } from './desk';
import type { VoiceKey } from './sound.worker';
import { FIRST, keyText, voicesOf } from './voice-order';
import { gainOf, layerOf, RELEASE, voiceOf } from './voices';

/** Seconds that are written ahead on the audio clock: the page may stand still for nearly so long. */
const AHEAD = 2;
/** Seconds between two looks at what comes. */
const EVERY = 0.1;
/** Gives samples for notes; a worker in the page, plain calls in a measurement. */
export type VoiceSource = (
	keys: readonly VoiceKey[],
	rate: number
) => Promise<Float32Array<ArrayBuffer>[]>;

type Playing = {
	readonly note: TimedNote;
	readonly source: ToneBufferSource;
	readonly ends: number;
};

/**
 * Plays a score on the audio clock. Every note is written two seconds ahead at its exact time; a change of
 * tempo, loop or line takes back what has not sounded and writes it anew from that moment on, so that the
 * beat goes on where it was.
 */
export class BandEngine {
	/** Seconds after which a change is heard, so that nothing that is about to sound is torn off. */
	static readonly MARGIN = 0.06;
	private readonly console: Console;
	private readonly buffers = new Map<string, AudioBuffer>();
	private playing: Playing[] = [];
	/** Notes whose sound is still being rendered. */
	private waiting: TimedNote[] = [];
	private score: Score | null = null;
	private run: Run | null = null;
	private rest: Promise<void> = Promise.resolve();
	/** Tick of the run up to which notes are written. */
	private written = 0;
	private looked = -1;
	/** Called once when a run has come to its end. */
	onend: (() => void) | null = null;

	constructor(
		private readonly context: BaseContext,
		private readonly voices: VoiceSource,
		faders: Faders
	) {
		this.console = new Console(context, faders);
		context.on('tick', this.look);
	}

	get now(): number {
		return this.context.currentTime;
	}

	/** Second of the audio clock at which the music begins, behind the count-in; null while nothing plays. */
	get musicBegins(): number | null {
		const first = this.run?.segments.find((segment) => segment.tick !== null);
		return this.run && first ? secondsAt(this.run, first.at) : null;
	}

	get active(): boolean {
		return this.run !== null;
	}

	/** Begins to play once the sounds are there. `start.seconds` counts from that moment. */
	async play(score: Score, start: Parameters<typeof beginRun>[1]): Promise<void> {
		this.stop();
		await this.prepare(score, start.bar ?? start.loop?.from);
		const seconds = this.context.currentTime + start.seconds;
		this.score = score;
		this.run = beginRun(score.band.chart, { ...start, seconds });
		this.written = 0;
		this.looked = -1;
		this.look();
	}

	/** Every sound of the score is there. Rejects when sounds did not come. */
	settled(): Promise<void> {
		return this.rest;
	}

	/** Silence, at once. */
	stop(): void {
		const now = this.context.currentTime;
		for (const { source, note } of this.playing) {
			if (note.seconds > now) source.dispose();
			else {
				source.fadeOut = Math.max(0.03, Number(source.fadeOut));
				source.stop(now);
			}
		}
		this.playing = [];
		this.waiting = [];
		this.run = null;
		this.score = null;
	}

	/** Another score from now on: a changed line, feel or click; the run goes on. */
	async setScore(score: Score): Promise<void> {
		if (!this.run) return;
		await this.prepare(score);
		if (!this.run || this.run.chart !== score.band.chart) return;
		this.score = score;
		this.rewrite((run) => run);
	}

	setTempo(tempo: number): void {
		this.rewrite((run, at) => withTempo(run, at, tempo));
	}

	setLoop(range: BarRange | null): void {
		this.rewrite((run, at) => withLoop(run, at, range));
	}

	/** Goes to a bar once the bar that sounds is over. */
	jump(bar: number): void {
		this.rewrite((run, at) => withJump(run, at, bar));
	}

	setFaders(faders: Faders): void {
		this.console.set(faders);
	}

	/** Where the music is that is heard at a second of the audio clock. */
	position(seconds: number): Position {
		return this.run ? positionAt(this.run, seconds) : { kind: 'before' };
	}

	dispose(): void {
		this.context.off('tick', this.look);
		this.stop();
		this.console.dispose();
	}

	/** Renders what the score needs: what sounds first is waited for, the rest follows while it plays. */
	private async prepare(score: Score, bar = 0): Promise<void> {
		const wanted = this.missing(voicesOf(score, bar));
		await this.render(wanted.slice(0, FIRST));
		this.rest = this.render(wanted.slice(FIRST));
		void this.rest.catch(() => {});
	}

	private missing(keys: readonly VoiceKey[]): VoiceKey[] {
		return keys.filter((key) => !this.buffers.has(keyText(key)));
	}

	private async render(keys: readonly VoiceKey[]): Promise<void> {
		const { sampleRate } = this.context;
		for (let from = 0; from < keys.length; from += FIRST) {
			const wanted = this.missing(keys.slice(from, from + FIRST));
			if (wanted.length === 0) continue;
			const rendered = await this.voices(wanted, sampleRate);
			wanted.forEach((key, i) => {
				const buffer = this.context.createBuffer(1, rendered[i].length, sampleRate);
				buffer.copyToChannel(rendered[i], 0);
				this.buffers.set(keyText(key), buffer);
			});
			this.fill();
		}
	}

	/** Notes that were due before their sound was there are written as long as they lie ahead. */
	private fill(): void {
		const { waiting } = this;
		this.waiting = [];
		const now = this.context.currentTime;
		for (const note of waiting) if (note.seconds > now) this.write(note, now);
	}

	private rewrite(change: (run: Run, at: number) => Run): void {
		if (!this.run || !this.score) return;
		const at = Math.max(0, ticksAt(this.run, this.context.currentTime + BandEngine.MARGIN));
		if (at < this.written) {
			this.playing = this.playing.filter(({ note, source }) => {
				if (note.at < at) return true;
				source.dispose();
				return false;
			});
			this.waiting = this.waiting.filter((note) => note.at < at);
			this.written = at;
		}
		this.run = change(this.run, at);
		this.looked = -1;
		this.look();
	}

	private readonly look = (): void => {
		const { score, run } = this;
		if (!score || !run) return;
		const now = this.context.currentTime;
		if (now - this.looked < EVERY && this.looked >= 0) return;
		this.looked = now;
		this.playing = this.playing.filter(({ ends }) => ends > now);
		const until = ticksAt(run, now + AHEAD);
		if (until > this.written) {
			const { notes, run: grown } = notesBetween(score, run, this.written, until);
			this.run = grown;
			this.written = until;
			for (const note of notes) this.write(note, now);
			this.catchUp();
		}
		const end = runEnd(run);
		if (end !== Infinity && now > secondsAt(run, end)) {
			this.run = null;
			this.onend?.();
		}
	};

	private keyOf(note: TimedNote): VoiceKey {
		const voice = voiceOf(note.part, this.score?.band.voice ?? 'guitar');
		return { voice, midi: note.midi, layer: layerOf(note.velocity) };
	}

	/** Sounds that nobody foresaw, as where a loop turns: rendered once what was foreseen is there. */
	private catchUp(): void {
		if (this.waiting.length === 0) return;
		const { waiting } = this;
		this.rest = this.rest.then(() => this.render(waiting.map((note) => this.keyOf(note))));
		void this.rest.catch(() => {});
	}

	private write(note: TimedNote, now: number): void {
		const key = this.keyOf(note);
		const { voice } = key;
		const buffer = this.buffers.get(keyText(key));
		if (!buffer) this.waiting.push(note);
		// What was meant for a moment that has passed while the page stood still would come late.
		if (!buffer || note.seconds < now - 0.005) return;
		const release = RELEASE[voice];
		const source = new ToneBufferSource({
			context: this.context,
			url: buffer,
			fadeOut: release === Infinity ? 0 : release,
			// Nodes are given back once they are silent; Tone does so only when someone listens.
			onended: () => {}
		}).connect(this.console.channel(note.part));
		source.start(note.seconds, 0, undefined, gainOf(note.velocity));
		const rings = release === Infinity ? buffer.duration : note.duration;
		source.stop(note.seconds + rings);
		note.curve.forEach(([seconds, cents], i) => {
			const rate = 2 ** (cents / 1200);
			const at = note.seconds + seconds;
			if (i === 0) source.playbackRate.setValueAtTime(rate, at);
			else source.playbackRate.exponentialRampToValueAtTime(rate, at);
		});
		const ends = note.seconds + rings + (release === Infinity ? 0 : release);
		this.playing.push({ note, source, ends });
	}
}

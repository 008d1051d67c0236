import { performed } from '$core/band';
import type { Change } from '$core/chart';
import type { Chord } from '$core/chord';
import {
	catchMotif,
	keyRows,
	ontoGrid,
	type Basis,
	type Motif,
	type Played,
	type Struck
} from '$core/phrase';
import { touch } from '$lib/audio/touch';
import { hasMidi, midiAllowed, openMidi } from '$lib/input/midi';
import type { PhraseDesk } from './phrase-desk.svelte';
import type { Transport } from './transport.svelte';

/** What notes are put on: ticks, and what they are called. */
export const PLAY_GRIDS = [
	{ ticks: 240, name: 'eighths' },
	{ ticks: 160, name: 'triplets' },
	{ ticks: 120, name: 'sixteenths' }
] as const;

const MOST_NOTES = 64;

type Midi = 'off' | 'asking' | 'on' | 'missing' | 'refused';

/** A note that was struck while the music played; `at` counts ticks since the music was started. */
type Live = { from: number; readonly at: number; length: number | null; readonly midi: number };

/**
 * A motif that is being played in: note after note while all is still, each as long as the grid; in the
 * player's own time while the band plays, the last time through counts.
 */
export class PlayIn {
	on = $state(false);
	grid: number = $state(240);
	midi: Midi = $state('off');
	/** The MIDI devices that are listened to. */
	devices: readonly string[] = $state.raw([]);
	/** Notes that were put down while all was still, from the change on. */
	private steps: readonly Played[] = $state.raw([]);
	private cursor = $state(0);
	private live: readonly Live[] = $state.raw([]);
	private round = -1;
	private close: (() => void) | null = null;
	/** What was to be heard before. */
	private before: Pick<Transport, 'route' | 'loop'> = { route: null, loop: null };

	constructor(
		private readonly desk: PhraseDesk,
		private readonly transport: Transport
	) {
		desk.hears = () =>
			this.on ? (this.motif ?? { ...desk.drafts.current.motif, notes: [] }) : null;
	}

	/** The change that is played over: it stays while the screen follows the music. */
	private over: Change | null = $state.raw(null);

	get chord(): Chord | null {
		return this.over?.to.chord ?? null;
	}

	/** Pitches of the three rows of keys. */
	readonly rows: readonly (readonly number[])[] = $derived.by(() => {
		const { open } = this.desk;
		const chord = this.over?.to.chord;
		if (!chord) return [];
		return keyRows(chord, open.scaleFor(chord), open.held, open.position);
	});

	/** The notes so far, in ticks of the chart. */
	readonly notes: readonly Played[] = $derived.by(() => {
		const start = this.over?.tick ?? 0;
		if (this.live.length === 0) {
			return this.steps.map((note) => ({ ...note, tick: start + note.tick }));
		}
		const { chart, swing } = this.transport;
		const struck = this.live.map(({ from, length, midi }): Struck => {
			return { from, to: from + (length ?? this.grid), midi };
		});
		return ontoGrid(struck, this.grid, (tick) => (tick < 0 ? tick : performed(chart, tick, swing)));
	});
	/** What was played as a motif; null before the first note. */
	readonly motif: Motif | null = $derived.by(() => this.caughtAs(this.desk.motifBasis));

	private caughtAs(basis: Basis): Motif | null {
		const { chart, scales } = this.desk.context;
		return catchMotif(this.notes, chart, scales, basis);
	}

	/** Begins: the band goes round the two chords that are shown, and leaves the line to the player. */
	start(): void {
		const { transport, desk } = this;
		const [over] = desk.shown;
		if (!over) return;
		transport.stop();
		this.clear();
		this.before = { route: transport.route, loop: transport.loop };
		const handAt = (change: number) => desk.handAt(change);
		transport.route = { notes: [], targets: [], handAt, rule: 'play it in' };
		transport.loop ??= desk.barsAt(desk.shown.map((change) => change.tick));
		this.over = over;
		this.on = true;
		void midiAllowed().then((allowed) => {
			if (allowed && this.on) void this.useMidi();
		});
	}

	clear(): void {
		this.steps = [];
		this.live = [];
		this.cursor = 0;
		this.round = -1;
	}

	/** Ends with what was played, which becomes the motif that is worked on. */
	finish(): void {
		const { motif } = this;
		if (motif) this.desk.take('Played in', motif);
		this.stop();
	}

	/** Ends and leaves the motif as it was; the music stops. */
	stop(): void {
		if (this.on) {
			this.transport.stop();
			Object.assign(this.transport, this.before);
		}
		this.on = false;
		this.clear();
		this.close?.();
		this.close = null;
		if (this.midi === 'on') this.midi = 'off';
	}

	/** A note is struck: a key, a place of the neck, a MIDI key. */
	strike(midi: number): void {
		if (!this.on) return;
		touch(midi);
		const moment = this.transport.moment();
		if (moment) this.strikeLive(midi, moment);
		else if (!this.transport.playing) {
			this.settle();
			if (this.steps.length >= MOST_NOTES) return;
			const { cursor, grid } = this;
			this.steps = [...this.steps, { tick: cursor, durationTicks: grid, midi }];
			this.cursor = cursor + grid;
		}
	}

	/** What was played over the band goes on note after note once it is still. */
	private settle(): void {
		if (this.live.length === 0) return;
		const start = this.over?.tick ?? 0;
		this.steps = this.notes.map((note) => ({ ...note, tick: note.tick - start }));
		const last = this.steps.at(-1);
		this.cursor = last ? last.tick + last.durationTicks : 0;
		this.live = [];
	}

	private strikeLive(
		midi: number,
		moment: { readonly tick: number; readonly round: number; readonly at: number }
	): void {
		const { range } = this.transport;
		// While it is counted in hands may warm up.
		if (moment.tick < range.from - this.grid / 2) return;
		// A little before the loop begins again is its first beat, struck early.
		const early = moment.tick >= range.to - this.grid / 2;
		const from = early ? moment.tick - (range.to - range.from) : moment.tick;
		const round = moment.round + (early ? 1 : 0);
		this.steps = [];
		const before = round === this.round ? this.live : [];
		this.round = round;
		if (before.length >= MOST_NOTES) return;
		const held = before.map((note) => ({
			...note,
			length: note.length ?? Math.max(1, moment.at - note.at)
		}));
		this.live = [...held, { from, at: moment.at, length: null, midi }];
	}

	/** A key is let go; notes of the still have their length from the grid. */
	release(midi: number): void {
		const moment = this.transport.moment();
		if (!moment) return;
		this.live = this.live.map((note) =>
			note.midi === midi && note.length === null
				? { ...note, length: Math.max(1, moment.at - note.at) }
				: note
		);
	}

	/** The last note a place longer. */
	hold(): void {
		if (this.transport.playing) return;
		this.settle();
		const last = this.steps.at(-1);
		if (!last || last.tick + last.durationTicks !== this.cursor) return;
		this.cursor += this.grid;
		const longer = { ...last, durationTicks: last.durationTicks + this.grid };
		this.steps = [...this.steps.slice(0, -1), longer];
	}

	/** A place of air. */
	rest(): void {
		if (this.transport.playing) return;
		this.settle();
		this.cursor += this.grid;
	}

	/** Takes the last note, or the air after it, back. */
	back(): void {
		if (this.live.length > 0) {
			this.live = this.live.slice(0, -1);
			return;
		}
		const last = this.steps.at(-1);
		const end = last ? last.tick + last.durationTicks : 0;
		if (this.cursor > end) this.cursor = Math.max(end, this.cursor - this.grid);
		else if (last) {
			this.steps = this.steps.slice(0, -1);
			this.cursor = last.tick;
		}
	}

	/** Listens to MIDI devices; asks for leave where none was given. */
	async useMidi(): Promise<void> {
		if (this.midi === 'asking' || this.midi === 'on') return;
		if (!hasMidi()) {
			this.midi = 'missing';
			return;
		}
		this.midi = 'asking';
		const opened = await openMidi({
			strike: (midi) => this.strike(midi),
			release: (midi) => this.release(midi),
			devices: (names) => (this.devices = names)
		});
		if ('error' in opened) this.midi = opened.error;
		else if (this.on) [this.close, this.midi] = [opened.value.close, 'on'];
		else {
			opened.value.close();
			this.midi = 'off';
		}
	}
}

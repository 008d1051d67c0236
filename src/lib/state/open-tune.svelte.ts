import { clamp } from '$core/kernel';
import { getContext, setContext } from 'svelte';
import { changeIndexAt, parseChart, type Change, type Chart } from '$core/chart';
import type { Chord } from '$core/chord';
import {
	chordAfter,
	functionsAlong,
	keyOf,
	scaleInUse,
	type ChordFunction,
	type Scale
} from '$core/harmony';
import type { TextNote } from '$core/formats';
import type { Motif } from '$core/phrase';
import type { KeyedTune } from '$core/practice';
import {
	instrumentOf,
	lastPosition,
	MEDIUM_HAND,
	type Hand,
	type Instrument,
	type OwnInstrument
} from '$core/neck';
import { heldInstrument, type TimedChart } from '$core/route';
import { pitchClass } from '$core/pitch';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import { ChordScales } from './chord-scales.svelte';

const KEY = Symbol('open tune');

/** The root of the key on the thickest string: where a player without a plan puts the hand. */
function rootPosition(chart: Chart, own: readonly OwnInstrument[]): number {
	const { instrument } = instrumentOf(chart, own);
	const key = keyOf(chart);
	if (!key) return 5;
	const open = instrument.open[instrument.open.length - 1] + instrument.capo;
	const fret = (pitchClass(key.tonic) - (open % 12) + 12) % 12 || 12;
	return Math.min(fret, lastPosition(instrument));
}

/** What the tune's screens know of the player: own instruments, hand, own scales. */
export type PlayerSetup = {
	readonly instruments: readonly OwnInstrument[];
	readonly hand: Hand;
	readonly scales: readonly { readonly name: string; readonly degrees: string }[];
};

/** Notes that another screen lays into the line, and the stretches of ticks that they take over. */
export type Incoming = {
	readonly name: string;
	readonly over: readonly { readonly from: number; readonly to: number }[];
	readonly notes: readonly TextNote[];
	/** Changes in bars that are left to the others. */
	readonly air: readonly number[];
	/** How the notes are held: the route is played so, too. */
	readonly slide: 0 | 1 | 2;
	readonly block: boolean;
};

/** How a line that is made reads the chart; lines of one key read it alike. */
export type Landing = { readonly key: string; readonly read: (chart: Chart) => TimedChart };

const NO_SETUP: PlayerSetup = { instruments: [], hand: MEDIUM_HAND, scales: [] };

/**
 * The tune that all its screens share: the saved text, the place on the neck and the change that is
 * looked at. `cursor` is an index into the chart's changes: that change is *next*, the chord before
 * it *now*; at the first change the last chord is now, because the chart loops.
 */
export class OpenTune {
	saved: TuneAnswer;
	player: PlayerSetup = $state.raw(NO_SETUP);
	position: number = $state(1);
	/** The player has put the hand there; else it lies where a new tune begins. */
	placed = $state(false);
	cursor: number = $state(0);
	/** While music plays, the change whose chord sounds; it need not be the one before the cursor. */
	sounding: number | null = $state(null);
	/** A phrase on its way into the route, and a motif on its way to the phrase screen. */
	incoming: Incoming | null = $state.raw(null);
	caught: { readonly name: string; readonly motif: Motif } | null = $state.raw(null);
	readonly chordScales = new ChordScales();
	/** The tune in another key, while it is drilled there; null as written. */
	keyed: KeyedTune | null = $state.raw(null);
	/** The chart as it is written. */
	readonly written: Chart = $derived.by(() => this.keyed?.chart ?? parseChart(this.saved.chart));
	/** When the line lands that is made here, beside the changes; null where nothing is made. */
	private landing: Landing | null = $state.raw(null);
	/** The chart by what the line that is made here asks of it. */
	readonly timed: TimedChart | null = $derived(this.landing && this.landing.read(this.written));
	/** The chart by the moments that are landed on: its changes, and more while a line is made that asks for them. */
	readonly chart: Chart = $derived(this.timed?.chart ?? this.written);
	readonly instrument = $derived(
		instrumentOf(this.chart, this.player.instruments, this.player.hand).instrument
	);
	/** Frets that a slide lies on at a time while a line is made; 0 is played with the fingers. */
	slide: 0 | 1 | 2 = $state(0);
	/** The hand moves with each chord's root, from its position on. */
	block = $state(false);
	readonly key = $derived(keyOf(this.chart));
	/** What each event of the chart does in the key, by index. */
	readonly functions: readonly (ChordFunction | null)[] = $derived(
		this.key ? functionsAlong(this.chart, this.key) : []
	);
	readonly scale = $derived(scaleInUse(this.chart).scale);
	/** The instrument as it is held: with a slide, a position is what lies on its fret. */
	readonly held: Instrument = $derived.by(() => {
		const { slide, block, position } = this;
		return heldInstrument(this, { slide, block }, position);
	});
	readonly change: Change | undefined = $derived(this.chart.changes[this.cursor]);
	readonly before: Change | undefined = $derived.by(() => {
		const { changes } = this.chart;
		if (this.sounding !== null) return changes[this.sounding];
		if (changes.length < 2) return undefined;
		return changes[(this.cursor + changes.length - 1) % changes.length];
	});
	/** A chart with one chord has no next: that chord is now. */
	readonly now: Chord | null = $derived(
		this.before?.to.chord ??
			(this.chart.changes.length === 1 ? this.chart.changes[0].to.chord : null)
	);
	readonly next: Chord | null = $derived(
		this.chart.changes.length > 1 ? (this.change?.to.chord ?? null) : null
	);
	/** What follows the coming chord, so that its dominants are heard as resolving; null when nothing does. */
	readonly afterNext: Chord | null = $derived(
		this.next && this.change ? chordAfter(this.chart, this.change.to.index) : null
	);

	constructor(tune: TuneAnswer, position: number | null, player: PlayerSetup = NO_SETUP) {
		this.saved = $state.raw(tune);
		this.player = player;
		this.begin(tune, position);
	}

	/** Opens a tune from its start, whatever was looked at before; without a position the hand lies on the root. */
	begin(tune: TuneAnswer, position: number | null): void {
		this.saved = tune;
		[this.keyed, this.slide, this.block, this.landing] = [null, 0, false, null];
		this.cursor = this.chart.changes.length > 1 ? 1 : 0;
		this.moveTo(position ?? rootPosition(this.chart, this.player.instruments));
		this.placed = position !== null;
	}

	/** Takes the moments that a line lands on for the changes of the chart; null for those that are written. */
	landAs(landing: Landing | null): void {
		if (landing?.key === this.landing?.key) return;
		const tick = this.change?.tick ?? 0;
		this.landing = landing;
		this.cursor = Math.max(0, changeIndexAt(this.chart, tick));
	}

	/** The scale for a chord: one chosen for it, or the chart's own. */
	scaleFor(chord: Chord | null): Scale | null {
		return (chord && this.chordScales.of(chord.symbol)) ?? this.scale;
	}

	/** Puts a saved or reloaded tune in place; the cursor stays where it can. */
	replace(tune: TuneAnswer): void {
		const had = this.chart.changes.length;
		this.saved = tune;
		const last = Math.max(0, this.chart.changes.length - 1);
		// Where nothing could be looked at yet, the first change is.
		this.cursor = had < 2 ? Math.min(1, last) : clamp(this.cursor, 0, last);
		const { placed } = this;
		this.moveTo(placed ? this.position : rootPosition(this.chart, this.player.instruments));
		this.placed = placed;
	}

	moveTo(position: number): void {
		this.position = clamp(Math.round(position), 1, lastPosition(this.instrument));
		this.placed = true;
	}

	/** Makes the chord of a change *now*: the next one is *next*. */
	look(change: number): void {
		const count = this.chart.changes.length;
		if (count > 0) this.cursor = (change + 1) % count;
	}

	step(by: number): void {
		const count = this.chart.changes.length;
		if (count > 0) this.cursor = (this.cursor + by + count) % count;
	}
}

export const provideTune = (tune: OpenTune): OpenTune => setContext(KEY, tune);
export const useTune = (): OpenTune => getContext<OpenTune>(KEY);

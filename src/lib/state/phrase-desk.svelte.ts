import type { Role } from '$core/chord';
import type { BarRange } from '$core/band';
import type { Change } from '$core/chart';
import { prefs } from '$lib/state/prefs.svelte';
import {
	answered,
	displaced,
	inRhythm,
	layParts,
	mirror,
	readMotif,
	rebased,
	reversed,
	sequence,
	symmetric,
	withoutNote,
	writeMotif,
	type BarPart,
	type Basis,
	type Motif,
	type Phrase,
	type PhraseContext
} from '$core/phrase';
import { blockWindows, scalesAlong } from '$core/route';
import type { MotifAnswer } from '$lib/api/notebook-schema';
import { BarTalk, nextPart } from './bar-talk.svelte';
import { History } from './history.svelte';
import { MotifShelf } from './motif-shelf.svelte';
import type { OpenTune } from './open-tune.svelte';
import { barsHolding } from './phrase-bars';
import { lifted } from './role-ladder';

/** What can be made of a motif. */
export type Making = 'answer' | 'sequence' | 'symmetric' | 'displace' | 'reverse';

/** Landings of an answer, at rest first. */
export const LANDINGS: readonly Role[] = ['R', '3', '5', 'b7', '9'];

type NamedMotif = { readonly name: string; readonly motif: Motif };

const PLAIN: NamedMotif = {
	name: 'New motif',
	motif: {
		basis: 'role',
		notes: ['R', '3', '5'].map((step, i) => ({ offsetTicks: i * 240, durationTicks: 240, step }))
	}
};
const NOTHING: Phrase = { notes: [], problems: [] };

/** The motif that is worked on, what is made of it, and where it is laid. */
export class PhraseDesk {
	readonly shelf: MotifShelf;
	readonly drafts = new History<NamedMotif>(PLAIN);
	/** The note that is picked out. */
	note = $state(0);
	making: Making = $state('answer');
	landing: Role = $state('R');
	by = $state(1);
	bySemitones = $state(3);
	times = $state(4);

	/** What is being played in stands in for the motif until it is done. */
	readonly live: Motif | null = $derived.by(() => this.hears?.() ?? null);
	/** Tells what is played in, where something can be. */
	hears: (() => Motif | null) | null = $state.raw(null);
	/** What each bar of the tune is for. */
	readonly talk = new BarTalk();

	readonly motif: Motif = $derived(this.live ?? this.drafts.current.motif);
	/** What the steps of the motif count from. */
	readonly motifBasis: Basis = $derived(this.drafts.current.motif.basis);
	readonly name: string = $derived(this.drafts.current.name);
	readonly dirty: boolean = $derived.by(() => {
		const { from } = this.shelf;
		const { name, motif } = this.drafts.current;
		return from?.name !== name || JSON.stringify(from.motif) !== JSON.stringify(motif);
	});
	/** The two changes that the motif is shown on: the chord that sounds and the coming one. */
	readonly shown: readonly Change[] = $derived.by(() => {
		const { before, change } = this.open;
		return [before, change].filter((entry) => entry !== undefined);
	});
	/** The bar that is looked at, by index: the first one shown, until another is chosen. */
	bar: number = $derived((this.shown[0]?.bar ?? 1) - 1);
	readonly context: PhraseContext = $derived.by(() => {
		const { chart, held: instrument, scale } = this.open;
		return {
			chart,
			instrument,
			scales: scalesAlong(chart, scale, 'one'),
			handAt: (change) => this.handAt(change)
		};
	});
	/** What is made runs on through time from the first chord. */
	readonly runs: boolean = $derived(this.making === 'sequence' || this.making === 'symmetric');
	/** The call over the shown changes, one phrase each. */
	readonly calls: readonly Phrase[] = $derived(this.over(this.motif));
	/** What the call becomes, over the same changes; for what runs on through time over the first alone. */
	readonly made: readonly Phrase[] = $derived.by(() => {
		const { motif, context, times } = this;
		const [first] = this.shown;
		if (!first) return [];
		switch (this.making) {
			case 'answer':
				return this.over(answered(motif, this.landing));
			case 'displace':
				return this.over(displaced(motif, 240));
			case 'reverse':
				return this.over(reversed(motif));
			case 'sequence':
				return [sequence(motif, context, this.by, times, first.index)];
			case 'symmetric':
				return [symmetric(motif, context, this.bySemitones, times, first.index)];
		}
	});

	/** What answers the call, as a motif; what runs on through time is answered by its own landing. */
	readonly reply: Motif = $derived.by(() => {
		if (this.making === 'displace') return displaced(this.motif, 240);
		if (this.making === 'reverse') return reversed(this.motif);
		return answered(this.motif, this.landing);
	});
	/** What each bar is for: as the player laid it out, else the call here and its answer on the next chord. */
	readonly parts: readonly BarPart[] = $derived.by(() => {
		const { chart } = this.open;
		const { parts } = this.talk;
		const [first, second] = this.shown.map((change) => change.bar - 1);
		const run = this.runs ? this.barsOf(this.made[0] ?? NOTHING) : null;
		return chart.played.map(({ index }): BarPart => {
			if (parts) return parts[index] ?? 'free';
			if (run) return index >= run.from && index < run.to ? 'call' : 'free';
			return index === first ? 'call' : index === second ? 'answer' : 'free';
		});
	});
	/** The talk over the bars, as notes. */
	readonly laid: Phrase = $derived.by(() =>
		this.motif.notes.length === 0
			? NOTHING
			: layParts(this.parts, this.motif, this.reply, this.context)
	);

	constructor(
		readonly open: OpenTune,
		motifs: readonly MotifAnswer[]
	) {
		this.shelf = new MotifShelf(motifs);
		if (motifs[0]) this.choose(motifs[0]);
	}

	private over(motif: Motif): Phrase[] {
		return this.shown.map((change) =>
			motif.notes.length === 0 ? NOTHING : mirror(motif, this.context, [change.index])
		);
	}

	/** The hand moves with each root instead of staying in its place. */
	get moves(): boolean {
		return this.open.block;
	}

	set moves(moves: boolean) {
		this.open.block = moves;
	}

	private readonly windows = $derived.by(() => {
		const { chart, held, position } = this.open;
		const [first] = this.shown;
		return this.moves && first ? blockWindows(chart, held, position, first.index) : null;
	});

	/** Where the hand is at a change: in its place, or moved as the root moved from the first chord. */
	handAt(change: number): number {
		return this.windows?.[change] ?? this.open.position;
	}

	choose(motif: MotifAnswer): void {
		this.shelf.from = motif;
		this.drafts.reset({ name: motif.name, motif: motif.motif });
		this.note = motif.motif.notes.length - 1;
	}

	/** Begins with a motif that was caught or played in; undo brings the one before back. */
	take(name: string, motif: Motif): void {
		this.shelf.from = null;
		this.drafts.push({ name, motif });
		this.note = motif.notes.length - 1;
	}

	/** The motif as a line of text; null where its rhythm is finer than text can say. */
	readonly text: string | null = $derived(writeMotif(this.motif));

	/** Takes a motif from text. Returns what is wrong with it; then nothing has changed. */
	write(text: string): string | null {
		const read = readMotif(text, this.motifBasis);
		if ('error' in read) return `Column ${read.error.column}: ${read.error.message}`;
		if (writeMotif(read.value) !== this.text) this.set(read.value);
		return null;
	}

	/** Tells the motif by roles, degrees or semitones; over this chord it stays what it is, and so does one that waits. */
	setBasis(basis: Basis): void {
		const [first] = this.shown;
		if (!first || basis === this.motifBasis) return;
		const { chord, index } = first.to;
		const { motif } = this.drafts.current;
		this.set(rebased(motif, basis, chord, this.context.scales[index] ?? null));
	}

	/** The bar that is looked at gets the next part. */
	nextPart(): void {
		this.talk.setBar(this.parts, this.bar, nextPart(this.parts[this.bar] ?? 'free'));
	}

	private set(motif: Motif): void {
		this.drafts.push({ name: this.name, motif });
		this.note = Math.max(0, Math.min(this.note, motif.notes.length - 1));
	}

	rename(name: string): void {
		this.drafts.push({ name, motif: this.drafts.current.motif });
	}

	pick(by: number): void {
		const count = this.motif.notes.length;
		if (count > 0) this.note = (this.note + by + count) % count;
	}

	/** The picked note to the next role, degree or semitone. */
	lift(by: 1 | -1): void {
		const { motif, note } = this;
		if (!motif.notes[note]) return;
		this.set(lifted(motif, note, by));
	}

	later(ticks: number): void {
		const start = Math.min(...this.motif.notes.map((note) => note.offsetTicks));
		if (start + ticks >= 0) this.set(displaced(this.motif, ticks));
	}

	remove(): void {
		if (this.motif.notes.length > 1) this.set(withoutNote(this.motif, this.note));
	}

	add(): void {
		const { notes } = this.motif;
		const last = notes.at(-1);
		const at = last ? last.offsetTicks + last.durationTicks : 0;
		if (notes.length >= 32) return;
		this.set({
			...this.motif,
			notes: [...notes, { offsetTicks: at, durationTicks: 240, step: last?.step ?? 'R' }]
		});
		this.note = this.motif.notes.length - 1;
	}

	rhythm(eighths: readonly number[]): void {
		this.set(inRhythm(this.motif, eighths));
	}

	/** What is made becomes the motif that is worked on. */
	keepMade(): void {
		if (!this.runs) this.set(this.reply);
	}

	/** Stores the motif: over the one that it came from, or as a new one. Throws Refusal. */
	store(fresh = false): Promise<void> {
		return this.shelf.store(this.name, this.motif, fresh);
	}

	/**
	 * What is heard and put in the line: the talk where one is laid out, else the call on this chord and
	 * what is made of it on the next one, in time.
	 */
	phrase(): Phrase {
		if (this.talk.parts) return this.laid;
		if (this.runs) return this.made[0] ?? NOTHING;
		const [first, second] = this.shown;
		const two = first && second && first.index !== second.index;
		const parts = two ? [this.calls[0], this.made[1]] : [this.calls[0]];
		return {
			notes: parts.flatMap((part) => part?.notes ?? []).sort((a, b) => a.tick - b.tick),
			problems: parts.flatMap((part) => part?.problems ?? [])
		};
	}

	/** Bars that a phrase stands in: indices, end exclusive. */
	barsOf = (phrase: Phrase) => this.barsAt(phrase.notes.map((note) => note.tick));

	/** The bars that hold some ticks: indices, end exclusive. */
	barsAt(ticks: readonly number[]): BarRange {
		return barsHolding(this.open.chart, ticks);
	}

	get problems(): readonly string[] {
		const talk = this.talk.parts ? [this.laid] : [];
		const all = [...this.calls, ...this.made, ...talk].flatMap((phrase) => phrase.problems);
		return [...new Set(all.map((problem) => prefs.prose(problem.message)))];
	}
}

import {
	changeIndexAt,
	parseChart,
	type Chart,
	type ChordEvent,
	type Diagnostic,
	type Span
} from '$core/chart';
import { browser } from '$app/environment';
import type { Chord } from '$core/chord';
import { scaleInUse } from '$core/harmony';
import { instrumentOf } from '$core/neck';
import type { TuneAnswer } from '$lib/api/notebook-schema';
import * as z from 'zod/mini';
import { Refusal, send } from './api';
import { keptHere } from './browser-store.svelte';
import type { OpenTune } from './open-tune.svelte';
import { openTabs, tabName } from './tab';

const kept = z.object({ text: z.string(), version: z.number(), at: z.catch(z.number(), 0) });
type KeptText = z.infer<typeof kept>;
const storeName = (id: string) => `arc-step-draft-${id}`;

/** Unsaved text that is kept under a name; null where there is none that can be read. */
function readDraft(name: string): KeptText | null {
	try {
		const found = kept.safeParse(JSON.parse(keptHere.get(name) ?? 'null'));
		return found.success ? found.data : null;
	} catch {
		keptHere.remove(name);
		return null;
	}
}

type SoundingEvent = ChordEvent & { readonly chord: Chord };

/**
 * The chart text while it is edited. It is read on every change, kept in this browser until it is
 * saved, and saved by version: when the tune was saved elsewhere meanwhile, `conflict` holds that one.
 */
export class ChartDraft {
	text: string = $state('');
	line = $state(1);
	column = $state(1);
	saving = $state(false);
	/** The version that the text was made from. */
	version: number = $state(1);
	conflict: TuneAnswer | null = $state.raw(null);
	/** Unsaved text of an earlier visit was found and put back. */
	recovered = $state(false);
	/** The tab that the text is kept for, once it is known. */
	private tab: string | null = $state(null);

	readonly chart: Chart = $derived(parseChart(this.text));
	readonly dirty: boolean = $derived.by(() => this.text !== this.open.saved.chart);
	/** Everything to say about the text, the scale and tuning headers included. */
	readonly diagnostics = $derived(
		[
			scaleInUse(this.chart).diagnostic,
			instrumentOf(this.chart).diagnostic,
			...this.chart.diagnostics
		]
			.filter((entry) => entry !== null)
			.filter((entry) => !this.isTypedAt(entry))
	);
	/** A doubt about what the cursor stands at the end of: it may still be typed on. */
	private isTypedAt({ severity, line, column, length }: Diagnostic): boolean {
		const end = column + length;
		return severity === 'warning' && line === this.line && this.column >= end && !this.rest(end);
	}

	/** Whether anything follows on the cursor's line. */
	private rest(column: number): boolean {
		const text = this.text.split('\n')[this.line - 1] ?? '';
		return text.slice(column - 1).trim() !== '';
	}

	/** What stands at the cursor, or last before it: a chord, a silence, a symbol that does not read. */
	readonly here: ChordEvent | null = $derived.by(() => {
		const before = this.chart.events.filter(
			({ span }) => span.line < this.line || (span.line === this.line && span.column <= this.column)
		);
		const first = before.filter((event) => event.pass === 1);
		return (first.length > 0 ? first : before).at(-1) ?? this.chart.events[0] ?? null;
	});
	/** The chord at the cursor, when it is one. */
	readonly now: SoundingEvent | null = $derived.by(() => {
		const { here } = this;
		return here?.chord ? { ...here, chord: here.chord } : null;
	});
	/** The chord that the next change brings. */
	readonly next: SoundingEvent | null = $derived.by(() => {
		const { now } = this;
		if (!now) return null;
		const change =
			this.chart.changes.find((entry) => entry.tick > now.startTick) ?? this.chart.changes[0];
		return change && change.to.index !== now.index ? change.to : null;
	});

	constructor(private readonly open: OpenTune) {
		this.text = open.saved.chart;
		this.version = open.saved.version;
	}

	/**
	 * Puts unsaved text back: that of this tab, or else the newest of a tab that is no longer open. What another tab
	 * is working on stays its own. Call once in the browser.
	 */
	async recover(): Promise<void> {
		if (!browser) return;
		const tab = await tabName();
		const own = readDraft(this.name(tab));
		const found = own ?? (await this.leftBehind());
		const untouched = !this.dirty;
		this.tab = tab;
		if (!found || !untouched || found.text === this.text) return;
		this.text = found.text;
		this.version = found.version;
		this.recovered = true;
	}

	/** Takes over the newest unsaved text of a tab that was closed, if there is one. */
	private async leftBehind(): Promise<KeptText | null> {
		const open = await openTabs();
		const beginning = storeName(this.open.saved.id);
		const closed = keptHere.names(beginning).flatMap((name) => {
			if (open?.has(name.slice(beginning.length + 1))) return [];
			const draft = readDraft(name);
			return draft ? [{ name, draft }] : [];
		});
		const [newest] = closed.sort((a, b) => b.draft.at - a.draft.at);
		if (!newest) return null;
		// Where the browser does not tell which tabs are open, the text may still be somebody's.
		if (open) keptHere.remove(newest.name);
		return newest.draft;
	}

	private name(tab: string): string {
		return `${storeName(this.open.saved.id)}-${tab}`;
	}

	/** Keeps unsaved text in this browser, for this tab, so that a crash loses nothing. */
	keep(): void {
		if (!browser || this.tab === null) return;
		const name = this.name(this.tab);
		const draft: KeptText = { text: this.text, version: this.version, at: Date.now() };
		if (this.dirty) keptHere.set(name, JSON.stringify(draft));
		else keptHere.remove(name);
	}

	/**
	 * Saves the text.
	 * @returns true when it is saved; false when the tune changed meanwhile (see `conflict`).
	 * @throws Refusal when the server refuses or does not answer.
	 */
	async save(): Promise<boolean> {
		this.saving = true;
		try {
			const body = { chart: this.text, version: this.version };
			this.take(await send<TuneAnswer>('PUT', `/api/v1/tunes/${this.open.saved.id}`, body));
			return true;
		} catch (error) {
			if (!(error instanceof Refusal) || error.status !== 409 || !error.current) throw error;
			this.conflict = error.current as TuneAnswer;
			return false;
		} finally {
			this.saving = false;
		}
	}

	private take(tune: TuneAnswer): void {
		this.open.replace(tune);
		this.version = tune.version;
		this.conflict = null;
		this.recovered = false;
		this.keep();
		this.lookAt(true);
	}

	/**
	 * Makes the chord at the cursor *now* on the tune's other screens, where what is written is saved.
	 * @param typed a chart that was typed to its end is looked at from its first change.
	 */
	lookAt(typed = false): void {
		const { now, open, chart } = this;
		if (this.dirty || !now) return;
		const at = changeIndexAt(chart, now.startTick);
		if (at >= 0) open.look(typed && at === chart.changes.length - 1 ? 0 : at);
	}

	/** Keeps this text over the one saved meanwhile. */
	async keepMine(): Promise<boolean> {
		if (this.conflict) this.version = this.conflict.version;
		return this.save();
	}

	/** Takes the text saved meanwhile; the editor's undo still leads back to one's own. */
	takeTheirs(): void {
		if (!this.conflict) return;
		this.text = this.conflict.chart;
		this.take(this.conflict);
	}

	cursorTo({ line, column }: Pick<Span, 'line' | 'column'>): void {
		this.line = line;
		this.column = column;
	}
}

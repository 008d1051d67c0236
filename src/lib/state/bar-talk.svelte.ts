import { browser } from '$app/environment';
import { BAR_PARTS, talkOver, type BarPart } from '$core/phrase';
import type { Chart } from '$core/chart';
import * as z from 'zod/mini';
import { keptHere } from './browser-store.svelte';

const schema = z.array(z.enum(BAR_PARTS));

/** What each bar of a tune is for: call, answer, held landing, air; kept in this browser. */
export class BarTalk {
	/** By played bar; null where nothing was laid out yet. */
	parts: readonly BarPart[] | null = $state.raw(null);
	private tune = '';

	private get store(): string {
		return `arc-step-talk-${this.tune}`;
	}

	/** Takes up a tune; call in the browser when it opens. */
	load(tune: string): void {
		this.tune = tune;
		this.parts = null;
		if (!browser) return;
		try {
			const kept = keptHere.get(this.store);
			const found = kept === null ? null : schema.safeParse(JSON.parse(kept));
			if (found?.success) this.parts = found.data;
		} catch {
			keptHere.remove(this.store);
		}
	}

	/** Puts a layout in place, as when a change is taken back; null is none. */
	set(parts: readonly BarPart[] | null): void {
		this.parts = parts;
		if (!browser || this.tune === '') return;
		if (parts) keptHere.set(this.store, JSON.stringify(parts));
		else keptHere.remove(this.store);
	}

	/** Gives one bar another part; `before` is what the bars were shown as. */
	setBar(before: readonly BarPart[], bar: number, part: BarPart): void {
		const parts = before.map((old, i) => (i === bar ? part : old));
		this.set(parts.every((entry) => entry === 'free') ? null : parts);
	}

	/** Lays a pattern over the whole tune, or over one section of it. */
	fill(
		chart: Chart,
		before: readonly BarPart[],
		pattern: readonly BarPart[],
		only?: string | null
	): void {
		this.set(talkOver(chart, pattern, before, only));
	}
}

/** The part that follows when a bar's part is changed again and again. */
export const nextPart = (part: BarPart): BarPart =>
	BAR_PARTS[(BAR_PARTS.indexOf(part) + 1) % BAR_PARTS.length];

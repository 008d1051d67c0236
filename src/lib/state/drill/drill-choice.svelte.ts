import type { BarRange } from '$core/band';
import { barTicksOf } from '$core/chart';
import { proseSigns } from '$core/chord';
import { keyOf } from '$core/harmony';
import { clamp } from '$core/kernel';
import { noteName } from '$core/pitch';
import {
	drillLine,
	drillOf,
	foot,
	inKey,
	keysFrom,
	moveDrill,
	passMs,
	type LadderPlace
} from '$core/practice';
import type { RouteSummary } from '$lib/api/notebook-schema';
import type { CardAnswer, CardDrill } from '$lib/api/practice-schema';
import type { OpenTune } from '../open-tune.svelte';
import { DrillCards } from './drill-cards';

/** A pass of today on the ladder. */
export type TriedPass = { readonly tempo: number; readonly clean: boolean };

/** Where the ladder stands: at the card's rung, else at its foot. */
const rungOf = (drill: CardDrill, card?: CardAnswer): LadderPlace =>
	card ? { tempo: card.tempo, clean: card.cleanInRow } : foot(drill.ladder);

/** What is drilled: the rules at a place in a key, where the ladder stands, and what was tried of it today. */
export class DrillChoice {
	drill: CardDrill;
	place: LadderPlace;
	/** The bars that go round instead of the whole drill: a step out of the last pass. */
	looped: BarRange | null = $state.raw(null);
	tried: readonly TriedPass[] = $state.raw([]);
	/** Saved routes of the tune: one of them can be played. */
	readonly routes: readonly RouteSummary[];
	protected readonly cards: DrillCards;

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
	readonly minutes: number = $derived.by(
		() => passMs(barTicksOf(this.open.chart), this.drill, this.place.tempo) / 60_000
	);

	constructor(
		readonly open: OpenTune,
		known: { readonly cards: readonly CardAnswer[]; readonly routes: readonly RouteSummary[] },
		key: string | null
	) {
		this.cards = new DrillCards(open.saved.id, known.cards);
		this.routes = known.routes;
		const { drill, card } = this.drillAt(open.position, key, null);
		this.drill = $state.raw(drill);
		this.place = $state.raw(rungOf(drill, card));
	}

	/** The drill that was kept at a place in a key, or one that is made for it. */
	protected drillAt(
		position: number,
		key: string | null,
		before: CardDrill | null
	): { readonly drill: CardDrill; readonly card: CardAnswer | undefined } {
		const goal = key === this.keys[0] ? null : key;
		const card = this.cards.at(position, goal);
		this.keyTune(goal);
		const made = () => drillOf('guide-tones', this.open.chart, { position, key: goal });
		const drill = card?.drill ?? (before ? moveDrill(before, position, goal) : made());
		return { drill, card };
	}

	/** The tune is heard in a key; null is its own. */
	protected keyTune(key: string | null): void {
		const { open } = this;
		open.keyed = key === null ? null : inKey(open.saved.chart, key);
	}

	/** Takes a drill up, at the rung where its card stands. */
	protected take(drill: CardDrill, card?: CardAnswer): void {
		const { open } = this;
		this.drill = drill;
		this.place = rungOf(drill, card);
		this.looped = null;
		this.tried = [];
		if (open.position !== drill.position) open.moveTo(drill.position);
	}

	/** Sets the rung by hand. */
	setTempo(tempo: number): void {
		const { start, ceiling } = this.drill.ladder;
		this.place = { tempo: clamp(tempo, start, ceiling), clean: 0 };
	}
}

/** Only the key of a drill's line is a note's name. */
const signsInLine = (line: string): string =>
	line.replace(/ · in ([A-G][b#]*)(?= ·)/, (_, tonic: string) => ` · in ${proseSigns(tonic)}`);

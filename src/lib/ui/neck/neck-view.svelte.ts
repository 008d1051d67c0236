import { type Chord } from '$core/chord';
import {
	chordAfter,
	hiddenArpeggios,
	hiddenScale,
	readOverChords,
	type Scale
} from '$core/harmony';
import {
	arpeggioShapes,
	bends,
	boxAt,
	cellGrips,
	doubleStops,
	FAMILIES,
	fullArpeggio,
	grips,
	joinShapes,
	lastPosition,
	pocketScale,
	positionsOf,
	usualPerString,
	type Bend,
	type DoubleStop,
	type Family,
	type Grip,
	type Shape
} from '$core/neck';
import { noteName, type Notation } from '$core/pitch';
import { distinctChords } from '$core/route';
import { prefs } from '$lib/state/prefs.svelte';
import type { OpenTune } from '$lib/state/open-tune.svelte';
import type { Figure } from '$lib/draw/figure';
import { scaleTitle } from '$lib/words/words';
import {
	bendFigure,
	gripFigure,
	hiddenFigure,
	isRole,
	layoutFigure,
	pairFigure,
	shapeFigure,
	type Tense
} from './figures';
import type { Panel } from './panels';

/** One thing to choose for the chord now or next. The key says which in its list, not where. */
export type Choice<T> = {
	readonly key: string;
	readonly tense: Tense;
	readonly chord: Chord;
	readonly item: T;
};

/** A grip of a chord, or of a cell hidden in its scale. */
export type HeldGrip = { readonly grip: Grip; readonly cell: Notation | null };

/** Longest lists that are worth stepping through. */
const MOST = { cells: 12, pairs: 24, bends: 16, hidden: 40 } as const;
const BY_VERDICT = ['home', 'colour', 'passing', 'clash'];
/** Thirds and sixths first, then tritones and fourths, then what is wide. By semitones. */
const BY_INTERVAL = [3, 4, 8, 9, 6, 5, 7, 10, 2, 1, 15, 16, 12];
const stopWorth = (stop: DoubleStop): number =>
	BY_VERDICT.indexOf(stop.verdict) * BY_INTERVAL.length + BY_INTERVAL.indexOf(stop.semitones);

/** What is looked at on the neck screen: the panel, and in each panel the thing picked out. */
export class NeckView {
	panel: Panel = $state('shapes');
	family: Family = $state('box');
	/** Notes a string; frets for `single-fret`. */
	perString: number = $state(0);
	private picked: Record<Panel, string> = $state({
		...{ shapes: '', grips: '', changes: '', pairs: '', bends: '' },
		...{ hidden: '', layouts: '', places: '', words: '' }
	});

	/** The scale whose notes are drawn: the one chosen for the sounding chord, or the chart's. */
	readonly scale: Scale | null = $derived.by(() => this.open.scaleFor(this.open.now));

	private readonly pair = $derived.by(() => {
		const { now, next, afterNext } = this.open;
		const both: { tense: Tense; chord: Chord; after: Chord | null }[] = [];
		if (now) both.push({ tense: 'now', chord: now, after: next });
		if (next) both.push({ tense: 'next', chord: next, after: afterNext });
		return both;
	});

	readonly shapes: readonly Choice<Shape>[] = $derived.by(() =>
		this.pair.flatMap(({ tense, chord }) => {
			const { instrument, position } = this.open;
			const found = arpeggioShapes(instrument, chord, position);
			const octaves = found.filter((shape) => shape.kind === 'octave');
			const rest = found.filter((shape) => shape.kind !== 'octave');
			// Root to root first, as it is learnt, then everything in the place, then small pieces.
			const order = [...octaves.slice(0, 1), ...rest.slice(0, 1)];
			const more = [...octaves.slice(1), ...rest.slice(1)];
			return [...order, ...more].map((item, i) => ({ key: `${tense}-${i}`, tense, chord, item }));
		})
	);
	/** Grips of both chords, and of the cells that are hidden over the sounding one without a clash. */
	readonly grips: readonly Choice<HeldGrip>[] = $derived.by(() => {
		const { instrument, position } = this.open;
		const ofCells = this.hidden
			.filter(({ item }) => item.kind === 'cell' && item.clashes.length === 0)
			.flatMap(({ item }) => {
				const notes = item.notes.flatMap((note, i) => {
					const role = item.roles[i];
					return isRole(role) ? [{ note, role }] : [];
				});
				return cellGrips(instrument, notes, position)
					.slice(0, 2)
					.map((grip) => ({ grip, cell: item.name }));
			})
			.slice(0, MOST.cells);
		return this.pair.flatMap(({ tense, chord }) => {
			const own = grips(instrument, chord, position);
			const all: HeldGrip[] = own.map((grip) => ({ grip, cell: null }));
			if (tense === 'now') all.push(...ofCells);
			return all.map((item, i) => ({ key: `${tense}-${i}`, tense, chord, item }));
		});
	});
	readonly pairs: readonly Choice<DoubleStop>[] = $derived.by(() =>
		this.pair.flatMap(({ tense, chord, after }) => {
			const { instrument, position } = this.open;
			const scale = this.open.scaleFor(chord);
			const found = doubleStops(instrument, chord, position, {
				...{ scale, next: after }
			});
			return [...found]
				.sort((a, b) => stopWorth(a) - stopWorth(b) || a.b.string - b.b.string)
				.slice(0, MOST.pairs)
				.map((item, i) => ({ key: `${tense}-${i}`, tense, chord, item }));
		})
	);
	readonly bends: readonly Choice<Bend>[] = $derived.by(() =>
		this.pair.flatMap(({ tense, chord }) => {
			const { instrument, position } = this.open;
			const scale = this.open.scaleFor(chord);
			// Bends are played from notes of the scale or the chord, a curl and a half tone also from the blue
			// third; the narrow ones are the easy ones.
			const known = (bend: Bend) =>
				(bend.toRole === '3' && bend.semitones <= 1) ||
				scale?.notes.some((note) => note.pc === bend.midi % 12) ||
				chord.tones.some((tone) => tone.pc === bend.midi % 12);
			return bends(instrument, chord, position)
				.filter(known)
				.sort((a, b) => a.string - b.string || a.semitones - b.semitones)
				.slice(0, MOST.bends)
				.map((item, i) => ({ key: `${tense}-${i}`, tense, chord, item }));
		})
	);
	/** The scale that hidden arpeggios are taken from: the raised one over the V of a minor home. */
	readonly hiddenIn: Scale | null = $derived.by(() => {
		const { now, key } = this.open;
		const chosen = now && this.open.chordScales.of(now.symbol);
		return chosen ?? (now && this.scale ? hiddenScale(now, this.scale, key) : null);
	});
	readonly hidden = $derived.by(() => {
		const { now, before, chart } = this.open;
		if (!now || !this.hiddenIn) return [];
		const next = before ? chordAfter(chart, before.to.index) : this.open.next;
		return hiddenArpeggios(this.hiddenIn, now, next)
			.slice(0, MOST.hidden)
			.map((item, i) => ({ key: `now-${i}`, tense: 'now' as const, chord: now, item }));
	});
	/** Pockets move with the chords: a scale that holds the sounding one, counted from its root. */
	readonly pocketScale: Scale | null = $derived.by(() => {
		const { scale } = this;
		const { now, next, key } = this.open;
		return now && scale ? pocketScale(now, scale, { next, key }) : scale;
	});
	readonly layouts = $derived.by(() => {
		const { instrument } = this.open;
		if (!this.scale) return [];
		const laid = this.family === 'pocket' ? this.pocketScale : this.scale;
		if (!laid) return [];
		const notesPerString =
			this.family === 'single-fret'
				? Math.min(2, this.perString || 1)
				: this.perString || undefined;
		const found = positionsOf(instrument, laid, this.family, { notesPerString, passing: true });
		// The open place is where players start, whether or not it has the fewest reaches.
		const open = this.family === 'box' ? boxAt(instrument, this.scale, 1) : null;
		const known = found.some((layout) => layout.position === 1);
		return open && !known && open.notes.some((note) => note.fret === 0) ? [open, ...found] : found;
	});
	/** Notes a string that are usual for the scale, when none are chosen. */
	readonly usual = $derived.by(() => (this.scale ? usualPerString(this.scale) : 3));

	/** The thing picked out, drawn over everything else; null when nothing is. */
	readonly figure: Figure | null = $derived.by(() => {
		const { instrument, position, now, next } = this.open;
		const key = this.picked[this.panel];
		if (!key) return null;
		const find = <T>(list: readonly Choice<T>[]) => list.find((entry) => entry.key === key);
		if (this.panel === 'shapes') {
			const found = find(this.shapes);
			return found ? shapeFigure(found.item, found.chord, found.tense) : null;
		}
		if (this.panel === 'grips') {
			const found = find(this.grips);
			return found
				? gripFigure(found.item.grip, found.item.cell ?? found.chord.symbol, found.tense)
				: null;
		}
		if (this.panel === 'pairs' || this.panel === 'bends') {
			const stop = this.panel === 'pairs' ? find(this.pairs) : undefined;
			const bend = this.panel === 'bends' ? find(this.bends) : undefined;
			const over = stop ?? bend;
			const scale = this.open.scaleFor(over?.chord ?? null);
			if (stop) return pairFigure(stop.item, instrument, stop.chord, stop.tense, scale);
			return bend ? bendFigure(bend.item, bend.chord, bend.tense, scale) : null;
		}
		if (this.panel === 'hidden') {
			const found = find(this.hidden);
			return found ? hiddenFigure(found.item, instrument, position, found.chord) : null;
		}
		const layout = this.layouts.find((entry) => entry.id === key);
		if (this.panel !== 'layouts' || !layout || !this.scale) return null;
		const round = layout.family === 'pocket' && this.pocketScale;
		const name = round
			? `Pocket round ${prefs.name(noteName(round.tonic))}`
			: scaleTitle(this.scale, this.open.player.scales);
		return layoutFigure(layout, now, next, name);
	});

	/** The hidden arpeggio picked out, re-read over every chord of the chart. */
	readonly reread = $derived.by(() => {
		const found = this.hidden.find((entry) => entry.key === this.picked.hidden);
		return found
			? readOverChords(found.item.notes, distinctChords({ chart: this.open.chart }))
			: [];
	});

	constructor(readonly open: OpenTune) {}

	get choice(): string {
		return this.picked[this.panel];
	}

	/** Picks one thing of the open panel out; picking it again, or '', lets it go. */
	pick(key: string): void {
		this.picked[this.panel] = key;
		const layout = this.panel === 'layouts' && this.layouts.find((entry) => entry.id === key);
		if (layout) this.open.moveTo(layout.position);
	}

	/** Picks the first thing of the open panel, unless one is picked already. Layouts move the hand: they wait. */
	pickFirst(): void {
		const { shapes, grips, pairs, bends, hidden, layouts } = this;
		const lists = { shapes, grips, pairs, bends, hidden } as const;
		if (this.panel === 'layouts') {
			const here = layouts.find((entry) => entry.position === this.open.position);
			if (!this.choice && here) this.picked.layouts = here.id;
		} else if (this.panel in lists && !this.figure) {
			this.picked[this.panel] = lists[this.panel as keyof typeof lists][0]?.key ?? '';
		}
	}

	show(panel: Panel): void {
		this.panel = panel;
	}

	layOut(family: Family, perString = 0): void {
		this.family = FAMILIES.includes(family) ? family : 'box';
		this.perString = perString;
		this.picked.layouts = '';
	}

	/** How the shape goes on into the next place where its chord has another one, toward the body first. */
	joinOf({ chord, item }: Choice<Shape>): { position: number; words: string } | null {
		const { instrument, position } = this.open;
		const last = lastPosition(instrument);
		for (let far = 2; far <= 5; far++) {
			for (const there of [position + far, position - far]) {
				if (there < 1 || there > last) continue;
				const full = fullArpeggio(instrument, chord, there);
				const join = full && joinShapes(item, full);
				if (join) return { position: there, words: join.words };
			}
		}
		return null;
	}
}

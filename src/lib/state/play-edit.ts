import type { Scale } from '$core/harmony';
import { playing, type Also, type Playing, type Technique } from '$core/route';

/** A note that is to be played in another way: what it comes out of on its string, and what it could do. */
export type PlayContext = {
	/** The fret of the note that rings on its string until it is struck; null where there is none. */
	readonly from: number | null;
	readonly fret: number;
	/** Semitones to the scale's next note above it. */
	readonly neighbour: number;
};
type Play = Partial<Playing>;

const has = ({ also }: Play, one: Also): boolean => also?.includes(one) ?? false;
const without = ({ also = [] }: Play, ...ones: readonly Also[]): Also[] =>
	also.filter((one) => !ones.includes(one));

/** The next of a few ways; after the last none of them. */
function cycle<T>(ways: readonly T[], current: number): T | null {
	return ways[current + 1] ?? null;
}

/** Keeps what rings and what is said besides, and reaches the note in another way. */
function reached(note: Play, technique: Technique | null, extra: Play = {}): Play {
	const rings = (['curl', 'trill', 'vibrato'] as const).filter((one) => note.technique === one);
	const { bend: _, ...rest } = note;
	return playing({ ...rest, ...extra, technique, also: [...(note.also ?? []), ...rings] });
}

type Slide = { readonly technique?: Technique; readonly also?: Also };

/** Slides, one after the other: from the note before, from below, from above, away up and down, none. */
export function nextSlide(note: Play, { from }: PlayContext): Play {
	const ways: Slide[] = [
		...(from === null ? [] : [{ technique: 'slide' as const }]),
		{ technique: 'slide-from-below' },
		{ technique: 'slide-from-above' },
		{ also: 'slide-away-up' },
		{ also: 'slide-away-down' }
	];
	const at = ways.findIndex(({ technique, also }) =>
		technique ? note.technique === technique : also !== undefined && has(note, also)
	);
	const next = cycle(ways, at);
	const bare = { ...note, also: without(note, 'slide-away-up', 'slide-away-down') };
	const slid = ways.some(
		({ technique }) => technique === note.technique && technique !== undefined
	);
	if (next?.technique) return reached(bare, next.technique);
	const plain = slid ? reached(bare, null) : playing(bare);
	return next?.also ? playing({ ...plain, also: [...(plain.also ?? []), next.also] }) : plain;
}

/** Hammered on to or pulled off to from the note before; tapped; struck. */
export function nextHammer(note: Play, { from, fret }: PlayContext): Play {
	const slur: Technique | null =
		from === null || from === fret ? null : from < fret ? 'hammer-on' : 'pull-off';
	const ways: Technique[] = [...(slur ? [slur] : []), 'tap'];
	return reached(note, cycle(ways, ways.indexOf(note.technique as Technique)));
}

/** Bent by a quarter, a half, one and one and a half tones; then not. */
export function nextBend(note: Play, { fret }: PlayContext): Play {
	if (fret === 0) return note;
	const at = note.bend ?? (note.technique === 'curl' || has(note, 'curl') ? 0.5 : 0);
	const next = { 0: 0.5, 0.5: 1, 1: 2, 2: 3 }[at] ?? 0;
	const technique = note.technique === 'pre-bend' && next >= 1 ? 'pre-bend' : null;
	const also = without(note, 'curl', ...(next >= 1 ? [] : (['release'] as const)));
	const shaken = note.technique === 'vibrato' ? (['vibrato'] as const) : [];
	const plain = playing({ ...note, bend: undefined, technique: null, also: [...also, ...shaken] });
	if (next === 0) return plain;
	if (next === 0.5) return playing({ ...plain, also: [...(plain.also ?? []), 'curl'] });
	return playing({ ...plain, bend: next, technique: technique ?? plain.technique ?? null });
}

/** A bend is let down again, or stays up. */
export const toggleRelease = (note: Play): Play =>
	note.bend === undefined
		? note
		: playing({
				...note,
				also: has(note, 'release') ? without(note, 'release') : [...(note.also ?? []), 'release']
			});

/** A bend is made before the string is struck, or after. */
export const togglePreBend = (note: Play): Play =>
	note.bend === undefined
		? note
		: playing({ ...note, technique: note.technique === 'pre-bend' ? 'bend' : 'pre-bend' });

function toggle(note: Play, one: 'vibrato' | 'trill'): Play {
	if (note.technique === one) return playing({ ...note, technique: null });
	if (has(note, one)) return playing({ ...note, also: without(note, one) });
	return playing({ ...note, also: [...(note.also ?? []), one] });
}

export const toggleVibrato = (note: Play): Play => toggle(note, 'vibrato');

/** Trilled with the scale's next note above, or not. */
export const toggleTrill = (note: Play, { neighbour }: PlayContext): Play =>
	toggle({ ...note, trill: neighbour }, 'trill');

const SOUNDS = ['staccato', 'dead', 'let-ring', 'palm-mute'] as const;

/** Short, dead, left ringing, under the palm, plain. */
export function nextSound(note: Play): Play {
	const at = SOUNDS.findIndex((one) => has(note, one));
	const next = cycle(SOUNDS, at);
	return playing({ ...note, also: [...without(note, ...SOUNDS), ...(next ? [next] : [])] });
}

const STROKES = ['down-stroke', 'up-stroke'] as const;

/** A down-stroke, an up-stroke, as the hand goes. */
export function nextStroke(note: Play): Play {
	const at = STROKES.findIndex((one) => has(note, one));
	const next = cycle(STROKES, at);
	return playing({ ...note, also: [...without(note, ...STROKES), ...(next ? [next] : [])] });
}

/** A grace note a step of the scale below, above, none. */
export function nextGrace(note: Play, { fret, neighbour }: PlayContext): Play {
	const ways = [fret - 2, fret - 1, fret + neighbour].filter((at) => at >= 0);
	const next = cycle(ways, note.grace === undefined ? -1 : ways.indexOf(note.grace));
	return playing({ ...note, grace: next ?? undefined });
}

/** Semitones from a pitch to the scale's next note above, three at most. */
export function neighbourOf(scale: Scale | null, midi: number): number {
	for (const step of [1, 2, 3]) {
		if (scale?.notes.some(({ pc }) => pc === (midi + step) % 12)) return step;
	}
	return 2;
}

import type { Anchors } from '$lib/api/route-schema';
import { samePlace, inWindow, pitchAt, type Instrument, type Place } from '$core/neck';
import { changeIndexAt, type Chart } from '$core/chart';
import { toneAt } from '$core/chord';
import { anchorOf, changeOfAnchor, sameAnchor, type Approach } from '$core/route';
import { leadIn } from '$lib/api/route-anchors';
import { without, withoutFirst, type WayNote } from './ways';

/** What fixed things are told against. */
export type AnchorContext = { readonly chart: Chart; readonly instrument: Instrument };

type Anchor = Parameters<typeof sameAnchor>[0];
type LeanWish = Anchors['leans'][number]['wish'];

const at = ({ chart }: AnchorContext, change: number): Anchor | null => {
	const found = chart.changes[change];
	return found ? anchorOf(found) : null;
};

/** The entry for a change in a list of anchored things. */
export function entryAt<T extends Anchor>(
	list: readonly T[],
	context: AnchorContext,
	change: number
): T | undefined {
	const anchor = at(context, change);
	return anchor ? list.find((entry) => sameAnchor(entry, anchor)) : undefined;
}

const lands = ({ chart, instrument }: AnchorContext, change: number, place: Place): boolean => {
	const chord = chart.changes[change]?.to.chord;
	return chord !== undefined && toneAt(chord, pitchAt(instrument, place)) !== undefined;
};

/** Nothing is fixed that another chart could take from the player: no lock, no note, no finger, no way to arrive. */
export const isFree = ({ locks, letPass, frozen, arrive, leans, fingers }: Anchors): boolean =>
	[locks, letPass, frozen, arrive, leans, fingers].every((list) => list.length === 0);

/** Fixes a change to a place, which must sound a tone of its chord; null where it does not. */
export function lockAt(
	anchors: Anchors,
	context: AnchorContext,
	change: number,
	place: Place
): Anchors | null {
	const anchor = at(context, change);
	if (!anchor || !lands(context, change, place)) return null;
	const { locks, letPass, frozen, forbid } = anchors;
	return {
		...anchors,
		locks: [...without(locks, anchor), { ...anchor, string: place.string, fret: place.fret }],
		letPass: without(letPass, anchor),
		frozen: withoutFirst(frozen, anchor),
		forbid: forbid.filter((other) => !samePlace(other, place))
	};
}

/** Leaves the landing to the plan, an own note that stands on it too. */
export function unlock(anchors: Anchors, context: AnchorContext, change: number): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const { locks, frozen } = anchors;
	return { ...anchors, locks: without(locks, anchor), frozen: withoutFirst(frozen, anchor) };
}

/** Leaves the way after a change to the plan again; own notes that stood on the change itself are gone with it. */
export function thaw(anchors: Anchors, context: AnchorContext, change: number): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const own = entryAt(anchors.letPass, context, change)?.own ?? false;
	const letPass = own ? without(anchors.letPass, anchor) : anchors.letPass;
	return { ...anchors, letPass, frozen: without(anchors.frozen, anchor) };
}

/** Leaves the landing on a change to the plan again, whatever stands there. */
export function landAgain(anchors: Anchors, context: AnchorContext, change: number): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const { letPass, frozen } = anchors;
	return { ...anchors, letPass: without(letPass, anchor), frozen: withoutFirst(frozen, anchor) };
}

/** Lets a change pass, own notes and all, or lands on it again. */
export function toggleLetPass(anchors: Anchors, context: AnchorContext, change: number): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const { locks, letPass } = anchors;
	const entry = entryAt(letPass, context, change);
	if (entry && !entry.own) return landAgain(anchors, context, change);
	return {
		...anchors,
		locks: without(locks, anchor),
		letPass: [...without(letPass, anchor), anchor]
	};
}

/** Asks for a way of arriving at a change; the one that is asked for already is given up. */
export function toggleArrival(
	anchors: Anchors,
	context: AnchorContext,
	change: number,
	approach: Approach
): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const rest = without(anchors.arrive, anchor);
	const same = entryAt(anchors.arrive, context, change)?.approach === approach;
	return { ...anchors, arrive: same ? rest : [...rest, { ...anchor, approach }] };
}

/** Asks for a landing at rest or one that leans; null leaves it to the plan. */
export function setLean(
	anchors: Anchors,
	context: AnchorContext,
	change: number,
	wish: LeanWish | null
): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const rest = without(anchors.leans, anchor);
	return { ...anchors, leans: wish ? [...rest, { ...anchor, wish }] : rest };
}

/** Sets the scale over a change; null leaves it to the scale plan. */
export function setScale(
	anchors: Anchors,
	context: AnchorContext,
	change: number,
	scale: { readonly tonic: string; readonly name: string } | null
): Anchors {
	const anchor = at(context, change);
	if (!anchor) return anchors;
	const rest = without(anchors.scales, anchor);
	return { ...anchors, scales: scale ? [...rest, { ...anchor, ...scale }] : rest };
}

/** Leaves a place out of every landing, or takes it in again; locks on it are given up. */
export function toggleForbidden(anchors: Anchors, place: Place): Anchors {
	const { string, fret } = place;
	const rest = anchors.forbid.filter((other) => !samePlace(other, place));
	if (rest.length < anchors.forbid.length) return { ...anchors, forbid: rest };
	const locks = anchors.locks.filter((lock) => !samePlace(lock, place));
	return { ...anchors, locks, forbid: [...rest, { string, fret }] };
}

/** Sets the player's own finger for notes; null leaves it to the hand. */
export function setFinger(
	anchors: Anchors,
	context: AnchorContext,
	notes: readonly ({ readonly tick: number } & Place)[],
	finger: number | null
): Anchors {
	let { fingers } = anchors;
	for (const { tick, string, fret } of notes) {
		const change = changeIndexAt(context.chart, tick);
		const anchor = at(context, change);
		if (!anchor) continue;
		const offset = tick - context.chart.changes[change].tick;
		fingers = fingers.filter((entry) => !sameAnchor(entry, anchor) || entry.offset !== offset);
		if (finger !== null) fingers = [...fingers, { ...anchor, offset, string, fret, finger }];
	}
	return { ...anchors, fingers };
}

/** The player's own finger for a note, if there is one. */
export function fingerOf(
	{ fingers }: Anchors,
	{ chart }: Pick<AnchorContext, 'chart'>,
	{ tick, string, fret }: { readonly tick: number } & Place
): number | null {
	const change = chart.changes[changeIndexAt(chart, tick)];
	if (!change) return null;
	const anchor = anchorOf(change);
	const found = fingers.find(
		(entry) =>
			entry.offset === tick - change.tick &&
			samePlace(entry, { string, fret }) &&
			sameAnchor(entry, anchor)
	);
	return found?.finger ?? null;
}

/**
 * Sets the notes of several ways; −1 is what comes before the first chord. The highest note on a change that is a tone of
 * its chord is its landing; any other takes the landing's place. The changes of `silent` lose theirs. Both are judged all the same, but
 * those of `air` are let pass.
 */
export function setWays(
	anchors: Anchors,
	context: AnchorContext,
	ways: readonly (readonly [number, readonly WayNote[]])[],
	silent: readonly number[] = [],
	air: readonly number[] = []
): Anchors {
	let { frozen, locks, letPass } = anchors;
	for (const [change, notes] of ways) {
		const anchor = change < 0 ? leadIn(context.chart) : at(context, change);
		if (!anchor) continue;
		const there = notes.filter((note) => note.offset === 0 && change >= 0);
		const pitch = (note: WayNote) => pitchAt(context.instrument, note);
		const [top] = [...there].sort((a, b) => pitch(b) - pitch(a));
		const first =
			[...there]
				.filter((note) => lands(context, change, note))
				.sort((a, b) => pitch(b) - pitch(a))[0] ?? top;
		const landed = first !== undefined && lands(context, change, first);
		if (first || silent.includes(change)) {
			locks = without(locks, anchor);
			letPass = without(letPass, anchor);
			if (landed) locks = [...locks, { ...anchor, string: first.string, fret: first.fret }];
			else letPass = [...letPass, air.includes(change) ? anchor : { ...anchor, own: true }];
		}
		frozen = [...without(frozen, anchor), { ...anchor, notes: [...notes] }];
	}
	return { ...anchors, frozen, locks, letPass };
}

/** Locks that the hand reaches where it is at their changes; the others are given up. */
export const locksWithin = (
	anchors: Anchors,
	{ chart, instrument }: AnchorContext,
	positionAt: (change: number) => number
): Anchors => ({
	...anchors,
	locks: anchors.locks.filter((lock) => {
		const change = changeOfAnchor(chart, lock);
		return change !== undefined && inWindow(instrument, positionAt(change.index), lock);
	})
});

import { changeAt, type Chart } from '$core/chart';
import { toneAt } from '$core/chord';
import { inWindow, pitchAt, type Instrument } from '$core/neck';
import { changeOfAnchor, handAlong, heldInstrument, tickOfAnchor } from '$core/route';
import type { RouteAnswer, RouteSummary } from '$lib/api/notebook-schema';
import type { TargetAnswer } from '$lib/api/plan-schema';
import { send } from './api';
import type { OpenTune } from './open-tune.svelte';
import { STYLE_NAMES } from '$lib/words/styles';
import type { PlayedRoute } from './played';

/**
 * The landings of a saved route where the chart has them now; those that it lost are left out. A colour, a bend and the
 * tonic of home stay as long as their chord does.
 */
export function savedTargets(
	route: RouteAnswer,
	chart: Chart,
	instrument: Instrument
): TargetAnswer[] {
	const taken = new Set<number>();
	return route.plan.targets.flatMap((target) => {
		const anchored = changeOfAnchor(chart, target);
		// A landing that came later than its change stands under it where the chart is read as it is written.
		const still = tickOfAnchor(chart, target) === target.tick;
		const change = anchored ?? (still ? changeAt(chart, target.tick) : null);
		if (!change || taken.has(change.index)) return [];
		const place = { string: target.string, fret: target.fret };
		const tone = toneAt(change.to.chord, pitchAt(instrument, place));
		const same = change.to.symbol === target.symbol;
		if (!same && (!tone || !anchored)) return [];
		taken.add(change.index);
		const tick = anchored ? change.tick : target.tick;
		const told = tone && (!same || pitchAt(instrument, place) === target.midi) ? tone : target;
		return [{ ...target, change: change.index, tick, name: told.name, role: told.role }];
	});
}

const handWords = (position: number, roams: boolean): string =>
	roams ? 'the hand moves' : `stay in position ${position}`;

/** What a route asks of the player, in a few words. */
export const ruleOf = (style: RouteSummary['style'], position: number, roams: boolean): string =>
	`${STYLE_NAMES[style].name}, ${handWords(position, roams)}`;

/** The same where all of it is the player's own line. */
export const ownRule = (position: number, roams: boolean): string =>
	`Your own line, ${handWords(position, roams)}`;

type Held = Pick<RouteAnswer['line'], 'slide' | 'block'> &
	Partial<Pick<RouteAnswer['line'], 'places' | 'hand' | 'roam'>>;

/** Takes the instrument as a route is played: with fingers or a slide, in one place or moving with each root. */
export const holdAs = (open: OpenTune, { slide, block }: Held): void => {
	[open.slide, open.block] = [slide, block];
};

/** Where the hand is at each change: in the position, where it reaches the landings; else where they lie. */
export function handOn(
	open: OpenTune,
	targets: readonly TargetAnswer[],
	position: number,
	{ slide, block, places, hand, roam }: Held = open
): PlayedRoute['handAt'] {
	const held = heldInstrument(open, { slide, block }, position);
	const wish = roam ? {} : { places, hand };
	const windows = handAlong(open.chart, held, position, { block, ...wish });
	return (change) => {
		if (windows) return windows[change] ?? position;
		const target = targets.findLast((entry) => entry.change <= change);
		if (!target || target.fret === 0 || inWindow(held, position, target)) return position;
		return Math.max(1, slide === 0 ? target.fret - 1 : target.fret);
	};
}

/** Learns the newest saved route of a tune at the hand's place, or the newest of all; null without one. */
export async function newestRoute(
	open: OpenTune,
	routes: readonly RouteSummary[]
): Promise<PlayedRoute | null> {
	const here = routes.filter((route) => route.position === open.position);
	const chosen = here.at(-1) ?? routes.at(-1);
	if (!chosen) return null;
	const route = await send<RouteAnswer>('GET', `/api/v1/routes/${chosen.id}`).catch(() => null);
	if (!route) return null;
	const { chart, instrument, saved } = open;
	holdAs(open, route.line);
	const targets = savedTargets(route, chart, instrument);
	const { position } = route;
	const handAt = handOn(open, targets, position, route.line);
	const roams = targets.some(({ change }) => handAt(change) !== position);
	return {
		notes: route.tuneVersion === saved.version ? route.plan.notes : [],
		targets,
		handAt,
		rule: ruleOf(route.style, position, roams)
	};
}

import { clamp, msOfTicks } from '../kernel';
import type { BarRange } from '../band';
import type { Chart } from '../chart';
import type { Style } from '../route';
import { ladderFor, type Ladder } from './ladder';
import type { Rules } from './types';

/** Drills in the order in which players take up a tune. */
export const PRESETS = [
	'roots',
	'guide-tones',
	'arpeggios',
	'arpeggios-scale',
	'free',
	'answer'
] as const;
export type Preset = (typeof PRESETS)[number];

/**
 * What is practised: bars of a tune, over a saved route or freely, at one place, in a key, by rules, up a
 * ladder. `key` is an ASCII tonic, null for the tune's own; `rules.position` is the place itself where it is
 * locked. `loops` is how many times through make a pass.
 */
export type Drill = {
	readonly preset: Preset | null;
	readonly range: BarRange | null;
	readonly routeId: string | null;
	readonly position: number;
	readonly key: string | null;
	readonly rules: Rules;
	readonly loops: number;
	readonly ladder: Ladder;
};

/** How a drill's landings are planned where no route is played. */
export const styleOf = ({ rules }: Pick<Drill, 'rules'>): Style =>
	rules.landOn === 'roots' ? 'roots' : rules.landOn === 'guide-tones' ? 'guide-tones' : 'nearest';

/** Every second group of so many bars is left to the others. */
const TALK_BARS = 2;

/** Bars of air for call and answer: two played, two left alone, to the end of the range. */
export function answerBars(chart: Chart, range: BarRange | null): number[] {
	const [from, to] = [range?.from ?? 0, range?.to ?? chart.played.length];
	const group = to - from < 2 * TALK_BARS ? 1 : TALK_BARS;
	return chart.played
		.slice(from, to)
		.flatMap((bar, i) => (Math.floor(i / group) % 2 === 1 ? [bar.index + 1] : []));
}

function rulesOf(preset: Preset, chart: Chart, position: number, range: BarRange | null): Rules {
	switch (preset) {
		case 'roots':
			return { position, landOn: 'roots', notes: 'targets' };
		case 'guide-tones':
			return { position, landOn: 'guide-tones', grid: 'eighth' };
		case 'arpeggios':
			return { position, notes: 'arpeggio', grid: 'eighth' };
		case 'arpeggios-scale':
			return { position, notes: 'scale', grid: 'eighth' };
		case 'free':
			return {};
		case 'answer':
			return { position, restBars: answerBars(chart, range) };
	}
}

/** No instrument has more frets. */
const MOST_FRETS = 24;

/** Bars that make one pass at least, so that a loop of four is judged more than once. */
const LEAST_BARS = 12;
const MOST_LOOPS = 4;

/** Times through that make a pass: once for a form, more for a short loop. */
function usualLoops(chart: Chart, range: BarRange | null): number {
	const bars = range ? range.to - range.from : chart.played.length;
	return clamp(Math.ceil(LEAST_BARS / Math.max(1, bars)), 1, MOST_LOOPS);
}

/** A drill from a preset: the three choices are what, where and how fast. */
export function drillOf(
	preset: Preset,
	chart: Chart,
	where: {
		readonly position: number;
		readonly key: string | null;
		readonly range?: BarRange | null;
	},
	ladder: Ladder = ladderFor(chart.headers.tempo)
): Drill {
	const { position, key, range = null } = where;
	return {
		preset,
		range,
		routeId: null,
		position,
		key,
		rules: rulesOf(preset, chart, position, range),
		loops: usualLoops(chart, range),
		ladder
	};
}

/**
 * The same work at another place or in another key: a locked hand and the one fret that is played move
 * along, a saved route stays behind. A fret that would leave the neck is let go.
 */
export function moveDrill<D extends Drill>(drill: D, position: number, key: string | null): D {
	const { position: locked, fret, ...rest } = drill.rules;
	const moved = fret === undefined ? undefined : fret + position - drill.position;
	const rules: Rules = {
		...rest,
		...(locked === undefined ? {} : { position }),
		...(moved === undefined || moved < 0 || moved > MOST_FRETS ? {} : { fret: moved })
	};
	const routeId = position === drill.position && key === drill.key ? drill.routeId : null;
	return { ...drill, position, key, routeId, rules };
}

/**
 * Ms of a pass at a tempo, without its count-in.
 * @param barTicks ticks of each played bar of the tune
 */
export function passMs(
	barTicks: readonly number[],
	drill: Pick<Drill, 'range' | 'loops'>,
	tempo: number
): number {
	const { range, loops } = drill;
	const played = range ? barTicks.slice(range.from, range.to) : barTicks;
	const ticks = played.reduce((sum, bar) => sum + bar, 0);
	return msOfTicks(ticks * loops, tempo);
}
